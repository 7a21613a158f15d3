import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import config from '../playwright.config.ts';
import { ROOT } from './ensure-packages.mjs';
import { say } from './say.mjs';

/** Takes the pictures in docs/screenshots from the demo of a running `npm start`, at 1280 × 800. */
const URL = process.env.APP_URL ?? 'http://127.0.0.1:3000';
const FOLDER = join(ROOT, 'docs/screenshots');

mkdirSync(FOLDER, { recursive: true });
const browser = await chromium.launch(config.use.launchOptions);
const page = await browser.newPage({ baseURL: URL, viewport: { width: 1280, height: 800 } });
// The first steps are shown once, with the plan.
await page.addInitScript(() => localStorage.setItem('spine-first-run', '5'));
const take = async (name) => {
  await page.waitForTimeout(700);
  await page.screenshot({ path: join(FOLDER, `${name}.png`) });
  say(`${name}.png`);
};
const step = (name) =>
  page
    .getByRole('navigation', { name: 'Work path' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();
const level = (name) => page.getByRole('button', { name: new RegExp(`^Level ${name}`) }).click();

await page.goto('/');
await take('sign-in');
const enter = async (part) => {
  await page.goto('/');
  await page.getByRole('button', { name: `Enter as ${part}` }).click();
  await page.getByRole('heading', { name: 'Projects' }).waitFor();
};
await enter('owner');
await page.getByText('Hall house 17 levels').waitFor();
await take('projects');
const project = await page.getByRole('link', { name: /Tidewater Yard/ }).getAttribute('href');
await page.goto(`${project}/people`);
await page.getByText('What each may do').waitFor();
await take('people');
await page.goto('/account');
await take('account');
await page.context().clearCookies();
await enter('designer');
await page.getByRole('link', { name: /Tidewater Yard/ }).click();
await page.getByRole('tab', { name: 'Plan' }).waitFor();
await level('02');
await page.getByText('On level 02').click();
await page.getByRole('button', { name: 'D-2', exact: true }).click();
await page.getByText('On level 02').click();
await take('plan');
await step('Grids');
await take('grids');
await step('Columns');
await page.getByRole('button', { name: 'All lines' }).click();
await take('columns');
await page.getByRole('button', { name: 'Close the Columns tools' }).click();
await level('03');
await page.getByText('On level 03').click();
await page.getByRole('button', { name: 'ST1', exact: true }).click();
await page.getByText('On level 03').click();
await page.getByRole('heading', { name: /ST1/ }).scrollIntoViewIfNeeded();
await take('stair');
await step('Stairs');
await page.getByRole('button', { name: 'Ways out' }).click();
await page.getByRole('list', { name: 'Rooms of this level by travel' }).getByRole('button').first().waitFor();
await take('ways-out');
await page.getByRole('button', { name: 'Stairs', exact: true }).first().click();
await page.getByRole('button', { name: 'Close the Stairs tools' }).click();
await page.getByRole('tab', { name: 'Carry board' }).click();
await page.getByRole('button', { name: 'by core' }).click();
await page.getByRole('button', { name: 'Choose Ex' }).click();
await take('carry-board');
await page.getByRole('tab', { name: 'Plan' }).click();
await step('Checks');
await page
  .getByRole('button', { name: /^Wrong/ })
  .first()
  .click();
await take('checks');
await step('Hand over');
await take('hand-over');
await page.getByRole('button', { name: 'Close the Hand over tools' }).click();
await level('02');
await page.getByRole('tab', { name: '3D' }).click();
await page.waitForTimeout(3000);
await take('model');
await page.getByRole('tab', { name: 'Section' }).click();
await page.getByLabel('What is drawn').selectOption({ label: 'Section along C' });
await take('section');
await page.getByRole('tab', { name: 'Schedules' }).click();
await take('levels-table');
await page.getByRole('tab', { name: 'Plan' }).click();
await page.getByRole('combobox', { name: 'Quick entry' }).fill('columns at A-E x 3-4 round 550');
await take('quick-entry');
await page.keyboard.press('Escape');
await page.getByRole('button', { name: 'ft in' }).click();
await take('imperial');
await page.getByRole('button', { name: 'mm', exact: true }).click();
await page.getByLabel('Building', { exact: true }).selectOption({ label: 'Annex' });
await step('Walls');
await page.getByRole('button', { name: 'Rooms', exact: true }).first().click();
await take('rooms');
await page.goto('/');
await page.getByRole('textbox', { name: 'New project' }).fill('Pier house');
await page.getByRole('button', { name: 'Start and set up' }).click();
await page.getByRole('heading', { name: 'Set up the levels' }).waitFor();
await take('set-up');
await browser.close();
