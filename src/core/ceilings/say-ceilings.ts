import { counted, once, type Listed, type Sentence } from '../kinds/said';
import { assembliesOf } from '../slants/assembly';

export const ceilingSentence: Sentence<'ceiling'> = {
  of: ({ id }, { solved, write }) => {
    const pieces = solved.ceilings.filter(({ ceiling }) => ceiling === id);
    const atRoofs = assembliesOf(solved.assemblies, 'roofCeiling').filter(({ thing }) => thing === id).length;
    const under = atRoofs === 0 ? '' : ` In ${counted(atRoofs, 'place')} it meets a roof.`;
    if (pieces.length === 0) return atRoofs === 0 ? 'It hangs nowhere.' : under.trim();
    const clear = [...new Set(pieces.map(({ clearMm }) => clearMm))].sort((a, b) => a - b);
    const levels = new Set(pieces.map(({ level }) => level)).size;
    const heights = clear.length > 1 ? `${write(clear[0]!)} to ${write(clear.at(-1)!)}` : write(clear[0]!);
    return `In ${pieces.length} ${pieces.length === 1 ? 'place' : 'places'} at ${levels} ${levels === 1 ? 'level' : 'levels'}; ${heights} clear under it.${under}`;
  },
};

export const ceilingsListed: Listed = {
  heading: 'Ceilings',
  things: ({ solved, shown }) =>
    once(
      [
        ...solved.ceilings.map(({ level, ceiling, name }) => ({ level, id: ceiling, words: name })),
        ...assembliesOf(solved.assemblies, 'roofCeiling').map(({ level, thing, name }) => ({
          level,
          id: thing,
          words: name,
        })),
      ]
        .filter(({ level }) => level === shown.id)
        .map(({ id, words }) => ({ id, words })),
    ),
};
