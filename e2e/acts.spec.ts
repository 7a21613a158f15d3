import { readFileSync, writeFileSync } from 'node:fs';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { downloadReport, downloadText, enterAs, makeProject, openProject, startProject, untilSaved } from './project';
import type { Step } from '@/core/commands/command-inputs';

/** Counts what a person does: a click, a drag, a typed value with Enter, a choice, a key chord: one each. */
class Acts {
  count = 0;
  constructor(private readonly page: Page) {}

  async click(target: Locator): Promise<void> {
    this.count += 1;
    await target.click();
  }
  async check(target: Locator): Promise<void> {
    this.count += 1;
    await target.check();
  }
  async choose(target: Locator, label: string): Promise<void> {
    this.count += 1;
    await target.selectOption({ label });
  }
  /** A typed value; with Enter where it ends a form. */
  async type(target: Locator, text: string, enter = false): Promise<void> {
    this.count += 1;
    await target.fill(text);
    if (enter) await target.press('Enter');
  }
  /** A typed command: the key chord, and the line with Enter. */
  async say(line: string): Promise<void> {
    this.count += 2;
    await this.page.keyboard.press('Control+k');
    const entry = this.page.getByRole('combobox', { name: 'Quick entry' });
    await entry.fill(line);
    await entry.press('Enter');
    await expect(entry).toHaveValue('');
    await untilSaved(this.page);
  }
  step(name: string): Promise<void> {
    return this.click(
      this.page.getByRole('navigation', { name: 'Work path' }).getByRole('button', { name: new RegExp(`^${name}`) }),
    );
  }
  /** The head of a grid line in the plan. */
  head(label: string): Promise<void> {
    return this.click(
      this.page
        .getByRole('img', { name: /^Plan of level/ })
        .locator('text')
        .filter({ hasText: new RegExp(`^${label}$`) })
        .first(),
    );
  }
}

const WALKS = [
  ['a', 'a grid of 6 × 5 lines of unequal bays, both axes labelled', 12],
  ['b', 'a grid of 5 × 7 lines with two minor unlabelled lines one way and one the other, from B2 to RF', 18],
  ['c', 'a rectangular grid with other bays on all four sides, letters descending, I and O skipped', 16],
  ['d', 'a level table of 2 basements and 14 levels with three heights', 7],
  ['e', 'columns on all crossings of chosen lines, interior faces on setting-out lines 210 off two lines', 14],
  ['f', 'every head of a crowded plan readable at 1 : 200', 0],
  ['g', 'one shaft through all slabs from the lowest to the roof, copied to two other exact places', 10],
  ['h', '8 storeys at 3.45 m on an 18 × 42 m outline, floors 0.28 m, walls to the soffits, a roof on them', 9],
  ['i', 'ground-floor content carried to the next storey, lower, without its interior doors', 8],
  ['j', 'two stair openings, one with nine corners, through 5 slabs, and one moved later by one thing', 18],
  ['k', 'six more storeys, with column heads everywhere but at the top', 8],
  ['l', 'a slab along the core of exterior walls, with an L-shaped void', 10],
  ['m', 'two buildings 600 apart in height with a party wall and flat roofs', 20],
  ['n', 'a quarter-turn stair with its slab opening, a handrail on one side and a guard round the opening', 9],
  ['o', 'one stair through 14 storeys of four heights', 6],
  ['p', 'an apron with two slopes, checked and cured', 10],
  ['q', 'a circular ramp up one storey', 7],
  ['r', 'all open edges of a 12-storey building guarded', 3],
  ['s', 'a pitched roof with an overhang and one gable on an L-shaped house, its walls ending at it', 8],
  ['t', 'a flat roof within the core of the walls with a parapet and falls to two outlets', 9],
  ['u', 'two houses with gable roofs and a shared wall that goes over both', 13],
] as const;
const counted = new Map<string, number>();

/** Notes a walk's acts and holds them to their bound. */
function walked(key: (typeof WALKS)[number][0], count: number): void {
  const [, words, most] = WALKS.find(([each]) => each === key)!;
  process.stdout.write(`Acts (${key}) ${words}: ${count}, at most ${most}\n`);
  counted.set(key, count);
  expect(count).toBeLessThanOrEqual(most);
}

const LEVELS: Step[] = [['levels.setUp', { above: '5.4m 2@4.8m 3@3.3m', below: '3.9m 3.6m' }]];
const GRID: Step = ['grids.add', { baysA: '2@7200 3600 2@7200', baysB: '6600 2@7800 6600' }];

test.describe.configure({ mode: 'serial' });
test.beforeEach(async ({ page }) => enterAs(page, 'designer'));

test('(a) a grid of unequal bays', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Acts a', LEVELS));
  const acts = new Acts(page);
  await acts.step('Grids');
  await acts.type(page.getByLabel('Bays across', { exact: true }), '7.2m 6.6m 3.6m 2@8.1m');
  await acts.type(page.getByLabel('Bays up', { exact: true }), '6600 7800 5400 7200', true);
  const { gridLines } = await downloadReport(page);
  expect(gridLines.filter(({ direction }) => direction === 'a').map(({ label }) => label)).toEqual([...'123456']);
  expect(gridLines.filter(({ direction }) => direction === 'b').map(({ label }) => label)).toEqual([...'ABCDE']);
  walked('a', acts.count);
});

test('(b) a grid with minor lines through all levels', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Acts b', LEVELS));
  const acts = new Acts(page);
  await acts.step('Grids');
  await acts.type(page.getByLabel('Bays across', { exact: true }), '4@8.1m');
  await acts.click(page.getByText(/^More: corner/));
  await acts.choose(page.getByLabel('From level'), 'B2');
  await acts.choose(page.getByLabel('To level'), 'RF');
  await acts.type(page.getByLabel('Bays up', { exact: true }), '6@5400', true);
  for (const label of ['2', '4', 'C']) {
    await acts.head(label);
    await acts.click(page.getByRole('button', { name: 'Split the bay' }));
  }
  const { gridLines } = await downloadReport(page);
  expect(gridLines).toHaveLength(5 + 7 + 3);
  expect(gridLines.filter(({ label }) => label === null).map(({ direction }) => direction)).toEqual(['a', 'a', 'b']);
  walked('b', acts.count);
});

test('(c) other bays on all four sides', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Acts c', LEVELS));
  const acts = new Acts(page);
  await acts.step('Grids');
  await acts.check(page.getByLabel('Other bays on the opposite sides'));
  await acts.type(page.getByLabel('Bays across', { exact: true }), '3@6000');
  await acts.type(page.getByLabel('Bays across, opposite side'), '2@9000');
  await acts.type(page.getByLabel('Bays up', { exact: true }), '2@7500');
  await acts.type(page.getByLabel('Bays up, opposite side'), '5000 10000');
  await acts.check(page.getByLabel('Labels up count down'));
  await acts.type(page.getByLabel('First label up'), 'J', true);
  const { gridLines, crossings } = await downloadReport(page);
  // Up: 0, 5000 from the far side, 7500 from the near one, 15000. After J comes H: I is skipped.
  expect(gridLines.filter(({ direction }) => direction === 'b').map(({ label }) => label)).toEqual([...'JHGF']);
  expect(crossings.some(({ label }) => label === 'J-2')).toBe(true);
  expect(crossings.some(({ label }) => label === 'F-2')).toBe(false);
  walked('c', acts.count);
});

test('(d) a level table of three heights', async ({ page }) => {
  await startProject(page, `Acts d ${Date.now()}`);
  const acts = new Acts(page);
  await acts.type(page.getByLabel('Storeys from the ground up'), '5.4m 2@4.8m 10@3.3m');
  await acts.type(page.getByLabel('Basements downwards'), '2@3.3m', true);
  await expect(page.getByRole('button', { name: /^Level 00/ })).toBeVisible();
  await untilSaved(page);
  const { levels } = await downloadReport(page);
  expect(levels).toHaveLength(2 + 14);
  expect(levels.map(({ name }) => name).join(' ')).toBe('B2 B1 00 01 02 03 04 05 06 07 08 09 10 11 12 RF');
  walked('d', acts.count);
});

test('(e) columns with interior faces on setting-out lines', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Acts e', [...LEVELS, GRID]));
  const acts = new Acts(page);
  await acts.step('Grids');
  await acts.click(page.getByRole('button', { name: 'Setting-out lines' }));
  await acts.head('A');
  await acts.head('E');
  await acts.type(page.getByLabel('At a distance of'), '210', true);
  await acts.step('Columns');
  for (const label of ['A', 'E', '1', '3', '6'])
    await acts.click(page.getByRole('button', { name: `Line ${label}`, exact: true }));
  await acts.choose(page.getByLabel('Setting-out line', { exact: true }), 'interior face on it');
  await acts.click(page.getByRole('button', { name: 'Place 6 columns' }));
  const { columns } = await downloadReport(page);
  const ys = [...new Set(columns.map(({ yMm }) => yMm))].sort((a, b) => a - b);
  // 500 deep, faces at 210 and at 28800 − 210: centres 40 and 40 inside the grid.
  expect(ys).toEqual([-40, 28_840]);
  expect(new Set(columns.map(({ stack }) => stack)).size).toBe(6);
  walked('e', acts.count);
});

test('(f) a crowded plan reads by itself', async ({ page }) => {
  const id = await makeProject(page.request, 'Acts f', [
    ...LEVELS,
    ['grids.add', { baysA: '900 400 700 6000 500 350 350 6000 800', baysB: '600 450 7000 500 400 5000' }],
  ]);
  await openProject(page, id);
  const { levels } = await downloadReport(page);
  const level = levels.find(({ name }) => name === '01')!;
  const answer = await page.request.get(
    `/api/projects/${id}/sheet?level=${level.id}&scale=200&format=svg&units=metric`,
  );
  const svg = await answer.text();
  const heads = [...svg.matchAll(/<circle cx="([\d.]+)" cy="([\d.]+)" r="([\d.]+)"/g)].map((match) =>
    match.slice(1).map(Number),
  );
  expect(heads).toHaveLength(10 + 7);
  heads.forEach(([x, y, r], i) =>
    heads.slice(i + 1).forEach(([p, q]) => expect(Math.hypot(x! - p!, y! - q!)).toBeGreaterThan(2 * r! - 0.01)),
  );
  walked('f', 0);
});

test('(g) a shaft through everything, at three places', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Acts g', [
      ...LEVELS,
      GRID,
      ['floors.add', { outline: { type: 'gridOffset', offsetMm: 300 } }],
    ]),
  );
  const acts = new Acts(page);
  await acts.step('Shafts');
  await acts.type(page.getByLabel('Corner at'), 'A-1 + 1200,1200');
  await acts.check(page.getByLabel('Opens the slab at its foot'));
  await acts.check(page.getByLabel('Goes out through the roof'));
  await acts.click(page.getByRole('button', { name: 'Add the shaft' }));
  await acts.click(page.getByRole('button', { name: 'Close the Shafts tools' }));
  await acts.click(page.getByRole('img', { name: /^Plan of level/ }).getByText('S1', { exact: true }));
  await acts.click(page.getByText('Copy or mirror'));
  await acts.type(page.getByLabel('Copy east, north by'), '7.2m,0; 0,7.8m', true);
  const { shafts, levels } = await downloadReport(page);
  expect(shafts.map(({ name }) => name).sort()).toEqual(['S1', 'S2', 'S3']);
  for (const { cuts } of shafts) expect(cuts).toHaveLength(levels.length);
  walked('g', acts.count);
});

test('(h) a whole building from its outline', async ({ page }) => {
  await startProject(page, 'Acts h');
  const acts = new Acts(page);
  await acts.click(page.getByText('Or set out a whole building'));
  await acts.type(page.getByLabel('Outline', { exact: true }), '18m x 42m');
  await acts.type(page.getByLabel('Storeys', { exact: true }), '8@3.45m');
  await acts.type(page.getByLabel('Floors, thick'), '0.28m', true);
  await expect(page.getByRole('tab', { name: 'Plan' })).toBeVisible();
  const { walls, floors, findings } = await downloadReport(page);
  expect([walls.length, floors.length]).toEqual([8, 9]);
  // Only what was not asked for is said: the roof’s edge is bare.
  expect(findings.map(({ rule }) => rule)).toEqual(['roof.bareEdge']);
  // Every wall up to the soffit of the slab over it; the roof lies on the topmost.
  for (const [i, { topMm }] of walls.entries()) expect(topMm).toBe(floors[i + 1]!.topMm - 280);
  walked('h', acts.count);
});

test('(i) a ground floor carried up, interior doors left out', async ({ page }) => {
  const layers = [{ name: 'concrete', thicknessMm: 200, core: true }];
  const points = [
    { xMm: 0, yMm: 0 },
    { xMm: 12_000, yMm: 0 },
    { xMm: 12_000, yMm: 9000 },
    { xMm: 0, yMm: 9000 },
  ];
  await openProject(
    page,
    await makeProject(page.request, 'Acts i', [
      ['levels.setUp', { above: '4.2m 3m 3m' }],
      ['floors.add', { outline: { type: 'rectangle', widthMm: 12_000, depthMm: 9000 } }],
      [
        'walls.add',
        {
          name: 'Out',
          use: 'exterior',
          type: { name: 'T', layers },
          points,
          closed: true,
          on: 'outside',
          startsAt: { level: '00' },
        },
      ],
      [
        'walls.add',
        {
          name: 'In',
          type: 'T',
          points: [
            { xMm: 6000, yMm: 100 },
            { xMm: 6000, yMm: 8900 },
          ],
          startsAt: { level: '00' },
        },
      ],
      ['walls.addOpening', { wall: 'Out', opening: 'window', alongMm: 2000 }],
      ['walls.addOpening', { wall: 'In', opening: 'door', alongMm: 2000 }],
    ]),
  );
  const acts = new Acts(page);
  await acts.click(page.getByRole('tab', { name: 'Carry board' }));
  await acts.click(page.getByRole('button', { name: 'Level 00 on the board' }));
  await acts.click(page.getByRole('button', { name: 'Carry storey 00 …' }));
  const panel = page.getByRole('dialog', { name: 'Carry storey 00' });
  await acts.click(panel.getByText('1 interior doors'));
  await acts.click(panel.getByRole('button', { name: 'Carry', exact: true }));
  await expect(panel).toBeHidden();
  const { walls } = await downloadReport(page);
  const at = (level: string) =>
    walls.filter((wall) => wall.level === level).flatMap(({ openings }) => openings.map(({ name }) => name));
  expect([at('00').sort(), at('01')]).toEqual([['D1', 'N1'], ['N1']]);
  // Each to its own soffit: the storey above is lower.
  const heights = walls.filter(({ name }) => name === 'Out').map(({ topMm, bottomMm }) => topMm - bottomMm);
  expect(heights).toEqual([4200 - 250, 3000 - 250]);
  walked('i', acts.count);
});

test('(j) two stair openings through five slabs, one moved later', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Acts j', [
      ['levels.setUp', { above: '4@3.3m' }],
      ['floors.add', { outline: { type: 'rectangle', widthMm: 24_000, depthMm: 15_000 } }],
    ]),
  );
  const acts = new Acts(page);
  await acts.step('Shafts');
  await acts.choose(page.getByLabel('Purpose'), 'stair');
  await acts.check(page.getByLabel('Opens the slab at its foot'));
  await acts.check(page.getByLabel('Goes out through the roof'));
  await acts.type(page.getByLabel('Corner at'), '2m,2m');
  await acts.type(page.getByLabel('Width', { exact: true }), '2700');
  await acts.type(page.getByLabel('Depth', { exact: true }), '5600', true);
  await acts.choose(page.getByLabel('Outline', { exact: true }), 'corner by corner');
  await acts.type(
    page.getByRole('textbox', { name: 'Path' }),
    '10m,2m; 3m e; 4m n; 1m w; 1m n; 500 w; 1m n; 500 w; 1m s; 1m w',
    true,
  );
  await acts.click(page.getByText(/^On level/));
  await acts.click(page.getByRole('button', { name: 'S2', exact: true }));
  await acts.type(page.getByLabel('Move east'), '1.5m', true);
  const { shafts } = await downloadReport(page);
  expect(shafts.map(({ cuts }) => cuts.length)).toEqual([5, 5]);
  walked('j', acts.count);
});

test('(k) six more storeys with column heads', async ({ page }) => {
  const id = await makeProject(page.request, 'Acts k', [
    ['levels.setUp', { above: '2@4m' }],
    ['grids.add', { baysA: '3@7200', baysB: '2@7200' }],
    ['floors.add', { outline: { type: 'gridOffset', offsetMm: 300 } }],
    ['columns.placeAtCrossings', { lines: 'all', section: { shape: 'rectangle', widthMm: 500, depthMm: 500 } }],
  ]);
  await openProject(page, id);
  const acts = new Acts(page);
  await acts.say('levels 6@3.3m above 01');
  await acts.say('column heads 1200x1200 400 deep');
  const { columns, floors } = await downloadReport(page);
  expect([columns.length, floors.length]).toEqual([12 * 8, 9]);
  const ifc = await downloadText(page, 'Download IFC4');
  // Under the slabs of seven levels; none under the roof.
  expect(ifc.match(/'Column head'/g)).toHaveLength(12 * 7);
  walked('k', acts.count);
});

test('(l) a slab along the core of walls with an L-shaped void', async ({ page }) => {
  const layers = [
    { name: 'facing', thicknessMm: 120, core: false },
    { name: 'concrete', thicknessMm: 200, core: true },
  ];
  const corners = [
    [0, 0],
    [18_000, 0],
    [18_000, 12_000],
    [0, 12_000],
  ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! }));
  await openProject(
    page,
    await makeProject(page.request, 'Acts l', [
      ['levels.setUp', { above: '2@3.3m' }],
      [
        'walls.add',
        {
          name: 'Out',
          use: 'exterior',
          type: { name: 'T', layers },
          points: corners,
          closed: true,
          on: 'outside',
          startsAt: { level: '00' },
          stopsAt: { level: 'RF' },
        },
      ],
    ]),
  );
  const acts = new Acts(page);
  await acts.step('Floors');
  await acts.choose(page.getByLabel('Outline', { exact: true }), 'along walls');
  await acts.type(page.getByLabel('Thickness'), '250', true);
  await untilSaved(page);
  await acts.say('void Floor 1 at 01: 5m,4m; 4m e; 2m n; 2m w; 2m n; 2m w');
  const { floors } = await downloadReport(page);
  const whole = 17.76 * 11.76;
  const upwards = [...floors].sort((a, b) => a.topMm - b.topMm);
  expect(upwards.map(({ areaM2 }) => areaM2)).toEqual([whole, whole - 12, whole].map((m2) => expect.closeTo(m2, 4)));
  walked('l', acts.count);
});

test('(m) two buildings with a party wall and flat roofs', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Acts m', [['levels.setUp', { above: '3@3.3m' }]]));
  const acts = new Acts(page);
  await acts.say('whole building on 0,0 12mx9m');
  await acts.say('building East at 12m,0 zero 600');
  await acts.say('whole building 3@3.3m on 0,0 9mx9m in East');
  await acts.say('flat roof parapet 900');
  await acts.say('flat roof parapet 900 in East');
  await acts.say('party wall between House and East');
  const { buildings, walls, floors, findings } = await downloadReport(page);
  expect(buildings.map(({ zeroMm }) => zeroMm).sort()).toEqual([0, 600]);
  expect(walls.filter(({ use }) => use === 'party').length).toBeGreaterThan(2);
  // Its two roofs are laid to no falls yet.
  expect([floors.length, findings.map(({ rule }) => rule)]).toEqual([8, ['falls.none', 'falls.none']]);
  walked('m', acts.count);
});

const PLATE = { type: 'rectangle', place: '-20m,-20m', widthMm: 60_000, depthMm: 60_000 } as const;

test('(n) a quarter-turn stair with its opening, a handrail and a guard', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Acts n', [
      ['levels.setUp', { above: '2750mm 2750mm' }],
      ['floors.add', { outline: PLATE }],
    ]),
  );
  const acts = new Acts(page);
  await acts.step('Stairs');
  await acts.choose(page.getByLabel('Form', { exact: true }), 'Quarter turn with a landing');
  await acts.choose(page.getByLabel('As large as'), 'it must be, from a corner');
  await acts.choose(page.getByLabel('Rule set'), 'Private stair, public guidance');
  await acts.type(page.getByLabel('Begins at'), '2m,2m', true);
  await acts.say('handrail ST1 left');
  await acts.say('guard opening of ST1');
  const { stairs, guards, floors } = await downloadReport(page);
  expect(stairs.map(({ form, verdict }) => [form, verdict])).toEqual([
    ['quarterLanding', 'ok'],
    ['quarterLanding', 'ok'],
  ]);
  expect(floors.some(({ holes }) => holes > 0)).toBe(true);
  expect(guards.filter(({ is }) => is === 'handrail')).toHaveLength(2);
  expect(guards.filter(({ is }) => is === 'guard').length).toBeGreaterThan(0);
  walked('n', acts.count);
});

test('(o) one stair through 14 storeys of four heights', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Acts o', [
      ['levels.setUp', { above: '5.4m 3@4.8m 4@3.9m 6@3.3m' }],
      ['floors.add', { outline: PLATE }],
    ]),
  );
  const acts = new Acts(page);
  await acts.step('Stairs');
  await acts.choose(page.getByLabel('Form', { exact: true }), 'Three flights round a well');
  await acts.choose(page.getByLabel('As large as'), 'it must be, from a corner');
  await acts.type(page.getByLabel('Begins at'), '6m,2m', true);
  await untilSaved(page);
  const { stairs } = await downloadReport(page);
  expect(stairs).toHaveLength(14);
  for (const { verdict, risers, riserMm, heightMm } of stairs) {
    expect(verdict).toBe('ok');
    expect(risers! * riserMm!).toBeCloseTo(heightMm, 2);
  }
  walked('o', acts.count);
});

test('(p) an apron with two slopes, checked and cured', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Acts p', [['levels.setUp', { above: '3.3m' }]]));
  const acts = new Acts(page);
  await acts.step('Stairs');
  await acts.click(page.getByRole('button', { name: 'Sloped floors' }));
  await acts.type(page.getByLabel('Width', { exact: true }), '9000');
  await acts.type(page.getByLabel('Lower left, high'), '-310');
  await acts.type(page.getByLabel('Lower right, high'), '180', true);
  await acts.click(page.getByRole('button', { name: /^Make it longer the way it falls/ }));
  await expect(page.getByText(/at its steepest; its rule set/)).toHaveCount(0);
  const { slopedFloors } = await downloadReport(page);
  expect(slopedFloors[0]!.steepest!).toBeGreaterThanOrEqual(12 - 1e-6);
  walked('p', acts.count);
});

test('(q) a circular ramp up one storey', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Acts q', [
      ['levels.setUp', { above: '2@3.3m' }],
      ['floors.add', { outline: PLATE }],
    ]),
  );
  const acts = new Acts(page);
  await acts.step('Stairs');
  await acts.click(page.getByRole('button', { name: 'Ramps', exact: true }));
  await acts.choose(page.getByLabel('Form', { exact: true }), 'round a middle');
  await acts.choose(page.getByLabel('Stops at'), '01');
  await acts.type(page.getByLabel('Radius of its middle'), '8m', true);
  const { ramps, floors } = await downloadReport(page);
  expect(ramps).toMatchObject([{ form: 'circular', riseMm: 3300, verdict: 'ok' }]);
  expect(floors.find(({ level }) => level === '01')!.holes).toBeGreaterThan(0);
  walked('q', acts.count);
});

test('(r) all open edges of a 12-storey building guarded', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Acts r', [
      ['levels.setUp', { above: '12@3.3m' }],
      ['floors.add', { outline: { type: 'rectangle', place: '0,0', widthMm: 24_000, depthMm: 15_000 } }],
      [
        'shafts.add',
        { name: 'S1', purpose: 'void', outline: { type: 'rectangle', place: '9m,6m', widthMm: 3000, depthMm: 3000 } },
      ],
    ]),
  );
  const acts = new Acts(page);
  await acts.step('Stairs');
  await acts.click(page.getByRole('button', { name: 'Guards', exact: true }));
  await acts.click(page.getByRole('button', { name: 'Add the guard' }));
  await untilSaved(page);
  const { guards } = await downloadReport(page);
  // Eleven storeys over the ground: round the slab, and round the opening, which the ground floor has too.
  expect(new Set(guards.map(({ level }) => level)).size).toBeGreaterThanOrEqual(11);
  walked('r', acts.count);
});

test('(s) a pitched roof with a gable on an L-shaped house, its walls ending at it', async ({ page }) => {
  const corners = [
    [0, 0],
    [10_000, 0],
    [10_000, 4000],
    [5000, 4000],
    [5000, 9000],
    [0, 9000],
  ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! }));
  await openProject(
    page,
    await makeProject(page.request, 'Acts s', [
      ['levels.setUp', { above: '3m 2.8m' }],
      [
        'walls.add',
        {
          name: 'W1',
          use: 'exterior',
          type: { name: 'Brick 300', layers: [{ name: 'brick', thicknessMm: 300, core: true }] },
          place: '0,0',
          points: corners,
          closed: true,
          on: 'outside',
          startsAt: { level: '00' },
          stopsAt: { level: 'RF' },
        },
      ],
    ]),
  );
  const acts = new Acts(page);
  await acts.step('Floors & roof');
  await acts.click(page.getByRole('button', { name: 'Pitched roof', exact: true }));
  await acts.choose(page.getByLabel('upper side 2: what it is'), 'gable');
  await acts.click(page.getByRole('button', { name: 'Add the roof' }));
  await acts.click(page.getByRole('button', { name: 'Let the walls under it end at it' }));
  await untilSaved(page);
  const { roofs, findings, walls } = await downloadReport(page);
  expect(roofs).toMatchObject([{ form: 'mixed', footprintM2: 65 }]);
  expect(roofs[0]!.faces).toHaveLength(5);
  expect(findings.filter(({ rule }) => rule.startsWith('pitchedRoof'))).toEqual([]);
  expect(walls.length).toBeGreaterThan(0);
  walked('s', acts.count);
});

test('(t) a flat roof with a parapet and falls to two outlets', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Acts t', [
      [
        'carry.wholeBuilding',
        { storeys: '2@3m', outline: { type: 'rectangle', place: '0,0', widthMm: 18_800, depthMm: 42_800 } },
      ],
    ]),
  );
  const acts = new Acts(page);
  await acts.step('Floors & roof');
  await acts.click(page.getByRole('button', { name: 'Flat roof', exact: true }));
  await acts.check(page.getByLabel('With falls'));
  await acts.type(page.getByLabel('Outlets, pressed in the plan or typed'), '9400,10900; 9400,31900');
  await acts.click(page.getByRole('button', { name: 'Add the roof' }));
  await untilSaved(page);
  const { roofs, fallLayers, findings } = await downloadReport(page);
  expect(roofs).toMatchObject([{ form: 'flat', footprintM2: expect.closeTo(18.04 * 42.04, 6) }]);
  expect(roofs[0]!.faces).toHaveLength(8);
  expect(fallLayers).toMatchObject([{ leastMm: 40, mostMm: 40 + 10_500 / 50, outlets: 2, hasWayOut: true }]);
  expect(findings).toEqual([]);
  walked('t', acts.count);
});

test('(u) two houses with gable roofs and a shared wall', async ({ page }) => {
  const outline = { type: 'rectangle' as const, place: '0,0', widthMm: 8000, depthMm: 10_000 };
  await openProject(
    page,
    await makeProject(page.request, 'Acts u', [
      ['buildings.add', { name: 'East', xMm: 8000, zeroMm: 500 }],
      ['carry.wholeBuilding', { building: 'House', storeys: '2@3m', outline }],
      ['carry.wholeBuilding', { building: 'East', storeys: '2@3m', outline }],
      ['walls.makeParty', { walls: ['W1', 'W2'], name: 'Party' }],
    ]),
  );
  const acts = new Acts(page);
  for (const [building, far] of [
    ['House', 'left'],
    ['East', 'right'],
  ] as const) {
    await acts.choose(page.getByLabel('Building', { exact: true }), building);
    await acts.step('Floors & roof');
    await acts.click(page.getByRole('button', { name: 'Pitched roof', exact: true }));
    await acts.choose(page.getByLabel(`${far} side: what it is`), 'gable');
    await acts.click(page.getByRole('button', { name: 'Add the roof' }));
    await acts.click(page.getByRole('button', { name: 'Let the walls under it end at it' }));
    await untilSaved(page);
  }
  const { roofs, findings } = await downloadReport(page);
  expect(roofs.map(({ form }) => form)).toEqual(['saddle', 'saddle']);
  expect(findings.filter(({ rule }) => rule.startsWith('pitchedRoof'))).toEqual([]);
  walked('u', acts.count);
});

test('the counts kept in docs/acts.md are these', () => {
  const rows = WALKS.map(([key, words, most]) => `| ${key} | ${words} | ${counted.get(key)} | ${most} |`);
  const text = `# Acts

How many acts some everyday jobs take in the interface, counted by \`e2e/acts.spec.ts\`: a click, a drag, a choice, a
typed value with Enter and a key chord count one each. The test run prints these and fails when they differ.

| | The job | Acts | At most |
| --- | --- | --- | --- |
${rows.join('\n')}
`;
  if (process.env.WRITE_ACTS) writeFileSync('docs/acts.md', text);
  expect(readFileSync('docs/acts.md', 'utf8').replace(/ +\|/g, ' |').replace(/-+/g, '---')).toBe(
    text.replace(/ +\|/g, ' |').replace(/-+/g, '---'),
  );
});
