import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { readSpineFile } from '@/formats/json/spine-file';
import { recordsOf } from '@/core/model/framework';
import {
  enterAs,
  FURNISHED,
  makeProject,
  openProject,
  query,
  secondDesigner,
  typeElevation,
  untilSaved,
} from './project';

const state = (page: Page) => page.getByLabel('State of the work');
const elevation = (page: Page, level: string, shown: string) =>
  page.getByRole('button', { name: `Elevation of level ${level}, ${shown}. Press to type another` });

const signOut = async (page: Page) => {
  const headers = { origin: process.env.APP_URL! };
  expect((await page.request.post('/api/auth/sign-out', { data: {}, headers })).status()).toBe(200);
};

/** What the log holds of a project, oldest first. */
const logged = async (id: string): Promise<{ command: string; author: string }[]> =>
  query(
    `select command, "user".name as author from change join "user" on "user".id = author_id where project_id = $1 order by seq`,
    [id],
  );

test('edits made offline survive the end of the session: signed in again in place, all are sent, once and in order', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Signed out', FURNISHED);
  await openProject(page, id);
  await untilSaved(page);
  const before = (await logged(id)).length;
  await page.context().setOffline(true);
  await typeElevation(page, '01', '5.5m');
  await typeElevation(page, '01', '5.6m');
  await typeElevation(page, '01', '5.7m');
  await expect(state(page)).toContainText('Offline, 3 kept here');
  const cookie = (await page.context().cookies()).find(({ name }) => name.endsWith('session_token'))!;
  await query('delete from session where token = $1', [decodeURIComponent(cookie.value).split('.')[0]]);
  await page.context().setOffline(false);
  await expect(state(page)).toContainText('Signed out, 3 kept here');
  const panel = page.getByRole('alertdialog', { name: 'You are signed out' });
  await expect(elevation(page, '01', '+5.700')).toBeVisible();
  // Somebody else's account sends nothing of hers.
  await panel.getByRole('button', { name: 'Enter as viewer' }).click();
  await expect(panel.getByRole('alert')).toContainText('belongs to Ada Vale');
  expect((await logged(id)).length).toBe(before);
  await panel.getByRole('button', { name: 'Enter as designer' }).click();
  await untilSaved(page);
  await expect(panel).toBeHidden();
  const log = (await logged(id)).slice(before);
  expect(log).toEqual(Array(3).fill({ command: 'levels.setElevation', author: 'Ada Vale' }));
  await expect(elevation(page, '01', '+5.700')).toBeVisible();
});

test('kept edits are their maker’s: nobody else who signs in in the same browser sends them', async ({
  page,
  context,
}) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Shared browser', FURNISHED);
  await query(
    `insert into membership (project_id, user_id, role) select $1, id, 'designer' from "user" where email = 'vera.quill@tidewater.example'`,
    [id],
  );
  const tab = await context.newPage();
  await openProject(tab, id);
  await tab.route('**/commands', (route) => route.abort());
  await typeElevation(tab, '01', '5.7m');
  await expect(state(tab)).toContainText('Offline, 1 kept here');
  await tab.close();
  const before = (await logged(id)).length;
  await signOut(page);
  await enterAs(page, 'viewer');
  await openProject(page, id);
  await untilSaved(page);
  await expect(elevation(page, '01', '+5.400')).toBeVisible();
  expect((await logged(id)).length).toBe(before);
  await signOut(page);
  await enterAs(page, 'designer');
  await openProject(page, id);
  await untilSaved(page);
  await expect(elevation(page, '01', '+5.700')).toBeVisible();
  expect((await logged(id)).slice(before)).toEqual([{ command: 'levels.setElevation', author: 'Ada Vale' }]);
});

test('undo and redo are done at once offline, and sent in their order', async ({ page }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Undone offline', FURNISHED);
  await openProject(page, id);
  await untilSaved(page);
  const before = (await logged(id)).length;
  await page.context().setOffline(true);
  await typeElevation(page, '01', '5.5m');
  await typeElevation(page, '01', '5.6m');
  await typeElevation(page, '01', '5.7m');
  for (const shown of ['+5.600', '+5.500', '+5.400']) {
    await page.keyboard.press('Control+z');
    await expect(elevation(page, '01', shown)).toBeVisible();
  }
  await page.keyboard.press('Control+Shift+z');
  await expect(elevation(page, '01', '+5.500')).toBeVisible();
  await expect(state(page)).toContainText('Offline, 7 kept here');
  await page.context().setOffline(false);
  await untilSaved(page);
  await expect(elevation(page, '01', '+5.500')).toBeVisible();
  expect((await logged(id)).slice(before).map(({ command }) => command)).toEqual([
    ...Array(3).fill('levels.setElevation'),
    ...Array(4).fill('history.undo'),
  ]);
});

test('a stream the server refuses is opened again, and Saved is not said meanwhile', async ({ page, browser }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Stream', FURNISHED);
  let refusals = 0;
  await page.route('**/api/events', (route) => {
    refusals += 1;
    return refusals <= 3 ? route.fulfill({ status: 503, body: '{}' }) : route.continue();
  });
  await openProject(page, id);
  await expect(state(page)).toContainText('Offline');
  const other = await secondDesigner(browser, id, 'Bo Marsh');
  const theirs = await other.newPage();
  await openProject(theirs, id);
  await typeElevation(theirs, '01', '5.8m');
  await expect(elevation(page, '01', '+5.800')).toBeVisible();
  await untilSaved(page);
  expect(refusals).toBeGreaterThan(3);
  await other.close();
});

test('a stream that hangs is noticed and opened again', async ({ page }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Silent stream', FURNISHED);
  let opened = 0;
  // The first is accepted and never says anything.
  await page.route('**/api/events', (route) => {
    opened += 1;
    return opened === 1 ? undefined : route.continue();
  });
  await openProject(page, id);
  await expect(state(page)).toContainText('Catching up');
  await expect(state(page)).toContainText('Offline', { timeout: 40_000 });
  await untilSaved(page);
  expect(opened).toBe(2);
});

test('a role that is lowered takes the tools away at once; one who is removed is told, and keeps what was not sent', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Roles', FURNISHED);
  const other = await secondDesigner(browser, id, 'Bo Marsh');
  const theirs = await other.newPage();
  await openProject(theirs, id);
  await untilSaved(theirs);
  const setRole = (role: string) =>
    query(
      `update membership set role = $2 where project_id = $1 and user_id = (select id from "user" where name = 'Bo Marsh' and id in (select user_id from membership where project_id = $1))`,
      [id, role],
    );
  await expect(theirs.getByRole('button', { name: /^Elevation of level 01/ })).toBeVisible();
  await setRole('viewer');
  await expect(theirs.getByRole('button', { name: /^Elevation of level/ })).toHaveCount(0);
  await expect(theirs.getByRole('button', { name: /^Undo/ })).toHaveCount(0);
  await setRole('designer');
  await expect(theirs.getByRole('button', { name: /^Elevation of level 01/ })).toBeVisible();

  await theirs.route('**/commands', (route) => route.abort());
  await typeElevation(theirs, '01', '5.9m');
  await expect(state(theirs)).toContainText('Offline, 1 kept here');
  await query(
    `delete from membership where project_id = $1 and user_id in (select id from "user" where name = 'Bo Marsh')`,
    [id],
  );
  await expect(state(theirs)).toContainText('Not a member, 1 kept here');
  const panel = theirs.getByRole('alertdialog', { name: 'You are not a member of this project any more' });
  await expect(panel.getByRole('list', { name: 'Edits kept here' })).toContainText('Level 01 raised');
  const [download] = await Promise.all([
    theirs.waitForEvent('download'),
    panel.getByRole('button', { name: 'Download what I have' }).click(),
  ]);
  const file = readSpineFile(await readFile(await download.path(), 'utf8'));
  expect(file.ok && recordsOf(file.value, 'level').some(({ heightMm }) => heightMm === 5900)).toBe(true);
  await panel.getByRole('button', { name: /^Take back/ }).click();
  await expect(state(theirs)).toHaveText(/Not a member$/);
  await other.close();
});

test('an edit that can never be saved is shown with what it was, and can be taken back; the rest goes on', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Stuck', FURNISHED);
  await openProject(page, id);
  await untilSaved(page);
  await page.route('**/commands', (route) =>
    route.request().postData()?.includes('5500') || route.request().postData()?.includes('5.5m')
      ? route.fulfill({ status: 500, json: { message: 'Something went wrong on the server' } })
      : route.continue(),
  );
  await typeElevation(page, '01', '5.5m');
  await expect(state(page)).toContainText('Cannot be saved, 1 kept here', { timeout: 30_000 });
  const panel = page.getByRole('alertdialog', { name: 'An edit cannot be saved' });
  await expect(panel).toContainText('Level 01 raised');
  await panel.getByRole('button', { name: 'Take it back' }).click();
  await untilSaved(page);
  await expect(elevation(page, '01', '+5.400')).toBeVisible();
  await typeElevation(page, '01', '5.6m');
  await untilSaved(page);
  await expect(elevation(page, '01', '+5.600')).toBeVisible();
});

test('half a character is refused in words where it is typed, and saving goes on', async ({ page }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Half', FURNISHED);
  await openProject(page, id);
  await untilSaved(page);
  await page.getByRole('button', { name: /^Level 01/ }).click();
  const field = page.getByLabel('Use', { exact: true });
  // Typing cannot, a cut in the middle of a sign can.
  await field.evaluate((input: HTMLInputElement) => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, 'Hall \ud83c');
    input.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await field.press('Enter');
  await expect(page.getByText('The text holds half a character')).toBeVisible();
  await field.fill('Hall 🏗');
  await field.press('Enter');
  await untilSaved(page);
  await expect(page.getByRole('button', { name: 'Level 01, Hall 🏗' })).toBeVisible();
});

test('a solver that breaks is begun anew, and what was done meanwhile shows', async ({ page }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Worker', FURNISHED);
  await openProject(page, id);
  await untilSaved(page);
  const solver = page.workers()[0]!;
  // It breaks at the edit, or before it while what takes long is made good.
  const told = expect(page.getByRole('alert').filter({ hasText: 'begun anew' })).toBeVisible();
  await solver.evaluate(() => {
    Map.prototype.get = () => {
      throw new Error('Broken on purpose');
    };
  });
  await typeElevation(page, '01', '5.6m');
  await expect(elevation(page, '01', '+5.600')).toBeVisible();
  await told;
  await untilSaved(page);
  await typeElevation(page, '01', '5.7m');
  await expect(elevation(page, '01', '+5.700')).toBeVisible();
});

test('tabs cost a command nothing: none asks for history or changes by itself', async ({ page, context }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Tabs', FURNISHED);
  const asked: string[] = [];
  context.on('request', (request) => {
    const path = new URL(request.url()).pathname.split('/').at(-1)!;
    if (['history', 'changes', 'own', 'framework'].includes(path)) asked.push(path);
  });
  const tabs = [page];
  for (let i = 1; i < 4; i += 1) tabs.push(await context.newPage());
  for (const tab of tabs) {
    await openProject(tab, id);
    await untilSaved(tab);
  }
  asked.length = 0;
  await typeElevation(page, '01', '5.8m');
  for (const tab of tabs) await expect(elevation(tab, '01', '+5.800')).toBeVisible();
  expect(asked).toEqual([]);
  await page.getByRole('button', { name: 'History' }).click();
  await expect(page.getByRole('dialog', { name: 'History' })).toContainText('Level 01 raised');
  expect(asked).toEqual(['history']);
});
