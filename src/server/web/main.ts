import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import compression from 'compression';
import next from 'next';
import { codeOf } from '../entry/audit';
import { endWithParent } from '../end-with-parent';
import { hub } from '../live/hub';
import { log } from '../log';
import { receive } from './receive';

const HOUR_MS = 3_600_000;
/** After a start the pages are read first: who waits for them is not kept waiting by what makes commands quick. */
const QUICK_FROM_MS = 2500;
const pack = compression({ threshold: 4096 }) as (
  request: IncomingMessage,
  response: ServerResponse,
  next: () => void,
) => void;
/** Pages, their programs, and the two long answers of a project. */
const isPacked = (url: string): boolean => !url.startsWith('/api/') || /\/(framework|changes)(\?|$)/.test(url);

/** The web process: every request comes in here, is marked and measured, and goes on to the pages and handlers. */
async function main(): Promise<void> {
  const port = Number(process.env.PORT ?? 3000);
  const hostname = process.env.LISTEN_ADDRESS ?? '127.0.0.1';
  const app = next({ dev: false, dir: process.cwd(), hostname, port });
  await app.prepare();
  const handle = app.getRequestHandler();
  // Read once the pages can be served; until then commands go through the framework like all else.
  let direct: ((request: IncomingMessage, response: ServerResponse) => boolean) | null = null;
  const readDirect = async () => {
    const { answeredDirectly } = await import('./direct');
    direct = answeredDirectly;
  };
  const server = createServer((request: IncomingMessage, response: ServerResponse) => {
    if (!receive(request, response)) return;
    if (direct?.(request, response)) return;
    // Streams and commands are small and many; what is large is worth packing.
    if (isPacked(request.url ?? '/')) pack(request, response, () => undefined);
    handle(request, response).catch((error: unknown) => {
      log.error({ code: codeOf(error) }, 'a page failed');
      if (!response.headersSent) response.writeHead(500);
      response.end();
    });
  });
  // A request must come in within a minute; streams are answers and last.
  server.headersTimeout = 15_000;
  server.requestTimeout = 60_000;
  server.keepAliveTimeout = 65_000;
  server.maxHeadersCount = 100;
  server.timeout = HOUR_MS;
  const stop = () => {
    void hub().close();
    server.close(() => process.exit(0));
    // Connections become idle one by one, as what they are at ends.
    setInterval(() => server.closeIdleConnections(), 50).unref();
    setTimeout(() => process.exit(0), 3000).unref();
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
  endWithParent(stop);
  server.once('error', (error: NodeJS.ErrnoException) => {
    process.stderr.write(`The web server cannot listen on ${hostname}:${port} (${error.code ?? 'unknown'})\n`);
    process.exit(1);
  });
  server.listen(port, hostname);
  setTimeout(() => {
    // Without it commands go the longer way, as they do until then.
    readDirect().catch((error: unknown) => log.error({ code: codeOf(error) }, 'the quick way could not be read'));
  }, QUICK_FROM_MS).unref();
}

main().catch((error: unknown) => {
  process.stderr.write(`The web server did not start: ${(error as Error).message}\n`);
  process.exit(1);
});
