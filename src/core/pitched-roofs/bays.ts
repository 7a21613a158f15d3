import { intersection } from '../geometry/boolean';
import { distance, dot, minus, plus, times, type Point } from '../geometry/point';
import { ringArea, type Ring } from '../geometry/polygon';
import { left } from '../roof-planes/edges';
import type { PitchedRoof as Roof, RoofFace, RoofLine, RoofPoint } from '../roof-planes/pitched';
import type { PitchedRoof } from './pitched-roof';

type Bays = NonNullable<PitchedRoof['bays']>;

/** A strip of a roof in bays: between two depths, rising from one of them. */
interface Strip {
  fromMm: number;
  toMm: number;
  /** Where it is at 0. */
  footMm: number;
  /** With the edge's inside, or against it. */
  rises: 1 | -1;
  /** What its two sides are where another strip begins: at the lower depth and at the higher; null: told by that one, or its end. */
  lines: readonly ['valley' | 'ridge' | null, 'valley' | 'ridge' | null];
}

/** The first and the last strip go on this far over what is divided, and all of them reach this far to both sides, mm. */
const PAST_MM = 20_000;
const ASIDE_MM = 1e6;
/** Sides nearer to a line than this lie on it, mm. */
const ON_MM = 0.05;
/** What is smaller than this is no face, mm². */
const LEAST_MM2 = 1;

/**
 * A roof in bays along one of its edges, at 0 where its slopes begin: a saw-tooth's rise from that edge inwards, each to the upright of
 * the next; a butterfly's fall from both sides to a valley in the middle of each bay. `footprint` is divided evenly, `edge` (round its
 * overhang) is roofed. Or why it cannot be.
 */
export function roofInBays(
  footprint: Ring,
  edge: Ring,
  { is, along, count }: Bays,
  runPerRise: number,
): { roof: Roof } | { fault: string } {
  const ring = ringArea(footprint) > 0 ? 1 : -1;
  const sides = footprint.map((from, i) => {
    const to = footprint[(i + 1) % footprint.length]!;
    return { from, inwards: times(left(times(minus(to, from), 1 / distance(from, to))), ring) };
  });
  const own = sides[along];
  if (!own) return { fault: `Its bays run along an edge that is not there. Choose one of its ${sides.length} edges` };
  // A butterfly's slopes rise to both sides: those against the edge's inside belong to the edge over there.
  const opposite = sides.findIndex(({ inwards }) => dot(inwards, own.inwards) < -1 + 1e-9);
  if (is === 'butterfly' && opposite < 0)
    return { fault: 'A butterfly lies between two edges that run alongside. Choose an edge that has one over there' };
  const depth = (at: Point) => dot(minus(at, own.from), own.inwards);
  const depths = footprint.map(depth);
  const strips = stripsOf(is, count, Math.min(...depths), Math.max(...depths));
  const way = left(own.inwards);
  const roof: Roof = { faces: [], upright: [], lines: [] };
  for (const strip of strips) {
    const box = [
      [strip.fromMm, -ASIDE_MM],
      [strip.fromMm, ASIDE_MM],
      [strip.toMm, ASIDE_MM],
      [strip.toMm, -ASIDE_MM],
    ].map(([d, s]) => plus(own.from, plus(times(own.inwards, d!), times(way, s!))));
    for (const { outer } of intersection(edge, box).regions) {
      const planAreaMm2 = Math.abs(ringArea(outer));
      if (planAreaMm2 < LEAST_MM2) continue;
      const round = ringArea(outer) > 0 ? outer : [...outer].reverse();
      const points = round.map(({ x, y }): RoofPoint => {
        return { x, y, z: ((depth({ x, y }) - strip.footMm) * strip.rises) / runPerRise };
      });
      const areaMm2 = (planAreaMm2 * Math.sqrt(1 + runPerRise * runPerRise)) / runPerRise;
      const of = strip.rises > 0 ? along : opposite;
      const face: RoofFace = { edge: of, band: 0, points, runPerRise, planAreaMm2, areaMm2 };
      roof.faces.push(face);
      roof.lines.push(...linesOf(face, strip, depth));
    }
  }
  return { roof };
}

function stripsOf(is: Bays['is'], count: number, fromMm: number, toMm: number): Strip[] {
  const wideMm = (toMm - fromMm) / count;
  const at = (bays: number) => fromMm + bays * wideMm;
  const strips = Array.from({ length: count }, (_, i) => i).flatMap((i): Strip[] =>
    is === 'sawtooth'
      ? [{ fromMm: at(i), toMm: at(i + 1), footMm: at(i), rises: 1, lines: ['valley', 'ridge'] }]
      : [
          { fromMm: at(i), toMm: at(i + 0.5), footMm: at(i + 0.5), rises: -1, lines: ['ridge', 'valley'] },
          { fromMm: at(i + 0.5), toMm: at(i + 1), footMm: at(i + 0.5), rises: 1, lines: [null, null] },
        ],
  );
  // The first and the last go on over the overhang, where no other begins.
  const [first, last] = [strips[0]!, strips.at(-1)!];
  first.fromMm -= PAST_MM;
  first.lines = [null, first.lines[1]];
  last.toMm += PAST_MM;
  last.lines = [last.lines[0], null];
  return strips;
}

/** The lines round a face. */
function linesOf({ points }: RoofFace, strip: Strip, depth: (at: Point) => number): RoofLine[] {
  const low = Math.min(...points.map(({ z }) => z));
  return points.flatMap((from, i): RoofLine[] => {
    const to = points[(i + 1) % points.length]!;
    const onLine = (mm: number) => [from, to].every((at) => Math.abs(depth(at) - mm) < ON_MM);
    const between = onLine(strip.fromMm) ? strip.lines[0] : onLine(strip.toMm) ? strip.lines[1] : undefined;
    if (between === null) return [];
    const isFoot = [from, to].every(({ z }) => z - low < ON_MM);
    return [{ is: between ?? (isFoot ? 'eaves' : 'verge'), from, to }];
  });
}
