import { expect, test } from '@playwright/test';
import { enterAs, FURNISHED, makeProject, openProject, openStep, query } from './project';

const DRAWINGS: [string, RegExp][] = [
  ['binary-noise.dxf', /not a DXF drawing|damaged/],
  ['empty.dxf', /empty/],
  ['not-a-number.dxf', /line 2216: "NaN" is not a number/],
  ['overflow.dxf', /lies nowhere/],
  ['truncated.dxf', /cut off/],
  ['future.spine.json', /not a DXF drawing/],
];

test('files that are damaged give a clear message and change nothing', async ({ page }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Bad files', FURNISHED);
  const headSeq = async () =>
    (await query<{ head_seq: string }>('select head_seq from project where id = $1', [id]))[0]!.head_seq;
  const before = await headSeq();
  await openProject(page, id);
  await openStep(page, 'Grids');
  for (const [file, says] of DRAWINGS) {
    await page
      .getByLabel('Take a grid from a drawing (DXF, IFC)')
      .last()
      .setInputFiles(`e2e/fixtures/malformed/${file}`);
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Take this grid' })).toBeHidden();
  }
  await openStep(page, 'Levels');
  await page
    .getByLabel('Take a level table (CSV, XLSX, IFC)')
    .last()
    .setInputFiles('e2e/fixtures/malformed/levels.csv');
  await expect(page.getByRole('alert').filter({ hasText: 'Rows 2 and 3 both name level A' })).toBeVisible();
  expect(await headSeq()).toBe(before);
});

test('a drawing without units asks for them and is understood once they are said', async ({ page }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Old drawing', [['levels.setUp', { above: '2@4m' }]]);
  await openProject(page, id);
  await openStep(page, 'Grids');
  await page
    .getByLabel('Take a grid from a drawing (DXF, IFC)')
    .last()
    .setInputFiles('e2e/fixtures/old-grid-inches-r12.dxf');
  await expect(page.getByRole('alert').filter({ hasText: 'does not say its unit' })).toBeVisible();
  await page.getByLabel('Lengths in the file').selectOption('inch');
  await expect(page.getByText('5 × 5 lines understood, in inch')).toBeVisible();
  await expect(page.getByText('2@6705.6 8077.2 2438.4')).toBeVisible();
  await expect(page.getByText(/counted from the top/)).toBeVisible();
  await page.getByRole('button', { name: 'Take this grid' }).click();
  await expect(page.getByRole('navigation', { name: 'Work path' })).toContainText('10 lines');
});
