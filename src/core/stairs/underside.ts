import type { Flight } from './pieces';
import type { SolvedStair } from './solved-stair';

export const slopeOf = ({ riserMm, goingMm }: Pick<Flight, 'riserMm' | 'goingMm'>): number => riserMm / goingMm;

/** Height under the finished floor or landing a flight starts from, of the flight's underside at its first riser. */
export function undersideDropMm(stair: Pick<SolvedStair, 'waistMm' | 'finishMm'>, flight: Flight): number {
  const slope = slopeOf(flight);
  // The waist is square to the pitch.
  return stair.finishMm + stair.waistMm * Math.sqrt(1 + slope * slope);
}
