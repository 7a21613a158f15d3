import { expect, test, type Page } from '@playwright/test';
import type { Step } from '@/core/commands/command-inputs';
import { downloadReport, downloadText, enterAs, makeProject, openProject, openStep, untilSaved } from './project';

const PLATE = { type: 'rectangle', place: '0,0', widthMm: 30_000, depthMm: 20_000 } as const;
const details = (page: Page) => page.getByRole('complementary', { name: 'Details' });

test.beforeEach(async ({ page }) => enterAs(page, 'designer'));

test('a rule set is copied, a limit of it changed with its source, and a stair measured against it', async ({
  page,
}) => {
  await openProject(
    page,
    await makeProject(page.request, 'Own rules', [
      ['levels.setUp', { above: '2@3m' }],
      ['floors.add', { outline: PLATE }],
      ['stairs.add', { name: 'ST1', begin: { place: '4000,4000' }, rules: 'general' }],
    ]),
  );
  await page.getByText(/^On level/).click();
  await page.getByRole('button', { name: 'ST1', exact: true }).click();
  await details(page).getByRole('button', { name: 'Rule sets…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Rule sets' });
  await expect(
    dialog.getByText('It comes with the program and stays as it is. Copy it to change a limit.'),
  ).toBeVisible();
  await dialog.getByLabel('Name of a copy').fill('House rules');
  await page.keyboard.press('Enter');
  await expect(dialog.getByText(/Copied from “General access, public guidance”; 0 limits differ/)).toBeVisible();
  // Nothing is changed without saying where it comes from.
  const riser = dialog.getByLabel('Step riser, most');
  await riser.fill('160');
  await riser.press('Enter');
  await expect(dialog.getByRole('alert')).toHaveText('Say above where it comes from');
  await dialog.getByLabel('Limits you change now come from').fill('Brief, page 4');
  await riser.press('Enter');
  await expect(dialog.getByRole('row', { name: /^Step riser, most 160 mm Brief, page 4/ })).toBeVisible();
  await expect(dialog.getByText(/; 1 limit differs/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();
  await details(page).getByLabel('Rule set', { exact: true }).selectOption({ label: 'House rules' });
  await untilSaved(page);
  // 3 m in risers of at most 160: 19.
  const { stairs } = await downloadReport(page);
  expect(stairs.map(({ risers }) => risers)).toEqual([19, 19]);
});

test('ways out are told level by level, and a room shows its own in the plan', async ({ page }) => {
  const wall = (
    name: string,
    points: number[][],
    more: { use?: 'exterior'; closed?: true; on?: 'outside' } = {},
  ): Step => [
    'walls.add',
    {
      name,
      type: 'I',
      points: points.map(([x, y]) => ({ xMm: x!, yMm: y! })),
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
      ...more,
    },
  ];
  await openProject(
    page,
    await makeProject(page.request, 'Out', [
      ['levels.setUp', { above: '3@3m' }],
      ['floors.add', { outline: PLATE }],
      ['walls.defineType', { name: 'I', layers: [{ name: 'block', thicknessMm: 200, core: true }] }],
      wall(
        'E',
        [
          [0, 0],
          [30_000, 0],
          [30_000, 20_000],
          [0, 20_000],
        ],
        { use: 'exterior', closed: true, on: 'outside' },
      ),
      wall('P', [
        [200, 9000],
        [29_800, 9000],
      ]),
      ['walls.addOpening', { wall: 'P', opening: 'door', alongMm: 14_000, widthMm: 900 }],
      ['walls.addOpening', { wall: 'E', opening: 'door', alongMm: 3000, widthMm: 1000, at: ['00'] }],
      ['stairs.add', { name: 'ST1', well: { type: 'rectangle', place: '2000,11000', widthMm: 2600, depthMm: 5600 } }],
      ['rooms.add', { level: '00', place: '20000,4000', name: 'South', use: 'office' }],
    ]),
  );
  await openStep(page, 'Stairs');
  await page.getByRole('region', { name: 'Stairs tools' }).getByRole('button', { name: 'Ways out' }).click();
  const table = page.getByRole('table', { name: 'Ways out by levels' });
  await expect(table.getByRole('row', { name: /^02 ST1/ })).toBeVisible();
  await expect(table.getByRole('row', { name: /^00 1 door out/ })).toBeVisible();
  await table.getByRole('rowheader', { name: '02' }).click();
  const rooms = page.getByRole('list', { name: 'Rooms of this level by travel' });
  const south = rooms.getByRole('button', { name: /South .* to stair ST1/ });
  await expect(south).toBeVisible();
  await south.click();
  await expect(south).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText(/South: \d+ to stair ST1/)).toBeVisible();
  await untilSaved(page);
  const report = await downloadReport(page);
  const told = report.waysOut.find(({ level }) => level === '02')!;
  expect(told.stairs).toEqual([{ name: 'ST1', to: '00', onBy: null, widthMm: 1250 }]);
  expect(told.travelMm!).toBeGreaterThan(20_000);
});

test('a lift says what it asks of its shaft, what is missing is found and mended', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Lift', [
      ['levels.setUp', { above: '3@3m' }],
      ['floors.add', { outline: PLATE }],
      [
        'shafts.add',
        {
          name: 'L1',
          purpose: 'lift',
          outline: { type: 'rectangle', place: '5000,5000', widthMm: 2000, depthMm: 2200 },
        },
      ],
    ]),
  );
  await page.getByText(/^On level/).click();
  await page.getByRole('button', { name: 'L1', exact: true }).click();
  const panel = details(page);
  await panel.getByRole('button', { name: 'Say what lift it holds' }).click();
  await expect(panel.getByText(/its pit is 1400 mm deep/)).toBeVisible();
  await panel.getByRole('button', { name: 'Let the shaft reach the pit' }).first().click();
  await expect(panel.getByText(/its pit is 1400 mm deep/)).toHaveCount(0);
  await panel.getByLabel('Persons').fill('13');
  await page.keyboard.press('Enter');
  await untilSaved(page);
  const { shafts } = await downloadReport(page);
  expect(shafts[0]!.lift).toMatchObject({ persons: 13, pitMm: 1400, stops: ['00', '01', '02'] });
  expect(shafts[0]!.bottomMm).toBe(-1400);
  expect(await downloadText(page, 'Download IFC4')).toMatch(/IFCTRANSPORTELEMENT\(.*ELEVATOR/);
});

test('a core is asked for, shown in its arrangements, and one is built with all it holds', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Core', [
      ['levels.setUp', { above: '4@3.3m' }],
      ['floors.add', { outline: PLATE }],
    ]),
  );
  await openStep(page, 'Shafts');
  const tool = page.getByRole('region', { name: 'Shafts tools' });
  await tool.getByRole('button', { name: 'Core', exact: true }).click();
  await tool.getByLabel('Corner at').fill('8000,5000');
  await tool.getByLabel('Width', { exact: true }).fill('6000');
  await tool.getByLabel('Depth', { exact: true }).fill('6000');
  await expect(tool.getByText(/does not fit into 6000 mm by 6000 mm\. With a core .* it does/)).toBeVisible();
  await tool.getByRole('button', { name: /^Make it \d+ by \d+$/ }).click();
  const arrangements = tool.getByRole('group', { name: 'Arrangements, the best first' });
  await expect(arrangements.getByRole('button', { name: 'Arrangement 1', exact: true })).toBeVisible();
  await tool.getByRole('button', { name: 'Build this core' }).click();
  await untilSaved(page);
  const { stairs, shafts, findings, walls } = await downloadReport(page);
  expect(new Set(stairs.map(({ name }) => name)).size).toBe(2);
  expect(stairs.every(({ verdict }) => verdict === 'ok')).toBe(true);
  expect(shafts.map(({ purpose }) => purpose)).toEqual(['lift', 'lift']);
  expect(walls.length).toBeGreaterThan(4);
  expect(findings.filter(({ rule }) => /^(lift|stair|shaft|wall)\./.test(rule))).toEqual([]);
});
