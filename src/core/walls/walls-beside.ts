import { mmOf } from '../dimensions/resolve-length';
import { boxesMeet } from '../geometry/polygon';
import { recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf } from '../passes/pass';
import { typedPlanPass } from './wall-plans';
import { besideNear } from './wall-squares';

/** No wall is thicker, whatever type it has at a level, mm. */
const thickestPass = definePass({
  name: 'thickest type of wall',
  scope: 'project',
  run: ({ framework }): number => {
    const thickness = recordsOf(framework, 'wallType').map(({ layers }) =>
      layers.reduce((sum, layer) => sum + mmOf(framework, layer.thicknessMm), 0),
    );
    return Math.max(0, ...thickness);
  },
});

/** Walls that may stand beside a wall of a type and meet it in plan, itself among them; by building, wall and type. */
export const besidePass = definePass({
  name: 'walls beside a wall',
  scope: 'thing',
  run: (cx, key): readonly Id[] => {
    const [building, wall] = partsOf(key);
    const plan = cx.get(typedPlanPass, key);
    if (!plan) return [];
    // What lies round their paths may be of a thicker type, and their ends brought through another wall.
    const byMm = 2 * cx.get(thickestPass, '');
    const { minX, minY, maxX, maxY } = plan.box;
    const box = { minX: minX - byMm, minY: minY - byMm, maxX: maxX + byMm, maxY: maxY + byMm };
    const near = [...besideNear(cx, keyOf(building, wall), box)].filter(({ around }) => boxesMeet(around, box));
    return near.map(({ id }) => id).sort();
  },
});
