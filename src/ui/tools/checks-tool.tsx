'use client';

import { FindingCard } from '../details/findings';
import { useProject } from '../session/store';

/** All findings of the building, wrong ones first. */
export function ChecksTool() {
  const { solved, building } = useProject((project) => project);
  const findings = (solved?.findings ?? []).filter((finding) => finding.building === building);
  if (findings.length === 0) {
    return (
      <p className="text-ink2">
        No findings. Checked: grid labels, columns in shafts, columns off their slabs, shafts that miss a slab.
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
