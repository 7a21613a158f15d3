import { counted, type Listed, type Sentence } from '../kinds/said';
import { assembliesOf } from '../slants/assembly';
import { slopeInFull } from './slope-words';

export const rampSentence: Sentence<'ramp'> = {
  of: ({ id, startsAt, stopsAt }, { solved, level, write }) => {
    const made = assembliesOf(solved.assemblies, 'ramp').find(({ thing }) => thing === id);
    const where = `From ${level(startsAt.level)} to ${level(stopsAt.level)}`;
    if (!made) return `${where}. It climbs nothing.`;
    const { riseMm, runMm, slopeRatio, landings, innerRatio, outerRatio, form } = made.info;
    const round = form === 'circular' ? `; inside ${slopeInFull(innerRatio)}, outside ${slopeInFull(outerRatio)}` : '';
    return `${where}: ${write(Math.abs(riseMm))} ${riseMm < 0 ? 'down' : 'up'} in ${write(runMm)}, ${slopeInFull(slopeRatio)}${round}; ${landings === 0 ? 'no landing' : counted(landings, 'landing')} on the way.`;
  },
};

export const rampsListed: Listed = {
  heading: 'Ramps',
  things: ({ solved, shown }) =>
    assembliesOf(solved.assemblies, 'ramp')
      .filter(({ level }) => level === shown.id)
      .map(({ thing, name }) => ({ id: thing, words: name })),
};
