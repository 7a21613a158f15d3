import { quantiseMm } from '../units/length-units';
import type { LineSide } from './grid';

/** A line of a direction whose two sides may have different bays. */
export interface SidedLine {
  bayMm: number;
  side: LineSide;
}

/** Lines nearer than this on both sides are one line that runs through; mm. */
const SAME_MM = 1;

/**
 * The lines of a direction from the bays along its near and its far side, both counted from the same first line:
 * those with the same place on both sides run through, the others stop part way.
 */
export function linesOfSides(nearMm: readonly number[], farMm: readonly number[]): SidedLine[] {
  const [near, far] = [placesOf(nearMm), placesOf(farMm)];
  const merged: { at: number; side: LineSide }[] = [];
  let [i, j] = [0, 0];
  while (i < near.length || j < far.length) {
    const [p, q] = [near[i] ?? Infinity, far[j] ?? Infinity];
    if (Math.abs(p - q) < SAME_MM) {
      merged.push({ at: p, side: 'both' });
      i += 1;
      j += 1;
    } else if (p < q) {
      merged.push({ at: p, side: 'near' });
      i += 1;
    } else {
      merged.push({ at: q, side: 'far' });
      j += 1;
    }
  }
  return merged.map(({ at, side }, k) => ({ bayMm: k === 0 ? 0 : quantiseMm(at - merged[k - 1]!.at), side }));
}

const placesOf = (bays: readonly number[]): number[] => {
  let at = 0;
  return [0, ...bays.map((bay) => (at = quantiseMm(at + bay)))];
};

/** Bays along one side of a direction: between the lines that come to it. */
export function baysOfSide(lines: readonly { offsetMm: number; record: { side: LineSide } }[], side: 'near' | 'far') {
  const there = lines.filter(({ record }) => record.side === 'both' || record.side === side);
  return there.slice(1).map(({ offsetMm }, i) => quantiseMm(offsetMm - there[i]!.offsetMm));
}
