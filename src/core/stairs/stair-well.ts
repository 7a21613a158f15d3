import type { Ring } from '../geometry/polygon';
import { boxOf, corneredWell, type CorneredWell } from './cornered-well';
import { goesRound } from './stair-form';
import type { Stair } from './stair';
import { wellOf, type Well } from './well';

/** The well a stair is solved in: a rectangle, or one of other corners within a rectangle. */
export interface StairWell {
  box: Well;
  cornered: CorneredWell | null;
}

/** A ring as the well of a stair; null where its form cannot stand in it. A free stair has of it where it begins. */
export function stairWell(
  ring: Ring,
  { entry, turn, form, isFree }: Pick<Stair, 'entry' | 'turn' | 'form' | 'isFree'>,
): StairWell | null {
  const rectangle = wellOf(ring, entry);
  if (rectangle) return { box: rectangle, cornered: null };
  const cornered = corneredWell(ring, entry, turn);
  if (!cornered || !(isFree || goesRound(form))) return null;
  return { box: boxOf(cornered), cornered: isFree ? null : cornered };
}
