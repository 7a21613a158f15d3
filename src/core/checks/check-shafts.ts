import { intersection } from '../geometry/boolean';
import { distance, lengthOf, minus, plus, times, type Point } from '../geometry/point';
import { bounds, boundsOf, contains, type Box, type Ring } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../passes/plan-facts';
import type { SolvedShaft } from '../solving/solved';
import type { WallPiece } from '../walls/solved-wall';
import { finding, type Finding } from './finding';
import { leastMove, moveFix } from './least-move';

/** Shares under this are touching and not overlapping, mm². */
const TOUCH_MM2 = 1000;
/** A wall this near to an edge of a shaft closes it, mm. */
const BESIDE_MM = 400;
/** An edge is looked at this often, mm. */
const EVERY_MM = 300;

/** What two rings share, kept from solve to solve. */
export type SharedArea = (a: Ring, b: Ring) => number;

/** A wall that may meet a shaft in plan, between two heights. */
export type WallBeside = Pick<WallPiece, 'wall' | 'name' | 'strips' | 'bottomMm' | 'topMm'>;

/** What stands around a shaft: walls with the boxes around them, and each storey at half its height. */
export interface Surroundings {
  /** False where the building has no walls at all. */
  hasWalls: boolean;
  boxed: readonly Boxed[];
  middles: readonly Middle[];
}

export function shaftSurroundings(
  hasWalls: boolean,
  walls: readonly WallBeside[],
  storeys: readonly ResolvedLevel[],
): Surroundings {
  const boxed = walls.map((piece): Boxed => ({ piece, box: boundsOf(piece.strips) }));
  return { hasWalls, boxed, middles: storeyMiddles(storeys, boxed) };
}

/** So far around a shaft walls may close it, mm. */
export const SHAFT_REACH_MM = BESIDE_MM;

const sharedIn =
  (facts: PlanFacts): SharedArea =>
  (a, b) =>
    facts.shared(a, b, () => intersection(a, b).areaMm2);

/** Shafts in the way of other shafts. */
export function checkShaftPairs(
  shafts: readonly SolvedShaft[],
  storeys: readonly ResolvedLevel[],
  facts: PlanFacts,
): Finding[] {
  return shafts.flatMap((shaft, i) =>
    shafts.slice(i + 1).flatMap((other) => overlapping(shaft, other, storeys, sharedIn(facts))),
  );
}

/** A shaft in the way of walls, open to a storey, or jumping sideways. */
export function checkShaft(
  shaft: SolvedShaft,
  { hasWalls, boxed, middles }: Surroundings,
  storeys: readonly ResolvedLevel[],
  facts: PlanFacts,
  enclosure: Enclosure = enclosed,
): Finding[] {
  return [
    ...inWalls(shaft, boxed, storeys, sharedIn(facts)),
    ...(hasWalls ? notEnclosed(shaft, middles, enclosure) : []),
    ...jumping(shaft, storeys),
  ];
}

/** A wall piece with the box around all of it, worked out once for all shafts. */
interface Boxed {
  piece: WallBeside;
  box: Box;
}

/** A storey at half its height, with the walls that pass there. */
interface Middle {
  level: ResolvedLevel;
  mm: number;
  walls: readonly Boxed[];
}

function storeyMiddles(storeys: readonly ResolvedLevel[], walls: readonly Boxed[]): Middle[] {
  return storeys.slice(0, -1).map((level, i) => {
    const mm = (level.fflMm + storeys[i + 1]!.sslMm) / 2;
    return { level, mm, walls: walls.filter(({ piece }) => piece.bottomMm < mm && piece.topMm > mm) };
  });
}

const meet = (p: Box, q: Box, withinMm = 0): boolean =>
  p.minX < q.maxX + withinMm && q.minX < p.maxX + withinMm && p.minY < q.maxY + withinMm && q.minY < p.maxY + withinMm;

const boxesMeet = (a: Ring, b: Ring): boolean => meet(bounds(a), bounds(b));

const levelAt = (storeys: readonly ResolvedLevel[], mm: number): ResolvedLevel | undefined =>
  storeys.filter(({ sslMm }) => sslMm <= mm + 1).at(-1) ?? storeys[0];

function overlapping(a: SolvedShaft, b: SolvedShaft, storeys: readonly ResolvedLevel[], shared: SharedArea): Finding[] {
  for (const p of a.stages) {
    for (const q of b.stages) {
      const from = Math.max(p.bottomMm, q.bottomMm);
      if (from >= Math.min(p.topMm, q.topMm) || !boxesMeet(p.ring, q.ring)) continue;
      if (shared(p.ring, q.ring) <= TOUCH_MM2) continue;
      const level = levelAt(storeys, from);
      return [
        finding(
          'shaft.overlapsShaft',
          a.building,
          level?.id ?? null,
          [a.shaft, b.shaft],
          `Shafts ${a.name} and ${b.name} are in the same space from level ${level?.record.name ?? ''}. Move one of them`,
          moveFix(b.shaft, `shaft ${b.name}`, leastMove(q.ring, p.ring)),
        ),
      ];
    }
  }
  return [];
}

/** One finding for each wall that stands in the shaft, at the lowest level where it does. */
function inWalls(
  shaft: SolvedShaft,
  walls: readonly Boxed[],
  storeys: readonly ResolvedLevel[],
  shared: SharedArea,
): Finding[] {
  const found = new Set<Id>();
  const stages = shaft.stages.map((stage) => ({ ...stage, box: bounds(stage.ring) }));
  return walls.flatMap(({ piece, box }): Finding[] => {
    if (found.has(piece.wall)) return [];
    for (const { ring, bottomMm, topMm, box: own } of stages) {
      const from = Math.max(bottomMm, piece.bottomMm);
      if (from >= Math.min(topMm, piece.topMm) - 1 || !meet(own, box)) continue;
      const strip = piece.strips.find((each) => boxesMeet(each, ring) && shared(each, ring) > TOUCH_MM2);
      if (!strip) continue;
      found.add(piece.wall);
      const level = levelAt(storeys, from);
      const clear = (moved: Ring) => piece.strips.every((each) => !boxesMeet(each, moved));
      return [
        finding(
          'shaft.inWall',
          shaft.building,
          level?.id ?? null,
          [shaft.shaft, piece.wall],
          `Wall ${piece.name} stands in shaft ${shaft.name} at level ${level?.record.name ?? ''}. Move one of them`,
          moveFix(shaft.shaft, `shaft ${shaft.name}`, leastMove(ring, strip, clear)),
        ),
      ];
    }
    return [];
  });
}

/** Places just outside a ring, along its edges. */
function outsideOf(ring: Ring): { at: Point; out: Point }[] {
  return ring.flatMap((from, i) => {
    const to = ring[(i + 1) % ring.length]!;
    const way = minus(to, from);
    const length = lengthOf(way);
    if (length < 1) return [];
    const along = times(way, 1 / length);
    const out = { x: along.y, y: -along.x };
    const count = Math.max(1, Math.round(length / EVERY_MM));
    return Array.from({ length: count }, (_, k) => ({
      at: plus(from, times(along, (length * (k + 0.5)) / count)),
      out,
    }));
  });
}

/** How much of a shaft's edges walls close, 0 to 1, and which do. */
export type Enclosure = (ring: Ring, walls: readonly WallBeside[]) => { closed: number; closing: readonly Id[] };

export const enclosed: Enclosure = (ring, walls) => {
  const places = outsideOf(ring);
  const closing = new Set<Id>();
  const isClosed = (place: { at: Point; out: Point }) =>
    walls.some((piece) =>
      piece.strips.some((strip) => {
        const hit = [10, 100, 200, 300, BESIDE_MM].some((mm) => contains(strip, plus(place.at, times(place.out, mm))));
        if (hit) closing.add(piece.wall);
        return hit;
      }),
    );
  return { closed: places.filter(isClosed).length / places.length, closing: [...closing] };
};

/**
 * Storeys where a shaft has an open side, if walls close it all round in another storey. Openings in the walls count as
 * closed: they are meant.
 */
function notEnclosed(shaft: SolvedShaft, middles: readonly Middle[], enclosure: Enclosure): Finding[] {
  const boxes = new Map<Ring, Box>();
  const states = middles.flatMap(({ level, mm, walls }) => {
    const stage = shaft.stages.find(({ bottomMm, topMm }) => mm > bottomMm && mm < topMm);
    if (!stage) return [];
    const box = boxes.get(stage.ring) ?? bounds(stage.ring);
    boxes.set(stage.ring, box);
    const near = walls.filter((wall) => meet(wall.box, box, BESIDE_MM)).map(({ piece }) => piece);
    return [{ level, ...enclosure(stage.ring, near) }];
  });
  const whole = states.find(({ closed }) => closed === 1);
  if (!whole) return [];
  return states
    .filter(({ closed }) => closed < 1)
    .map(({ level, closing }) => {
      const isAbove = level.fflMm > whole.level.fflMm;
      const missing = whole.closing.filter((id) => !closing.includes(id));
      return finding(
        'shaft.notEnclosed',
        shaft.building,
        level.id,
        [shaft.shaft],
        `Shaft ${shaft.name} is not enclosed at level ${level.record.name}, as it is at level ${whole.level.record.name}. Carry its walls`,
        missing.length > 0
          ? [
              {
                words: `Carry its walls to level ${level.record.name}`,
                command: 'carry.to',
                input: { ids: missing, ...(isAbove ? { topmost: level.id } : { lowest: level.id }) },
              },
            ]
          : [],
      );
    });
}

/** Where a shaft comes to stand partly beside what it was below: what runs in it would have to bend. */
function jumping(shaft: SolvedShaft, storeys: readonly ResolvedLevel[]): Finding[] {
  return shaft.stages.slice(1).flatMap((stage, i) => {
    const below = shaft.stages[i]!;
    const isWithin = (inner: Ring, outer: Ring) =>
      inner.every((point) => contains(outer, point) || onRing(outer, point));
    if (isWithin(stage.ring, below.ring) || isWithin(below.ring, stage.ring)) return [];
    const level = levelAt(storeys, stage.bottomMm);
    return [
      finding(
        'shaft.jumps',
        shaft.building,
        level?.id ?? null,
        [shaft.shaft],
        `Shaft ${shaft.name} jumps sideways at level ${level?.record.name ?? ''}. Keep one outline within the other`,
        level
          ? [
              {
                words: `As below from level ${level.record.name} up`,
                command: 'shafts.except',
                input: { shaft: shaft.shaft, level: level.id, upwards: true, outline: null },
              },
            ]
          : [],
      ),
    ];
  });
}

const onRing = (ring: Ring, point: Point): boolean => ring.some((corner) => distance(corner, point) < 0.01);
