import fc from 'fast-check';
import { ringArea } from '../geometry/polygon';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { corners, WALL_200 } from '../testing/drawn';
import { FURNISHED, given, refusal, step } from '../testing/given';
import type { Step } from '../commands/command-inputs';
import { wallPath } from './wall-path';

const wall = (name: string, points: string, more: object = {}): Step => [
  'walls.add',
  {
    name,
    type: WALL_200,
    on: 'centre',
    points: corners(points),
    startsAt: { level: '01' },
    stopsAt: { level: '02', face: 'soffit' },
    ...more,
  } as never,
];
const door = (into: string, name: string, alongMm: number): Step => [
  'walls.addOpening',
  { wall: into, opening: 'door', name, alongMm, widthMm: 1000, hand: 'right' },
];
const house = given(
  [
    wall('L', '10000,1000 16000,1000 16000,6000'),
    door('L', 'A', 1000),
    door('L', 'B', 4000),
    door('L', 'C', 8000),
    wall('M', '12000,3000 12000,6000'),
    wall('N', '21000,6000 16030,6000'),
    wall('R', '20000,20000 26000,20000 26000,24000 20000,24000', { closed: true }),
    door('R', 'D', 7000),
  ],
  given(FURNISHED),
);
const named = (framework: Framework, name: string) => recordsOf(framework, 'wall').find((each) => each.name === name)!;
const path = (framework: Framework, name: string) =>
  wallPath(framework, named(framework, name))!.points.map(({ x, y }) => [x, y]);
const DOORS = ['A', 'B', 'C', 'D'];
/** Where doors stand in plan and how they are hung, whichever wall they are in. */
const doors = (framework: Framework) =>
  solve(framework)
    .walls.flatMap(({ openings }) => openings)
    .filter(({ name }) => DOORS.includes(name))
    .map(({ name, ends: [a, b], inwards, hand }) =>
      [name, (a.x + b.x) / 2, (a.y + b.y) / 2, inwards.x, inwards.y, hand].map((each) =>
        typeof each === 'number' ? Math.round(each * 1000) / 1000 || 0 : each,
      ),
    )
    .sort();
const planMm2 = (framework: Framework) =>
  solve(framework).walls.reduce((sum, { volumeMm3, topMm, bottomMm }) => sum + volumeMm3 / (topMm - bottomMm), 0);

describe('a wall is split', () => {
  it('in two that stand where it stood, each with its own doors', () => {
    const { after, sentence } = step(house, 'walls.split', { wall: 'L', alongMm: '2.5m' });
    expect(sentence).toBe('Wall L split');
    expect(path(after, 'L')).toEqual([
      [10_000, 1000],
      [12_500, 1000],
    ]);
    const other = recordsOf(after, 'wall').find(({ id }) => !house.records.has(id))!;
    expect(path(after, other.name)).toEqual([
      [12_500, 1000],
      [16_000, 1000],
      [16_000, 6000],
    ]);
    expect([named(after, 'L').openings.map(({ name }) => name), other.openings.map(({ name }) => name)]).toEqual([
      ['A'],
      ['B', 'C'],
    ]);
    expect(doors(after)).toEqual(doors(house));
    expect(planMm2(after)).toBeCloseTo(planMm2(house), 0);
  });

  it('at a corner of its path too, and a wall that goes round is opened there', () => {
    const bent = step(house, 'walls.split', { wall: 'L', alongMm: 6000 }).after;
    expect(path(bent, 'L')).toHaveLength(2);
    const ring = step(house, 'walls.split', { wall: 'R', alongMm: 3000 }).after;
    expect([named(ring, 'R').closed, path(ring, 'R')[0], path(ring, 'R').at(-1), path(ring, 'R')]).toMatchObject([
      false,
      [23_000, 20_000],
      [23_000, 20_000],
      { length: 6 },
    ]);
    expect(doors(ring)).toEqual(doors(house));
  });

  it('stays in its core: both parts are in it', () => {
    const cored = given([['cores.add', { name: 'K', ids: ['L', 'M'].map((name) => named(house, name).id) }]], house);
    const after = step(cored, 'walls.split', { wall: 'L', alongMm: 2500 }).after;
    const made = recordsOf(after, 'wall').find(({ id }) => !cored.records.has(id))!;
    expect(recordsOf(after, 'core')[0]!.members).toContain(made.id);
  });

  it('keeps the outline of a slab that follows it, split, moved, made thicker and joined again', () => {
    const slab: Step = [
      'floors.add',
      { name: 'F', outline: { type: 'walls', walls: ['R'], face: 'coreOutside' }, levels: { at: ['01'] } },
    ];
    const followed = given([slab], house);
    const ring = (framework: Framework) => solve(framework).floors.find(({ name }) => name === 'F')!.outline;
    const area = ringArea(ring(followed));
    // A wall that goes round is open after the first split, and two after the second.
    const once = step(followed, 'walls.split', { wall: 'R', alongMm: 3000 }).after;
    expect(ringArea(ring(once))).toBeCloseTo(area, 3);
    expect(ring(once)).toHaveLength(ring(followed).length);
    const twice = step(once, 'walls.split', { wall: 'R', alongMm: 2000 }).after;
    expect(ringArea(ring(twice))).toBeCloseTo(area, 3);
    const part = recordsOf(twice, 'wall').find(({ id }) => !followed.records.has(id))!;
    expect(recordsOf(twice, 'floorPlate').find(({ name }) => name === 'F')!.outline).toMatchObject({
      walls: expect.arrayContaining([part.id]),
    });
    // A part as thick again has its face further out, with a step where it begins and ends.
    const thick = { name: 'Thick', layers: [{ name: 'concrete', thicknessMm: 400, core: true }] };
    const stepped = ring(step(twice, 'walls.change', { wall: part.name, type: thick }).after);
    expect(stepped.length).toBeGreaterThan(ring(twice).length);
    expect(ringArea(stepped)).toBeGreaterThan(area);
    const joined = step(twice, 'walls.join', { walls: ['R', part.name] }).after;
    expect(ringArea(ring(joined))).toBeCloseTo(area, 3);
  });

  it('is refused in a door and past its ends', () => {
    expect(refusal(house, 'walls.split', { wall: 'L', alongMm: 1500 })).toMatch(/^A is there/);
    expect(refusal(house, 'walls.split', { wall: 'L', alongMm: 11_000 })).toMatch(/between its ends/);
  });
});

describe('two walls are joined', () => {
  it('again after a split: the same wall in place, whichever is named first', () => {
    const split = step(house, 'walls.split', { wall: 'L', alongMm: 2500 }).after;
    const other = recordsOf(split, 'wall').find(({ id }) => !house.records.has(id))!.name;
    for (const walls of [
      ['L', other],
      [other, 'L'],
    ] as [string, string][]) {
      const { after } = step(split, 'walls.join', { walls });
      expect(recordsOf(after, 'wall')).toHaveLength(recordsOf(house, 'wall').length);
      expect(path(after, walls[0])).toEqual(path(house, 'L'));
      expect(doors(after)).toEqual(doors(house));
    }
  });

  it('end to end and head to head, wherever it was split', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 10_900 }), fc.boolean(), (alongMm, flip) => {
        let split: Framework;
        try {
          split = step(house, 'walls.split', { wall: 'L', alongMm }).after;
        } catch {
          return;
        }
        const other = recordsOf(split, 'wall').find(({ id }) => !house.records.has(id))!;
        const points = wallPath(split, other)!.points;
        const turned = flip
          ? given(
              [
                [
                  'walls.change',
                  {
                    wall: other.name,
                    points: [...points].reverse().map(({ x, y }) => ({ xMm: x, yMm: y })),
                    outside: other.outside === 'left' ? 'right' : 'left',
                  },
                ],
              ],
              given(
                other.openings.map(({ name }) => ['walls.removeOpening', { wall: other.name, opening: name }]),
                split,
              ),
            )
          : split;
        const { after } = step(turned, 'walls.join', { walls: ['L', other.name] });
        expect(path(after, 'L')).toEqual(path(house, 'L'));
        expect(solve(after).walls.filter((piece) => piece.name === 'L')[0]!.strips).toEqual(
          solve(house).walls.filter((piece) => piece.name === 'L')[0]!.strips,
        );
      }),
      { numRuns: 30 },
    );
  });

  it('is refused where they do not meet or differ, naming what differs', () => {
    expect(refusal(house, 'walls.join', { walls: ['L', 'M'] })).toMatch(/^No end of wall L is at an end of wall M/);
    const thicker = step(house, 'walls.defineType', {
      name: 'T3',
      layers: [{ name: 'concrete', thicknessMm: 300, core: true }],
    }).after;
    const other = step(thicker, 'walls.change', { wall: 'N', type: 'T3' }).after;
    expect(refusal(other, 'walls.join', { walls: ['L', 'N'] })).toMatch(/another type/);
    expect(refusal(house, 'walls.join', { walls: ['L', 'R'] })).toMatch(/do not go round/);
  });
});

describe('two walls are brought to meet', () => {
  it('at a corner: both ends go there; at the other wall between its ends: only one does', () => {
    // N stops 30 short of the end of L.
    const corner = step(house, 'walls.meet', { walls: ['L', 'N'] }).after;
    expect(path(corner, 'N').at(-1)).toEqual([16_000, 6000]);
    expect(path(corner, 'L')).toEqual(path(house, 'L'));
    // M comes down on L between its ends.
    const onto = step(house, 'walls.meet', { walls: ['M', 'L'] }).after;
    expect(path(onto, 'M')).toEqual([
      [12_000, 1000],
      [12_000, 6000],
    ]);
    expect(path(onto, 'L')).toEqual(path(house, 'L'));
    expect(doors(onto)).toEqual(doors(house));
  });

  it('is refused for walls that run alongside, and for two that go round', () => {
    const alongside = given([wall('P', '10000,8000 16000,8000'), wall('Q', '10000,9000 16000,9000')], house);
    expect(refusal(alongside, 'walls.meet', { walls: ['P', 'Q'] })).toMatch(/never meet/);
  });
});
