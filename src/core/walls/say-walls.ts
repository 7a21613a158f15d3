import { counted, once, type Listed, type Sentence } from '../kinds/said';
import { mmOf } from '../dimensions/resolve-length';
import { recordOf } from '../model/framework';
import { following } from '../typical/typical';

export const wallSentence: Sentence<'wall'> = {
  of: ({ id, type, use, passesClearMm, startsAt, stopsAt }, { framework, solved, level, write }) => {
    const pieces = solved.walls.filter(({ wall }) => wall === id);
    const followed = pieces.some((piece) => following(framework).masterOf.get(piece.level) === startsAt.level);
    const name = recordOf(framework, 'wallType', type)?.name ?? 'Wall';
    const storeys = passesClearMm === null ? `in ${counted(pieces.length, 'storey')}` : 'past the slabs';
    const typical = followed ? ', and at the levels that follow' : '';
    const overMm = mmOf(framework, stopsAt.offsetMm);
    const top =
      stopsAt.face !== 'roof' ? level(stopsAt.level) : overMm > 0 ? `${write(overMm)} over the roof` : 'the roof';
    return `${name}, ${use}, ${storeys}, from ${level(startsAt.level)} to ${top}${typical}.`;
  },
};

/** How high over FFL a wall is looked for that runs past the slabs. */
const CUT_MM = 1200;

/** Walls of a level and those that run past it, each once; the parapet of a roof goes with the roof. */
export const wallsListed: Listed = {
  heading: 'Walls',
  things: ({ framework, solved, shown }) =>
    once(
      solved.walls
        .filter(
          ({ wall, level, building, bottomMm, topMm }) =>
            recordOf(framework, 'wall', wall) &&
            (level === shown.id ||
              (building === shown.building && bottomMm < shown.fflMm + CUT_MM && topMm > shown.fflMm + CUT_MM)),
        )
        .map(({ wall, name }) => ({ id: wall, words: name })),
    ),
};
