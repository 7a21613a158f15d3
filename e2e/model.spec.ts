import { expect, test } from '@playwright/test';
import { downloadReport, enterAs, makeProject, openProject, untilSaved } from './project';

test('in 3D a column is named under the pointer, chosen, and its top dragged down onto a level', async ({ page }) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'In space', [
    ['levels.setUp', { above: '4@3m' }],
    ['grids.add', { baysA: '2@6000', baysB: '6000' }],
    [
      'columns.place',
      {
        place: 'A-2',
        section: { shape: 'rectangle', widthMm: 600, depthMm: 600 },
        stopsAt: { level: 'RF', face: 'FFL' },
      },
    ],
  ]);
  await openProject(page, id);
  await page.getByRole('tab', { name: '3D' }).click();
  const model = page.getByRole('img', { name: /^3D of the framework/ });
  await expect(model.locator('canvas')).toBeVisible();
  await page.getByText('On level 00').click();
  await page.getByRole('button', { name: 'A-2', exact: true }).click();
  await page.getByLabel('From the south').click();
  await page.getByRole('button', { name: 'In perspective' }).click();
  await page.getByRole('button', { name: 'Chosen' }).click();
  await page.getByRole('heading', { name: /A-2/ }).waitFor();
  const box = (await model.boundingBox())!;
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  // It stands in the middle: 12.1 m from SSL to the roof's FFL, looked at so that its diagonal and a third fit.
  const highM = 12.1;
  const pxPerM = Math.min(box.width, box.height) / (Math.hypot(highM, 0.6, 0.6) * 1.3 * 1.25);
  await page.mouse.move(middle.x, middle.y + 20, { steps: 3 });
  await expect(page.locator('p', { hasText: /^Column stack A-2$/ })).toBeVisible();
  const top = middle.y - (highM / 2) * pxPerM;
  await expect(async () => {
    await page.mouse.move(middle.x, top);
    await page.mouse.down();
    // Down to level 03, which lies three metres under the roof.
    await page.mouse.move(middle.x, top + 1.5 * pxPerM, { steps: 3 });
    await page.mouse.move(middle.x, top + 3 * pxPerM, { steps: 3 });
    await expect(page.getByText('FFL of 03')).toBeVisible({ timeout: 2000 });
  }).toPass();
  await page.mouse.up();
  await untilSaved(page);
  // Elsewhere a press lets go of it.
  await page.mouse.click(box.x + 60, box.y + box.height - 60);
  await expect(page.getByRole('heading', { name: /^Level 00/ })).toBeVisible();
  const { columns } = await downloadReport(page);
  expect(Math.max(...columns.map(({ topMm }) => topMm))).toBe(9000);
});
