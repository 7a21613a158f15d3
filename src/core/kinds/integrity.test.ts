import { FURNISHED, given, levelId } from '../testing/given';
import { apply, NO_CHANGES, type Changes } from '../model/changes';
import { recordsOf } from '../model/framework';
import { faultAfter } from './integrity';
import { called, referencesOf } from './records';
import type { Rec } from '../model/kinds';

const tower = given([
  ...FURNISHED,
  ['dimensions.define', { name: 'slab', value: 250 }],
  ['floors.change', { floor: 'Plate', thicknessMm: 'slab' }],
]);
const fault = (changes: Changes) => faultAfter(apply(tower, changes), changes)?.message ?? null;
const one = <K extends Rec['kind']>(kind: K) => recordsOf(tower, kind)[0]!;
const patch = (id: string, path: string, from: unknown, to: unknown): Changes => ({
  ...NO_CHANGES,
  patched: [{ id, fields: { [path]: [from, to] as never } }],
});
const NOWHERE = '00000000-0000-4000-8000-000000000000';

describe('what holds a framework together', () => {
  it('every record refers only to records that are there', () => {
    for (const record of tower.records.values()) {
      for (const { id } of referencesOf(record)) expect(tower.records.has(id)).toBe(true);
    }
    expect(fault(NO_CHANGES)).toBeNull();
  });

  it('a record that does not fit its kind is named with the field', () => {
    const shaft = one('shaft');
    expect(fault(patch(shaft.id, 'purpose', shaft.purpose, 'slide'))).toMatch(/shaft S1: .*purpose/);
    const level = tower.records.get(levelId(tower, '01'))!;
    expect(fault(patch(level.id, 'heightMm', 5400, 'high'))).toMatch(/level 01/);
  });

  it('a reference to nothing is named with what refers and where', () => {
    const shaft = one('shaft');
    expect(fault(patch(shaft.id, 'startsAt.level', shaft.startsAt.level, NOWHERE))).toMatch(
      /shaft S1 would refer to something that is not there \(startsAt.level\)/,
    );
  });

  it('nothing goes while something else hangs on it', () => {
    const gone = (record: Rec) => fault({ ...NO_CHANGES, removed: [record] });
    expect(gone(one('building'))).toMatch(/building Hall cannot go: .* hangs on it/);
    expect(gone(tower.records.get(levelId(tower, 'RF'))!)).toMatch(/level RF cannot go/);
    expect(gone(one('dimension'))).toMatch(/named dimension slab cannot go: floor plate Plate hangs on it/);
    expect(gone(one('shaft'))).toBeNull();
    expect(fault({ ...NO_CHANGES, removed: [one('columnStack'), one('shaft')] })).toBeNull();
  });

  it('a circle is named all round', () => {
    const [low, high] = [tower.records.get(levelId(tower, '00'))!, tower.records.get(levelId(tower, '01'))!];
    expect(fault(patch(low.id, 'from', null, high.id))).toMatch(/circle: level 0\d → level 0\d → level 0\d/);
  });

  it('records are called by their kind and name', () => {
    expect([called(one('shaft')), called(one('gridSystem')), called(one('columnStack'))]).toEqual([
      'shaft S1',
      'grid Grid',
      'column stack',
    ]);
  });
});
