import type { Compared, Consequence } from '../kinds/consequence';
import { assembliesOf } from '../slants/assembly';

/** Dormers and roof windows that come out higher or lower. */
export function roofOpeningsDiffer({ before, after, elevation }: Compared): Consequence[] {
  const was = new Map(assembliesOf(before.solved.assemblies, 'roofOpening').map(({ thing, topMm }) => [thing, topMm]));
  return assembliesOf(after.solved.assemblies, 'roofOpening').flatMap(
    ({ thing, name, level, topMm }): Consequence[] => {
      const old = was.get(thing);
      if (old !== undefined && Math.abs(old - topMm) < 0.5) return [];
      const words = `Roof opening ${name}: ${old === undefined ? '' : `${elevation(old)} → `}${elevation(topMm)} at its highest`;
      return [{ about: 'floors', words, ids: [thing], level }];
    },
  );
}
