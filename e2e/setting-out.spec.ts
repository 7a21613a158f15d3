import { deflateSync } from 'node:zlib';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
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

test('a radial grid is typed, seen before it is added, changed ray by ray, and handed over', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Radial', FURNISHED.slice(0, 1)));
  await openStep(page, 'Grids');
  await page.getByLabel('Shape').selectOption('radial');
  await page.getByLabel('Angles between the rays').fill('3@30');
  await page.getByLabel('First radius, then bays of the rings').fill('8m 2@4m');
  await expect(page.getByText('3 rings, out to 16000')).toBeVisible();
  await expect(page.getByText('7 lines: 1 2 3 4 A B C')).toBeVisible();
  await page.getByRole('button', { name: 'Add the grid' }).click();
  await plan(page).getByText('3', { exact: true }).click();
  await page.getByLabel('Angle to the ray before').fill('40°');
  await page.getByLabel('Angle to the ray before').press('Enter');
  await expect(page.getByText('70° from the first ray.')).toBeVisible();
  await openStep(page, 'Columns');
  await page.getByRole('button', { name: 'All lines' }).click();
  await page.getByRole('button', { name: 'Place 12 columns' }).click();
  const { columns, crossings } = await downloadReport(page);
  expect(crossings).toHaveLength(12);
  expect(columns.find(({ stack }) => stack === 'A-3')!.turnDeg).toBe(70);
  expect(await downloadText(page, 'Download IFC4')).toContain('.RADIAL.');
});

test('a grid is drawn by its two corners with the mouse alone, and a line set out from the edge of a slab', async ({
  page,
}) => {
  await openProject(page, await makeProject(page.request, 'By mouse', FURNISHED.slice(0, 3)));
  await openStep(page, 'Grids');
  await page.getByRole('button', { name: 'New grid' }).click();
  const box = (await plan(page).boundingBox())!;
  const [x, y] = [box.x + box.width * 0.45, box.y + box.height * 0.35];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 90, y + 60, { steps: 4 });
  await page.mouse.move(x + 150, y + 110, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByLabel('Bays across', { exact: true })).toHaveValue(/^\d+@\d+$/);
  await expect(page.getByLabel('First label across')).toHaveValue('6');
  await page.getByRole('button', { name: 'Add the grid' }).click();
  await page.getByRole('button', { name: 'Setting-out lines' }).click();
  await page.getByLabel('From', { exact: true }).selectOption('edges');
  const [one, a] = await Promise.all(
    ['1', 'A'].map(async (label) => (await plan(page).getByText(label, { exact: true }).first().boundingBox())!),
  );
  // Beside line 1, half way up: the slab's edge is 300 outside it.
  await page.mouse.click(one!.x + one!.width / 2 - 2, a!.y - 60);
  await expect(page.getByText('From Plate edge 4')).toBeVisible();
  await page.getByLabel('At a distance of').fill('150');
  await page.getByRole('button', { name: 'Set out 1' }).click();
  await expect(page.getByText('150 from Plate edge 4')).toBeVisible();
  await untilSaved(page);
});

test('free lines are pressed in the plan, and bays are kept as a preset and taken from a file', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Free', FURNISHED.slice(0, 2)));
  await openStep(page, 'Grids');
  await page.getByText('Presets of bays').click();
  await page.getByLabel('Keep the bays as').fill('Hall bays');
  await page.getByRole('button', { name: 'Keep them' }).click();
  await expect(page.getByText('5 × 3 lines')).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Download', exact: true }).click(),
  ]);
  await page.getByRole('button', { name: 'Remove preset Hall bays' }).click();
  await expect(page.getByText('None yet.')).toBeVisible();
  await page.getByLabel('File of bay presets').setInputFiles(await download.path());
  await expect(page.getByText('5 × 3 lines')).toBeVisible();
  await page.getByRole('button', { name: 'Free lines' }).click();
  const at = async (label: string) => {
    const box = (await plan(page).getByText(label, { exact: true }).boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  const [one, a, five, c] = [await at('1'), await at('A'), await at('5'), await at('C')];
  await page.mouse.click(one.x, a.y);
  await page.mouse.click(five.x, c.y);
  await expect(page.getByLabel('From', { exact: true })).toHaveValue('A-1');
  await expect(page.getByLabel('To', { exact: true })).toHaveValue('C-5');
  await page.getByLabel('Label', { exact: true }).fill('X');
  await page.getByRole('button', { name: 'Add the line' }).click();
  await untilSaved(page);
  const { gridLines } = await downloadReport(page);
  expect(gridLines.some(({ label }) => label === 'X')).toBe(true);
  // Where it runs can be typed, of a line that is pressed in the plan or in the list of the level.
  await page.getByText('On level 00').click();
  await page.getByRole('button', { name: 'X', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Grid line X' })).toBeVisible();
  await page.getByLabel('To, north').fill('16m');
  await page.getByLabel('To, north').press('Enter');
  await untilSaved(page);
  await expect(page.getByLabel('To, north')).toHaveValue('16000');
  await expect(page.getByRole('button', { name: /^Undo/ })).toHaveAccessibleName(/Grid line X runs elsewhere/);
});

test('a column differs by level in the schedule, by typing and by pasting, and what carries it is named', async ({
  page,
}) => {
  await openProject(page, await makeProject(page.request, 'Schedule', FURNISHED));
  await page.getByRole('tab', { name: 'Schedules' }).click();
  await page.getByRole('button', { name: 'Columns', exact: true }).click();
  const cell = (mark: string, level: string) => page.getByLabel(`Column ${mark} at level ${level}`, { exact: true });
  await cell('A-1', '01').fill('400x400');
  await cell('A-1', '01').press('Enter');
  await expect(cell('A-1', '04')).toHaveValue('400 × 400');
  await cell('A-2', '00').focus();
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', '450x450\t–\n300x300\t300x300');
    document.activeElement!.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
  });
  await expect(cell('A-2', '01')).toHaveValue('–');
  await expect(cell('A-3', '01')).toHaveValue('300 × 300');
  await expect(cell('A-3', '02')).toHaveValue('500 × 500');
  await page.getByRole('button', { name: 'A-2', exact: true }).click();
  await expect(page.getByText(/resumes at level 02/).first()).toBeVisible();
  await page.getByLabel('Carried at 02 by').fill('beam T1');
  await page.getByRole('button', { name: 'Say so' }).click();
  await expect(page.getByText('At 02 carried by beam T1')).toBeVisible();
  await cell('A-1', '02').fill('nonsense');
  await cell('A-1', '02').press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: /no section/ })).toBeVisible();
  const { columns, findings } = await downloadReport(page);
  expect(columns.filter(({ stack }) => stack === 'A-2').map(({ level }) => level)).not.toContain('01');
  expect(findings.filter(({ rule }) => rule === 'column.transfer')).toEqual([]);
});

test('columns by a window and one by one; a head is dragged to a place of its own', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Window', FURNISHED.slice(0, 2)));
  await openStep(page, 'Columns');
  await page.getByRole('button', { name: 'By window' }).click();
  const at = async (label: string) => {
    const box = (await plan(page).getByText(label, { exact: true }).boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  const [two, four, a, b] = [await at('2'), await at('4'), await at('A'), await at('B')];
  await page.mouse.move(two.x - 12, b.y - 12);
  await page.mouse.down();
  await page.mouse.move(four.x, a.y, { steps: 4 });
  await page.mouse.move(four.x + 12, a.y + 12, { steps: 2 });
  await page.mouse.up();
  await page.getByRole('button', { name: 'Place 6 columns' }).click();
  await page.getByRole('button', { name: 'One by one' }).click();
  await page.getByLabel('At', { exact: true }).fill('C-5 + 600,0');
  await page.getByRole('button', { name: 'Place 1 column' }).click();
  await page.keyboard.press('Escape');
  await plan(page).getByText('2', { exact: true }).click();
  const head = await at('2');
  await page.mouse.move(head.x, head.y);
  await page.mouse.down();
  await page.mouse.move(head.x - 30, head.y - 20, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => Math.round((await at('2')).x - head.x)).toBeLessThan(-25);
  await page.getByText('In plan', { exact: true }).click();
  await page.getByRole('button', { name: 'Place the head by itself again' }).click();
  await expect.poll(async () => Math.abs((await at('2')).x - head.x)).toBeLessThan(1);
  const { columns } = await downloadReport(page);
  expect(new Set(columns.map(({ stack }) => stack)).size).toBe(7);
});

test('levels are set up again with the differences listed first; the site stands in the survey', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Again', FURNISHED));
  await openStep(page, 'Levels');
  await page.getByText('Set up again', { exact: true }).click();
  const tool = page.getByRole('region', { name: 'Levels tools' });
  await expect(tool.getByLabel('Storeys from the ground up')).toHaveValue('5400 2@4800 3@3300');
  await tool.getByLabel('Basements downwards').fill('3900 3600 3000');
  await expect(tool.getByLabel('What would change').last()).toContainText('B3');
  await tool.getByRole('button', { name: 'Change 1 level' }).click();
  await expect(page.getByRole('button', { name: /^Level B3/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Elevation of level 00, ±0/ })).toBeVisible();
  await page.getByText('Survey, not said yet').click();
  await page.getByRole('button', { name: 'Say where the site stands' }).click();
  await page.getByLabel('Easting').fill('412300m');
  await page.getByLabel('Easting').press('Enter');
  await untilSaved(page);
  expect(await downloadText(page, 'Download IFC4')).toContain('IFCMAPCONVERSION');
});

test('a slab and a shaft with edges on setting-out lines follow them', async ({ page }) => {
  await openProject(
    page,
    await makeProject(page.request, 'Held', [
      ...FURNISHED.slice(0, 2),
      ['settingOut.add', { lines: ['5'], offsetMm: 1200, name: 'Front' }],
      ['settingOut.add', { lines: ['2'], offsetMm: 900, name: 'Inner' }],
    ]),
  );
  const press = async (label: string) => {
    const text = plan(page)
      .locator('text')
      .filter({ hasText: new RegExp(`^${label}$`) });
    await text.first().click();
  };
  await openStep(page, 'Floors');
  await page.getByLabel('Outline', { exact: true }).selectOption('lines');
  for (const label of ['A', 'Front', 'C', '1']) await press(label);
  await expect(page.getByText('Edges on A, Front, C, 1')).toBeVisible();
  await page.getByLabel('Outside the lines by').fill('0');
  await page.getByRole('button', { name: 'Add the floor plate' }).click();
  await openStep(page, 'Shafts');
  await page.getByLabel('Outline', { exact: true }).selectOption('lines');
  for (const label of ['A', 'Inner', 'B', '2']) await press(label);
  await expect(page.getByText(/cuts 7 slabs/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Add the shaft' }).click();
  await untilSaved(page);
  const area = async () => (await downloadReport(page)).floors.find(({ level }) => level === '01')!.areaM2;
  expect(await area()).toBeCloseTo(26.4 * 14.4 - 0.9 * 6.6, 6);
  await page.keyboard.press('Escape');
  await press('Front');
  await page.getByLabel('Distance', { exact: true }).fill('2.2m');
  await page.getByLabel('Distance', { exact: true }).press('Enter');
  expect(await area()).toBeCloseTo(27.4 * 14.4 - 0.9 * 6.6, 6);
});

/** A PNG of one colour, made by hand. */
function png(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type), data]);
    const out = Buffer.alloc(12 + data.length);
    out.writeUInt32BE(data.length, 0);
    body.copy(out, 4);
    out.writeUInt32BE(crc(body), 8 + data.length);
    return out;
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 2, 0, 0, 0], 8);
  const row = Buffer.concat([Buffer.from([0]), Buffer.alloc(width * 3, 0x90)]);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(Buffer.concat(Array.from({ length: height }, () => row)))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

function crc(bytes: Buffer): number {
  let value = 0xffffffff;
  for (const byte of bytes) {
    value ^= byte;
    for (let k = 0; k < 8; k += 1) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
  }
  return (value ^ 0xffffffff) >>> 0;
}

test('a picture, a PDF page and a drawing lie under the plan, registered by two points, and are picked from', async ({
  page,
}) => {
  await openProject(page, await makeProject(page.request, 'Underlays', FURNISHED.slice(0, 2)));
  await openStep(page, 'Hand over');
  const { levels } = await downloadReport(page);
  const level = levels.find(({ name }) => name === '00')!;
  const id = page.url().split('/').at(-1)!;
  const folder = tmpdir();
  const files = { png: join(folder, 'scan.png'), pdf: join(folder, 'sheet.pdf') };
  writeFileSync(files.png, png(200, 100));
  const sheet = await page.request.get(`/api/projects/${id}/sheet?level=${level.id}&scale=100&format=pdf&units=metric`);
  writeFileSync(files.pdf, await sheet.body());

  await openStep(page, 'Grids');
  await page.getByRole('button', { name: 'Underlays' }).click();
  const file = page.getByLabel('File to lay under');
  await file.setInputFiles(files.png);
  await expect(page.getByText('scan.png', { exact: false }).first()).toBeVisible();
  await expect(plan(page).locator('image')).toHaveCount(1);
  await page.getByText('scan.png', { exact: false }).first().click();
  await page.getByRole('button', { name: 'by two points' }).click();
  await page.getByLabel('A point of the underlay').fill('0,0');
  await page.getByLabel('where it belongs').fill('A-1');
  await page.getByLabel('Another point').fill('20m,0');
  await page.getByLabel('where that belongs').fill('A-3');
  await page.getByRole('button', { name: 'Register', exact: true }).click();
  // 20 m of the picture are 14.4 m now, and so its 200 pixels.
  await expect(page.getByLabel('Width', { exact: true })).toHaveValue('14400');
  const tool = page.getByRole('region', { name: 'Grids tools' });
  await tool.getByLabel('Name', { exact: true }).fill('Old scan');
  await tool.getByLabel('Name', { exact: true }).press('Enter');
  await tool.getByLabel('Under the plan of').selectOption('every level');
  await expect(tool.getByText('Old scan every plan')).toBeVisible();
  await file.setInputFiles(files.pdf);
  await expect(plan(page).locator('image')).toHaveCount(2);
  await file.setInputFiles('e2e/fixtures/structure-grid-mm.dxf');
  await expect(page.getByText('structure-grid-mm.dxf', { exact: false }).first()).toBeVisible();
  await expect(plan(page).getByLabel('Underlay structure-grid-mm.dxf').locator('path')).toHaveCount(1);
  await file.setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByText(/is no picture that can be shown/)).toBeVisible();
  await untilSaved(page);
  await page.reload();
  await expect(plan(page).locator('image')).toHaveCount(2);
});

test('the ends of a line and of the gap in it are dragged along it', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Gaps', FURNISHED.slice(0, 2)));
  await plan(page).getByText('B', { exact: true }).click();
  await page.getByText('In plan', { exact: true }).click();
  await page.getByRole('button', { name: 'Part the line' }).click();
  const field = page.getByLabel('to', { exact: true });
  await expect(field).not.toHaveValue('0');
  const before = Number(await field.inputValue());
  const drag = async (handle: string, by: number) => {
    const box = (await plan(page).locator(`[data-handle=${handle}]`).boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + by / 2, y, { steps: 3 });
    await page.mouse.move(x + by, y, { steps: 3 });
    await page.mouse.up();
  };
  await drag('gapTo', 40);
  await expect.poll(async () => Number(await field.inputValue())).toBeGreaterThan(before + 500);
  await page.getByText('Heads, ends and levels', { exact: true }).click();
  const extension = page.getByLabel('Runs on at its first end');
  const ran = Number(await extension.inputValue());
  await drag('first', 30);
  await expect.poll(async () => Number(await extension.inputValue())).toBeLessThan(ran - 300);
});
