'use client';

import { CircleHelp } from 'lucide-react';
import { useState } from 'react';
import { TopPopover } from '../frame/top-popover';
import { useSlice } from '../session/store';
import { KEYS, topicAt, topicsFor, type Topic } from './topics';

/** Help at what one is doing, searched by words, and the sheet of keys. */
export function Help() {
  const { isHelpOpen, step, tab, set } = useSlice('isHelpOpen', 'step', 'tab', 'set');
  const [find, setFind] = useState('');
  const own = topicAt(step, tab);
  const found = find.trim() === '' ? null : topicsFor(find);
  return (
    <TopPopover
      button={<CircleHelp size={15} aria-hidden="true" />}
      name="Help"
      title="Help (?)"
      open={isHelpOpen}
      onOpenChange={(open) => set({ isHelpOpen: open })}
    >
      <input
        aria-label="Find in the help"
        className="rounded-sm border border-hair bg-film px-2 py-1"
        placeholder="any word: door, setback, feet …"
        value={find}
        onChange={({ target }) => setFind(target.value)}
      />
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
    </TopPopover>
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
