'use client';

import { useWords } from '../session/use-words';
import type { Finding } from '@/core/checks/finding';
import type { Id } from '@/core/model/ids';
import { ActionButton } from '../fields/fields';
import { useSlice } from '../session/store';

const MOST_SHOWN = 12;

/** Findings about what is chosen, then those of the current level, then the rest by number. */
export function Findings({ about }: { about: readonly Id[] }) {
  const { solved, level, building } = useSlice('solved', 'level', 'building');
  const all = (solved?.findings ?? []).filter((finding) => finding.building === building);
  const own = about.length > 0 ? all.filter((finding) => finding.about.some((id) => about.includes(id))) : [];
  const here = all.filter((finding) => !own.includes(finding) && (finding.level === level || finding.level === null));
  const shown = [...own, ...here].slice(0, MOST_SHOWN);
  const elsewhere = all.length - shown.length;
  return (
    <section aria-label="Findings" className="flex flex-col gap-2 border-t border-hair pt-3">
      <h3 className="flex items-baseline justify-between font-bold">
        Findings
        <span className="text-[11px] font-normal text-ink2">
          {all.length === 0 ? 'none' : `${shown.length} here, ${elsewhere} elsewhere`}
        </span>
      </h3>
      {shown.map((finding) => (
        <FindingCard key={finding.key} finding={finding} />
      ))}
    </section>
  );
}

export function FindingCard({ finding }: { finding: Finding }) {
  const { set, framework, run, say, mayEdit } = useSlice('set', 'framework', 'run', 'say', 'mayEdit');
  const inUnits = useWords();
  const isWrong = finding.severity === 'error';
  return (
    <div className={`border-l-[3px] bg-faint px-2.5 py-1.5 ${isWrong ? 'border-wrong' : 'border-look'}`}>
      <button
        type="button"
        className="text-left"
        onClick={() =>
          set({
            selection: finding.about.filter((id) => framework.records.has(id)),
            ...(finding.level ? { level: finding.level } : {}),
          })
        }
      >
        <span className={`mr-1 font-bold ${isWrong ? 'text-wrong' : 'text-look'}`}>{isWrong ? 'Wrong:' : 'Look:'}</span>
        {inUnits(finding.message)}
      </button>
      {mayEdit && finding.fixes.length > 0 && (
        <span className="mt-1.5 flex flex-wrap gap-1.5">
          {finding.fixes.map(({ words, command, input }) => (
            <ActionButton
              key={words}
              onClick={() => {
                const refusal = run(command, input);
                if (refusal) say(refusal);
              }}
            >
              {inUnits(words)}
            </ActionButton>
          ))}
        </span>
      )}
    </div>
  );
}
