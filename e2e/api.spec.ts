import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { enterAs, FURNISHED, makeProject, query, secondDesigner, send } from './project';

const HANDLERS: ['get' | 'post', string][] = [
  ['get', 'framework'],
  ['get', 'history'],
  ['get', 'changes?since=0'],
  ['get', 'sheet?level=x&scale=100&format=pdf'],
  ['post', 'commands'],
  ['post', 'drawings'],
];

test('every handler asks who it is, then whether they are a member, before anything else', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Guarded', FURNISHED);
  const nobody = await browser.newContext({ baseURL: process.env.APP_URL });
  const other = await makeProject(page.request, 'Elsewhere');
  const stranger = await secondDesigner(browser, other, 'Cy Strange');
  for (const [method, path] of HANDLERS) {
    const url = `/api/projects/${id}/${path}`;
    expect([path, (await nobody.request[method](url)).status()]).toEqual([path, 401]);
    expect([path, (await stranger.request[method](url)).status()]).toEqual([path, 404]);
    const noId = `/api/projects/${'x'.repeat(36)}/${path}`;
    expect([path, (await page.request[method](noId)).status()]).toEqual([path, 404]);
  }
  for (const [method, url] of [
    ['get', '/api/projects'],
    ['post', '/api/projects'],
    ['get', '/api/events'],
  ] as const) {
    expect([url, (await nobody.request[method](url)).status()]).toEqual([url, 401]);
  }
  await nobody.close();
  await stranger.close();
});

test('a request that does not fit is answered in words and changes nothing', async ({ page }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Requests', FURNISHED);
  const url = `/api/projects/${id}/commands`;
  const head = async () =>
    (await query<{ head_seq: string }>('select head_seq from project where id = $1', [id]))[0]!.head_seq;
  const before = await head();
  const answer = async (data: unknown) => {
    const response = await page.request.post(url, { data: data as string });
    return [response.status(), ((await response.json()) as { message: string }).message] as const;
  };
  const command = { commandId: randomUUID(), command: 'levels.rename', input: { level: '01', title: 'X' } };
  expect(await answer('not json')).toEqual([415, 'Send this as application/json']);
  const broken = await page.request.post(url, {
    data: Buffer.from('{"a'),
    headers: { 'content-type': 'application/json' },
  });
  expect([broken.status(), await broken.json()]).toEqual([400, { message: 'The request does not hold JSON' }]);
  expect((await answer({ ...command, commandId: 'x' }))[0]).toBe(400);
  expect((await answer({ ...command, more: 1 }))[1]).toContain('more');
  expect(await answer({ ...command, command: 'levels.fly' })).toEqual([
    422,
    expect.stringContaining('no command named "levels.fly"'),
  ]);
  expect(await answer({ ...command, input: { level: '99' } })).toEqual([422, 'There is no level named 99']);
  expect((await page.request.get(`/api/projects/${id}/changes?since=-1`)).status()).toBe(400);
  expect((await page.request.post('/api/projects', { data: { name: '' } })).status()).toBe(400);
  // The rest of a request that is too large is not read, so this comes last on its connection.
  // Now and then the connection is closed before all of it is written, and the answer is not read: it is asked for again.
  await expect(async () => {
    const large = await answer({ ...command, input: { level: '01', title: 'x'.repeat(3_000_000) } });
    expect(large[0]).toBe(413);
  }).toPass({ timeout: 20_000 });
  expect(await head()).toBe(before);
});

test('a stranger’s page cannot send commands with somebody’s session', async ({ page }) => {
  await enterAs(page, 'designer');
  const response = await page.request.post('/api/auth/sign-out', {
    headers: { origin: 'http://elsewhere.example' },
    data: {},
  });
  expect(response.status()).toBe(403);
});

test('consultants see and take all of it and change nothing; only designers bring drawings', async ({ page }) => {
  await enterAs(page, 'consultant');
  const { projects } = (await (await page.request.get('/api/projects')).json()) as {
    projects: { id: string; name: string; role: string }[];
  };
  const demo = projects.find(({ name }) => name === 'Tidewater Yard')!;
  expect(demo.role).toBe('consultant');
  const { records } = (await (await page.request.get(`/api/projects/${demo.id}/framework`)).json()) as {
    records: Record<string, { kind: string; id: string }>;
  };
  const level = Object.values(records).find(({ kind }) => kind === 'level')!.id;
  expect((await send(page.request, demo.id, 'levels.rename', { level, title: 'Mine' })).status).toBe(403);
  const sheet = await page.request.get(`/api/projects/${demo.id}/sheet?level=${level}&scale=200&format=svg`);
  expect(sheet.status()).toBe(200);
  const drawing = await readFile('e2e/fixtures/structure-grid-mm.dxf');
  const url = `/api/projects/${demo.id}/drawings?name=grid.dxf`;
  expect((await page.request.post(url, { data: drawing })).status()).toBe(403);
});

test('a drawing that is taken is kept once, whatever it is called', async ({ page }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Kept', FURNISHED);
  const drawing = await readFile('e2e/fixtures/structure-grid-mm.dxf');
  for (const name of ['grid.dxf', 'again.dxf']) {
    const response = await page.request.post(`/api/projects/${id}/drawings?name=${name}`, { data: drawing });
    expect(response.status()).toBe(200);
  }
  const kept = await query<{ name: string; byte_count: number }>(
    'select name, byte_count from blob where project_id = $1',
    [id],
  );
  expect(kept).toEqual([{ name: 'grid.dxf', byte_count: drawing.length }]);
});

test('a file laid under a plan is served to members of its project only, as what it is', async ({ page, browser }) => {
  await enterAs(page, 'designer');
  const [id, other] = [
    await makeProject(page.request, 'Under', FURNISHED),
    await makeProject(page.request, 'Beside', FURNISHED),
  ];
  const picture = await readFile('docs/screenshots/sign-in.png');
  const bring = (data: Buffer, name: string) =>
    page.request.post(`/api/projects/${id}/underlays?name=${name}`, { data });
  const taken = (await (await bring(picture, 'scan.png')).json()) as { sha256: string; content: string };
  expect(taken).toMatchObject({ content: 'picture', width: 1280, height: 800 });
  // What only says it is a picture is not laid under anything.
  const claims = Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]), Buffer.from('rest')]);
  expect((await bring(claims, 'scan.png')).status()).toBe(422);
  const served = await page.request.get(`/api/projects/${id}/underlays/${taken.sha256}`);
  expect([served.status(), served.headers()['content-type'], served.headers()['x-content-type-options']]).toEqual([
    200,
    'image/png',
    'nosniff',
  ]);
  // Drawn anew: the pixels, and nothing else of what was brought.
  const body = await served.body();
  expect([body.subarray(1, 4).toString(), body.readUInt32BE(16), body.readUInt32BE(20)]).toEqual(['PNG', 1280, 800]);
  expect((await page.request.get(`/api/projects/${other}/underlays/${taken.sha256}`)).status()).toBe(404);
  const drawing = (await (await bring(await readFile('e2e/fixtures/structure-grid-mm.dxf'), 'grid.dxf')).json()) as {
    sha256: string;
    sheet: { lines: unknown[] };
  };
  const sheet = (await (await page.request.get(`/api/projects/${id}/underlays/${drawing.sha256}`)).json()) as {
    sheet: { lines: unknown[] };
  };
  expect(sheet.sheet.lines.length).toBe(drawing.sheet.lines.length);
  const bad = await bring(Buffer.from('<svg onload="alert(1)"/>'), 'x.svg');
  expect([bad.status(), ((await bad.json()) as { message: string }).message.length > 10]).toEqual([422, true]);
  const stranger = await browser.newContext({ baseURL: process.env.APP_URL });
  expect((await stranger.request.get(`/api/projects/${id}/underlays/${taken.sha256}`)).status()).toBe(401);
  await stranger.close();
});
