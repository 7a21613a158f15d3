import { clippedTo, isSome, lessNear, whereMore } from '../geometry/convex-clip';
import { convexParts } from '../geometry/convex-parts';
import { bounds, boxesMeet, type Ring } from '../geometry/polygon';
import { underside } from '../pitched-roofs/under-roof';
import { levelSlant, slantOf, type Slant } from '../slants/slant';
import { quantiseMm } from '../units/length-units';

/** A ceiling between two heights in a room under roofs. */
interface Hung {
  bottomMm: number;
  topMm: number;
  /** The height of the floor: nothing of it hangs lower. */
  floorMm: number;
  /** Where the roof is lower it goes on along that; else it ends there. */
  alongRoof: boolean;
}

/** A ceiling in a region under roofs: level where their undersides are higher than it, along them where they are lower. */
export function ceilingAtRoofs(
  slants: readonly Slant[],
  [ring, ...holes]: readonly Ring[],
  { bottomMm, topMm, floorMm, alongRoof }: Hung,
): { level: Slant[]; along: Slant[] } {
  const open = holes.flatMap((hole) => convexParts(hole));
  const regions = convexParts(ring!).flatMap((part) =>
    open.reduce<Ring[]>((left, hole) => left.flatMap((each) => lessNear(each, hole)), [part]),
  );
  const thickMm = topMm - bottomMm;
  const found: { level: Slant[]; along: Slant[] } = { level: [], along: [] };
  for (const slant of slants)
    for (const region of regions) {
      if (!boxesMeet(bounds(slant), bounds(region))) continue;
      const shared = clippedTo(slant, region);
      if (!isSome(shared)) continue;
      const under = underside(slant);
      const high = whereMore(shared, (at) => under(at) - topMm);
      if (isSome(high)) found.level.push(levelSlant(high, bottomMm, topMm));
      if (!alongRoof) continue;
      const low = whereMore(
        whereMore(shared, (at) => topMm - under(at)),
        (at) => under(at) - thickMm - floorMm,
      );
      if (!isSome(low)) continue;
      found.along.push(
        slantOf(
          low.map(({ x, y }) => {
            const mm = quantiseMm(under({ x, y }));
            return { x, y, topMm: mm, bottomMm: quantiseMm(mm - thickMm) };
          }),
        ),
      );
    }
  return found;
}
