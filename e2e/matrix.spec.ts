import { randomUUID } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import {
  expect,
  test,
  type APIRequestContext,
  type APIResponse,
  type Browser,
  type BrowserContext,
} from '@playwright/test';
import { may } from '@/core/people/powers';
import { RULES, type RuleName } from '@/server/entry/rules';
import { enterAs, FURNISHED, makeProject, query, secondDesigner } from './project';

const NAMES = Object.keys(RULES) as RuleName[];
const methodOf = (name: RuleName) => name.split(' ')[0]!;
const patternOf = (name: RuleName) => name.split(' ')[1]!;

/** Every route handler's file, as the pattern it answers. */
function handlerPatterns(folder = 'src/app/api', path = '/api'): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory()
      ? handlerPatterns(join(folder, entry.name), `${path}/${entry.name}`)
      : entry.name === 'route.ts'
        ? [path]
        : [],
  );
}

test('every route has a rule, and every rule a route', () => {
  const ruled = [...new Set(NAMES.map(patternOf))].sort();
  expect(handlerPatterns().sort()).toEqual(ruled);
});

/** A request to a route that would be let in: the right type, little enough, from the page itself. */
const send = (
  request: APIRequestContext,
  name: RuleName,
  projectId: string,
  more: { headers?: Record<string, string>; data?: Buffer | string } = {},
) => {
  const url = patternOf(name)
    .replace('[projectId]', projectId)
    .replace('[sha256]', 'a'.repeat(64))
    .replace('[work]', randomUUID())
    .replace('[personId]', randomUUID())
    .replace('[invitationId]', randomUUID())
    .replace('[...all]', methodOf(name) === 'GET' ? 'get-session' : 'sign-out');
  const { body } = RULES[name];
  const type =
    body.type === 'json' ? 'application/json' : body.type === 'file' ? 'application/octet-stream' : undefined;
  return request.fetch(url, {
    method: methodOf(name),
    ...(body.type === 'none' ? {} : { data: more.data ?? Buffer.from('{}') }),
    headers: { origin: process.env.APP_URL!, ...(type ? { 'content-type': type } : {}), ...more.headers },
    timeout: 20_000,
  });
};

const withRole = async (browser: Browser, projectId: string, role: string | null) => {
  const context = await secondDesigner(browser, projectId, `As ${role ?? 'stranger'}`);
  const [person] = await query<{ id: string }>(
    `select user_id as id from membership where project_id = $1 order by (select created_at from "user" where id = user_id) desc limit 1`,
    [projectId],
  );
  if (role === null)
    await query('delete from membership where project_id = $1 and user_id = $2', [projectId, person!.id]);
  else
    await query('update membership set role = $3 where project_id = $1 and user_id = $2', [
      projectId,
      person!.id,
      role,
    ]);
  return context;
};

/** The words of an answer; none where it is no JSON. */
const messageOf = async (answer: APIResponse): Promise<string> =>
  ((await answer.json().catch(() => ({}))) as { message?: string }).message ?? '';

/** Routes that answer for good, and so are asked only whether they let in. */
const ENDLESS: readonly RuleName[] = ['GET /api/events'];
/** Routes that would end the membership they are asked with: tried apart. */
const LEAVING: readonly RuleName[] = ['POST /api/projects/[projectId]/leave'];
/** Words of a thing that is not there, in a project one is let into. */
const NOT_THERE = /^(That file|You keep no view|That person is not|That invitation is not)/;

test('each route lets in whom its rule names, and nobody else: nobody, every role, members of other projects, removed', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  await enterAs(page, 'designer');
  const own = await makeProject(page.request, 'Matrix', FURNISHED);
  const other = await makeProject(page.request, 'Other');
  const nobody = await browser.newContext({ baseURL: process.env.APP_URL });
  const roles = ['owner', 'designer', 'consultant', 'viewer', null] as const;
  const people: BrowserContext[] = [];
  for (const role of roles) people.push(await withRole(browser, own, role));
  const missing = randomUUID();
  for (const name of NAMES.filter((each) => !ENDLESS.includes(each) && !LEAVING.includes(each))) {
    const { who, deleted } = RULES[name];
    const inProject = who !== 'anyone' && who !== 'person';
    const status = async (request: APIRequestContext, id: string) => (await send(request, name, id)).status();
    const isOut = (code: number) => [401, 403, 404].includes(code);
    expect([name, 'nobody', who === 'anyone' || (await status(nobody.request, own)) === 401]).toEqual([
      name,
      'nobody',
      true,
    ]);
    for (const [i, role] of roles.entries()) {
      const { request } = people[i]!;
      if (!inProject) continue;
      const answer = await send(request, name, own);
      const code = answer.status();
      // Let in and told that there is no such file or view is another thing than being kept out.
      const isKeptOut = isOut(code) && !NOT_THERE.test(await messageOf(answer));
      // What brings deleted projects back does not see those that are there.
      const expected = role === null || deleted ? code === 404 : may(role, who) ? !isKeptOut : code === 403;
      expect([name, role, code, expected]).toEqual([name, role, code, true]);
      expect([name, role, 'elsewhere', await status(request, other)]).toEqual([name, role, 'elsewhere', 404]);
      expect([name, role, 'nowhere', await status(request, missing)]).toEqual([name, role, 'nowhere', 404]);
    }
  }
  // Signed out, a moment later, with the cookie of before.
  const [owner] = people;
  const state = await owner!.storageState();
  await owner!.request.post('/api/auth/sign-out', { data: {}, headers: { origin: process.env.APP_URL! } });
  const before = await browser.newContext({ baseURL: process.env.APP_URL, storageState: state });
  for (const name of NAMES.filter((each) => RULES[each].who !== 'anyone'))
    expect([name, (await send(before.request, name, own)).status()]).toEqual([name, 401]);
  await Promise.all([...people, nobody, before].map((context) => context.close()));
});

test('each route that takes something refuses what another page sends, what is too large, and what is of another type', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  const own = await makeProject(page.request, 'Matrix bodies', FURNISHED);
  const head = async () => (await query('select head_seq from project where id = $1', [own]))[0];
  const before = await head();
  for (const name of NAMES.filter((each) => methodOf(each) !== 'GET')) {
    const { body } = RULES[name];
    const wrong = await send(page.request, name, own, { headers: { origin: 'http://127.0.0.1:9' } });
    expect([name, 'origin', wrong.status()]).toEqual([name, 'origin', 403]);
    if (body.type === 'none') continue;
    const typed = await send(page.request, name, own, { headers: { 'content-type': 'text/plain' } });
    expect([name, 'type', typed.status()]).toEqual([name, 'type', 415]);
    const large = await send(page.request, name, own, {
      data: Buffer.alloc(Math.min(body.mostBytes, 31_000_000) + 1, 32),
    }).catch(
      // The connection may be closed before all of it was sent.
      () => null,
    );
    if (body.mostBytes <= 31_000_000) expect([name, 'size', large?.status() ?? 413]).toEqual([name, 'size', 413]);
  }
  expect(await head()).toEqual(before);
});

test('pages take nothing that is sent to them, and only run scripts that carry their answer’s own mark', async ({
  page,
}) => {
  for (const path of ['/', '/projects/x', '/nowhere']) {
    const sent = await page.request.post(path, { data: 'x'.repeat(100_000) });
    expect([path, sent.status()]).toEqual([path, 405]);
    const shown = await page.request.get(path);
    const policy = shown.headers()['content-security-policy']!;
    const nonce = /'nonce-([^']+)'/.exec(policy)![1]!;
    expect(policy).toMatch(/frame-ancestors 'none'/);
    expect(policy.match(/script-src [^;]*/)![0]).not.toMatch(/unsafe/);
    const scripts = [...(await shown.text()).matchAll(/<script\b[^>]*>/g)].map(([tag]) => tag);
    expect(scripts.filter((tag) => !tag.includes(nonce))).toEqual([]);
    expect((await page.request.get(path)).headers()['content-security-policy']).not.toBe(policy);
  }
});

test('health, readiness and figures say how it is', async ({ page }) => {
  expect(await (await page.request.get('/api/health')).json()).toEqual({ live: true });
  const ready = await page.request.get('/api/ready');
  expect([ready.status(), await ready.json()]).toMatchObject([
    200,
    { ready: true, parts: { database: { good: true }, jobs: { good: true }, disk: { good: true } } },
  ]);
  const figures = await (await page.request.get('/api/metrics')).text();
  for (const name of [
    'spine_requests_total',
    'spine_request_seconds',
    'spine_streams',
    'spine_work_queue',
    'process_resident_memory_bytes',
  ])
    expect(figures).toContain(name);
});
