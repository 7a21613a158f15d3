'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { createAuthClient } from 'better-auth/react';
import { createProject } from '../session/server';
import { Mark } from '../frame/mark';
import { ActionButton } from '../fields/fields';

const client = createAuthClient();

interface ProjectListProps {
  person: string;
  demo: boolean;
  projects: { id: string; name: string; role: string; headSeq: number; changedAt: string | null }[];
}

/** A person's projects, and the start of a new one. */
export function ProjectList({ person, demo, projects }: ProjectListProps) {
  const router = useRouter();
  const [message, setMessage] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const start = (form: FormData) => {
    setBusy(true);
    createProject(String(form.get('name')), String(form.get('building'))).then(
      ({ id }) => router.push(`/projects/${id}`),
      (error: Error) => {
        setMessage(error.message);
        setBusy(false);
      },
    );
  };
  const field = 'rounded-sm border border-hair bg-sheet px-2 py-1.5';
  return (
    <main className="mx-auto flex max-w-[960px] flex-col gap-8 px-8 py-10">
      <header className="flex items-center justify-between">
        <h1 className="flex items-center gap-2.5 text-[22px] font-bold">
          <Mark /> Projects
        </h1>
        <span className="flex items-center gap-3 text-ink2">
          {person}
          {demo && <span className="bg-now-tint px-2 py-0.5 text-now">demo mode is on</span>}
          <ActionButton onClick={() => void client.signOut().then(() => router.refresh())}>Sign out</ActionButton>
        </span>
      </header>
      <ul className="flex flex-col">
        {projects.length === 0 && <li className="text-ink2">No project yet. Start one below.</li>}
        {projects.map(({ id, name, role, headSeq, changedAt }) => (
          <li key={id} className="border-t border-hair last:border-b">
            <Link
              href={`/projects/${id}`}
              className="grid grid-cols-[1fr_120px_110px_190px] items-baseline gap-4 px-2 py-3 hover:bg-sheet"
            >
              <span className="text-[15px] font-bold">{name}</span>
              <span className="text-ink2">{role}</span>
              <span className="figures text-ink2">{headSeq} edits</span>
              <span className="text-right text-ink2">
                {changedAt
                  ? new Date(changedAt).toLocaleString('en-GB', {
                      dateStyle: 'medium',
                      timeStyle: 'short',
                      timeZone: 'UTC',
                    })
                  : ''}
              </span>
            </Link>
          </li>
        ))}
      </ul>
      <form
        aria-label="Start a project"
        className="flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          start(new FormData(event.currentTarget));
        }}
      >
        <label className="flex flex-1 flex-col">
          New project
          <input name="name" required maxLength={120} className={field} placeholder="Its name" />
        </label>
        <label className="flex flex-1 flex-col">
          First building
          <input name="building" required maxLength={80} defaultValue="Main building" className={field} />
        </label>
        <button
          type="submit"
          disabled={busy}
          className="rounded-sm bg-ink px-4 py-1.5 font-semibold text-sheet disabled:opacity-50"
        >
          Start and set up
        </button>
      </form>
      {message && (
        <p role="alert" className="text-wrong">
          {message}
        </p>
      )}
    </main>
  );
}
