import type { IncomingMessage, ServerResponse } from 'node:http';
import { postCommand } from '../changes/post-command';
import { PlainAnswer } from '../entry/plain-answer';
import { log } from '../log';
import { postDrawing, postLevels, postPresets, postProject, postUnderlay } from '../projects/bring-files';

/** What of a project is answered here, by the last part of its address. */
const HANDLERS: ReadonlyMap<string, typeof postCommand> = new Map([
  ['commands', postCommand],
  ['drawings', postDrawing],
  ['levels', postLevels],
  ['presets', postPresets],
  ['underlays', postUnderlay],
]);
const ADDRESS = /^\/api\/projects\/([^/?]+)\/([a-z]+)(?:\?|$)/;
const BRING = /^\/api\/projects\/bring(?:\?|$)/;
/** Bytes that are written before others get their turn. */
const WRITTEN_AT_ONCE = 1 << 18;

/**
 * Answers what is asked most and must be quick, a command, and what is large, a file that is brought, without going through
 * the pages' framework: that costs more than the command, and takes the file in twice. They are the same handlers with the
 * same rules. False if the request is for something else.
 */
export function answeredDirectly(request: IncomingMessage, response: ServerResponse): boolean {
  if (request.method !== 'POST') return false;
  const url = request.url ?? '';
  const [, projectId, what] = ADDRESS.exec(url) ?? [];
  const handle = BRING.test(url) ? postProject : HANDLERS.get(what ?? '');
  if (!handle) return false;
  answer(handle, request, response, projectId === undefined ? {} : { projectId }).catch(() => {
    log.error({ code: 'direct' }, 'an answer could not be written');
    response.destroy();
  });
  return true;
}

async function answer(
  handle: typeof postCommand,
  request: IncomingMessage,
  response: ServerResponse,
  params: Record<string, string>,
): Promise<void> {
  const answered = await handle(asRequest(request, response), { params: Promise.resolve(params) });
  const { pieces, byteCount } =
    answered instanceof PlainAnswer ? answered : new PlainAnswer([new Uint8Array(await answered.arrayBuffer())]);
  if (response.destroyed) return;
  response.writeHead(answered.status, { ...Object.fromEntries(answered.headers), 'content-length': byteCount });
  if (byteCount <= WRITTEN_AT_ONCE) return void response.end(Buffer.concat(pieces));
  for (const piece of pieces)
    for (let at = 0; at < piece.length && !response.destroyed; at += WRITTEN_AT_ONCE)
      if (!response.write(piece.subarray(at, at + WRITTEN_AT_ONCE))) await drained(response);
  response.end();
}

/** Waits until more can be written, or nothing more ever. */
const drained = (response: ServerResponse): Promise<void> =>
  new Promise((resolve) => {
    const done = () => {
      response.off('drain', done).off('close', done);
      resolve();
    };
    response.on('drain', done).on('close', done);
  });

/** As much of a request as the entry looks at. A whole one, with its streams, costs as much as the command itself. */
function asRequest(request: IncomingMessage, response: ServerResponse): Request {
  const headers = new Headers();
  for (const [name, value] of Object.entries(request.headers))
    if (value !== undefined) headers.set(name, Array.isArray(value) ? value.join(', ') : value);
  const asked: Pick<Request, 'method' | 'url' | 'headers' | 'signal'> & { body: { getReader: () => BodyReader } } = {
    method: request.method!,
    url: `http://${request.headers.host ?? 'localhost'}${request.url}`,
    headers,
    get signal() {
      const gone = new AbortController();
      if (response.destroyed) gone.abort();
      response.once('close', () => response.writableEnded || gone.abort());
      return gone.signal;
    },
    body: { getReader: () => readerOf(request) },
  };
  return asked as unknown as Request;
}

/** A body piece by piece, as the entry reads it. */
interface BodyReader {
  read: () => Promise<{ done: boolean; value?: Uint8Array }>;
  cancel: () => Promise<void>;
}

function readerOf(request: IncomingMessage): BodyReader {
  const parts = request[Symbol.asyncIterator]() as AsyncIterator<Buffer, undefined>;
  return {
    read: async () => {
      const { done, value } = await parts.next();
      return done ? { done: true } : { done: false, value };
    },
    // What is not read any more is not waited for: the answer closes the connection.
    cancel: () => {
      request.pause();
      return Promise.resolve();
    },
  };
}
