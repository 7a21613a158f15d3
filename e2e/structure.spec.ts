import { expect, test, type Page } from '@playwright/test';
import { downloadReport, enterAs, FURNISHED, makeProject, openProject, openStep, send, untilSaved } from './project';

const layers = [{ name: 'concrete', thicknessMm: 200, core: true }];
const corners = (text: string) =>
  text.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) }));

const level = (page: Page, name: string) =>
  page
    .getByRole('button', { name: new RegExp(`^Level ${name}`) })
    .first()
    .click();

async function say(page: Page, line: string): Promise<void> {
  await page.keyboard.press('Control+k');
  const entry = page.getByRole('combobox', { name: 'Quick entry' });
  await entry.fill(line);
  await entry.press('Enter');
  await expect(entry).toHaveValue('');
  await untilSaved(page);
}

test.beforeEach(async ({ page }) => enterAs(page, 'designer'));

test('a finding is mended by one press, which is undone like any edit', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Mended', FURNISHED));
  await level(page, 'B2');
  const card = page.getByText(/Nothing founds level B2/);
  await expect(card).toBeVisible();
  await page.getByRole('button', { name: 'Add a raft under the lowest floor' }).click();
  await expect(card).toBeHidden();
  const { foundations, findings } = await downloadReport(page);
  expect([foundations.length, findings]).toEqual([1, []]);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await level(page, 'B2');
  await expect(card).toBeVisible();
});

test('foundations are added with the tool, read in Details and changed there', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Founded', FURNISHED));
  await openStep(page, 'Floors');
  await page.getByRole('button', { name: 'Foundations' }).click();
  await page.getByLabel('Form').selectOption({ label: 'pads under columns' });
  await expect(page.getByText(/begin on the lowest level without one: 15/)).toBeVisible();
  await page.getByRole('button', { name: 'Add pads' }).click();
  await level(page, 'B2');
  await page.getByText('On level B2').click();
  await page.getByRole('button', { name: 'F1', exact: true }).click();
  await expect(page.getByText('15 pads of concrete under level B2')).toBeVisible();
  await page.getByLabel(/^Subgrade modulus/).fill('25000');
  await page.getByLabel(/^Subgrade modulus/).press('Enter');
  await page.getByLabel('Held along x').click();
  await expect(page.getByLabel('Held along x')).toBeChecked();
  const { foundations } = await downloadReport(page);
  expect(foundations).toHaveLength(15);
  expect(foundations[0]).toMatchObject({ subgradeKnM3: 25_000, restrained: ['x', 'z'] });
});

test('a core is made, moved as one, and taken apart', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Core', [
      ...FURNISHED,
      ['shafts.add', { name: 'S1', outline: { type: 'rectangle', place: '2000,1500', widthMm: 2400, depthMm: 3000 } }],
      ['stairs.add', { name: 'ST1', well: { type: 'rectangle', place: '9000,7600', widthMm: 2700, depthMm: 5600 } }],
    ]),
  );
  await send(page.request, page.url().split('/').at(-1)!, 'walls.add', {
    name: 'Past',
    use: 'core',
    type: { name: 'T', layers },
    points: corners('14000,2000 17000,2000'),
    startsAt: { level: 'B2' },
    stopsAt: { level: 'RF', face: 'SSL' },
    passesClearMm: 0,
  });
  await say(page, 'core of S1,ST1');
  await page.getByText(/^On level/).click();
  // A wall that runs past the slabs is listed at every level it passes.
  await expect(page.getByRole('button', { name: 'Past', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'K1', exact: true }).click();
  await expect(page.getByRole('list', { name: 'In this core' }).getByRole('listitem')).toHaveCount(2);
  await page.getByLabel('Move east').fill('1.2m');
  await page.getByLabel('Move east').press('Enter');
  await page.getByRole('button', { name: 'Move', exact: true }).click();
  await page.getByRole('button', { name: 'stair ST1' }).click();
  await page.getByRole('button', { name: 'Choose the core' }).click();
  await page.getByRole('button', { name: 'Take this core apart' }).click();
  await page.getByRole('button', { name: 'ST1', exact: true }).click();
  await expect(page.getByText(/^Part of core/)).toBeHidden();
});

test('levels follow a master, and one is released from it', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Typical', [
      ['levels.setUp', { above: '4m 4@3m' }],
      ['floors.add', { outline: { type: 'rectangle', widthMm: 12_000, depthMm: 8000 } }],
      [
        'walls.add',
        { name: 'In', type: { name: 'T', layers }, points: corners('0,4000 9000,4000'), startsAt: { level: '01' } },
      ],
    ]),
  );
  await level(page, '01');
  await page.getByLabel('Let levels follow it, up to').selectOption('04');
  await page.getByRole('button', { name: '02, 03, 04 follow' }).click();
  await expect(page.getByText('Master of typical floors')).toBeVisible();
  const count = async () => (await downloadReport(page)).walls.length;
  expect(await count()).toBe(4);
  await level(page, '03');
  await expect(page.getByText('Follows level 01')).toBeVisible();
  await page.getByRole('button', { name: 'Release it' }).click();
  await expect(page.getByText('Follows level 01')).toBeHidden();
  expect((await downloadReport(page)).walls.map(({ name }) => name).sort()).toEqual(['In', 'In', 'In', 'W1']);
});

test('a flat roof with a parapet is put on exterior walls, and a wall grows thinner from a level up', async ({
  page,
}) => {
  await openProject(
    page,
    await makeProject(page.request, 'Roof', [
      ['levels.setUp', { above: '3@3.3m' }],
      ['floors.add', { outline: { type: 'rectangle', widthMm: 12_000, depthMm: 9000 } }],
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
      ['walls.defineType', { name: 'Thin', layers: [{ name: 'concrete', thicknessMm: 150, core: true }] }],
    ]),
  );
  await openStep(page, 'Floors');
  await page.getByRole('button', { name: 'Flat roof' }).click();
  await expect(page.getByText(/that reach the level: 1\. The floor that lies there makes way/)).toBeVisible();
  await page.getByLabel('over the roof').fill('1.1m');
  await page.getByRole('button', { name: 'Add the roof' }).click();
  const { floors, walls, findings } = await downloadReport(page);
  expect(floors.map(({ name }) => name)).toContain('R1');
  expect(walls.filter(({ name }) => name === 'R1').map(({ topMm, bottomMm }) => topMm - bottomMm)).toEqual([1100]);
  expect(findings.map(({ rule }) => rule).sort()).toEqual(['falls.none', 'level.noFoundation']);
  await level(page, '02');
  await page.getByText('On level 02').click();
  await page.getByRole('button', { name: 'Out', exact: true }).click();
  await page.getByText('Other at some levels').click();
  await page.getByLabel('it is of type').selectOption({ label: 'Thin' });
  const thin = await downloadReport(page);
  expect(thin.walls.filter(({ name }) => name === 'Out').map(({ thicknessMm }) => thicknessMm)).toEqual([
    200, 200, 150,
  ]);
});

test('a plan hides kinds, shows the level below faint, and is kept under a name', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Views', FURNISHED));
  await level(page, '02');
  const plan = page.getByRole('img', { name: /^Plan of level/ });
  const paths = () => plan.locator('path').count();
  const all = await paths();
  await page.getByRole('button', { name: 'What is shown' }).click();
  const panel = page.getByRole('dialog', { name: 'What is shown' });
  await panel.getByLabel('grids').uncheck();
  await expect.poll(paths).toBeLessThan(all);
  await panel.getByLabel('the level below, faint').check();
  await panel.getByLabel('Keep it as').fill('Structure');
  await panel.getByLabel('Keep it as').press('Enter');
  await panel.getByLabel('grids').check();
  await page.keyboard.press('Escape');
  await level(page, '00');
  await page.getByRole('button', { name: 'What is shown' }).click();
  await panel.getByRole('button', { name: 'Structure' }).click();
  await expect(page.getByRole('img', { name: 'Plan of level 02' })).toBeVisible();
  await expect(panel.getByLabel('grids')).not.toBeChecked();
  await expect(panel.getByLabel('the level below, faint')).toBeChecked();
  await page.reload();
  await page.getByRole('button', { name: 'What is shown' }).click();
  await expect(panel.getByRole('button', { name: 'Structure' })).toBeVisible();
});

test('a ceiling with an outline of its own is copied and dragged by an edge; a raft under the floors is offered neither', async ({
  page,
}) => {
  const id = await makeProject(page.request, 'Own ceiling', [
    ...FURNISHED,
    [
      'ceilings.add',
      {
        name: 'CE1',
        outline: { type: 'rectangle', place: 'A-1 + 1000,1000', widthMm: 4000, depthMm: 3000 },
        heightMm: 4900,
        levels: { at: ['02'] },
      },
    ],
    ['foundations.add', { name: 'F1', form: 'raft' }],
  ]);
  await openProject(page, id);
  await level(page, '02');
  // What is found of ceilings counts where ceilings are made.
  await expect(page.getByRole('button', { name: /^Walls/ })).toContainText(/finding/);
  await page.getByText('On level 02').click();
  await page.getByRole('button', { name: /^CE1/ }).first().click();
  await page.getByText('Copy or mirror').click();
  await page.getByLabel('Copy east, north by').fill('6m, 0');
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await untilSaved(page);
  const areas = async () => (await downloadReport(page)).ceilings.map(({ name, areaM2 }) => `${name} ${areaM2}`);
  expect((await areas()).sort()).toEqual(['CE1 12', 'CE2 12']);
  const handle = (await page.locator('[data-edge="1"]').boundingBox())!;
  await page.mouse.move(handle.x + handle.width / 2, handle.y + handle.height / 2);
  await page.mouse.down();
  await page.mouse.move(handle.x + handle.width / 2 + 30, handle.y + handle.height / 2, { steps: 4 });
  await page.mouse.up();
  await untilSaved(page);
  // The copy is what is chosen, and so what has handles.
  const wider = (await areas()).find((each) => each.startsWith('CE2'))!;
  expect(Number(wider.split(' ')[1])).toBeGreaterThan(12);
  await level(page, 'B2');
  await page.getByRole('button', { name: /^F1/ }).first().click();
  await expect(page.getByRole('heading', { name: 'Foundation F1' })).toBeVisible();
  await expect(page.getByText('Copy or mirror')).toHaveCount(0);
  await expect(page.getByLabel('Move east')).toHaveCount(0);
});

test('a schedule of two thousand columns draws what is in sight, and arrows lead on to what is not', async ({
  page,
}) => {
  await openProject(
    page,
    await makeProject(page.request, 'Long schedule', [
      ['levels.setUp', { above: '60@3.3m' }],
      ['grids.add', { baysA: '39@6000', baysB: '9@6000' }],
      ['columns.placeAtCrossings', { lines: 'all', section: { shape: 'circle', diameterMm: 400 } }],
    ]),
  );
  await page.getByRole('tab', { name: 'Schedules' }).click();
  await page.getByRole('button', { name: 'Columns', exact: true }).first().click();
  const table = page.getByRole('table', { name: 'Columns' });
  await expect(table).toHaveAttribute('aria-rowcount', '401');
  const first = page.getByLabel('Column A-1 at level 00');
  await expect(first).toHaveValue('⌀400');
  expect(await table.getByRole('textbox').count()).toBeLessThan(1200);
  await first.focus();
  for (let i = 0; i < 45; i += 1) await page.keyboard.press('ArrowDown');
  const focused = page.locator(':focus');
  await expect(focused).toHaveAttribute('data-cell', '45 0');
  await expect(focused).toBeInViewport();
  await page.keyboard.type('round 350');
  // What is typed stays while it is scrolled away, and is taken when it is left.
  await table.evaluate((element) => element.parentElement!.scrollTo(0, 9000));
  await expect(page.locator('[data-cell="45 0"]')).toHaveCount(1);
  await focused.press('Enter');
  await expect(page.locator('[data-cell="45 0"]')).toHaveValue('⌀350');
});
