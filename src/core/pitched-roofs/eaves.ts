import { whereMore } from '../geometry/convex-clip';
import { distance, dot, minus, plus, times, type Point } from '../geometry/point';
import { contains, distanceToSegment, ringArea, type Ring } from '../geometry/polygon';
import { left } from '../roof-planes/edges';
import type { PitchedRoof, RoofFace } from '../roof-planes/pitched';
import type { AssemblyPart } from '../slants/assembly';
import { barSlant, levelSlant, slantOf, type Slant } from '../slants/slant';
import { quantiseMm } from '../units/length-units';
import { isFoot } from './foot';
import { topside, underside } from './under-roof';

/** The level side a face begins with, its inside to the left; null where it begins with none. */
function footOf({ points, band }: RoofFace): { from: Point; inwards: Point } | null {
  if (band > 0) return null;
  const low = Math.min(...points.map(({ z }) => z));
  for (const [i, from] of points.entries()) {
    const to = points[(i + 1) % points.length]!;
    if (Math.abs(from.z - low) < 1 && Math.abs(to.z - low) < 1 && distance(from, to) > 1)
      return { from, inwards: left(times(minus(to, from), 1 / distance(from, to))) };
  }
  return null;
}

/** Pieces of a face whose eaves end square to the slope: towards their foot they run out to nothing. */
export function cutSquare(face: RoofFace, slants: readonly Slant[], plumbMm: number): Slant[] {
  const foot = footOf(face);
  if (!foot) return [...slants];
  // Of a plumb thickness t at a slope a the cut reaches t · sin a · cos a inwards.
  const { runPerRise } = face;
  const inMm = (plumbMm * runPerRise) / (1 + runPerRise * runPerRise);
  const depth = (at: Point) => dot(minus(at, foot.from), foot.inwards);
  return slants.flatMap((slant) => {
    const [top, bottom] = [topside(slant), underside(slant)];
    const piece = (ring: readonly Point[], under: (at: Point) => number): Slant[] =>
      ring.length > 2 && Math.abs(ringArea(ring)) > 1
        ? [
            slantOf(
              ring.map(({ x, y }) => ({
                x,
                y,
                topMm: quantiseMm(top({ x, y })),
                bottomMm: quantiseMm(under({ x, y })),
              })),
            ),
          ]
        : [];
    const plan = slant.map(({ x, y }) => ({ x, y }));
    return [
      ...piece(
        whereMore(plan, (at) => depth(at) - inMm),
        bottom,
      ),
      ...piece(
        whereMore(plan, (at) => inMm - depth(at)),
        (at) => top(at) - plumbMm * Math.min(1, Math.max(0, depth(at) / inMm)),
      ),
    ];
  });
}

/** Boards along eaves and verges, and level ones under the eaves, at the edge of a roof that is raised to its heights. */
export function boardsOf(
  { lines, faces }: PitchedRoof,
  footprint: readonly Ring[],
  edge: readonly Ring[],
  { fascia, soffitMm }: { fascia: { heightMm: number; thicknessMm: number } | null; soffitMm: number | null },
): AssemblyPart[] {
  const feet = lines.filter(({ is }) => is === 'eaves');
  const eaves = feet.filter((line) => isFoot(line, faces));
  const edged = [...eaves, ...lines.filter(({ is }) => is === 'verge')];
  const parts: AssemblyPart[] = [];
  if (fascia) {
    const slants = edged.flatMap(({ from, to }): Slant[] => {
      // Outside the edge: away from the faces beside it.
      const way = times(minus(to, from), 1 / Math.max(distance(from, to), 1));
      const middle = times(plus(from, to), 0.5);
      const isLeft = faces.some(({ points }) => contains(points, plus(middle, times(left(way), 20))));
      const out = times(left(way), ((isLeft ? -1 : 1) * fascia.thicknessMm) / 2);
      const bar = barSlant(
        { ...plus(from, out), mm: from.z },
        { ...plus(to, out), mm: to.z },
        fascia.thicknessMm,
        fascia.heightMm,
      );
      return bar
        ? [bar.map((corner) => ({ ...corner, topMm: quantiseMm(corner.topMm), bottomMm: quantiseMm(corner.bottomMm) }))]
        : [];
    });
    if (slants.length > 0) parts.push({ name: 'fascia', slants });
  }
  if (soffitMm !== null) {
    const slants = eaves.flatMap(({ from, to }): Slant[] => {
      const strip = stripUnder(from, to, footprint, edge);
      if (!strip) return [];
      const lowMm = quantiseMm(from.z - (fascia?.heightMm ?? 200));
      return [levelSlant(strip, lowMm, quantiseMm(lowMm + soffitMm))];
    });
    if (slants.length > 0) parts.push({ name: 'soffit', slants });
  }
  return parts;
}

/** What lies between an edge of the roof and what it stands on; null where they are one. */
function stripUnder(from: Point, to: Point, footprint: readonly Ring[], edge: readonly Ring[]): Ring | null {
  for (const [k, ring] of edge.entries())
    for (let i = 0; i < ring.length; i += 1) {
      const next = (i + 1) % ring.length;
      const isThis = [from, to].every((at) => distanceToSegment(at, ring[i]!, ring[next]!) < 0.05);
      const base = footprint[k];
      if (!isThis || !base || base.length !== ring.length) continue;
      const strip = [ring[i]!, ring[next]!, base[next]!, base[i]!];
      return Math.abs(ringArea(strip)) > 100 ? strip : null;
    }
  return null;
}
