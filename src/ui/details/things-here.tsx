'use client';

import { everyFacet } from '@/core/kinds/registry';
import { chosenLines, withLine } from '../session/busy';
import { useSlice } from '../session/store';

/** Everything at the current level as a list: the plan for keyboard and screen reader. */
export function ThingsHere() {
  const { framework, solved, level, building, selection, busy, select, set } = useSlice(
    'framework',
    'solved',
    'level',
    'building',
    'selection',
    'busy',
    'select',
    'set',
  );
  const shown = solved?.levels.find(({ id }) => id === level);
  if (!solved || !shown || shown.building !== building) return null;
  const groups = everyFacet('listed').map(({ heading, things }) => ({
    heading,
    entries: things({ framework, solved, shown }),
  }));
  const lines = chosenLines(busy);
  const press = (id: string) => {
    if (lines && framework.records.get(id)?.kind === 'gridLine')
      set({ busy: { with: 'lines', chosen: withLine(lines, id) } });
    else select([id]);
  };
  return (
    <details className="border-t border-hair pt-3">
      <summary className="font-bold">On level {shown.name}</summary>
      {groups.map(({ heading, entries }) =>
        entries.length === 0 ? null : (
          <div key={heading} className="pt-1.5">
            <h4 className="text-ink2">{heading}</h4>
            <div className="flex flex-wrap gap-1">
              {[...entries]
                .sort((a, b) => a.words.localeCompare(b.words, 'en', { numeric: true }))
                .map(({ id, words }) => (
                  <button
                    key={id}
                    type="button"
                    aria-pressed={selection.includes(id)}
                    className={`figures rounded-sm border px-1 ${selection.includes(id) || lines?.includes(id) ? 'border-now bg-now-tint text-now' : 'border-hair'}`}
                    onClick={() => press(id)}
                  >
                    {words}
                  </button>
                ))}
            </div>
          </div>
        ),
      )}
    </details>
  );
}
