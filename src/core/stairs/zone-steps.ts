import type { PlateSet } from '../floors/plates';
import { plus, times } from '../geometry/point';
import { contains } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { quantiseMm } from '../units/length-units';
import type { StairEnd } from './pieces';

/** Floor is looked for so far before a foot, and beyond a head, mm. */
const BESIDE_MM = 100;

/** How much higher the finished floor lies than its level where one steps on a stair, or off it: a zone of the floor lies otherwise. */
export function zoneStepAt(
  plates: PlateSet,
  level: ResolvedLevel,
  { at, along }: StairEnd,
  side: 'foot' | 'head',
): number {
  const place = plus(at, times(along, side === 'foot' ? -BESIDE_MM : BESIDE_MM));
  const usualMm = level.fflMm - level.sslMm;
  for (const { zones } of plates.at(level.id))
    for (const { rings, shiftMm, buildUpMm } of zones)
      if (rings.some((ring) => contains(ring, place))) return quantiseMm(shiftMm + (buildUpMm ?? usualMm) - usualMm);
  return 0;
}
