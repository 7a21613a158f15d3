import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Kind, Rec } from '../model/kinds';
import { refuseNow } from './length-input';
import { recordKindOf, wordOf } from '../kinds/records';

const nameIn = (record: Rec): string | null => ('name' in record ? record.name : null);

/** Kinds whose names are read side by side in one plan: a name of one is none of the other. */
const NAMED_TOGETHER: Partial<Record<Kind, readonly Kind[]>> = {
  shaft: ['shaft', 'settingOutLine'],
  settingOutLine: ['settingOutLine', 'shaft'],
};

/** S1, S2 …: the first name of a kind that is not taken. */
export function freeName(framework: Framework, kind: Kind): string {
  const letters = recordKindOf(kind)?.letters ?? '';
  const kinds = NAMED_TOGETHER[kind] ?? [kind];
  const names = new Set(kinds.flatMap((each) => recordsOf(framework, each).map(nameIn)));
  let n = 1;
  while (names.has(`${letters}${n}`)) n += 1;
  return `${letters}${n}`;
}

/** Refuses a name that another record of the kind has, or of one that is named beside it. */
export function refuseTaken(framework: Framework, kind: Kind, name: string | undefined, own?: Id): void {
  if (!name) return;
  for (const taken of NAMED_TOGETHER[kind] ?? [kind]) {
    if (recordsOf(framework, taken).some((each) => nameIn(each) === name && each.id !== own))
      refuseNow(`There is a ${wordOf(taken)} named ${name} already. Choose another name`, ['name']);
  }
}
