import { expect, test, type Page } from '@playwright/test';
import type { Step } from '@/core/commands/command-inputs';
import { Hand, onPage } from './hand';
import { downloadReport, enterAs, makeProject, openProject, openStep, untilSaved } from './project';

test.beforeEach(async ({ page }) => enterAs(page, 'designer'));

const HOUSE: Step[] = [
  ['levels.setUp', { above: '2@3.2m' }],
  ['grids.add', { baysA: '2@6000', baysB: '9000' }],
];

const corners = (page: Page) => page.getByText(/^\d+ corners?, /).first();

test('a flat of six rooms with doors and windows is drawn by hand in few acts, to the millimetre', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'By hand', HOUSE));
  await openStep(page, 'Walls');
  const hand = new Hand(page);
  // The outside: one press, then lengths along held directions, closed on its first corner.
  await hand.press(0, 0);
  await expect(page.getByRole('textbox', { name: 'Path' })).toHaveValue('A-1');
  await hand.key('ArrowRight');
  await hand.type('12000');
  await hand.key('ArrowUp');
  await hand.type('9m');
  await hand.key('ArrowLeft');
  await hand.type('12000');
  await expect(page.getByRole('textbox', { name: 'Path' })).toHaveValue('A-1; 12000 e; 9000 n; 12000 w');
  await hand.press(0, 0);
  await expect(page.getByRole('textbox', { name: 'Path' })).toHaveValue(/close$/);
  await hand.key('Enter');
  await untilSaved(page);
  // Rooms: walls from the faces of the outside, and from the middles of the two along.
  await hand.choose(() =>
    page.getByRole('region', { name: 'Walls tools' }).getByLabel('For', { exact: true }).selectOption('interior'),
  );
  for (const [from, to] of [
    [
      [400, 3500],
      [11_600, 3500],
    ],
    [
      [400, 5500],
      [11_600, 5500],
    ],
    [
      [4000, 5500],
      [4000, 8600],
    ],
    [
      [8000, 5500],
      [8000, 8600],
    ],
    [
      [6000, 400],
      [6000, 3500],
    ],
  ] as const) {
    await hand.pressFree(from[0], from[1]);
    await expect(corners(page)).toContainText('1 corner');
    await hand.pressFree(to[0], to[1]);
    await expect(corners(page)).toContainText('2 corners');
    await hand.key('Enter');
    await untilSaved(page);
  }
  // Doors, in the walls they are pressed into; one just so far from its corner.
  await hand.choose(() => page.getByRole('button', { name: 'Doors & windows' }).click());
  const doors = page.getByRole('status').filter({ hasText: /^Door / });
  for (const [x, y] of [
    [2000, 3500],
    [9000, 3500],
    [2000, 5500],
    [6000, 5500],
    [10_000, 5500],
    [11_800, 4500],
  ] as const) {
    await hand.press(x, y);
    await expect(doors).toBeVisible();
    await untilSaved(page);
  }
  await hand.point(100, 4600);
  await hand.type('4000');
  await hand.choose(() => page.getByRole('button', { name: 'Window', exact: true }).click());
  for (const [x, y] of [
    [3000, 200],
    [9000, 200],
    [2000, 8800],
    [6000, 8800],
    [10_000, 8800],
  ] as const) {
    await hand.press(x, y);
    await untilSaved(page);
  }
  await page.getByRole('button', { name: 'Rooms', exact: true }).click();
  await expect(page.getByText('6 closed rooms here, 6 without a name')).toBeVisible();
  expect(hand.acts).toBeLessThanOrEqual(70);
  const report = await downloadReport(page);
  const openings = report.walls.flatMap((wall) => wall.openings);
  expect(openings.filter(({ kind }) => kind === 'door')).toHaveLength(7);
  expect(openings.filter(({ kind }) => kind === 'window')).toHaveLength(5);
  // Typed: 4000 from the corner at 9000, the door 1010 wide, in the outside wall at x 0 … 400.
  const typed = openings.find(({ xMm }) => xMm < 300)!;
  expect([typed.xMm, typed.yMm]).toEqual([200, 9000 - 4000 - 505]);
  // Two of 11200 from face to face and three of 3025 between faces; where they meet one or the other has the corner.
  const partitions = report.walls.filter(({ use }) => use === 'interior');
  const longMm = partitions.map(
    ({ grossVolumeM3, topMm, bottomMm }) => (grossVolumeM3 / 0.15 / (topMm - bottomMm)) * 1e6,
  );
  expect(partitions).toHaveLength(5);
  expect(Math.round(longMm.reduce((sum, mm) => sum + mm, 0))).toBe(2 * 11_200 + 3 * 3025);
});

test('the same by keyboard alone, in feet and inches: from a typed place, along arrows and directions', async ({
  page,
}) => {
  await openProject(page, await makeProject(page.request, 'By keys', HOUSE));
  await page.getByRole('button', { name: 'ft in' }).click();
  await openStep(page, 'Walls');
  await page.getByRole('img', { name: /^Plan of level/ }).focus();
  const hand = new Hand(page);
  await hand.type('0,0');
  await hand.key('ArrowRight');
  await hand.type("11'4");
  await hand.type("8'6", '90');
  await expect(page.getByRole('textbox', { name: 'Path' })).toHaveValue(`A-1; 11'-4" e; 8'-6" n`);
  // One back, and another in its place.
  await hand.key('Backspace');
  await expect(page.getByRole('textbox', { name: 'Path' })).toHaveValue(`A-1; 11'-4" e`);
  await hand.key('ArrowUp');
  await hand.type("8'");
  await hand.key('Enter');
  await untilSaved(page);
  const report = await downloadReport(page);
  expect(report.walls).toHaveLength(1);
  await page.keyboard.press('Control+z');
  await untilSaved(page);
  expect((await downloadReport(page)).walls).toHaveLength(0);
});

test('a wall’s corner and side are dragged, what hangs on it stays, and Esc gives up', async ({ page }) => {
  const id = await makeProject(page.request, 'Corners', [
    ...HOUSE,
    [
      'walls.add',
      {
        name: 'W1',
        type: { name: 'T', layers: [{ name: 'concrete', thicknessMm: 200, core: true }] },
        on: 'centre',
        points: [
          { xMm: 1000, yMm: 1000 },
          { xMm: 7000, yMm: 1000 },
          { xMm: 7000, yMm: 6000 },
        ],
        startsAt: { level: '00' },
      },
    ],
    ['walls.addOpening', { wall: 'W1', opening: 'door', name: 'D1', alongMm: 3000 }],
  ]);
  await openProject(page, id);
  const plan = page.getByRole('img', { name: /^Plan of level/ });
  await expect(plan.locator('path').first()).toBeVisible();
  const wall = await onPage(page, 2000, 1000);
  await page.mouse.click(wall.x, wall.y);
  const drag = async (handle: string, x: number, y: number, end: () => Promise<void>) => {
    const box = (await page.locator(handle).boundingBox())!;
    const to = await onPage(page, x, y);
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move((box.x + to.x) / 2, (box.y + to.y) / 2, { steps: 3 });
    await page.mouse.move(to.x, to.y, { steps: 3 });
    await end();
  };
  const shape = async () => {
    const path = page.getByText(/^Corners of its path/);
    await expect(path).toBeVisible();
    return page.locator('[data-corner]').count();
  };
  // Onto the crossing of B and 2.
  await drag('[data-corner="1"]', 6000, 9000, () => page.mouse.up());
  await untilSaved(page);
  expect(await shape()).toBe(3);
  await drag('[data-corner="0"]', 0, 0, async () => {
    await page.keyboard.press('Escape');
    await page.mouse.up();
  });
  await page.keyboard.press('Control+z');
  await untilSaved(page);
  await drag('[data-edge="1"]', 8500, 3500, () => page.mouse.up());
  await untilSaved(page);
  const report = await downloadReport(page);
  const [only] = report.walls;
  // The door stays where it is: 3000 along from 1000, 1010 wide.
  expect(only!.openings.map(({ xMm, yMm }) => [xMm, yMm])).toEqual([[4505, 1000]]);
  // 7500 and 5000 along the middle; the corner is counted once.
  const planMm2 = (only!.grossVolumeM3 * 1e9) / (only!.topMm - only!.bottomMm);
  expect(Math.round(planMm2 / 200)).toBe(7500 + 5000);
});

test('how far the one chosen is from its neighbours stands beside it, and is typed', async ({ page }) => {
  const id = await makeProject(page.request, 'Beside', [
    ...HOUSE,
    [
      'shafts.add',
      { name: 'S1', outline: { type: 'rectangle', place: 'A-1 + 1500,2000', widthMm: 2000, depthMm: 2500 } },
    ],
  ]);
  await openProject(page, id);
  const shaft = await onPage(page, 2500, 3200);
  await page.mouse.click(shaft.x, shaft.y);
  // From its side at 3500 to line 2 at 6000.
  await page.getByRole('button', { name: '2500 to line 2. Press to type another' }).click();
  const field = page.getByRole('textbox', { name: 'Distance to line 2' });
  await field.fill('2.44m');
  await field.press('Enter');
  await expect(page.getByRole('button', { name: '2440 to line 2. Press to type another' })).toBeVisible();
  await expect(page.getByRole('button', { name: '1560 to line 1. Press to type another' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: '2500 to line 2. Press to type another' })).toBeVisible();
});
