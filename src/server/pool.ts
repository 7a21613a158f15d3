import { createHash } from 'node:crypto';
import { isUuid } from '@/core/model/ids';
import type { JobInputs, JobName } from '@/formats/sandbox/jobs';
import { Pool, TOO_MANY, type Progress } from '@/formats/sandbox/pool';
import type { Answer } from '@/formats/sandbox/work-process';
import { PlainAnswer } from './entry/plain-answer';
import { RequestRefused } from './entry/refusal';
import { countWork } from './metrics';

const PROCESSES = 2;
/** Bytes of answers that are kept, by what they were made of. */
const MOST_KEPT_BYTES = 48_000_000;

interface Held {
  pool: Pool;
  kept: Map<string, Answer>;
  keptBytes: number;
  /** How far the jobs are that somebody asks about, by person and the name they gave it. */
  progress: Map<string, Progress>;
}

const holder = globalThis as typeof globalThis & { spinePool?: Held };
const held = (): Held =>
  (holder.spinePool ??= { pool: new Pool(PROCESSES), kept: new Map(), keptBytes: 0, progress: new Map() });

const sizeOf = ({ json, file }: Answer): number => json.length + (file?.length ?? 0);

/** Whoever asks, and until when. */
export interface Asker {
  person: { id: string };
  signal: AbortSignal;
  request: Request;
}

/** The header in which who asks for heavy work names it, to ask how far it is meanwhile. */
const WORK_HEADER = 'x-spine-work';

const progressKey = (personId: string, work: string): string => `${personId} ${work}`;

/** How far a person's heavy work is in this process; null if it is not at work here. */
export const progressOf = (personId: string, work: string): Progress | null =>
  held().progress.get(progressKey(personId, work)) ?? null;

/** Bytes that are hashed before others get their turn. */
const HASHED_AT_ONCE = 1 << 20;

/** SHA-256 of a file in hex, worked out in pieces: a large one holds nobody up. */
export async function sha256Of(bytes: Uint8Array): Promise<string> {
  const hash = createHash('sha256');
  for (let at = 0; at < bytes.length; at += HASHED_AT_ONCE) {
    if (at > 0) await new Promise((done) => setImmediate(done));
    hash.update(bytes.subarray(at, at + HASHED_AT_ONCE));
  }
  return hash.digest('hex');
}

/**
 * Heavy work in a process of its own, in turn with other people's. What was made of the same is kept: `of` says what that is
 * where it is less than the input, and the bytes are then made only when they are needed. Refuses in words, with the status
 * where it was not the file's fault.
 */
export async function inPool<N extends JobName>(
  { person, signal, request }: Asker,
  job: N,
  input: JobInputs[N],
  bytes: Uint8Array | (() => Promise<Uint8Array>),
  of?: unknown,
): Promise<Answer> {
  const { pool, kept, progress } = held();
  const key = JSON.stringify([job, of ?? [input, await sha256Of(bytes as Uint8Array)]]);
  const known = kept.get(key);
  if (known) {
    // The one used last is forgotten last.
    kept.delete(key);
    kept.set(key, known);
    return known;
  }
  const begun = performance.now();
  const work = request.headers.get(WORK_HEADER) ?? '';
  const named = isUuid(work) ? progressKey(person.id, work) : null;
  const answer = await pool
    .run(
      person.id,
      job,
      input,
      typeof bytes === 'function' ? await bytes() : bytes,
      signal,
      (now) => named && progress.set(named, now),
    )
    .finally(() => named && progress.delete(named));
  countWork(job, (performance.now() - begun) / 1000);
  if (!answer.ok) {
    const isBusy = answer.refusal.message === TOO_MANY;
    throw new RequestRefused(isBusy ? 429 : 422, answer.refusal.message, {
      ...(answer.refusal.path ? { path: answer.refusal.path } : {}),
    });
  }
  keep(key, answer.value);
  return answer.value;
}

function keep(key: string, answer: Answer): void {
  const all = held();
  // One of this size would push out all others.
  if (sizeOf(answer) > MOST_KEPT_BYTES / 4) return;
  all.kept.set(key, answer);
  all.keptBytes += sizeOf(answer);
  for (const [oldest, old] of all.kept) {
    if (all.keptBytes <= MOST_KEPT_BYTES) break;
    all.kept.delete(oldest);
    all.keptBytes -= sizeOf(old);
  }
}

/** Jobs that wait, for the figures. */
export const poolQueue = (): number => held().pool.queued;

/** What a JSON answer says, where this process needs to know it. */
export const jsonOfAnswer = <T>({ json }: Answer): T => JSON.parse(Buffer.from(json).toString()) as T;

/** A JSON answer with more fields around it, passed on without being read. */
export function wrapped(fields: Record<string, unknown>, name: string, { json }: Answer): PlainAnswer {
  const head = JSON.stringify(fields).slice(0, -1);
  const begin = `${head}${head.length > 1 ? ',' : ''}${JSON.stringify(name)}:`;
  return new PlainAnswer([Buffer.from(begin), json, Buffer.from('}')]);
}
