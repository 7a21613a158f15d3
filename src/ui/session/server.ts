import type { HistoryEntry, LoggedChange } from '@/core/history/entry';
import type { Changes } from '@/core/model/changes';
import type { Json } from '@/core/model/json';
import type { Rec } from '@/core/model/record';
import type { KeptView } from '@/core/views/named-view';
import type { LevelTable } from '@/core/importing/level-table';
import type { Sheet } from '@/core/importing/sheet';
import type { LengthUnit } from '@/core/units/length-units';
import type { Role } from './machine';

/** What a refusal says beside its words. */
interface More {
  headSeq?: number;
  retryAfterMs?: number;
  role?: Role | null;
  /** The field a refusal is about. */
  path?: (string | number)[];
}

/** The server refused, with its words; or could not be reached (`status` 0). */
export class ServerRefused extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly more: More = {},
  ) {
    super(message);
  }
}

/** How long a request may take: what is not answered by then is asked again. */
const SOON_MS = 20_000;
const LONG_MS = 90_000;

async function fetched(url: string, init: RequestInit = {}, withinMs = SOON_MS): Promise<Response> {
  const signals = [AbortSignal.timeout(withinMs), ...(init.signal ? [init.signal] : [])];
  try {
    return await fetch(url, { ...init, signal: AbortSignal.any(signals) });
  } catch {
    throw new ServerRefused(0, 'The server cannot be reached');
  }
}

async function ask<T>(url: string, init?: RequestInit, withinMs?: number): Promise<T> {
  const response = await fetched(url, init, withinMs);
  const body = (await response.json().catch(() => null)) as (T & { message?: string } & More) | null;
  if (response.ok && body !== null) return body;
  const seconds = Number(response.headers.get('retry-after') ?? 0);
  throw new ServerRefused(
    // An answer that breaks off half way is no answer.
    response.ok ? 0 : response.status,
    body?.message ?? 'The server gave no readable answer. Try again',
    {
      ...(body?.headSeq === undefined ? {} : { headSeq: body.headSeq }),
      ...(body?.role === undefined ? {} : { role: body.role }),
      ...(body?.path === undefined ? {} : { path: body.path }),
      ...(seconds > 0 ? { retryAfterMs: seconds * 1000 } : {}),
    },
  );
}

const post = <T>(url: string, body: unknown): Promise<T> =>
  ask<T>(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

export interface Opened {
  seq: number;
  records: Record<string, Rec>;
  person: { id: string; name: string; email: string };
  role: Role;
  readOnly?: string;
}

export interface SentCommand {
  commandId: string;
  command: string;
  input: Json;
  baseSeq: number;
  previewDigest?: string;
  /** Who made it: the server refuses to take it from anybody else who is signed in here. */
  personId: string;
}

/** What the server made of a file to lay under a plan. */
type TakenUnderlay =
  | { sha256: string; content: 'drawing'; sheet: Sheet }
  | { sha256: string; content: 'picture'; width: number; height: number; mmPerPx?: number; pageCount?: number };

/** A file goes as the bytes it is: what it holds the server finds out by itself. */
const FILE = { 'content-type': 'application/octet-stream' };

/** The server's interface for one project. */
export const serverFor = (projectId: string) => {
  const base = `/api/projects/${projectId}`;
  return {
    open: () => ask<Opened>(`${base}/framework`, {}, LONG_MS),
    send: (command: SentCommand) =>
      post<{ seq: number; changes: Changes; sentence: string }>(`${base}/commands`, command),
    since: (seq: number) => ask<{ changes: LoggedChange[] }>(`${base}/changes?since=${seq}`),
    /** A piece of the history, latest first; the piece before a number, or the latest. */
    history: (before?: number) =>
      ask<{ history: HistoryEntry[]; more: boolean }>(
        `${base}/history${before === undefined ? '' : `?before=${before}`}`,
      ),
    /** One's own latest edits with what they changed, oldest first: what undo takes back. */
    own: () => ask<{ own: LoggedChange[] }>(`${base}/history/own`),
    sheet: async (query: Record<string, string>) => {
      const response = await fetched(`${base}/sheet?${new URLSearchParams(query).toString()}`, {}, LONG_MS);
      if (!response.ok) {
        const body = (await response.json().catch(() => null)) as { message?: string } | null;
        throw new ServerRefused(response.status, body?.message ?? 'The sheet could not be drawn. Try again');
      }
      const name = /filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? 'sheet';
      return { name: decodeURIComponent(name), blob: await response.blob() };
    },
    ownViews: () => ask<{ views: KeptView[] }>(`${base}/views`),
    keepOwnView: (view: KeptView) =>
      ask<{ views: KeptView[] }>(`${base}/views`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(view),
      }),
    dropOwnView: (name: string) =>
      ask<{ views: KeptView[] }>(`${base}/views?${new URLSearchParams({ name }).toString()}`, { method: 'DELETE' }),
    takeUnderlay: (file: File, page: number, signal: AbortSignal) =>
      ask<TakenUnderlay>(
        `${base}/underlays?name=${encodeURIComponent(file.name)}&page=${page}`,
        { method: 'POST', body: file, headers: FILE, signal },
        LONG_MS,
      ),
    readLevels: (file: File, unit: LengthUnit | undefined, signal: AbortSignal) =>
      ask<{ table: LevelTable }>(
        `${base}/levels?name=${encodeURIComponent(file.name)}${unit ? `&unit=${unit}` : ''}`,
        { method: 'POST', body: file, headers: FILE, signal },
        LONG_MS,
      ),
    underlayUrl: (sha256: string) => `${base}/underlays/${sha256}`,
    underlaySheet: (sha256: string) => ask<{ sheet: Sheet }>(`${base}/underlays/${sha256}`),
    readDrawing: (file: File, signal: AbortSignal) =>
      ask<{ sheet: Sheet }>(
        `${base}/drawings?name=${encodeURIComponent(file.name)}`,
        { method: 'POST', body: file, headers: FILE, signal },
        LONG_MS,
      ),
  };
};

export const createProject = (name: string, building: string): Promise<{ id: string }> =>
  post('/api/projects', { name, building });
