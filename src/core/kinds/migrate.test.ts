import { NO_CHANGES, type Changes } from '../model/changes';
import { FURNISHED, given, levelId } from '../testing/given';
import { FILE_VERSION, upcast, upcastChanges } from './migrate';
import { RECORD_KINDS, recordKindOf } from './records';

const tower = given(FURNISHED);
const nothingKnown = () => undefined;

describe('records of older versions', () => {
  it('keeps fields of records that no step of today knows', () => {
    expect(upcast({ kind: 'underlay', id: 'x', later: 1 }, 1)).toEqual({ kind: 'underlay', id: 'x', later: 1 });
    expect(upcast({ kind: 'shaft', id: 'x', later: 1 }, 3)).toEqual({
      kind: 'shaft',
      id: 'x',
      later: 1,
      exceptions: [],
      lift: null,
    });
  });
  it('gives records of an older version what they lack today, and leaves those of today alone', () => {
    expect(upcast({ kind: 'level', id: 'x', later: 1 }, 1)).toEqual({
      kind: 'level',
      id: 'x',
      later: 1,
      budget: null,
      extent: null,
      wayOut: null,
    });
    expect(upcast({ kind: 'level', id: 'x', budget: null }, 2)).toEqual({
      kind: 'level',
      id: 'x',
      budget: null,
      extent: null,
      wayOut: null,
    });
    expect(upcast({ kind: 'gridSystem', id: 'x' }, 2)).toMatchObject({ shape: 'rectangular', headsAt: { a: 'last' } });
    expect(upcast({ kind: 'columnStack', id: 'x' }, 1)).toMatchObject({ exceptions: [], blocksAt: 'allButTop' });
    const typed = { kind: 'level', id: 'x', budget: { beamMm: 4 }, extent: null, wayOut: null };
    expect(upcast(typed, FILE_VERSION)).toEqual(typed);
    const level = tower.records.get(levelId(tower, '01'))!;
    const { budget: _, ...old } = level as Extract<typeof level, { kind: 'level' }>;
    const changes = { ...NO_CHANGES, added: [old as typeof level] };
    expect(upcastChanges(changes, 1, nothingKnown).added[0]).toEqual(level);
    expect(upcastChanges(changes, FILE_VERSION, nothingKnown)).toBe(changes);
  });
});

describe('a field with another name', () => {
  const changes = (fields: Changes['patched'][number]['fields']): Changes => ({
    ...NO_CHANGES,
    patched: [{ id: 'x', fields }],
  });

  it('has it in records and in patches, whatever else they hold', () => {
    expect(upcast({ kind: 'underlay', id: 'x', strength: 0.5, name: 'strength' }, 7)).toEqual({
      kind: 'underlay',
      id: 'x',
      opacity: 0.5,
      name: 'strength',
    });
    const old = changes({ strength: [0.5, 1], name: ['a', 'strength'] });
    expect(upcastChanges(old, 7, () => 'underlay')).toEqual(changes({ opacity: [0.5, 1], name: ['a', 'strength'] }));
    // Another kind may have a field of that name.
    expect(upcastChanges(old, 7, () => 'wall')).toEqual(old);
  });

  it('is found in what holds it, and through lists', () => {
    const migrations = recordKindOf('room')!.migrations as { to: number; renamed: Record<string, string> }[];
    migrations.push({ to: FILE_VERSION, renamed: { 'parts.deep.old': 'fresh' } });
    try {
      const held = { deep: { old: 1, old2: 2 } };
      const now = { deep: { fresh: 1, old2: 2 } };
      expect(upcast({ kind: 'room', parts: [held, {}, null] }, FILE_VERSION - 1)).toEqual({
        kind: 'room',
        parts: [now, {}, null],
      });
      const patches = changes({
        parts: [[held], []],
        'parts.deep': [held.deep, null],
        'parts.deep.old': [1, 2],
        'parts.deep.old.more': [1, 2],
        'parts.deep.old2': [1, 2],
      });
      expect(upcastChanges(patches, FILE_VERSION - 1, () => 'room').patched[0]!.fields).toEqual({
        parts: [[now], []],
        'parts.deep': [now.deep, null],
        'parts.deep.fresh': [1, 2],
        'parts.deep.fresh.more': [1, 2],
        'parts.deep.old2': [1, 2],
      });
    } finally {
      migrations.pop();
    }
  });
});

it('no kind changes in a version that is still to come', () => {
  const versions = RECORD_KINDS.flatMap((each: { migrations: readonly { to: number }[] }) =>
    each.migrations.map(({ to }) => to),
  );
  expect(Math.max(...versions)).toBe(FILE_VERSION);
});
