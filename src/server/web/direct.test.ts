import { randomBytes, randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { hub } from '../live/hub';
import { closeDatabase } from '../db/connection';
import { auth } from '../people/auth';
import { createProject } from '../projects/projects';
import { newPerson, PASSWORD } from '../testing/people';
import { answeredDirectly } from './direct';

let server: Server;
let address = '';

beforeAll(async () => {
  server = createServer((request, response) => {
    if (!answeredDirectly(request, response)) response.writeHead(299).end();
  });
  await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  server.closeAllConnections();
  await new Promise((closed) => server.close(closed));
  await hub().close();
  await closeDatabase();
});

async function orla() {
  const person = await newPerson('Orla');
  const signedIn = await auth().api.signInEmail({
    body: { email: person.email, password: PASSWORD },
    asResponse: true,
  });
  const cookie = signedIn.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');
  const projectId = await createProject(person.id, 'House', 'Hall');
  const send = (path: string, body: string | Uint8Array, type = 'application/octet-stream', as = cookie) =>
    fetch(`${address}/api/projects/${path}`, {
      method: 'POST',
      headers: { 'content-type': type, cookie: as },
      body: body as BodyInit,
    });
  return { projectId, send };
}

describe('what the web process answers itself', () => {
  it('is a command, by the same rules as everywhere: done, refused, sent by nobody, of another type, too large', async () => {
    const { projectId, send } = await orla();
    const command = (name: string) =>
      JSON.stringify({ commandId: randomUUID(), command: 'project.start', input: { name } });
    const done = await send(`${projectId}/commands`, command('Renamed'), 'application/json');
    expect([done.status, done.headers.get('cache-control'), await done.json()]).toMatchObject([
      200,
      'no-store',
      { seq: 3, sentence: 'Project named Renamed' },
    ]);
    expect(Number(done.headers.get('content-length'))).toBeGreaterThan(0);
    expect((await send(`${projectId}/commands`, command(''), 'application/json')).status).toBe(422);
    expect((await send(`${projectId}/commands`, command('No'), 'application/json', '')).status).toBe(401);
    expect((await send(`${projectId}/commands`, command('No'), 'text/plain')).status).toBe(415);
    expect((await send(`${randomUUID()}/commands`, command('No'), 'application/json')).status).toBe(404);
    const large = await send(`${projectId}/commands`, 'x'.repeat(2_000_001), 'application/json').catch(() => null);
    expect(large?.status ?? 413).toBe(413);
  });

  it('is a file that is brought, whose answer comes whole however long it is', async () => {
    const { projectId, send } = await orla();
    const rows = Array.from({ length: 400 }, (_, i) => `L${i},${i * 3000},${randomBytes(40).toString('hex')}`);
    const answer = await send(`${projectId}/levels?name=a.csv`, ['name,ffl,title', ...rows].join('\n'));
    const { table } = (await answer.json()) as { table: { rows: unknown[] } };
    expect([answer.status, table.rows.length]).toEqual([200, 400]);
    const bad = await send('bring?name=a.json', 'hello');
    expect([bad.status, ((await bad.json()) as { message: string }).message]).toMatchObject([
      422,
      /does not hold JSON/,
    ]);
  });

  it('is nothing else', async () => {
    const { projectId, send } = await orla();
    for (const path of [`${projectId}/views`, `${projectId}/commands/more`, `${projectId}`, 'bringing'])
      expect([path, (await send(path, '{}')).status]).toEqual([path, 299]);
    expect((await fetch(`${address}/api/projects/${projectId}/commands`)).status).toBe(299);
  });
});
