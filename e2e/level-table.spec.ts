import { expect, test, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { downloadReport, enterAs, FURNISHED, makeProject, openProject, openStep, untilSaved } from './project';

const cell = (page: Page, column: string, level: string) =>
  page.getByLabel(`${column} of level ${level}`, { exact: true });

/** Pastes a text at the cell that has the focus, as from a spreadsheet. */
const pasteText = (page: Page, text: string) =>
  page.evaluate((pasted) => {
    const data = new DataTransfer();
    data.setData('text/plain', pasted);
    document.activeElement!.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  }, text);

test.beforeEach(async ({ page }) => enterAs(page, 'designer'));

test('levels are typed in a table, pasted from a spreadsheet in one act, taken from the cell above, and undone', async ({
  page,
}) => {
  await openProject(page, await makeProject(page.request, 'Table', FURNISHED));
  await page.getByRole('tab', { name: 'Schedules' }).click();
  await cell(page, 'Floor to floor', '00').fill('6m');
  await cell(page, 'Floor to floor', '00').press('Enter');
  await expect(cell(page, 'FFL', '01')).toHaveValue('6000');
  await cell(page, 'Use', '04').focus();
  await pasteText(page, 'Rooms\tstorey\t\t3600\nRooms\tplant\t\t3700\nGallery');
  await untilSaved(page);
  await cell(page, 'Build-up', '03').fill('80');
  await cell(page, 'Build-up', '03').press('Enter');
  await cell(page, 'Build-up', '02').press('Control+d');
  await untilSaved(page);
  const report = await downloadReport(page);
  const level = (name: string) => report.levels.find((each) => each.name === name)!;
  expect(level('04')).toMatchObject({ title: 'Rooms', storeyHeightMm: 3600 });
  expect(level('03')).toMatchObject({
    title: 'Rooms',
    kind: 'plant',
    storeyHeightMm: 3700,
    fflMm: 15600,
    sslMm: 15520,
  });
  expect(level('02')).toMatchObject({ title: 'Gallery', sslMm: 10720 });
  expect(level('RF').fflMm).toBe(26200);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await page.getByRole('button', { name: /^Undo: 1 level edited/ }).click();
  await page.getByRole('button', { name: /^Undo: 3 levels edited/ }).click();
  await expect(cell(page, 'Use', '04')).toHaveValue('');
});

test('a cell that cannot be read says so and changes nothing; a paste with one bad cell neither', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Bad cell', FURNISHED));
  await page.getByRole('tab', { name: 'Schedules' }).click();
  await cell(page, 'FFL', '01').fill('up');
  await cell(page, 'FFL', '01').press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'no dimension named "up"' })).toBeVisible();
  await page.keyboard.press('Escape');
  await cell(page, 'FFL', '02').focus();
  await pasteText(page, '10300\n5500x');
  await expect(page.getByRole('alert').filter({ hasText: /FFL, "5500x"/ })).toBeVisible();
  const report = await downloadReport(page);
  expect(report.levels.find(({ name }) => name === '02')!.fflMm).toBe(10200);
});

test('several levels are inserted with what would change listed first, and the table goes out as a workbook', async ({
  page,
}) => {
  await openProject(page, await makeProject(page.request, 'Several', FURNISHED));
  await page.getByRole('button', { name: /^Level 02/ }).click();
  await openStep(page, 'Levels');
  await page.getByLabel('Heights', { exact: true }).fill('2@3.6m');
  await expect(page.getByRole('list', { name: 'What would change' })).toContainText('new +15.000');
  await page.getByRole('button', { name: 'Insert them' }).click();
  await expect(page.getByRole('button', { name: /^Elevation of level RF, \+32.100/ })).toBeVisible();
  await page.getByLabel('Several at once').selectOption('renumber');
  await page.getByRole('button', { name: 'Name 5 levels anew' }).click();
  await expect(page.getByRole('button', { name: /^Elevation of level 06, \+25.500/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Schedules' }).click();
  const [workbook] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Download XLSX' }).click(),
  ]);
  expect((await readFile(await workbook.path())).subarray(0, 2).toString()).toBe('PK');
});
