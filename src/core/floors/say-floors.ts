import { once, type Listed, type Sentence } from '../kinds/said';
import { recordOf } from '../model/framework';

export const floorSentence: Sentence<'floorPlate'> = {
  of: ({ id }, { solved, level, area }) => {
    const pieces = solved.floors.filter(({ plate }) => plate === id);
    const whole = pieces.reduce((sum, piece) => sum + solved.profiles[piece.profile]!.areaMm2, 0);
    const levels = new Set(pieces.map((piece) => piece.level)).size;
    return `Hung from SSL at ${levels} levels, ${level(pieces[0]?.level)} to ${level(pieces.at(-1)?.level)}; ${area(whole)} in all.`;
  },
};

export const floorsListed: Listed = {
  heading: 'Floor plates',
  things: ({ framework, solved, shown }) =>
    once(
      solved.floors
        .filter(
          ({ plate, level, zone }) => level === shown.id && zone === null && recordOf(framework, 'floorPlate', plate),
        )
        .map(({ plate, name }) => ({ id: plate, words: name })),
    ),
};
