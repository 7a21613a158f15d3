import { expect, test, type Page } from '@playwright/test';
import {
  downloadReport,
  downloadText,
  enterAs,
  FURNISHED,
  makeProject,
  openProject,
  openStep,
  untilSaved,
} from './project';

test.beforeEach(async ({ page }) => enterAs(page, 'designer'));
const plan = (page: Page) => page.getByRole('img', { name: /^Plan of level/ });
const level = (page: Page, name: string) =>
  page
    .getByRole('button', { name: new RegExp(`^Level ${name}`) })
    .first()
    .click();

test('a stair is placed in a well, each storey climbed on its own, and a storey it cannot climb is mended by a fix', async ({
  page,
}) => {
  await openProject(page, await makeProject(page.request, 'Stairs', FURNISHED));
  await openStep(page, 'Stairs');
  await page.getByLabel('Corner at').fill('A-1 + 1500,1000');
  await page.getByLabel('Width', { exact: true }).fill('2600');
  await page.getByLabel('Depth', { exact: true }).fill('5600');
  await expect(page.getByText('8 of 8 storeys climbed').first()).toBeVisible();
  await page.getByLabel('Depth', { exact: true }).fill('4200');
  await expect(page.getByText(/5 of 8 storeys climbed/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Add the stair' }).click();
  await openStep(page, 'Checks');
  const cards = page.getByText(/Stair ST1 cannot climb/);
  await expect(cards.first()).toBeVisible();
  const before = await cards.count();
  await page
    .getByRole('button', { name: /^Make its well \d+ mm longer/ })
    .first()
    .click();
  await expect.poll(() => cards.count()).toBeLessThan(before);
  await plan(page).getByText('ST1').click();
  await expect(page.getByRole('heading', { name: 'Stair ST1' })).toBeVisible();
  await page.getByLabel('Rule set').selectOption({ label: 'Private stair, public guidance' });
  await page.getByRole('tab', { name: 'Schedules' }).click();
  await page.getByRole('button', { name: 'Stairs', exact: true }).last().click();
  await expect(page.getByRole('table', { name: 'Storeys of stair ST1' }).first()).toBeVisible();
  const { stairs, floors } = await downloadReport(page);
  expect(stairs).toHaveLength(8);
  for (const { heightMm, risers, riserMm } of stairs) if (risers) expect(risers * riserMm!).toBeCloseTo(heightMm, 2);
  expect(floors.filter(({ holes }) => holes === 1)).toHaveLength(8);
  expect(await downloadText(page, 'Download IFC4')).toContain('IFCSTAIRFLIGHT');
});

test('walls are typed and pressed, opened, and a slab follows the face of their core', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Walls', FURNISHED.slice(0, 3)));
  await openStep(page, 'Walls');
  await page.getByLabel('Path', { exact: true }).fill('A-1 + -300,-300; 25800 e; 15000 n; 25800 w; close');
  await expect(page.getByText('4 corners, 81600 long, closed').first()).toBeVisible();
  await page.getByRole('button', { name: 'Add the wall' }).click();
  // What was added is chosen, and has fields of the same names.
  const tool = page.getByRole('region', { name: 'Walls tools' });
  await expect(page.getByRole('heading', { name: 'Wall W1' })).toBeVisible();
  await tool.getByLabel('For', { exact: true }).selectOption('interior');
  const box = (await plan(page).boundingBox())!;
  await page.mouse.click(box.x + box.width * 0.45, box.y + box.height * 0.5);
  await page.mouse.click(box.x + box.width * 0.55, box.y + box.height * 0.5);
  await expect(page.getByLabel('Path', { exact: true })).toHaveValue(/; \d+ e$/);
  await page.getByRole('button', { name: 'Add the wall' }).click();
  await page.getByRole('button', { name: 'Close the Walls tools' }).click();
  await page.getByText(/^On level/).click();
  await page.getByRole('button', { name: 'W1', exact: true }).click();
  await page.getByText('Doors, windows, openings').click();
  await page.getByRole('combobox', { name: 'Another' }).selectOption('window');
  await page.getByLabel('From the wall’s start').fill('3m');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByLabel('Openings of this wall')).toContainText('N1');
  await openStep(page, 'Floors');
  await page.getByLabel('Outline', { exact: true }).selectOption({ label: 'along walls' });
  await page.getByRole('button', { name: 'Add the floor plate' }).click();
  const { walls, floors } = await downloadReport(page);
  // 90 and 110 of the wall's layers lie outside its core.
  expect(floors.find(({ name, level: at }) => name === 'Floor 2' && at === '02')!.areaM2).toBeCloseTo(25.4 * 14.6, 3);
  expect(walls.map(({ name }) => name).sort()).toEqual(['W1', 'W2']);
  expect(walls.find(({ name }) => name === 'W1')!.openings).toMatchObject([{ name: 'N1', kind: 'window' }]);
  await page.getByRole('tab', { name: '3D' }).click();
  await expect(page.getByRole('img', { name: /^3D of the framework/ })).toBeVisible();
});

test('a shaft is copied to exact places, differs at a level, and is brushed up and down the carry board', async ({
  page,
}) => {
  await openProject(page, await makeProject(page.request, 'Board', FURNISHED));
  await openStep(page, 'Shafts');
  await page.getByLabel('Corner at').fill('A-1 + 1200,1200');
  await page.getByRole('button', { name: 'Add the shaft' }).click();
  await page.getByRole('button', { name: 'Close the Shafts tools' }).click();
  await plan(page).getByText('S1', { exact: true }).click();
  await page.getByText('Copy or mirror').click();
  await page.getByLabel('Copy east, north by').fill('4m,0; 0,3.6m');
  await page.getByLabel('Copy east, north by').press('Enter');
  await level(page, '02');
  await plan(page).getByText('S1', { exact: true }).click();
  await page.getByText('Other at some levels').click();
  await page.getByLabel('its slab is').selectOption('closed');
  await expect(page.getByText('slab left closed')).toBeVisible();

  await page.getByRole('tab', { name: 'Carry board' }).click();
  const bar = page.locator('[data-carried="S2"]');
  const box = (await bar.boundingBox())!;
  const row = 30;
  // Storeys run from the roof down: S2 stands from 05 to B2. Its top is brushed down by two.
  await page.mouse.move(box.x + box.width / 2, box.y + row * 1.5);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + row * 2.5, { steps: 3 });
  await page.mouse.move(box.x + box.width / 2, box.y + row * 3.5, { steps: 3 });
  await page.mouse.up();
  await page.getByRole('button', { name: 'Choose B-2' }).click();
  await page.getByRole('button', { name: 'Level 02 on the board' }).click();
  await page.getByRole('button', { name: 'Leave it out here' }).click();
  await expect(page.getByText('left out', { exact: false }).first()).toBeVisible();
  await untilSaved(page);
  const { shafts, columns } = await downloadReport(page);
  const cuts = (name: string) => shafts.find((shaft) => shaft.name === name)!.cuts.map((cut) => cut.level);
  expect(cuts('S1')).not.toContain('02');
  expect(cuts('S2')).toContain('02');
  expect(cuts('S2')).not.toContain('05');
  expect(cuts('S3').sort()).toEqual([...cuts('S1'), '02'].sort());
  expect(columns.filter(({ stack, level: at }) => stack === 'B-2' && at === '02')).toHaveLength(0);
});

test('a storey is carried up with what it brings about said first, and tried by typing', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Carry', [
      ...FURNISHED.slice(0, 2),
      [
        'floors.add',
        { name: 'Plate', outline: { type: 'gridOffset', offsetMm: 300 }, levels: { range: ['00', '01'] } },
      ],
      [
        'stairs.add',
        {
          well: { type: 'rectangle', place: 'A-1 + 1500,1000', widthMm: 2600, depthMm: 5600 },
          startsAt: { level: '00' },
          stopsAt: { level: '01' },
        },
      ],
    ]),
  );
  await level(page, '00');
  await page.getByRole('tab', { name: 'Carry board' }).click();
  await page.getByRole('button', { name: 'Carry storey 00 …' }).click();
  const panel = page.getByRole('dialog', { name: 'Carry storey 00' });
  await panel.getByLabel('To level').selectOption({ label: '03' });
  await expect(panel.getByText('2 of 2 carried; 0 stand there already')).toBeVisible();
  await expect(panel.getByText(/Stair ST1 from 02: climbs it/)).toBeVisible();
  await panel.getByRole('button', { name: 'Carry', exact: true }).click();
  await expect(panel).toBeHidden();
  const { floors, stairs } = await downloadReport(page);
  expect(floors.map((floor) => floor.level)).toEqual(['00', '01', '02', '03']);
  expect(stairs.map((storey) => storey.level)).toEqual(['00', '01', '02', '03']);
  // On the side, before it is done: what a higher storey would bring about.
  await page.keyboard.press('Control+k');
  const entry = page.getByRole('combobox', { name: 'Quick entry' });
  await entry.fill('storey 00 5.5m');
  await expect(page.getByText(/Stair ST1 from 00: 31 → 32 step risers of 171.9/)).toBeVisible();
  await entry.press('Escape');
  expect((await downloadReport(page)).stairs[0]!.heightMm).toBe(5400);
});

test('rooms are pressed and named, and carried up where the walls are the same', async ({ page }) => {
  const layers = [{ name: 'concrete', thicknessMm: 200, core: true }];
  const points = [
    { xMm: 0, yMm: 0 },
    { xMm: 12_000, yMm: 0 },
    { xMm: 12_000, yMm: 9000 },
    { xMm: 0, yMm: 9000 },
  ];
  await openProject(
    page,
    await makeProject(page.request, 'Rooms', [
      ['levels.setUp', { above: '2@3m' }],
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
          stopsAt: { level: 'RF' },
        },
      ],
    ]),
  );
  await openStep(page, 'Walls');
  await page.getByRole('button', { name: 'Rooms', exact: true }).click();
  await expect(page.getByText('1 closed room here, 1 without a name. Press in one.')).toBeVisible();
  const box = (await plan(page).boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await expect(page.getByText(/^A room of 99.8 m²/)).toBeVisible();
  const form = page.getByRole('form', { name: 'Name a room' });
  await form.getByLabel('Name', { exact: true }).fill('Studio');
  await form.getByLabel('Name', { exact: true }).press('Enter');
  await expect(page.getByLabel('Rooms here')).toContainText('00.01 Studio');
  await page.getByRole('button', { name: 'Close the Walls tools' }).click();
  await level(page, '01');
  // Its number is that of the level it is at.
  await expect(plan(page).getByText('01.01 Studio')).toBeVisible();
  await page.getByRole('tab', { name: 'Schedules' }).click();
  await page.getByRole('button', { name: 'Rooms', exact: true }).last().click();
  const table = page.getByRole('table', { name: 'Rooms' });
  await expect(table).toContainText('2 rooms');
  // By level first; a heading that is pressed sorts up, and pressed again down.
  await expect(table.getByRole('row').nth(1)).toContainText('00.01');
  await table.getByRole('button', { name: 'Number' }).click();
  await expect(table.getByRole('row').nth(1)).toContainText('00.01');
  await table.getByRole('button', { name: 'Number' }).click();
  await expect(table.getByRole('columnheader', { name: 'Number' })).toHaveAttribute('aria-sort', 'descending');
  await expect(table.getByRole('row').nth(1)).toContainText('01.01');
});
