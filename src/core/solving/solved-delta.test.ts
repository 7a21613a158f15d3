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
