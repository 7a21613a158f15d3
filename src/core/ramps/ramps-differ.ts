import type { Compared, Consequence } from '../kinds/consequence';
import { assembliesOf } from '../slants/assembly';
import { slopeWords } from './slope-words';

/** Ramps of another slope, and those that may not be so steep any more. */
export function rampsDiffer({ before, after, write }: Compared): Consequence[] {
  const was = new Map(assembliesOf(before.solved.assemblies, 'ramp').map((ramp) => [ramp.thing, ramp.info]));
  return assembliesOf(after.solved.assemblies, 'ramp').flatMap(({ thing, name, level, info }): Consequence[] => {
    const old = was.get(thing);
    if (old && old.riseMm === info.riseMm && old.runMm === info.runMm) return [];
    const now = `${write(Math.abs(info.riseMm))} in ${write(info.runMm)}, ${slopeWords(info.slopeRatio)}`;
    const may = info.verdict === 'ok' ? '' : ', steeper than it may be';
    return [{ about: 'stairs', words: `Ramp ${name}: ${now}${may}`, ids: [thing], level }];
  });
}
