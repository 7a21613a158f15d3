import { solve } from '../solving/solve';
import type { Solved } from '../solving/solved';
import type { Framework } from '../model/framework';
import { afterFrom, given } from '../testing/given';
import { layers } from '../testing/rich';

const points = (text: string) =>
  text.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) }));
const square = { shape: 'rectangle' as const, widthMm: 500, depthMm: 400 };

/** Two storeys of 3.3 m over a plate of 12 × 8 m and 250, build-up 100. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '2@3.3m' }],
  ['grids.add', { baysA: '6000 6000', baysB: '8000' }],
  ['floors.add', { name: 'Plate', outline: { type: 'rectangle', widthMm: 12_000, depthMm: 8000 }, thicknessMm: 250 }],
]);
const after = afterFrom(house);
const storey = { startsAt: { level: '00' }, stopsAt: { level: '01' } } as const;
const wall = (name: string, path: string, more = {}): [string, object] => [
  'walls.add',
  { name, type: { name: 'T', layers: layers(200) }, points: points(path), ...storey, ...more },
];
const shared = (framework: Framework) =>
  solve(framework).findings.flatMap(({ rule, message }) => (rule === 'space.shared' ? [message.split('. ')[0]] : []));
const m3 = (pieces: readonly { volumeMm3: number; grossMm3: number }[]) =>
  pieces.map(({ volumeMm3, grossMm3 }) => [volumeMm3, grossMm3].map((mm3) => Math.round(mm3 / 1e3) / 1e6));
const of = (solved: Solved, list: 'walls' | 'columns' | 'foundations' | 'floors' | 'blocks') =>
  m3(solved[list]).sort(([, a], [, b]) => a! - b!);

describe('space that two want', () => {
  it('a column in its wall has it, and it is counted once, silently', () => {
    const framework = given(
      [wall('W', '1000,4000 11000,4000'), ['columns.place', { place: '3000,4000', section: square }]] as never,
      house,
    );
    const solved = solve(framework);
    // From SSL −100 to the soffit of level 01, 3200 − 250: 3.05 m; the column takes 500 of the wall's length.
    expect(of(solved, 'walls')).toEqual([
      [10 * 0.2 * 3.05 - 0.5 * 0.2 * 3.05, 10 * 0.2 * 3.05].map((n) => expect.closeTo(n, 6)),
    ]);
    expect(of(solved, 'columns')[0]).toEqual([
      expect.closeTo(0.5 * 0.4 * 3.05, 6),
      expect.closeTo(0.5 * 0.4 * 3.05, 6),
    ]);
    expect(shared(framework)).toEqual([]);
  });

  it('a door counts in the gross volume of its wall and not in the net', () => {
    const solved = solve(
      given(
        [
          wall('W', '1000,4000 11000,4000'),
          ['walls.addOpening', { wall: 'W', opening: 'door', alongMm: 2000, widthMm: 1000, heightMm: 2100 }],
        ] as never,
        house,
      ),
    );
    expect(of(solved, 'walls')).toEqual([[expect.closeTo(6.1 - 0.2 * 2.1, 6), expect.closeTo(6.1, 6)]]);
  });

  it('strips lose to pads, pads to a raft; only foundations of one form are found', () => {
    const pads = given(
      [
        ['columns.place', { place: '3000,4000', section: square }],
        wall('W', '1000,4000 11000,4000'),
        ['foundations.add', { form: 'pads', name: 'P', widthMm: 2000, depthMm: 2000, thicknessMm: 500 }],
        ['foundations.add', { form: 'strips', name: 'S', under: ['W'], widthMm: 800, thicknessMm: 500 }],
      ] as never,
      house,
    );
    // 10 m of strip, of which the pad has 2 m.
    expect(of(solve(pads), 'foundations')).toEqual([
      [2, 2],
      [expect.closeTo(8 * 0.8 * 0.5, 6), expect.closeTo(10 * 0.8 * 0.5, 6)],
    ]);
    expect(shared(pads)).toEqual([]);
    const two = after(
      'foundations.add',
      { form: 'strips', name: 'S2', under: ['V'], widthMm: 800, thicknessMm: 500 },
      given([wall('V', '6000,1000 6000,7000')] as never, pads),
    );
    expect(shared(two)).toEqual([
      'Foundation S and foundation S2 are in the same space at level 00, at A-2 + −400, 3600 mm: 0.32 m³',
    ]);
  });

  it('two plates, two columns and a wall in a slab are found with place and volume', () => {
    const plates = after('floors.add', {
      name: 'Deck',
      outline: { type: 'rectangle', place: '11000,1000', widthMm: 4000, depthMm: 3000 },
      thicknessMm: 200,
      levels: { at: ['01'] },
    });
    expect(shared(plates)).toEqual([
      'Slab Deck and slab Plate are in the same space at level 01, at A-3 + −1000, 1000 mm: 0.60 m³',
    ]);
    const columns = given(
      [
        ['columns.place', { place: '3000,4000', section: square, name: 'X' }],
        ['columns.place', { place: '3200,4000', section: square, name: 'Y' }],
      ] as never,
      house,
    );
    expect(shared(columns)).toHaveLength(2);
    expect(shared(columns)[0]).toMatch(/^Column X and column Y are in the same space at level 00, .*: 0.37 m³$/);
    const low = given(
      [wall('W', '1000,4000 11000,4000', { startsAt: { level: '00', face: 'SSL', offsetMm: -150 } })] as never,
      house,
    );
    expect(shared(low)).toEqual([
      'Interior wall W and slab Plate are in the same space at level 00, at A-1 + 1000, 3900 mm: 0.30 m³',
    ]);
    // The slab is the wall's less: a wall comes before it.
    expect(of(solve(low), 'floors').find(([net, gross]) => net !== gross)).toEqual([expect.closeTo(24 - 0.3, 6), 24]);
  });

  it('a stair through a wall is found, and one within its walls is not', () => {
    const stair = (place: string) =>
      [
        'stairs.add',
        { name: 'ST1', well: { type: 'rectangle', place, widthMm: 2700, depthMm: 5600 }, ...storey },
      ] as const;
    const beside = given([wall('W', '3000,1000 3000,7000', { on: 'centre' }), stair('3100,1000')] as never, house);
    expect(shared(beside)).toEqual([]);
    const through = given([wall('W', '3000,1000 3000,7000', { on: 'centre' }), stair('2500,1000')] as never, house);
    expect(shared(through)).toEqual([expect.stringMatching(/Interior wall W and stair ST1 .* at level 00/)]);
  });
});
