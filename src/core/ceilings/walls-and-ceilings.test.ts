import type { Step } from '../commands/command-inputs';
import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { corners, rectangle, WALL_200 } from '../testing/drawn';
import { given, step } from '../testing/given';

/** One storey of 4 m, 9.6 × 9.6 m within walls of 200; the slab over it is 250. */
const house = given([
  ['buildings.add', { name: 'Hall' }],
  ['levels.setUp', { above: '2@4000' }],
  ['floors.add', { name: 'Plate', outline: rectangle('0,0', 10_000, 10_000) }],
  [
    'walls.add',
    {
      name: 'E',
      type: WALL_200,
      use: 'exterior',
      closed: true,
      points: corners('0,0 10000,0 10000,10000 0,10000'),
      on: 'outside',
      startsAt: { level: '00' },
    },
  ],
  ['foundations.add', { form: 'raft' }],
]);
const CEILINGS: Record<string, Step> = {
  drawn: [
    'ceilings.add',
    { name: 'C', outline: rectangle('1000,1000', 8000, 8000), heightMm: 2700, levels: { at: ['00'] } },
  ],
  'of rooms': ['ceilings.add', { name: 'C', heightMm: 2700, levels: { at: ['00'] } }],
};
/** From wall to wall, or a spur of 5.8 m. */
const wall = (endMm: number, heightMm: number | null, bottomMm = 0): Step => [
  'walls.add',
  {
    name: 'W',
    type: WALL_200,
    points: corners(`5000,200 5000,${endMm}`),
    startsAt: { level: '00', face: 'FFL', offsetMm: bottomMm },
    ...(heightMm === null ? {} : { stopsAt: { level: '00', face: 'FFL', offsetMm: heightMm } }),
  },
];
const areaM2 = (...steps: Step[]) => {
  const { ceilings, profiles } = solve(given(steps, house));
  return Number(ceilings.reduce((sum, { profile }) => sum + profiles[profile]!.areaMm2 / 1e6, 0).toFixed(6));
};

describe.each([
  ['drawn', 64, 8 * 0.2, 5 * 0.2],
  ['of rooms', 9.6 * 9.6, 9.6 * 0.2, 5.8 * 0.2],
] as const)('a ceiling %s', (which, wholeM2, acrossM2, spurM2) => {
  const ceiling = CEILINGS[which]!;
  it.each([
    ['up to the slab', null],
    ['some way past it', 2800],
    ['into it', 2710],
  ] as const)('is cut by all of a wall that goes %s', (_, heightMm) => {
    expect(areaM2(ceiling, wall(9800, heightMm))).toBeCloseTo(wholeM2 - acrossM2, 6);
    expect(areaM2(ceiling, wall(6000, heightMm))).toBeCloseTo(wholeM2 - spurM2, 6);
    const door: Step = ['walls.addOpening', { wall: 'W', opening: 'plain', alongMm: 2000, widthMm: 1000 }];
    expect(areaM2(ceiling, wall(9800, heightMm), door)).toBeCloseTo(wholeM2 - acrossM2, 6);
  });

  it.each([2700, 2500, 1200, 600])('is closed over a wall %i high', (heightMm) => {
    expect(areaM2(ceiling, wall(9800, heightMm))).toBeCloseTo(wholeM2, 6);
    expect(areaM2(ceiling, wall(6000, heightMm))).toBeCloseTo(wholeM2, 6);
  });

  it('is closed over a wall that stops at it, wherever it hangs', () => {
    const toCeiling: Step = ['walls.change', { wall: 'W', stopsAt: { level: '01', face: 'ceiling' } }];
    expect(areaM2(ceiling, wall(9800, null), toCeiling)).toBeCloseTo(wholeM2, 6);
    const past: Step = ['walls.change', { wall: 'W', stopsAt: { level: '01', face: 'ceiling', offsetMm: 100 } }];
    expect(areaM2(ceiling, wall(9800, null), past)).toBeCloseTo(wholeM2 - acrossM2, 6);
  });

  it('is cut by a wall that begins over the heads', () => {
    expect(areaM2(ceiling, wall(9800, null, 2200))).toBeCloseTo(wholeM2 - acrossM2, 6);
  });

  it('tells of a wall that goes past it and ends under the slab, and of no other', () => {
    const found = (heightMm: number | null) =>
      solve(given([ceiling, wall(9800, heightMm)], house)).findings.filter(({ rule }) => rule.startsWith('wall.'));
    expect(found(2800).map(({ message }) => message)).toEqual([
      'Wall W goes 100 mm past ceiling C and ends under the slab of level 01. Stop it at the ceiling, or bring it up to the soffit',
    ]);
    expect([null, 2700, 2500].flatMap(found)).toEqual([]);
    const past = given([ceiling, wall(9800, 2800)], house);
    for (const fix of found(2800)[0]!.fixes) {
      const mended = solve(step(past, fix.command, fix.input).after);
      expect(mended.findings.filter(({ rule }) => rule.startsWith('wall.'))).toEqual([]);
    }
  });
});

it('a wall between two ceilings belongs under the lower one, and is closed over once', () => {
  const rooms = given(
    [
      wall(9800, 2400),
      ['rooms.add', { level: '00', place: '2000,2000', name: 'West' }],
      ['rooms.add', { level: '00', place: '8000,2000', name: 'East' }],
    ],
    house,
  );
  const idOf = (room: string) => recordsOf(rooms, 'room').find(({ name }) => name === room)!.id;
  const hung: Step[] = [
    ['ceilings.add', { name: 'High', heightMm: 2900, rooms: [idOf('West')], levels: { at: ['00'] } }],
    ['ceilings.add', { name: 'Low', heightMm: 2600, rooms: [idOf('East')], levels: { at: ['00'] } }],
  ];
  const { ceilings, profiles } = solve(given(hung, rooms));
  const area = Object.fromEntries(ceilings.map(({ name, profile }) => [name, profiles[profile]!.areaMm2 / 1e6]));
  expect(area.High).toBeCloseTo(4.7 * 9.6, 6);
  expect(area.Low).toBeCloseTo(4.9 * 9.6, 6);
});
