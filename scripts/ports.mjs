import { createServer } from 'node:net';

/** True if nothing listens on a loopback port. */
export const isFree = (port) =>
  new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen({ port, host: '127.0.0.1', exclusive: true }, () => server.close(() => resolve(true)));
  });

/** The first free loopback port from a given one on. */
export async function freePort(from) {
  for (let port = from; port < from + 200; port += 1) if (await isFree(port)) return port;
  throw new Error(`No port from ${from} on is free`);
}
