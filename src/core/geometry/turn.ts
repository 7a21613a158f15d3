import { quantiseMm } from '../units/length-units';

/** An angle in −180 < a ≤ 180 degrees. */
export function inOneTurn(degrees: number): number {
  const turn = degrees % 360;
  return quantiseMm(turn > 180 ? turn - 360 : turn <= -180 ? turn + 360 : turn);
}
