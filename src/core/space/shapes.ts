import type { Region } from '../geometry/boolean';
import { bounds, boundsOf, counterClockwise, type Ring } from '../geometry/polygon';
import type { PlanShape, Shapes } from '../kinds/in-space';
import type { Context } from '../passes/pass';

/** Profiles and rings that are one object are one shape. */
const known = new WeakMap<object, PlanShape>();
let numbered = 0;

function shapeOf(same: object, regionsOf: () => readonly Region[]): PlanShape {
  let shape = known.get(same);
  if (!shape) {
    const regions = regionsOf();
    const outers = regions.map(({ outer }) => outer);
    shape = { number: (numbered += 1), regions, box: outers.length === 1 ? bounds(outers[0]!) : boundsOf(outers) };
    known.set(same, shape);
  }
  return shape;
}

export const shapeOfRegions = (regions: readonly Region[]): PlanShape => shapeOf(regions, () => regions);
export const shapeOfRing = (ring: Ring): PlanShape =>
  shapeOf(ring, () => [{ outer: counterClockwise(ring), holes: [] }]);

/** Shapes of what a pass works with. */
export const shapesOf = ({ profiles, facts, remembered }: Context): Shapes => ({
  ofProfile: (key) => shapeOfRegions(profiles.known(key).regions),
  ofRing: (ring) => shapeOfRing(facts.one(ring)),
  of: (text, ring) => remembered.of(`shape ${text}`, () => shapeOfRing(facts.one(ring()))),
});
