import { counted, type Listed, type Sentence } from '../kinds/said';
import { slopeOfRun } from '../roof-planes/slopes';
import { assembliesOf } from '../slants/assembly';
import { seenAt } from './seen-at';
import type { PitchedForm } from './solve-pitched-roof';

/** What forms are called. */
export const FORM_WORDS: Record<PitchedForm, string> = {
  mono: 'one slope',
  saddle: 'saddle',
  hip: 'hipped',
  pyramid: 'pyramid',
  mansard: 'two slopes one over the other',
  butterfly: 'butterfly',
  sawtooth: 'saw-tooth',
  mixed: 'slopes and gables',
};

export const pitchedRoofSentence: Sentence<'pitchedRoof'> = {
  of: ({ id, eavesAt }, { solved, level, elevation, area }) => {
    const made = assembliesOf(solved.assemblies, 'pitchedRoof').find(({ thing }) => thing === id);
    if (!made) return `At ${level(eavesAt.level)}. It cannot be worked out.`;
    const { faces, form, ridgeMm, areaMm2 } = made.info;
    const slopes = [...new Set(faces.map(({ runPerRise }) => Math.round(slopeOfRun(runPerRise) * 10) / 10))];
    const steep = slopes.length > 3 ? `${Math.min(...slopes)}° to ${Math.max(...slopes)}°` : `${slopes.join('°, ')}°`;
    return `At ${level(eavesAt.level)}, ${FORM_WORDS[form]}, ${counted(faces.length, 'face')} at ${steep}; highest at ${elevation(ridgeMm)}, ${area(areaMm2)} of roof.`;
  },
};

export const pitchedRoofsListed: Listed = {
  heading: 'Pitched roofs',
  things: ({ solved, shown }) =>
    assembliesOf(solved.assemblies, 'pitchedRoof')
      .filter((roof) => seenAt(roof, solved, shown) !== null)
      .map(({ thing, name }) => ({ id: thing, words: name })),
};
