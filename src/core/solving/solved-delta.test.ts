import { hashOf } from '../model/hash';
import { everyCommand } from '../testing/every-command';
import { FURNISHED, given, step } from '../testing/given';
import type { Solved } from './solved';
import { deltaOf, withDelta } from './solved-delta';
import { Solver } from './solve';

const tower = given(FURNISHED);
/** As it comes out of a worker: other objects, equal values. */
const across = <T>(value: T): T => structuredClone(value);

it('carries a solve whole where there was none before', () => {
  const solved = new Solver().solve(tower);
  expect(withDelta(null, across(deltaOf(null, solved)))).toEqual(solved);
});

it('carries what a shaft’s edge touches and nothing of columns, levels and lines, which stay the same objects', () => {
  const solver = new Solver();
  const before = solver.solve(tower);
  const shaft = before.shafts[0]!.shaft;
  const after = solver.solve(step(tower, 'elements.moveEdge', { id: shaft, edge: 1, byMm: 200 }).after);
  const delta = deltaOf(before, after);
  expect(Object.keys(delta.lists)).not.toContain('columns');
  expect(Object.keys(delta.profiles.set)).toHaveLength(1);
  const shown = withDelta(before, across(delta));
  expect(shown.columns).toBe(before.columns);
  expect(hashOf(shown)).toBe(hashOf(after));
});

it('carries of what changed only the fields that did: a pushed level sends heights, an added column no other', () => {
  const size = (value: unknown) => JSON.stringify(value).length;
  const solver = new Solver();
  const before = solver.solve(tower);
  const level = before.levels.find(({ bounding }) => bounding)!.id;
  const pushed = solver.solve(step(tower, 'levels.setHeight', { level, heightMm: 5000 }).after);
  const heights = deltaOf(before, pushed);
  // Where columns stand in plan, and what they are, does not cross again.
  expect(size(heights.lists.columns)).toBeLessThan(size(pushed.columns) / 3);
  expect(hashOf(withDelta(before, across(heights)))).toBe(hashOf(pushed));

  const place = { place: '1000,1000', section: { shape: 'circle' as const, diameterMm: 300 } };
  const added = solver.solve(step(tower, 'columns.place', place).after);
  const again = solver.solve(tower);
  const put = deltaOf(again, added);
  expect(added.columns.length).toBeGreaterThan(again.columns.length);
  expect(size(put.lists.columns)).toBeLessThan(size(added.columns) / 3);
  expect(hashOf(withDelta(again, across(put)))).toBe(hashOf(added));
});

it('law: all deltas of a run one after the other are the last solve', () => {
  const solver = new Solver();
  let [sent, shown]: [Solved | null, Solved | null] = [null, null];
  let n = 0;
  everyCommand(23, 1, 30, ({ name, after }) => {
    const solved = solver.solve(after);
    shown = withDelta(shown, across(deltaOf(sent, solved)));
    sent = solved;
    n += 1;
    if (n % 6 === 0) expect([name, hashOf(shown)]).toEqual([name, hashOf(solved)]);
  });
  expect(n).toBeGreaterThan(100);
}, 300_000);
