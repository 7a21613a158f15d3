import type { CommandInputs, Step } from '../commands/command-inputs';
import type { Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { corners, rectangle, WALL_200 } from '../testing/drawn';
import { given, step } from '../testing/given';

const wall = (name: string, points: string, more: Partial<CommandInputs['walls.add']> = {}): Step => [
  'walls.add',
  {
    name,
    type: WALL_200,
    points: corners(points),
    startsAt: { level: '01' },
    ...more,
  },
];

const BARE: Step[] = [
  ['buildings.add', { name: 'Hall' }],
  ['levels.setUp', { above: '3@3500' }],
];
/** Slabs of 10 × 10 m at every level. */
const house = given([...BARE, ['floors.add', { name: 'Plate', outline: rectangle('0,0', 10_000, 10_000) }]]);

const said = (framework: Framework) =>
  solve(framework)
    .findings.filter(({ rule }) => rule === 'wall.onNothing' || rule === 'wall.partlyOnNothing')
    .map(({ rule, message }) => `${rule}: ${message.split('. ')[0]!}`);
const after = (...steps: Step[]) => given(steps, house);

it('a wall of 8 m of which 6 m lie off the slab is found with both lengths, and ended at the edge', () => {
  const off = after(wall('W1', '8000,5000 16000,5000'));
  expect(said(off)).toEqual([
    'wall.partlyOnNothing: Wall W1 stands on nothing along 6000 mm of its 8000 mm at level 01',
  ]);
  const [fix] = solve(off).findings.find(({ rule }) => rule === 'wall.partlyOnNothing')!.fixes;
  expect(fix!.words).toBe('End W1 at the edge');
  const [piece] = solve(step(off, fix!.command, fix!.input).after).walls;
  expect(Math.max(...piece!.strips[0]!.map(({ x }) => x))).toBeCloseTo(10_000, 0);
});

it('a wall over a void is found, one along its edge is not', () => {
  const voided = after(['floors.except', { floor: 'Plate', level: '01', voids: [rectangle('3000,3000', 2500, 2000)] }]);
  expect(said(given([wall('W1', '1000,4000 9000,4000')], voided))).toEqual([
    'wall.partlyOnNothing: Wall W1 stands on nothing along 2500 mm of its 8000 mm at level 01',
  ]);
  expect(said(given([wall('W1', '1000,2900 9000,2900')], voided))).toEqual([]);
});

it('a wall beside the slab it is carried by stands on it, one pulled back from does not', () => {
  const loop = wall('E', '-300,-300 10300,-300 10300,10300 -300,10300', {
    use: 'exterior',
    on: 'outside',
    closed: true,
    type: { name: 'E', layers: [{ name: 'concrete', thicknessMm: 300, core: true }] },
    startsAt: { level: '00' },
    stopsAt: { level: 'RF', face: 'soffit' },
  });
  expect(said(after(loop))).toEqual([]);
  const pulled: Step = ['floors.except', { floor: 'Plate', level: '01', pulled: [{ edge: 1, byMm: 2000 }] }];
  // It runs on down to the wall below it.
  expect(said(after(loop, pulled))).toEqual([]);
  const alone: Step = ['walls.change', { wall: 'E', startsAt: { level: '01' }, stopsAt: { level: '02' } }];
  expect(said(after(loop, alone))).toEqual([]);
  expect(said(after(loop, alone, pulled))).toEqual([
    // The east side, and 2 m and the wall's 300 mm of the two it joins.
    'wall.partlyOnNothing: Wall E stands on nothing along 15200 mm of its 42400 mm at level 01',
  ]);
});

it('a wall through two storeys stands on itself where there is no slab between', () => {
  const open = after(
    ['floors.except', { floor: 'Plate', level: '02', leftOut: true }],
    wall('W1', '1000,5000 9000,5000', { stopsAt: { level: 'RF', face: 'soffit' } }),
  );
  expect(said(open)).toEqual([]);
  // From the upper storey alone it does hang in the air.
  expect(said(given([['walls.change', { wall: 'W1', startsAt: { level: '02' } }]], open))).toEqual([
    'wall.onNothing: Wall W1 stands on nothing at level 02',
  ]);
});

it('the first walls of a project are not wrong for want of floors', () => {
  expect(said(given([...BARE, wall('W1', '1000,5000 9000,5000')]))).toEqual([]);
});

it('strips and walls under it carry a wall where there is no slab', () => {
  const steps: Step[] = [
    ['floors.change', { floor: 'Plate', levels: { at: ['01', '02', 'RF'] } }],
    wall('W1', '1000,5000 9000,5000', { startsAt: { level: '00' } }),
  ];
  expect(said(after(...steps))).toEqual(['wall.onNothing: Wall W1 stands on nothing at level 00']);
  expect(said(after(...steps, ['foundations.add', { form: 'strips' }]))).toEqual([]);
});

describe('in storeys with the same walls', () => {
  /** Five storeys; what is drawn at 01 stands at 02 and 03 too. */
  const tower = given([
    ['buildings.add', { name: 'Tower' }],
    ['levels.setUp', { above: '5@3500' }],
    ['floors.add', { name: 'Plate', outline: rectangle('0,0', 10_000, 10_000) }],
    ['typical.follow', { master: '01', levels: ['02', '03'] }],
  ]);
  const levelsOf = (framework: Framework) =>
    solve(framework).findings.flatMap(({ rule, message }) =>
      rule === 'wall.onNothing' || rule === 'wall.partlyOnNothing' ? (/levels? ([^.]*)/.exec(message)?.[1] ?? '') : [],
    );

  it('what lies under one of them is not under the others', () => {
    const walled = given([wall('W1', '1000,4000 9000,4000')], tower);
    expect(solve(walled).walls).toHaveLength(3);
    expect(levelsOf(walled)).toEqual([]);
    // A shaft through the slab of one of them: the plate is the same everywhere.
    const shaft: Step = [
      'shafts.add',
      {
        name: 'S1',
        outline: rectangle('3000,3000', 2500, 2000),
        startsAt: { level: '01' },
        stopsAt: { level: '02', offsetMm: 1000 },
      },
    ];
    expect(levelsOf(given([shaft], walled))).toEqual(['02']);
  });

  it('what stands under one of them is not under the others', () => {
    const loop = wall('E', '-300,-300 10300,-300 10300,10300 -300,10300', {
      use: 'exterior',
      on: 'outside',
      closed: true,
      type: { name: 'E', layers: [{ name: 'concrete', thicknessMm: 300, core: true }] },
    });
    // Its right side lies off the slabs of all of them; those of 02 and 03 go down to the walls under them, under that of 01 there is none.
    const narrow: Step = ['floors.change', { floor: 'Plate', outline: rectangle('0,0', 8000, 10_000) }];
    expect(levelsOf(given([loop, narrow], tower))).toEqual(['01']);
  });
});
