import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import {
  LengthReader,
  lengthInputSchema,
  refuseNow,
  refusing,
  saidLength,
  type LengthInput,
} from '../commands/length-input';
import { refSchema } from '../commands/refer';
import { textSchema } from '../model/fields';
import { recordsOf, type Framework } from '../model/framework';
import { RAMP_RULE_SETS } from '../ramps/ramp-rules';
import { RULE_SETS } from '../stairs/rule-sets';
import { contradiction, LIMIT_NAMES, LIMITS } from './limits';
import { ownRules } from './own-rules';
import { limitRefused, type OwnRuleSet } from './rule-set';

function ruleSetIn(framework: Framework, ref: string): OwnRuleSet {
  const found = recordsOf(framework, 'ruleSet').find(({ id, name }) => id === ref || name === ref);
  if (found) return found;
  return refuseNow(
    (RULE_SETS as readonly string[]).includes(ref)
      ? 'The rule sets that come with the program stay as they are. Copy it and change the copy'
      : `There is no rule set named ${ref} in the project`,
    ['ruleSet'],
  );
}

function refuseTakenName(framework: Framework, name: string, but?: string): void {
  if (recordsOf(framework, 'ruleSet').some((each) => each.name === name && each.id !== but))
    refuseNow(`There is a rule set named ${name} already. Choose another name`, ['name']);
}

const copy = defineCommand({
  name: 'ruleSets.copy',
  title: 'Copy a rule set, to change limits of it',
  input: z.strictObject({
    /** One that comes with the program, or one of the project's own. */
    from: refSchema.default('public'),
    name: textSchema(60),
    /** What it says of ramps; not given: as it is called for stairs, or by the rise. */
    ramps: z.enum(RAMP_RULE_SETS).optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      refuseTakenName(edit.before, input.name);
      const shipped = RULE_SETS.find((each) => each === input.from);
      const { base, rampBase, limits } = shipped
        ? { base: shipped, rampBase: shipped === 'private' ? ('sliding' as const) : shipped, limits: [] }
        : ruleSetIn(edit.before, input.from);
      edit.add<'ruleSet'>({
        kind: 'ruleSet',
        name: input.name,
        base,
        rampBase: input.ramps ?? rampBase,
        limits: [...limits],
      });
    }),
  sentence: (_, input) => `Rule set ${input.name} copied`,
});

const change = defineCommand({
  name: 'ruleSets.change',
  title: 'Rename a rule set, or base it on others for ramps',
  input: z.strictObject({
    ruleSet: refSchema,
    name: textSchema(60).optional(),
    ramps: z.enum(RAMP_RULE_SETS).optional(),
  }),
  plan: (edit, { ruleSet, name, ramps }) =>
    refusing(() => {
      const record = ruleSetIn(edit.before, ruleSet);
      if (name !== undefined) refuseTakenName(edit.before, name, record.id);
      const isOther = ramps !== undefined && ramps !== record.rampBase;
      // Limits of steps that the other table has not go.
      const limits = isOther ? record.limits.filter(({ limit }) => !/^ramps\.(rise|slope)/.test(limit)) : undefined;
      edit.set('ruleSet', record.id, { name, rampBase: ramps, limits });
    }),
  sentence: (before, { ruleSet }) => `Rule set ${ruleSetIn(before, ruleSet).name} changed`,
});

const setLimit = defineCommand({
  name: 'ruleSets.setLimit',
  title: 'Give a limit of a rule set another value, with where it comes from',
  input: z.strictObject({
    ruleSet: refSchema,
    limit: z.enum(LIMIT_NAMES as [string, ...string[]]),
    /** In the limit's own unit; a length as it is typed; null: no limit. */
    value: lengthInputSchema.nullable(),
    /** Where it comes from: a clause, a letter, a decision. */
    source: textSchema(160),
  }),
  plan: (edit, { ruleSet, limit, value, source }) =>
    refusing(() => {
      const record = ruleSetIn(edit.before, ruleSet);
      const { unit, words, read } = LIMITS[limit]!;
      if (read(ownRules(record)) === undefined) refuseNow(`${record.name} has no "${words}"`, ['limit']);
      if (typeof value === 'string' && unit !== 'mm') refuseNow(`"${words}" is a number`, ['value']);
      const read1 = value === null ? null : new LengthReader(edit.before).read(value, 'value').mm;
      const refused = limitRefused(limit, read1);
      if (refused) refuseNow(refused, ['value']);
      const limits = [...record.limits.filter((each) => each.limit !== limit), { limit, value: read1, source }];
      const wrong = contradiction(ownRules({ ...record, limits }));
      if (wrong) refuseNow(`${wrong}. Change the other limit first`, ['value']);
      edit.set('ruleSet', record.id, { limits });
    }),
  sentence: (before, { ruleSet, limit, value, source }) =>
    `Rule set ${ruleSetIn(before, ruleSet).name}, ${lowered(LIMITS[limit]!.words)}: ${saidValue(before, limit, value)} (${source})`,
});

/** A value as the history says it. */
function saidValue(framework: Framework, limit: string, value: LengthInput | null): string {
  const { unit } = LIMITS[limit]!;
  if (value === null) return 'no limit';
  if (unit === 'mm') return saidLength(framework, value);
  return unit === 'yes or no' ? (value === 1 ? 'yes' : 'no') : `${value} ${unit}`;
}

const lowered = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

const resetLimit = defineCommand({
  name: 'ruleSets.resetLimit',
  title: 'Let a limit of a rule set be as in the one it was copied from',
  input: z.strictObject({ ruleSet: refSchema, limit: z.enum(LIMIT_NAMES as [string, ...string[]]) }),
  plan: (edit, { ruleSet, limit }) =>
    refusing(() => {
      const record = ruleSetIn(edit.before, ruleSet);
      const limits = record.limits.filter((each) => each.limit !== limit);
      const wrong = contradiction(ownRules({ ...record, limits }));
      if (wrong) refuseNow(`${wrong}. Change the other limit first`, ['limit']);
      edit.set('ruleSet', record.id, { limits });
    }),
  sentence: (before, { ruleSet, limit }) =>
    `Rule set ${ruleSetIn(before, ruleSet).name}, ${lowered(LIMITS[limit]!.words)}: as it came`,
});

const remove = defineCommand({
  name: 'ruleSets.remove',
  title: 'Remove a rule set that nothing is measured against',
  input: z.strictObject({ ruleSet: refSchema }),
  plan: (edit, { ruleSet }) => refusing(() => edit.remove(ruleSetIn(edit.before, ruleSet).id)),
  sentence: (before, { ruleSet }) => `Rule set ${ruleSetIn(before, ruleSet).name} removed`,
});

export const RULE_SET_COMMANDS = [copy, change, setLimit, resetLimit, remove] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof RULE_SET_COMMANDS> {}
}
