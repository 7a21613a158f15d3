import { bounds } from '../geometry/polygon';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { given, refusal, afterFrom } from '../testing/given';
import type { Step } from '../commands/command-inputs';

const layers = [{ name: 'concrete', thicknessMm: 300, core: true }];
const corners = (text: string) =>
  text.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) }));

/**
 * Two houses side by side, the second 600 higher: East's zero stands 10 m east of West's and 600 up. Between them one wall of
 * 300, West's, which East has too; each has three more sides of its own.
 */
const pair = given([
  ['buildings.add', { name: 'West' }],
  ['buildings.add', { name: 'East', xMm: 10_000, zeroMm: 600 }],
  ['levels.setUp', { building: 'West', above: '2@3m' }],
  ['levels.setUp', { building: 'East', above: '2@3m' }],
  [
    'walls.add',
    {
      building: 'West',
      name: 'Party',
      use: 'party',
      type: { name: 'Party 300', layers },
      points: corners('10000,0 10000,8000'),
      startsAt: { level: '00' },
      stopsAt: { level: 'RF', face: 'FFL', offsetMm: 1500 },
      sharedWith: 'East',
    },
  ],
  side('West', 'W', '10000,0 0,0 0,8000 10000,8000'),
  side('East', 'E', '0,8000 9000,8000 9000,0 0,0'),
]);

function side(building: string, name: string, points: string): Step {
  return [
    'walls.add',
    {
      building,
      name,
      use: 'exterior',
      type: { name: 'T200', layers: [{ name: 'block', thicknessMm: 200, core: true }] },
      points: corners(points),
      on: 'centre',
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ];
}

const after = afterFrom(pair);
const idOf = (framework: Framework, name: string) =>
  recordsOf(framework, 'building').find((each) => each.name === name)!.id;

describe('a party wall', () => {
  it('stands once, and closes the rooms of both buildings', () => {
    const solved = solve(pair);
    expect(solved.walls.filter(({ name }) => name === 'Party').map(({ building }) => building)).toEqual([
      ...Array(3).fill(idOf(pair, 'West')),
    ]);
    const regions = (building: string) => solved.rooms.filter((room) => room.building === idOf(pair, building));
    expect(regions('West').map(({ netMm2 }) => netMm2)).toEqual([9750 * 7800, 9750 * 7800]);
    expect(regions('East').map(({ netMm2 }) => netMm2)).toEqual([8750 * 7800, 8750 * 7800]);
  });

  it('follows for both when it moves, and is nobody’s when no longer shared', () => {
    const party = recordsOf(pair, 'wall').find(({ name }) => name === 'Party')!.id;
    const moved = after('elements.move', { ids: [party], xMm: 40, yMm: 0 });
    const east = (framework: Framework) =>
      solve(framework).rooms.filter((room) => room.building === idOf(framework, 'East'));
    expect(east(moved).map(({ netMm2 }) => netMm2)).toEqual([8710 * 7800, 8710 * 7800]);
    expect(east(after('walls.change', { wall: 'Party', sharedWith: null }))).toEqual([]);
    expect(refusal(pair, 'walls.change', { wall: 'Party', sharedWith: 'West' })).toMatch(/with another building/);
  });

  it('bounds floors and a roof of the other building too, in its own axes', () => {
    const floor = { type: 'walls' as const, walls: ['Party', 'E'], face: 'inside' as const };
    const made = after('floors.add', { building: 'East', name: 'Deck', outline: floor });
    const piece = solve(made).floors.find(({ name }) => name === 'Deck')!;
    const { minX, maxX, minY, maxY } = bounds(piece.outline);
    expect([minX, maxX, minY, maxY].map(Math.round)).toEqual([150, 8900, 100, 7900]);
    const roofed = after('roofs.addFlat', { building: 'East', walls: ['Party', 'E'] });
    expect(solve(roofed).floors.map(({ name }) => name)).toEqual(['R1']);
    expect(solve(roofed).sharedWalls.every(({ building }) => building === idOf(pair, 'East'))).toBe(true);
  });
});

describe('a party wall between buildings that are moved in height', () => {
  /** Both at 0, the wall up to the soffit of West's roof; East then raised or lowered. */
  const level = given(
    [
      ['buildings.change', { building: 'East', zeroMm: 0 }],
      ['walls.change', { wall: 'Party', stopsAt: { level: 'RF' }, sharedWith: null }],
      ['walls.change', { wall: 'Party', sharedWith: 'East' }],
    ],
    pair,
  );
  /** From where to where it stands in a building, in the heights of the project. */
  const reach = (framework: Framework) => {
    const { walls, sharedWalls } = solve(framework);
    return [walls, sharedWalls].map((pieces) => {
      const party = pieces.filter(({ name }) => name === 'Party');
      return [Math.min(...party.map(({ bottomMm }) => bottomMm)), Math.max(...party.map(({ topMm }) => topMm))];
    });
  };
  const raised = (zeroMm: number) => after('buildings.change', { building: 'East', zeroMm }, level);

  it('stands in both alike while they are level', () => {
    expect(reach(level)).toEqual([
      [-100, 6000],
      [-100, 6000],
    ]);
  });

  it('goes up to the roof of the neighbour that was raised, and down to the floor of the one that was lowered', () => {
    // East's roof is at 6000 in its own heights, from 500: 6500 in West's.
    expect(reach(raised(500))).toEqual([
      [-100, 6500],
      [-100, 6000],
    ]);
    // East's lowest SSL is at −100, from −500: −600 in West's, whose own roof is at 6500 in East's.
    expect(reach(raised(-500))).toEqual([
      [-600, 6000],
      [-100, 6500],
    ]);
  });

  it('stays when the other building loses its levels, which it then follows no more', () => {
    const east = (framework: Framework) =>
      solve(framework).levels.filter(({ building }) => building === idOf(framework, 'East'));
    let now = raised(500);
    now = given([['elements.remove', { ids: [recordsOf(now, 'wall').find(({ name }) => name === 'E')!.id] }]], now);
    for (let left = east(now); left.length > 0; left = east(now))
      now = after('levels.remove', { level: left.at(-1)!.id }, now);
    const party = recordsOf(now, 'wall').find(({ name }) => name === 'Party')!;
    expect(party.sharedEnds).toBeNull();
    expect(reach(now)[0]).toEqual([-100, 6000]);
  });

  it('is wanted in the other building from where to where is said there', () => {
    const lower = after('walls.change', { wall: 'Party', sharedStopsAt: { level: '01' } }, raised(500));
    expect(reach(lower)[0]).toEqual([-100, 6000]);
    expect(refusal(level, 'walls.change', { wall: 'Party', sharedStopsAt: { level: 'Nowhere' } })).toMatch(/no level/);
    const alone = after('walls.change', { wall: 'Party', sharedWith: null }, level);
    expect(recordsOf(alone, 'wall').find(({ name }) => name === 'Party')!.sharedEnds).toBeNull();
    expect(refusal(alone, 'walls.change', { wall: 'Party', sharedStopsAt: { level: '01' } })).toMatch(/no other/);
  });
});

describe('a party wall made where two buildings touch', () => {
  /** West 12 × 9 m, three storeys; East 9 × 9 m beside it, 600 higher; both with floors, rafts and roofs with parapets. */
  const square = (widthMm: number) => ({ type: 'rectangle' as const, place: '0,0', widthMm, depthMm: 9000 });
  const touching = given([
    ['buildings.add', { name: 'West' }],
    ['buildings.add', { name: 'East', xMm: 12_000, zeroMm: 600 }],
    ['carry.wholeBuilding', { building: 'West', storeys: '3@3.3m', outline: square(12_000) }],
    ['carry.wholeBuilding', { building: 'East', storeys: '3@3.3m', outline: square(9000) }],
    ['roofs.addFlat', { building: 'West' }],
    ['roofs.addFlat', { building: 'East' }],
  ]);
  const made = after('walls.makeParty', { walls: ['W1', 'W2'] }, touching);
  const solved = solve(made);
  const of = (building: string) => idOf(made, building);

  it('takes the place of the side both share, up to the higher one', () => {
    expect(
      recordsOf(made, 'wall')
        .map(({ use, closed }) => [use, closed])
        .sort(),
    ).toEqual([
      ['exterior', false],
      ['exterior', false],
      ['party', false],
    ]);
    const party = solved.walls.filter(({ use }) => use === 'party');
    // West's roof at +9.900 and East's at +10.500, slab over it or not.
    expect(Math.max(...party.map(({ topMm }) => topMm))).toBe(9900 + 600);
    expect(new Set(party.map(({ building }) => building))).toEqual(new Set([of('West')]));
  });

  it('leaves no finding, and floors, roofs and rooms that end at its two faces', () => {
    // But that its two roofs have no falls yet.
    expect(solved.findings.map(({ rule }) => rule)).toEqual(['falls.none', 'falls.none']);
    const spans = (building: string) =>
      solved.floors
        .filter((piece) => piece.building === of(building))
        .map(({ outline }) => bounds(outline))
        .map(({ minX, maxX }) => [Math.round(minX), Math.round(maxX)]);
    // Floors to the core's outside 200 in, roofs to its inside 380 in; at the party wall both to its face, 150 off the line.
    expect(new Set(spans('West').map(String))).toEqual(new Set(['200,11850', '380,11850']));
    expect(new Set(spans('East').map(String))).toEqual(new Set(['150,8800', '150,8620']));
    const rooms = (building: string) => solved.rooms.filter((room) => room.building === of(building)).length;
    expect([rooms('West') > 2, rooms('East') > 2]).toEqual([true, true]);
  });

  it('refuses buildings that do not touch, and openings in the side', () => {
    const apart = after('buildings.change', { building: 'East', xMm: 12_500 }, touching);
    expect(refusal(apart, 'walls.makeParty', { walls: ['W1', 'W2'] })).toMatch(/share no whole side/);
    const open = after('walls.addOpening', { wall: 'W1', opening: 'door', alongMm: 14_000, widthMm: 1000 }, touching);
    expect(refusal(open, 'walls.makeParty', { walls: ['W1', 'W2'] })).toMatch(/Take it out first/);
    const kept = after('walls.addOpening', { wall: 'W1', opening: 'window', alongMm: 3000, widthMm: 1000 }, touching);
    const where = (framework: Framework) =>
      solve(framework).walls.flatMap(({ openings }) => openings.map(({ ends }) => ends[0].x));
    expect(where(after('walls.makeParty', { walls: ['W1', 'W2'] }, kept)).map(Math.round)).toEqual(
      where(kept).map(Math.round),
    );
  });
});
