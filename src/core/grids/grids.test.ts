import fc from 'fast-check';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, refusal, SMALL_TOWER, afterFrom } from '../testing/given';
import { labelAfter, labelsOf, runPart } from './labels';
import { gridsOf } from './resolve-grids';

const bare = given(SMALL_TOWER);
const after = afterFrom(bare);

/** Labels and offsets of one direction, first line first. */
const lines = (framework: Framework, direction: 'a' | 'b'): (string | number | null)[][] =>
  gridsOf(framework)[0]![direction].map(({ label, offsetMm }) => [label, offsetMm]);
const labels = (framework: Framework, direction: 'a' | 'b') => lines(framework, direction).map(([label]) => label);

describe('labels', () => {
  const rule = { first: 'A', skip: 'IO', prefix: '', suffix: '', descending: false };
  it.each([
    ['H', 'J'],
    ['N', 'P'],
    ['Z', 'AA'],
    ['AH', 'AJ'],
    ['ZZ', 'AAA'],
    ['9', '10'],
    ['09', '10'],
    ['01', '02'],
  ])('after %s comes %s', (label, next) => expect(labelAfter(label, { skip: 'IO', descending: false })).toBe(next));

  it('run down as well', () => {
    expect(labelAfter('J', { skip: 'IO', descending: true })).toBe('H');
    expect(labelAfter('10', { skip: '', descending: true })).toBe('9');
    expect(labelAfter('AA', { skip: 'IO', descending: true })).toBe('Z');
  });

  it('never hold a skipped character and never repeat', () => {
    fc.assert(
      fc.property(fc.constantFrom('A', '1', 'K', '07'), fc.constantFrom('', 'IO', 'IOQ', '4'), (first, skip) => {
        const run = labelsOf(Array(60).fill({ label: { mode: 'auto' }, minor: false }), { ...rule, first, skip });
        expect(new Set(run).size).toBe(60);
        for (const label of run) for (const sign of skip) expect(label).not.toContain(sign);
      }),
    );
  });

  it('go on from a typed one; secondary ones take the last main label; minor lines stay out of the run', () => {
    const auto = { label: { mode: 'auto' }, minor: false } as const;
    const run = labelsOf(
      [
        auto,
        { label: { mode: 'secondary', suffix: '.1' }, minor: true },
        { label: { mode: 'typed', text: 'G7' }, minor: false },
        auto,
        { label: { mode: 'none' }, minor: false },
        { label: { mode: 'typed', text: 'X-ray' }, minor: false },
        auto,
      ],
      { ...rule, first: '1', prefix: 'G' },
    );
    expect(run).toEqual(['G1', 'G1.1', 'G7', 'G8', null, 'X-ray', 'G10']);
    expect([runPart('P12', { prefix: 'P', suffix: '' }), runPart('x', { prefix: '', suffix: '' })]).toEqual([
      '12',
      null,
    ]);
  });
});

describe('a rectangular system', () => {
  it('has lines at the sums of its bays and crossings written letter first', () => {
    expect(lines(bare, 'a')).toEqual([
      ['1', 0],
      ['2', 7200],
      ['3', 14400],
      ['4', 18000],
      ['5', 25200],
    ]);
    const at = new Map(solve(bare).crossings.map(({ label, at: point }) => [label, point]));
    expect(at.size).toBe(15);
    expect(at.get('C-4')).toEqual({ x: 18000, y: 14400 });
  });

  it('turned by 6.1° keeps every bay and every right angle (checked with the engine’s own sine)', () => {
    const turned = after('grids.change', { turnDeg: 6.1, xMm: '12.5m', yMm: -3000 });
    const [s, c] = [Math.sin((6.1 * Math.PI) / 180), Math.cos((6.1 * Math.PI) / 180)];
    for (const { label, at } of solve(turned).crossings) {
      const [a, b] = [Number(label!.slice(2)) - 1, 'ABC'.indexOf(label![0]!)];
      const [x, y] = [[0, 7200, 14400, 18000, 25200][a]!, [0, 6600, 14400][b]!];
      expect(at.x).toBeCloseTo(12500 + x * c - y * s, 5);
      expect(at.y).toBeCloseTo(-3000 + x * s + y * c, 5);
    }
  });

  it('counted from another corner runs against the axis', () => {
    const back = given([
      ['buildings.add', { name: 'B' }],
      ['grids.add', { baysA: '2@5000', baysB: '4000', waysOf: { a: -1, b: 1 } }],
    ]);
    expect(solve(back).crossings.find(({ label }) => label === 'B-3')!.at).toEqual({ x: -10000, y: 4000 });
  });
});

describe('editing', () => {
  it('keeps the ids of lines when bays are typed anew, so what hangs on them follows', () => {
    const before = new Map(gridsOf(bare)[0]!.a.map(({ label, id }) => [label, id]));
    const wider = after('grids.setBays', { direction: 'a', bays: '3@8100 2@5400' });
    expect(lines(wider, 'a').map(([, offset]) => offset)).toEqual([0, 8100, 16200, 24300, 29700, 35100]);
    for (const { label, id } of gridsOf(wider)[0]!.a.slice(0, 5)) expect(id).toBe(before.get(label));
    const column = after('grids.setBays', { direction: 'a', bays: '3@8100 2@5400' }, given(FURNISHED));
    expect(solve(column).columns.find(({ mark }) => mark === 'B-4')!.at).toEqual({ x: 24300, y: 6600 });
  });

  it('splits a bay by half, ratio or distance, with or without a secondary label', () => {
    expect(lines(after('grids.splitBay', { line: '2' }), 'a').slice(0, 3)).toEqual([
      ['1', 0],
      [null, 3600],
      ['2', 7200],
    ]);
    expect(lines(after('grids.splitBay', { line: 'C', atMm: '2.6m', suffix: '.1' }), 'b')).toEqual([
      ['A', 0],
      ['B', 6600],
      ['B.1', 9200],
      ['C', 14400],
    ]);
    expect(lines(after('grids.splitBay', { line: '2', ratio: 0.25 }), 'a')[1]).toEqual([null, 1800]);
    expect(refusal(bare, 'grids.splitBay', { line: '2', atMm: 7200 })).toMatch(/between 0 and that/);
    expect(refusal(bare, 'grids.splitBay', { line: '1' })).toMatch(/no bay before the first line/);
  });

  it('merges bays when a line goes, and what stood on it stays where it was', () => {
    const without = after('grids.removeLine', { line: '3' }, given(FURNISHED));
    expect(lines(without, 'a')).toEqual([
      ['1', 0],
      ['2', 7200],
      ['3', 18000],
      ['4', 25200],
    ]);
    expect(new Set(solve(without).columns.map(({ at }) => `${at.x},${at.y}`))).toEqual(
      new Set(solve(given(FURNISHED)).columns.map(({ at }) => `${at.x},${at.y}`)),
    );
    const firstGone = after('grids.removeLine', { line: '1' });
    expect(solve(firstGone).crossings.find(({ label }) => label === 'A-1')!.at).toEqual({ x: 7200, y: 0 });
  });

  it('moves a line alone or with the rest pushed', () => {
    expect(lines(after('grids.moveLine', { line: '3', byMm: 600 }), 'a').map(([, x]) => x)).toEqual([
      0, 7200, 15000, 18000, 25200,
    ]);
    expect(lines(after('grids.moveLine', { line: '3', byMm: 600, mode: 'push' }), 'a').map(([, x]) => x)).toEqual([
      0, 7200, 15000, 18600, 25800,
    ]);
    expect(refusal(bare, 'grids.moveLine', { line: '3', byMm: 3600 })).toMatch(/would pass/);
    expect(refusal(bare, 'grids.moveLine', { line: '3', byMm: -7200 })).toMatch(/would pass/);
    const first = after('grids.moveLine', { line: '1', byMm: -800 });
    const at = new Map(solve(first).crossings.map(({ label, at: point }) => [label, point.x]));
    expect([at.get('A-1'), at.get('A-2'), at.get('A-5')]).toEqual([-800, 7200, 25200]);
  });

  it('adds lines at either end and relabels with the rest following', () => {
    expect(labels(after('grids.addLine', { direction: 'a', bayMm: 5000 }), 'a')).toEqual([
      '1',
      '2',
      '3',
      '4',
      '5',
      '6',
    ]);
    const before = after('grids.addLine', { direction: 'a', bayMm: 5000, end: 'first' });
    expect(solve(before).crossings.find(({ label }) => label === 'A-1')!.at.x).toBe(-5000);
    expect(labels(after('grids.relabel', { line: '3', label: '11' }), 'a')).toEqual(['1', '2', '11', '12', '13']);
    expect(labels(after('grids.change', { labelsA: { first: 'AA', descending: true } }), 'a').slice(0, 2)).toEqual([
      'AA',
      'Z',
    ]);
  });

  it('removes a whole grid and leaves its columns standing', () => {
    const none = after('grids.remove', {}, given(FURNISHED.filter(([name]) => name !== 'floors.add')));
    expect(recordsOf(none, 'gridLine')).toEqual([]);
    expect(solve(none).columns.map(({ mark }) => mark)).toContain('B-4');
    expect(refusal(given(FURNISHED), 'grids.remove', {})).toMatch(/cannot go: .*Plate.* hangs on it/);
  });
});

it('lines too close are one finding for each run of them', () => {
  const close = given([
    ['buildings.add', { name: 'B' }],
    ['levels.setUp', { above: '3m' }],
    ['grids.add', { baysA: '5000 3@150 5000 200 5000', baysB: '6000' }],
  ]);
  const found = solve(close).findings.filter(({ rule }) => rule === 'grid.closeLines');
  expect(found.map(({ message, about }) => [about.length, message.split('. ')[0]]).sort()).toEqual([
    [2, 'Grid lines 6 and 7 are only 200 mm apart'],
    [4, 'The 4 grid lines from 2 to 5 are as little as 150 mm apart'],
  ]);
});

it('bays that are too many or too long are refused with why', () => {
  const bare = given([
    ['buildings.add', { name: 'B' }],
    ['levels.setUp', { above: '3m' }],
  ]);
  const refused = (baysA: number[] | string) => refusal(bare, 'grids.add', { baysA, baysB: '6000' });
  expect(refused(Array.from({ length: 501 }, () => 100))).toMatch(/At most 500 bays in one direction/);
  expect(refused('501@100')).toMatch(/1 to 500 times/);
  expect(refused([2e6])).toMatch(/1 km at most/);
});
