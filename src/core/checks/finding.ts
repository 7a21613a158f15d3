import type { Id } from '../model/ids';

export type Severity = 'error' | 'warning';

export type Rule =
  | 'grid.duplicateLabel'
  | 'grid.closeLines'
  | 'grid.nearlyTrue'
  | 'column.transfer'
  | 'column.outOfPlumb'
  | 'column.largerAbove'
  | 'column.insideShaft'
  | 'column.outsideSlab'
  | 'column.nothing'
  | 'shaft.missesSlab'
  | 'level.lowClear'
  | 'outline.unsound'
  | 'span.upsideDown';

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
}

export function finding(
  rule: Rule,
  severity: Severity,
  building: Id,
  level: Id | null,
  about: readonly Id[],
  message: string,
): Finding {
  const ids = [...about].sort();
  return { key: `${rule}|${ids.join(',')}|${level ?? ''}`, rule, severity, building, level, about: ids, message };
}
