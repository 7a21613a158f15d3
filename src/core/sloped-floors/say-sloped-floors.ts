import { counted, type Listed, type Sentence } from '../kinds/said';
import { slopeInFull } from '../ramps/slope-words';
import { assembliesOf } from '../slants/assembly';

export const slopedFloorSentence: Sentence<'slopedFloor'> = {
  of: ({ id, baseAt }, { solved, level }) => {
    const made = assembliesOf(solved.assemblies, 'slopedFloor').find(({ thing }) => thing === id);
    if (!made) return `At ${level(baseAt.level)}. Its outline is unsound.`;
    const { faces, steepest, along, across } = made.info;
    const most = steepest === null ? 'level' : `${slopeInFull(steepest)} at its steepest`;
    const ways =
      along === null && across === null
        ? ''
        : `; along ${along === null ? 'level' : slopeInFull(along)}, across ${across === null ? 'level' : slopeInFull(across)}`;
    return `At ${level(baseAt.level)}, ${counted(faces.length, 'face')}, ${most}${ways}.`;
  },
};

export const slopedFloorsListed: Listed = {
  heading: 'Sloped floors',
  things: ({ solved, shown }) =>
    assembliesOf(solved.assemblies, 'slopedFloor')
      .filter(({ level }) => level === shown.id)
      .map(({ thing, name }) => ({ id: thing, words: name })),
};
