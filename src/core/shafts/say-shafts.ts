import { counted, type Listed, type Sentence } from '../kinds/said';

export const shaftSentence: Sentence<'shaft'> = {
  of: ({ id, purpose, startsAt, stopsAt }, { solved, level }) => {
    const shaft = solved.shafts.find((each) => each.shaft === id);
    if (!shaft) return 'Its outline cannot be worked out.';
    const misses = shaft.misses.length > 0 ? `, misses ${shaft.misses.length}` : '';
    return `For ${purpose}, from ${level(startsAt.level)} to ${level(stopsAt.level)}; cuts ${counted(shaft.cuts.length, 'slab')}${misses}.`;
  },
};

export const shaftsListed: Listed = {
  heading: 'Shafts',
  things: ({ solved, shown }) =>
    solved.shafts
      .filter(({ levels }) => levels.includes(shown.id))
      .map(({ shaft, name }) => ({ id: shaft, words: name })),
};
