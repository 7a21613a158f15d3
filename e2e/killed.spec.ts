import { randomUUID } from 'node:crypto';
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { expect, test } from '@playwright/test';
import { apply, type Changes } from '@/core/model/changes';
import { EMPTY_FRAMEWORK, frameworkHash } from '@/core/model/framework';
import type { Rec } from '@/core/model/kinds';
import { enterAs, FURNISHED, makeProject } from './project';

const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number };
      server.close(() => resolve(port));
    });
  });

test('a process killed under load loses no acknowledged edit and doubles none', async ({ page, context }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Killed', FURNISHED);
  const port = await freePort();
  const victim = spawn(process.execPath, ['--import', 'tsx', 'src/server/web/main.ts'], {
    env: { ...process.env, NODE_ENV: 'production', PORT: String(port) },
    stdio: 'ignore',
    detached: true,
  });
  const base = `http://127.0.0.1:${port}`;
  await expect
    .poll(
      () =>
        fetch(base).then(
          (r) => r.status,
          () => 0,
        ),
      { timeout: 30_000 },
    )
    .toBe(200);
  const cookie = (await context.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
  const post = (origin: string, commandId: string, i: number) =>
    fetch(`${origin}/api/projects/${id}/commands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify({
        commandId,
        command: 'columns.place',
        input: { place: `${i * 10},${i * 7}`, section: { shape: 'circle', diameterMm: 300 } },
      }),
    });
  const sent: { commandId: string; i: number; acknowledged: boolean }[] = [];
  const senders = Array.from({ length: 6 }, async (_, lane) => {
    for (let n = 0; n < 60; n += 1) {
      const edit = { commandId: randomUUID(), i: lane * 60 + n, acknowledged: false };
      sent.push(edit);
      try {
        edit.acknowledged = (await post(base, edit.commandId, edit.i)).status === 200;
      } catch {
        return;
      }
    }
  });
  await expect
    .poll(() => sent.filter(({ acknowledged }) => acknowledged).length, { timeout: 30_000 })
    .toBeGreaterThan(40);
  process.kill(-victim.pid!, 'SIGKILL');
  await Promise.all(senders);
  const acknowledged = sent.filter((edit) => edit.acknowledged);
  expect(acknowledged.length).toBeLessThan(360);

  // What was not acknowledged is sent again, to another process, under the same id.
  for (const edit of sent.filter((each) => !each.acknowledged)) {
    expect((await post(process.env.APP_URL!, edit.commandId, edit.i)).status).toBe(200);
  }
  const log: { seq: number; commandId: string; changes: Changes }[] = [];
  for (;;) {
    const response = await page.request.get(`/api/projects/${id}/changes?since=${log.length}`);
    const { changes } = (await response.json()) as { changes: typeof log };
    if (changes.length === 0) break;
    log.push(...changes);
  }
  expect(log.map(({ seq }) => seq)).toEqual(log.map((_, i) => i + 1));
  for (const { commandId } of sent) expect(log.filter((entry) => entry.commandId === commandId)).toHaveLength(1);
  const replayed = log.reduce((framework, { changes }) => apply(framework, changes), EMPTY_FRAMEWORK);
  const head = (await (await page.request.get(`/api/projects/${id}/framework`)).json()) as {
    seq: number;
    records: Record<string, Rec>;
  };
  expect(head.seq).toBe(log.length);
  expect(frameworkHash(replayed)).toBe(frameworkHash({ records: new Map(Object.entries(head.records)) }));
});
