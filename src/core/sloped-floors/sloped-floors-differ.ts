import type { Compared, Consequence } from '../kinds/consequence';
import { slopeWords } from '../ramps/slope-words';
import { assembliesOf } from '../slants/assembly';

/** Sloped floors that are steeper or less steep. */
export function slopedFloorsDiffer({ before, after }: Compared): Consequence[] {
  const was = new Map(
    assembliesOf(before.solved.assemblies, 'slopedFloor').map(({ thing, info }) => [thing, info.steepest]),
  );
  const write = (ratio: number | null) => (ratio === null ? 'level' : slopeWords(ratio));
  return assembliesOf(after.solved.assemblies, 'slopedFloor').flatMap(({ thing, name, level, info }): Consequence[] => {
    const old = was.get(thing);
    if (old === info.steepest) return [];
    const from = old === undefined ? '' : `${write(old)} → `;
    return [{ about: 'stairs', words: `Sloped floor ${name}: ${from}${write(info.steepest)}`, ids: [thing], level }];
  });
}
