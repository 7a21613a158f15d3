import fc from 'fast-check';
import { planUndo } from '../history/undo';
import { FURNISHED, given, levelId, step } from '../testing/given';
import { randomRun } from '../testing/random-commands';
import {
  apply,
  ChangeMismatch,
  difference,
  differingFields,
  fieldAt,
  invert,
  isEmpty,
  NO_CHANGES,
  squash,
  touchedIds,
  type Changes,
} from './changes';
import { EMPTY_FRAMEWORK, frameworkHash, recordsById, type Framework } from './framework';
import { hashOf } from './hash';

/** A run's frameworks, from the empty one on. */
function statesOf(changes: readonly Changes[]): Framework[] {
  const states = [EMPTY_FRAMEWORK];
  for (const change of changes) states.push(apply(states.at(-1)!, change));
  return states;
}

const runs = fc.integer({ min: 0, max: 5000 }).map((seed) => randomRun(seed, 40));

describe('laws of changes', () => {
  it('applying and then applying the inverse gives back the same framework', () => {
    fc.assert(
      fc.property(runs, ({ changes }) => {
        const states = statesOf(changes);
        changes.forEach((change, i) => {
          expect(frameworkHash(apply(states[i + 1]!, invert(change)))).toBe(frameworkHash(states[i]!));
          expect(invert(invert(change))).toEqual(change);
        });
      }),
      { numRuns: 12 },
    );
  });

  it('a sequence squashed into one does what the sequence did, and can be taken back as one', () => {
    fc.assert(
      fc.property(runs, fc.nat(30), fc.nat(30), ({ changes }, a, b) => {
        const states = statesOf(changes);
        const [from, to] = [Math.min(a, b), Math.min(changes.length, Math.max(a, b))];
        const one = squash(states[from]!, changes.slice(from, to));
        expect(frameworkHash(apply(states[from]!, one))).toBe(frameworkHash(states[to]!));
        expect(frameworkHash(apply(states[to]!, invert(one)))).toBe(frameworkHash(states[from]!));
      }),
      { numRuns: 12 },
    );
  });

  it('the difference of two frameworks is what leads from one to the other, and nothing for equal ones', () => {
    fc.assert(
      fc.property(runs, ({ changes }) => {
        const states = statesOf(changes);
        const [first, last] = [states[4]!, states.at(-1)!];
        expect(frameworkHash(apply(last, difference(last, first)))).toBe(frameworkHash(first));
        expect(isEmpty(difference(last, { records: new Map(last.records) }))).toBe(true);
      }),
      { numRuns: 6 },
    );
  });

  it('undoing the last change plans exactly its inverse', () => {
    fc.assert(
      fc.property(runs, ({ changes, end }) => {
        const undo = planUndo(end, changes.at(-1)!);
        expect(undo).toEqual({ ok: true, value: invert(changes.at(-1)!) });
      }),
      { numRuns: 12 },
    );
  });
});

describe('changes that do not fit', () => {
  const tower = given(FURNISHED);
  const id = levelId(tower, '01');
  const rename = (from: string, to: string): Changes => ({
    ...NO_CHANGES,
    patched: [{ id, fields: { name: [from, to] } }],
  });

  it('are refused whole: a value that is not what was expected, a record twice or missing', () => {
    expect(() => apply(tower, rename('zz', 'a'))).toThrow(ChangeMismatch);
    expect(() => apply(tower, { ...NO_CHANGES, added: [tower.records.get(id)!] })).toThrow(/there already/);
    expect(() => apply(EMPTY_FRAMEWORK, rename('01', 'a'))).toThrow(/no record/);
    expect(() => apply(EMPTY_FRAMEWORK, { ...NO_CHANGES, removed: [tower.records.get(id)!] })).toThrow(/to remove/);
  });

  it('leave the framework they were tried on as it was', () => {
    const hash = frameworkHash(tower);
    expect(() =>
      apply(tower, { ...rename('01', 'x'), removed: [{ ...tower.records.get(id)!, id: 'gone' }] }),
    ).toThrow();
    expect(frameworkHash(tower)).toBe(hash);
    expect(frameworkHash(apply(tower, rename('01', 'x')))).not.toBe(hash);
  });
});

describe('fields', () => {
  it('are compared inside objects of the same shape and as a whole otherwise', () => {
    const before = { end: { level: 'a', offsetMm: 0 }, size: { shape: 'circle', d: 1 }, list: [1, 2], same: { x: 1 } };
    const after = { end: { level: 'b', offsetMm: 0 }, size: { shape: 'box', w: 1 }, list: [1, 3], same: { x: 1 } };
    expect(differingFields(before, after)).toEqual({
      'end.level': ['a', 'b'],
      size: [
        { shape: 'circle', d: 1 },
        { shape: 'box', w: 1 },
      ],
      list: [
        [1, 2],
        [1, 3],
      ],
    });
  });
  it('are found by their dotted path', () => {
    expect(fieldAt({ a: { b: [1] } }, 'a.b')).toEqual([1]);
    expect(fieldAt({ a: 1 }, 'a.b')).toBeUndefined();
  });
});

describe('undo in company', () => {
  const tower = given(FURNISHED);
  const id = levelId(tower, '01');
  const raised = step(tower, 'levels.setElevation', { level: id, fflMm: 5900, mode: 'push' });

  it('takes back the raise and leaves the name another person gave meanwhile', () => {
    const renamed = step(raised.after, 'levels.rename', { level: id, name: 'L1', title: 'Rehearsal' });
    const undo = planUndo(renamed.after, raised.changes);
    if (!undo.ok) throw new Error(undo.refusal.message);
    const after = apply(renamed.after, undo.value);
    expect(after.records.get(id)).toMatchObject({ name: 'L1', title: 'Rehearsal', heightMm: 5400 });
    expect(touchedIds(undo.value)).toEqual([id]);
  });

  it('is refused whole, naming who, when the same field was changed meanwhile', () => {
    const again = step(raised.after, 'levels.setElevation', { level: id, fflMm: 6000, mode: 'push' });
    const undo = planUndo(again.after, raised.changes, () => 'Bo');
    expect(undo).toMatchObject({ ok: false, refusal: { message: expect.stringContaining('same place by Bo') } });
  });

  it('is refused for something added that has been changed, removed, or that others hang on', () => {
    const added = step(tower, 'shafts.add', {
      name: 'New',
      outline: { type: 'rectangle', place: 'A-2', widthMm: 1000, depthMm: 1000 },
    });
    const changed = step(added.after, 'shafts.change', { shaft: 'New', purpose: 'lift' });
    expect(planUndo(changed.after, added.changes)).toMatchObject({
      refusal: { message: expect.stringContaining('since been changed') },
    });
    const removed = step(added.after, 'elements.remove', { ids: [added.changes.added[0]!.id] });
    expect(planUndo(removed.after, added.changes)).toMatchObject({
      refusal: { message: expect.stringContaining('since been removed') },
    });
    const level = step(tower, 'levels.insert', { level: '04', heightMm: 3000, name: 'X', mode: 'only' });
    const stands = step(level.after, 'columns.place', {
      place: '900,900',
      section: { shape: 'circle', diameterMm: 300 },
      stopsAt: { level: 'X' },
    });
    expect(planUndo(stands.after, level.changes)).toMatchObject({
      refusal: { message: expect.stringContaining('cannot be undone') },
    });
  });
});

it('the fingerprint of a framework is that of its records by id, in whatever order they were made, spelled anew or remembered', () => {
  const made = given(FURNISHED);
  const framework = { records: new Map([...made.records].reverse()) };
  expect(frameworkHash(framework)).toBe(hashOf(recordsById(framework)));
  expect(frameworkHash(framework)).toBe(frameworkHash(made));
});
