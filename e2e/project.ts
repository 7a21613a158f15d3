import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { expect, type APIRequestContext, type Browser, type BrowserContext, type Page } from '@playwright/test';
import pg from 'pg';
import type { Report } from '@/core/report/report';
import type { Step, CommandName, CommandInputs } from '@/core/commands/command-inputs';

export const SECOND_URL = process.env.SECOND_URL ?? '';

/** One query on the test database. */
export async function query<T extends object>(text: string, values: unknown[] = []): Promise<T[]> {
  const client = new pg.Client({ connectionString: process.env.ADMIN_DATABASE_URL });
  await client.connect();
  try {
    return (await client.query(text, values)).rows as T[];
  } finally {
    await client.end();
  }
}

type Part = 'owner' | 'designer' | 'consultant' | 'viewer';

/** Signs in as one of the demo's people, without a page. */
export async function enterAs(page: Page, part: Part): Promise<void> {
  const answer = await page.request.post('/api/demo', {
    data: { as: part },
    headers: { origin: process.env.APP_URL! },
  });
  expect(answer.status()).toBe(200);
}

/** Enters the demo through its door, as a person does. */
export async function enterByDoor(page: Page, part: Part): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: `Enter as ${part}` }).click();
  await expect(page.getByRole('heading', { name: 'Projects' })).toBeVisible();
}

/** A new project, opened in its first set-up; answers its id. */
export async function startProject(page: Page, name: string): Promise<string> {
  await page.goto('/');
  await page.getByLabel('New project', { exact: true }).fill(name);
  await page.getByRole('button', { name: 'Start and set up' }).click();
  await expect(page.getByRole('heading', { name: 'Set up the levels' })).toBeVisible();
  return page.url().split('/').at(-1)!;
}

/** A project made over HTTP by the signed-in person, with some commands run on it. */
export async function makeProject(
  request: APIRequestContext,
  name: string,
  commands: Step[] = [],
  building = 'House',
): Promise<string> {
  const made = await request.post('/api/projects', { data: { name, building } });
  const { id } = (await made.json()) as { id: string };
  for (const [command, input] of commands) {
    const answer = await send(request, id, command, input);
    expect(answer.status, answer.message).toBe(200);
  }
  return id;
}

/** Sends one command. */
export async function send<Name extends CommandName>(
  request: APIRequestContext,
  projectId: string,
  command: Name,
  input: CommandInputs[Name],
  commandId: string = randomUUID(),
) {
  const response = await request.post(`/api/projects/${projectId}/commands`, { data: { commandId, command, input } });
  const body = (await response.json()) as { message?: string; seq?: number };
  return { status: response.status(), message: body.message ?? '', seq: body.seq ?? 0, commandId };
}

export const FURNISHED: Step[] = [
  ['levels.setUp', { above: '5.4m 2@4.8m 3@3.3m', below: '3.9m 3.6m' }],
  ['grids.add', { baysA: '2@7200 3600 7200', baysB: '6600 7800' }],
  ['floors.add', { name: 'Plate', outline: { type: 'gridOffset', offsetMm: 300 } }],
  ['columns.placeAtCrossings', { lines: 'all', section: { shape: 'rectangle', widthMm: 500, depthMm: 500 } }],
];

export async function openProject(page: Page, id: string, origin = ''): Promise<void> {
  await page.goto(`${origin}/projects/${id}`);
  await expect(page.getByRole('tab', { name: 'Plan' })).toBeVisible();
}

export async function untilSaved(page: Page): Promise<void> {
  await expect(page.getByLabel('State of the work')).toContainText('Saved');
}

/** Opens a step of the work path. */
export async function openStep(page: Page, name: string): Promise<void> {
  const button = page
    .getByRole('navigation', { name: 'Work path' })
    .getByRole('button', { name: new RegExp(`^${name}`) });
  // Levels that were just set up are worked out first: until then this step is the only one, and open.
  await expect(button).not.toContainText('set them up above');
  if ((await button.getAttribute('aria-pressed')) !== 'true') await button.click();
}

/** The report as the interface hands it over. */
export async function downloadReport(page: Page): Promise<Report> {
  await untilSaved(page);
  return JSON.parse(await downloadText(page, 'Download the report')) as Report;
}

export async function downloadText(page: Page, button: string): Promise<string> {
  await openStep(page, 'Hand over');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: button }).click(),
  ]);
  return readFile(await download.path(), 'utf8');
}

/** Types another elevation for a level in the height strip, with Enter. */
export async function typeElevation(
  page: Page,
  level: string,
  text: string,
  mode: 'push' | 'only' = 'push',
): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^Elevation of level ${level},`) }).click();
  const popover = page.getByRole('dialog');
  await popover.getByLabel(/^Elevation/).fill(text);
  await popover.getByRole('button', { name: mode === 'push' ? /^Push/ : /^Only this/ }).click();
  await expect(popover).toBeHidden();
}

export const PASSWORD = 'a long enough one';

/** A browser of somebody with an account of their own, and their e-mail. */
export async function newAccount(browser: Browser, name: string): Promise<{ context: BrowserContext; email: string }> {
  const context = await browser.newContext({ baseURL: process.env.APP_URL });
  const email = `${randomUUID()}@test.example`;
  const response = await context.request.post('/api/auth/sign-up/email', {
    data: { name, email, password: PASSWORD },
    headers: { origin: process.env.APP_URL! },
  });
  expect(response.status()).toBe(200);
  return { context, email };
}

/** A second person with an account of their own, who designs in the same project. */
export async function secondDesigner(browser: Browser, projectId: string, name: string): Promise<BrowserContext> {
  const { context, email } = await newAccount(browser, name);
  const [person] = await query<{ id: string }>('select id from "user" where email = $1', [email]);
  await query(`insert into membership (project_id, user_id, role) values ($1, $2, 'designer')`, [
    projectId,
    person!.id,
  ]);
  return context;
}
