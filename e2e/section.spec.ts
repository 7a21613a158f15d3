import { expect, test } from '@playwright/test';
import { enterAs, FURNISHED, makeProject, openProject, untilSaved } from './project';

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
