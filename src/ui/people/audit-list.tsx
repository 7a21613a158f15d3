'use client';

import type { AuditLine, Member } from '@/core/people/told';
import { useEffect, useState } from 'react';
import { ActionButton } from '../fields/fields';
import { askServer } from '../page/ask-server';
import { Box, Choice, Outcome } from '../page/boxes';
import { PagePart } from '../page/page-frame';
import { useAsking } from '../page/use-asking';
import { when } from '../page/when';

/** What happened around a project, filtered, piece by piece, and to take out. */
export function AuditList({ projectId, members }: { projectId: string; members: Member[] }) {
  const [filter, setFilter] = useState({ event: '', person: '', from: '', to: '' });
  const [lines, setLines] = useState<AuditLine[]>([]);
  const [more, setMore] = useState(false);
  const [events, setEvents] = useState<string[]>([]);
  const { said, ask, say } = useAsking();
  const asked = new URLSearchParams(Object.entries(filter).filter(([, value]) => value !== ''));
  const url = `/api/projects/${projectId}/audit`;
  const key = asked.toString();
  useEffect(() => {
    let isCurrent = true;
    askServer<{ lines: AuditLine[]; more: boolean; events: string[] }>('GET', `${url}?${key}`).then(
      (read) => {
        if (!isCurrent) return;
        setLines(read.lines);
        setMore(read.more);
        setEvents(read.events);
      },
      (error: Error) => isCurrent && say({ text: error.message, isTrouble: true }),
    );
    return () => {
      isCurrent = false;
    };
  }, [url, key, say]);
  const readMore = () =>
    void ask(async () => {
      const before = new URLSearchParams([...asked, ['before', lines.at(-1)!.at]]);
      const read = await askServer<{ lines: AuditLine[]; more: boolean }>('GET', `${url}?${before.toString()}`);
      setLines([...lines, ...read.lines]);
      setMore(read.more);
    });
  const set = (part: Partial<typeof filter>) => setFilter({ ...filter, ...part });
  return (
    <PagePart
      title="What happened"
      note="Kept for 400 days. Of edits only their number a day; what they were is in the history."
    >
      <div className="flex items-end gap-3">
        <Choice label="What" value={filter.event} onChange={({ target }) => set({ event: target.value })}>
          <option value="">Everything</option>
          {events.map((event) => (
            <option key={event}>{event}</option>
          ))}
        </Choice>
        <Choice label="Who" value={filter.person} onChange={({ target }) => set({ person: target.value })}>
          <option value="">Everybody</option>
          {members.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Choice>
        <Box label="From" type="date" value={filter.from} onChange={({ target }) => set({ from: target.value })} />
        <Box label="To" type="date" value={filter.to} onChange={({ target }) => set({ to: target.value })} />
        <a
          className="ml-auto font-semibold text-now underline"
          href={`${url}?${new URLSearchParams([...asked, ['format', 'csv']]).toString()}`}
        >
          Download as a table
        </a>
      </div>
      <Outcome said={said} />
      {lines.length === 0 && !said && <p className="text-ink2">Nothing.</p>}
      <ul className="flex flex-col">
        {lines.map(({ at, event, who, about, detail, address }, i) => (
          <li
            key={`${at} ${i}`}
            className="grid grid-cols-[160px_150px_minmax(0,1fr)_130px] gap-4 border-t border-hair py-1.5 last:border-b"
          >
            <span className="figures text-ink2">{when(at)}</span>
            <b className="truncate">{who || 'somebody'}</b>
            <span>
              {event} {about} <span className="text-ink2">{detail}</span>
            </span>
            <span className="figures text-right text-ink2">{address}</span>
          </li>
        ))}
      </ul>
      {more && (
        <span>
          <ActionButton onClick={readMore}>Show more</ActionButton>
        </span>
      )}
    </PagePart>
  );
}
