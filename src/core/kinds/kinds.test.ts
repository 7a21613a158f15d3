import { everyCommand } from '../testing/every-command';
import { dimensionsUsed, type Length } from '../units/parse-length';
import type { Rec } from '../model/kinds';
import { RECORD_KINDS, referencesOf, walkOfKind } from './records';
import { DEFINITIONS } from './registry';

const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;

/** Every id that stands anywhere in a record but in its own `id`, marked or not. */
const idsIn = ({ id: _, ...rest }: Rec): string[] => [...(JSON.stringify(rest).match(UUID) ?? [])].sort();

/** Every id that the marks of its schema find. */
function markedIn(record: Rec): string[] {
  const found: string[] = [];
  walkOfKind(record.kind)?.see(record, (mark, value) => {
    if (mark.is === 'ref' || mark.is === 'ownId') found.push(value as string);
    if (mark.is === 'length') found.push(...dimensionsUsed(value as Length));
  });
  return found.sort();
}

it('no id stands in any record that its marks do not find, whatever commands made it', () => {
  const kinds = new Set<string>();
  everyCommand(3, 4, 25, ({ after, changes }) => {
    for (const id of [...changes.added, ...changes.patched].map((each) => each.id)) {
      const record = after.records.get(id);
      if (!record) continue;
      kinds.add(record.kind);
      expect([record.kind, markedIn(record)]).toEqual([record.kind, idsIn(record)]);
      for (const reference of referencesOf(record)) expect(after.records.has(reference.id)).toBe(true);
    }
  });
  expect([...kinds].sort()).toEqual(RECORD_KINDS.map(({ kind }) => kind as string).sort());
});

it('what checks records and what uses them know the same kinds, each with words and letters of its own', () => {
  const kinds = RECORD_KINDS.map(({ kind }) => kind as string);
  expect(DEFINITIONS.map(({ records }) => records.kind as string).sort()).toEqual([...kinds].sort());
  const words = RECORD_KINDS.flatMap(({ words: { one, many } }) => [one, many]);
  expect(new Set(words).size).toBe(words.length);
  const letters = RECORD_KINDS.flatMap((each) => (each.letters === null ? [] : [each.letters as string]));
  expect(new Set(letters).size).toBe(letters.length);
});
