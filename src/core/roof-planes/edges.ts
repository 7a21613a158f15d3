import { cross, distance, dot, minus, times, type Point } from '../geometry/point';
import { ringArea, type Ring } from '../geometry/polygon';

/** How an edge of a roof rises: so far inwards per millimetre of height, from a height on; 0: upright. Bands come from the lowest up. */
export interface Band {
  fromMm: number;
  runPerRise: number;
}

/** An edge of a roof in plan with how it rises from it; its inside is to the left. */
export interface RoofEdge {
  /** Its number among all, ring by ring. */
  edge: number;
  from: Point;
  to: Point;
  bands: readonly Band[];
}

/** What goes up from an edge within one of its bands: a face, or where it is upright the foot of a gable. */
export interface Rising {
  /** The edge, by its number among all; null: an upright step between two edges in one line that rise otherwise. */
  edge: number | null;
  band: number;
  /** Along the edge, and square to it to the inside. */
  along: Point;
  inwards: Point;
  /** Its line lies at `inwards · point = offsetMm + runPerRise · (height - fromMm)`. */
  offsetMm: number;
  fromMm: number;
  runPerRise: number;
}

export const left = ({ x, y }: Point): Point => ({ x: -y, y: x });

/** Where the line of a rising is at a height, along its `inwards`. */
export const lineAt = ({ offsetMm, fromMm, runPerRise }: Rising, mm: number): number =>
  offsetMm + runPerRise * (mm - fromMm);

export function risingFrom({ edge, from, to, bands }: RoofEdge): Rising {
  const along = times(minus(to, from), 1 / distance(from, to));
  const inwards = left(along);
  const [{ fromMm, runPerRise }] = bands as [Band, ...Band[]];
  return { edge, band: 0, along, inwards, offsetMm: dot(inwards, from), fromMm, runPerRise };
}

/** The next band of an edge, from the height it begins at. */
export function nextBand(rising: Rising, { bands }: RoofEdge): Rising {
  const band = rising.band + 1;
  const { fromMm, runPerRise } = bands[band]!;
  return { ...rising, band, offsetMm: lineAt(rising, fromMm), fromMm, runPerRise };
}

/** Upright and square to two lines that run the same way but do not keep beside one another: from the one to the other. */
export function stepBetween(at: Point, before: Rising, after: Rising, mm: number): Rising {
  const isAhead = after.runPerRise > before.runPerRise;
  const along = isAhead ? before.inwards : times(before.inwards, -1);
  const inwards = left(along);
  return { edge: null, band: 0, along, inwards, offsetMm: dot(inwards, at), fromMm: mm, runPerRise: 0 };
}

/** How a place moves in plan per millimetre of height that stays on two lines; null where they run the same way, or come back. */
export function wayBetween(before: Rising, after: Rising): Point | null {
  const [p, q] = [before.inwards, after.inwards];
  const sine = cross(p, q);
  if (Math.abs(sine) < PARALLEL) return null;
  const [v, w] = [before.runPerRise, after.runPerRise];
  return { x: (v * q.y - w * p.y) / sine, y: (p.x * w - q.x * v) / sine };
}
/** Lines that part by less (by its sine) run alongside. */
export const PARALLEL = 1e-9;

/** Edges round an outline, counter-clockwise, and round its holes. `bandsOf`: how each of its edges rises, counted ring by ring. */
export function edgesOf(rings: readonly Ring[], bandsOf: (edge: number) => readonly Band[]): RoofEdge[][] {
  let count = 0;
  return rings.map((ring, i) => {
    const isTurned = ringArea(ring) > 0 !== (i === 0);
    const first = count;
    const numbered = ring.map((from, k): RoofEdge => ({
      edge: first + k,
      from,
      to: ring[(k + 1) % ring.length]!,
      bands: bandsOf(first + k),
    }));
    count += ring.length;
    return isTurned ? numbered.map((each) => ({ ...each, from: each.to, to: each.from })).reverse() : numbered;
  });
}
