import { statfs } from 'node:fs/promises';
import { sql } from 'drizzle-orm';
import { database } from './db/connection';
import { codeOf } from './entry/audit';
import { settings } from './settings';

/** Room the disk must have left, for the database to go on writing. */
const LEAST_FREE_BYTES = 200_000_000;
/** The process for long work writes a sign of life every ten seconds. */
const JOBS_SILENT_S = 45;

interface Part {
  good: boolean;
  words: string;
}

/** Whether this process can do its work: the database answers, jobs are taken, the disk has room. */
export async function readiness(): Promise<{ ready: boolean; parts: Record<'database' | 'jobs' | 'disk', Part> }> {
  const [database_, jobs, disk] = await Promise.all([databasePart(), jobsPart(), diskPart()]);
  const parts = { database: database_, jobs, disk };
  return { ready: Object.values(parts).every(({ good }) => good), parts };
}

const trouble = (error: unknown): Part => ({ good: false, words: `It cannot be asked (${codeOf(error)})` });

async function databasePart(): Promise<Part> {
  try {
    await database().execute(sql`select 1`);
    return { good: true, words: 'It answers' };
  } catch (error) {
    return trouble(error);
  }
}

async function jobsPart(): Promise<Part> {
  try {
    const { rows } = await database().execute<{ silent: number | null }>(
      sql`select extract(epoch from now() - max(at))::float as silent from sign_of_life where who = 'jobs'`,
    );
    const silent = rows[0]?.silent ?? null;
    if (silent === null) return { good: false, words: 'The process for long work has not begun yet' };
    return silent <= JOBS_SILENT_S
      ? { good: true, words: 'The process for long work lives' }
      : { good: false, words: `The process for long work has been silent for ${Math.round(silent)} s` };
  } catch (error) {
    return trouble(error);
  }
}

async function diskPart(): Promise<Part> {
  try {
    const { bavail, bsize } = await statfs(settings().SPINE_DATA);
    const free = bavail * bsize;
    const words = `${Math.floor(free / 1e6)} MB are free`;
    return { good: free >= LEAST_FREE_BYTES, words };
  } catch (error) {
    return trouble(error);
  }
}
