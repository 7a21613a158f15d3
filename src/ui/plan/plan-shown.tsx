'use client';

import { useState } from 'react';
import { Popover } from 'radix-ui';
import { recordsOf } from '@/core/model/framework';
import { VIEW_KINDS } from '@/core/views/named-view';
import { ActionButton, CheckField, PlainField } from '../fields/fields';
import { useProject } from '../session/store';

/** What the plan shows: kinds of thing, the neighbouring levels faint, and the views kept for the project. */
export function PlanShown() {
  const { framework, building, level, tab, hidden, ghosts, mayEdit, run, set } = useProject((project) => project);
  const [name, setName] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const views = recordsOf(framework, 'namedView');
  const less = hidden.size + ghosts.length;
  const toggled = <T,>(list: Iterable<T>, one: T): T[] => {
    const all = [...list];
    return all.includes(one) ? all.filter((each) => each !== one) : [...all, one];
  };
  const keep = () => {
    const refusal = run('views.keep', {
      ...(building ? { building } : {}),
      name: name.trim(),
      tab,
      level,
      hidden: [...hidden],
      ghosts: [...ghosts],
    });
    setRefused(refusal);
    if (!refusal) setName('');
  };
  return (
    <Popover.Root>
      <Popover.Trigger
        className={`absolute top-3 left-4 rounded-sm border bg-sheet px-2 py-0.5 text-[11px] font-semibold ${less > 0 ? 'border-now text-now' : 'border-hair'}`}
      >
        {hidden.size > 0 ? `What is shown, ${hidden.size} hidden` : 'What is shown'}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="bottom"
          align="start"
          sideOffset={6}
          collisionPadding={8}
          aria-label="What is shown"
          className="z-40 flex max-h-[75vh] w-64 flex-col gap-2 overflow-y-auto rounded-sm border border-ink3 bg-sheet p-3 shadow-lg"
        >
          <div role="group" aria-label="Kinds shown" className="grid grid-cols-2 gap-x-2">
            {VIEW_KINDS.map((kind) => (
              <CheckField
                key={kind}
                label={kind}
                value={!hidden.has(kind)}
                onChange={() => set({ hidden: new Set(toggled(hidden, kind)) })}
              />
            ))}
          </div>
          <div role="group" aria-label="Other levels" className="border-t border-faint pt-2">
            {(['below', 'above'] as const).map((which) => (
              <CheckField
                key={which}
                label={`the level ${which}, faint`}
                value={ghosts.includes(which)}
                onChange={() => set({ ghosts: toggled(ghosts, which) })}
              />
            ))}
          </div>
          <section aria-label="Kept views" className="flex flex-col gap-1 border-t border-faint pt-2">
            <h3 className="text-ink2">{views.length === 0 ? 'No view is kept yet' : 'Kept views'}</h3>
            {views.map((view) => (
              <span key={view.id} className="flex items-baseline justify-between gap-2">
                <button
                  type="button"
                  className="text-left font-semibold underline decoration-hair"
                  onClick={() =>
                    set({
                      building: view.building,
                      level: view.level,
                      tab: view.tab,
                      hidden: new Set(view.hidden),
                      ghosts: view.ghosts,
                      selection: [],
                    })
                  }
                >
                  {view.name}
                </button>
                {mayEdit && (
                  <ActionButton onClick={() => setRefused(run('views.drop', { name: view.name }))}>Drop</ActionButton>
                )}
              </span>
            ))}
            {mayEdit && (
              <form
                className="flex flex-col gap-1"
                onSubmit={(event) => {
                  event.preventDefault();
                  keep();
                }}
              >
                <PlainField
                  label="Keep it as"
                  value={name}
                  onChange={setName}
                  note={refused}
                  wrong={refused !== null}
                />
                <span className="self-end">
                  <ActionButton type="submit" disabled={name.trim() === ''}>
                    Keep it
                  </ActionButton>
                </span>
              </form>
            )}
          </section>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
