import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf, type Context, type Pass } from '../passes/pass';
import { storeysOf } from './building-passes';

/**
 * The lowest storey that is like a storey: like are those of which `text` answers the same, which spells out all that something
 * depends on there. What is worked out for one of them is right for all. By building and level.
 */
export function storeyAlike(name: string, text: (cx: Context, key: string) => string): Pass<Id> {
  const sign = definePass({ name: `what ${name} depend on`, scope: 'level', run: text });
  const alike = definePass({
    name: `storeys with the same ${name}`,
    scope: 'building',
    run: (cx, building): ReadonlyMap<Id, Id> => {
      const known = new Map<string, Id>();
      const found = new Map<Id, Id>();
      for (const { id: level } of storeysOf(cx, building)) {
        const own = cx.get(sign, keyOf(building, level));
        const same = known.get(own);
        if (same === undefined) known.set(own, level);
        found.set(level, same ?? level);
      }
      return found;
    },
  });
  return definePass({
    name: `storey with the same ${name}`,
    scope: 'level',
    run: (cx, key): Id => {
      const [building, level] = partsOf(key);
      return cx.get(alike, building).get(level) ?? level;
    },
  });
}
