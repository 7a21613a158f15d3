import { mmOf } from '../dimensions/resolve-length';
import { definePass, partsOf } from '../passes/pass';
import type { Slant } from '../slants/slant';
import { wallPlanPass } from '../walls/wall-plans';
import { topsOverStrips } from './over-walls';
import { roofSlantsPass } from './pitched-roof-passes';

/**
 * The pieces whose undersides a wall that ends at roofs goes up to, by building and wall: the roofs themselves, or where it stands over them
 * by a height the tops of those over it and beside it.
 */
export const goesUpToPass = definePass({
  name: 'what a wall at roofs goes up to',
  scope: 'thing',
  run: (cx, key): readonly Slant[] => {
    const [building] = partsOf(key);
    const slants = cx.get(roofSlantsPass, building);
    const plan = slants.length > 0 ? cx.get(wallPlanPass, key) : null;
    const isThrough =
      plan && plan.record.stopsAt.face === 'roof' && mmOf(cx.framework, plan.record.stopsAt.offsetMm) > 0;
    return isThrough ? topsOverStrips(slants, plan.strips) : slants;
  },
});
