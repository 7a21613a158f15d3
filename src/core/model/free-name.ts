import { recordsOf, type Framework } from './framework';
import type { Id } from './ids';
import { refuseNow } from './length-input';
import { KIND_WORDS } from './record';

type Named = 'shaft' | 'stair' | 'wall' | 'foundation' | 'core' | 'roof' | 'ceiling';

/** S1, S2 …: the first name of a kind that is not taken. */
export function freeName(framework: Framework, kind: Named, letters: string): string {
  const names = new Set(recordsOf(framework, kind).map(({ name }) => name));
  let n = 1;
  while (names.has(`${letters}${n}`)) n += 1;
  return `${letters}${n}`;
}

/** Refuses a name that another record of the kind has. */
export function refuseTaken(framework: Framework, kind: Named, name: string | undefined, own?: Id): void {
  if (name && recordsOf(framework, kind).some((each) => each.name === name && each.id !== own))
    refuseNow(`There is a ${KIND_WORDS[kind]} named ${name} already. Choose another name`, ['name']);
}
