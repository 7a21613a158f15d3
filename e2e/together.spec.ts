import { expect, test, type Page } from '@playwright/test';
import {
  enterAs,
  FURNISHED,
  makeProject,
  openProject,
  query,
  secondDesigner,
  SECOND_URL,
  send,
  typeElevation,
  untilSaved,
} from './project';

/** Notes in the page the moment an elevation is first written there. */
const noteWhenShown = (page: Page, text: string): Promise<void> =>
  page.evaluate((wanted) => {
    const shown = () => document.querySelector(`[aria-label^="Elevation of level 01, ${wanted}"]`) !== null;
    const note = () => {
      if (!shown()) return;
      observer.disconnect();
      (window as unknown as { shownAt: number }).shownAt = Date.now();
    };
    const observer = new MutationObserver(note);
    observer.observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true });
  }, text);

const shownAt = (page: Page): Promise<number> =>
  page.evaluate(() => (window as unknown as { shownAt: number }).shownAt);

/**
 * Least of several times, ms, from an edit's showing in the page it is made in to its showing in another. Both pages
 * note the moment themselves, so that the test's own waiting does not count; machines are noisy, the least is not.
 */
async function leastDelayMs(from: Page, to: Page): Promise<number> {
  const delays: number[] = [];
  for (const [text, shown] of [
    ['5.5m', '+5.500'],
    ['5.6m', '+5.600'],
    ['5.7m', '+5.700'],
  ] as const) {
    for (const page of [from, to]) await noteWhenShown(page, shown);
    await typeElevation(from, '01', text);
    for (const page of [from, to]) {
      await expect(
        page.getByRole('button', { name: `Elevation of level 01, ${shown}. Press to type another` }),
      ).toBeVisible();
    }
    delays.push((await shownAt(to)) - (await shownAt(from)));
  }
  return Math.min(...delays);
}

test('an edit in one browser shows in another within a second, through one process and through two', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Together', FURNISHED);
  await openProject(page, id);
  const other = await secondDesigner(browser, id, 'Bo Marsh');
  const same = await other.newPage();
  await openProject(same, id);
  expect(await leastDelayMs(page, same)).toBeLessThan(1000);
  await typeElevation(page, '01', '5.4m');
  const across = await other.newPage();
  await openProject(across, id, SECOND_URL);
  expect(await leastDelayMs(across, page)).toBeLessThan(1000);
  await other.close();
});

test('one person moves a level, another renames it, the first undoes: the name stays', async ({ page, browser }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Field by field', FURNISHED);
  await openProject(page, id);
  const other = await secondDesigner(browser, id, 'Bo Marsh');
  const theirs = await other.newPage();
  await openProject(theirs, id);
  await typeElevation(page, '01', '5.9m');
  await untilSaved(page);
  await expect(theirs.getByRole('button', { name: /^Elevation of level 01, \+5.900/ })).toBeVisible();
  await theirs.getByRole('button', { name: /^Level 01/ }).click();
  await theirs.getByLabel('Use', { exact: true }).fill('Rehearsal');
  await theirs.getByLabel('Use', { exact: true }).press('Enter');
  await expect(page.getByRole('button', { name: 'Level 01, Rehearsal' })).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Level 01 raised/ }).click();
  await expect(page.getByRole('button', { name: /^Elevation of level 01, \+5.400/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Level 01, Rehearsal' })).toBeVisible();
  await expect(theirs.getByRole('button', { name: /^Elevation of level 01, \+5.400/ })).toBeVisible();
  await other.close();
});

test('an undo over somebody else’s edit of the same field is refused, naming them', async ({ page, browser }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Same field', FURNISHED);
  await openProject(page, id);
  const other = await secondDesigner(browser, id, 'Bo Marsh');
  await typeElevation(page, '01', '5.9m');
  await untilSaved(page);
  const levels = await query<{ id: string }>(
    `select rec->>'id' as id from change, jsonb_array_elements(changes->'added') rec where project_id = $1 and rec->>'name' = '01'`,
    [id],
  );
  expect((await send(other.request, id, 'levels.setElevation', { level: levels[0]!.id, fflMm: 6000 })).status).toBe(
    200,
  );
  await expect(page.getByRole('button', { name: /^Elevation of level 01, \+6.000/ })).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Level 01 raised/ }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'changed in the same place by Bo Marsh' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Elevation of level 01, \+6.000/ })).toBeVisible();
  await other.close();
});

test('an edit made on grounds another changed meanwhile is not done, and can be done all the same', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Same ground', FURNISHED);
  await openProject(page, id);
  const other = await secondDesigner(browser, id, 'Bo Marsh');
  const theirs = await other.newPage();
  await openProject(theirs, id);
  await page.context().setOffline(true);
  await typeElevation(page, '02', '10.4m', 'only');
  await expect(page.getByLabel('State of the work')).toContainText('Offline, 1 kept here');
  await typeElevation(theirs, '02', '10.6m', 'only');
  await untilSaved(theirs);
  await page.context().setOffline(false);
  const notice = page.getByRole('alert').filter({ hasText: 'Bo Marsh changed this meanwhile' });
  await expect(notice).toContainText('Yours was not done');
  await expect(page.getByRole('button', { name: /^Elevation of level 02, \+10.600/ })).toBeVisible();
  await notice.getByRole('button', { name: 'Do mine all the same' }).click();
  await expect(page.getByRole('button', { name: /^Elevation of level 02, \+10.400/ })).toBeVisible();
  await expect(theirs.getByRole('button', { name: /^Elevation of level 02, \+10.400/ })).toBeVisible();
  await other.close();
});

test('edits kept in a closed tab are sent by the next one that opens', async ({ page, context }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Closed tab', FURNISHED);
  const tab = await context.newPage();
  await openProject(tab, id);
  await tab.route('**/commands', (route) => route.abort());
  await typeElevation(tab, '01', '5.7m');
  await expect(tab.getByLabel('State of the work')).toContainText('Offline, 1 kept here');
  await tab.close();
  await openProject(page, id);
  await expect(page.getByRole('button', { name: /^Elevation of level 01, \+5.700/ })).toBeVisible();
  await untilSaved(page);
});

test('eight tabs on one project: the eighth still edits at once', async ({ page, context }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Eight tabs', FURNISHED);
  const tabs = [page];
  await openProject(page, id);
  for (let i = 1; i < 8; i += 1) {
    const tab = await context.newPage();
    await openProject(tab, id);
    tabs.push(tab);
  }
  const eighth = tabs.at(-1)!;
  await typeElevation(eighth, '01', '5.8m');
  await untilSaved(eighth);
  for (const tab of tabs)
    await expect(tab.getByRole('button', { name: /^Elevation of level 01, \+5.800/ })).toBeVisible();
});

test('a viewer sees everything and is offered no way to change it', async ({ page }) => {
  await enterAs(page, 'viewer');
  await page.goto('/');
  await page.getByRole('link', { name: /Tidewater Yard/ }).click();
  await expect(page.getByRole('button', { name: /^Level 02/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Elevation of level/ })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Undo/ })).toHaveCount(0);
  await expect(page.getByLabel('Finished floor at (FFL)')).toBeDisabled();
  const id = page.url().split('/').at(-1)!;
  const answer = await send(page.request, id, 'levels.setElevation', { level: '02', fflMm: 0 });
  expect(answer.status).toBe(403);
  expect(answer.message).toMatch(/As viewer you can look/);
});

test('a project one is no member of looks as if it were not there', async ({ page, browser }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Private');
  const stranger = await browser.newContext({ baseURL: process.env.APP_URL });
  const theirs = await stranger.newPage();
  await enterAs(theirs, 'viewer');
  for (const path of ['framework', 'history', 'changes?since=0']) {
    expect((await stranger.request.get(`/api/projects/${id}/${path}`)).status()).toBe(404);
  }
  expect((await send(stranger.request, id, 'project.start', { name: 'Mine now' })).status).toBe(404);
  await theirs.goto(`/projects/${id}`);
  await expect(theirs.getByText('There is no such project')).toBeVisible();
  await stranger.close();
});
