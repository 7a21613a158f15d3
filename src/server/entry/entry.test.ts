import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { closeDatabase, database } from '../db/connection';
import { audit } from '../db/schema';
import { hub } from '../live/hub';
import { auth } from '../people/auth';
import { guarded } from './entry';
import { RequestRefused } from './refusal';

afterAll(async () => {
  await hub().close();
  await closeDatabase();
});

const at = (headers: Record<string, string> = {}, method = 'POST', body = '{"a":1}') =>
  new Request('http://127.0.0.1:3000/api/demo', {
    method,
    headers: { 'content-type': 'application/json', ...headers },
    ...(method === 'GET' ? {} : { body }),
  });
const none = { params: Promise.resolve({}) };
const messageOf = async (response: Response) => ((await response.json()) as { message: string }).message;

describe('the one way in', () => {
  const good = guarded('POST /api/demo', ({ json }) =>
    Response.json(json(z.strictObject({ a: z.number('A is missing') }))),
  );

  it('answers what the work gives, with the request’s id, and keeps nothing in caches', async () => {
    const response = await good(at({ 'x-request-id': 'abc' }), none);
    expect([response.status, await response.json()]).toEqual([200, { a: 1 }]);
    expect([response.headers.get('x-request-id'), response.headers.get('cache-control')]).toEqual(['abc', 'no-store']);
  });
  it('refuses what another page sends, and takes what a program or the page itself sends', async () => {
    const others: Record<string, string>[] = [
      { origin: 'http://elsewhere.example' },
      { origin: 'http://127.0.0.1:9999', host: '127.0.0.1:3000' },
      { origin: 'null' },
      { 'sec-fetch-site': 'cross-site' },
      { 'sec-fetch-site': 'same-site' },
    ];
    for (const headers of others) expect([headers, (await good(at(headers), none)).status]).toEqual([headers, 403]);
    const own: Record<string, string>[] = [
      {},
      { 'sec-fetch-site': 'same-origin' },
      { origin: 'http://127.0.0.1:3000', host: '127.0.0.1:3000' },
    ];
    for (const headers of own) expect([headers, (await good(at(headers), none)).status]).toEqual([headers, 200]);
  });
  it('refuses what is too large for the route, and what is no JSON', async () => {
    expect((await good(at({}, 'POST', JSON.stringify('x'.repeat(20_000))), none)).status).toBe(413);
    expect(await messageOf(await good(at({}, 'POST', '{'), none))).toBe('The request does not hold JSON');
    expect(await messageOf(await good(at({}, 'POST', '{}'), none))).toBe('A is missing (at a)');
  });
  it('turns a refusal into its status and words, and what nobody foresaw into words without details', async () => {
    const refuses = guarded('POST /api/demo', () => {
      throw new RequestRefused(404, 'There is no demo', { more: 1 });
    });
    const response = await refuses(at(), none);
    expect([response.status, await response.json()]).toEqual([404, { message: 'There is no demo', more: 1 }]);
    const breaks = guarded('POST /api/demo', () => {
      throw new Error('secret text');
    });
    const broken = await breaks(at(), none);
    expect([broken.status, await messageOf(broken)]).toEqual([500, expect.not.stringContaining('secret')]);
    const away = guarded('POST /api/demo', () => {
      throw Object.assign(new Error('connect'), { code: 'ECONNREFUSED' });
    });
    expect((await away(at(), none)).status).toBe(503);
  });
  it('asks who it is and whether they are a member before anything else', async () => {
    const member = guarded('POST /api/projects/[projectId]/commands', () => Response.json({}));
    const inProject = { params: Promise.resolve({ projectId: randomUUID() }) };
    expect((await member(at(), inProject)).status).toBe(401);
    expect((await member(at({ cookie: 'better-auth.session_token=made.up' }), inProject)).status).toBe(401);
  });
  it('says that waiting helps where the session cannot be read, so that edits made meanwhile are sent again', async () => {
    const member = guarded('POST /api/projects/[projectId]/commands', () => Response.json({}));
    const unread = jest.spyOn(auth().api, 'getSession').mockRejectedValue(new Error('hidden'));
    const answer = await member(at({ cookie: 'better-auth.session_token=made.up' }), {
      params: Promise.resolve({ projectId: randomUUID() }),
    });
    expect([answer.status, answer.headers.get('retry-after')]).toEqual([503, '2']);
    unread.mockRestore();
  });
  it('gives up what takes too long', async () => {
    jest.useFakeTimers();
    try {
      let wasAborted = false;
      const slow = guarded('POST /api/demo', ({ signal }) => {
        signal.addEventListener('abort', () => (wasAborted = true));
        return new Promise<Response>(() => {});
      });
      const answer = slow(at(), none);
      await jest.advanceTimersByTimeAsync(15_001);
      expect([(await answer).status, wasAborted]).toEqual([503, true]);
    } finally {
      jest.useRealTimers();
    }
  });
  it('writes refusals into the audit list, with where they came from', async () => {
    const requestId = randomUUID();
    await good(
      at({ origin: 'http://elsewhere.example', 'x-request-id': requestId, 'x-spine-address': '10.1.2.3' }),
      none,
    );
    const find = () => database().select().from(audit).where(eq(audit.requestId, requestId));
    for (let i = 0; i < 50 && (await find()).length === 0; i += 1) await new Promise((done) => setTimeout(done, 20));
    expect(await find()).toMatchObject([
      { event: 'refused', status: 403, route: 'POST /api/demo', address: '10.1.2.3' },
    ]);
  });
});
