import { expect, test, type Page } from '@playwright/test';
import { downloadReport, downloadText, enterAs, makeProject, openProject, openStep, untilSaved } from './project';

const PLATE = { type: 'rectangle', place: '-20m,-20m', widthMm: 60_000, depthMm: 60_000 } as const;
const details = (page: Page) => page.getByRole('complementary', { name: 'Details' });

test.beforeEach(async ({ page }) => enterAs(page, 'designer'));

test('a stair takes another form and another way at one storey, and a number of risers is judged', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Climbing', [
      ['levels.setUp', { above: '2@3m' }],
      ['floors.add', { outline: PLATE }],
      ['stairs.add', { name: 'ST1', begin: { place: '2000,2000' }, rules: 'private' }],
    ]),
  );
  await page.getByText(/^On level/).click();
  await page.getByRole('button', { name: 'ST1', exact: true }).click();
  const panel = details(page);
  await expect(panel.getByText(/^Half turn with a landing, from 00/)).toBeVisible();
  await panel.getByLabel('Form', { exact: true }).selectOption({ label: 'Straight with a landing' });
  await expect(panel.getByText(/^Straight with a landing, from 00/)).toBeVisible();
  // The second way that is listed is taken for this storey alone.
  const ways = panel.getByRole('region', { name: 'Ways to climb this storey' });
  const other = ways.getByRole('button', { name: /^Climb it in/ }).first();
  const deal = (await other.getAttribute('aria-label'))!.replace('Climb it in ', '');
  await other.click();
  await expect(ways.getByRole('button', { name: 'As is best again' })).toBeVisible();
  await untilSaved(page);
  const { stairs } = await downloadReport(page);
  expect(stairs.filter(({ flights }) => flights.join(' + ') === deal)).toHaveLength(1);
  await ways.getByRole('button', { name: 'As is best again' }).click();
  // Which form would fit is asked of all of them, and one is used by a press.
  await panel.getByRole('button', { name: /^Which form would fit/ }).click();
  await panel.getByRole('button', { name: 'Use the form Spiral round a post' }).click();
  await expect(panel.getByText(/^Spiral round a post, from 00/)).toBeVisible();
  await panel.getByLabel('Step risers, each storey').fill('10');
  await page.keyboard.press('Enter');
  await expect(panel.getByText(/as it was asked for: riser 300 mm over 220 mm/).first()).toBeVisible();
  await panel.getByRole('button', { name: 'Let its steps be as is best', exact: true }).first().click();
  await expect(panel.getByText(/as it was asked for/)).toHaveCount(0);
  await panel.getByLabel('Carried by').selectOption({ label: 'two stringers' });
  // Its panel is as long as it is going to be before a box in it is pressed.
  await untilSaved(page);
  await panel.getByLabel('Open risers').check();
  await untilSaved(page);
  expect(await downloadText(page, 'Download IFC4')).toMatch(/IFCSTAIR\(.*SPIRAL_STAIR/);
});

test('a ramp is typed with a slope in percent, its verdict said and mended, and guarded on both sides', async ({
  page,
}) => {
  await openProject(
    page,
    await makeProject(page.request, 'Ramps', [
      ['levels.setUp', { above: '3.3m' }],
      ['floors.add', { outline: PLATE }],
    ]),
  );
  await openStep(page, 'Stairs');
  const tool = page.getByRole('region', { name: 'Stairs tools' });
  await tool.getByRole('button', { name: 'Ramps', exact: true }).click();
  await tool.getByLabel('Stops over that level by').fill('450');
  await tool.getByLabel('Slope').fill('12 %');
  await expect(tool.getByText(/1:8.3 \(12 %, 6.8°\)/).first()).toBeVisible();
  await expect(tool.getByText(/steeper than 1:12/)).toBeVisible();
  await tool.getByRole('button', { name: 'Add the ramp' }).click();
  const panel = details(page);
  await expect(panel.getByRole('heading', { name: 'Ramp RA1' })).toBeVisible();
  await panel.getByRole('button', { name: 'Let it be as long as it must be', exact: true }).click();
  await expect(panel.getByText(/450 up in 5400, 1:12/)).toBeVisible();
  await tool.getByRole('button', { name: 'Guards', exact: true }).click();
  await tool.getByLabel('Along', { exact: true }).selectOption({ label: 'a stair or ramp' });
  await tool.getByRole('button', { name: 'Add the guard' }).click();
  await expect(panel.getByRole('heading', { name: 'Guard GD1' })).toBeVisible();
  await panel.getByRole('button', { name: 'Leave a piece out' }).click();
  await untilSaved(page);
  const { ramps, guards } = await downloadReport(page);
  expect(ramps).toMatchObject([{ riseMm: 450, slopeRatio: 12, verdict: 'ok' }]);
  // Two sides of 5.4 m and a little for the slope, less a metre.
  expect(guards[0]!.lengthM).toBeCloseTo(2 * Math.sqrt(5.4 ** 2 + 0.45 ** 2) - 1, 1);
  const ifc = await downloadText(page, 'Download IFC4');
  expect(ifc).toContain('IFCRAMPFLIGHT(');
  expect(ifc).toContain('IFCRAILING(');
});

test('three flights go round a well of five corners pressed in the plan, and one comes in over another side of it', async ({
  page,
}) => {
  await openProject(
    page,
    await makeProject(page.request, 'Corners', [
      ['levels.setUp', { above: '2@3m' }],
      ['floors.add', { outline: PLATE }],
    ]),
  );
  await openStep(page, 'Stairs');
  const tool = page.getByRole('region', { name: 'Stairs tools' });
  await tool.getByLabel('As large as').selectOption({ label: 'a well of the corners it is given' });
  await expect(tool.getByLabel('Form', { exact: true })).toHaveValue('threeFlight');
  await tool.getByLabel('Path').fill('0,0; 6000,-500; 1500,4000; -3500,3500; -4500,-2000');
  await tool.getByLabel('Flight, wide').fill('900');
  await tool.getByLabel('One comes in from').selectOption({ label: 'the upper right side' });
  await expect(tool.getByText('2 of 2 storeys climbed').first()).toBeVisible();
  await tool.getByRole('button', { name: 'Add the stair' }).click();
  const panel = details(page);
  await expect(panel.getByText(/^Three flights round a well, from 00/)).toBeVisible();
  await panel.getByLabel('One comes in from').selectOption({ label: 'the lower side' });
  await untilSaved(page);
  const { stairs, findings } = await downloadReport(page);
  expect(stairs).toHaveLength(2);
  expect(stairs[0]).toMatchObject({ form: 'threeFlight', verdict: 'ok' });
  expect(stairs[0]!.flights).toHaveLength(3);
  expect(findings.filter(({ rule }) => rule.startsWith('stair.'))).toEqual([]);
});

test('a ramp leads across to the level of another building, and a corner of a sloped floor is dragged up in a section', async ({
  page,
}) => {
  await openProject(
    page,
    await makeProject(page.request, 'Across', [
      ['levels.setUp', { above: '3.3m' }],
      [
        'slopedFloors.add',
        {
          name: 'SF1',
          corners: [
            { xMm: 0, yMm: 0 },
            { xMm: 6000, yMm: 0 },
            { xMm: 6000, yMm: 4000 },
            { xMm: 0, yMm: 4000 },
          ],
          baseAt: { level: '00' },
        },
      ],
      ['buildings.add', { name: 'Outbuilding', zeroMm: 450 }],
      ['levels.setUp', { building: 'Outbuilding', above: '3.3m' }],
    ]),
  );
  await openStep(page, 'Stairs');
  const tool = page.getByRole('region', { name: 'Stairs tools' });
  await tool.getByRole('button', { name: 'Ramps', exact: true }).click();
  await tool.getByLabel('Stops at').selectOption({ label: '00, 450 above datum' });
  await tool.getByRole('button', { name: 'Add the ramp' }).click();
  await expect(details(page).getByText(/450 up in 5400, 1:12/)).toBeVisible();
  await page.getByRole('tab', { name: 'Section' }).click();
  const drawing = page.getByRole('img', { name: 'Section: South elevation' });
  await expect(drawing).toBeVisible();
  const at = (x: number, z: number) =>
    drawing.evaluate(
      (svg, point) => {
        const matrix = (svg.querySelector('g') as SVGGElement).getScreenCTM()!;
        return { x: matrix.a * point.x + matrix.e, y: matrix.d * -point.z + matrix.f };
      },
      { x, z },
    );
  const edge = await at(4000, -100);
  await page.mouse.click(edge.x, edge.y);
  await expect(details(page).getByRole('heading', { name: 'Sloped floor SF1' })).toBeVisible();
  const corner = (await page.locator('[data-end="corner"]').filter({ hasText: 'Move corner 2' }).boundingBox())!;
  const to = await at(7000, 600);
  await page.mouse.move(corner.x + corner.width / 2, corner.y + corner.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 5 });
  await page.mouse.up();
  await untilSaved(page);
  await expect(details(page).getByLabel('Corner 2, high')).toHaveValue(/^(550|600|650)$/);
  const { ramps, slopedFloors } = await downloadReport(page);
  expect(ramps).toMatchObject([{ riseMm: 450, slopeRatio: 12 }]);
  expect(slopedFloors[0]!.steepest).not.toBeNull();
});
