import { expect, test } from '@playwright/test';
import { seriousFaults } from './axe';
import { SECOND_URL } from './project';

test('the parts of the interface stand in both themes and units, work, and are nowhere but in development', async ({
  page,
}) => {
  await page.goto('/parts');
  for (const theme of ['light', 'dark']) {
    const side = page.getByLabel(`Parts in the ${theme} theme`);
    for (const group of [
      'Fields',
      'Fields that only read',
      'Buttons',
      'Findings',
      'Tags and tables',
      'Panels of things',
    ])
      await expect(side.getByRole('group', { name: group, exact: true })).toBeVisible();
    const fields = side.getByRole('group', { name: 'Fields', exact: true });
    await fields.getByLabel('Length', { exact: true }).fill('3.45m-325');
    await expect(fields.getByText('= 3125 mm').first()).toBeVisible();
    await fields.getByLabel('Length, rounded as shown').press('Escape');
    // A panel works on a house of its own.
    const things = side.getByRole('group', { name: 'Panels of things' });
    await things.getByLabel('Name', { exact: true }).first().fill('West side');
    await things.getByLabel('Name', { exact: true }).first().press('Enter');
    await expect(things.getByLabel('Name', { exact: true }).first()).toHaveValue('West side');
  }
  const [light, dark] = await Promise.all(
    ['light', 'dark'].map((theme) =>
      page.getByLabel(`Parts in the ${theme} theme`).evaluate((side) => getComputedStyle(side).backgroundColor),
    ),
  );
  expect(light).not.toBe(dark);
  // Everything stands there twice, so its landmarks do.
  const faults = await seriousFaults(page);
  expect(faults.filter((fault) => !fault.startsWith('landmark-unique'))).toEqual([]);
  await page.getByRole('button', { name: 'ft in' }).click();
  await expect(page.getByLabel('Length, rounded as shown').first()).toHaveValue(/'/);
  expect((await page.request.get(`${SECOND_URL}/parts`)).status()).toBe(404);
});
