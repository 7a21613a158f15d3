import type { Id } from '../model/ids';
import type { CommandInputs, CommandName, Sent } from '../commands/command-inputs';
import { RULES, type OwnRule, type Rule, type Severity } from './rules';

/** A command that makes a rule hold again, with what it does in words. */
export type Fix = { words: string } & Sent;

/** A fix whose command and input fit each other. */
export const fixBy = <Name extends CommandName>(words: string, command: Name, input: CommandInputs[Name]): Fix =>
  ({ words, command, input }) as Fix;

/** One place where a rule does not hold. */
export interface Finding {
  /** Rule, sorted ids and level: what makes it the same finding after an edit elsewhere. */
  key: string;
  rule: Rule;
  severity: Severity;
  building: Id;
  level: Id | null;
  /** Records it is about. */
  about: Id[];
  message: string;
  /** What would make it hold; the least change first. */
  fixes: Fix[];
}

/** A finding of a rule that is listed in rules.ts, or that a kind brings. */
export function finding(
  of: keyof typeof RULES | OwnRule,
  building: Id,
  level: Id | null,
  about: readonly Id[],
  message: string,
  fixes: Fix[] = [],
  severity: Severity = (typeof of === 'string' ? RULES[of] : of).severity,
): Finding {
  const rule: Rule = typeof of === 'string' ? of : of.name;
  const ids = [...about].sort();
  return {
    key: `${rule}|${ids.join(',')}|${level ?? ''}`,
    rule,
    severity,
    building,
    level,
    about: ids,
    message,
    fixes,
  };
}

/** Findings of which several say the same, each once. */
export const onceByKey = (findings: readonly Finding[]): Finding[] => [
  ...new Map(findings.map((each) => [each.key, each])).values(),
];
