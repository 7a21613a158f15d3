import { v4 } from 'uuid';
import type { HistoryEntry, LoggedChange } from '@/core/history/entry';
import type { Changes } from '@/core/model/changes';
import type { Json } from '@/core/model/json';
import type { Rec } from '@/core/model/kinds';
import type { KeptView } from '@/core/views/named-view';
import type { LevelTable } from '@/core/importing/level-table';
import type { Sheet } from '@/core/importing/sheet';
import type { LengthUnit } from '@/core/units/length-units';
import type { Role } from '@/core/people/powers';
import type { Place } from '@/core/people/told';
import type { CommandInputs } from '@/core/commands/command-inputs';

/** What a refusal says beside its words. */
interface More {
  headSeq?: number;
  retryAfterMs?: number;
  role?: Role | null;
  archived?: boolean;
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

/** How requests are sent: the browser's own way, or what a test gives in its place. */
export type Send = typeof fetch;

/** Says in words how far heavy work is. */
export type TellWork = (words: string) => void;

/** How often is asked how far heavy work is. */
const ASK_WORK_MS = 700;

async function fetched(send: Send, url: string, init: RequestInit = {}, withinMs = SOON_MS): Promise<Response> {
  const signals = [AbortSignal.timeout(withinMs), ...(init.signal ? [init.signal] : [])];
  try {
    return await send(url, { ...init, signal: AbortSignal.any(signals) });
  } catch {
    throw new ServerRefused(0, init.signal?.aborted ? CANCELLED : 'The server cannot be reached');
  }
}

const CANCELLED = 'Cancelled; nothing was changed';

async function ask<T>(send: Send, url: string, init?: RequestInit, withinMs?: number): Promise<T> {
  const response = await fetched(send, url, init, withinMs);
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
      ...(body?.archived === undefined ? {} : { archived: body.archived }),
      ...(body?.path === undefined ? {} : { path: body.path }),
      ...(seconds > 0 ? { retryAfterMs: seconds * 1000 } : {}),
    },
  );
}

const post = <T>(send: Send, url: string, body: unknown): Promise<T> =>
  ask<T>(send, url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

export interface Opened {
  seq: number;
  records: Record<string, Rec>;
  person: { id: string; name: string; email: string };
  role: Role;
  readOnly?: string;
  archived?: boolean;
  /** Units people begin with here, until they choose others. */
  units: 'metric' | 'imperial';
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

/** How far the work is, in words. */
const workWords = (progress: { before: number } | { part: string }): string =>
  'part' in progress
    ? progress.part
    : progress.before === 0
      ? 'Next in turn'
      : `Waiting: ${progress.before} before this one`;

/** The server's interface for one project. */
export const serverFor = (projectId: string, send: Send = (url, init) => fetch(url, init)) => {
  const base = `/api/projects/${projectId}`;
  const get = <T>(path: string, withinMs?: number) => ask<T>(send, `${base}${path}`, {}, withinMs);
  /** Heavy work: what it says of itself meanwhile is told, until it is done. */
  const heavy = async <T>(
    tell: TellWork | undefined,
    signal: AbortSignal,
    work: (init: RequestInit) => Promise<T>,
    headers: Record<string, string> = {},
  ): Promise<T> => {
    const name = v4();
    const watch = setInterval(() => {
      if (!tell) return;
      get<{ progress: { before: number } | { part: string } | null }>(`/work/${name}`).then(
        ({ progress }) => progress && !signal.aborted && tell(workWords(progress)),
        () => undefined,
      );
    }, ASK_WORK_MS);
    try {
      return await work({ signal, headers: { ...headers, 'x-spine-work': name } });
    } finally {
      clearInterval(watch);
    }
  };
  /** A file goes as the bytes it is: what it holds the server finds out by itself. */
  const bring = <T>(path: string, file: File, signal: AbortSignal, tell?: TellWork): Promise<T> =>
    heavy(tell, signal, (init) => ask<T>(send, `${base}${path}`, { ...init, method: 'POST', body: file }, LONG_MS), {
      'content-type': 'application/octet-stream',
    });
  return {
    open: () => get<Opened>('/framework', LONG_MS),
    send: (command: SentCommand) =>
      post<{ seq: number; changes: Changes; sentence: string }>(send, `${base}/commands`, command),
    since: (seq: number) => get<{ changes: LoggedChange[] }>(`/changes?since=${seq}`),
    /** A piece of the history, latest first; the piece before a number, or the latest. */
    history: (before?: number) =>
      get<{ history: HistoryEntry[]; more: boolean }>(`/history${before === undefined ? '' : `?before=${before}`}`),
    /** One's own latest edits with what they changed, oldest first: what undo takes back. */
    own: () => get<{ own: LoggedChange[] }>('/history/own'),
    /** A file that is made of what is saved: a sheet or an export. */
    made: (what: 'sheet' | 'export', query: Record<string, string>, signal: AbortSignal, tell?: TellWork) =>
      heavy(tell, signal, async (init) => {
        const url = `${base}/${what}?${new URLSearchParams(query).toString()}`;
        const response = await fetched(send, url, init, LONG_MS);
        if (!response.ok) {
          const body = (await response.json().catch(() => null)) as { message?: string } | null;
          throw new ServerRefused(response.status, body?.message ?? 'The file could not be made. Try again');
        }
        const name = /filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? what;
        const blob = await response.blob().catch(() => {
          throw new ServerRefused(0, signal.aborted ? CANCELLED : 'The file came only in part. Try again');
        });
        return { name: decodeURIComponent(name), blob };
      }),
    /** Tells the others where one looks; the last word of a tab is sent though the page goes. */
    tellHere: (told: { tab: string; place: Place | null }, isLast: boolean) =>
      ask<{ told: boolean }>(send, `${base}/here`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(told),
        keepalive: isLast,
      }),
    ownViews: () => get<{ views: KeptView[] }>('/views'),
    keepOwnView: (view: KeptView) =>
      ask<{ views: KeptView[] }>(send, `${base}/views`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(view),
      }),
    dropOwnView: (name: string) =>
      ask<{ views: KeptView[] }>(send, `${base}/views?${new URLSearchParams({ name }).toString()}`, {
        method: 'DELETE',
      }),
    takeUnderlay: (file: File, page: number, signal: AbortSignal, tell?: TellWork) =>
      bring<TakenUnderlay>(`/underlays?name=${encodeURIComponent(file.name)}&page=${page}`, file, signal, tell),
    readLevels: (file: File, unit: LengthUnit | undefined, signal: AbortSignal, tell?: TellWork) =>
      bring<{ table: LevelTable }>(
        `/levels?name=${encodeURIComponent(file.name)}${unit ? `&unit=${unit}` : ''}`,
        file,
        signal,
        tell,
      ),
    readPresets: (file: File, signal: AbortSignal, tell?: TellWork) =>
      bring<{ presets: CommandInputs['presets.take']['presets'] }>(
        `/presets?name=${encodeURIComponent(file.name)}`,
        file,
        signal,
        tell,
      ),
    underlayUrl: (sha256: string) => `${base}/underlays/${sha256}`,
    underlaySheet: (sha256: string) => get<{ sheet: Sheet }>(`/underlays/${sha256}`),
    readDrawing: (file: File, signal: AbortSignal, tell?: TellWork) =>
      bring<{ sheet: Sheet }>(`/drawings?name=${encodeURIComponent(file.name)}`, file, signal, tell),
  };
};

export const createProject = (
  name: string,
  building: string,
  template?: { key: string; numbers: Record<string, string>; system: 'metric' | 'imperial' },
): Promise<{ id: string }> =>
  post((url, init) => fetch(url, init), '/api/projects', { name, building, ...(template ? { template } : {}) });

/** Makes a project of a file: a whole project, or a framework. */
export const bringProject = (file: File, signal: AbortSignal): Promise<{ id: string; name: string }> =>
  ask(
    (url, init) => fetch(url, init),
    `/api/projects/bring?name=${encodeURIComponent(file.name)}`,
    { method: 'POST', body: file, signal, headers: { 'content-type': 'application/octet-stream' } },
    LONG_MS,
  );
