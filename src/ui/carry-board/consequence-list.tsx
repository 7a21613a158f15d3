'use client';

import type { Consequence } from '@/core/carrying/consequences';
import { useSlice } from '../session/store';

const HEADINGS: Record<Consequence['about'], string> = {
  levels: 'Levels',
  stairs: 'Stairs',
  shafts: 'Shafts',
  columns: 'Columns',
  walls: 'Walls',
  floors: 'Floors',
  gone: 'What goes',
  newFindings: 'New findings',
  goneFindings: 'Findings gone',
};
/** Of one heading, at most so many are listed. */
const MOST_SHOWN = 8;

/** What an edit would bring about, heading by heading. */
export function ConsequenceList({ changes }: { changes: readonly Consequence[] }) {
  const { framework, set } = useSlice('framework', 'set');
  const abouts = (Object.keys(HEADINGS) as Consequence['about'][]).filter((about) =>
    changes.some((each) => each.about === about),
  );
  if (abouts.length === 0) return <p className="text-ink2">Nothing else changes.</p>;
  return (
    <div className="flex flex-col gap-1.5 border-t border-faint pt-1.5 text-[12px]">
      {abouts.map((about) => {
        const all = changes.filter((each) => each.about === about);
        return (
          <section key={about} aria-label={HEADINGS[about]}>
            <h4 className={`font-semibold ${about === 'newFindings' ? 'text-wrong' : 'text-ink2'}`}>
              {HEADINGS[about]}
            </h4>
            <ul>
              {all.slice(0, MOST_SHOWN).map(({ words, ids, level }, i) => (
                <li key={i}>
                  <button
                    type="button"
                    className="text-left"
                    onClick={() =>
                      set({
                        selection: ids.filter((id) => framework.records.has(id)),
                        ...(level && framework.records.has(level) ? { level } : {}),
                      })
                    }
                  >
                    {words}
                  </button>
                </li>
              ))}
              {all.length > MOST_SHOWN && <li className="text-ink2">and {all.length - MOST_SHOWN} more</li>}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
