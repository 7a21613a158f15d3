import { randomUUID } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import { enterAs, enterByDoor, FURNISHED, makeProject, openProject, openStep, untilSaved } from './project';

test('an account is made, refused with a wrong password, signed out and in again', async ({ page }) => {
  const email = `${randomUUID()}@test.example`;
  await page.goto('/');
  await expect(page.getByText('The demo mode is on')).toBeVisible();
  await page.getByText('Make an account').click();
  await page.getByLabel('Name', { exact: true }).fill('Dee Quay');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill('a long enough one');
  await page.getByRole('button', { name: 'Make the account' }).click();
  await expect(page.getByRole('heading', { name: 'Projects' })).toBeVisible();
  await expect(page.getByText('No project yet')).toBeVisible();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill('a wrong one indeed');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert').filter({ hasText: /\w/ })).toBeVisible();
  await page.getByLabel('Password').fill('a long enough one');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('Dee Quay')).toBeVisible();
});

/** Names of things that can be pressed or typed in but say nothing to a screen reader. */
const nameless = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll('button, [role=button], input, select, a[href], [role=tab]')]
      .filter((element) => {
        const labelled =
          element.getAttribute('aria-label') ??
          element.getAttribute('aria-labelledby') ??
          element.textContent?.trim() ??
          '';
        const label = 'labels' in element ? [...((element as HTMLInputElement).labels ?? [])].length > 0 : false;
        // What stands behind a drawn control for its form is neither pressed nor read.
        const isHidden = element.getAttribute('aria-hidden') === 'true' && (element as HTMLElement).tabIndex < 0;
        return labelled === '' && !label && !isHidden;
      })
      .map((element) => element.outerHTML.slice(0, 120)),
  );

test('everything that can be pressed has a name, on every step and view', async ({ page }) => {
  await enterByDoor(page, 'designer');
  expect(await nameless(page)).toEqual([]);
  await openProject(page, await makeProject(page.request, 'Names', FURNISHED));
  for (const step of ['Levels', 'Grids', 'Columns', 'Shafts', 'Floors', 'Checks', 'Hand over']) {
    await openStep(page, step);
    expect([step, await nameless(page)]).toEqual([step, []]);
  }
  for (const view of ['Section', '3D', 'Schedules']) {
    await page.getByRole('tab', { name: view }).click();
    expect([view, await nameless(page)]).toEqual([view, []]);
  }
});

for (const [width, height] of [
  [1100, 700],
  [1920, 1080],
] as const) {
  test(`nothing is cut off or runs over at ${width} × ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await enterAs(page, 'designer');
    await openProject(page, await makeProject(page.request, 'Layout', FURNISHED));
    const overflow = () =>
      page.evaluate(() => [
        document.documentElement.scrollWidth - window.innerWidth,
        document.documentElement.scrollHeight - window.innerHeight,
      ]);
    for (const step of ['Levels', 'Grids', 'Columns', 'Shafts']) {
      await openStep(page, step);
      const [x, y] = await overflow();
      expect([step, x! <= 0, y! <= 0]).toEqual([step, true, true]);
      const path = (await page.getByRole('navigation', { name: 'Work path' }).boundingBox())!;
      expect(path.y + path.height).toBeLessThanOrEqual(height + 1);
    }
    const top = page.getByRole('banner');
    for (const name of ['Dimensions', 'History']) {
      const box = (await top.getByRole('button', { name }).boundingBox())!;
      expect(box.x + box.width).toBeLessThanOrEqual(width);
    }
  });
}

test('things are chosen by a window, moved together, deleted with the key and brought back', async ({ page }) => {
  await enterAs(page, 'designer');
  await openProject(page, await makeProject(page.request, 'Window', FURNISHED));
  const plan = page.getByRole('img', { name: 'Plan of level 00' });
  await expect(plan.getByText('1', { exact: true })).toBeVisible();
  const at = async (label: string) => {
    const box = (await plan.getByText(label, { exact: true }).boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  const [one, two, a] = [await at('1'), await at('2'), await at('A')];
  await page.keyboard.down('Shift');
  await page.mouse.move(one.x - 22, a.y + 22);
  await page.mouse.down();
  await page.mouse.move(two.x + 12, a.y - 14, { steps: 5 });
  await page.mouse.up();
  await page.keyboard.up('Shift');
  await expect(page.getByRole('heading', { name: '2 things chosen' })).toBeVisible();
  await page.getByLabel('Move east').fill('0.5m');
  await page.getByRole('button', { name: 'Move', exact: true }).click();
  await untilSaved(page);
  await plan.focus().catch(() => undefined);
  await page.keyboard.press('Delete');
  await expect(page.getByRole('navigation', { name: 'Work path' })).toContainText('13 stacks');
  await untilSaved(page);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('navigation', { name: 'Work path' })).toContainText('15 stacks');
  await page.keyboard.press('Control+z');
  await page.getByRole('button', { name: 'History' }).click();
  await expect(page.getByRole('dialog', { name: 'History' })).toContainText(
    'Undone: Moved 2 column stacks by 500 mm east, 0 mm north',
  );
});
