import polygonClipping, { type MultiPolygon, type Pair, type Polygon } from 'polygon-clipping';
import type { Step } from '../commands/command-inputs';
import { sectionRing } from '../columns/section-shape';
import { counterClockwise, ringArea, type Ring } from '../geometry/polygon';
import { numbersFrom } from '../testing/random-commands';
import { given } from '../testing/given';
import { layers } from '../testing/rich';
import { IS_SOAK, SOAK_MS } from '../testing/soak';
import { solve } from '../solving/solve';
import type { Solved } from '../solving/solved';

const STOREYS = IS_SOAK ? 1500 : 300;
const [WIDE_MM, DEEP_MM] = [18_000, 12_000];

/** A storey of a closed outside wall with random walls, columns, shafts, beams, ceilings and foundations in it. */
function furnished(seed: number): Step[] {
  const random = numbersFrom(seed);
  const between = (low: number, high: number, by: number) => low + Math.floor((random() * (high - low)) / by) * by;
  const corner = () => ({ xMm: between(600, WIDE_MM - 600, 300), yMm: between(600, DEEP_MM - 600, 300) });
  const list = <T>(most: number, make: (i: number) => T): T[] =>
    Array.from({ length: Math.floor(random() * (most + 1)) }, (_, i) => make(i));
  const storey = { startsAt: { level: '00' }, stopsAt: { level: 'RF' } } as const;
  const size = () => between(200, 900, 50);
  const at = () => {
    const { xMm, yMm } = corner();
    return `${xMm},${yMm}`;
  };
  const walls = list(5, (i): Step => {
    const from = corner();
    const to = random() < 0.7 ? { ...corner(), xMm: from.xMm } : corner();
    const points = Math.hypot(to.xMm - from.xMm, to.yMm - from.yMm) < 900 ? [from, { xMm: 900, yMm: 0 }] : [from, to];
    return ['walls.add', { name: `I${i}`, type: { name: 'Thin', layers: layers(120) }, points, ...storey }];
  });
  const columns = list(6, (i): Step => {
    const section =
      random() < 0.4
        ? { shape: 'circle' as const, diameterMm: size() }
        : { shape: 'rectangle' as const, widthMm: size(), depthMm: size() };
    return ['columns.place', { name: `C${i}`, place: at(), section, turnDeg: between(0, 90, 15), ...storey }];
  });
  return [
    ['buildings.add', { name: 'House' }],
    ['levels.setUp', { above: '3300' }],
    ['floors.add', { name: 'Plate', outline: { type: 'rectangle', widthMm: WIDE_MM, depthMm: DEEP_MM } }],
    [
      'walls.add',
      {
        name: 'Out',
        use: 'exterior',
        type: { name: 'Thick', layers: layers(300) },
        points: [
          { xMm: 0, yMm: 0 },
          { xMm: WIDE_MM, yMm: 0 },
          { xMm: WIDE_MM, yMm: DEEP_MM },
          { xMm: 0, yMm: DEEP_MM },
        ],
        closed: true,
        on: 'outside',
        startsAt: { level: '00' },
        stopsAt: { level: 'RF' },
      },
    ],
    ...walls,
    ...columns,
    ...list(3, (i): Step => [
      'shafts.add',
      {
        name: `S${i}`,
        purpose: 'supply',
        outline: { type: 'rectangle', place: at(), widthMm: between(600, 2400, 300), depthMm: between(600, 2400, 300) },
      },
    ]),
    ...list(2, (): Step => [
      'ceilings.add',
      { outline: rectangle(at(), between(2000, 6000, 500)), heightMm: 2500 },
    ]).slice(0, 1),
    ...(columns.length > 0 ? [['foundations.add', { form: 'pads', widthMm: 1500, depthMm: 1500 }] as Step] : []),
    ['foundations.add', { form: 'strips', widthMm: 700 }],
  ];
}
const rectangle = (place: string, widthMm: number) => ({ type: 'rectangle' as const, place, widthMm, depthMm: 3000 });

interface Prism {
  polygon: MultiPolygon;
  bottomMm: number;
  topMm: number;
}
const polygonOf = (outer: Ring, holes: readonly Ring[] = []): Polygon =>
  [outer, ...holes].map((ring) => {
    const pairs = ring.map(({ x, y }): Pair => [x, y]);
    return [...pairs, pairs[0]!];
  });
const profileOf = (solved: Solved, profile: string): MultiPolygon =>
  solved.profiles[profile]!.regions.map(({ outer, holes }) => polygonOf(outer, holes));

/** All solids of a storey, each by itself. */
const prismsOf = (solved: Solved): Prism[] => [
  ...solved.columns.map(({ section, at, turnDeg, bottomMm, topMm }) => ({
    polygon: [polygonOf(counterClockwise(sectionRing(section, at, turnDeg)))],
    bottomMm,
    topMm,
  })),
  ...solved.walls.flatMap(({ slices }) =>
    slices.map(({ profile, ...heights }) => ({ polygon: profileOf(solved, profile), ...heights })),
  ),
  ...solved.floors.map(({ profile, topMm, thicknessMm }) => ({
    polygon: profileOf(solved, profile),
    bottomMm: topMm - thicknessMm,
    topMm,
  })),
  ...[...solved.foundations, ...solved.ceilings, ...solved.bodies].map(({ profile, bottomMm, topMm }) => ({
    polygon: profileOf(solved, profile),
    bottomMm,
    topMm,
  })),
];

const areaOf = (polygons: MultiPolygon): number =>
  polygons.reduce((total, [outer, ...holes]) => {
    const area = (ring: readonly Pair[]) => Math.abs(ringArea(ring.slice(0, -1).map(([x, y]) => ({ x, y }))));
    return total + area(outer!) - holes.reduce((sum, hole) => sum + area(hole), 0);
  }, 0);

/** The volume of all of it together, height by height, by another polygon library. */
function unionVolume(prisms: readonly Prism[]): number {
  const heights = [...new Set(prisms.flatMap(({ bottomMm, topMm }) => [bottomMm, topMm]))].sort((a, b) => a - b);
  return heights.slice(1).reduce((sum, high, i) => {
    const low = heights[i]!;
    const [first, ...rest] = prisms
      .filter((each) => each.bottomMm <= low && each.topMm >= high)
      .map((each) => each.polygon);
    return first && high - low > 1e-3 ? sum + areaOf(polygonClipping.union(first, ...rest)) * (high - low) : sum;
  }, 0);
}

it(
  `of ${STOREYS} random storeys the pieces own together what their solids take together, by another library`,
  () => {
    let contested = 0;
    for (let seed = 1; seed <= STOREYS; seed += 1) {
      const solved = solve(given(furnished(seed)));
      const pieces = [
        ...solved.columns,
        ...solved.walls,
        ...solved.floors,
        ...solved.foundations,
        ...solved.ceilings,
        ...solved.bodies,
      ];
      const prisms = prismsOf(solved);
      const own = pieces.reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0);
      const each = prisms.reduce((sum, { polygon, bottomMm, topMm }) => sum + areaOf(polygon) * (topMm - bottomMm), 0);
      if (each - own > own * 1e-4) contested += 1;
      expect([seed, Math.abs(own / unionVolume(prisms) - 1) < 1e-4]).toEqual([seed, true]);
      // A wall that lies all within others is found.
      const within = new Set(solved.findings.flatMap(({ rule, about }) => (rule === 'wall.within' ? about : [])));
      const wrong = pieces.filter(({ volumeMm3, grossMm3 }) => !(volumeMm3 >= 0 && grossMm3 > 0));
      expect(wrong.filter((piece) => !('wall' in piece && within.has(piece.wall)))).toEqual([]);
    }
    // Most of them have something that two want.
    expect(contested).toBeGreaterThan(STOREYS / 2);
  },
  SOAK_MS,
);

it(
  'rooms, walls, columns and shafts of a storey are together its plate',
  () => {
    for (let seed = 1; seed <= STOREYS; seed += 3) {
      const solved = solve(given(furnished(seed)));
      const level = solved.levels.find(({ name }) => name === '00')!.id;
      const rooms = solved.rooms.filter((room) => room.level === level);
      const standing: MultiPolygon[] = [
        ...solved.walls
          .filter((wall) => wall.level === level)
          .flatMap(({ strips }) => strips.map((ring) => [polygonOf(ring)])),
        ...solved.columns
          .filter((column) => column.level === level)
          .map(({ section, at, turnDeg }) => [polygonOf(sectionRing(section, at, turnDeg))]),
        ...solved.shafts.map(({ ring }) => [polygonOf(ring)]),
      ];
      const plate: MultiPolygon = [polygonOf(solved.floors.find((floor) => floor.level === level)!.outline)];
      const taken = polygonClipping.intersection(plate, polygonClipping.union(standing[0]!, ...standing.slice(1)));
      // Gaps between walls too small for a room are left by both.
      const left = polygonClipping.difference(plate, taken);
      const sum = rooms.reduce((total, { netMm2 }) => total + netMm2, 0);
      const free = areaOf(left);
      const gaps = free - sum;
      expect([seed, gaps > -1000 && gaps < Math.max(1000, 250_000 * left.length)]).toEqual([seed, true]);
      expect(rooms.every(({ netMm2 }) => netMm2 >= 0)).toBe(true);
    }
  },
  SOAK_MS,
);
