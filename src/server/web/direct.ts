import type { IncomingMessage, ServerResponse } from 'node:http';
import { postCommand } from '../changes/post-command';
import { JsonAnswer } from '../entry/json-answer';
import { log } from '../log';

const COMMANDS = /^\/api\/projects\/([^/?]+)\/commands$/;

/**
 * Answers what is asked most and must be quick, a command, without going through the pages' framework: that costs more than
 * the command. It is the same handler with the same rule. False if the request is for something else.
 */
export function answeredDirectly(request: IncomingMessage, response: ServerResponse): boolean {
  const projectId = request.method === 'POST' ? COMMANDS.exec(request.url ?? '')?.[1] : undefined;
  if (projectId === undefined) return false;
  answer(request, response, projectId).catch(() => {
    log.error({ code: 'direct' }, 'a command’s answer could not be written');
    response.destroy();
  });
  return true;
}

async function answer(request: IncomingMessage, response: ServerResponse, projectId: string): Promise<void> {
  const answered = await postCommand(asRequest(request, response), { params: Promise.resolve({ projectId }) });
  const bytes = answered instanceof JsonAnswer ? Buffer.from(answered.text) : Buffer.from(await answered.arrayBuffer());
  if (response.destroyed) return;
  response.writeHead(answered.status, { ...Object.fromEntries(answered.headers), 'content-length': bytes.length });
  response.end(bytes);
}

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
