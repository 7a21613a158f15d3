'use client';

import Link from 'next/link';
import { useSyncExternalStore } from 'react';
import { forReader } from '@/core/units/for-reader';
import { METRIC } from '@/core/units/format-length';
import { Initials } from '../page/initials';
import { when } from '../page/when';
import { chosenDisplay } from '../session/store';
import { ElevationPicture } from './elevation-picture';
import type { ListedProject } from '@/core/people/told';
import { buildingWords } from './listed-project';
import { ProjectMenu } from './project-menu';

/** Discs of members that are shown before the rest is counted. */
const MOST_SHOWN = 5;

/** The units somebody chose are not chosen anew while the list is open. */
const never = () => () => {};

/** A project in the list: how it looks, what is in it, who is at it, and what was done last. */
export function ProjectRow({ project, onChanged }: { project: ListedProject; onChanged: (said?: string) => void }) {
  const { id, name, role, changedAt, lastBy, lastDone, members, summary } = project;
  const more = members.length - MOST_SHOWN;
  const display = useSyncExternalStore(never, chosenDisplay, () => null) ?? METRIC;
  const done = lastDone && forReader(lastDone, display);
  return (
    <li
      className="grid grid-cols-[120px_minmax(0,1fr)_158px_minmax(0,230px)_34px] items-center gap-5 border-t border-hair py-2.5 last:border-b"
      style={{ contentVisibility: 'auto', containIntrinsicSize: 'auto 96px' }}
    >
      <ElevationPicture projectId={id} seq={summary?.seq ?? null} />
      <span className="min-w-0">
        <Link href={`/projects/${id}`} className="block truncate text-[15px] font-bold hover:underline">
          {name}
        </Link>
        <span className="line-clamp-2 text-ink2">{buildingWords(project)}</span>
      </span>
      <span className="flex flex-col gap-1">
        <span className="flex items-center gap-1">
          {members.slice(0, MOST_SHOWN).map((member) => (
            <Initials key={member.id} name={member.name} note={member.role} />
          ))}
          {more > 0 && <span className="text-ink2">+{more}</span>}
        </span>
        <span className="text-ink2">You: {role}</span>
      </span>
      <span className="min-w-0">
        <span className="line-clamp-2" title={done ?? undefined}>
          {done ?? 'Nothing done yet'}
        </span>
        <span className="block truncate text-ink2">
          {lastBy ? `${lastBy}, ` : ''}
          {when(changedAt)}
        </span>
      </span>
      <ProjectMenu project={project} onChanged={onChanged} />
    </li>
  );
}
