import type { Compared, Consequence } from '../kinds/consequence';
import { assembliesOf } from '../slants/assembly';

/** Layers of falls that are thicker or thinner, larger or smaller. */
export function fallsDiffer({ before, after, area, write }: Compared): Consequence[] {
  const was = new Map(assembliesOf(before.solved.assemblies, 'fallLayer').map(({ thing, info }) => [thing, info]));
  return assembliesOf(after.solved.assemblies, 'fallLayer').flatMap(({ thing, name, level, info }): Consequence[] => {
    const old = was.get(thing);
    if (old && old.mostMm === info.mostMm && Math.abs(old.areaMm2 - info.areaMm2) < 1) return [];
    const words = `Layer of falls ${name}: ${old ? `${write(old.mostMm)} → ` : ''}${write(info.mostMm)} at its thickest, ${area(info.areaMm2)}`;
    return [{ about: 'floors', words, ids: [thing], level }];
  });
}
