import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** What axe finds on a page: the rule, and the first thing it is broken at. */
export async function seriousFaults(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 140) ?? ''}`);
}
