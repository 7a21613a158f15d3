import type { Step } from '../commands/command-inputs';
import fc from 'fast-check';
import { EMPTY_FRAMEWORK } from '../model/framework';
import { derivedCommandId } from '../model/ids';
import { plan } from '../commands/commands';
import { TIDEWATER_YARD } from '@/demo/tidewater-yard';
import { contains, type Ring } from '../geometry/polygon';
import { between } from '../buildings/between-buildings';
import { reachOfSlants } from '../slants/slant';
import { solve } from '../solving/solve';
import type { Solved } from '../solving/solved';
import { FURNISHED, given } from '../testing/given';
import { sectionRing } from '../columns/section-shape';
import { numbersFrom } from '../testing/random-commands';
import type { ViewKind } from '../kinds/view-kinds';
import { drawSection } from './draw-section';
import { isShown } from './shown-kinds';
import { withoutHidden, type Area } from './hidden';
import { alongOf, depthOf, elevationPlane, frameOf, type Frame } from './section-plane';

const box = (x: number, y: number, w: number, h: number): Ring => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
];
const area = (id: string, ring: Ring, depthMm: number): Area => ({
  type: 'area',
  style: 'wallSeen',
  id,
  rings: [ring],
  depthMm,
});

describe('what is hidden', () => {
  it('is left out: at every place one sees what is nearest, and nothing twice', () => {
    const one = fc.record({
      x: fc.integer({ min: 0, max: 20 }),
      y: fc.integer({ min: 0, max: 20 }),
      w: fc.integer({ min: 1, max: 12 }),
      h: fc.integer({ min: 1, max: 12 }),
      depth: fc.integer({ min: 0, max: 30 }),
    });
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 30 }), (list) => {
        const all = list.map(({ x, y, w, h, depth }, i) =>
          area(String(i), box(x * 400, y * 400, w * 400, h * 400), depth),
        );
        const seen = withoutHidden(all) as Area[];
        for (let x = 200; x < 12_800; x += 800)
          for (let y = 200; y < 12_800; y += 800) {
            const at = { x, y };
            const over = all.filter(({ rings }) => contains(rings[0]!, at));
            const nearest = over.reduce<Area | null>(
              (best, each) => (!best || each.depthMm! <= best.depthMm! ? each : best),
              null,
            );
            const drawn = seen.filter(
              ({ rings }) => contains(rings[0]!, at) && !rings.slice(1).some((hole) => contains(hole, at)),
            );
            expect(drawn.map(({ id }) => id)).toEqual(nearest ? [nearest.id] : []);
          }
        for (const each of seen) expect(each).not.toHaveProperty('depthMm');
      }),
      { numRuns: 60 },
    );
  });

  it('lies free again behind what is not shown, and hiding moves nothing', () => {
    const tower = given([
      ...FURNISHED,
      [
        'walls.add',
        {
          name: 'W1',
          type: { name: 'T', layers: [{ name: 'brick', thicknessMm: 300, core: true }] },
          place: '0,-2000',
          points: [
            { xMm: 0, yMm: 0 },
            { xMm: 25_000, yMm: 0 },
          ],
          startsAt: { level: '00' },
          stopsAt: { level: '01' },
        },
      ],
    ]);
    const solved = solve(tower);
    const building = solved.buildings[0]!.id;
    const look = (...kinds: ViewKind[]) =>
      drawSection(solved, {
        building,
        plane: elevationPlane(solved, building, 'south')!,
        scale: 100,
        writeLength: String,
        writeElevation: String,
        shows: { key: kinds.join(), is: isShown(tower, new Set(kinds)) },
      });
    const columns = (drawing: ReturnType<typeof look>) =>
      drawing.primitives.filter(({ style }) => style === 'columnSeen').length;
    const [whole, open] = [look(), look('walls')];
    // Of five columns of the ground floor the outer two are seen beside the wall.
    expect(columns(open)).toBe(columns(whole) + 3);
    expect(open.box).toEqual(whole.box);
    // What was worked out for one choice is not taken for another.
    expect(columns(look())).toBe(columns(whole));
  });

  it('is thin behind glass, and as it is beside it', () => {
    const house = given([
      ['buildings.add', { name: 'House' }],
      ['levels.setUp', { above: '3m' }],
      [
        'floors.add',
        { outline: { type: 'rectangle', place: '0,0', widthMm: 8000, depthMm: 6000 }, levels: { at: ['00'] } },
      ],
      [
        'walls.add',
        {
          name: 'Glass',
          use: 'glazed',
          type: { name: 'Glass 120', layers: [{ name: 'glass', thicknessMm: 120, core: true }] },
          points: [
            { xMm: 0, yMm: 0 },
            { xMm: 4000, yMm: 0 },
          ],
          startsAt: { level: '00' },
          stopsAt: { level: 'RF' },
        },
      ],
      ...[2100, 6000].map((xMm): Step => [
        'columns.place',
        { place: `${xMm},3000`, section: { shape: 'rectangle', widthMm: 400, depthMm: 400 } },
      ]),
    ]);
    const solved = solve(house);
    const building = solved.buildings[0]!.id;
    const { primitives } = drawSection(solved, {
      building,
      plane: elevationPlane(solved, building, 'south')!,
      scale: 100,
      writeLength: String,
      writeElevation: String,
    });
    const areas = (style: string) =>
      primitives.flatMap((each) => (each.type === 'area' && each.style === style ? [each] : []));
    expect(areas('columnSeen').map(({ rings }) => Math.round(Math.min(...rings[0]!.map(({ x }) => x))))).toEqual([
      // An elevation begins a metre beside the building.
      6800,
    ]);
    const behind = areas('throughGlass').filter(
      ({ id }) => id === solved.columns[0]!.stack || id === solved.columns[1]!.stack,
    );
    expect(behind.map(({ rings }) => Math.round(Math.min(...rings[0]!.map(({ x }) => x))))).toEqual([2900]);
    // Panels with members at their ends and between them.
    expect(areas('glassSeen')).toHaveLength(3);
    expect(areas('wallSeen')).toHaveLength(4);
  });

  it('is thin behind a window, as it is behind a hole, and not there behind a door', () => {
    const house = given([
      ['buildings.add', { name: 'House' }],
      ['levels.setUp', { above: '3m', buildUpMm: 0 }],
      [
        'floors.add',
        { outline: { type: 'rectangle', place: '0,0', widthMm: 12_000, depthMm: 6000 }, levels: { at: ['00'] } },
      ],
      [
        'walls.add',
        {
          name: 'Front',
          use: 'exterior',
          type: { name: 'Block 200', layers: [{ name: 'block', thicknessMm: 200, core: true }] },
          points: [
            { xMm: 0, yMm: 0 },
            { xMm: 12_000, yMm: 0 },
          ],
          startsAt: { level: '00' },
          stopsAt: { level: 'RF' },
        },
      ],
      ...(['window', 'plain', 'door'] as const).map((opening, i): Step => [
        'walls.addOpening',
        { wall: 'Front', opening, alongMm: 1500 + i * 4000, widthMm: 1000, heightMm: 1200, sillMm: 900 },
      ]),
      ...[2000, 6000, 10_000].map((xMm): Step => [
        'columns.place',
        { place: `${xMm},3000`, section: { shape: 'rectangle', widthMm: 400, depthMm: 400 } },
      ]),
    ]);
    const solved = solve(house);
    const building = solved.buildings[0]!.id;
    const { primitives } = drawSection(solved, {
      building,
      plane: elevationPlane(solved, building, 'south')!,
      scale: 100,
      writeLength: String,
      writeElevation: String,
    });
    const stacks = new Set(solved.columns.map(({ stack }) => stack));
    const seen = primitives.flatMap((each) =>
      each.type === 'area' && each.id !== null && stacks.has(each.id)
        ? [[each.style, Math.round(Math.min(...each.rings[0]!.map(({ x }) => x))), heightOf(each.rings[0]!)]]
        : [],
    );
    // An elevation begins a metre beside the building; as high as the openings are.
    expect(seen.sort()).toEqual([
      ['columnSeen', 6800, 1200],
      ['throughGlass', 2800, 1200],
    ]);
  });

  it('is so in elevations: rays from 20,000 places meet first what is drawn there', () => {
    const demo = TIDEWATER_YARD.reduce((now, { command, input }, i) => {
      const planned = plan(now, command, input, derivedCommandId('demo', String(i)));
      if (!planned.ok) throw new Error(planned.refusal.message);
      return planned.value.after;
    }, EMPTY_FRAMEWORK);
    for (const [framework, count] of [
      [given(FURNISHED), 8000],
      [demo, 12_000],
    ] as const) {
      const solved = solve(framework);
      const [own] = solved.buildings;
      let [looked, agreed, behindGlass] = [0, 0, 0];
      for (const side of ['south', 'east', 'north', 'west'] as const) {
        const plane = elevationPlane(solved, own!.id, side)!;
        const frame = frameOf(plane)!;
        const solids = solidsOf(solved, own!.id, framework, frame);
        const others = othersOf(solved, own!.id, framework);
        const drawn = drawSection(solved, {
          building: own!.id,
          plane,
          scale: 100,
          writeLength: String,
          writeElevation: String,
        }).primitives.flatMap((each) => (each.type === 'area' ? [each] : []));
        const random = numbersFrom(side.length * 7 + count);
        const [low, high] = [
          Math.min(...solids.map(({ bottomMm }) => bottomMm)),
          Math.max(...solids.map(({ topMm }) => topMm)),
        ];
        const xs = solids.flatMap(({ ring }) => ring.map((point) => alongOf(frame, point)));
        for (let n = 0; n < count / 4; n += 1) {
          const at = {
            x: Math.min(...rangeOf(xs)) + random() * (Math.max(...rangeOf(xs)) - Math.min(...rangeOf(xs))),
            y: low + random() * (high - low),
          };
          const met = solids
            .filter(({ bottomMm, topMm }) => bottomMm < at.y && topMm > at.y)
            .flatMap((solid) => entered(frame, solid.ring, at.x).map((depth) => ({ solid, id: solid.id, depth })))
            .sort((p, q) => p.depth - q.depth);
          // A ray goes on through windows, and what it meets behind one is thin; it goes on through holes.
          const open = met.map(({ solid }) => solid.openAt(at));
          const solidAt = open.findIndex((each) => each === null);
          const hits = solidAt < 0 ? [] : met.slice(solidAt).filter((_, i) => open[solidAt + i] === null);
          const isThin = open.slice(0, solidAt < 0 ? undefined : solidAt).includes('glass');
          if (isThin) behindGlass += 1;
          const nearest = hits[0];
          const styles = isThin ? THIN : PLAIN;
          const here = drawn.filter(
            ({ style, rings }) =>
              styles.includes(style) && contains(rings[0]!, at) && !rings.slice(1).some((hole) => contains(hole, at)),
          );
          // What stands before them all is another kind's: it is drawn, and none of these.
          const other = others
            .filter(({ bottomMm, topMm }) => bottomMm < at.y && topMm > at.y)
            .flatMap(({ ring }) => entered(frame, ring, at.x));
          if (nearest && other.some((depth) => depth < nearest.depth + 350)) continue;
          if (!nearest && here.length === 0) continue;
          looked += 1;
          // Two that begin at one depth may be told for one another.
          const first = hits.filter(({ depth }) => nearest && depth < nearest.depth + 350).map(({ id }) => id);
          if (here.some(({ id }) => first.includes(id!))) agreed += 1;
        }
      }
      expect(looked).toBeGreaterThan(1000);
      expect(agreed / looked).toBeGreaterThan(framework === demo ? 0.99 : 0.9999);
      if (framework === demo) expect(behindGlass).toBeGreaterThan(200);
    }
  }, 120_000);
});

const heightOf = (ring: Ring): number =>
  Math.round(Math.max(...ring.map(({ y }) => y)) - Math.min(...ring.map(({ y }) => y)));

const PLAIN: readonly string[] = ['wallSeen', 'glassSeen', 'slabSeen', 'columnSeen'];
const THIN: readonly string[] = ['throughGlass', 'lineThroughGlass', 'glassSeen'];

const rangeOf = (xs: readonly number[]) => [Math.min(...xs), Math.max(...xs)];

/** Walls, slabs and columns of all buildings, in the axes of one: outlines with heights. */
function solidsOf(solved: Solved, own: string, framework: Parameters<typeof between>[0], frame: Frame) {
  type Openings = Solved['walls'][number]['openings'];
  const placed = (
    building: string,
    ring: Ring,
    bottomMm: number,
    topMm: number,
    id: string,
    openings: Openings = [],
  ) => {
    const { move, liftMm } = between(framework, building, own);
    const through = openings.map((each) => {
      const xs = each.ring.map((point) => alongOf(frame, move(point))).sort((p, q) => p - q);
      return { is: each.opening === 'window' ? 'glass' : 'hole', from: xs[1]!, to: xs.at(-2)!, each };
    });
    /** What a ray passes there: glass, a hole, or nothing, for it is solid. */
    const openAt = ({ x, y }: { x: number; y: number }) =>
      through.find(({ from, to, each }) => x > from && x < to && y > each.bottomMm + liftMm && y < each.topMm + liftMm)
        ?.is ?? null;
    return { id, ring: ring.map(move), bottomMm: bottomMm + liftMm, topMm: topMm + liftMm, openAt };
  };
  return [
    ...solved.floors.map(({ building, plate, outline, topMm, thicknessMm }) =>
      placed(building, outline, topMm - thicknessMm, topMm, plate),
    ),
    ...solved.walls.flatMap(({ building, wall, strips, bottomMm, topMm, use, openings }) =>
      strips.map((strip) => {
        const open = openings.filter(
          ({ opening, ends: [a, b] }) =>
            use !== 'glazed' && opening !== 'door' && contains(strip, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }),
        );
        return placed(building, strip, bottomMm, topMm, wall, open);
      }),
    ),
    ...solved.columns.map(({ building, stack, section, at, turnDeg, bottomMm, topMm }) =>
      placed(building, sectionRing(section, at, turnDeg), bottomMm, topMm, stack),
    ),
  ];
}

/** What else is seen: pieces that lean, of stairs, bodies, foundations and heads of columns, by the boxes about their heights. */
function othersOf(solved: Solved, own: string, framework: Parameters<typeof between>[0]) {
  const placed = (building: string, ring: Ring, bottomMm: number, topMm: number) => {
    const { move, liftMm } = between(framework, building, own);
    return { ring: ring.map(move), bottomMm: bottomMm + liftMm, topMm: topMm + liftMm };
  };
  return [
    ...solved.assemblies.flatMap(({ building, parts }) =>
      parts.flatMap(({ slants }) =>
        slants.map((slant) => placed(building, slant, reachOfSlants([slant]).bottomMm, reachOfSlants([slant]).topMm)),
      ),
    ),
    ...solved.foundations.flatMap(({ building, profile, bottomMm, topMm }) =>
      solved.profiles[profile]!.regions.map(({ outer }) => placed(building, outer, bottomMm, topMm)),
    ),
    ...solved.bodies.map(({ building, ring, bottomMm, topMm }) => placed(building, ring, bottomMm, topMm)),
    ...solved.blocks.map(({ building, at, turnDeg, widthMm, depthMm, bottomMm, topMm }) =>
      placed(building, sectionRing({ shape: 'rectangle', widthMm, depthMm }, at, turnDeg), bottomMm, topMm),
    ),
    ...solved.stairs.map(({ building, ring, storeys }) =>
      placed(
        building,
        ring,
        Math.min(...storeys.map(({ bottomMm }) => bottomMm)),
        Math.max(...storeys.map(({ bottomMm, heightMm }) => bottomMm + heightMm)),
      ),
    ),
  ];
}

/** How far behind the plane a ray square to it enters a ring; nothing where it passes it. */
function entered(frame: Frame, ring: Ring, x: number): number[] {
  const depths = ring.flatMap((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    const [p, q] = [alongOf(frame, a), alongOf(frame, b)];
    if (p > x === q > x) return [];
    return [depthOf(frame, a) + ((depthOf(frame, b) - depthOf(frame, a)) * (x - p)) / (q - p)];
  });
  return depths.length === 0 ? [] : [Math.min(...depths)];
}
