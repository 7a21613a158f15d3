import { finding, fixBy, type Finding, type Fix } from '../checks/finding';
import { distance, dot, lengthOf, minus, plus, times, type Point } from '../geometry/point';
import { bounds, ringGap, type Ring } from '../geometry/polygon';
import type { Door } from '../escape/free-floor';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Id } from '../model/ids';
import type { SolvedLift, SolvedShaft } from '../solving/solved';
import { formatLength } from '../units/format-length';

/** A door this near to a shaft opens into it, a slab this near is stepped on from it, mm. */
const BESIDE_MM = 400;

/** A wall beside a shaft, for a door in it. */
export interface WallAlong {
  wall: Id;
  name: string;
  strips: readonly Ring[];
  /** Its path. */
  points: readonly Point[];
  closed: boolean;
}

/** What there is at a stop. */
export interface StopAt {
  level: ResolvedLevel;
  ring: Ring;
  slabs: readonly Ring[];
  doors: readonly Door[];
  walls: readonly WallAlong[];
}

const write = (mm: number): string => `${formatLength(Math.round(mm * 10) / 10)} mm`;

/** Whether a lift has what its maker asks for: a shaft down to the pit and up over the car, floors to stop at, doors. */
export function checkLift(shaft: SolvedShaft, lift: SolvedLift, stops: readonly StopAt[]): Finding[] {
  const report = (
    rule: 'lift.pit' | 'lift.overrun' | 'lift.noSlab' | 'lift.noDoor',
    level: Id,
    words: string,
    fixes: Fix[],
  ) => finding(rule, shaft.building, level, [shaft.shaft], words, fixes);
  const found: Finding[] = [];
  const [lowest, highest] = [stops[0], stops.at(-1)];
  if (lowest) {
    const pitMm = lowest.level.fflMm - shaft.bottomMm;
    if (pitMm < lift.pitMm - 0.5)
      found.push(
        report(
          'lift.pit',
          lowest.level.id,
          `The shaft of lift ${shaft.name} reaches ${write(Math.max(0, pitMm))} under its lowest stop, level ${lowest.level.record.name}; its pit is ${write(lift.pitMm)} deep. Let the shaft begin lower`,
          [
            fixBy('Let the shaft reach the pit', 'shafts.change', {
              shaft: shaft.shaft,
              startsAt: { level: lowest.level.id, face: 'FFL', offsetMm: -lift.pitMm },
            }),
          ],
        ),
      );
  }
  if (highest) {
    const overMm = shaft.topMm - highest.level.fflMm;
    if (overMm < lift.overrunMm - 0.5)
      found.push(
        report(
          'lift.overrun',
          highest.level.id,
          `The shaft of lift ${shaft.name} reaches ${write(Math.max(0, overMm))} over its highest stop, level ${highest.level.record.name}; it needs ${write(lift.overrunMm)}. Let the shaft go up higher`,
          [
            fixBy('Let the shaft reach its overrun', 'shafts.change', {
              shaft: shaft.shaft,
              stopsAt: { level: highest.level.id, face: 'FFL', offsetMm: lift.overrunMm },
            }),
          ],
        ),
      );
  }
  for (const stop of stops) {
    const { id, record } = stop.level;
    if (!stop.slabs.some((slab) => ringGap(slab, stop.ring) <= BESIDE_MM)) {
      const others = stops.filter((each) => each !== stop).map(({ level }) => level.id);
      found.push(
        report(
          'lift.noSlab',
          id,
          `Lift ${shaft.name} stops at level ${record.name}, where no floor meets its shaft. Bring a floor there, or do not stop`,
          others.length === 0
            ? []
            : [
                fixBy(`Do not stop at level ${record.name}`, 'shafts.setLift', {
                  shaft: shaft.shaft,
                  lift: { stops: others },
                }),
              ],
        ),
      );
    } else if (stop.walls.length > 0 && !stop.doors.some((door) => isWideEnough(door, lift, stop.ring))) {
      found.push(
        report(
          'lift.noDoor',
          id,
          `Lift ${shaft.name} stops at level ${record.name}, where no opening of ${write(lift.doorWidthMm)} by ${write(lift.doorHeightMm)} is in the walls of its shaft. Put one there, or do not stop`,
          doorFixes(shaft, lift, stop, stops),
        ),
      );
    }
  }
  return found;
}

const isWideEnough = (door: Door, lift: SolvedLift, ring: Ring): boolean =>
  door.widthMm >= lift.doorWidthMm - 0.5 &&
  door.heightMm >= lift.doorHeightMm - 0.5 &&
  ringGap(door.ring, ring) <= BESIDE_MM;

/** An opening where the lift has one at other stops, else in the middle of the longest side that a wall runs along. */
function doorFixes({ shaft }: SolvedShaft, lift: SolvedLift, stop: StopAt, stops: readonly StopAt[]): Fix[] {
  const known = stops.flatMap(({ doors, ring }) => doors.filter((door) => isWideEnough(door, lift, ring)))[0];
  const wanted = known ? [times(plus(known.ends[0], known.ends[1]), 0.5)] : middlesOf(stop.ring);
  const places = wanted.flatMap((at) => placesIn(stop.walls, at, lift.doorWidthMm)).sort((a, b) => a.offMm - b.offMm);
  const [best] = places;
  const fixes: Fix[] = best
    ? [
        fixBy(`Put an opening into wall ${best.name}`, 'walls.addOpening', {
          wall: best.wall,
          opening: 'plain',
          alongMm: best.alongMm,
          widthMm: lift.doorWidthMm,
          heightMm: lift.doorHeightMm,
          at: [stop.level.id],
        }),
      ]
    : [];
  const others = stops.filter((each) => each !== stop).map(({ level }) => level.id);
  if (others.length > 0)
    fixes.push(
      fixBy(`Do not stop at level ${stop.level.record.name}`, 'shafts.setLift', { shaft, lift: { stops: others } }),
    );
  return fixes;
}

/** Middles of the sides of a ring, those of the longest first. */
function middlesOf(ring: Ring): Point[] {
  return ring
    .map((from, i) => ({ from, to: ring[(i + 1) % ring.length]! }))
    .sort((a, b) => distance(b.from, b.to) - distance(a.from, a.to))
    .slice(0, 4)
    .map(({ from, to }) => times(plus(from, to), 0.5));
}

/** Where along walls a door of some width would stand nearest to a place. */
function placesIn(walls: readonly WallAlong[], at: Point, widthMm: number) {
  return walls.flatMap(({ wall, name, points, closed }) => {
    let walked = 0;
    const last = closed ? points.length : points.length - 1;
    return points.slice(0, last).flatMap((from, i) => {
      const to = points[(i + 1) % points.length]!;
      const way = minus(to, from);
      const size = lengthOf(way);
      const start = walked;
      walked += size;
      const along = size === 0 ? 0 : dot(minus(at, from), way) / size;
      if (along < widthMm / 2 || along > size - widthMm / 2) return [];
      const offMm = distance(at, plus(from, times(way, along / size)));
      return offMm > BESIDE_MM * 2 ? [] : [{ wall, name, alongMm: Math.round(start + along - widthMm / 2), offMm }];
    });
  });
}

/** True for walls that run beside a shaft. */
export function isBeside(strips: readonly Ring[], ring: Ring): boolean {
  const box = bounds(ring);
  return strips.some((strip) => {
    const other = bounds(strip);
    return (
      other.minX <= box.maxX + BESIDE_MM &&
      other.maxX >= box.minX - BESIDE_MM &&
      other.minY <= box.maxY + BESIDE_MM &&
      other.maxY >= box.minY - BESIDE_MM &&
      ringGap(strip, ring) <= BESIDE_MM
    );
  });
}
