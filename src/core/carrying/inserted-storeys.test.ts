import type { CommandInputs, Step } from '../commands/command-inputs';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { corners, WALL_200 } from '../testing/drawn';
import { given, levelId, step } from '../testing/given';
import { storeysOfOpening } from '../walls/opening-levels';
import type { ExtendKind } from './keep-storeys';

const wall = (name: string, points: string, more: Partial<CommandInputs['walls.add']> = {}): Step => [
  'walls.add',
  {
    name,
    type: WALL_200,
    points: corners(points),
    startsAt: { level: '00' },
    ...more,
  },
];
const opening = (name: string, kind: 'door' | 'window', alongMm: number, at?: string[]): Step => [
  'walls.addOpening',
  { wall: name, opening: kind, alongMm, at },
];

/** A basement and three storeys; an outer wall through all, an inner one in storey 01 alone, one in the basement. */
const house = given([
  ['buildings.add', { name: 'Hall' }],
  ['levels.setUp', { above: '3@3500', below: '3m' }],
  ['floors.add', { outline: { type: 'rectangle', place: '0,0', widthMm: 10_000, depthMm: 10_000 } }],
  wall('Out', '0,100 10000,100', { use: 'exterior', stopsAt: { level: 'RF' } }),
  wall('In', '1000,5000 9000,5000', { startsAt: { level: '01' }, stopsAt: { level: '02' } }),
  wall('Low', '1000,7000 9000,7000', { startsAt: { level: 'B1' }, stopsAt: { level: '00' } }),
  opening('Out', 'window', 2000),
  opening('Out', 'door', 6000, ['00']),
  opening('In', 'door', 2000),
]);

/** Where walls and openings stand: `In 01`, `N1 02`. */
function stands(framework: Framework): Record<string, string> {
  const nameOf = new Map(recordsOf(framework, 'level').map(({ id, name }) => [id, name]));
  const found = new Map<string, string[]>();
  const put = (name: string, level: string) => found.set(name, [...(found.get(name) ?? []), nameOf.get(level)!]);
  for (const { name, level, openings } of solve(framework).walls) {
    put(name, level);
    for (const each of openings) put(each.name, each.level);
  }
  return Object.fromEntries([...found].map(([name, levels]) => [name, levels.join(' ')]));
}
const inserted = (input: Omit<CommandInputs['levels.insert'], 'heightMm'> & { extend?: ExtendKind[] }) =>
  step(house, 'levels.insert', { heightMm: 3000, ...input }).after;

it('stands as drawn before', () => {
  expect(stands(house)).toEqual({ Out: '00 01 02', N1: '00 01 02', D1: '00', In: '01', D2: '01', Low: 'B1' });
});

describe('a storey pushed in above', () => {
  it('takes no wall or opening into it that is not asked for; what runs past it stands in it', () => {
    const more = inserted({ level: '01', name: 'New' });
    expect(stands(more)).toEqual({ Out: '00 01 New 02', N1: '00 01 02', D1: '00', In: '01', D2: '01', Low: 'B1' });
    const [piece] = solve(more).walls.filter(({ name }) => name === 'In');
    // 3.5 m less slab and build-up as before, not 6.5 m.
    expect(piece!.topMm - piece!.bottomMm).toBe(3500 - 250);
  });

  it('takes in the kinds asked for, with their openings', () => {
    const windows = inserted({ level: '01', name: 'New', extend: ['windows'] });
    expect(stands(windows)).toMatchObject({ N1: '00 01 New 02', In: '01', D2: '01' });
    const inner = inserted({ level: '01', name: 'New', extend: ['interiorWalls'] });
    expect(stands(inner)).toMatchObject({ N1: '00 01 02', In: '01 New', D2: '01' });
    const all = inserted({ level: '01', name: 'New', extend: ['interiorWalls', 'doors'] });
    expect(stands(all)).toMatchObject({ In: '01 New', D2: '01 New', D1: '00' });
  });

  it('an entrance named for its level comes along where entrances are asked for', () => {
    expect(stands(inserted({ level: '00', name: 'New', extend: ['entranceDoors'] }))).toMatchObject({ D1: '00 New' });
    expect(stands(inserted({ level: '00', name: 'New', extend: ['doors'] }))).toMatchObject({ D1: '00' });
  });
});

describe('a storey under the roof', () => {
  it('is put in under it: walls end at the new level, unless they are to go up', () => {
    const more = inserted({ level: 'RF' });
    expect(stands(more)).toMatchObject({ Out: '00 01 02', N1: '00 01 02' });
    expect(recordsOf(more, 'wall').find(({ name }) => name === 'Out')!.stopsAt.level).toBe(levelId(more, '03'));
    expect(recordsOf(more, 'level').filter(({ levelKind }) => levelKind === 'roof')).toHaveLength(1);
    const up = inserted({ level: 'RF', extend: ['exteriorWalls', 'windows'] });
    expect(stands(up)).toMatchObject({ Out: '00 01 02 03', N1: '00 01 02 03', D1: '00' });
  });
});

describe('a storey pushed in below ground', () => {
  it('leaves the walls of the basement in the storey they were in, which has the new level now', () => {
    const more = inserted({ level: 'B1', name: 'New' });
    expect(
      solve(more)
        .levels.map(({ name, fflMm }) => [name, fflMm])
        .slice(0, 3),
    ).toEqual([
      ['B1', -6000],
      ['New', -3000],
      ['00', 0],
    ]);
    expect(stands(more)).toMatchObject({ Low: 'New', Out: '00 01 02' });
    expect(stands(inserted({ level: 'B1', name: 'New', extend: ['interiorWalls'] }))).toMatchObject({ Low: 'B1 New' });
  });
});

it('a door put in says at which storeys, where its wall stands in several', () => {
  const said = (name: string, at?: string[]) => {
    const [command, input] = opening(name, 'door', 4000, at) as ['walls.addOpening', CommandInputs['walls.addOpening']];
    return step(house, command, input).sentence.replace(/^Door D\d added to /, '');
  };
  expect(said('Out')).toBe('wall Out in each of its storeys');
  expect(said('Out', ['00'])).toBe('wall Out at level 00');
  expect(said('Out', ['00', '02'])).toBe('wall Out at levels 00, 02');
  expect(said('In')).toBe('wall In');
});

it('a storey that is divided keeps its doors where they were', () => {
  const split = step(house, 'levels.split', { level: '01' }).after;
  expect(stands(split)).toMatchObject({ In: '01 01a', D2: '01', N1: '00 01 02' });
});

it('an opening is told with its levels where its wall stands in several, on its slabs or past them', () => {
  const told = (framework: Framework, wall: string, name: string) => {
    const record = recordsOf(framework, 'wall').find((each) => each.name === wall)!;
    const { id } = record.openings.find((each) => each.name === name)!;
    return storeysOfOpening(solve(framework), record.id, id);
  };
  expect([told(house, 'Out', 'N1'), told(house, 'Out', 'D1'), told(house, 'In', 'D2')]).toEqual([
    'levels 00, 01, 02',
    'level 00',
    null,
  ]);
  const past = given(
    [
      wall('Core', '1000,2000 4000,2000', {
        use: 'core',
        startsAt: { level: 'B1' },
        stopsAt: { level: 'RF' },
        passesClearMm: 0,
      }),
      opening('Core', 'door', 1000),
    ],
    house,
  );
  expect(told(past, 'Core', 'D3')).toBe('4 levels, B1 to 02');
});
