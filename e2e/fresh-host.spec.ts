import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { Installation } from '../faults/installation';
import { freePort } from '../scripts/ports.mjs';
import { PASSWORD } from './project';

test('a fresh host without the demo is usable: first account, first project, and then by invitation', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const folder = mkdtempSync(join(tmpdir(), 'spine-fresh-'));
  const port = await freePort(3700);
  const host = new Installation(folder, port, {
    DEMO_MODE: '0',
    SIGN_UP: 'invited',
    APP_URL: `http://127.0.0.1:${port}`,
  });
  try {
    await host.start();
    const context = await browser.newContext({ baseURL: host.address });
    const page = await context.newPage();
    await page.goto('/');
    await expect(page.getByText('Nobody has an account here yet')).toBeVisible();
    await expect(page.getByText('demo mode')).toHaveCount(0);
    await page.getByLabel('Name', { exact: true }).fill('Orla Marsh');
    await page.getByLabel('E-mail').fill('orla@practice.example');
    await page.getByLabel('Password').fill(PASSWORD);
    await page.getByRole('button', { name: 'Make the account' }).click();
    await expect(page.getByRole('heading', { name: 'Projects' })).toBeVisible();
    // Who came first looks after the place.
    await expect(page.getByRole('link', { name: 'Outbox' })).toBeVisible();
    await page.getByLabel('New project', { exact: true }).fill('First house');
    await page.getByRole('button', { name: 'Start and set up' }).click();
    await expect(page.getByRole('heading', { name: 'Set up the levels' })).toBeVisible();
    const projectId = page.url().split('/').at(-1)!;

    const stranger = await browser.newContext({ baseURL: host.address });
    const door = await stranger.newPage();
    await door.goto('/');
    await expect(door.getByText('Accounts are made by invitation here')).toBeVisible();
    await expect(door.getByRole('button', { name: 'Make an account' })).toHaveCount(0);
    const refused = await stranger.request.post('/api/auth/sign-up/email', {
      data: { name: 'Nobody', email: 'nobody@practice.example', password: PASSWORD },
      headers: { origin: host.address },
    });
    expect(refused.status()).toBe(403);
    const invited = await page.request.post(`/api/projects/${projectId}/invitations`, {
      data: { email: 'ada@practice.example', role: 'designer' },
    });
    const { link } = (await invited.json()) as { link: string };
    await door.goto(link);
    await door.getByRole('button', { name: 'Make an account' }).click();
    await door.getByLabel('Name', { exact: true }).fill('Ada Vale');
    await door.getByLabel('E-mail').fill('ada@practice.example');
    await door.getByLabel('Password').fill(PASSWORD);
    await door.getByRole('button', { name: 'Make the account' }).click();
    await expect(door.getByRole('heading', { name: 'Set up the levels' })).toBeVisible();
    // The second keeps nothing, and reads nobody's mail.
    await door.goto('/outbox');
    await expect(door.getByText('There is no such')).toBeVisible();
    await context.close();
    await stranger.close();
  } finally {
    await host.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
