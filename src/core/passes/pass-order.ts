import type { PassReads } from './graph';
import type { Scope } from './pass';

export interface PassRow {
  pass: string;
  scope: Scope | null;
  /** Names of passes and of kinds of records. */
  reads: string[];
}

/** Passes in an order in which each comes after all it reads; those that could come at once, by name. */
export function passOrder(dependencies: ReadonlyMap<string, PassReads>): PassRow[] {
  const rows: PassRow[] = [];
  const done = new Set<string>();
  const take = (pass: string, { scope, reads }: PassReads): void => {
    if (done.has(pass)) return;
    done.add(pass);
    const sorted = [...reads].sort();
    for (const read of sorted) {
      const entry = dependencies.get(read);
      if (entry) take(read, entry);
    }
    rows.push({ pass, scope, reads: sorted.filter((read) => read !== pass) });
  };
  for (const pass of [...dependencies.keys()].sort()) take(pass, dependencies.get(pass)!);
  return rows;
}

/** One pass a line, indented under it what it reads. */
export const passText = (rows: readonly PassRow[]): string =>
  rows
    .map(({ pass, scope, reads }, i) => {
      const about = scope === null ? 'looked up' : `of a ${scope}`;
      return `${i + 1}. ${pass} (${about})\n${reads.map((read) => `     ${read}`).join('\n')}\n`;
    })
    .join('\n');
