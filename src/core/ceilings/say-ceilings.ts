import { once, type Listed, type Sentence } from '../kinds/said';

export const ceilingSentence: Sentence<'ceiling'> = {
  of: ({ id }, { solved, write }) => {
    const pieces = solved.ceilings.filter(({ ceiling }) => ceiling === id);
    if (pieces.length === 0) return 'It hangs nowhere.';
    const clear = [...new Set(pieces.map(({ clearMm }) => clearMm))].sort((a, b) => a - b);
    const levels = new Set(pieces.map(({ level }) => level)).size;
    const heights = clear.length > 1 ? `${write(clear[0]!)} to ${write(clear.at(-1)!)}` : write(clear[0]!);
    return `In ${pieces.length} ${pieces.length === 1 ? 'place' : 'places'} at ${levels} ${levels === 1 ? 'level' : 'levels'}; ${heights} clear under it.`;
  },
};

export const ceilingsListed: Listed = {
  heading: 'Ceilings',
  things: ({ solved, shown }) =>
    once(
      solved.ceilings
        .filter(({ level }) => level === shown.id)
        .map(({ ceiling, name }) => ({ id: ceiling, words: name })),
    ),
};
