import fc from 'fast-check';
import { recordsOf, type Framework } from '../model/framework';
import { distance } from '../geometry/point';
import { ringArea } from '../geometry/polygon';
import { resolveOutline } from '../setting-out/resolve-outline';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, afterFrom } from '../testing/given';
import { edgeMoved, outwards } from './edge-moved';
import type { Outline } from './outline';

const tower = given(FURNISHED);
const after = afterFrom(tower);
const zero = { lines: null, xMm: 0, yMm: 0 };
const { lines } = solve(tower);
const line = (label: string) => lines.find((each) => each.label === label)!.id;
const crossing = { lines: [line('B'), line('2')] as [string, string], xMm: 300, yMm: 200 };

const OUTLINES: [string, Outline][] = [
  ['rectangle', { type: 'rectangle', place: zero, widthMm: 2000, depthMm: 3000, turnDeg: 0 }],
  ['turned rectangle on a crossing', { type: 'rectangle', place: crossing, widthMm: 2000, depthMm: 3000, turnDeg: 31 }],
  [
    'polygon typed clockwise',
    {
      type: 'polygon',
      place: crossing,
      points: [
        { xMm: 0, yMm: 0 },
        { xMm: 0, yMm: 4000 },
        { xMm: 3000, yMm: 4500 },
        { xMm: 5000, yMm: 2000 },
        { xMm: 5000, yMm: 0 },
      ],
    },
  ],
  [
    'L-shape',
    {
      type: 'polygon',
      place: zero,
      points: [
        { xMm: 0, yMm: 0 },
        { xMm: 5000, yMm: 0 },
        { xMm: 5000, yMm: 2000 },
        { xMm: 2000, yMm: 2000 },
        { xMm: 2000, yMm: 5000 },
        { xMm: 0, yMm: 5000 },
      ],
    },
  ],
  [
    'edges on lines',
    { type: 'lines', edges: ['1', 'A', '2', 'B'].map((label) => ({ line: line(label), offsetMm: -500 })) },
  ],
];

describe.each(OUTLINES)('an edge of a %s', (_, outline) => {
  const ring = resolveOutline(tower, outline)!;

  it('moves outwards by the distance, its ends along their neighbours, all other corners where they were', () => {
    fc.assert(
      fc.property(fc.nat(ring.length - 1), fc.integer({ min: -800, max: 900 }), (edge, byMm) => {
        const moved = resolveOutline(tower, edgeMoved(tower, outline, edge, byMm)!)!;
        const normal = outwards(ring, edge);
        moved.forEach((corner, i) => {
          const isEnd = i === edge || i === (edge + 1) % ring.length;
          if (!isEnd) expect(distance(corner, ring[i]!)).toBeLessThan(0.01);
          const out = (corner.x - ring[i]!.x) * normal.x + (corner.y - ring[i]!.y) * normal.y;
          if (isEnd) expect(out).toBeCloseTo(byMm, 1);
        });
      }),
      { numRuns: 40 },
    );
  });

  it('goes back where it was', () => {
    fc.assert(
      fc.property(fc.nat(ring.length - 1), fc.integer({ min: -800, max: 900 }), (edge, byMm) => {
        const back = edgeMoved(tower, edgeMoved(tower, outline, edge, byMm)!, edge, -byMm)!;
        resolveOutline(tower, back)!.forEach((corner, i) => expect(distance(corner, ring[i]!)).toBeLessThan(0.02));
      }),
      { numRuns: 40 },
    );
  });
});

describe('the command that moves an edge', () => {
  const shaft = (framework: Framework) => recordsOf(framework, 'shaft')[0]!;
  const cutAreas = (framework: Framework) => [
    ...new Set(solve(framework).shafts[0]!.cuts.map(({ ring }) => Math.round(ringArea(ring)))),
  ];

  it('cuts every slab anew, and keeps the lengths that were typed', () => {
    const typed = given(
      [
        ['dimensions.define', { name: 'car', value: 2400 }],
        [
          'shafts.change',
          { shaft: 'S1', outline: { type: 'rectangle', place: 'A-1 + 2000,1500', widthMm: 'car', depthMm: 3000 } },
        ],
      ],
      tower,
    );
    const moved = after('elements.moveEdge', { id: shaft(typed).id, edge: 2, byMm: 250 }, typed);
    expect(cutAreas(moved)).toEqual([2400 * 3250]);
    expect(shaft(moved).outline).toMatchObject({ widthMm: { expr: expect.any(String) as string }, depthMm: 3250 });
    const wider = after('elements.moveEdge', { id: shaft(typed).id, edge: 1, byMm: '100mm' }, typed);
    expect(cutAreas(after('dimensions.define', { name: 'car', value: 2000 }, wider))).toEqual([2100 * 3000]);
  });

  it('moves the edge of the outline it has at a level, where it is set back', () => {
    const back = { type: 'rectangle' as const, place: 'A-1 + 2000,1500', widthMm: 1200, depthMm: 1500 };
    const set = after('shafts.except', { shaft: 'S1', level: '02', upwards: true, outline: back });
    const at03 = { id: shaft(set).id, edge: 1, byMm: 100, level: levelId(set, '03') };
    expect(cutAreas(after('elements.moveEdge', at03, set)).sort()).toEqual([1300 * 1500, 2400 * 3000]);
    expect(cutAreas(after('elements.moveEdge', { ...at03, level: levelId(set, '01') }, set)).sort()).toEqual([
      1200 * 1500,
      2500 * 3000,
    ]);
  });

  it('is refused where nothing would be left, or the outline follows something', () => {
    expect(refusal(tower, 'elements.moveEdge', { id: shaft(tower).id, edge: 1, byMm: -2400 })).toMatch(
      'nothing sound is left of shaft S1. Move it less',
    );
    const plate = recordsOf(tower, 'floorPlate')[0]!.id;
    expect(refusal(tower, 'elements.moveEdge', { id: plate, edge: 1, byMm: 100 })).toMatch(
      'Floor plate Plate follows the grid',
    );
    expect(refusal(tower, 'elements.moveEdge', { id: line('A'), edge: 1, byMm: 100 })).toMatch('has no edges to move');
  });

  it('widens a circle all round, and a stair’s well by one side', () => {
    const round = after('shafts.change', {
      shaft: 'S1',
      outline: { type: 'circle', place: '3000,3000', diameterMm: 2000 },
    });
    const wide = after('elements.moveEdge', { id: shaft(round).id, edge: 5, byMm: 100 }, round);
    expect(shaft(wide).outline).toMatchObject({ diameterMm: 2200 });
    const stair = after('stairs.add', {
      name: 'ST',
      well: { type: 'rectangle', place: '9000,7600', widthMm: 2700, depthMm: 5600 },
    });
    const { id } = recordsOf(stair, 'stair')[0]!;
    const longer = after('elements.moveEdge', { id, edge: 0, byMm: 200 }, stair);
    expect(recordsOf(longer, 'stair')[0]!.well).toMatchObject({ depthMm: 5800, place: { yMm: 7400 } });
  });
});
