import { expect, test } from '@playwright/test';
import { onPage } from './hand';
import {
  downloadReport,
  enterAs,
  FURNISHED,
  makeProject,
  openProject,
  openStep,
  startProject,
  untilSaved,
} from './project';

test.beforeEach(async ({ page }) => enterAs(page, 'designer'));

test('levels are set up by typing, with the strip beside the fields, and refused in words', async ({ page }) => {
  await startProject(page, 'Typed');
  await page.getByLabel('Storeys from the ground up').fill('5.4m 2@4.8x');
  await expect(page.getByText(/Part two bays/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Set up these levels' })).toBeDisabled();
  await page.getByLabel('Storeys from the ground up').fill('5.4m 2@4.8m 9@3.3m 3.9m');
  await expect(page.getByText('13 storeys, 48600')).toBeVisible();
  await expect(page.getByLabel('Preview of the height strip').getByText('+48.600')).toBeVisible();
  await page.getByRole('button', { name: 'Set up these levels' }).click();
  await expect(page.getByRole('button', { name: /^Elevation of level RF, \+48.600/ })).toBeVisible();
});

test('what a building in feet begins with is in whole feet and inches', async ({ page }) => {
  await startProject(page, 'In feet');
  await page.getByRole('button', { name: 'ft in' }).click();
  await page.getByRole('button', { name: 'Set up these levels' }).click();
  await page.getByRole('button', { name: /^Level 02/ }).click();
  await expect(page.getByLabel('Floor build-up')).toHaveValue(`0'-4"`);
  await expect(page.getByLabel('Floor to floor')).not.toHaveValue(/≈/);
});

test('all by keyboard: choose a level, type a height, insert one between, rename, undo', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Keyboard', FURNISHED));
  await page.getByRole('button', { name: /^Level 01/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Current level')).toContainText('01');
  await page.getByRole('button', { name: /^Height of storey 01/ }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Control+A');
  await page.keyboard.type('16\'-0"');
  await expect(page.getByRole('dialog').getByText('= 4876.8 mm')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Elevation of level 02, \+10.277/ })).toBeVisible();
  await page.getByRole('button', { name: 'Insert a level above 01' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Height above 01').fill('2.4m');
  await page.getByLabel('Name (else made up)').fill('01M');
  await page.getByRole('button', { name: 'Between, nothing moves' }).press('Enter');
  await expect(page.getByRole('button', { name: /^Elevation of level 01M, \+7.800/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Elevation of level 02, \+10.277/ })).toBeVisible();
  await untilSaved(page);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Elevation of level 01M/ })).toHaveCount(0);
  await page.keyboard.press('PageUp');
  await expect(page.getByLabel('Current level')).toContainText('02');
});

test('a level is dragged by its pennant, and the push is remembered', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Dragged', FURNISHED));
  const pennant = page.locator('g:has(> title:text-is("Drag level 03")) > rect');
  const box = (await pennant.boundingBox())!;
  await page.mouse.move(box.x + 5, box.y + 4);
  await page.mouse.down();
  await page.mouse.move(box.x + 5, box.y - 2, { steps: 4 });
  await page.mouse.move(box.x + 5, box.y - 8, { steps: 4 });
  // All views show what would be; nothing is done before it is let go.
  await expect(page.getByLabel('Current level')).toContainText(/03.*\+15\.[1-9]/);
  await expect(page.getByRole('button', { name: /^Undo/ })).not.toHaveAccessibleName(/Level 03/);
  await page.mouse.up();
  await untilSaved(page);
  const report = await downloadReport(page);
  const at = (name: string) => report.levels.find((level) => level.name === name)!;
  const raisedBy = at('03').fflMm - 15000;
  expect(raisedBy).toBeGreaterThan(100);
  expect(raisedBy % 50).toBe(0);
  expect(at('RF').fflMm).toBe(24900 + raisedBy);
  // Given up by Esc while it is held, nothing of it stays, whatever happens to the pointer afterwards.
  const current = page.getByLabel('Current level');
  const stood = await current.innerText();
  const again = (await pennant.boundingBox())!;
  await page.mouse.move(again.x + 5, again.y + 4);
  await page.mouse.down();
  await page.mouse.move(again.x + 5, again.y - 12, { steps: 5 });
  await expect(current).not.toHaveText(stood);
  await page.keyboard.press('Escape');
  await expect(current).toHaveText(stood);
  await page.mouse.move(again.x + 5, again.y - 30, { steps: 3 });
  await page.mouse.up();
  await untilSaved(page);
  expect((await downloadReport(page)).hash).toBe(report.hash);
});

test('a level is removed after a look at what that reaches', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Removed', FURNISHED));
  await page.getByRole('button', { name: /^Level B2/ }).click();
  await page.getByRole('button', { name: 'Remove this level …' }).click();
  await expect(page.getByRole('alertdialog')).toContainText('It reaches 16 things');
  await expect(page.getByRole('alertdialog')).toContainText('column stack');
  await page.getByRole('button', { name: 'Remove level B2' }).click();
  await expect(page.getByRole('button', { name: /^Level B2/ })).toHaveCount(0);
  const report = await downloadReport(page);
  expect(report.columns.filter(({ level }) => level === 'B1')).toHaveLength(15);
  expect(report.levels[0]).toMatchObject({ name: 'B1', fflMm: -3900 });
});

test('grid lines are chosen in the plan, relabelled, split and moved; columns on them follow', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Grid', FURNISHED));
  await page.getByText('On level 00').click();
  await page.getByRole('button', { name: '2', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Grid line 2' })).toBeVisible();
  await page.getByLabel('Bay to the line before').fill('8.1m');
  await page.getByLabel('Bay to the line before').press('Enter');
  await untilSaved(page);
  await page.getByLabel('Label', { exact: true }).fill('12');
  await page.getByLabel('Label', { exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Split the bay' }).click();
  const report = await downloadReport(page);
  const line = (label: string | null) =>
    report.gridLines.find((each) => each.direction === 'a' && each.label === label)!;
  expect([line('1'), line(null), line('12'), line('13'), line('14')].map(({ offsetMm }) => offsetMm)).toEqual([
    0, 4050, 8100, 15300, 18900,
  ]);
  expect(report.columns.find(({ stack }) => stack === 'B-12')).toMatchObject({ xMm: 8100, yMm: 6600 });
});

test('a grid line is dragged across itself with the rest pushed, and one is added beyond the last', async ({
  page,
}) => {
  await openProject(page, await makeProject(page.request, 'Dragged line', FURNISHED.slice(0, 2)));
  const plan = page.getByRole('img', { name: 'Plan of level 00' });
  const line = plan.getByText('3', { exact: true });
  await line.click();
  await expect(page.getByRole('heading', { name: 'Grid line 3' })).toBeVisible();
  // With Shift another one is chosen too, and let go of again: a press that goes nowhere drags nothing.
  const other = plan.getByText('5', { exact: true });
  await other.click({ modifiers: ['Shift'] });
  await expect(page.getByRole('heading', { name: '2 things chosen' })).toBeVisible();
  await other.click({ modifiers: ['Shift'] });
  await expect(page.getByRole('heading', { name: 'Grid line 3' })).toBeVisible();
  const box = (await line.boundingBox())!;
  // On the line itself: its head, dragged, would be placed by hand.
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2 + 110];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 12, y + 5, { steps: 3 });
  await page.mouse.move(x + 24, y + 9, { steps: 3 });
  await expect(page.getByText(/pushing the lines beyond/)).toBeVisible();
  await page.mouse.up();
  await untilSaved(page);
  await page.getByText('On level 00').click();
  await page.getByRole('button', { name: '5', exact: true }).click();
  await page.getByLabel('Bay beyond it').fill('5.4m');
  await page.getByRole('button', { name: 'Add a line beyond it' }).click();
  const report = await downloadReport(page);
  const offsets = report.gridLines.filter(({ direction }) => direction === 'a').map(({ offsetMm }) => offsetMm);
  const byMm = offsets[2]! - 14400;
  expect(byMm).toBeGreaterThan(200);
  expect(byMm % 50).toBe(0);
  expect(offsets).toEqual([0, 7200, 14400 + byMm, 18000 + byMm, 25200 + byMm, 30600 + byMm]);
});

test('columns by lines chosen in the plan, with the count and the reason for those left out', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Columns', FURNISHED.slice(0, 3)));
  await openStep(page, 'Columns');
  await page.getByRole('button', { name: 'Line 1', exact: true }).click();
  await page.getByRole('button', { name: 'Line A', exact: true }).click();
  await page.getByRole('button', { name: 'Place 1 column' }).click();
  await page.getByRole('button', { name: 'All lines' }).click();
  await expect(
    page.getByText('14 columns at 14 crossings; 1 left out: a column stands there already (A-1)').first(),
  ).toBeVisible();
  const tool = page.getByRole('region', { name: 'Columns tools' });
  await tool.getByLabel('Section', { exact: true }).fill('round 0.55m');
  await page.getByRole('button', { name: 'Place 14 columns' }).click();
  const report = await downloadReport(page);
  expect(new Set(report.columns.map(({ section }) => section))).toEqual(new Set(['500 × 500', '⌀550']));
});

test('a shaft is drawn as a rectangle in the plan, typed exactly, selected, moved and deleted', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Shaft', FURNISHED.slice(0, 3)));
  await openStep(page, 'Shafts');
  await expect(page.locator('svg[data-plan] path').first()).toBeVisible();
  // In the middle of a bay, away from what it would snap to.
  const { x, y } = await onPage(page, 9500, 4000);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 30, y + 30, { steps: 4 });
  await page.mouse.move(x + 45, y + 40, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByLabel('Corner at')).toHaveValue(/^[A-C]-[1-5] \+ /);
  // Given up by Esc, it stays as large as it was, wherever the pointer goes then.
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 60, y + 50, { steps: 4 });
  await page.keyboard.press('Escape');
  const wide = await page.getByLabel('Width', { exact: true }).inputValue();
  await page.mouse.up();
  await page.mouse.move(x + 120, y + 90, { steps: 4 });
  await expect(page.getByLabel('Width', { exact: true })).toHaveValue(wide);
  await page.getByLabel('Corner at').fill('A-2 + 1m,1m');
  await page.getByLabel('Width', { exact: true }).fill(`7'-6"`);
  await expect(page.getByText('= 2286 mm')).toBeVisible();
  await page.getByRole('button', { name: 'Add the shaft' }).click();
  await page.keyboard.press('Escape');
  await page.getByText('On level 00').click();
  await page.getByRole('button', { name: 'S1', exact: true }).click();
  await expect(page.getByText(/cuts 7 slabs/)).toBeVisible();
  await page.getByLabel('Move east').fill('25cm');
  await page.getByRole('button', { name: 'Move', exact: true }).click();
  await untilSaved(page);
  await openStep(page, 'Hand over');
  const report = await downloadReport(page);
  expect(report.shafts[0]).toMatchObject({ name: 'S1' });
  await page.getByRole('button', { name: 'Delete this shaft' }).click();
  await untilSaved(page);
  expect((await downloadReport(page)).shafts).toEqual([]);
});

test('a floor is drawn corner by corner in the plan', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Drawn', FURNISHED.slice(0, 2)));
  await openStep(page, 'Floors');
  await page.getByLabel('Outline').selectOption('drawn');
  const plan = page.getByRole('img', { name: 'Plan of level 00' });
  const box = (await plan.boundingBox())!;
  for (const [fx, fy] of [
    [0.4, 0.4],
    [0.7, 0.4],
    [0.7, 0.7],
    [0.4, 0.7],
  ] as const) {
    await page.mouse.click(box.x + box.width * fx, box.y + box.height * fy);
  }
  await expect(page.getByText('4 corners').first()).toBeVisible();
  await page.getByRole('button', { name: 'Add the floor plate' }).click();
  await untilSaved(page);
  const report = await downloadReport(page);
  expect(report.floors).toHaveLength(9);
  expect(report.floors[0]!.areaM2).toBeGreaterThan(10);
});

test('lengths are read and shown in feet and inches for who wants them', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Imperial', FURNISHED));
  await page.getByRole('button', { name: 'ft in' }).click();
  await page.getByRole('button', { name: /^Level 01/ }).click();
  await expect(
    page.getByRole('button', { name: `Elevation of level 01, +17'-8 5/8". Press to type another` }),
  ).toBeVisible();
  await page.getByLabel('Finished floor at (FFL)').fill('18');
  await expect(page.getByText(`= 5486.4 mm = 18'-0"`)).toBeVisible();
  await page.getByLabel('Finished floor at (FFL)').press('Enter');
  await expect(
    page.getByRole('button', { name: `Elevation of level 01, +18'-0". Press to type another` }),
  ).toBeVisible();
  await page.getByLabel('Finished floor at (FFL)').fill(`18'-0 wide`);
  await page.getByLabel('Finished floor at (FFL)').press('Enter');
  await expect(page.getByRole('alert').first()).toContainText('like 3450');
  await page.getByRole('button', { name: 'mm', exact: true }).click();
});

test('the height budget of a storey says its clear height, finds what is too low, and is mended by raising', async ({
  page,
}) => {
  await openProject(page, await makeProject(page.request, 'Budget', FURNISHED));
  await page.getByRole('button', { name: /^Level 03/ }).click();
  await page.getByText('Height budget', { exact: true }).click();
  await expect(page.getByRole('figure', { name: 'Height budget: 2950 clear' })).toBeVisible();
  for (const [label, text] of [
    ['Beam zone', '400'],
    ['Services zone', '350'],
    ['Clear height wanted', '2.5m'],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(text);
    await page.getByLabel(label, { exact: true }).press('Enter');
  }
  const finding = page.getByRole('button', { name: /Storey 03 has 2200 mm clear, 300 mm under/ });
  await expect(finding).toBeVisible();
  await page.getByRole('button', { name: 'Clear height wanted: use it in all storeys' }).click();
  await expect(page.getByText('as everywhere in the building')).toBeVisible();
  await page.getByLabel('Floor to floor', { exact: true }).fill('3.6m');
  await page.getByLabel('Floor to floor', { exact: true }).press('Enter');
  await expect(finding).toHaveCount(0);
  await expect(page.getByRole('figure', { name: 'Height budget: 2500 clear' })).toBeVisible();
});

test('a named dimension stands in a height, says where it is used, and moves it when it changes', async ({ page }) => {
  await openProject(page, await makeProject(page.request, 'Named', FURNISHED));
  await page.getByRole('button', { name: 'Dimensions' }).click();
  const panel = page.getByRole('dialog', { name: 'Named dimensions' });
  await panel.getByLabel('New name').fill('typical');
  await panel.getByLabel('Its length').fill('3.3m');
  await panel.getByRole('button', { name: 'Define it' }).click();
  await expect(panel.getByRole('region', { name: 'Dimension typical' })).toContainText('used nowhere yet');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Height of storey 04/ }).click();
  await page
    .getByRole('dialog')
    .getByLabel(/^Floor to floor/)
    .fill('typical + 100mm');
  await page.getByRole('dialog').getByRole('button', { name: /^Push/ }).click();
  await expect(page.getByRole('button', { name: /^Elevation of level RF, \+25.000/ })).toBeVisible();
  await page.getByRole('button', { name: 'Dimensions' }).click();
  await expect(panel.getByRole('button', { name: 'level 05' })).toBeVisible();
  await panel.getByLabel('typical', { exact: true }).fill('3.6m');
  await panel.getByLabel('typical', { exact: true }).press('Enter');
  await expect(
    page.getByRole('button', { name: /^Elevation of level RF, \+25.300/, includeHidden: true }),
  ).toBeVisible();
});

test('what is typed while the server is away is kept and sent when it is back', async ({ page, context }) => {
  await openProject(page, await makeProject(page.request, 'Offline', FURNISHED));
  await context.setOffline(true);
  await page.getByRole('button', { name: /^Level 01/ }).click();
  await page.getByLabel('Use', { exact: true }).fill('Studio');
  await page.getByLabel('Use', { exact: true }).press('Enter');
  await expect(page.getByLabel('State of the work')).toContainText('Offline, 1 kept here');
  await expect(page.getByRole('button', { name: 'Level 01, Studio' })).toBeVisible();
  await context.setOffline(false);
  await untilSaved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Level 01, Studio' })).toBeVisible();
});
