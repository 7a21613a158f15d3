import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** What axe finds on a page, by some rules or all: the rule, and the first thing it is broken at. */
export async function seriousFaults(page: Page, rules?: string[]): Promise<string[]> {
  const axe = new AxeBuilder({ page });
  const { violations } = await (rules ? axe.withRules(rules) : axe).analyze();
  return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 140) ?? ''}`);
}
