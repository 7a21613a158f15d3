import { createServer } from 'node:net';

/** True if nothing listens on a port of an address. */
export const isFree = (port, host = '127.0.0.1') =>
  new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen({ port, host, exclusive: true }, () => server.close(() => resolve(true)));
  });

/** The first free port of an address from a given one on. */
export async function freePort(from, host = '127.0.0.1') {
  for (let port = from; port < Math.min(from + 200, 65536); port += 1) if (await isFree(port, host)) return port;
  throw new Error(`No port from ${from} on is free`);
}
