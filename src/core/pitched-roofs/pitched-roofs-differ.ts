import type { Compared, Consequence } from '../kinds/consequence';
import { assembliesOf } from '../slants/assembly';

/** Pitched roofs that are larger or smaller, higher or lower. */
export function pitchedRoofsDiffer({ before, after, area, elevation }: Compared): Consequence[] {
  const was = new Map(assembliesOf(before.solved.assemblies, 'pitchedRoof').map(({ thing, info }) => [thing, info]));
  return assembliesOf(after.solved.assemblies, 'pitchedRoof').flatMap(({ thing, name, level, info }): Consequence[] => {
    const old = was.get(thing);
    if (old && old.ridgeMm === info.ridgeMm && Math.abs(old.areaMm2 - info.areaMm2) < 1) return [];
    const words = `Roof ${name}: ${old ? `${area(old.areaMm2)} → ` : ''}${area(info.areaMm2)}, highest at ${elevation(info.ridgeMm)}`;
    return [{ about: 'floors', words, ids: [thing], level }];
  });
}
