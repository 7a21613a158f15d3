import { ESCAPE_RULES } from '../escape/escape-rules';
import { GUARD_RULES } from '../guards/guard-rules';
import { RAMP_RULES, type RampRuleSet } from '../ramps/ramp-rules';
import { STAIR_RULES, type RuleSet } from '../stairs/rule-sets';
import { LIMITS, type RulesOf } from './limits';

/** What a project's own rule set says: what it is based on, and the limits it changes. */
interface OwnLimits {
  readonly name: string;
  readonly base: RuleSet;
  readonly rampBase: RampRuleSet;
  readonly limits: readonly { readonly limit: string; readonly value: number | null; readonly source: string }[];
}

/** Limits of the shipped sets that a set of one's own begins with. */
export const baseRules = ({ base, rampBase }: Pick<OwnLimits, 'base' | 'rampBase'>): RulesOf => ({
  stairs: STAIR_RULES[base],
  guards: GUARD_RULES[base],
  ramps: RAMP_RULES[rampBase],
  escape: ESCAPE_RULES[base],
});

const known = new WeakMap<OwnLimits, RulesOf>();

/** Limits of a set of one's own, each that it changes with its own source. */
export function ownRules(record: OwnLimits): RulesOf {
  const before = known.get(record);
  if (before) return before;
  const sources = Object.fromEntries(record.limits.map(({ limit, source }) => [limit, source]));
  let rules = baseRules(record);
  for (const { limit, value } of record.limits) rules = LIMITS[limit]?.write(rules, value) ?? rules;
  const { stairs, guards, ramps, escape } = rules;
  rules = {
    stairs: { ...stairs, title: record.name, sources },
    guards: { ...guards, sources },
    ramps: { ...ramps, title: record.name, sources },
    escape: { ...escape, sources },
  };
  known.set(record, rules);
  return rules;
}
