import { everyFacet } from '../kinds/registry';
import { RULES, type Rule, type RuleDef } from './rules';

/** Every rule there is: those listed, and those that kinds bring. */
export const EVERY_RULE: ReadonlyMap<Rule, RuleDef> = new Map([
  ...(Object.entries(RULES) as [Rule, RuleDef][]),
  ...everyFacet('rules').flatMap(({ all }) => all.map((rule): [Rule, RuleDef] => [rule.name, rule])),
]);

/** Everything that is looked at, each once. */
export const CHECKED: readonly string[] = [...new Set([...EVERY_RULE.values()].map(({ checked }) => checked))];
