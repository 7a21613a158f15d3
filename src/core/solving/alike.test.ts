import type { Step } from '../commands/command-inputs';
import type { Framework } from '../model/framework';
import { hashOf } from '../model/hash';
import { corners, rectangle, WALL_200 } from '../testing/drawn';
import { everyCommand } from '../testing/every-command';
import { given } from '../testing/given';
import { numbersFrom } from '../testing/random-commands';
import { IS_SOAK, SOAK_MS } from '../testing/soak';
import { solve } from './solve';

/** A solver in which no storey is taken to be like another: each is worked out by itself. */
async function solvingEachAlone(): Promise<(framework: Framework) => unknown> {
  let alone: ((framework: Framework) => unknown) | null = null;
  await jest.isolateModulesAsync(async () => {
    jest.doMock('./alike', () => ({
      storeyAlike: (name: string) => ({
        name: `storey with the same ${name}`,
        scope: 'level',
        run: (_: unknown, key: string) => key.split('/')[1],
      }),
    }));
    const { Solver } = await import('./solve');
    alone = (framework) => new Solver().solve(framework);
  });
  jest.dontMock('./alike');
  return alone!;
}

/** Six storeys over one plate, four of them like the second; in it a wall with a door, columns, a ceiling, a room. */
const tower = given([
  ['buildings.add', { name: 'Tower' }],
  ['levels.setUp', { above: '6@3500' }],
  ['floors.add', { name: 'Plate', outline: rectangle('0,0', 12_000, 9000) }],
  ['typical.follow', { master: '01', levels: ['02', '03', '04'] }],
  [
    'walls.add',
    {
      name: 'E',
      use: 'exterior',
      type: { name: 'Out', layers: [{ name: 'concrete', thicknessMm: 300, core: true }] },
      points: corners('0,0 12000,0 12000,9000 0,9000'),
      closed: true,
      on: 'outside',
      startsAt: { level: '01' },
    },
  ],
  ['walls.add', { name: 'I', type: WALL_200, points: corners('6000,300 6000,8700'), startsAt: { level: '01' } }],
  ['walls.addOpening', { wall: 'I', opening: 'door', alongMm: 3000, widthMm: 900, heightMm: 2100 }],
  ['rooms.add', { level: '01', name: 'West', number: '1', place: '3000,4000' }],
  ['ceilings.add', { heightMm: 2600 }],
]);

/** What makes one storey another than those like it, or all of them. */
const CHANGES: Record<string, readonly Step[]> = {
  nothing: [],
  'a storey is higher': [['levels.setHeight', { level: '03', heightMm: 4100, mode: 'push' }]],
  'a shaft goes through some of them': [
    [
      'shafts.add',
      {
        name: 'S',
        outline: rectangle('5000,2000', 2500, 2000),
        startsAt: { level: '02' },
        stopsAt: { level: '03', offsetMm: 900 },
      },
    ],
  ],
  'a column stands in one of them': [
    [
      'columns.place',
      {
        place: '3000,4000',
        section: { shape: 'circle', diameterMm: 500 },
        startsAt: { level: '02' },
        stopsAt: { level: '03' },
      },
    ],
  ],
  'the plate is thicker at one level': [['floors.except', { floor: 'Plate', level: '03', thicknessMm: 400 }]],
  'the plate has a void at one level': [
    ['floors.except', { floor: 'Plate', level: '04', voids: [rectangle('2000,2000', 2000, 1500)] }],
  ],
  'the plate ends short at one level': [
    ['floors.except', { floor: 'Plate', level: '02', pulled: [{ edge: 1, byMm: 2500 }] }],
  ],
  'a wall of the storey below reaches up': [
    [
      'walls.add',
      {
        name: 'H',
        type: WALL_200,
        points: corners('2000,7000 9000,7000'),
        startsAt: { level: '00' },
        stopsAt: { level: '02', offsetMm: 600 },
      },
    ],
  ],
  'a low wall stands in one of them': [
    [
      'walls.add',
      {
        name: 'L',
        type: WALL_200,
        points: corners('8000,2000 8000,5000'),
        startsAt: { level: '05' },
        stopsAt: { level: '05', offsetMm: 900 },
      },
    ],
  ],
  'a stair goes up through them': [
    [
      'stairs.add',
      {
        name: 'ST',
        well: { ...rectangle('8000,1000', 2600, 5600) },
        startsAt: { level: '01' },
        stopsAt: { level: '04' },
      },
    ],
  ],
  'another room is in one of them': [['rooms.add', { level: '03', name: 'Own', number: '9', place: '9000,4000' }]],
};

it.each(Object.keys(CHANGES))('storeys that are alike are as each would be alone: %s', async (name) => {
  const alone = await solvingEachAlone();
  const framework = given(CHANGES[name]!, tower);
  expect(hashOf(solve(framework))).toBe(hashOf(alone(framework)));
});

it('and where several of these come together', async () => {
  const alone = await solvingEachAlone();
  const random = numbersFrom(4);
  const all = Object.values(CHANGES);
  for (let round = 0; round < 12; round += 1) {
    const framework = all.reduce((so, steps) => (random() < 0.4 ? given(steps, so) : so), tower);
    expect([round, hashOf(solve(framework))]).toEqual([round, hashOf(alone(framework))]);
  }
});

it(
  'and after commands of all kinds on a building that has all kinds of things',
  async () => {
    const alone = await solvingEachAlone();
    let [seen, compared] = [0, 0];
    everyCommand(29, 1, 25, ({ name, after }) => {
      seen += 1;
      if (!IS_SOAK && seen % 6 !== 0) return;
      compared += 1;
      expect([name, hashOf(solve(after))]).toEqual([name, hashOf(alone(after))]);
    });
    expect(compared).toBeGreaterThan(20);
  },
  SOAK_MS,
);
