'use client';

import { useState } from 'react';
import { Popover } from 'radix-ui';
import { VIEW_KINDS } from '@/core/kinds/view-kinds';
import { limitsOf, WHOLE, type ViewPart } from '@/core/views/view-part';
import { ActionButton, CheckField } from '../fields/fields';
import { useSlice } from '../session/store';
import { LevelSpan } from '../tools/level-span';
import { KeptViews } from './kept-views';

/** What a view shows: kinds of thing; the plan its neighbouring levels, space and sections a part of the buildings; kept views. */
export function WhatIsShown({ view }: { view: 'plan' | 'section' | 'model' }) {
  const { solved, hidden, ghosts, part, set } = useSlice('solved', 'hidden', 'ghosts', 'part', 'set');
  const [isOpen, setOpen] = useState(false);
  const less = view === 'plan' ? hidden.size + ghosts.length : hidden.size + limitsOf(part);
  const toggled = <T,>(list: Iterable<T>, one: T): T[] => {
    const all = [...list];
    return all.includes(one) ? all.filter((each) => each !== one) : [...all, one];
  };
  const words = [
    ...(hidden.size > 0 ? [`${hidden.size} hidden`] : []),
    ...(view !== 'plan' && limitsOf(part) > 0 ? ['a part'] : []),
  ];
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger
        className={`absolute top-3 left-4 z-10 rounded-sm border bg-sheet px-2 py-0.5 text-[11px] font-semibold ${less > 0 ? 'border-now text-now' : 'border-hair'}`}
      >
        {['What is shown', ...words].join(', ')}
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
            {/* Only plans have the tags of rooms. */}
            {VIEW_KINDS.filter((kind) => view === 'plan' || kind !== 'rooms').map((kind) => (
              <CheckField
                key={kind}
                label={kind}
                value={!hidden.has(kind)}
                onChange={() => set({ hidden: new Set(toggled(hidden, kind)) })}
              />
            ))}
          </div>
          {view === 'plan' ? (
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
          ) : (
            <>
              <div role="group" aria-label="Levels shown" className="flex flex-col gap-1 border-t border-faint pt-2">
                <LevelSpan
                  words={['From', 'Up to']}
                  from={part.lowest}
                  to={part.topmost}
                  onChange={({ from = part.lowest, to = part.topmost }) =>
                    set({ part: { ...part, lowest: from, topmost: to } })
                  }
                />
              </div>
              {(solved?.buildings.length ?? 0) > 1 && (
                <div role="group" aria-label="Buildings shown" className="border-t border-faint pt-2">
                  {solved!.buildings.map(({ id, name }) => (
                    <CheckField
                      key={id}
                      label={name}
                      value={!part.without.includes(id)}
                      onChange={() => set({ part: { ...part, without: toggled(part.without, id) } })}
                    />
                  ))}
                </div>
              )}
            </>
          )}
          {view === 'model' && <Crop part={part} onWindow={() => setOpen(false)} />}
          {view !== 'plan' && limitsOf(part) > 0 && (
            <span className="self-end">
              <ActionButton onClick={() => set({ part: WHOLE })}>Show all of it</ActionButton>
            </span>
          )}
          <KeptViews />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Crops space to a window in plan: two corners pressed in the plan, which is shown for it. */
function Crop({ part, onWindow }: { part: ViewPart; onWindow: () => void }) {
  const { building, tab, beside, set, say } = useSlice('building', 'tab', 'beside', 'set', 'say');
  const choose = () => {
    if (!building) return;
    const isBeside = tab === 'plan' || beside === 'plan';
    const back = tab;
    onWindow();
    if (!isBeside) set({ tab: 'plan' });
    say('Drag a window in the plan: space is cropped to it through all storeys', 'done');
    set({
      busy: {
        with: 'window',
        take: (from, to) =>
          set({
            part: { ...part, crop: { building, from: { ...from }, to: { ...to } } },
            busy: null,
            ...(isBeside ? {} : { tab: back }),
          }),
      },
    });
  };
  return (
    <div className="flex items-center justify-between gap-2 border-t border-faint pt-2">
      <span className="text-ink2">{part.crop ? 'Cropped to a window in plan' : 'All of the plan'}</span>
      {part.crop ? (
        <ActionButton onClick={() => set({ part: { ...part, crop: null } })}>Uncrop</ActionButton>
      ) : (
        <ActionButton onClick={choose}>Crop …</ActionButton>
      )}
    </div>
  );
}
