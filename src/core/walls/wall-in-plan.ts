import { mirrored } from '../elements/mirror-outline';
import type { Mirror } from '../kinds/kind';
import type { Edit } from '../model/edit';
import { refuseNow } from '../commands/length-input';
import type { Wall } from './wall';
import { freeOpeningNames, freeWallName } from './wall-input';
import { wallPath } from './wall-path';

/** A copied wall with a free name, its openings with names and ids of their own. */
export function renewedWall(edit: Edit, wall: Wall): Wall {
  const take = freeOpeningNames(edit.framework);
  const openings = wall.openings.map((opening) => ({ ...opening, id: edit.newId(), name: take(opening.opening) }));
  return { ...wall, name: freeWallName(edit.framework), openings };
}

/** A wall mirrored in a line: its corners where their images are, its outside on the other side of the path. */
export function mirroredWall(edit: Edit, wall: Wall, axis: Mirror): Wall {
  const path = wallPath(edit.before, wall) ?? refuseNow(`Wall ${wall.name} has no length`);
  const points = path.points.map((point) => {
    const { x, y } = mirrored(axis, point);
    return { xMm: x, yMm: y };
  });
  return {
    ...wall,
    place: { lines: null, xMm: 0, yMm: 0 },
    points,
    outside: wall.outside === 'left' ? 'right' : 'left',
    openings: wall.openings.map((opening) => ({ ...opening, hand: opening.hand === 'left' ? 'right' : 'left' })),
  };
}
