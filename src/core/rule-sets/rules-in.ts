import { ESCAPE_RULES, type EscapeRules } from '../escape/escape-rules';
import { GUARD_RULES, type GuardRules } from '../guards/guard-rules';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import { refuseNow } from '../commands/length-input';
import { RAMP_RULES, RAMP_RULE_SETS, type RampRules, type RampRuleSet } from '../ramps/ramp-rules';
import { RULE_SETS, STAIR_RULES, type RuleSet, type StairRules } from '../stairs/rule-sets';
import { ownRules } from './own-rules';
import type { RulesOf } from './limits';

/** What a thing names as its rule set: a shipped one, or the id of one of the project's own. */
type Named = string;

const isShipped = (rules: Named): rules is RuleSet => (RULE_SETS as readonly string[]).includes(rules);
const isRampShipped = (rules: Named): rules is RampRuleSet => (RAMP_RULE_SETS as readonly string[]).includes(rules);

function own(framework: Framework, rules: Named): RulesOf | null {
  const record = recordOf(framework, 'ruleSet', rules);
  return record ? ownRules(record) : null;
}

/** The limits a stair is measured against. */
export const stairRules = (framework: Framework, rules: Named): StairRules =>
  isShipped(rules) ? STAIR_RULES[rules] : (own(framework, rules)?.stairs ?? STAIR_RULES.public);

export const guardRules = (framework: Framework, rules: Named): GuardRules =>
  isShipped(rules) ? GUARD_RULES[rules] : (own(framework, rules)?.guards ?? GUARD_RULES.public);

export const rampRules = (framework: Framework, rules: Named): RampRules =>
  isRampShipped(rules) ? RAMP_RULES[rules] : (own(framework, rules)?.ramps ?? RAMP_RULES.public);

export const escapeRules = (framework: Framework, rules: Named): EscapeRules =>
  isShipped(rules) ? ESCAPE_RULES[rules] : (own(framework, rules)?.escape ?? ESCAPE_RULES.public);

/** The rule set of the project, where nothing else is said. */
export const projectRules = (framework: Framework): Named =>
  recordsOf(framework, 'project')[0]?.details?.rules ?? 'public';

/** What a command names as a rule set, as records keep it: a shipped one, or one of the project's own by id or name. */
export function rulesReferred(framework: Framework, ref: string, shipped: readonly string[] = RULE_SETS): Named {
  if (shipped.includes(ref)) return ref;
  const found = recordsOf(framework, 'ruleSet').find(({ id, name }) => id === ref || name === ref);
  if (found) return found.id;
  return refuseNow(`There is no rule set named ${ref}. There are ${shipped.join(', ')}, and those of the project`, [
    'rules',
  ]);
}

const ofProject = (framework: Framework): [string, string][] =>
  recordsOf(framework, 'ruleSet').map(({ id, name }) => [id, name]);

/** Rule sets to choose from, each with its title: the shipped ones, then the project's own. */
export const ruleChoices = (framework: Framework): [string, string][] => [
  ...RULE_SETS.map((key): [string, string] => [key, STAIR_RULES[key].title]),
  ...ofProject(framework),
];

/** The same for ramps and sloped floors. */
export const rampRuleChoices = (framework: Framework): [string, string][] => [
  ...RAMP_RULE_SETS.map((key): [string, string] => [key, RAMP_RULES[key].title]),
  ...ofProject(framework),
];
