import { expect, test, type Locator, type Page } from '@playwright/test';
import { TIDEWATER_YARD } from '@/demo/tidewater-yard';
import { enterAs, makeProject, openProject, query, untilSaved } from './project';
import type { Step } from '@/core/commands/command-inputs';
import { stepsOf } from '@/core/testing/given';

/** The demo, which has a thing of every kind, with lengths that are no whole fraction of an inch. */
const ODD: Step[] = [
  // The new project has its first building already.
  ...stepsOf(TIDEWATER_YARD.slice(2)),
  ['levels.setElevation', { level: '05', fflMm: 21_600.7, mode: 'push' }],
];

const LEVELS = [
  ['Annex', 'RF'],
  ...['B2', '00', '05', 'RF'].map((level) => ['Hall house', level] as const),
  ['Annex', '00'],
] as const;
const KINDS = [
  'Grid lines',
  'Columns',
  'Shafts',
  'Stairs',
  'Walls',
  'Rooms',
  'Floor plates',
  'Ceilings',
  'Roofs',
  'Pitched roofs',
  'Dormers and roof windows',
  'Falls',
  'Ramps',
  'Sloped floors',
  'Guards and handrails',
  'Cores',
  'Foundations',
];

const changes = async (id: string): Promise<number> =>
  Number((await query<{ n: string }>('select count(*) as n from change where project_id = $1', [id]))[0]!.n);

const FIELDS =
  'input:not([type=checkbox]):not([type=radio]):not([type=file]):not([type=range]):not([type=color]), textarea';

/** Goes into every field of a part of the page and leaves it, in those that are not for adding something with Enter. */
async function goThroughFields(part: Locator): Promise<string[]> {
  const gone: string[] = [];
  const fields = part.locator(FIELDS);
  const count = await fields.count();
  for (let i = 0; i < count; i += 1) {
    const field = fields.nth(i);
    if (!(await field.isVisible().catch(() => false)) || (await field.isDisabled())) continue;
    // A form that adds something is sent by Enter: there the field is only gone into.
    const adds = await field.evaluate((element) => element.closest('form') !== null);
    await field.focus();
    if (!adds) await field.press('Enter');
    await field.blur().catch(() => undefined);
    gone.push(await field.evaluate((element: HTMLInputElement) => element.labels?.[0]?.innerText ?? element.name));
  }
  return gone;
}

/** Opens everything that is folded in a part of the page. */
const unfold = (part: Locator) =>
  part.locator('details').evaluateAll((all) => all.forEach((each) => ((each as HTMLDetailsElement).open = true)));

const details = (page: Page) => page.getByRole('complementary', { name: 'Details' });

for (const units of ['mm', 'ft in'] as const)
  test(`a field of any form that nobody typed in sends nothing, shown in ${units}`, async ({ page }) => {
    test.setTimeout(420_000);
    await enterAs(page, 'designer');
    const id = await makeProject(page.request, `Untouched ${units}`, ODD, 'Hall house');
    await openProject(page, id);
    await untilSaved(page);
    await page.getByRole('group', { name: 'Lengths shown in' }).getByRole('button', { name: units }).click();
    const before = await changes(id);
    const gone: string[] = [];
    const unseen = new Set(KINDS);
    // Rounding is what feet are about; in millimetres a part of it is enough.
    const levels = units === 'mm' ? LEVELS.slice(2, 4) : LEVELS;
    for (const [building, level] of levels)
      await test.step(`${building}, level ${level}`, async () => {
        await page.getByLabel('Building', { exact: true }).selectOption({ label: building });
        await page.getByRole('button', { name: new RegExp(`^Level ${level}`) }).click();
        await unfold(details(page));
        gone.push(...(await goThroughFields(details(page))));
        await page.getByRole('button', { name: new RegExp(`^Elevation of level ${level},`) }).click();
        const popover = page.getByRole('dialog');
        await popover.getByLabel(/^Elevation/).press('Enter');
        await expect(popover).toBeHidden();
        for (const kind of unseen) {
          await page.getByRole('button', { name: new RegExp(`^Level ${level}`) }).click();
          await unfold(details(page));
          const first = details(page).locator(`div:has(> h4:text-is("${kind}")) button`).first();
          if ((await first.count()) === 0) continue;
          await first.click();
          await unfold(details(page));
          const fields = await goThroughFields(details(page));
          if (fields.length > 0) unseen.delete(kind);
          gone.push(...fields.map((field) => `${kind}: ${field}`));
        }
      });
    if (units === 'ft in') expect([...unseen]).toEqual([]);
    await test.step('the tools', async () => {
      const path = page.getByRole('navigation', { name: 'Work path' }).getByRole('button');
      for (let i = 0; i < (await path.count()); i += 1) {
        await path.nth(i).click();
        const tools = page.getByRole('region', { name: / tools$/ });
        await unfold(tools);
        gone.push(...(await goThroughFields(tools)));
      }
    });
    await test.step('the tables', async () => {
      await page.getByRole('tab', { name: 'Schedules' }).click();
      gone.push(...(await goThroughFields(page.getByRole('table', { name: 'Levels' }))));
    });
    await untilSaved(page);
    expect(gone.length).toBeGreaterThan(90);
    expect(await changes(id)).toBe(before);
  });
