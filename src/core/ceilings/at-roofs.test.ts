import type { Framework } from '../model/framework';
import { assembliesOf } from '../slants/assembly';
import { volumeOfSlant } from '../slants/slant';
import { solve } from '../solving/solve';
import { afterFrom, given } from '../testing/given';

/**
 * An attic of 10 by 8 m inside walls of 200 that go up to a saddle of 45°: its underside is 200 over the floor at the walls' inside, and 4200
 * in the middle.
 */
const attic = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m', buildUpMm: 0 }],
  [
    'walls.add',
    {
      name: 'W',
      use: 'exterior',
      type: { name: 'Block', layers: [{ name: 'block', thicknessMm: 200, core: true }] },
      place: '0,0',
      points: [
        { xMm: 0, yMm: 0 },
        { xMm: 10_400, yMm: 0 },
        { xMm: 10_400, yMm: 8400 },
        { xMm: 0, yMm: 8400 },
      ],
      closed: true,
      on: 'outside',
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
  ['floors.add', { name: 'F', outline: { type: 'rectangle', place: '0,0', widthMm: 10_400, depthMm: 8400 } }],
  [
    'pitchedRoofs.add',
    {
      name: 'R',
      slope: 45,
      overhangMm: 400,
      edges: [
        { edge: 1, is: 'gable' },
        { edge: 3, is: 'gable' },
      ],
    },
  ],
  ['pitchedRoofs.trimWalls', { roof: 'R' }],
]);
const after = afterFrom(attic);
const under = (framework: Framework) => assembliesOf(solve(framework).assemblies, 'roofCeiling');

describe('a ceiling in an attic', () => {
  const hung = after('ceilings.add', { name: 'C', heightMm: 2400, thicknessMm: 100, alongRoof: true });

  it('is level where the roof is higher than it, and goes along the roof beside that', () => {
    const [made] = under(hung).filter(
      ({ level }) => level === solve(hung).levels.find(({ name }) => name === 'RF')!.id,
    );
    // Its top at 2500 meets the roof 2300 in from the walls on both sides: 3400 of 8000 are level.
    expect(made!.info.levelMm2).toBeCloseTo(10_000 * (8000 - 2 * 2300), 0);
    expect(made!.info.alongMm2).toBeCloseTo(10_000 * 2 * 2300, 0);
    for (const { slants } of made!.parts)
      for (const corner of slants.flat()) expect(corner.topMm - corner.bottomMm).toBeCloseTo(100, 3);
    const along = made!.parts.find(({ name }) => name === 'along the roof')!;
    for (const corner of along.slants.flat())
      expect(corner.topMm - 3000).toBeCloseTo(Math.min(corner.y, 8400 - corner.y), 3);
    expect(made!.info.volumeMm3).toBeCloseTo(
      made!.parts.flatMap(({ slants }) => slants).reduce((sum, slant) => sum + volumeOfSlant(slant), 0),
      3,
    );
  });

  it('hangs in the storey below as it did, under its slab', () => {
    expect(solve(hung).ceilings.map(({ clearMm }) => clearMm)).toEqual([2400]);
  });

  it('that stays level hangs in no attic, and follows the roof when told to', () => {
    const level = after('ceilings.change', { ceiling: 'C', alongRoof: false }, hung);
    expect(under(level)).toEqual([]);
    const steeper = after('pitchedRoofs.change', { roof: 'R', slope: 60 }, hung);
    expect(under(steeper)[0]!.info.levelMm2).toBeGreaterThan(under(hung)[0]!.info.levelMm2);
  });
});

it('a level ceiling of a storey under a roof ends where that comes down', () => {
  // Without the floor over it the storey below goes up to the roof.
  const open = after('floors.except', { floor: 'F', level: 'RF', leftOut: true });
  const low = after('pitchedRoofs.change', { roof: 'R', eavesAt: { level: 'RF', offsetMm: -1000 } }, open);
  const hung = after('ceilings.add', { name: 'C', heightMm: 2400, thicknessMm: 100 }, low);
  const [made] = under(hung);
  expect(made!.parts.map(({ name }) => name)).toEqual(['level']);
  // The underside is 2200 over the floor at the walls' inside: 2500 is reached 300 in from there.
  expect(made!.info.levelMm2).toBeCloseTo(10_000 * (8000 - 600), 0);
  expect(solve(hung).ceilings).toEqual([]);
});
