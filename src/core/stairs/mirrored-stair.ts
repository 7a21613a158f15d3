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
    entry: mirroredEntry(made),
  };
}

/** A rectangle's right side has become its left one; the corners of others go round the other way, from the last one. */
function mirroredEntry({ well, entry }: Stair): number {
  if (well.type === 'rectangle') return entry % 2 === 1 ? 4 - entry : entry;
  if (well.type !== 'polygon') return entry;
  const count = well.points.length;
  return (2 * count - 2 - entry) % count;
}
