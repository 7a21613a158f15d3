import { z } from 'zod';
import { marked, ref } from '../kinds/marks';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { following } from '../typical/typical';
import type { ResolvedLevel } from './resolve-levels';

/** The levels something serves: all from one to another, new ones between included, or just those named. */
export const extentSchema = marked(
  z.union([
    z.object({ range: z.tuple([ref('refuse'), ref('refuse')]) }),
    z.object({ at: z.array(ref('refuse')).min(1, 'Choose a level at least') }),
  ]),
  { is: 'extent' },
);
export type Extent = z.infer<typeof extentSchema>;

/** The levels named by an extent. Levels named one by one may be mezzanines; a range passes them by. */
function levelsOfExtent(extent: Extent, storeys: readonly ResolvedLevel[], floored: readonly ResolvedLevel[]): Id[] {
  if ('at' in extent) return floored.filter(({ id }) => extent.at.includes(id)).map(({ id }) => id);
  const ranks = extent.range.map((end) => storeys.findIndex(({ id }) => id === end));
  const [low, high] = [Math.min(...ranks), Math.max(...ranks)];
  return low < 0 ? [] : storeys.slice(low, high + 1).map(({ id }) => id);
}

/** Those levels, and the levels that follow one of them as their master. */
export function servedLevels(
  framework: Framework,
  extent: Extent,
  storeys: readonly ResolvedLevel[],
  floored: readonly ResolvedLevel[],
): Id[] {
  const own = new Set(levelsOfExtent(extent, storeys, floored));
  const { masterOf } = following(framework);
  return floored.filter(({ id }) => own.has(id) || own.has(masterOf.get(id) ?? '')).map(({ id }) => id);
}

/** An extent without a level that goes; null where nothing is left. */
export function extentWithout(extent: Extent, level: Id, above: Id | undefined, below: Id | undefined): Extent | null {
  if ('at' in extent) {
    const at = extent.at.filter((id) => id !== level);
    return at.length === 0 ? null : { at };
  }
  const [from, to] = extent.range as [Id, Id];
  const range = [from === level ? above : from, to === level ? below : to];
  if ((from === level && to === level) || !range[0] || !range[1]) return null;
  return { range: [range[0], range[1]] };
}
