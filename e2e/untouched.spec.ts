import { expect, test, type Page } from '@playwright/test';
import { enterAs, FURNISHED, makeProject, openProject, query, untilSaved } from './project';

/** A house of lengths that are no whole fraction of an inch, with a thing of each kind that has fields. */
const ODD: [string, unknown][] = [
  ...FURNISHED,
  ['levels.setElevation', { level: '02', fflMm: 8700.7, mode: 'push' }],
  [
    'shafts.add',
    { name: 'S1', outline: { type: 'rectangle', place: 'B-1 + 1001.3,999', widthMm: 1237, depthMm: 2003 } },
  ],
  [
    'walls.add',
    {
      name: 'W1',
      type: { name: 'Odd', layers: [{ name: 'block', thicknessMm: 143, core: true }] },
      points: [
        { xMm: 2000, yMm: 1000 },
        { xMm: 6001.7, yMm: 1000 },
      ],
      startsAt: { level: '00' },
    },
  ],
  ['stairs.add', { name: 'ST1', well: { type: 'rectangle', place: 'A-2 + 700,700', widthMm: 2701, depthMm: 5603 } }],
];

const changes = async (id: string): Promise<number> =>
  Number((await query<{ n: string }>('select count(*) as n from change where project_id = $1', [id]))[0]!.n);

/** Goes into every field of a part of the page, presses Enter in it, and leaves it. */
async function goThroughFields(page: Page, part: string): Promise<number> {
  const fields = page
    .getByRole('complementary', { name: part })
    .locator('input:not([type=checkbox]):not([type=radio]):not([type=file])');
  const count = await fields.count();
  for (let i = 0; i < count; i += 1) {
    const field = fields.nth(i);
    if (!(await field.isVisible().catch(() => false)) || (await field.isDisabled())) continue;
    await field.focus();
    await field.press('Enter');
    await field.blur().catch(() => undefined);
  }
  return count;
}

for (const units of ['mm', 'ft in'] as const)
  test(`a field that nobody typed in sends nothing, shown in ${units}`, async ({ page }) => {
    await enterAs(page, 'designer');
    const id = await makeProject(page.request, `Untouched ${units}`, ODD);
    await openProject(page, id);
    await untilSaved(page);
    await page.getByRole('group', { name: 'Lengths shown in' }).getByRole('button', { name: units }).click();
    const before = await changes(id);
    let fields = 0;
    for (const level of ['00', '02'])
      await test.step(`level ${level}`, async () => {
        await page.getByRole('button', { name: new RegExp(`^Level ${level}`) }).click();
        fields += await goThroughFields(page, 'Details');
        await page.getByRole('button', { name: new RegExp(`^Elevation of level ${level},`) }).click();
        const popover = page.getByRole('dialog');
        await popover.getByLabel(/^Elevation/).press('Enter');
        await expect(popover).toBeHidden();
      });
    await page.getByRole('button', { name: /^Level 00/ }).click();
    await page.getByText('On level 00').click();
    const things = page
      .getByRole('complementary', { name: 'Details' })
      .getByRole('button', { name: /^(S1|W1|ST1|Plate|A-1)\b/ });
    const names = await things.allInnerTexts();
    for (const name of names)
      await test.step(name, async () => {
        await page.getByRole('button', { name: /^Level 00/ }).click();
        const list = page.getByText('On level 00');
        const thing = page
          .getByRole('complementary', { name: 'Details' })
          .getByRole('button', { name, exact: true })
          .first();
        if (!(await thing.isVisible().catch(() => false))) await list.click();
        await thing.click();
        fields += await goThroughFields(page, 'Details');
      });
    await untilSaved(page);
    expect(fields).toBeGreaterThan(15);
    expect(await changes(id)).toBe(before);
  });
