import { expect, test, type Page } from '@playwright/test';
import { downloadReport, downloadText, enterAs, makeProject, openProject, openStep, untilSaved } from './project';

const details = (page: Page) => page.getByRole('complementary', { name: 'Details' });
const L_SHAPE = [
  [0, 0],
  [10_000, 0],
  [10_000, 4000],
  [5000, 4000],
  [5000, 9000],
  [0, 9000],
].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! }));

test.beforeEach(async ({ page }) => enterAs(page, 'designer'));

test('a pitched roof on the walls of an L-shaped house gets a gable, a slope of its own, and its ridge held', async ({
  page,
}) => {
  await openProject(
    page,
    await makeProject(page.request, 'Roofs', [
      ['levels.setUp', { above: '3m 2.8m' }],
      [
        'walls.add',
        {
          name: 'W1',
          use: 'exterior',
          type: { name: 'Brick 300', layers: [{ name: 'brick', thicknessMm: 300, core: true }] },
          place: '0,0',
          points: L_SHAPE,
          closed: true,
          on: 'outside',
          startsAt: { level: '00' },
          stopsAt: { level: 'RF' },
        },
      ],
    ]),
  );
  await openStep(page, 'Floors & roof');
  const tool = page.getByRole('region', { name: 'Floors tools' });
  await tool.getByRole('button', { name: 'Pitched roof', exact: true }).click();
  await tool.getByLabel('Slope', { exact: true }).fill('1:1');
  await tool.getByLabel('upper side 2: what it is').selectOption('gable');
  await expect(tool.getByText(/^slopes and gables/)).toBeVisible();
  await tool.getByRole('button', { name: 'Add the roof' }).click();
  const panel = details(page);
  await expect(panel.getByRole('heading', { name: 'Pitched roof PR1' })).toBeVisible();
  // The same walls take no second roof.
  await expect(tool.getByText(/have roof PR1 at that level already/)).toBeVisible();
  await panel.getByLabel('right side 1: slope').fill('60 %');
  await page.keyboard.press('Enter');
  await expect(panel.getByRole('table', { name: 'Faces of roof PR1' }).getByText('31°')).toBeVisible();
  await untilSaved(page);
  const { roofs } = await downloadReport(page);
  expect(roofs).toMatchObject([{ name: 'PR1', form: 'mixed', footprintM2: 65 }]);
  expect(roofs[0]!.faces).toHaveLength(5);
  // What is no slope is said at its field.
  await panel.getByLabel('Slope', { exact: true }).fill('steep');
  await page.keyboard.press('Enter');
  await expect(panel.getByText(/"steep" is no slope of a roof/)).toBeVisible();
  await page.keyboard.press('Escape');
  // A gable under a hip, its height and slope typed.
  await panel.getByLabel('upper side 2: what it is').selectOption({ label: 'gable under a hip' });
  await panel.getByLabel('upper side 2: from over the eaves').fill('1000');
  await page.keyboard.press('Enter');
  await panel.getByLabel('upper side 2: slope from there').fill('1:1');
  await page.keyboard.press('Enter');
  await expect(panel.getByRole('table', { name: 'Faces of roof PR1' }).getByText('upper side 2, upper')).toBeVisible();
  const ridge = panel.getByLabel('Ridge over the eaves');
  await ridge.fill('3000');
  await page.keyboard.press('Enter');
  await untilSaved(page);
  const held = (await downloadReport(page)).roofs[0]!;
  expect(held.ridgeMm - held.eavesMm).toBeCloseTo(3000, 1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(panel.getByLabel('Ridge over the eaves')).not.toHaveValue('3000');
  const ifc = await downloadText(page, 'Download IFC4');
  expect(ifc).toContain('IFCROOF(');
  expect(ifc).toMatch(/IFCSLAB\(.*\.ROOF\.\)/);
});
