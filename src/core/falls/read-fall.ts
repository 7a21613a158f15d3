import { readSlope } from '../ramps/slope-words';
import { LEAST_FALL, STEEPEST_FALL } from './fall-layer';

/** Run per rise of what is typed: `2 %`, `1:50`, `1.2°`; a number alone is percent. Null: none of these, or no fall of a flat roof. */
export function readFall(text: string): number | null {
  const typed = text.trim().replace(',', '.');
  const ratio = readSlope(/^\d+(\.\d+)?$/.test(typed) ? `${typed}%` : typed);
  return ratio !== null && ratio >= STEEPEST_FALL && ratio <= LEAST_FALL ? ratio : null;
}
