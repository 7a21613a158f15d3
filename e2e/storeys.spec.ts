import { expect, test, type Page } from '@playwright/test';
import { downloadReport, enterAs, FURNISHED, makeProject, openProject, openStep, query, untilSaved } from './project';
import type { Step } from '@/core/commands/command-inputs';

const layers = [{ name: 'concrete', thicknessMm: 200, core: true }];
const corners = (text: string) =>
  text.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) }));

/** Two storeys of 3.3 m, build-up 100, slab 250: 12 × 9 m, walls 200, parted at x = 6 m, a room named on the left. */
const HOUSE: Step[] = [
  ['levels.setUp', { above: '2@3.3m' }],
  ['floors.add', { name: 'Plate', outline: { type: 'rectangle', widthMm: 12_000, depthMm: 9000 } }],
  [
    'walls.add',
    {
      name: 'Out',
      use: 'exterior',
      type: { name: 'T', layers },
      points: corners('0,0 12000,0 12000,9000 0,9000'),
      closed: true,
      on: 'outside',
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
  [
    'walls.add',
    {
      name: 'In',
      type: 'T',
      points: corners('6000,100 6000,8900'),
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
  ['rooms.add', { level: '00', place: '3000,4000', name: 'Practice' }],
];

const level = (page: Page, name: string) =>
  page
    .getByRole('button', { name: new RegExp(`^Level ${name}`) })
    .first()
    .click();
const here = async (page: Page, levelName: string, name: string) => {
  await page.getByText(`On level ${levelName}`).click();
  await page.getByRole('button', { name, exact: true }).click();
  await page.getByText(`On level ${levelName}`).click();
};

test('a ceiling is hung in all rooms, lowered at one level, and a wall stops at it', async ({ page }) => {
  await enterAs(page, 'designer');
  await openProject(page, await makeProject(page.request, 'Ceilings', HOUSE));
  await openStep(page, 'Walls');
  await page.getByRole('button', { name: 'Ceilings', exact: true }).click();
  await expect(page.getByText(/^2 closed rooms on this level/)).toBeVisible();
  await page.getByLabel('Clear under it').fill('2600');
  await page.getByRole('button', { name: 'Hang the ceiling' }).click();
  await page.getByRole('button', { name: 'Close the Walls tools' }).click();
  await level(page, '01');
  await here(page, '01', 'CE1');
  await expect(page.getByText('In 4 places at 2 levels; 2600 clear under it.')).toBeVisible();
  await page.getByText('Other at some levels').click();
  await page.getByLabel('Clear under it there').fill('2500');
  await page.getByLabel('Clear under it there').press('Enter');
  await expect(page.getByText(/2500 to 2600 clear under it/)).toBeVisible();
  await here(page, '01', 'In');
  await page.getByLabel('Stops at: face').selectOption('ceiling');
  const { ceilings, walls, findings } = await downloadReport(page);
  expect(ceilings.map(({ level: at, clearMm, overMm }) => [at, clearMm, overMm]).sort()).toEqual([
    ['00', 2600, 300],
    ['00', 2600, 300],
    // The roof has no build-up.
    ['01', 2500, 500],
    ['01', 2500, 500],
  ]);
  expect(walls.filter(({ name }) => name === 'In').map(({ topMm }) => topMm)).toEqual([2600, 5800]);
  expect(findings.filter(({ rule }) => /eiling/.test(rule))).toEqual([]);
});

test('a part of a floor is laid lower, with its step told', async ({ page }) => {
  await enterAs(page, 'designer');
  await openProject(page, await makeProject(page.request, 'Zones', HOUSE));
  await level(page, '01');
  await here(page, '01', 'Plate');
  await page.getByText('Zones at another height').click();
  await page.getByRole('button', { name: 'A zone there …' }).click();
  await page.getByLabel('Name').last().fill('Wet');
  await page.getByLabel('Corner at').fill('1000,1000');
  await page.getByLabel('Top of slab (SSL) over its level').fill('-80');
  await page.getByRole('button', { name: 'Add the zone' }).click();
  await expect(page.getByText('at 01, a step of 80 down')).toBeVisible();
  await expect(page.getByRole('img', { name: 'Plan of level 01' }).getByText('Wet −80')).toBeVisible();
  await page.getByLabel('SSL of Wet, over its level').fill('-120');
  await page.getByLabel('SSL of Wet, over its level').press('Enter');
  await expect(page.getByText('a step of 120 down')).toBeVisible();
  const { floors } = await downloadReport(page);
  expect(floors.filter(({ zone }) => zone === 'Wet').map(({ topMm, areaM2 }) => [topMm, areaM2])).toEqual([[3080, 6]]);
});

test('while an edge of a shaft is dragged every slab is cut anew, and nothing is done before it is let go', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Edges', [
    ...FURNISHED,
    ['shafts.add', { name: 'S1', outline: { type: 'rectangle', place: '1500,1500', widthMm: 4000, depthMm: 3000 } }],
  ]);
  await openProject(page, id);
  await here(page, '00', 'S1');
  const width = page.getByLabel('Width', { exact: true });
  await expect(width).toHaveValue('4000');
  const seq = async () => {
    const [row] = await query<{ head: string }>('select max(seq) head from change where project_id = $1', [id]);
    return Number(row!.head);
  };
  const before = await seq();
  const handle = (await page.locator('[data-edge="1"]').boundingBox())!;
  const [x, y] = [handle.x + handle.width / 2, handle.y + handle.height / 2];
  // Esc while it is held lets go of it, and nothing has been done.
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 12, y, { steps: 4 });
  await expect(width).not.toHaveValue('4000');
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await here(page, '00', 'S1');
  await expect(width).toHaveValue('4000');
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 10, y, { steps: 4 });
  // Seen in Details, in the strip and in the list of slabs while it is still held.
  await expect(width).not.toHaveValue('4000');
  expect(await seq()).toBe(before);
  await page.mouse.move(x, y, { steps: 3 });
  await expect(width).toHaveValue('4000');
  await page.mouse.move(x + 14, y, { steps: 4 });
  await page.mouse.up();
  await untilSaved(page);
  const wide = Number(await width.inputValue());
  expect(wide).toBeGreaterThan(4000);
  expect(wide % 50).toBe(0);
  expect(await seq()).toBe(before + 1);
  const { shafts, floors } = await downloadReport(page);
  expect(shafts[0]!.cuts).toHaveLength(7);
  const net = floors.find((floor) => floor.level === '01')!.areaM2;
  expect(net).toBeCloseTo(25.8 * 15 - (wide * 3000) / 1e6, 6);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(width).toHaveValue('4000');
});

test('space is shown in part, and a view of it is kept for oneself, by who may only look as well', async ({ page }) => {
  await enterAs(page, 'viewer');
  await page.goto('/');
  await page.getByRole('link', { name: /Tidewater Yard/ }).click();
  await page.getByRole('tab', { name: '3D' }).click();
  const model = page.getByRole('img', { name: /^3D of the framework/ });
  const pieces = async () => Number(/: (\d+) column/.exec((await model.getAttribute('aria-label'))!)![1]);
  await expect(model).toBeVisible();
  const all = await pieces();
  await page.getByRole('button', { name: 'What is shown' }).click();
  const panel = page.getByRole('dialog', { name: 'What is shown' });
  await panel.getByLabel('Annex', { exact: true }).click();
  const withoutAnnex = await pieces();
  expect(withoutAnnex).toBeLessThan(all);
  await panel.getByLabel('From').selectOption({ label: '02 Gallery' });
  await panel.getByLabel('Up to').selectOption({ label: '04 Rooms' });
  const threeStoreys = await pieces();
  expect(threeStoreys).toBeLessThan(withoutAnnex / 3);
  // Two corners in the plan, which comes up for it and goes again.
  await panel.getByRole('button', { name: 'Crop …' }).click();
  const plan = (await page.getByRole('img', { name: /^Plan of level/ }).boundingBox())!;
  await page.mouse.move(plan.x + plan.width * 0.3, plan.y + plan.height * 0.25);
  await page.mouse.down();
  await page.mouse.move(plan.x + plan.width * 0.5, plan.y + plan.height * 0.6, { steps: 4 });
  await page.mouse.up();
  await expect(model).toBeVisible();
  const cropped = await pieces();
  expect(cropped).toBeLessThan(threeStoreys);
  await page.getByRole('button', { name: 'What is shown, a part' }).click();
  const name = `Corner ${Date.now()}`;
  await panel.getByLabel('Keep it as').fill(name);
  await panel.getByRole('button', { name: 'Keep it' }).click();
  const mine = page.getByRole('list', { name: 'Views of your own' });
  await expect(mine.getByRole('button', { name, exact: true })).toBeVisible();
  await panel.getByRole('button', { name: 'Show all of it' }).click();
  expect(await pieces()).toBe(all);
  // It is there after the page is loaded again, and shows the same.
  await page.reload();
  await page.getByRole('tab', { name: '3D' }).click();
  await page.getByRole('button', { name: 'What is shown' }).click();
  await mine.getByRole('button', { name, exact: true }).click();
  await expect.poll(pieces).toBe(cropped);
  await mine.getByRole('button', { name: 'Drop' }).last().click();
  await expect(mine.getByRole('button', { name, exact: true })).toBeHidden();
});

test('the carry board groups by core and shows only what was asked for', async ({ page }) => {
  await enterAs(page, 'designer');
  await page.goto('/');
  await page.getByRole('link', { name: /Tidewater Yard/ }).click();
  await page.getByRole('tab', { name: 'Carry board' }).click();
  const heads = page.getByRole('group', { name: 'What is carried' });
  await expect(heads.getByText('Core K1')).toBeHidden();
  await page.getByRole('button', { name: 'by core' }).click();
  await expect(heads.getByText('Core K1')).toBeVisible();
  await page.getByLabel('Which are shown').selectOption('with findings');
  await expect(page.getByRole('button', { name: 'Choose C-6' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Choose B-1' })).toBeHidden();
});

test('a board of 100 levels and 400 columns takes every turn of the wheel and draws only what is seen', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'High', [
    ['levels.setUp', { above: '100@3.3m' }],
    ['grids.add', { baysA: '19@7200', baysB: '19@7200' }],
    ['columns.placeAtCrossings', { lines: 'all', section: { shape: 'rectangle', widthMm: 500, depthMm: 500 } }],
  ]);
  await openProject(page, id);
  await page.getByRole('tab', { name: 'Carry board' }).click();
  const board = page.getByRole('img', { name: '400 things on 101 levels' });
  await expect(board).toBeVisible({ timeout: 60_000 });
  const frame = board.locator('xpath=ancestor::div[contains(@class, "overflow-auto")]');
  await frame.evaluate((element) => {
    const seen = { wheels: 0 };
    (window as unknown as { seen: typeof seen }).seen = seen;
    element.addEventListener('wheel', () => (seen.wheels += 1));
  });
  const box = (await frame.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  for (let i = 0; i < 40; i += 1) await page.mouse.wheel(60, 45);
  // Nothing of it is lost: each turn was heard, and the board has gone as far as all of them together.
  await expect
    .poll(() => page.evaluate(() => (window as unknown as { seen: { wheels: number } }).seen.wheels))
    .toBe(40);
  await expect.poll(() => frame.evaluate((element) => element.scrollTop)).toBe(40 * 45);
  await expect.poll(() => frame.evaluate((element) => element.scrollLeft)).toBe(40 * 60);
  // Where it has come to, the board is drawn: the level in the middle and the things over it.
  await expect(page.getByRole('button', { name: 'Level 30 on the board' })).toBeVisible();
  const drawn = await board.locator('rect').count();
  expect(drawn).toBeGreaterThan(300);
  expect(drawn).toBeLessThan(4000);
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await expect(page.getByRole('heading', { name: /^Column/ })).toBeVisible();
});

test('a storey that is inserted takes in the walls and doors that are ticked, and the roof stays over all', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  const own: Step[] = HOUSE.map(([name, input]) =>
    name === 'walls.add' && 'name' in input && input.name === 'In'
      ? (['walls.add', { ...input, stopsAt: { level: '01' } }] as Step)
      : ([name, input] as Step),
  );
  const door: Step = ['walls.addOpening', { wall: 'In', opening: 'door', alongMm: 2000, at: ['00'] }];
  await openProject(page, await makeProject(page.request, 'Inserted', [...own, door]));
  const insertAbove = async (name: string, ticked: readonly string[]) => {
    await page
      .locator('[data-figure="name"]')
      .filter({ hasText: new RegExp(`^${name}$`) })
      .click();
    await page.getByRole('button', { name: `Insert a level above ${name}`, exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.getByLabel(`Height above ${name}`).fill('3m');
    for (const kind of ticked) await page.getByRole('dialog').getByLabel(kind, { exact: true }).check();
    await page.getByRole('button', { name: 'Push the others' }).click();
    await untilSaved(page);
  };
  const inner = async () =>
    (await downloadReport(page)).walls
      .filter(({ name }) => name === 'In')
      .map(({ level: at, openings }) => `${at} ${openings.map(({ name }) => name).join()}`);
  await insertAbove('00', []);
  expect(await inner()).toEqual(['00 D1']);
  await page.keyboard.press('Control+z');
  await untilSaved(page);
  await insertAbove('00', ['interior walls', 'interior doors']);
  expect(await inner()).toEqual(['00 D1', '00a D1']);
  await insertAbove('RF', []);
  const { levels } = await downloadReport(page);
  expect(levels.map(({ name }) => name)).toEqual(['00', '00a', '01', '02', 'RF']);
});
