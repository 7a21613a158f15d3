import { expect, test, type Locator, type Page } from '@playwright/test';
import type { Step } from '@/core/commands/command-inputs';
import { downloadReport, enterAs, makeProject, openProject, untilSaved } from './project';

test.beforeEach(async ({ page }) => enterAs(page, 'designer'));

const choose = async (page: Page, level: string, name: string): Promise<void> => {
  const button = page.getByRole('button', { name, exact: true }).first();
  if (!(await button.isVisible())) await page.getByText(`On level ${level}`).click();
  await button.click();
};

const commit = async (page: Page | Locator, label: string, text: string) => {
  await page.getByLabel(label, { exact: true }).fill(text);
  await page.getByLabel(label, { exact: true }).press('Enter');
};

const HOUSE: Step[] = [
  ['dimensions.define', { name: 'wide', value: '2.4m' }],
  ['levels.setUp', { above: '3@3m' }],
  ['grids.add', { baysA: '2@6000', baysB: '6000' }],
  ['floors.add', { name: 'Plate', outline: { type: 'gridOffset', offsetMm: 400 } }],
  [
    'walls.add',
    {
      name: 'W',
      type: { name: 'T', layers: [{ name: 'block', thicknessMm: 200, core: true }] },
      points: [
        { xMm: 0, yMm: 3000 },
        { xMm: 12_000, yMm: 3000 },
      ],
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
  ['walls.addOpening', { wall: 'W', opening: 'door', name: 'D9', alongMm: 1000 }],
  [
    'shafts.add',
    {
      name: 'S1',
      outline: { type: 'rectangle', place: 'A-1 + 1000,3500', widthMm: 'wide', depthMm: 1500 },
      startsAt: { level: '00' },
    },
  ],
  [
    'floors.except',
    {
      floor: 'Plate',
      level: '01',
      voids: [
        {
          type: 'polygon',
          points: [
            { xMm: 8000, yMm: 500 },
            { xMm: 10_000, yMm: 500 },
            { xMm: 10_000, yMm: 2500 },
            { xMm: 8000, yMm: 2500 },
          ],
        },
      ],
    },
  ],
];

test('a wall’s path and its door’s place, size and storeys are changed in Details', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Fields of a wall', HOUSE));
  await choose(page, '00', 'W');
  await page.getByText('Corners of its path: 2').click();
  await commit(page, 'Corner 2, x', '11.4m');
  await page.getByRole('button', { name: 'Another corner after 1' }).click();
  await expect(page.getByLabel('Corner 2, x')).toHaveValue('5700');
  await commit(page, 'Corner 2, y', '4000');
  await commit(page, 'Path, from', 'A-1 + 0,200');
  await page.getByLabel('Openings of this wall').locator('summary').click();
  const door = page.getByRole('group', { name: 'Fields of D9' });
  await commit(door, 'From the wall’s start', '2000');
  await commit(door, 'Wide', '900');
  await door.getByLabel('Hung on', { exact: true }).selectOption('the right');
  await door.getByLabel('In', { exact: true }).selectOption('some storeys');
  await door.getByLabel('In: which').getByLabel('02').click();
  await expect(door.getByLabel('In: which').getByLabel('02')).toBeChecked();
  // What cannot be is refused under its field, and the wall stays.
  await commit(door, 'From the wall’s start', '5500');
  await expect(page.getByText(/past an end or over a corner/)).toBeVisible();
  await door.getByLabel('From the wall’s start', { exact: true }).press('Escape');
  await untilSaved(page);
  await page.reload();
  const { walls } = await downloadReport(page);
  const here = walls.filter(({ name }) => name === 'W');
  expect(here.map(({ level }) => level)).toEqual(['00', '01', '02']);
  expect(here.map(({ openings }) => openings.length)).toEqual([1, 0, 1]);
  await choose(page, '00', 'W');
  await expect(page.getByLabel('Path, from')).toHaveValue('A-1 + 0,200');
  await expect(page.getByLabel('Openings of this wall')).toContainText('900 × 2110 at 2000');
});

test('a shaft’s place is changed in Details, and a size keeps the name it was typed with', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Fields of a shaft', HOUSE));
  await choose(page, '00', 'S1');
  await commit(page, 'Outline, from', 'A-2 + 500,3500');
  await commit(page, 'Depth', '1800');
  // In a field whose text was taken, taking back takes back the change; typed text is the field's own.
  const depth = page.getByLabel('Depth', { exact: true });
  await depth.press('Control+z');
  await expect(depth).toHaveValue('1500');
  await depth.press('Control+Shift+z');
  await expect(depth).toHaveValue('1800');
  await depth.fill('17');
  await depth.press('Control+z');
  await depth.press('Escape');
  await expect(depth).toHaveValue('1800');
  await untilSaved(page);
  // Its width is still the named one: it follows.
  await page.getByRole('button', { name: 'Dimensions' }).click();
  await commit(page.getByRole('dialog'), 'wide', '3m');
  await page.keyboard.press('Escape');
  await expect(page.getByLabel('Width', { exact: true })).toHaveValue('3000');
  await expect(page.getByLabel('Outline, from')).toHaveValue('A-2 + 500,3500');
});

test('a void’s corners are changed in Details, and it is closed again', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Fields of a void', HOUSE));
  const areaM2 = async () => (await downloadReport(page)).floors.find(({ level }) => level === '01')!.areaM2;
  const before = await areaM2();
  await page.getByRole('button', { name: /^Level 01/ }).click();
  await choose(page, '01', 'Plate');
  await page.getByText('Void 1, corners: 4').click();
  await commit(page, 'Corner 3, x', '9000');
  await untilSaved(page);
  // The void was 2 × 2 m; with a corner moved in by a metre it has a square metre less.
  expect((await areaM2()) - before).toBeCloseTo(1, 6);
  await page.getByRole('button', { name: 'Close void 1' }).click();
  await expect(page.getByText('Void 1, corners: 4')).toBeHidden();
  await untilSaved(page);
  expect((await areaM2()) - before).toBeCloseTo(4, 6);
});

test('a boundary line and the levels a floor serves are changed in Details', async ({ page }) => {
  const points = [
    { xMm: 0, yMm: 1000 },
    { xMm: 5000, yMm: 1000 },
  ];
  const id = await makeProject(page.request, 'Fields of levels', [
    ...HOUSE,
    ['rooms.addBoundary', { level: '00', points }],
  ]);
  await openProject(page, id);
  await choose(page, '00', 'Boundary 1');
  await expect(page.getByRole('heading', { name: 'Boundary line', exact: true })).toBeVisible();
  await page.getByText('Corners: 2').click();
  await commit(page, 'Corner 2, x', '4000');
  await page.getByLabel('At level', { exact: true }).selectOption('01');
  await expect(page.getByText('Divides the rooms of level 01 without a wall.')).toBeVisible();
  await choose(page, '00', 'Plate');
  await page.getByLabel('Levels', { exact: true }).selectOption('some, one by one');
  // What is shown is what was worked out: a moment later than the press.
  await page.getByLabel('Levels one by one').getByLabel('RF').click();
  await expect(page.getByLabel('Levels one by one').getByLabel('RF')).not.toBeChecked();
  await untilSaved(page);
  await page.reload();
  const levels = (await downloadReport(page)).floors.filter(({ name }) => name === 'Plate').map(({ level }) => level);
  expect(levels.sort()).toEqual(['00', '01', '02']);
});
