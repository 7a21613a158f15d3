import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Kind } from '../model/kinds';
import { solve } from '../solving/solve';
import { FURNISHED, given, refusal, step } from '../testing/given';
import { asGiven } from './uses';

const wall = { name: 'Wide', layers: [{ name: 'block', thicknessMm: 200, core: true }] };

/** A house in which ends and outlines name dimensions, and stand at second meetings and along lines. */
const house = given(
  [
    ['dimensions.define', { name: 'step', value: 150 }],
    ['dimensions.define', { name: 'wide', value: '2.4m' }],
    ['grids.addFree', { lines: [{ path: { x0Mm: 0, y0Mm: 4000, x1Mm: 30_000, y1Mm: 4000 }, label: 'X' }] }],
    [
      'grids.addFree',
      { lines: [{ path: { xMm: 12_000, yMm: 4000, radiusMm: 5000, fromDeg: 0, sweepDeg: 350 }, label: 'Y' }] },
    ],
    [
      'shafts.change',
      {
        shaft: 'S1',
        outline: { type: 'rectangle', place: { lines: ['X', 'Y'], nth: 2 }, widthMm: 'wide', depthMm: 3000 },
        startsAt: { level: '00', offsetMm: '-step' },
        stopsAt: { level: '03', offsetMm: 'step' },
      },
    ],
    ['shafts.add', { name: 'S2', outline: { type: 'circle', place: { line: 'X', xMm: 900 }, diameterMm: 'wide/2' } }],
    [
      'walls.add',
      {
        name: 'W',
        type: wall,
        points: [
          { xMm: 1000, yMm: 9000 },
          { xMm: 6000, yMm: 9000 },
        ],
        startsAt: { level: '00', offsetMm: 'step' },
        stopsAt: { level: '02', offsetMm: '-step' },
      },
    ],
    [
      'stairs.add',
      {
        name: 'ST1',
        well: { type: 'rectangle', place: 'B-2 + 900,900', widthMm: 'wide + 300', depthMm: 5600 },
        startsAt: { level: '00' },
        stopsAt: { level: '02' },
      },
    ],
  ],
  given(FURNISHED),
);

const only = <K extends Kind>(framework: Framework, kind: K, name: string) =>
  recordsOf(framework, kind).find((record) => (record as { name?: string }).name === name)!;

it('what stands in a record may be given back to its command and changes nothing', () => {
  for (const name of ['S1', 'S2']) {
    const shaft = only(house, 'shaft', name);
    const { outline, startsAt, stopsAt } = asGiven(house, shaft);
    expect(step(house, 'shafts.change', { shaft: shaft.id, outline, startsAt, stopsAt }).changes.patched).toEqual([]);
  }
  const { id, well } = only(house, 'stair', 'ST1');
  expect(step(house, 'stairs.change', { stair: id, well: asGiven(house, well) }).changes.patched).toEqual([]);
  const held = only(house, 'wall', 'W');
  const ends = asGiven(house, { startsAt: held.startsAt, stopsAt: held.stopsAt });
  expect(step(house, 'walls.change', { wall: held.id, ...ends }).changes.patched).toEqual([]);
});

it('one size of it is changed and the rest keeps its names and its place', () => {
  const shaft = only(house, 'shaft', 'S1');
  if (shaft.outline.type !== 'rectangle') throw new Error('S1 is a rectangle');
  const outline = { ...asGiven(house, shaft.outline), depthMm: 3300 };
  const after = step(house, 'shafts.change', { shaft: shaft.id, outline }).after;
  expect(recordOf(after, 'shaft', shaft.id)!.outline).toEqual({ ...shaft.outline, depthMm: 3300 });
  expect(shaft.outline.place).toMatchObject({ nth: 2 });
});

it('ends that name dimensions are exchanged by the fix of a thing that stops below where it starts', () => {
  const upsideDown = given(
    [
      ['shafts.change', { shaft: 'S1', startsAt: { level: '03', offsetMm: 'step' }, stopsAt: { level: '01' } }],
      ['stairs.change', { stair: 'ST1', startsAt: { level: '02' }, stopsAt: { level: '01' } }],
      [
        'walls.change',
        { wall: 'W', startsAt: { level: '02', offsetMm: 'step' }, stopsAt: { level: '00', offsetMm: '-step' } },
      ],
    ],
    house,
  );
  const found = (framework: Framework) => solve(framework).findings.filter(({ rule }) => rule === 'span.upsideDown');
  expect(found(upsideDown)).toHaveLength(3);
  const mended = found(upsideDown).reduce(
    (framework, { fixes: [fix] }) => step(framework, fix!.command, fix!.input).after,
    upsideDown,
  );
  expect(found(mended)).toEqual([]);
  expect(only(mended, 'wall', 'W').stopsAt.offsetMm).toEqual(only(upsideDown, 'wall', 'W').startsAt.offsetMm);
});

it('a place is at a crossing or along one line, and at a second meeting only where there is one', () => {
  const at = (place: object) =>
    refusal(house, 'shafts.add', { outline: { type: 'rectangle', place, widthMm: 900, depthMm: 900 } });
  expect(at({ lines: ['1', 'A'], nth: 2 })).toMatch(/meet once only/);
  expect(at({ lines: ['1', '2'], nth: 2 })).toMatch(/do not cross/);
  expect(at({ lines: ['1', 'A'], line: 'X' })).toMatch(/Leave one of them out/);
  expect(at({ line: 'Z' })).toMatch(/Z/);
});
