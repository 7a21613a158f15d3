import { readFileSync } from 'node:fs';
import { frameworkHash, recordsById } from '@/core/model/framework';
import { FURNISHED, given } from '@/core/testing/given';
import { writeSpineFile } from '@/core/kinds/spine-text';
import { readSpineFile } from './spine-file';

const tower = given(FURNISHED);
const text = writeSpineFile(tower);
const message = (changed: string) => {
  const read = readSpineFile(changed);
  return read.ok ? 'taken' : read.refusal.message;
};
const withRecords = (change: (records: Record<string, Record<string, unknown>>) => void) => {
  const records = structuredClone(recordsById(tower)) as unknown as Record<string, Record<string, unknown>>;
  change(records);
  return JSON.stringify({ format: 'spine', version: 2, records });
};

describe('a framework file', () => {
  it('reads back as the same framework and writes back as the same bytes', () => {
    const read = readSpineFile(text);
    if (!read.ok) throw new Error(read.refusal.message);
    expect(frameworkHash(read.value)).toBe(frameworkHash(tower));
    expect(writeSpineFile(read.value)).toBe(text);
  });

  it('keeps fields it does not know', () => {
    const read = readSpineFile(withRecords((records) => void (Object.values(records)[0]!.later = { x: 1 })));
    expect(read.ok && writeSpineFile(read.value)).toContain('"later":{"x":1}');
  });

  it('of version 1 is read as it would be written today', () => {
    const records = structuredClone(recordsById(tower)) as unknown as Record<string, Record<string, unknown>>;
    for (const record of Object.values(records)) delete record.budget;
    const old = JSON.stringify({ format: 'spine', version: 1, records });
    const read = readSpineFile(old);
    expect(read.ok && writeSpineFile(read.value)).toBe(text);
    expect(message(old.replace('"version":1', '"version":2'))).toMatch(/damaged \(budget/);
  });

  it('is refused in words when it is newer, damaged or does not hold together', () => {
    expect(message(readFileSync('e2e/fixtures/malformed/future.spine.json', 'utf8'))).toMatch(/version 99.*Update/);
    expect(message('not json')).toMatch(/does not hold JSON/);
    for (const other of ['[]', 'null', '{}', '{"format":"spine","version":0,"records":{}}']) {
      expect(message(other)).toMatch(/not a framework file/);
    }
    const level = Object.values(recordsById(tower)).find(({ kind }) => kind === 'level')!;
    expect(message(withRecords((records) => void (records[level.id]!.heightMm = 'high')))).toMatch(/damaged/);
    expect(message(withRecords((records) => void (records[level.id]!.id = tower.records.keys().next().value)))).toMatch(
      /id does not match/,
    );
    expect(message(withRecords((records) => void delete records[level.id]))).toMatch(/does not hold together/);
    expect(message(withRecords((records) => void (records[level.id]!.kind = 'balloon')))).toMatch(/damaged/);
  });
});
