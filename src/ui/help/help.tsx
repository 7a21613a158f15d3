'use client';

import { CircleHelp } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { useSlice } from '../session/store';
import { KEYS, topicAt, topicsFor, type Topic } from './topics';

/** Help at what one is doing, searched by words, and the sheet of keys. */
export function Help() {
  const { isHelpOpen, step, tab, set } = useSlice('isHelpOpen', 'step', 'tab', 'set');
  const [find, setFind] = useState('');
  const own = topicAt(step, tab);
  const found = find.trim() === '' ? null : topicsFor(find);
  return (
    <Popover.Root open={isHelpOpen} onOpenChange={(open) => set({ isHelpOpen: open })}>
      <Popover.Trigger
        aria-label="Help"
        title="Help (?)"
        className="grid size-[26px] shrink-0 place-items-center rounded-sm border border-hair hover:bg-faint"
      >
        <CircleHelp size={15} aria-hidden="true" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          collisionPadding={8}
          className="z-40 flex max-h-[75vh] w-[420px] flex-col gap-3 overflow-y-auto rounded-sm border border-ink3 bg-sheet p-3 shadow-lg"
          aria-label="Help"
        >
          <label className="flex flex-col gap-0.5">
            <span className="font-bold">Help</span>
            <input
              className="rounded-sm border border-hair bg-film px-2 py-1"
              placeholder="any word: door, setback, feet …"
              value={find}
              onChange={({ target }) => setFind(target.value)}
            />
          </label>
          {found ? (
            found.length > 0 ? (
              found.map((topic) => <Page key={topic.title} topic={topic} open={topic === found[0]} />)
            ) : (
              <p role="status">Nothing here has all of these words. Try fewer, or another one.</p>
            )
          ) : (
            <>
              <Page topic={own} open />
              {topicsFor('')
                .filter((topic) => topic !== own)
                .map((topic) => (
                  <Page key={topic.title} topic={topic} open={false} />
                ))}
              <details>
                <summary className="font-bold">Keys</summary>
                <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 pt-1">
                  {KEYS.map(([keys, does]) => (
                    <div key={keys} className="contents">
                      <dt className="figures text-[12px]">{keys}</dt>
                      <dd className="text-ink2">{does}</dd>
                    </div>
                  ))}
                </dl>
              </details>
            </>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Page({ topic, open }: { topic: Topic; open: boolean }) {
  return (
    <details open={open}>
      <summary className="font-bold">{topic.title}</summary>
      {topic.text.map((text) => (
        <p key={text} className="pt-1">
          {text}
        </p>
      ))}
    </details>
  );
}
