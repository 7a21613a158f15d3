import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Kind, Rec } from '../model/kinds';
import { refuseNow } from './length-input';
import { recordKindOf, wordOf } from '../kinds/records';

const nameIn = (record: Rec): string | null => ('name' in record ? record.name : null);

/** S1, S2 …: the first name of a kind that is not taken. */
export function freeName(framework: Framework, kind: Kind): string {
  const letters = recordKindOf(kind)?.letters ?? '';
  const names = new Set(recordsOf(framework, kind).map(nameIn));
  let n = 1;
  while (names.has(`${letters}${n}`)) n += 1;
  return `${letters}${n}`;
}

/** Refuses a name that another record of the kind has. */
export function refuseTaken(framework: Framework, kind: Kind, name: string | undefined, own?: Id): void {
  if (name && recordsOf(framework, kind).some((each) => nameIn(each) === name && each.id !== own))
    refuseNow(`There is a ${wordOf(kind)} named ${name} already. Choose another name`, ['name']);
}
