import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { enterAs, FURNISHED, makeProject, openProject, query, typeElevation, untilSaved } from './project';

/** From now on, what looks at the size of its place breaks, until it is mended. */
const breakPlaces = (page: Page, isBroken: boolean) =>
  page.evaluate((broken) => {
    const kept = window as typeof window & { soundObserver?: typeof ResizeObserver };
    kept.soundObserver ??= window.ResizeObserver;
    window.ResizeObserver = broken
      ? (class {
          constructor() {
            throw new Error('Broken on purpose');
          }
        } as unknown as typeof ResizeObserver)
      : kept.soundObserver;
  }, isBroken);

const rescued = async (page: Page): Promise<{ format: string; records: Record<string, { kind: string }> }> => {
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Download what I have' }).click(),
  ]);
  return JSON.parse(await readFile(await file.path(), 'utf8')) as Awaited<ReturnType<typeof rescued>>;
};

test('a pane that breaks is said so in its place, the others go on, and it is shown again', async ({ page }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Broken pane', FURNISHED);
  await openProject(page, id);
  await untilSaved(page);
  await breakPlaces(page, true);
  const changes = async () =>
    Number((await query<{ n: string }>('select count(*) as n from change where project_id = $1', [id]))[0]!.n);
  const before = await changes();
  await page.getByRole('tab', { name: 'Section' }).click();
  const said = page.getByRole('alert').filter({ hasText: 'This view stopped' });
  await expect(said).toBeVisible();
  await breakPlaces(page, false);
  // What stands beside it goes on, and is saved.
  await typeElevation(page, '02', '8.9m');
  await untilSaved(page);
  expect(await changes()).toBe(before + 1);
  const file = await rescued(page);
  expect(file.format).toBe('spine');
  expect(Object.values(file.records).some(({ kind }) => kind === 'columnStack')).toBe(true);
  await page.getByRole('button', { name: 'Show it again' }).click();
  await expect(said).toBeHidden();
});

test('a page that breaks as a whole says what is kept, and opens again', async ({ page }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Broken page', FURNISHED);
  let isBroken = true;
  await page.route(`**/api/projects/${id}/framework`, async (route) => {
    const answer = await route.fetch();
    const body = (await answer.json()) as { records: Record<string, { kind: string; name?: unknown }> };
    // A name that is no text is more than any part of the page can show.
    if (isBroken)
      for (const record of Object.values(body.records)) if (record.kind === 'project') record.name = { not: 'a text' };
    await route.fulfill({ response: answer, json: body });
  });
  await page.goto(`/projects/${id}`);
  await expect(page.getByRole('heading', { name: 'This page stopped' })).toBeVisible();
  expect((await rescued(page)).format).toBe('spine');
  isBroken = false;
  await page.getByRole('button', { name: 'Open it again' }).click();
  await expect(page.getByRole('tab', { name: 'Plan' })).toBeVisible();
});

test('a project whose log is damaged opens at its last good state, for looking, and says why', async ({ page }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Damaged log', FURNISHED);
  await query('delete from change where project_id = $1 and seq = 6', [id]);
  // Another process than the one that remembers the head reads the log itself.
  await openProject(page, id, process.env.SECOND_URL);
  const panel = page.getByRole('alertdialog', { name: 'This project can only be looked at' });
  await expect(panel).toContainText('npm run repair');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeHidden();
  const file = await rescued(page);
  const kinds = Object.values(file.records).map(({ kind }) => kind);
  expect([kinds.includes('floorPlate'), kinds.includes('columnStack')]).toEqual([true, false]);
});
