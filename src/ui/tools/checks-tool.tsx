'use client';

import { CHECKED } from '@/core/checks/every-rule';
import { FindingCard } from '../details/findings';
import { useSlice } from '../session/store';

/** All findings of the building, wrong ones first, from the top down. */
export function ChecksTool() {
  const { solved, building } = useSlice('solved', 'building');
  const rank = new Map(solved?.levels.map(({ id, fflMm }) => [id, fflMm]));
  const height = (level: string | null) => (level === null ? Infinity : (rank.get(level) ?? 0));
  const findings = (solved?.findings ?? [])
    .filter((finding) => finding.building === building)
    .sort((a, b) => (a.severity === b.severity ? height(b.level) - height(a.level) : a.severity === 'error' ? -1 : 1));
  if (findings.length === 0) {
    return (
      <p className="text-ink2">
        No findings. Checked: {CHECKED.slice(0, -1).join(', ')} and {CHECKED.at(-1)}.
      </p>
    );
  }
  return (
    <div className="flex flex-col gap-2">
      {findings.slice(0, 200).map((finding) => (
        <FindingCard key={finding.key} finding={finding} />
      ))}
      {findings.length > 200 && <p className="text-ink2">and {findings.length - 200} more</p>}
    </div>
  );
}
