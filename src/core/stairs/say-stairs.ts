import { FORM_WORDS } from './stair-form';
import { counted, type Listed, type Sentence } from '../kinds/said';

export const stairSentence: Sentence<'stair'> = {
  of: ({ id, form, startsAt, stopsAt }, { solved, level }) => {
    const storeys = solved.stairs.find(({ stair }) => stair === id)?.storeys ?? [];
    const climbed = storeys.filter(({ steps }) => steps).length;
    const climbs = climbed === storeys.length ? counted(climbed, 'storey') : `${climbed} of ${storeys.length} storeys`;
    return `${FORM_WORDS[form]}, from ${level(startsAt.level)} to ${level(stopsAt.level)}; climbs ${climbs}.`;
  },
};

export const stairsListed: Listed = {
  heading: 'Stairs',
  things: ({ solved, shown }) =>
    solved.stairs
      .filter(({ levels }) => levels.includes(shown.id))
      .map(({ stair, name }) => ({ id: stair, words: name })),
};
