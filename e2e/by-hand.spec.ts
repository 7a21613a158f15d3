import { expect, test, type Page } from '@playwright/test';
import type { Step } from '@/core/commands/command-inputs';
import type { Kind, RecordOf } from '@/core/model/kinds';
import { Hand, onPage } from './hand';
import { downloadReport, enterAs, makeProject, openProject, openStep, untilSaved } from './project';

test.beforeEach(async ({ page }) => enterAs(page, 'designer'));

const HOUSE: Step[] = [
  ['levels.setUp', { above: '2@3.2m' }],
  ['grids.add', { baysA: '3@6000', baysB: '2@6000' }],
  ['columns.place', { place: 'B-2', section: { shape: 'rectangle', widthMm: 600, depthMm: 300 } }],
  ['shafts.add', { name: 'S1', outline: { type: 'rectangle', place: '13000,2000', widthMm: 2000, depthMm: 1500 } }],
];

const acts = (page: Page) => page.getByRole('toolbar', { name: 'Acts with what is chosen' });

async function begin(page: Page, steps: Step[] = HOUSE): Promise<Hand> {
  await openProject(page, await makeProject(page.request, 'Changed by hand', steps));
  await expect(page.locator('svg[data-plan] path').first()).toBeVisible();
  return new Hand(page);
}

/** Chooses what stands at a place, once the plan shows it there. */
async function choose(hand: Hand, page: Page, x: number, y: number): Promise<void> {
  await expect(async () => {
    await page.keyboard.press('Escape');
    await hand.press(x, y);
    await expect(acts(page)).toBeVisible({ timeout: 1000 });
  }).toPass();
}

/** The records of a kind as they are saved. */
async function records<K extends Kind>(page: Page, id: string, kind: K): Promise<RecordOf<K>[]> {
  await untilSaved(page);
  const { records: all } = (await (await page.request.get(`/api/projects/${id}/framework`)).json()) as {
    records: Record<string, { kind: string }>;
  };
  return Object.values(all).filter((record) => record.kind === kind) as unknown as RecordOf<K>[];
}

async function columns(page: Page) {
  await untilSaved(page);
  const { columns: all } = await downloadReport(page);
  // Each is in every storey: it is looked at in one.
  const [{ level } = { level: '' }] = all;
  return all
    .filter((each) => each.level === level)
    .map(({ stack, xMm, yMm, turnDeg }) => ({ stack, xMm, yMm, turnDeg }));
}

test('a column is turned, brought flush with a shaft, copied in a row, mirrored and nudged, each one edit that is taken back', async ({
  page,
}) => {
  const hand = await begin(page);
  await hand.press(6000, 6000);
  // Turned about its own centre by a typed angle.
  await acts(page).getByRole('button', { name: 'Turn' }).click();
  await hand.press(6000, 6000);
  await expect(page.getByRole('group', { name: 'Turn by hand' })).toContainText('Press a point to turn from');
  await hand.point(9000, 6300);
  await hand.type('90');
  await expect(page.getByRole('group', { name: 'Turn by hand' })).toBeHidden();
  expect((await columns(page))[0]).toMatchObject({ stack: 'B-2', turnDeg: 90 });
  // Its right side flush with the left one of the shaft.
  await acts(page).getByRole('button', { name: 'Flush' }).click();
  await hand.press(6150, 6100);
  await expect(page.getByRole('group', { name: 'Flush by hand' })).toContainText('flush with');
  await hand.point(13_000, 2800);
  await expect(page.getByText('moves by 6850')).toBeVisible();
  await hand.press(13_000, 2800);
  await expect(page.getByRole('group', { name: 'Flush by hand' })).toBeHidden();
  expect((await columns(page))[0]).toMatchObject({ xMm: 12_850, yMm: 6000 });
  await page.keyboard.press('Control+z');
  expect((await columns(page))[0]).toMatchObject({ xMm: 6000 });
  // Three copies in a row, each 2000 on, the way held and the length typed.
  await choose(hand, page, 6000, 6000);
  await acts(page).getByRole('button', { name: 'Copy' }).click();
  await hand.press(6000, 6000);
  await page.getByLabel('copies').fill('3');
  await page.locator('svg[data-plan]').focus();
  await hand.key('ArrowRight');
  await hand.type('2000');
  await page.getByRole('button', { name: 'Done' }).click();
  expect((await columns(page)).map(({ xMm }) => xMm).sort((a, b) => a - b)).toEqual([6000, 8000, 10_000, 12_000]);
  await page.keyboard.press('Control+z');
  // Its image in a line that is pressed, kept beside it.
  await choose(hand, page, 6000, 6000);
  await acts(page).getByRole('button', { name: 'Mirror' }).click();
  await hand.press(0, 0);
  await hand.press(0, 12_000);
  expect((await columns(page)).map(({ xMm }) => xMm).sort((a, b) => a - b)).toEqual([-6000, 6000]);
  await page.keyboard.press('Control+z');
  // Nudged by steps.
  await choose(hand, page, 6000, 6000);
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Shift+ArrowRight');
  expect((await columns(page))[0]).toMatchObject({ xMm: 6100, yMm: 6010 });
});

test('by keyboard alone what is chosen is moved from an exact point to an exact point, in feet and inches', async ({
  page,
}) => {
  await begin(page);
  await page.getByRole('button', { name: 'ft in' }).click();
  await page.getByText('On level 00').click();
  await page.getByRole('button', { name: 'B-2', exact: true }).press('Enter');
  await page.getByRole('button', { name: 'B-2', exact: true }).press('Shift+F10');
  await expect(page.getByRole('menuitem', { name: 'Move from a point' })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('group', { name: 'Move by hand' })).toBeVisible();
  await page.locator('svg[data-plan]').focus();
  await page.keyboard.type('B-2');
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.type("4'6");
  await page.keyboard.press('Enter');
  await expect(page.getByRole('group', { name: 'Move by hand' })).toBeHidden();
  const [column] = await columns(page);
  expect(column!.xMm - 6000).toBeCloseTo(1371.6, 3);
  // Esc leaves an act; nothing is done.
  await page.keyboard.press('Shift+F10');
  await page.getByRole('menuitem', { name: 'Copy from a point' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('group', { name: 'Copy by hand' })).toBeHidden();
  expect(await columns(page)).toHaveLength(1);
});

const WALLS: Step[] = [
  ...HOUSE.slice(0, 2),
  [
    'walls.add',
    {
      name: 'W1',
      type: { name: 'Interior 100', layers: [{ name: 'studs', thicknessMm: 100, core: true }] },
      place: '1000,1000',
      points: [
        { xMm: 0, yMm: 0 },
        { xMm: 5000, yMm: 0 },
      ],
      startsAt: { level: '00' },
    },
  ],
  ...(
    [
      ['W2', '6000,1000', 0, 4000],
      ['W3', '6000,5000', 3000, 0],
      ['W4', '1000,8000', 2000, 0],
    ] as const
  ).map(([name, place, xMm, yMm]): Step => [
    'walls.add',
    {
      name,
      type: 'Interior 100',
      place,
      points: [
        { xMm: 0, yMm: 0 },
        { xMm, yMm },
      ],
      startsAt: { level: '00' },
    },
  ]),
];

test('walls that go on from one another are chosen at once, and all of a kind on a level; two are joined on the bar', async ({
  page,
}) => {
  const hand = await begin(page, WALLS);
  const right = async (x: number, y: number) => {
    const at = await onPage(page, x, y);
    await page.mouse.click(at.x, at.y, { button: 'right' });
  };
  await right(3000, 1000);
  await page.getByRole('menuitem', { name: 'Choose the walls that go on from it' }).click();
  await expect(page.getByRole('heading', { name: '3 things chosen' })).toBeVisible();
  await right(3000, 1000);
  await page.getByRole('menuitem', { name: 'Choose all walls on this level' }).click();
  await expect(page.getByRole('heading', { name: '4 things chosen' })).toBeVisible();
  await page.keyboard.press('Escape');
  await hand.press(3000, 1000);
  await page.keyboard.down('Shift');
  await hand.press(6000, 3000);
  await page.keyboard.up('Shift');
  await acts(page).getByRole('button', { name: 'Join' }).click();
  await untilSaved(page);
  const { walls } = await downloadReport(page);
  expect([...new Set(walls.map(({ name }) => name))].sort()).toEqual(['W1', 'W3', 'W4']);
});

test('a stair hall is put in at an exact point on another level, and in another project with its type', async ({
  page,
}) => {
  const hand = await begin(page, [
    ['levels.setUp', { above: '4@3.2m' }],
    HOUSE[1]!,
    [
      'stairs.add',
      {
        name: 'ST1',
        well: { type: 'rectangle', place: 'A-1 + 500,500', widthMm: 2700, depthMm: 5000 },
        stopsAt: { level: '01' },
      },
    ],
    [
      'walls.add',
      {
        name: 'H1',
        type: { name: 'Hall 150', layers: [{ name: 'board', thicknessMm: 150, core: true }] },
        place: 'A-1 + 3500,500',
        points: [
          { xMm: 0, yMm: 0 },
          { xMm: 0, yMm: 5000 },
        ],
        startsAt: { level: '00' },
      },
    ],
  ]);
  await hand.press(3500, 3000);
  await page.keyboard.down('Shift');
  await hand.press(2500, 1500);
  await page.keyboard.up('Shift');
  await expect(page.getByRole('heading', { name: '2 things chosen' })).toBeVisible();
  await page.keyboard.press('Control+c');
  await expect(page.getByText('2 things are taken along')).toBeVisible();
  await page.keyboard.press('PageUp');
  await page.keyboard.press('PageUp');
  await page.keyboard.press('Control+v');
  const strip = page.getByRole('group', { name: 'Put in by hand' });
  await expect(strip).toContainText('2 things at 02');
  // From crossing to crossing.
  await hand.press(0, 0);
  await expect(strip).toContainText('Press where that point goes');
  await hand.press(12_000, 6000);
  await expect(strip).toBeHidden();
  await untilSaved(page);
  const { walls, stairs } = await downloadReport(page);
  expect(walls.map(({ name, level }) => `${name} ${level}`).sort()).toEqual(['H1 00', 'W1 02']);
  expect(stairs.map(({ name }) => name).sort()).toEqual(['ST1', 'ST2']);
  // In another project: the same walls, with their type.
  const other = await makeProject(page.request, 'Another', [['levels.setUp', { above: '3@3m' }]]);
  await openProject(page, other);
  await page.keyboard.press('Control+v');
  await strip.getByRole('button', { name: 'Where it stood' }).click();
  await expect(strip).toBeHidden();
  await untilSaved(page);
  const there = await downloadReport(page);
  expect(there.walls.map(({ name, thicknessMm }) => [name, thicknessMm])).toEqual([['W1', 150]]);
  await page.keyboard.press('Control+z');
});

test('a corridor is held at 2400 and a column at a distance from a line, by the distance that stands beside them', async ({
  page,
}) => {
  const wall = (name: string, yMm: number): Step => [
    'walls.add',
    {
      name,
      type:
        name === 'W1'
          ? { name: 'Interior 100', layers: [{ name: 'studs', thicknessMm: 100, core: true }] }
          : 'Interior 100',
      place: { lines: null, xMm: 500, yMm },
      points: [
        { xMm: 0, yMm: 0 },
        { xMm: 15_000, yMm: 0 },
      ],
      startsAt: { level: '00' },
    },
  ];
  const hand = await begin(page, [...HOUSE.slice(0, 3), wall('W1', 1000), wall('W2', 3000)]);
  await choose(hand, page, 3000, 3000);
  await page.getByRole('button', { name: /^1900 to face of wall W1/ }).click();
  await page.getByLabel('Distance to face of wall W1').fill('2400');
  await page.getByRole('button', { name: 'Hold this clear width' }).click();
  await expect(page.getByText(/2400 mm clear held between walls W1 and W2/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^2400 to face of wall W1/ })).toBeVisible();
  // Where it is broken later, a finding says so.
  await page.keyboard.press('Shift+ArrowUp');
  await expect(page.getByText(/2400/).filter({ hasText: /2500/ }).first()).toBeVisible();
  await page.keyboard.press('Control+z');
  await choose(hand, page, 6000, 6000);
  await page
    .getByRole('button', { name: /to line 2\. Press|to line C\. Press/ })
    .first()
    .click();
  await page.getByRole('textbox', { name: /^Distance to line C/ }).fill('4000');
  await page.getByRole('button', { name: 'Hold this distance' }).click();
  expect((await columns(page))[0]).toMatchObject({ xMm: 6000, yMm: 12_000 - 4000 - 150 });
});

test('a column stands under the pointer with its mark, and each press is one; things are chosen by words', async ({
  page,
}) => {
  const hand = await begin(page);
  await openStep(page, 'Columns');
  await page.getByRole('button', { name: 'One by one' }).click();
  await hand.point(12_000, 6000);
  await expect(page.getByText('column B-3', { exact: true })).toBeVisible();
  await expect(page.locator('svg[data-plan] path[fill-opacity="0.14"]')).toHaveCount(1);
  await hand.press(12_000, 6000);
  await hand.press(6000, 0);
  await page.keyboard.type('C-4');
  await page.keyboard.press('Enter');
  await untilSaved(page);
  await page.keyboard.press('Escape');
  expect((await columns(page)).map(({ stack }) => stack).sort()).toEqual(['A-2', 'B-2', 'B-3', 'C-4']);
  await page.keyboard.press('Escape');
  await page.getByText('On level 00').click();
  await page.getByLabel('Only those with').fill('column 500');
  await page.getByRole('button', { name: 'Choose these 3' }).click();
  await expect(page.getByRole('heading', { name: '3 things chosen' })).toBeVisible();
});

test('a wall is split where it is pressed, a door slid along it, a slab’s edges moved all at once; a storey takes up the openings below', async ({
  page,
}) => {
  const type = { name: 'Wall 200', layers: [{ name: 'concrete', thicknessMm: 200, core: true }] };
  const wall = (name: string, level: string): Step => [
    'walls.add',
    {
      name,
      type,
      place: '0,0',
      points: [
        { xMm: 1000, yMm: 3000 },
        { xMm: 13_000, yMm: 3000 },
      ],
      startsAt: { level },
    },
  ];
  const id = await makeProject(page.request, 'Cut', [
    ['levels.setUp', { above: '2@3m' }],
    ['grids.add', { baysA: '2@7200', baysB: '6600' }],
    ['floors.add', { name: 'Slab', outline: { type: 'rectangle', place: '0,0', widthMm: 14_400, depthMm: 6600 } }],
    wall('Low', '00'),
    wall('Up', '01'),
    ['walls.addOpening', { wall: 'Low', opening: 'door', name: 'D1', alongMm: 1000, widthMm: 1000 }],
  ]);
  await openProject(page, id);
  const hand = new Hand(page);
  await hand.press(5000, 3000);
  await expect(page.getByRole('heading', { name: 'Wall Low' })).toBeVisible();
  // The door is dragged along its wall, and keeps round distances.
  const door = page.locator('[data-opening="D1"]');
  const to = await onPage(page, 6030, 3000);
  const from = (await door.boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x - 40, to.y, { steps: 4 });
  await page.mouse.move(to.x, to.y, { steps: 4 });
  await page.mouse.up();
  await untilSaved(page);
  const along = async () =>
    (await records(page, id, 'wall')).flatMap(({ openings }) => openings.map(({ alongMm }) => alongMm));
  const [slid] = await along();
  expect(Number(slid) % 50).toBe(0);
  expect(Math.abs(Number(slid) - 4500)).toBeLessThanOrEqual(150);
  await page.getByRole('button', { name: 'Split it where it is pressed' }).click();
  await hand.press(9040, 3000);
  await untilSaved(page);
  expect(await records(page, id, 'wall')).toHaveLength(3);
  await page.keyboard.press('Escape');
  // Over it the same door.
  await page.getByRole('button', { name: /^Level 01/ }).click();
  await hand.press(5000, 3000);
  await expect(page.getByRole('heading', { name: 'Wall Up' })).toBeVisible();
  await page.getByRole('button', { name: 'All that can be done with it' }).click();
  await page.getByRole('menuitem', { name: 'Doors and windows as on the level below' }).click();
  await untilSaved(page);
  const walls = await records(page, id, 'wall');
  const places = (name: string) => walls.find((each) => each.name === name)!.openings.map(({ alongMm }) => alongMm);
  expect(places('Up')).toEqual(places('Low'));
  expect(places('Up')).toHaveLength(1);
  // The slab grows on all sides by what is typed.
  await page.keyboard.press('Escape');
  await hand.press(10_000, 1500);
  await expect(page.getByRole('heading', { name: /Slab/ })).toBeVisible();
  await page.getByRole('button', { name: 'All that can be done with it' }).click();
  await page.getByRole('menuitem', { name: 'Move all edges outwards or inwards' }).click();
  await hand.point(10_000, 7000);
  await hand.type('250');
  await untilSaved(page);
  const [slab] = await records(page, id, 'floorPlate');
  expect(slab!.outline).toMatchObject({ type: 'rectangle', widthMm: 14_900, depthMm: 7100 });
});
