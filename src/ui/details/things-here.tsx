'use client';

import type { SolvedLevel } from '@/core/solving/solved';
import { everyFacet } from '@/core/kinds/registry';
import { useState } from 'react';
import { ActionButton, PlainField } from '../fields/fields';
import { sayThing } from './sentence';
import { chosenLines, withLine } from '../session/busy';
import { useSlice } from '../session/store';

/** Everything at the current level as a list: the plan for keyboard and screen reader. It is made where it is opened. */
export function ThingsHere() {
  const { solved, level, building } = useSlice('solved', 'level', 'building');
  const [isOpen, setOpen] = useState(false);
  const shown = solved?.levels.find(({ id }) => id === level);
  if (!solved || !shown || shown.building !== building) return null;
  return (
    <details className="border-t border-hair pt-3" onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary className="font-bold">On level {shown.name}</summary>
      {isOpen && <List shown={shown} />}
    </details>
  );
}

/** What is at a level, by kinds, with a filter in words. */
function List({ shown }: { shown: SolvedLevel }) {
  const { framework, solved, selection, busy, display, select, set } = useSlice(
    'framework',
    'solved',
    'selection',
    'busy',
    'display',
    'select',
    'set',
  );
  const [filter, setFilter] = useState('');
  if (!solved) return null;
  const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
  /** Every word typed stands in what is said of it: its kind, name, type, use or size. */
  const isMeant = (id: string, heading: string, own: string): boolean => {
    if (words.length === 0) return true;
    const said = sayThing(framework, solved, id, display);
    const text = `${heading} ${own} ${said?.title ?? ''} ${said?.sentence ?? ''}`.toLowerCase();
    return words.every((word) => text.includes(word));
  };
  const groups = everyFacet('listed').map(({ heading, things }) => ({
    heading,
    entries: things({ framework, solved, shown }).filter((entry) => isMeant(entry.id, heading, entry.words)),
  }));
  const meant = [...new Set(groups.flatMap(({ entries }) => entries.map(({ id }) => id)))];
  const lines = chosenLines(busy);
  const press = (id: string) => {
    if (lines && framework.records.get(id)?.kind === 'gridLine')
      set({ busy: { with: 'lines', chosen: withLine(lines, id) } });
    else select([id]);
  };
  return (
    <>
      <div className="flex flex-col gap-1 pt-1.5">
        <PlainField
          label="Only those with"
          value={filter}
          onChange={setFilter}
          note={words.length === 0 ? 'like: wall interior, 500 × 500, ST' : null}
        />
        {words.length > 0 && (
          <span className="self-end">
            <ActionButton disabled={meant.length === 0} onClick={() => select(meant)}>
              {meant.length === 0 ? 'Nothing here is' : `Choose ${meant.length === 1 ? 'it' : `these ${meant.length}`}`}
            </ActionButton>
          </span>
        )}
      </div>
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
    </>
  );
}
