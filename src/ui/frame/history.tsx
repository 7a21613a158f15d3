'use client';

import { useWords } from '../session/use-words';
import { useEffect, useState } from 'react';
import type { HistoryEntry } from '@/core/history/entry';
import { ActionButton } from '../fields/fields';
import { useSlice } from '../session/store';
import { TopPopover } from './top-popover';

/** Who did what and when, latest first. It is read only while it is open, in pieces. */
export function History() {
  return (
    <TopPopover button="History" name="History">
      <Entries />
    </TopPopover>
  );
}

interface Read {
  entries: HistoryEntry[];
  /** There is more before the oldest of them. */
  more: boolean;
}

function Entries() {
  const { session, seq } = useSlice('session', 'seq');
  const inUnits = useWords();
  const [read, setRead] = useState<Read | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    let stale = false;
    session?.server.history().then(
      ({ history, more }) => {
        if (stale) return;
        setTrouble(null);
        // What was read further back stays in the list.
        setRead((before) => {
          const oldest = history.at(-1)?.seq ?? 0;
          const earlier = (before?.entries ?? []).filter((entry) => entry.seq < oldest);
          return { entries: [...history, ...earlier], more: earlier.length > 0 ? before!.more : more };
        });
      },
      (error: Error) => !stale && setTrouble(error.message),
    );
    return () => {
      stale = true;
    };
  }, [session, seq]);
  const readEarlier = () => {
    const oldest = read?.entries.at(-1)?.seq;
    session?.server.history(oldest).then(
      ({ history, more }) => setRead((before) => ({ entries: [...(before?.entries ?? []), ...history], more })),
      (error: Error) => setTrouble(error.message),
    );
  };
  return (
    <>
      {trouble && (
        <p role="alert" className="text-wrong">
          The history could not be read: {trouble}
        </p>
      )}
      {!read && !trouble && <p role="status">Reading …</p>}
      {read?.entries.length === 0 && <p className="text-ink2">Nothing yet.</p>}
      <ol className="flex flex-col gap-1.5">
        {read?.entries.map(({ seq: number, sentence, author, at }) => (
          <li key={number} className="border-t border-faint pt-1">
            {inUnits(sentence)}
            <span className="block text-[11px] text-ink2">
              {author}, {new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}
            </span>
          </li>
        ))}
      </ol>
      {read?.more && <ActionButton onClick={readEarlier}>Show earlier ones</ActionButton>}
    </>
  );
}
