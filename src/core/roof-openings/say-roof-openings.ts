import type { Listed, Sentence } from '../kinds/said';
import { recordOf } from '../model/framework';
import { seenAt } from '../pitched-roofs/seen-at';
import { assembliesOf } from '../slants/assembly';
import type { RoofOpening } from './roof-opening';
import { glassMm2 } from './solve-roof-opening';

/** What they are called. */
export const OPENING_WORDS: Record<RoofOpening['is'], string> = {
  window: 'roof window',
  slope: 'dormer, one slope',
  saddle: 'dormer, saddle roof',
};

export const roofOpeningSentence: Sentence<'roofOpening'> = {
  title: ({ is, name }) => `${is === 'window' ? 'Roof window' : 'Dormer'} ${name}`,
  of: ({ id, is, roof }, { framework, solved, write, elevation, area }) => {
    const on = `On roof ${recordOf(framework, 'pitchedRoof', roof)?.name ?? '?'}`;
    const made = assembliesOf(solved.assemblies, 'roofOpening').find(({ thing }) => thing === id);
    if (!made) return `${on}. It cannot be worked out.`;
    const { frontMm } = made.info;
    const glassed = glassMm2(made.info);
    const glass = glassed > 0 ? `; ${area(glassed)} of glass` : '';
    if (is === 'window') return `${on}, ${OPENING_WORDS[is]}, from ${elevation(frontMm)} up${glass}.`;
    return `${on}, ${OPENING_WORDS[is]}, ${write(Math.round(made.topMm - frontMm))} over the roof at its front, highest at ${elevation(made.topMm)}${glass}.`;
  },
};

export const roofOpeningsListed: Listed = {
  heading: 'Dormers and roof windows',
  things: ({ solved, shown }) =>
    assembliesOf(solved.assemblies, 'roofOpening')
      .filter(({ info }) => {
        const roof = assembliesOf(solved.assemblies, 'pitchedRoof').find(({ thing }) => thing === info.roof);
        return roof !== undefined && seenAt(roof, solved, shown) !== null;
      })
      .map(({ thing, name }) => ({ id: thing, words: name })),
};
