import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { textSchema } from '../model/fields';
import { idSchema } from '../model/ids';
import { RAMP_RULE_SETS } from '../ramps/ramp-rules';
import { RULE_SETS } from '../stairs/rule-sets';
import { contradiction, LIMIT_NAMES, LIMITS } from './limits';
import { ownRules } from './own-rules';

/** Limits of a project's own: a shipped rule set, but for what is said here, each limit with where it comes from. */
const ruleSetSchema = z.object({
  kind: z.literal('ruleSet'),
  id: idSchema,
  name: textSchema(60),
  /** What it has of stairs, guards and ways out, but for its own limits. */
  base: z.enum(RULE_SETS),
  /** What it has of ramps. */
  rampBase: z.enum(RAMP_RULE_SETS),
  limits: z
    .array(
      z.object({
        limit: z.enum(LIMIT_NAMES as [string, ...string[]]),
        /** In the limit's own unit; null: no limit. */
        value: z.number().min(-1e9).max(1e9).nullable(),
        source: textSchema(160),
      }),
    )
    .max(200),
});
export type OwnRuleSet = z.infer<typeof ruleSetSchema>;

declare module '../model/kinds' {
  interface Kinds {
    ruleSet: OwnRuleSet;
  }
}

/** What of a limit cannot be, in words, or null. */
export function limitRefused(limit: string, value: number | null): string | null {
  const { words, least, most, mayBeNone, unit } = LIMITS[limit]!;
  if (value === null) return mayBeNone ? null : `"${words}" has to have a value`;
  if (value >= least && value <= most && (unit !== 'risers' || Number.isInteger(value))) return null;
  return unit === 'yes or no'
    ? `"${words}" is 1 for yes or 0 for no`
    : `"${words}" must be from ${least} to ${most} ${unit}; it is ${value}`;
}

export const ruleSetRecords = recordKind({
  kind: 'ruleSet',
  named: 'in the project',
  words: { one: 'rule set', many: 'rule sets' },
  letters: null,
  schema: ruleSetSchema,
  limits: {
    ofOne: (record) => {
      for (const { limit, value } of record.limits) {
        const refused = limitRefused(limit, value);
        if (refused) return refused;
      }
      return contradiction(ownRules(record));
    },
  },
  migrations: [],
});
