import { mirroredInPlan } from '../elements/by-marks';
import type { Mirror } from '../kinds/kind';
import type { Edit } from '../model/edit';
import type { Stair } from './stair';

/** A stair mirrored in a line: a rectangle's right side has become its left one, and so has the turn. */
export function mirroredStair(edit: Edit, stair: Stair, mirror: Mirror): Stair {
  const made = mirroredInPlan(edit.before, stair, mirror);
  return {
    ...made,
    turn: made.turn === 'left' ? 'right' : 'left',
    entry: made.entry % 2 === 1 ? 4 - made.entry : made.entry,
  };
}
