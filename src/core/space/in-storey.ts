import type { FromFloors, SpaceSolid, StoreySolid } from '../kinds/in-space';
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
  solid: StoreySolid;
  /** How low and high it reaches, told no farther than a few metres out of the storey. */
  lowMm: number;
  highMm: number;
  /** All that tells it. */
  text: string;
  /** What it is a part of where that is worked out from a floor. */
  part: Part | null;
}
/** Farther out of a storey than this it matters to nobody how far something goes on, mm. */
const FAR_MM = 6000;

/** From where to where a storey goes, from its FFL, mm. */
export type Heights = readonly [fromMm: number, toMm: number];

/** A solid of a floor that lies so much higher, as it lies in a storey. */
export function inStorey(
  solid: SpaceSolid,
  level: Id | null,
  upMm: number,
  [fromMm, toMm]: Heights,
  part: Part | null,
): InStorey {
  const up = (mm: number) => Math.round((mm + upMm) * 1000) / 1000;
  const [low, high] = [up(solid.bottomMm), up(solid.topMm)];
  const [lowMm, highMm] = [Math.max(fromMm - FAR_MM, low), Math.min(toMm + FAR_MM, high)];
  let [bottomMm, topMm] = [Math.max(fromMm, low), Math.min(toMm, high)];
  if (topMm <= bottomMm) [bottomMm, topMm] = [0, 0];
  const { thing, rank, shape } = solid;
  const text = `${thing} ${rank} ${shape.number} ${bottomMm} ${topMm}`;
  return { solid: { ...solid, level, bottomMm, topMm }, lowMm, highMm, text, part };
}

/** So many places of one solid are kept. */
const MOST = 64;
const places = new WeakMap<SpaceSolid, Map<string, InStorey>>();
/** The same for a part, one object for the same place. `level`: of its floor, null where that is the storey it lies in. */
export function partIn(part: Part, level: Id | null, upMm: number, heights: Heights): InStorey {
  let known = places.get(part.solid);
  if (!known || known.size > MOST) places.set(part.solid, (known = new Map()));
  const at = `${level ?? ''} ${upMm} ${heights[0]} ${heights[1]}`;
  let found = known.get(at);
  if (!found) known.set(at, (found = inStorey(part.solid, level, upMm, heights, part)));
  return found;
}

/** What stands on the floor of a storey and lies in it: storeys with the same between the same heights share it. */
export interface OnFloor {
  found: readonly InStorey[];
  /** The same for equal ones; it means nothing else. */
  number: number;
}
const onFloors = new WeakMap<readonly Part[], Map<string, OnFloor>>();
/** What of a list lies in a storey; `numberOf` a text that tells all of it. */
export function onFloor(parts: readonly Part[], heights: Heights, numberOf: (text: string) => number): OnFloor {
  let known = onFloors.get(parts);
  if (!known || known.size > MOST) onFloors.set(parts, (known = new Map()));
  const at = heights.join(' ');
  let made = known.get(at);
  if (!made) {
    const found = parts.filter(({ solid }) => reaches(solid, 0, heights)).map((part) => partIn(part, null, 0, heights));
    known.set(at, (made = { found, number: numberOf(textOf(found)) }));
  }
  return made;
}

/** Whether what stands on a floor comes up or down into a storey whose FFL lies so much lower than its own. */
export function reaches(
  { bottomMm, topMm }: Pick<SpaceSolid, 'bottomMm' | 'topMm'>,
  upMm: number,
  [fromMm, toMm]: Heights,
): boolean {
  return quantiseMm(topMm + upMm) >= fromMm && quantiseMm(bottomMm + upMm) < toMm;
}

/** All that tells a list of them, in its order. */
export const textOf = (within: readonly InStorey[]): string => within.map(({ text }) => text).join('|');
