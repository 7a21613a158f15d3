import { clippedTo, isSome, less, lessNear, whereMore } from '../geometry/convex-clip';
import { dot, minus, plus, times, type Point } from '../geometry/point';
import { bounds, boxesMeet, counterClockwise, type Ring } from '../geometry/polygon';
import { slantOf, type Slant } from '../slants/slant';
import { topside } from './under-roof';

/** What a wall goes up to at some places: convex, counter-clockwise, with an even height. */
interface Cover {
  ring: Ring;
  height: (at: Point) => number;
}

/** A roof that ends within a wall, or this near beside it, comes to an end at it, mm. */
const BESIDE_MM = 60;

/** The long sides of a strip of wall: the way along it, and how far it reaches across from its first corner. */
function waysOf(strip: Ring): { at: Point; along: Point; across: Point; lowMm: number; highMm: number } | null {
  const sides = strip.map((from, i) => ({ from, way: minus(strip[(i + 1) % strip.length]!, from) }));
  const long = ({ way }: { way: Point }) => Math.sqrt(dot(way, way));
  const side = sides.reduce((a, b) => (long(b) > long(a) ? b : a));
  if (long(side) < 1) return null;
  const along = times(side.way, 1 / long(side));
  const across = { x: -along.y, y: along.x };
  const depths = strip.map((at) => dot(minus(at, side.from), across));
  return { at: side.from, along, across, lowMm: Math.min(...depths), highMm: Math.max(...depths) };
}

/** Where pieces of roof end at a strip of wall they are carried on level across it, over all of its thickness. */
function acrossStrip(slants: readonly Slant[], strip: Ring): Cover[] {
  const ways = waysOf(strip);
  if (!ways) return [];
  const { at, along, across, lowMm, highMm } = ways;
  const box = bounds(strip);
  const about = { minX: box.minX - 1000, minY: box.minY - 1000, maxX: box.maxX + 1000, maxY: box.maxY + 1000 };
  const place = (s: number, d: number): Point => plus(at, plus(times(along, s), times(across, d)));
  return slants
    .filter((slant) => boxesMeet(bounds(slant), about))
    .flatMap((slant) =>
      slant.flatMap((from, i): Cover[] => {
        const to = slant[(i + 1) % slant.length]!;
        const ends = [from, to].map((corner) => ({
          s: dot(minus(corner, at), along),
          d: dot(minus(corner, at), across),
          mm: corner.topMm,
        }));
        if (ends.some(({ d }) => d < lowMm - BESIDE_MM || d > highMm + BESIDE_MM)) return [];
        const [low, high] = ends[0]!.s < ends[1]!.s ? [ends[0]!, ends[1]!] : [ends[1]!, ends[0]!];
        if (high.s - low.s < 1) return [];
        const quad = [place(low.s, lowMm), place(high.s, lowMm), place(high.s, highMm), place(low.s, highMm)];
        const ring = clippedTo(counterClockwise(quad), strip);
        if (!isSome(ring)) return [];
        const steep = (high.mm - low.mm) / (high.s - low.s);
        return [{ ring, height: (point) => low.mm + (dot(minus(point, at), along) - low.s) * steep }];
      }),
    );
}

/** The top of pieces of roof over a strip. */
const overStrip = (slants: readonly Slant[], strip: Ring): Cover[] =>
  slants.flatMap((slant) => {
    if (!boxesMeet(bounds(slant), bounds(strip))) return [];
    const ring = clippedTo(slant, strip);
    if (!isSome(ring)) return [];
    return [{ ring, height: topside(slant) }];
  });

/** Of covers that lie over one another the highest at each place. */
function highestOf(covers: readonly Cover[]): Cover[] {
  return covers.reduce<Cover[]>((all, cover) => {
    let own: Ring[] = [cover.ring];
    const kept = all.flatMap((other): Cover[] => {
      const shared = clippedTo(other.ring, cover.ring);
      if (!isSome(shared)) return [other];
      const over = whereMore(shared, (at) => cover.height(at) - other.height(at) - 0.01);
      const under = isSome(over) ? less(shared, over) : [shared];
      own = under.reduce<Ring[]>((left, ring) => left.flatMap((each) => lessNear(each, ring)), own);
      if (!isSome(over)) return [other];
      return less(other.ring, over).map((ring) => ({ ...other, ring }));
    });
    return [...kept, ...own.map((ring) => ({ ...cover, ring }))];
  }, []);
}

/**
 * What a wall that goes through roofs goes up from: over each place of its strips the top of the roofs over it, or of those that end at it.
 * As pieces whose underside is that height.
 */
export const topsOverStrips = (slants: readonly Slant[], strips: readonly Ring[]): Slant[] =>
  strips.flatMap((given) => {
    const strip = counterClockwise(given);
    return highestOf([...overStrip(slants, strip), ...acrossStrip(slants, strip)]).map(({ ring, height }) =>
      slantOf(
        ring.map((at) => {
          const mm = height(at);
          return { x: at.x, y: at.y, topMm: mm, bottomMm: mm };
        }),
      ),
    );
  });
