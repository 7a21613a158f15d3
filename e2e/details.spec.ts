import { expect, test, type Page } from '@playwright/test';
import { downloadReport, enterAs, FURNISHED, makeProject, openProject, openStep, send, untilSaved } from './project';

test.beforeEach(async ({ page }) => enterAs(page, 'designer'));

/** Chooses something of the current level by its name, as with keyboard or screen reader. */
async function choose(page: Page, level: string, name: string): Promise<void> {
  const list = page.getByText(`On level ${level}`);
  if (!(await page.getByRole('button', { name, exact: true }).first().isVisible())) await list.click();
  await page.getByRole('button', { name, exact: true }).first().click();
}

const commit = async (page: Page, label: string, text: string) => {
  await page.getByLabel(label, { exact: true }).fill(text);
  await page.getByLabel(label, { exact: true }).press('Enter');
};

test('the engineer’s columns are laid over our grid, shown before they are taken, and stand where they were drawn', async ({
  page,
}) => {
  await openProject(
    page,
    await makeProject(page.request, 'Engineer', [
      ['levels.setUp', { above: '3@4m' }],
      ['grids.add', { baysA: '2@7200 3600 3@7200', baysB: '6600 2@7800 6600' }],
    ]),
  );
  await openStep(page, 'Columns');
  await page
    .getByLabel('Take columns from a drawing (DXF, IFC)')
    .last()
    .setInputFiles('e2e/fixtures/structure-columns-site-m.dxf');
  await expect(page.getByText('35 columns understood, in m')).toBeVisible();
  await expect(page.getByText(/laid over the grid by lines 1 and A/)).toBeVisible();
  await expect(page.getByText('35 columns, not taken yet')).toBeVisible();
  await page.getByRole('button', { name: 'Take these columns' }).click();
  const report = await downloadReport(page);
  const at = (mark: string) => report.columns.find(({ stack }) => stack === mark)!;
  expect(new Set(report.columns.map(({ stack }) => stack)).size).toBe(35);
  expect(at('A-6').xMm).toBeCloseTo(32475, 1);
  expect(at('D-1').section).toBe('650 × 650');
  expect(at('B-3').section).toBe('⌀550');
  expect(report.columns.some(({ stack }) => stack === 'C-6')).toBe(false);
  expect([at('X1').xMm, at('X1').yMm].map(Math.round)).toEqual([3600, 3300]);
  // Taken a second time it is compared with what stands: the same are left, what differs is asked about.
  const id = page.url().split('/').at(-1)!;
  await openStep(page, 'Columns');
  const again = () =>
    page
      .getByLabel('Take columns from a drawing (DXF, IFC)')
      .last()
      .setInputFiles('e2e/fixtures/structure-columns-site-m.dxf');
  await again();
  await expect(page.getByText('35 stand there already.')).toBeVisible();
  await page.getByRole('button', { name: 'Take these columns' }).click();
  await expect(page.getByText('All 35 columns stand there already')).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await send(page.request, id, 'columns.change', {
    column: 'B-3',
    section: { shape: 'rectangle', widthMm: 300, depthMm: 300 },
  });
  await again();
  await expect(page.getByText('34 stand there already, 1 has another section.')).toBeVisible();
  await page.getByRole('button', { name: 'Take these columns' }).click();
  await expect(page.getByText(/Say what becomes of those that differ/)).toBeVisible();
  await page.getByLabel('Those that differ').selectOption('follow the drawing');
  await page.getByRole('button', { name: 'Take these columns' }).click();
  await untilSaved(page);
  const taken = await downloadReport(page);
  expect(new Set(taken.columns.map(({ stack }) => stack)).size).toBe(35);
  expect(taken.columns.find(({ stack }) => stack === 'B-3')!.section).toBe('⌀550');
});

test('a column’s section, turn, ends and mark are changed in Details; a refusal leaves the old value', async ({
  page,
}) => {
  await openProject(page, await makeProject(page.request, 'Column', FURNISHED));
  await choose(page, '00', 'B-2');
  await expect(page.getByRole('heading', { name: 'Column stack B-2' })).toBeVisible();
  await commit(page, 'Section', 'round 21"');
  await expect(page.getByText('⌀533.4 concrete', { exact: false })).toBeVisible();
  await commit(page, 'Section', 'round 10');
  await expect(page.getByText(/must be at least 50/)).toBeVisible();
  await page.getByLabel('Section', { exact: true }).press('Escape');
  await page.getByLabel('Stops at: level').selectOption({ label: '03' });
  await page.getByLabel('Material', { exact: true }).selectOption('steel');
  await commit(page, 'Mark', 'K7');
  await untilSaved(page);
  const report = await downloadReport(page);
  const pieces = report.columns.filter(({ stack }) => stack === 'K7');
  expect(pieces.map(({ level }) => level)).toEqual(['B2', 'B1', '00', '01', '02']);
  expect(pieces[0]).toMatchObject({ section: '⌀533.4', xMm: 7200, yMm: 6600 });
});

test('a shaft’s ends and openings are changed in Details, and the slabs it cuts follow at once', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Shaft details', [
      ...FURNISHED,
      [
        'shafts.add',
        { name: 'S1', outline: { type: 'rectangle', place: 'A-2 + 1m,1m', widthMm: 2400, depthMm: 2700 } },
      ],
    ]),
  );
  await choose(page, '00', 'S1');
  await expect(page.getByText('Cuts 7 slabs:')).toBeVisible();
  await page.getByLabel('Goes out through the slab at its head').click();
  await expect(page.getByLabel('Goes out through the slab at its head')).toBeChecked();
  await expect(page.getByText('Cuts 8 slabs:')).toBeVisible();
  await page.getByLabel('Stops at: level').selectOption({ label: '02' });
  await page.getByLabel('Stops at: face').selectOption('FFL');
  await page.getByLabel('over it by (− under it)').last().fill('4400');
  await page.getByLabel('over it by (− under it)').last().press('Enter');
  await expect(page.getByText('Just misses the slab at 03 by 300')).toBeVisible();
  await expect(page.getByRole('button', { name: /Shaft S1 stops 300 mm short/ })).toBeVisible();
  await commit(page, 'Width', `8'-0"`);
  await untilSaved(page);
  await page.reload();
  const report = await downloadReport(page);
  expect(report.shafts[0]!.misses).toEqual([{ floor: 'Plate', level: '03', byMm: 300 }]);
  expect(report.floors.find(({ level }) => level === '01')!.areaM2).toBeCloseTo(25.8 * 15 - 2.4384 * 2.7, 3);
});
