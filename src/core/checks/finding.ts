import type { Id } from '../model/ids';
import type { Json } from '../model/json';
import { RULES, type Rule, type Severity } from './rules';

/** A command that makes a rule hold again, with what it does in words. */
export interface Fix {
  words: string;
  command: string;
  input: Json;
}

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

export function finding(
  rule: Rule,
  building: Id,
  level: Id | null,
  about: readonly Id[],
  message: string,
  fixes: Fix[] = [],
  severity: Severity = RULES[rule].severity,
): Finding {
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
