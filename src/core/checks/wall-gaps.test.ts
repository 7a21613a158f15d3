import type { Step } from '../commands/command-inputs';
import { recordsOf, type Framework } from '../model/framework';
import { solve, Solver } from '../solving/solve';
import { corners, WALL_200 } from '../testing/drawn';
import { given, step } from '../testing/given';
import { numbersFrom } from '../testing/random-commands';

const tower = given([
  ['buildings.add', { name: 'Hall' }],
  ['levels.setUp', { above: '4@3500' }],
]);
/** A wall 200 thick about its line, from one level to another. */
const wall = (name: string, points: string, from = '00', to = '01'): Step => [
  'walls.add',
  {
    name,
    type: WALL_200,
    on: 'centre',
    points: corners(points),
    startsAt: { level: from },
    stopsAt: { level: to, face: 'soffit' },
  },
];
const walls = (...steps: Step[]): Framework => given(steps, tower);
const gaps = (framework: Framework): string[] =>
  solve(framework)
    .findings.filter(({ rule }) => rule === 'wall.loopGap')
    .map(({ message }) => message.split('. ')[0]!);

it('a gap that a third wall closes is none, where that stands in the same storey', () => {
  const [short, other] = [wall('A', '0,0 4000,0'), wall('B', '4140,-2000 4140,2000')];
  expect(gaps(walls(short, other))).toEqual(['Between the end of wall A and wall B is a gap of 40 mm']);
  // It stands across the end of A, before B.
  expect(gaps(walls(short, other, wall('C', '4000,-1000 4000,1000')))).toEqual([]);
  expect(gaps(walls(short, other, wall('C', '4000,-1000 4000,1000', '02', '03')))).toHaveLength(1);
});

it('of several walls before an end the nearest in its storey is told', () => {
  const short = wall('A', '0,0 4000,0', '00', '02');
  const near = wall('N', '4120,-2000 4120,2000', '02', '03');
  const far = wall('F', '4140,-2000 4140,2000', '01', '02');
  expect(gaps(walls(short, near, far))).toEqual(['Between the end of wall A and wall F is a gap of 40 mm']);
});

it('two ends that face each other leave one gap, however many storeys both stand in', () => {
  const both = walls(wall('A', '0,0 4000,0', '00', '03'), wall('B', '4030,0 8000,0', '01', '03'));
  expect(gaps(both)).toHaveLength(1);
  expect(gaps(both)[0]).toContain('a gap of 30 mm');
});

it('a gap comes and goes with the other wall, in a solver that keeps results', () => {
  const start = walls(wall('A', '0,0 4000,0'), wall('B', '4140,-2000 4140,2000'));
  const id = recordsOf(start, 'wall').find(({ name }) => name === 'B')!.id;
  const solver = new Solver();
  const told = (framework: Framework) =>
    solver.solve(framework).findings.filter(({ rule }) => rule === 'wall.loopGap').length;
  expect(told(start)).toBe(1);
  const closed = step(start, 'elements.move', { ids: [id], xMm: -40, yMm: 0 }).after;
  expect(told(closed)).toBe(0);
  expect(told(step(closed, 'elements.move', { ids: [id], xMm: 45, yMm: 0 }).after)).toBe(1);
  const higher = { wall: 'B', startsAt: { level: '01' }, stopsAt: { level: '02', face: 'soffit' as const } };
  expect(told(step(start, 'walls.change', higher).after)).toBe(0);
  expect(told(start)).toBe(1);
});

/** A rectangle of a wall, and the storeys it stands in. */
interface Drawn {
  id: string;
  name: string;
  alongX: boolean;
  box: [minX: number, minY: number, maxX: number, maxY: number];
  low: number;
  high: number;
}
const apart = (a: Drawn['box'], b: Drawn['box']): number => {
  const x = Math.max(a[0] - b[2], b[0] - a[2], 0);
  const y = Math.max(a[1] - b[3], b[1] - a[3], 0);
  return Math.sqrt(x * x + y * y);
};
const overlap = (a: Drawn['box'], b: Drawn['box']): boolean => a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3];
/** What lies so far before an end of a rectangle. */
function ahead({ alongX, box: [minX, minY, maxX, maxY] }: Drawn, isLast: boolean, byMm: number): Drawn['box'] {
  if (alongX) return isLast ? [maxX, minY, maxX + byMm, maxY] : [minX - byMm, minY, minX, maxY];
  return isLast ? [minX, maxY, maxX, maxY + byMm] : [minX, minY - byMm, maxX, minY];
}
const beginsAfter = (own: Drawn, other: Drawn, isLast: boolean): number => {
  const [low, high] = own.alongX ? [0, 2] : [1, 3];
  return isLast ? other.box[low]! - own.box[high]! : own.box[low]! - other.box[high]!;
};

/** The pairs with a gap, storey by storey and end by end, as the rule says it. */
function pairsOf(drawn: readonly Drawn[]): Set<string> {
  const found = new Set<string>();
  for (const own of drawn)
    for (let storey = own.low; storey < own.high; storey += 1)
      for (const isLast of [false, true]) {
        const beside = drawn.filter(({ id, low, high }) => id !== own.id && low <= storey && storey < high);
        if (beside.some(({ box }) => apart(ahead(own, isLast, 1), box) === 0)) continue;
        const [nearest] = beside
          .filter(({ box }) => overlap(ahead(own, isLast, 50), box))
          .map((other) => ({ other, byMm: beginsAfter(own, other, isLast) }))
          .sort((a, b) => a.byMm - b.byMm || (a.other.id < b.other.id ? -1 : 1));
        if (nearest) found.add([own.name, nearest.other.name].sort().join(' '));
      }
  return found;
}

it('of random walls the same gaps are found as by looking at every end in every storey', () => {
  const random = numbersFrom(1712);
  const upTo = (n: number) => Math.floor(random() * n);
  let told = 0;
  for (let round = 0; round < 60; round += 1) {
    const steps = Array.from({ length: 12 }, (_, i): Step => {
      const [x, y] = [upTo(8) * 500, upTo(8) * 500 + upTo(5) * 10];
      const size = 400 + upTo(5) * 500 - upTo(5) * 10;
      const low = upTo(3);
      const to = random() < 0.5 ? `${x + size},${y}` : `${x},${y + size}`;
      return wall(`W${i}`, `${x},${y} ${to}`, `0${low}`, `0${low + 1 + upTo(3 - low)}`);
    });
    const framework = walls(...steps);
    const drawn = recordsOf(framework, 'wall').map(({ id, name }): Drawn => {
      const { points, startsAt, stopsAt } = steps.find(
        ([, input]) => (input as { name: string }).name === name,
      )![1] as {
        points: { xMm: number; yMm: number }[];
        startsAt: { level: string };
        stopsAt: { level: string };
      };
      const [from, to] = [points[0]!, points[1]!];
      const alongX = from.yMm === to.yMm;
      const box: Drawn['box'] = alongX
        ? [from.xMm, from.yMm - 100, to.xMm, from.yMm + 100]
        : [from.xMm - 100, from.yMm, from.xMm + 100, to.yMm];
      return { id, name, alongX, box, low: Number(startsAt.level), high: Number(stopsAt.level) };
    });
    const expected = pairsOf(drawn);
    const said = gaps(framework).map((message) => /end of wall (W\d+) and wall (W\d+) is/.exec(message)!);
    expect([round, ...said.map(([, a, b]) => [a, b].sort().join(' ')).sort()]).toEqual([
      round,
      ...[...expected].sort(),
    ]);
    told += said.length;
  }
  expect(told).toBeGreaterThan(20);
});
