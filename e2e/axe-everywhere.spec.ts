import { expect, test, type Page } from '@playwright/test';
import { seriousFaults } from './axe';
import { enterAs, openStep } from './project';

const STEPS = ['Levels', 'Grids', 'Columns', 'Shafts', 'Stairs', 'Floors', 'Walls', 'Checks', 'Hand over'];
const VIEWS = ['Plan', 'Section', '3D', 'Carry board', 'Schedules'];

/** Looks at what is shown in a theme, and says where. Colours are what differs in the dark. */
async function faultsAt(page: Page, where: string, colorScheme: 'light' | 'dark'): Promise<string[]> {
  const rules = colorScheme === 'dark' ? ['color-contrast'] : undefined;
  return (await seriousFaults(page, rules)).map((fault) => `${where}: ${fault}`);
}

for (const colorScheme of ['light', 'dark'] as const) {
  test(`nothing stands in anybody's way on any step, view and screen, ${colorScheme}`, async ({ page }) => {
    test.setTimeout(240_000);
    const faults = (on: Page, where: string) => faultsAt(on, where, colorScheme);
    await page.emulateMedia({ colorScheme });
    await enterAs(page, 'designer');
    await page.goto('/');
    const found: string[] = await faults(page, 'projects');
    await page.getByRole('link', { name: /Tidewater Yard/ }).click();
    await expect(page.getByRole('navigation', { name: 'Work path' })).toBeVisible();
    for (const view of VIEWS) {
      await page.getByRole('tab', { name: view }).click();
      found.push(...(await faults(page, view)));
    }
    await page.getByRole('tab', { name: 'Plan' }).click();
    for (const step of STEPS) {
      await openStep(page, step);
      found.push(...(await faults(page, step)));
    }
    await page.keyboard.press('Escape');
    await page.getByText('On level 00').click();
    await page.getByRole('button', { name: 'D-6', exact: true }).click();
    await expect(page.getByRole('toolbar', { name: 'Acts with what is chosen' })).toBeVisible();
    found.push(...(await faults(page, 'a column chosen')));
    await page.getByRole('toolbar').getByRole('button', { name: 'All that can be done' }).click();
    found.push(...(await faults(page, 'the list of acts')));
    await page.keyboard.press('Escape');
    for (const name of ['Dimensions', 'History']) {
      await page.getByRole('button', { name }).click();
      found.push(...(await faults(page, name)));
      await page.keyboard.press('Escape');
    }
    expect(found).toEqual([]);
  });
}
