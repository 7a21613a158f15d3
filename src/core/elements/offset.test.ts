import { ringArea } from '../geometry/polygon';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { corners, WALL_200 } from '../testing/drawn';
import { FURNISHED, given, refusal, step } from '../testing/given';

const base = given(
  [
    ['shafts.add', { name: 'Round', outline: { type: 'circle', place: '9000,9000', diameterMm: 1000 } as never }],
    [
      'floors.add',
      {
        name: 'L',
        outline: { type: 'polygon', place: '0,0', points: corners('0,0 6000,0 6000,2000 3000,2000 3000,5000 0,5000') },
        levels: { at: ['01'] },
      },
    ],
    [
      'walls.add',
      {
        name: 'Ring',
        type: WALL_200,
        place: '30000,0',
        points: corners('0,0 6000,0 6000,4000 0,4000'),
        closed: true,
        startsAt: { level: '00' },
      },
    ],
    [
      'walls.add',
      { name: 'Open', type: WALL_200, place: '40000,0', points: corners('0,0 6000,0'), startsAt: { level: '00' } },
    ],
  ],
  given(FURNISHED),
);
const id = (name: string) => [...base.records.values()].find((record) => 'name' in record && record.name === name)!.id;
const area = (framework: Framework, name: string): number =>
  ringArea(solve(framework).floors.find((piece) => piece.name === name)!.outline);
const moved = (ids: string[], byMm: number, from = base) => step(from, 'elements.offset', { ids, byMm }).after;

describe('edges of outlines moved all at once', () => {
  it('go as far as they are told to: of an L by its perimeter, corners in and out made square', () => {
    const before = area(base, 'L');
    expect(before).toBe(21e6);
    // Perimeter 22 m: area + 22 · d + 4 · d² (one corner more turns out than in, four in all).
    expect(area(moved([id('L')], 250), 'L')).toBeCloseTo(21e6 + 22_000 * 250 + 4 * 250 ** 2, 3);
    expect(area(moved([id('L')], -250), 'L')).toBeCloseTo(21e6 - 22_000 * 250 + 4 * 250 ** 2, 3);
  });

  it('there and back is as it was, of several kinds at once', () => {
    const ids = [id('L'), id('S1'), id('Ring'), id('Plate')];
    const there = moved(ids, 200);
    for (const each of ids) expect(there.records.get(each)).not.toEqual(base.records.get(each));
    const back = moved(ids, -200, there);
    expect(solve(back).floors.map(({ outline }) => ringArea(outline))).toEqual(
      solve(base).floors.map(({ outline }) => ringArea(outline)),
    );
    expect(recordsOf(back, 'wall')).toEqual(recordsOf(base, 'wall'));
  });

  it('a slab along the grid keeps following it, at another distance', () => {
    expect(
      recordsOf(moved([id('Plate')], 150), 'floorPlate').find(({ name }) => name === 'Plate')!.outline,
    ).toMatchObject({
      type: 'gridOffset',
      offsetMm: 450,
    });
  });

  it('is refused whole where of one of them nothing would be left, or it does not go round', () => {
    expect(refusal(base, 'elements.offset', { ids: [id('L'), id('S1')], byMm: -1300 })).toMatch(
      /nothing sound is left of/,
    );
    expect(refusal(base, 'elements.offset', { ids: [id('Open')], byMm: 100 })).toMatch(/no edges that go round/);
    expect(refusal(base, 'elements.offset', { ids: [id('L')], byMm: 0 })).toMatch(/how far/);
  });
});
