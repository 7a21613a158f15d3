import { distance, plus, times, minus, type Point } from '../geometry/point';
import type { Ways } from './walking';

/** Ways less apart than this are one: 45°, as guidance on means of escape has it. */
const APART_COS = Math.SQRT1_2;
/** Ways are looked at this far apart, mm. */
const STEP_MM = 2000;
const HALVINGS = 7;

/**
 * How far one walks along a way before ways to two of several goals part by 45° or more; all of it where they never do.
 * `each`: shortest ways to every goal by itself.
 */
export function deadEnd(points: readonly Point[], each: readonly Ways[], known: Parted = new Map()): number {
  const parts = (at: Point) => {
    const key = `${at.x} ${at.y}`;
    let found = known.get(key);
    if (found === undefined) known.set(key, (found = isParted(at, each)));
    return found;
  };
  const stops = placesAlong(points);
  const total = stops.at(-1)?.mm ?? 0;
  const i = stops.findIndex(({ at }) => parts(at));
  if (i < 0) return total;
  if (i === 0) return 0;
  let [low, high] = [stops[i - 1]!, stops[i]!];
  for (let k = 0; k < HALVINGS; k += 1) {
    const middle = { at: times(plus(low.at, high.at), 0.5), mm: (low.mm + high.mm) / 2 };
    if (parts(middle.at)) high = middle;
    else low = middle;
  }
  return high.mm;
}

/** Whether ways part at places that were looked at: many ways go by the same ones. */
export type Parted = Map<string, boolean>;

/** True where the ways to two goals begin in directions far enough apart. */
function isParted(at: Point, each: readonly Ways[]): boolean {
  const directions = each.flatMap((ways) => {
    const next = ways.next(at);
    if (!next) return [];
    const way = minus(next, at);
    const size = distance(next, at);
    return [{ x: way.x / size, y: way.y / size }];
  });
  return directions.some((a, i) => directions.some((b, j) => j > i && a.x * b.x + a.y * b.y <= APART_COS));
}

/** The turns of a way and places between them, each with how far it is from its beginning. */
function placesAlong(points: readonly Point[]): { at: Point; mm: number }[] {
  const places: { at: Point; mm: number }[] = [];
  let walked = 0;
  points.forEach((from, i) => {
    places.push({ at: from, mm: walked });
    const to = points[i + 1];
    if (!to) return;
    const size = distance(from, to);
    const count = Math.floor(size / STEP_MM);
    for (let k = 1; k <= count; k += 1) {
      const share = k / (count + 1);
      places.push({ at: plus(from, times(minus(to, from), share)), mm: walked + share * size });
    }
    walked += size;
  });
  return places;
}
