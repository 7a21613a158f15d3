import { expect, test } from '@playwright/test';
import { enterAs, FURNISHED, makeProject, openProject, openStep, untilSaved } from './project';

test('a second building is added and set up, stands on its own height, and its levels are tied to the first', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  await openProject(page, await makeProject(page.request, 'Two houses', FURNISHED));
  await openStep(page, 'Levels');
  await page.getByText('Building House').click();
  await page.getByLabel('Another building').last().fill('Annex');
  await page.getByRole('button', { name: 'Add it' }).click();
  await page.getByLabel('Building', { exact: true }).selectOption({ label: 'Annex' });
  await expect(page.getByRole('heading', { name: 'Set up the levels' })).toBeVisible();
  await page.getByLabel('Storeys from the ground up').fill('4.8m 4.2m');
  await page.getByLabel('Basements downwards').fill('');
  await page.getByRole('button', { name: 'Set up these levels' }).click();
  await openStep(page, 'Levels');
  await page.getByText('Building Annex').click();
  await page.getByLabel('Zero above the site datum').fill('600');
  await page.getByLabel('Zero above the site datum').press('Enter');
  await untilSaved(page);
  await page.getByRole('tab', { name: 'Schedules' }).click();
  const ties = page.getByRole('table', { name: 'Ties of Annex and House' });
  await expect(ties.getByRole('row').filter({ hasText: '±0.000' })).toContainText('↓ 600');
  await expect(ties.getByRole('row').filter({ hasText: '+5.400' })).toContainText('level');
  await ties.getByRole('button', { name: '02' }).click();
  await expect(page.getByLabel('Building', { exact: true })).toHaveValue(/.+/);
  await expect(page.getByLabel('Current level')).toContainText('02');
  await expect(page.getByRole('table', { name: 'Ties of House and Annex' })).toBeVisible();
  // Side by side in the strip too, the other one within reach.
  await page.getByLabel('Building beside it').selectOption({ label: 'Annex' });
  const beside = page.getByRole('group', { name: 'Levels of the building beside' });
  await expect(beside).toContainText('↑ 600');
  await beside.getByRole('button', { name: 'Level 01 of the building beside' }).click();
  await expect(page.getByLabel('Building', { exact: true }).locator('option:checked')).toHaveText('Annex');
  await expect(page.getByLabel('Current level')).toContainText('01');
});
