import { expect, test } from '@playwright/test';
import { downloadReport, enterAs, FURNISHED, makeProject, openProject, untilSaved } from './project';

test('a level is typed anew at its mark in a section, and the plan beside it and the strip follow', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  await openProject(page, await makeProject(page.request, 'Section', FURNISHED));
  await page.getByRole('tab', { name: 'Section' }).click();
  const drawing = page.getByRole('img', { name: /^Section:/ });
  await expect(drawing.getByText('02 +10.200')).toBeVisible();
  await page.getByLabel('What is drawn').selectOption({ label: 'Section along B' });
  await expect(page.getByRole('img', { name: 'Section: along B' })).toBeVisible();
  await page.getByLabel('Beside it', { exact: true }).first().selectOption({ label: 'with Plan beside' });
  await expect(page.getByRole('img', { name: /^Plan of level/ })).toBeVisible();
  const popover = page.getByRole('dialog');
  // The drawing fits itself to its narrower room in two passes; a press in between may land beside the mark.
  await expect(async () => {
    await drawing.getByText('02 +10.200').click();
    await expect(popover).toBeVisible({ timeout: 1500 });
  }).toPass();
  await popover.getByLabel(/^Elevation/).fill('10.5m');
  await popover.getByRole('button', { name: /^Only this/ }).click();
  await expect(drawing.getByText('02 +10.500')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Elevation of level 02, \+10.500/ })).toBeVisible();
  await expect(page.getByRole('img', { name: 'Plan of level 02' })).toBeVisible();
  await untilSaved(page);
  await page.getByLabel('What is drawn').selectOption('points');
  await page.getByLabel('from', { exact: true }).fill('A-1 + 0,3000');
  await page.getByLabel('to', { exact: true }).fill('A-9');
  await expect(page.getByText('Type both points')).toBeVisible();
  await page.getByLabel('to', { exact: true }).fill('A-5 + 0,3000');
  await expect(drawing.getByText('02 +10.500')).toBeVisible();
});

test('a section along a line drawn in the plan; levels of two buildings at its two sides; a mark placed by hand', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Drawn section', [
    ...FURNISHED,
    ['buildings.add', { name: 'Annex', zeroMm: 600, xMm: '30m' }],
    ['levels.setUp', { building: 'Annex', above: '4.8m 4.2m' }],
  ]);
  await openProject(page, id);
  await page.getByRole('tab', { name: 'Section' }).click();
  const drawing = page.getByRole('img', { name: /^Section:/ });
  await page.getByLabel('levels left').selectOption({ label: 'Annex' });
  await expect(drawing.getByText('01 +4.800')).toBeVisible();
  await expect(drawing.getByText('01 +5.400')).toBeVisible();
  // Dragged, a mark stays where it is put; let go, it goes back.
  const mark = drawing.getByText('02 +10.200');
  const box = (await mark.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 40, { steps: 5 });
  await page.mouse.up();
  await expect.poll(async () => Math.round((await mark.boundingBox())!.y - box.y)).toBeLessThan(-30);
  await page.getByRole('button', { name: 'Marks by themselves again' }).click();
  await expect.poll(async () => Math.abs((await mark.boundingBox())!.y - box.y)).toBeLessThan(4);
  await page.getByLabel('What is drawn').selectOption('points');
  await page.getByRole('button', { name: 'Draw it in the plan' }).click();
  const plan = page.getByRole('img', { name: /^Plan of level/ });
  const room = (await plan.boundingBox())!;
  await page.mouse.move(room.x + room.width * 0.35, room.y + room.height * 0.55);
  await page.mouse.down();
  await page.mouse.move(room.x + room.width * 0.7, room.y + room.height * 0.5, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByLabel('from', { exact: true })).toHaveValue(/^[A-C]-\d/);
  await expect(page.getByLabel('to', { exact: true })).toHaveValue(/^[A-C]-\d/);
  await expect(drawing.getByText('02 +10.200')).toBeVisible();
  await expect(page.getByRole('heading', { name: /^Level/ })).toBeVisible();
});

test('in a section the top of a column, a level and a sill are dragged, onto faces of levels or in steps', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Dragged', [
    ['levels.setUp', { above: '4@3m' }],
    ['grids.add', { baysA: '2@6000', baysB: '6000' }],
    ['columns.place', { place: 'A-2', section: { shape: 'rectangle', widthMm: 400, depthMm: 400 } }],
    [
      'walls.add',
      {
        name: 'W1',
        type: { name: 'Exterior 300', layers: [{ name: 'brick', thicknessMm: 300, core: true }] },
        place: 'A-1',
        points: [
          { xMm: 1000, yMm: 0 },
          { xMm: 5000, yMm: 0 },
        ],
        startsAt: { level: '00' },
        stopsAt: { level: '01' },
      },
    ],
    ['walls.addOpening', { wall: 'W1', opening: 'window', alongMm: 1500, widthMm: 1000, sillMm: 900, heightMm: 1200 }],
  ]);
  await openProject(page, id);
  await page.getByRole('tab', { name: 'Section' }).click();
  const drawing = page.getByRole('img', { name: 'Section: South elevation' });
  await expect(drawing.getByText('02 +6.000')).toBeVisible();
  /** Where a point of the drawing is on the page. */
  const at = (x: number, z: number) =>
    drawing.evaluate(
      (svg, point) => {
        const matrix = (svg.querySelector('g') as SVGGElement).getScreenCTM()!;
        return { x: matrix.a * point.x + matrix.e, y: matrix.d * -point.z + matrix.f };
      },
      { x, z },
    );
  const drag = async (handle: string, toX: number, toZ: number, offPx = 3) => {
    const box = (await page.locator(`[data-end="${handle}"]`).first().boundingBox())!;
    const to = await at(toX, toZ);
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y + offPx, { steps: 5 });
    await page.mouse.up();
  };
  // The elevation begins a metre beside the building.
  const press = async (x: number, z: number) => {
    const point = await at(x, z);
    await page.mouse.click(point.x, point.y);
  };
  await press(7000, 5000);
  await expect(page.getByRole('heading', { name: /A-2/ })).toBeVisible();
  await drag('stop', 7000, 6000, -2);
  await untilSaved(page);
  await expect(page.getByLabel('Stops at: level')).toHaveValue(/./);
  await expect(page.getByLabel('Stops at: face')).toHaveValue('FFL');
  await expect(page.getByLabel('Stops at: level').locator('option:checked')).toHaveText('02');
  await page.keyboard.press('Escape');
  await press(2300, 400);
  await expect(page.getByRole('heading', { name: /W1/ })).toBeVisible();
  await drag('sill', 3000, 1300, 0);
  await untilSaved(page);
  const { walls } = await downloadReport(page);
  expect(walls[0]!.openings[0]).toMatchObject({ sillMm: 1300 });
  // Esc gives up what is held; let go elsewhere, the level is there and all above it.
  await drawing.getByText('03 +9.000').click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  const handle = (await page.locator('[data-end="level"]').boundingBox())!;
  await page.mouse.move(handle.x + handle.width / 2, handle.y + handle.height / 2);
  await page.mouse.down();
  await page.mouse.move(handle.x, handle.y - 30, { steps: 4 });
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(drawing.getByText('03 +9.000')).toBeVisible();
  await drag('level', 0, 9300, 0);
  await expect(drawing.getByText('03 +9.300')).toBeVisible();
  await expect(drawing.getByText('RF +12.300')).toBeVisible();
});

test('a level is inserted in the section, and in 3D scrolling on the strip goes from storey to storey', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  await openProject(page, await makeProject(page.request, 'Sections', FURNISHED));
  await page.getByRole('tab', { name: 'Section' }).click();
  const levels = async () => (await downloadReport(page)).levels.map(({ name }) => name);
  const before = await levels();
  await page.getByRole('button', { name: 'Insert a level over 01, in the section' }).click();
  const box = page.getByRole('dialog');
  await expect(box).toContainText('01');
  await box.getByRole('button', { name: 'Push the others' }).click();
  await expect(box).toBeHidden();
  const after = await levels();
  expect(after).toHaveLength(before.length + 1);
  await page.getByRole('tab', { name: '3D' }).click();
  await page.getByRole('button', { name: /^Level 00/ }).click();
  const level = page.getByRole('button', { name: /^Level 00/ });
  const at = (await level.boundingBox())!;
  await page.mouse.move(at.x + 5, at.y + 5);
  await page.mouse.wheel(0, -120);
  await expect(page.getByRole('heading', { name: /^Level 01/ })).toBeVisible();
  await page.mouse.wheel(0, 120);
  await expect(page.getByRole('heading', { name: /^Level 00/ })).toBeVisible();
});
