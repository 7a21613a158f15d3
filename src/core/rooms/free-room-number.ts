import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';

/** The next number of a level that no room has: level name and a running number, `01.04`. */
export function freeRoomNumber(framework: Framework, level: Id): string {
  const record = framework.records.get(level);
  const name = record?.kind === 'level' ? record.name : '';
  const taken = new Set(recordsOf(framework, 'room').map(({ number }) => number));
  let n = 1;
  while (taken.has(`${name}.${String(n).padStart(2, '0')}`)) n += 1;
  return `${name}.${String(n).padStart(2, '0')}`;
}
