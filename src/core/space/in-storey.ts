import type { FromFloors, SpaceSolid } from '../kinds/in-space';
import type { Id } from '../model/ids';
import { quantiseMm } from '../units/length-units';

/** A solid of a piece. */
export interface Part {
  piece: object;
  solid: SpaceSolid;
  /** Puts a piece that is worked out from a floor in its place. */
  placed: FromFloors<object>['placed'] | null;
}

const parts = new WeakMap<SpaceSolid, Part>();
/** The same object for the same solid. */
export function partOf(piece: object, solid: SpaceSolid, placed: Part['placed']): Part {
  let part = parts.get(solid);
  if (!part) parts.set(solid, (part = { piece, solid, placed }));
  return part;
}

/** The last band that begins at a height or under it; the first goes down without end. */
export function bandOf(starts: readonly number[], mm: number): number {
  let [low, high] = [0, starts.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (starts[middle]! <= mm) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** What of a solid lies in a storey, heights from its FFL to a micrometre. */
export interface InStorey {
  /** What only touches the storey has no height there. */
  solid: SpaceSolid;
  /** How low and high it reaches, told no farther than a few metres out of the storey. */
  lowMm: number;
  highMm: number;
  /** All that tells it. */
  text: string;
  /** What it is a part of where that is worked out from a floor. */
  from: { part: Part; level: Id } | null;
}
/** Farther out of a storey than this it matters to nobody how far something goes on, mm. */
const FAR_MM = 6000;

/** A solid of a floor that lies so much higher, as it lies in a storey. */
export function inStorey(
  solid: SpaceSolid,
  level: Id,
  upMm: number,
  [fromMm, toMm]: readonly [number, number],
): InStorey {
  const up = (mm: number) => Math.round((mm + upMm) * 1000) / 1000;
  const [low, high] = [up(solid.bottomMm), up(solid.topMm)];
  const [lowMm, highMm] = [Math.max(fromMm - FAR_MM, low), Math.min(toMm + FAR_MM, high)];
  let [bottomMm, topMm] = [Math.max(fromMm, low), Math.min(toMm, high)];
  if (topMm <= bottomMm) [bottomMm, topMm] = [0, 0];
  const { thing, rank, shape } = solid;
  const text = `${thing} ${rank} ${shape.number} ${bottomMm} ${topMm}`;
  return { solid: { ...solid, level, bottomMm, topMm }, lowMm, highMm, text, from: null };
}

/** The same object for the same solid of a storey between the same heights. */
const placedIn = new WeakMap<SpaceSolid, Map<Id, { heights: readonly [number, number]; found: InStorey }>>();
export function onOwnFloor(part: Part, level: Id, heights: readonly [number, number]): InStorey {
  const { solid } = part;
  let levels = placedIn.get(solid);
  if (!levels) placedIn.set(solid, (levels = new Map()));
  const before = levels.get(level);
  if (before && before.heights[0] === heights[0] && before.heights[1] === heights[1]) return before.found;
  const found = { ...inStorey(solid, level, 0, heights), from: { part, level } };
  levels.set(level, { heights, found });
  return found;
}

/** Whether what stands on a floor comes up or down into a storey whose FFL lies so much lower than its own. */
export function reaches(
  { bottomMm, topMm }: SpaceSolid,
  upMm: number,
  [fromMm, toMm]: readonly [number, number],
): boolean {
  return quantiseMm(topMm + upMm) >= fromMm && quantiseMm(bottomMm + upMm) < toMm;
}

/** All that tells a list of them, in its order. */
export const textOf = (within: readonly InStorey[]): string => within.map(({ text }) => text).join('|');
