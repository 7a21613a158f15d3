import { expect, test } from '@playwright/test';
import { downloadReport, enterAs, makeProject, openProject, untilSaved } from './project';

test('a framework typed in one line after the other, with the preview said before Enter and completion by Tab', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  await openProject(page, await makeProject(page.request, 'Typed', [['levels.setUp', { above: '5.4m 2@4.8m' }]]));
  await page.keyboard.press('Control+k');
  const entry = page.getByRole('combobox', { name: 'Quick entry' });
  await expect(entry).toBeFocused();
  await entry.fill('grid 2@7200 3600 by 2@6m');
  await expect(page.getByText('Grid added: 2@7200 3600 mm by 2@6000 mm, Enter does it')).toBeVisible();
  await entry.press('Enter');
  await expect(entry).toHaveValue('');
  await entry.fill('columns at A-C x 1-9 500x500');
  await expect(page.getByText('There is no grid line labelled 9')).toBeVisible();
  await entry.press('Enter');
  await expect(entry).toHaveValue('columns at A-C x 1-9 500x500');
  await entry.fill('columns at A-C x 1-4 500x500');
  await entry.press('Enter');
  await entry.fill('floor grid + 300');
  await entry.press('Enter');
  await entry.fill('sha');
  await entry.press('Tab');
  await expect(entry).toHaveValue('shaft B-3 + 600,1200 2400x2700 lift');
  await entry.press('Enter');
  await entry.fill('level 01 to 5.4m + 150');
  await entry.press('Enter');
  await expect(page.getByRole('button', { name: /^Elevation of level 01, \+5.550/ })).toBeVisible();
  await entry.press('Escape');
  await untilSaved(page);
  const report = await downloadReport(page);
  expect(new Set(report.columns.map(({ stack }) => stack)).size).toBe(12);
  expect(report.shafts[0]).toMatchObject({ purpose: 'lift', cuts: [{ level: '01' }, { level: '02' }] });
  expect(report.levels.map(({ fflMm }) => fflMm)).toEqual([0, 5550, 10350, 15150]);
});
