import { expect, test, type Page } from '@playwright/test';
import { downloadReport, downloadText, enterAs, FURNISHED, makeProject, openProject, openStep } from './project';

const planOf = (page: Page, name: string) => page.getByRole('img', { name: `Plan of level ${name}` });
const level = (page: Page, name: string) =>
  page
    .getByRole('button', { name: new RegExp(`^Level ${name}`) })
    .first()
    .click();

test.beforeEach(async ({ page }) => enterAs(page, 'designer'));

test('a beam is pressed between two columns, is chosen, hangs dashed over its storey, and says what is wrong with it', async ({
  page,
}) => {
  await openProject(page, await makeProject(page.request, 'Beams', FURNISHED));
  await level(page, '02');
  await openStep(page, 'Floors');
  const tool = page.getByRole('region', { name: 'Floors tools' });
  await tool.getByRole('button', { name: 'Beams', exact: true }).click();
  const box = (await planOf(page, '02').boundingBox())!;
  await page.mouse.click(box.x + box.width * 0.4, box.y + box.height * 0.5);
  await page.mouse.click(box.x + box.width * 0.6, box.y + box.height * 0.5);
  await expect(tool.getByLabel('To', { exact: true })).not.toHaveValue('');
  await tool.getByLabel('From', { exact: true }).fill('A-1');
  await tool.getByLabel('To', { exact: true }).fill('A-1 + 6m,0');
  await tool.getByLabel('Deep, under the slab').fill('450');
  await tool.getByRole('button', { name: 'Add the beam' }).click();
  await expect(page.getByRole('heading', { name: 'Beam BM1' })).toBeVisible();
  await expect(planOf(page, '02').getByText('BM1')).toBeVisible();
  const details = page.getByRole('complementary', { name: 'Details' });
  await details.getByText(/second end of beam BM1 rests on nothing at level 03/).waitFor();
  await details.getByRole('button', { name: /^Bring its end to/ }).click();
  await expect(details.getByText(/rests on nothing/)).toHaveCount(0);
  await details.getByLabel('Wide', { exact: true }).fill('400');
  await page.keyboard.press('Enter');
  const report = (await downloadReport(page)) as unknown as { beams: { level: string; depthMm: number }[] };
  expect(report.beams).toMatchObject([{ level: '03', depthMm: 450 }]);
  expect(await downloadText(page, 'Download IFC4')).toContain('IFCBEAM(');
  // Which tool of the step was used is remembered after others.
  await openStep(page, 'Walls');
  await openStep(page, 'Floors');
  await expect(tool.getByRole('button', { name: 'Beams', exact: true })).toHaveAttribute('aria-pressed', 'true');
});

test('before there are levels the steps say what comes first; in the strip arrows lead from level to level and Enter back', async ({
  page,
}) => {
  await page.goto(`/projects/${await makeProject(page.request, 'Bare')}`);
  const path = page.getByRole('navigation', { name: 'Work path' });
  await expect(path.getByRole('button', { name: /^Walls/ })).toBeDisabled();
  await expect(path.getByRole('button', { name: /^Walls/ })).toContainText('after the levels');
  await path.getByRole('button', { name: /^Levels/ }).click();
  await expect(page.getByLabel('Storeys from the ground up')).toBeFocused();
  await page.getByRole('button', { name: 'Set up these levels' }).click();
  const stop = page.locator('[data-figure="elevation"][tabindex="0"]');
  await expect(stop).toHaveCount(1);
  await stop.focus();
  await page.keyboard.press('ArrowUp');
  const focused = page.locator('[data-figure="elevation"]:focus');
  await expect(focused).toHaveAttribute('aria-label', /^Elevation of level 01,/);
  await page.keyboard.press('Enter');
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('5500');
  await page.keyboard.press('Enter');
  await expect(focused).toHaveAttribute('aria-label', /^Elevation of level 01, \+5\.500/);
  await page.keyboard.press('ArrowLeft');
  await expect(page.locator('[data-figure="name"]:focus')).toHaveAttribute('aria-label', /^Level 01/);
});
