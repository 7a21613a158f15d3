import { createHash, randomUUID } from 'node:crypto';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { seriousFaults } from './axe';
import {
  enterAs,
  enterByDoor,
  FURNISHED,
  makeProject,
  newAccount,
  openProject,
  PASSWORD,
  query,
  SECOND_URL,
  typeElevation,
  untilSaved,
} from './project';

const state = (page: Page) => page.getByLabel('State of the work');

/** The newest link that was sent to an e-mail, as the outbox shows it. */
async function mailedLink(page: Page, email: string): Promise<string> {
  await page.goto('/outbox');
  const link = page.getByRole('listitem').filter({ hasText: email }).first().getByRole('link');
  return (await link.getAttribute('href'))!;
}

/** Invites somebody on the page about people; answers the link from the outbox. */
async function inviteOn(page: Page, projectId: string, email: string, role: string): Promise<string> {
  await page.goto(`/projects/${projectId}/people`);
  const form = page.getByRole('form', { name: 'Invite somebody' });
  await form.getByLabel('E-mail').fill(email);
  await form.getByLabel('As', { exact: true }).selectOption(role);
  await form.getByRole('button', { name: 'Invite', exact: true }).click();
  await expect(page.getByText(`The invitation to ${email} is in the outbox`)).toBeVisible();
  return mailedLink(page, email);
}

/** Opens an invitation in the browser of somebody new, who makes an account and is in. */
async function joinAnew(browser: Browser, link: string, name: string, email: string): Promise<Page> {
  const context = await browser.newContext({ baseURL: process.env.APP_URL });
  const page = await context.newPage();
  await page.goto(link);
  await expect(page.getByText('invites you to')).toBeVisible();
  await page.getByRole('button', { name: 'Make an account' }).click();
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Make the account' }).click();
  await expect(page.getByRole('tab', { name: 'Plan' })).toBeVisible();
  return page;
}

const newEmail = () => `${randomUUID()}@test.example`;

test('four people and two app processes: invited, joined, at work together, lowered, removed, handed over, deleted and back', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const { context } = await newAccount(browser, 'Orla Marsh');
  const orla = await context.newPage();
  const id = await makeProject(orla.request, 'Four hands', FURNISHED);
  // Ada makes an account with the link; it works once.
  const adaEmail = newEmail();
  const link = await inviteOn(orla, id, adaEmail, 'designer');
  const token = link.split('#')[1]!;
  const ada = await joinAnew(browser, link, 'Ada Vale', adaEmail);
  expect(ada.url()).not.toContain(token);
  const { context: torContext } = await newAccount(browser, 'Tor Brandt');
  const tor = await torContext.newPage();
  await tor.goto(link);
  await expect(tor.getByRole('alert').filter({ hasText: 'used already' })).toBeVisible();
  expect(tor.url()).not.toContain(token);
  // Too old a link lets nobody in.
  const old = await inviteOn(orla, id, newEmail(), 'viewer');
  const hash = createHash('sha256').update(old.split('#')[1]!).digest('base64url');
  await query(`update invitation set expires_at = now() - interval '1 minute' where token_hash = $1`, [hash]);
  await tor.goto(old);
  await expect(tor.getByRole('alert').filter({ hasText: 'too old' })).toBeVisible();
  // Tor, who has an account, joins as he is; Mira makes one.
  const forTor = await inviteOn(orla, id, newEmail(), 'designer');
  await tor.goto(forTor);
  await tor.getByRole('button', { name: 'Join as Tor Brandt' }).click();
  await expect(tor.getByRole('tab', { name: 'Plan' })).toBeVisible();
  const miraEmail = newEmail();
  const mira = await joinAnew(browser, await inviteOn(orla, id, miraEmail, 'consultant'), 'Mira Solano', miraEmail);
  await expect(mira.getByText('You look at this as consultant')).toBeVisible();
  await expect(mira.getByRole('button', { name: /^Undo/ })).toHaveCount(0);

  // At work together, in two processes: who is here, where they look, what they do.
  await openProject(orla, id, SECOND_URL);
  await untilSaved(orla);
  await untilSaved(ada);
  await expect(orla.getByRole('button', { name: /^Look where Ada Vale looks/ })).toBeVisible();
  await ada.getByRole('button', { name: /^Level 03/ }).click();
  await expect(orla.getByRole('button', { name: /^Look where Ada Vale looks: Plan, level 03/ })).toBeVisible();
  await orla.getByRole('button', { name: /^Look where Ada Vale looks/ }).click();
  await expect(orla.getByLabel('Current level')).toContainText('03');
  // What Ada chooses is framed with her name; what she does is marked there for a moment, and then no more.
  const marks = orla.getByTestId('others').getByText('Ada Vale');
  await expect(marks).toHaveCount(0);
  await ada.getByText('On level 03').click();
  await ada.getByRole('button', { name: 'B-2', exact: true }).click();
  await expect(marks).toHaveCount(1);
  await ada.getByRole('button', { name: 'Delete' }).first().click();
  await expect(marks).toHaveCount(1);
  await expect(marks).toHaveCount(0, { timeout: 20_000 });
  await ada.getByRole('button', { name: /^Undo/ }).click();
  await untilSaved(ada);
  await typeElevation(ada, '01', '5.7m');
  await expect(orla.getByRole('button', { name: /^Elevation of level 01, \+5.700/ })).toBeVisible();
  await expect(mira.getByText('+5.700').first()).toBeVisible();

  // Ada's role is lowered while she edits; her tab is told.
  const people = await context.newPage();
  await people.goto(`/projects/${id}/people`);
  await people.getByLabel('Role of Ada Vale').selectOption('viewer');
  await expect(people.getByText('Ada Vale is viewer now')).toBeVisible();
  await expect(ada.getByRole('button', { name: /^Elevation of level/ })).toHaveCount(0);
  await people.getByLabel('Role of Ada Vale').selectOption('designer');
  await expect(ada.getByRole('button', { name: /^Elevation of level 01/ })).toBeVisible();

  // Tor is removed while he works offline: what he did is refused in words and can be taken away.
  await tor.route('**/commands', (route) => route.abort());
  await typeElevation(tor, '01', '5.9m');
  await expect(state(tor)).toContainText('Offline, 1 kept here');
  await people.getByRole('listitem').filter({ hasText: 'Tor Brandt' }).getByRole('button', { name: 'Remove' }).click();
  await people.getByRole('button', { name: 'Remove Tor Brandt' }).click();
  await expect(people.getByText('Tor Brandt is out')).toBeVisible();
  const told = tor.getByRole('alertdialog', { name: 'You are not a member of this project any more' });
  await expect(told).toContainText('were not saved');
  const [download] = await Promise.all([
    tor.waitForEvent('download'),
    told.getByRole('button', { name: 'Download what I have' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/\.spine\.json$/);
  await expect(orla.getByRole('button', { name: /^Look where Tor Brandt looks/ })).toHaveCount(0);

  // The last owner cannot go; she hands the project over, and then she can.
  await people.getByRole('button', { name: 'Leave the project' }).click();
  await expect(people.getByRole('alert').filter({ hasText: 'A project has an owner' })).toBeVisible();
  await people.getByRole('listitem').filter({ hasText: 'Ada Vale' }).getByRole('button', { name: 'Hand over' }).click();
  await people.getByRole('dialog').getByRole('button', { name: 'Hand over' }).click();
  await expect(people.getByText('Ada Vale owns the project now')).toBeVisible();
  await expect(people.getByLabel('Role of Ada Vale')).toHaveCount(0);

  // Ada reads what happened, then deletes the project, and brings it back.
  await ada.goto(`/projects/${id}/people`);
  const happened = ada.getByRole('region', { name: 'What happened' });
  for (const words of ['handed over to Ada Vale', 'removed Tor Brandt', 'changed the role of Ada Vale', 'joined'])
    await expect(happened.getByRole('listitem').filter({ hasText: words }).first()).toBeVisible();
  await happened.getByLabel('What', { exact: true }).selectOption('edited');
  await expect(happened.getByText('3 edits', { exact: true })).toBeVisible();
  await ada.goto('/');
  const row = ada.getByRole('listitem').filter({ hasText: 'Four hands' });
  await expect(row.getByText('House 9 levels')).toBeVisible({ timeout: 20_000 });
  await row.getByRole('button', { name: 'What to do with Four hands' }).click();
  await ada.getByRole('menuitem', { name: 'Delete' }).click();
  const asked = ada.getByRole('dialog', { name: 'Delete Four hands' });
  await expect(asked.getByRole('button', { name: 'Delete' })).toBeDisabled();
  await asked.getByLabel('Type its name').fill('Four hands');
  await asked.getByRole('button', { name: 'Delete' }).click();
  await expect(ada.getByText('Four hands is deleted')).toBeVisible();
  await expect(state(orla)).toContainText('Not a member');
  await ada.getByText('Deleted (1)').click();
  await ada.getByRole('button', { name: 'Bring Four hands back' }).click();
  await expect(ada.getByText('Four hands is back')).toBeVisible();
  await expect(ada.getByRole('link', { name: 'Four hands' })).toBeVisible();
  await expect(state(orla)).toContainText('Saved');

  // No token is written down anywhere but in its hash.
  for (const table of ['audit', 'invitation', 'outbox', 'change', 'session'])
    expect(await query(`select 1 from ${table} as t where t::text like $1`, [`%${token}%`])).toEqual([]);
  await Promise.all([context, torContext, ada.context(), mira.context()].map((each) => each.close()));
});

test('an account is looked after: name, password, places, and a forgotten password', async ({ browser }) => {
  const { context, email } = await newAccount(browser, 'Dee Quay');
  const page = await context.newPage();
  const elsewhere = await browser.newContext({ baseURL: process.env.APP_URL });
  await elsewhere.request.post('/api/auth/sign-in/email', {
    data: { email, password: PASSWORD },
    headers: { origin: process.env.APP_URL! },
  });
  await page.goto('/account');
  expect(await seriousFaults(page)).toEqual([]);
  const form = (name: string) => page.getByRole('form', { name, exact: true });
  await form('Name').getByLabel('Your name, as others read it').fill('Dee Quayle');
  await form('Name').getByRole('button', { name: 'Change the name' }).click();
  await expect(page.getByText('The name is changed')).toBeVisible();
  await form('Password').getByLabel('Old password').fill('not the one I have');
  await form('Password').getByLabel('New password').fill('another oriel 2718 lintel');
  await form('Password').getByRole('button', { name: 'Change the password' }).click();
  await expect(page.getByText('That is not your password')).toBeVisible();
  const places = page.getByRole('region', { name: 'Where you are signed in' }).getByRole('listitem');
  await expect(places).toHaveCount(2);
  await places.filter({ hasNotText: 'here, now' }).getByRole('button', { name: 'Sign out' }).click();
  await expect(places).toHaveCount(1);
  expect((await elsewhere.request.get('/api/account')).status()).toBe(401);
  await page.getByRole('button', { name: 'Sign out everywhere' }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  // Forgotten: a link in the outbox, once.
  await page.getByText('I forgot my password').click();
  await page.getByLabel('E-mail of your account').fill(email);
  await page.getByRole('button', { name: 'Send a link' }).click();
  await expect(page.getByText('a link is on its way')).toBeVisible();
  const link = await mailedLink(page, email);
  await page.goto(link);
  await page.getByLabel('New password').fill('another oriel 2718 lintel');
  expect(page.url()).not.toContain('#');
  await page.getByRole('button', { name: 'Set the password' }).click();
  await expect(page.getByText('The password is changed')).toBeVisible();
  await page.getByRole('link', { name: 'Sign in' }).last().click();
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill('another oriel 2718 lintel');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('Dee Quayle')).toBeVisible();
  // The account is deleted; nobody signs in to it again.
  await page.goto('/account');
  await form('Delete the account').getByLabel('Password, to delete it').fill('another oriel 2718 lintel');
  await form('Delete the account').getByRole('button', { name: 'Delete my account' }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill('another oriel 2718 lintel');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert').filter({ hasText: /\w/ })).toBeVisible();
  await Promise.all([context, elsewhere].map((each) => each.close()));
});

test('a project is set up, archived, copied, taken out as one file and brought in again', async ({ page, browser }) => {
  const { context } = await newAccount(browser, 'Orla Marsh');
  const own = await context.newPage();
  const id = await makeProject(own.request, 'Quay house', FURNISHED);
  await own.goto(`/projects/${id}/settings`);
  expect(await seriousFaults(own)).toEqual([]);
  await own.getByLabel('Name', { exact: true }).fill('Quay house two');
  await own.getByLabel('Units people begin with').selectOption('imperial');
  await own.getByLabel('Who may invite').selectOption('designers');
  await own.getByRole('button', { name: 'Save' }).click();
  await expect(own.getByText('Saved', { exact: true })).toBeVisible();
  await openProject(own, id);
  await expect(own.getByRole('heading', { name: 'Quay house two' })).toBeVisible();
  await expect(own.getByRole('button', { name: 'ft in' })).toHaveAttribute('aria-pressed', 'true');
  // Archived, it can be looked at and not changed; out of the archive it goes on.
  await own.goto('/');
  await own.getByRole('button', { name: 'What to do with Quay house two' }).click();
  await own.getByRole('menuitem', { name: 'Archive' }).click();
  await expect(own.getByText('Quay house two is archived')).toBeVisible();
  const refused = await own.request.post(`/api/projects/${id}/commands`, {
    data: { commandId: randomUUID(), command: 'project.start', input: { name: 'No' } },
  });
  expect([refused.status(), await refused.json()]).toMatchObject([423, { archived: true }]);
  await own.getByText('Archived (1)').click();
  await own.getByRole('button', { name: 'What to do with Quay house two' }).click();
  await own.getByRole('menuitem', { name: 'Take out of the archive' }).click();
  await expect(own.getByText('Quay house two is out of the archive')).toBeVisible();
  // A copy, and the whole as one file.
  await own.getByRole('button', { name: 'What to do with Quay house two' }).click();
  await own.getByRole('menuitem', { name: 'Copy' }).click();
  await own.getByRole('dialog').getByRole('button', { name: 'Copy', exact: true }).click();
  await expect(own.getByRole('link', { name: 'Quay house two, copy' })).toBeVisible();
  const file = await own.request.get(`/api/projects/${id}/file`);
  expect(file.headers()['content-disposition']).toContain('quay-house-two.spine.zip');
  await own
    .getByLabel('A project or framework file')
    .setInputFiles({ name: 'quay.spine.zip', mimeType: 'application/zip', buffer: await file.body() });
  await expect(own.getByRole('tab', { name: 'Plan' })).toBeVisible();
  const brought = own.url().split('/').at(-1)!;
  expect(brought).not.toBe(id);
  const records = async (of: string) =>
    ((await (await own.request.get(`/api/projects/${of}/framework`)).json()) as { records: object }).records;
  expect(await records(brought)).toEqual(await records(id));
  // A stranger gets nothing of it.
  await enterAs(page, 'viewer');
  expect((await page.request.get(`/api/projects/${id}/file`)).status()).toBe(404);
  await own.goto('/');
  await own.getByLabel('A project or framework file').setInputFiles({
    name: 'broken.spine.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from('PK\u0003\u0004broken'),
  });
  await expect(own.getByRole('alert').filter({ hasText: 'no project file, or it is damaged' })).toBeVisible();
  await context.close();
});

test('the list can be used with one project, with twenty and with five hundred', async ({ browser }) => {
  const { context, email } = await newAccount(browser, 'Dee Quay');
  const page = await context.newPage();
  await page.goto('/');
  const rows = page
    .getByRole('region', { name: 'Your projects' })
    .getByRole('listitem')
    .filter({ has: page.locator('a') });
  await makeProject(page.request, 'First');
  for (const [from, to] of [
    [1, 20],
    [20, 500],
  ] as const) {
    await query(
      `with made as (insert into project (id, name) select gen_random_uuid(), 'Project ' || n from generate_series($2::int, $3::int) as n returning id)
       insert into membership (project_id, user_id, role) select id, (select id from "user" where email = $1), 'owner' from made`,
      [email, from, to - 1],
    );
    await page.goto('/');
    await expect(rows).toHaveCount(to);
  }
  await page.getByLabel('Find').fill('project 437');
  await expect(rows).toHaveCount(1);
  await expect(page.getByRole('link', { name: 'Project 437' })).toBeVisible();
  await page.getByLabel('Find').fill('');
  await page.getByLabel('Sorted by').selectOption('name');
  await expect(rows.first().getByRole('link')).toHaveText('First');
  await expect(rows.nth(2).getByRole('link')).toHaveText('Project 2');
  await page.getByLabel('Find').fill('project 43');
  expect(await seriousFaults(page)).toEqual([]);
  await context.close();
});

test('the pages about people hold for keyboards and screen readers', async ({ page }) => {
  await enterByDoor(page, 'owner');
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('link', { name: /Tidewater Yard/ }).click();
  await page.getByTitle('People of this project').click();
  await expect(page.getByRole('heading', { name: 'People of Tidewater Yard' })).toBeVisible();
  for (const name of ['Ada Vale', 'Sten Ekko', 'Mira Solano', 'Tor Brandt', 'Vera Quill'])
    await expect(page.getByLabel(`Role of ${name}`)).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  await page.goto('/outbox');
  expect(await seriousFaults(page)).toEqual([]);
  await page.goto('/join#nothing');
  await expect(page.getByRole('alert').filter({ hasText: 'leads nowhere' })).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  await page.goto('/password');
  expect(await seriousFaults(page)).toEqual([]);
});
