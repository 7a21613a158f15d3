import type { LoggedChange } from '@/core/history/entry';

const MOST_KEPT = 200;

const holder = globalThis as typeof globalThis & { spineRecent?: Map<string, LoggedChange> };
const recent = (): Map<string, LoggedChange> => (holder.spineRecent ??= new Map());

/** Keeps a change this process committed, so that its own streams need not read it from the database. */
export function keepRecent(projectId: string, change: LoggedChange): void {
  const kept = recent();
  kept.set(`${projectId}:${change.seq}`, change);
  const oldest = kept.keys().next().value;
  if (kept.size > MOST_KEPT && oldest !== undefined) kept.delete(oldest);
}

/** A change this process committed a moment ago. */
export const recentChange = (projectId: string, seq: number): LoggedChange | undefined =>
  recent().get(`${projectId}:${seq}`);
