import type { Changes } from '@/core/model/changes';
import type { Json } from '@/core/model/json';
import type { Rec } from '@/core/model/record';
import type { KeptView } from '@/core/views/named-view';
import type { Sheet } from '@/core/importing/sheet';

/** The server refused, with its words; or could not be reached (`status` 0). */
export class ServerRefused extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

async function ask<T>(url: string, init?: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(url, init);
  } catch {
    throw new ServerRefused(0, 'The server cannot be reached');
  }
  const body = (await response.json().catch(() => null)) as (T & { message?: string }) | null;
  if (!response.ok || body === null) {
    throw new ServerRefused(response.status, body?.message ?? 'The server gave no readable answer. Try again');
  }
  return body;
}

const post = <T>(url: string, body: unknown): Promise<T> =>
  ask<T>(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

export interface Opened {
  seq: number;
  records: Record<string, Rec>;
  person: { id: string; name: string };
  role: 'owner' | 'designer' | 'consultant' | 'viewer';
}

export interface HistoryEntry {
  seq: number;
  commandId: string;
  command: string;
  target: string | null;
  sentence: string;
  author: string;
  authorId: string;
  at: string;
}

export interface SentCommand {
  commandId: string;
  command: string;
  input: Json;
  baseSeq: number;
  previewDigest?: string;
}

/** The server's interface for one project. */
export const serverFor = (projectId: string) => {
  const base = `/api/projects/${projectId}`;
  return {
    open: () => ask<Opened>(`${base}/framework`),
    send: (command: SentCommand) =>
      post<{ seq: number; changes: Changes; sentence: string }>(`${base}/commands`, command),
    since: (seq: number) =>
      ask<{ changes: { seq: number; commandId: string; changes: Changes }[] }>(`${base}/changes?since=${seq}`),
    history: () => ask<{ history: HistoryEntry[] }>(`${base}/history`),
    sheet: async (query: Record<string, string>) => {
      const response = await fetch(`${base}/sheet?${new URLSearchParams(query).toString()}`).catch(() => null);
      if (!response) throw new ServerRefused(0, 'The server cannot be reached');
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
    takeUnderlay: (file: File, signal: AbortSignal) =>
      ask<{ sha256: string; content: 'picture' | 'drawing'; sheet?: Sheet }>(
        `${base}/underlays?name=${encodeURIComponent(file.name)}`,
        { method: 'POST', body: file, signal },
      ),
    underlayUrl: (sha256: string) => `${base}/underlays/${sha256}`,
    underlaySheet: (sha256: string) => ask<{ sheet: Sheet }>(`${base}/underlays/${sha256}`),
    readDrawing: (file: File, signal: AbortSignal) =>
      ask<{ sheet: Sheet }>(`${base}/drawings?name=${encodeURIComponent(file.name)}`, {
        method: 'POST',
        body: file,
        signal,
      }),
  };
};

export const createProject = (name: string, building: string): Promise<{ id: string }> =>
  post('/api/projects', { name, building });
