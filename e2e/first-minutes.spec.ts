import { expect, test } from '@playwright/test';
import { enterAs, makeProject, openProject, openStep } from './project';

test('five acts stand beside the demo, are brought where they are done, and stay away once left out', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  await page.goto('/');
  await page.getByRole('link', { name: /Tidewater Yard/ }).click();
  const steps = page.getByRole('region', { name: 'First steps' });
  await expect(steps).toContainText('1 of 5: Raise a level.');
  await steps.getByRole('button', { name: 'Skip this one' }).click();
  await expect(steps).toContainText('2 of 5: Cut a shaft.');
  await steps.getByRole('button', { name: 'Show me where' }).click();
  await expect(page.getByRole('region', { name: 'Shafts tools' })).toBeVisible();
  for (const act of ['3 of 5', '4 of 5', '5 of 5']) {
    await steps
      .getByRole('button', { name: 'Skip this one' })
      .or(steps.getByRole('button', { name: 'Next' }))
      .click();
    await expect(steps).toContainText(act);
  }
  await steps.getByRole('button', { name: 'Show me where' }).click();
  await expect(steps).toContainText('Done: Hand over.');
  await steps.getByRole('button', { name: 'Leave out all' }).click();
  await expect(steps).toBeHidden();
  await page.reload();
  await expect(page.getByRole('navigation', { name: 'Work path' })).toBeVisible();
  await expect(steps).toBeHidden();
});

test('tools are found by any word of the trade, what is not there is said, and help opens at what one is doing', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  await openProject(page, await makeProject(page.request, 'Found', [['levels.setUp', { above: '3@3m' }]]));
  const line = page.getByRole('combobox', { name: 'Quick entry' });
  await line.fill('door');
  await expect(page.getByRole('option', { name: 'Go to Doors & windows, at Walls' })).toBeVisible();
  await line.press('Enter');
  await expect(page.getByRole('region', { name: 'Walls tools' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Doors & windows' })).toHaveAttribute('aria-pressed', 'true');
  await line.fill('dormer');
  await expect(page.getByRole('option', { name: 'Go to Dormers, at Floors & roof' })).toBeVisible();
  await line.fill('furniture');
  await expect(page.getByText('Furniture is not part of a framework')).toBeVisible();
  await line.press('Escape');
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  const help = page.getByRole('dialog', { name: 'Help' });
  await expect(
    help
      .getByText('A level is a height of the building', { exact: false })
      .or(help.getByText('Type a digit', { exact: false }))
      .first(),
  ).toBeVisible();
  await help.getByRole('textbox').fill('setback');
  await expect(help.getByText('A floor plate serves levels', { exact: false })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(help).toBeHidden();
});

test('a project is started from a building by keyboard: numbers typed, wrong ones said, made by commands', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  await page.goto('/');
  await page.getByLabel('New project', { exact: true }).fill('Quay tower');
  const kinds = page.getByRole('radiogroup', { name: 'Start from' });
  await kinds.getByRole('radio', { name: 'Nothing yet' }).focus();
  await page.keyboard.press('ArrowRight', { delay: 60 });
  await expect(kinds.getByRole('radio', { name: 'Tower on a podium' })).toBeChecked();
  const form = page.getByRole('form', { name: 'Start a project' });
  await form.getByLabel('Tower storeys').fill('3@1m');
  await expect(form.getByText('2400 to 12000, not 1000', { exact: true })).toBeVisible();
  await form.getByRole('button', { name: 'Start with it' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Tower storeys: 2400 to 12000' })).toBeVisible();
  await form.getByLabel('Tower storeys').fill('3@3.5m');
  await expect(form.getByRole('status').filter({ hasText: '7 storeys' })).toBeVisible();
  await form.getByRole('button', { name: 'Start with it' }).press('Enter');
  await expect(page.getByRole('tab', { name: 'Plan' })).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Work path' })).toContainText('no findings');
  await page.getByRole('button', { name: 'History', exact: true }).click();
  await expect(page.getByText('Core K1', { exact: false }).first()).toBeVisible();
});

test('every step of an empty project says what it is for and what to do first, until it has something', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Blank', [['levels.setUp', { above: '3@3m' }]]);
  await openProject(page, id);
  const says = page.getByRole('note', { name: 'What this step is for' });
  for (const step of ['Grids', 'Columns', 'Shafts', 'Stairs', 'Floors', 'Walls', 'Checks', 'Hand over']) {
    await openStep(page, step);
    await expect(says).toContainText('First:');
  }
  await openStep(page, 'Columns');
  await says.getByRole('button', { name: 'Add a grid' }).click();
  await expect(page.getByRole('region', { name: 'Grids tools' })).toBeVisible();
  await page.getByRole('button', { name: 'Add the grid' }).click();
  await expect(says).toBeHidden();
  await openStep(page, 'Columns');
  await expect(says).toContainText('choose grid lines');
});
