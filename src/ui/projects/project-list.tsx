'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { createAuthClient } from 'better-auth/react';
import { ActionButton } from '../fields/fields';
import { askServer } from '../page/ask-server';
import { Box, Choice } from '../page/boxes';
import { PageFrame } from '../page/page-frame';
import { onDay } from '../page/when';
import type { ListedProject } from '@/core/people/told';
import { listed, SORTS, type Sort } from './listed-project';
import { ProjectRow } from './project-row';
import { StartForms } from './start-forms';

const client = createAuthClient();

/** How often, and how many times, what is not worked out yet is asked for again. */
const ASK_AGAIN_MS = 2000;
const MOST_ASKED = 8;

interface ProjectListProps {
  person: string;
  demo: boolean;
  /** Whether this person may read the mails that stand in for e-mail. */
  outbox: boolean;
  projects: ListedProject[];
}

/** A person's projects: to open, look after, and start. */
export function ProjectList({ person, demo, outbox, projects: first }: ProjectListProps) {
  const router = useRouter();
  const [projects, setProjects] = useState(first);
  const [typed, setTyped] = useState('');
  const [sort, setSort] = useState<Sort>('changed');
  const [said, setSaid] = useState<string | null>(null);
  const [asked, setAsked] = useState(0);
  const read = () =>
    askServer<{ projects: ListedProject[] }>('GET', '/api/projects').then(
      (answer) => setProjects(answer.projects),
      (error: Error) => setSaid(error.message),
    );
  const changed = (words?: string) => {
    if (words) setSaid(words);
    setAsked(0);
    void read();
  };
  const isBehind = projects.some(({ summary, headSeq, deletedAt }) => !deletedAt && summary?.seq !== headSeq);
  useEffect(() => {
    if (!isBehind || asked >= MOST_ASKED) return;
    const timer = setTimeout(() => {
      setAsked(asked + 1);
      void read();
    }, ASK_AGAIN_MS);
    return () => clearTimeout(timer);
  }, [isBehind, asked]);
  const shown = listed(projects, typed, sort);
  const live = shown.filter(({ archived, deletedAt }) => !archived && !deletedAt);
  const archived = shown.filter((each) => each.archived && !each.deletedAt);
  const deleted = shown.filter(({ deletedAt }) => deletedAt);
  return (
    <PageFrame
      title="Projects"
      beside={
        <>
          {demo && <span className="bg-now-tint px-2 py-0.5 text-now">demo mode is on</span>}
          {outbox && (
            <Link href="/outbox" className="text-now underline">
              Outbox
            </Link>
          )}
          <Link href="/account" className="text-now underline">
            {person}
          </Link>
          <ActionButton onClick={() => void client.signOut().then(() => router.refresh())}>Sign out</ActionButton>
        </>
      }
    >
      <StartForms />
      <section aria-label="Your projects" className="flex flex-col">
        {projects.length > 1 && (
          <div className="mb-3 flex items-end justify-between gap-4">
            <Box
              label="Find"
              type="search"
              value={typed}
              placeholder="A project, a building, a person"
              onChange={(event) => setTyped(event.target.value)}
              wide
            />
            <Choice label="Sorted by" value={sort} onChange={(event) => setSort(event.target.value as Sort)}>
              {Object.entries(SORTS).map(([key, words]) => (
                <option key={key} value={key}>
                  {words}
                </option>
              ))}
            </Choice>
          </div>
        )}
        {said && (
          <p role="status" className="mb-2 text-now">
            {said}
          </p>
        )}
        {projects.length === 0 && <p className="text-ink2">No project yet. Start one above.</p>}
        {projects.length > 0 && live.length === 0 && (
          <p className="text-ink2">{typed ? `Nothing holds “${typed}”.` : 'All projects are put away.'}</p>
        )}
        <ul className="flex flex-col">
          {live.map((project) => (
            <ProjectRow key={project.id} project={project} onChanged={changed} />
          ))}
        </ul>
      </section>
      <Away title={`Archived (${archived.length})`} isEmpty={archived.length === 0}>
        {archived.map((project) => (
          <ProjectRow key={project.id} project={project} onChanged={changed} />
        ))}
      </Away>
      <Away title={`Deleted (${deleted.length})`} isEmpty={deleted.length === 0}>
        {deleted.map(({ id, name, deletedAt }) => (
          <li key={id} className="flex items-center justify-between gap-6 border-t border-hair py-2 last:border-b">
            <span className="min-w-0 truncate">
              <b>{name}</b> <span className="text-ink2">deleted on {onDay(deletedAt!)}</span>
            </span>
            <ActionButton
              label={`Bring ${name} back`}
              onClick={() =>
                void askServer('POST', `/api/projects/${id}/restore`).then(
                  () => changed(`${name} is back`),
                  (error: Error) => changed(error.message),
                )
              }
            >
              Bring back
            </ActionButton>
          </li>
        ))}
      </Away>
    </PageFrame>
  );
}

/** Projects that are put away: folded up until they are looked for. */
function Away({ title, isEmpty, children }: { title: string; isEmpty: boolean; children: React.ReactNode }) {
  if (isEmpty) return null;
  return (
    <details>
      <summary className="text-[15px] font-bold">{title}</summary>
      <ul className="mt-2 flex flex-col">{children}</ul>
    </details>
  );
}
