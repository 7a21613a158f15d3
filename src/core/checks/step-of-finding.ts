import { facet } from '../kinds/kind';
import { kindOf } from '../kinds/registry';
import type { Step } from '../kinds/steps';
import type { Framework } from '../model/framework';
import type { Finding } from './finding';
import { EVERY_RULE } from './every-rule';

/** The step a finding counts to: that of its rule, or of the first thing it is about; null where that has none. */
export function stepOfFinding(framework: Framework, { rule, about }: Pick<Finding, 'rule' | 'about'>): Step | null {
  const step = EVERY_RULE.get(rule)?.step;
  if (step) return step;
  for (const id of about) {
    const record = framework.records.get(id);
    const made = record && facet(kindOf(record).step);
    if (made) return made.step;
  }
  return null;
}
