import { counted, type Listed, type Sentence } from '../kinds/said';
import { slopeWords } from '../ramps/slope-words';
import { assembliesOf } from '../slants/assembly';

/** A fall as one says it: `2 % (1:50)`. */
export const fallWords = (slopeRatio: number): string =>
  `${slopeWords(slopeRatio, 'percent')} (${slopeWords(slopeRatio)})`;

export const fallSentence: Sentence<'fallLayer'> = {
  of: ({ id, level: at, slopeRatio }, { solved, level, write, area }) => {
    const made = assembliesOf(solved.assemblies, 'fallLayer').find(({ thing }) => thing === id);
    if (!made) return `At level ${level(at)}. It cannot be worked out.`;
    const { outlets, edges, leastMm, mostMm, areaMm2, ponds } = made.info;
    const to = [
      ...(outlets.length > 0 ? [counted(outlets.length, 'outlet')] : []),
      ...(edges.length > 0 ? [counted(edges.length, 'edge')] : []),
    ].join(' and ');
    const ends = ponds.length === 0 ? '' : ' Water has no way out somewhere.';
    return `At level ${level(at)}, ${fallWords(slopeRatio)} to ${to}: ${write(leastMm)} thick there, ${write(mostMm)} where it is thickest; ${area(areaMm2)}.${ends}`;
  },
};

export const fallsListed: Listed = {
  heading: 'Falls',
  things: ({ solved, shown }) =>
    assembliesOf(solved.assemblies, 'fallLayer')
      .filter(({ level }) => level === shown.id)
      .map(({ thing, name }) => ({ id: thing, words: name })),
};
