import type { CommandInputs, Step } from '../commands/command-inputs';
import { recordsOf, type Framework } from '../model/framework';
import { solve, Solver } from '../solving/solve';
import { corners, rectangle, WALL_200 } from '../testing/drawn';
import { given, step } from '../testing/given';

/** Five storeys over one plate of 10 × 10 m; 02 and 03 follow 01. */
const tower = given([
  ['buildings.add', { name: 'Tower' }],
  ['levels.setUp', { above: '5@3500' }],
  ['floors.add', { name: 'Plate', outline: rectangle('0,0', 10_000, 10_000) }],
  ['typical.follow', { master: '01', levels: ['02', '03'] }],
]);
const wall = (name: string, points: string, more: Partial<CommandInputs['walls.add']> = {}): Step => [
  'walls.add',
  { name, type: WALL_200, points: corners(points), startsAt: { level: '01' }, ...more },
];
const walled = (...steps: Step[]) => given(steps, tower);
const said = (framework: Framework, rule: string, solver = new Solver()): string[] =>
  solver
    .solve(framework)
    .findings.filter((each) => each.rule === rule)
    .map(({ message }) => message.split('. ')[0]!)
    .sort();

describe('tops of walls', () => {
  it('that end short under the slab of a typical floor are told once, where they stop, and brought up', () => {
    const short = walled(
      wall('W', '2000,2000 8000,2000', { stopsAt: { level: '02', face: 'soffit', offsetMm: -400 } }),
    );
    expect(solve(short).walls).toHaveLength(3);
    const [found, more] = solve(short).findings.filter(({ rule }) => rule === 'wall.topShort');
    expect(found!.message).toContain('Wall W ends 400 mm under the slab of level 02');
    expect(more).toBeUndefined();
    const mended = step(short, found!.fixes[0]!.command, found!.fixes[0]!.input).after;
    expect(said(mended, 'wall.topShort')).toEqual([]);
    const soffits = (framework: Framework) => solve(framework).walls.map(({ topMm }) => topMm);
    expect(soffits(mended).map((mm, i) => mm - soffits(short)[i]!)).toEqual([400, 400, 400]);
  });

  it('of a wall through several storeys are told in the one it stops in', () => {
    const through = { startsAt: { level: '00' }, stopsAt: { level: 'RF', face: 'soffit' as const, offsetMm: -250 } };
    expect(said(walled(wall('W', '2000,2000 8000,2000', through)), 'wall.topShort')).toEqual([
      'Wall W ends 250 mm under the slab of level RF',
    ]);
  });

  it('of a height of their own end where they were meant to', () => {
    const low = walled(wall('W', '2000,2000 8000,2000', { stopsAt: { level: '01', face: 'SSL', offsetMm: 1100 } }));
    expect(said(low, 'wall.topShort')).toEqual([]);
  });

  it('that go past a ceiling and end under the slab are told with both ways out', () => {
    const past = walled(
      wall('O', '0,0 10000,0 10000,10000 0,10000', { closed: true, on: 'outside', use: 'exterior' }),
      wall('W', '2000,5000 8000,5000', { stopsAt: { level: '01', face: 'SSL', offsetMm: 2900 } }),
      ['ceilings.add', { heightMm: 2600, levels: { at: ['01'] } }],
    );
    const found = solve(past).findings.find(({ rule }) => rule === 'wall.throughCeiling')!;
    expect(found.fixes.map(({ words }) => words)).toEqual(['Stop it at the ceiling', 'Bring it up to the soffit']);
    for (const { command, input } of found.fixes)
      expect(said(step(past, command, input).after, 'wall.throughCeiling')).toEqual([]);
  });
});

it('walls all within others are told at each level they are so, and only there', () => {
  const inner = walled(
    wall('T', '1000,5000 9000,5000', {
      type: { name: 'Thick', layers: [{ name: 'c', thicknessMm: 500, core: true }] },
      use: 'core',
    }),
    wall('V', '3000,5000 7000,5000'),
  );
  expect(said(inner, 'wall.within')).toEqual(
    ['01', '02', '03'].map((level) => `Wall V at level ${level} lies all within other walls: nothing of it stands`),
  );
  const solver = new Solver();
  expect(said(inner, 'wall.within', solver)).toHaveLength(3);
  const { id } = recordsOf(inner, 'wall').find(({ name }) => name === 'V')!;
  expect(said(step(inner, 'elements.move', { ids: [id], xMm: 0, yMm: 1000 }).after, 'wall.within', solver)).toEqual([]);
});

it('a slab that stops short of a façade is told at the levels it does so', () => {
  const facade = walled(
    wall('O', '-40,-40 10040,-40 10040,10040 -40,10040', { closed: true, on: 'inside', use: 'exterior' }),
  );
  const gaps = (framework: Framework) => said(framework, 'floor.gapToWall');
  expect(gaps(facade)).toEqual(
    ['01', '02', '03'].map((level) => `Slab Plate stops 40 mm short of wall O at level ${level}`),
  );
  // The edge of one level follows the wall by itself.
  const pulled: Step = ['floors.except', { floor: 'Plate', level: '02', pulled: [{ edge: 1, byMm: -40 }] }];
  expect(gaps(given([pulled], facade))).toHaveLength(2);
});

it('the slab of a roof that stops short of a façade on it is told too, and not mended as a floor would be', () => {
  const facade = { closed: true, on: 'inside' as const, use: 'exterior' as const };
  const stands = { startsAt: { level: 'RF' }, stopsAt: { level: 'RF', face: 'SSL' as const, offsetMm: 2000 } };
  const roofed = given(
    [
      wall('I', '0,0 10000,0 10000,10000 0,10000', { closed: true, on: 'outside', use: 'exterior' }),
      ['roofs.addFlat', { name: 'R', walls: ['I'], face: 'outside' }],
      wall('O', '-40,-40 10040,-40 10040,10040 -40,10040', { ...facade, ...stands }),
    ],
    given([
      ['buildings.add', { name: 'Shed' }],
      ['levels.setUp', { above: '2@3500' }],
    ]),
  );
  const found = solve(roofed).findings.filter(({ rule }) => rule === 'floor.gapToWall');
  expect(found.map(({ message, fixes }) => [message.split('. ')[0], fixes])).toEqual([
    ['Slab R stops 40 mm short of wall O at level RF', []],
  ]);
});

it('a core wall that slabs bar is told once, with the levels', () => {
  const core = { use: 'core' as const, startsAt: { level: '00' }, stopsAt: { level: '03' } };
  expect(said(walled(wall('C', '3000,3000 7000,3000', core)), 'floor.barsWall')).toEqual([
    'The slabs at 2 levels, 01 to 02 bar core wall C',
  ]);
  expect(said(walled(wall('C', '3000,3000 7000,3000', { ...core, passesClearMm: 0 })), 'floor.barsWall')).toEqual([]);
  // In one storey it stands on nothing that bars it.
  expect(
    said(walled(wall('C', '3000,3000 7000,3000', { use: 'core', stopsAt: { level: '02' } })), 'floor.barsWall'),
  ).toHaveLength(1);
});
