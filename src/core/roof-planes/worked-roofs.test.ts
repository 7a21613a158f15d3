import type { Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { Band } from './edges';
import { pitchedRoof, type PitchedRoof } from './pitched';
import type { LineKind } from './skeleton';

/** Run per rise of a slope in degrees; an upright edge is null. */
const run = (deg: number | null): number => (deg === null ? 0 : 1 / Math.tan((deg * Math.PI) / 180));
const rectangle = (w: number, h: number, x = 0, y = 0): Point[] => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
];
const bands = (...all: readonly [number | null, number?][]): Band[] =>
  all.map(([deg, fromMm = 0]) => ({ fromMm, runPerRise: run(deg) }));
function roofOf(rings: readonly Ring[], slopes: readonly (number | null | Band[])[], startMm = 0): PitchedRoof {
  const of = (edge: number): Band[] => {
    const slope = slopes[edge] ?? (slopes[edge] === null ? null : slopes[0]!);
    return Array.isArray(slope) ? slope : [{ fromMm: startMm, runPerRise: run(slope as number | null) }];
  };
  const made = pitchedRoof(rings, of, startMm);
  if (!made.ok) throw new Error(made.message);
  return made.roof;
}
const highest = ({ faces }: PitchedRoof) => Math.max(...faces.flatMap(({ points }) => points.map(({ z }) => z)));
const planOf = ({ faces }: PitchedRoof, edge: number) =>
  faces.filter((face) => face.edge === edge).reduce((sum, face) => sum + face.planAreaMm2, 0) / 1e6;
const lengthOf = ({ lines }: PitchedRoof, is: LineKind) =>
  lines
    .filter((line) => line.is === is)
    .reduce(
      (sum, { from, to }) => sum + Math.sqrt((from.x - to.x) ** 2 + (from.y - to.y) ** 2 + (from.z - to.z) ** 2),
      0,
    ) / 1000;

describe('roofs worked out by hand', () => {
  it('a hip of 10 by 6 at 45°: ridge of 4 at 3, four hips of 3 √3', () => {
    const roof = roofOf([rectangle(10_000, 6000)], [45]);
    expect(highest(roof)).toBeCloseTo(3000, 6);
    expect([0, 1, 2, 3].map((edge) => planOf(roof, edge))).toEqual([21, 9, 21, 9].map((m2) => expect.closeTo(m2, 6)));
    expect(lengthOf(roof, 'ridge')).toBeCloseTo(4, 6);
    expect(lengthOf(roof, 'hip')).toBeCloseTo(4 * 3 * Math.sqrt(3), 6);
    expect(lengthOf(roof, 'eaves')).toBeCloseTo(32, 6);
    expect(roof.upright).toEqual([]);
  });

  it('a saddle, a gable at one end, a mono-pitch and a butterfly by their edges alone', () => {
    const saddle = roofOf([rectangle(10_000, 6000)], [40, null, 40, null]);
    expect(highest(saddle)).toBeCloseTo(3000 * Math.tan((40 * Math.PI) / 180), 6);
    expect(saddle.upright.map(({ areaMm2 }) => areaMm2 / 1e6)).toEqual(
      [1, 1].map(() => expect.closeTo((3 * highest(saddle)) / 1000, 6)),
    );
    expect(lengthOf(saddle, 'ridge')).toBeCloseTo(10, 6);
    const one = roofOf([rectangle(10_000, 6000)], [45, null, 45, 45]);
    expect(lengthOf(one, 'ridge')).toBeCloseTo(7, 6);
    expect(lengthOf(one, 'hip')).toBeCloseTo(2 * 3 * Math.sqrt(3), 6);
    const mono = roofOf([rectangle(10_000, 6000)], [20, null, null, null]);
    expect(mono.faces).toHaveLength(1);
    expect(highest(mono)).toBeCloseTo(6000 * Math.tan((20 * Math.PI) / 180), 6);
    // Two outlines that slope away from the line between them make a butterfly.
    const wing = roofOf([rectangle(5000, 6000)], [null, 10, null, null]);
    expect(wing.faces[0]!.points.filter(({ z }) => z < 1)).toHaveLength(2);
  });

  it('a pyramid of 6 by 6 at 50°: four faces that meet at one place', () => {
    const roof = roofOf([rectangle(6000, 6000)], [50]);
    expect(highest(roof)).toBeCloseTo(3000 * Math.tan((50 * Math.PI) / 180), 6);
    expect(roof.faces.map(({ points }) => points.length)).toEqual([3, 3, 3, 3]);
    expect(lengthOf(roof, 'ridge')).toBe(0);
  });

  it('an L of 10 by 9, wings 4 wide, at 45°: ridges of 6 and 5 at 2, one valley of 2 √3', () => {
    const l = [...rectangle(10_000, 4000).slice(0, 3), { x: 4000, y: 4000 }, { x: 4000, y: 9000 }, { x: 0, y: 9000 }];
    const roof = roofOf([l], [45]);
    expect(highest(roof)).toBeCloseTo(2000, 6);
    expect(lengthOf(roof, 'ridge')).toBeCloseTo(6 + 5, 6);
    expect(lengthOf(roof, 'valley')).toBeCloseTo(2 * Math.sqrt(3), 6);
    expect(lengthOf(roof, 'hip')).toBeCloseTo(5 * 2 * Math.sqrt(3), 6);
  });

  it('a T, its stem narrower than its bar: two valleys, and the stem’s ridge under the bar’s', () => {
    // The bar is 12 by 6, the stem 4 wide and 5 long under it: ridges at 3 and at 2.
    const t = [
      { x: 4000, y: -5000 },
      { x: 8000, y: -5000 },
      { x: 8000, y: 0 },
      { x: 12_000, y: 0 },
      { x: 12_000, y: 6000 },
      { x: 0, y: 6000 },
      { x: 0, y: 0 },
      { x: 4000, y: 0 },
    ];
    const roof = roofOf([t], [45]);
    const ridges = roof.lines.filter(({ is }) => is === 'ridge').map(({ from }) => from.z);
    expect(ridges).toEqual(expect.arrayContaining([expect.closeTo(2000, 6), expect.closeTo(3000, 6)]));
    // The stem's ridge from its hips, 2 in, to where its valleys meet, 2 beyond the bar's eaves.
    expect(lengthOf(roof, 'ridge')).toBeCloseTo(6 + 5, 6);
    expect(lengthOf(roof, 'valley')).toBeCloseTo(2 * 2 * Math.sqrt(3), 6);
  });

  it('a U, and a courtyard: ridges all round at half the width of the wings', () => {
    const u = [
      { x: 0, y: 0 },
      { x: 14_000, y: 0 },
      { x: 14_000, y: 10_000 },
      { x: 10_000, y: 10_000 },
      { x: 10_000, y: 4000 },
      { x: 4000, y: 4000 },
      { x: 4000, y: 10_000 },
      { x: 0, y: 10_000 },
    ];
    const roof = roofOf([u], [45]);
    expect(highest(roof)).toBeCloseTo(2000, 6);
    expect(lengthOf(roof, 'ridge')).toBeCloseTo(10 + 6 + 6, 6);
    expect(lengthOf(roof, 'valley')).toBeCloseTo(2 * 2 * Math.sqrt(3), 6);
    const court = roofOf([rectangle(12_000, 12_000), rectangle(4000, 4000, 4000, 4000)], [30]);
    expect(highest(court)).toBeCloseTo(2000 * Math.tan((30 * Math.PI) / 180), 6);
    expect(lengthOf(court, 'ridge')).toBeCloseTo(4 * 8, 6);
    expect(court.faces).toHaveLength(8);
  });

  it('mixed slopes of 30° and 60°: the ridge lies three parts in four from the gentle side', () => {
    const roof = roofOf([rectangle(10_000, 8000)], [30, null, 60, null]);
    // z = y tan 30 = (8 - y) tan 60: y = 6.
    expect(highest(roof)).toBeCloseTo(6000 * Math.tan((30 * Math.PI) / 180), 6);
    expect(planOf(roof, 0)).toBeCloseTo(60, 6);
    expect(planOf(roof, 2)).toBeCloseTo(20, 6);
  });

  it('a half-hip: a gable up to 2 m, sloping back from there', () => {
    const half = bands([null], [45, 2000]);
    const roof = roofOf([rectangle(10_000, 6000)], [45, half, 45, half]);
    // The ridge at 3 m begins 1 m in; the gable is a trapezium, 6 wide at its foot and 2 at 2 m.
    expect(lengthOf(roof, 'ridge')).toBeCloseTo(8, 6);
    expect(roof.upright.map(({ areaMm2 }) => areaMm2 / 1e6)).toEqual([1, 1].map(() => expect.closeTo(8, 6)));
    expect(planOf(roof, 1)).toBeCloseTo(1, 6);
  });

  it('a mansard: 70° up to 2.4 m, 30° from there', () => {
    const two = bands([70], [30, 2400]);
    const roof = roofOf([rectangle(9000, 9000)], [two, two, two, two]);
    const in1 = 2400 / Math.tan((70 * Math.PI) / 180);
    expect(highest(roof)).toBeCloseTo(2400 + (4500 - in1) * Math.tan((30 * Math.PI) / 180), 5);
    expect(roof.faces.map(({ band }) => band)).toEqual([0, 1, 0, 1, 0, 1, 0, 1]);
    expect(lengthOf(roof, 'break')).toBeCloseTo((4 * (9000 - 2 * in1)) / 1000, 5);
  });

  it('an edge against a higher wall is upright like a gable, and eaves may lie at any height', () => {
    const roof = roofOf([rectangle(8000, 5000)], [25, 25, null, 25], 3150);
    expect(highest(roof)).toBeCloseTo(3150 + 4000 * Math.tan((25 * Math.PI) / 180), 4);
    expect(Math.min(...roof.faces.flatMap(({ points }) => points.map(({ z }) => z)))).toBeCloseTo(3150, 6);
  });

  it('two edges in one line that rise otherwise have an upright step between', () => {
    const ring = [
      { x: 0, y: 0 },
      { x: 5000, y: 0 },
      { x: 10_000, y: 0 },
      { x: 10_000, y: 6000 },
      { x: 0, y: 6000 },
    ];
    const roof = roofOf([ring], [30, 45, null, null, null]);
    expect(planOf(roof, 0)).toBeCloseTo(30, 5);
    expect(planOf(roof, 1)).toBeCloseTo(30, 5);
    const step = roof.upright.find(({ edge }) => edge === null)!;
    expect(step.areaMm2 / 1e6).toBeCloseTo((6 * 6 * (1 - Math.tan(Math.PI / 6))) / 2, 5);
  });

  it('what cannot be is refused in words', () => {
    const refusal = (rings: readonly Ring[], slopes: readonly (number | null)[]) => {
      const made = pitchedRoof(rings, (edge) => [{ fromMm: 0, runPerRise: run(slopes[edge] ?? null) }], 0);
      return made.ok ? '' : made.message;
    };
    expect(refusal([rectangle(5000, 5000)], [null])).toMatch(/^No edge of the roof slopes/);
    const bow = [
      rectangle(5000, 5000)[0]!,
      rectangle(5000, 5000)[2]!,
      rectangle(5000, 5000)[1]!,
      rectangle(5000, 5000)[3]!,
    ];
    expect(refusal([bow], [45, 45, 45, 45])).toMatch(/crosses or touches itself/);
    expect(refusal([rectangle(5000, 5000), rectangle(1000, 1000, 9000, 0)], Array<number>(8).fill(40))).toMatch(
      /outside/,
    );
    expect(refusal([rectangle(5000, 5000), rectangle(1000, 1000, 0, 0)], Array<number>(8).fill(40))).toMatch(
      /touches itself/,
    );
    expect(refusal([rectangle(5000, 5000).slice(0, 2)], [40, 40])).toMatch(/three corners/);
    const round = Array.from({ length: 601 }, (_, i) => ({ x: i * 10, y: i * i }));
    expect(refusal([round], [40])).toMatch(/has 601 corners; a roof has 600 at most/);
  });
});
