import type { Primitive } from '../drawing/drawing';
import { alongOf, depthOf } from '../drawing/section-plane';
import { nearestMm } from '../drawing/section-shapes';
import type { Style } from '../drawing/styles';
import { unionLess } from '../geometry/boolean';
import { convexHull } from '../geometry/convex-hull';
import { counterClockwise, ringArea, type Ring } from '../geometry/polygon';
import { ofBuilding, type InSection, type SectionAt } from '../kinds/drawn';
import { assembliesOf, type AssemblyKind } from './assembly';
import type { Slant } from './slant';
import type { Pieces } from './solids-of-slants';

/** Where a section's plane enters a piece, or leaves it: along the section, with its heights there, the building's. */
interface CutEnd {
  x: number;
  topMm: number;
  bottomMm: number;
}

/** From where to where a section's plane cuts a piece; null where it does not. */
export function cutEnds(slant: Slant, { frame, isCut }: Pick<SectionAt, 'frame' | 'isCut'>): [CutEnd, CutEnd] | null {
  if (!isCut) return null;
  const meets = slant.flatMap((a, i): CutEnd[] => {
    const b = slant[(i + 1) % slant.length]!;
    const [da, db] = [depthOf(frame, a), depthOf(frame, b)];
    if (da > 0 === db > 0) return [];
    const t = da / (da - db);
    const between = (p: number, q: number) => p + (q - p) * t;
    return [
      {
        x: between(alongOf(frame, a), alongOf(frame, b)),
        topMm: between(a.topMm, b.topMm),
        bottomMm: between(a.bottomMm, b.bottomMm),
      },
    ];
  });
  return meets.length < 2 ? null : [meets[0]!, meets.at(-1)!];
}

function cutSlant(slant: Slant, at: Pick<SectionAt, 'frame' | 'isCut'>): Ring | null {
  const ends = cutEnds(slant, at);
  if (!ends) return null;
  const [p, q] = ends;
  const ring = counterClockwise([
    { x: p.x, y: p.bottomMm },
    { x: q.x, y: q.bottomMm },
    { x: q.x, y: q.topMm },
    { x: p.x, y: p.topMm },
  ]);
  return Math.abs(ringArea(ring)) < 1 ? null : ring;
}

/** A piece beyond a plane, seen square to it: null where it is before the plane, or cut. */
function seenSlant(slant: Slant, { frame, isCut }: Pick<SectionAt, 'frame' | 'isCut'>): Ring | null {
  const depths = slant.map((corner) => depthOf(frame, corner));
  if (isCut && Math.min(...depths) < 0) return null;
  const hull = convexHull(
    slant.flatMap((corner) => {
      const x = alongOf(frame, corner);
      return [
        { x, y: corner.topMm },
        { x, y: corner.bottomMm },
      ];
    }),
  );
  return hull.length > 2 && Math.abs(ringArea(hull)) > 1 ? hull : null;
}

/** Pieces from the farthest to the nearest, so that what is nearer lies over what is behind it. */
const fromFar = (slants: readonly Slant[], { frame }: Pick<SectionAt, 'frame'>): Slant[] =>
  slants
    .map((slant) => ({ slant, depth: slant.reduce((sum, corner) => sum + depthOf(frame, corner), 0) / slant.length }))
    .sort((a, b) => b.depth - a.depth)
    .map(({ slant }) => slant);

/** What a part is drawn of: each piece by itself from the farthest on, or all of it as one. */
function ringsOf(
  slants: readonly Slant[],
  of: typeof cutSlant,
  at: SectionAt,
  pieces: Pieces,
): { rings: Ring[]; of: readonly Slant[] }[] {
  const found = fromFar(slants, at).flatMap((slant) => {
    const ring = of(slant, at);
    return ring ? [{ rings: [ring], of: [slant] }] : [];
  });
  if (pieces === 'each' || found.length < 2) return found;
  const { regions } = unionLess(
    found.flatMap(({ rings }) => rings),
    [],
  );
  return regions.map(({ outer, holes }) => ({ rings: [outer, ...holes], of: found.flatMap((each) => each.of) }));
}

/** Assemblies of a kind in sections and elevations. */
export const assembliesInSection = (
  kind: AssemblyKind,
  styles: { seen: Style; cut: Style },
  pieces: Pieces = 'each',
): InSection => {
  const draw =
    (of: typeof cutSlant, style: Style): NonNullable<InSection['seen']>['draw'] =>
    ({ assemblies }, at) =>
      ofBuilding(assembliesOf(assemblies, kind), at).flatMap((each) => {
        const parts = pieces === 'whole' ? each.parts : [{ slants: each.parts.flatMap(({ slants }) => slants) }];
        const drawn = parts.flatMap(({ slants }) => ringsOf(slants, of, at, pieces));
        if (pieces === 'whole') drawn.sort((a, b) => depthOfAll(b.of, at) - depthOfAll(a.of, at));
        return drawn.map(({ rings, of: slants }): Primitive => ({
          type: 'area',
          style,
          id: each.thing,
          ...(of === seenSlant ? { depthMm: Math.min(...slants.map((slant) => nearestMm(at.frame, slant))) } : {}),
          rings: rings.map((ring) => ring.map(({ x, y }) => ({ x, y: y + at.liftMm }))),
        }));
      });
  return {
    seen: { at: 'stairs', draw: draw(seenSlant, styles.seen) },
    cut: { at: 'stairs', draw: draw(cutSlant, styles.cut) },
  };
};

/** How far off pieces lie on the whole. */
const depthOfAll = (slants: readonly Slant[], { frame }: Pick<SectionAt, 'frame'>): number => {
  const corners = slants.flat();
  return corners.reduce((sum, corner) => sum + depthOf(frame, corner), 0) / Math.max(corners.length, 1);
};
