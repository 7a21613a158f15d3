import Flatbush from 'flatbush';
import { boxOf, textBox, type Drawing, type Primitive } from '@/core/drawing/drawing';
import { nearestOn } from '@/core/geometry/curve';
import { distance, type Point } from '@/core/geometry/point';
import { contains, distanceToSegment, type Ring } from '@/core/geometry/polygon';
import type { Id } from '@/core/model/ids';
import { styleOf } from '@/core/drawing/styles';

export interface HitIndex {
  /** What lies under a point, within a reach: what is preferred, else the smallest kind of thing first. */
  at: (point: Point, reachMm: number, preferred?: readonly Id[]) => Id | null;
  /** The primitive there, for telling a grid line's head from the line. */
  primitiveAt: (point: Point, reachMm: number, preferred?: readonly Id[]) => Primitive | null;
  /** All that lies under a point, each once, in the order it is pressed for. */
  allAt: (point: Point, reachMm: number) => Id[];
  /** What lies wholly in a box. */
  within: (a: Point, b: Point) => Id[];
  /** Columns, shafts, stairs and walls wholly or partly in a box. */
  touched: (a: Point, b: Point) => Id[];
}

/** A spatial index over a display list, for pointing at things. */
export function hitIndex(drawing: Drawing): HitIndex {
  const pickable = drawing.primitives.filter(({ id, style }) => id !== null && styleOf(style).press !== null);
  const index = pickable.length > 0 ? new Flatbush(pickable.length) : null;
  for (const primitive of pickable) {
    const box = boxOf([primitive])!;
    index!.add(box.minX, box.minY, box.maxX, box.maxY);
  }
  index?.finish();
  const found = (minX: number, minY: number, maxX: number, maxY: number): Primitive[] =>
    (index?.search(minX, minY, maxX, maxY) ?? []).map((i) => pickable[i]!);
  const primitivesAt = (point: Point, reachMm: number, preferred: readonly Id[] = []): Primitive[] => {
    const hits = found(point.x - reachMm, point.y - reachMm, point.x + reachMm, point.y + reachMm).filter((primitive) =>
      isHit(primitive, point, reachMm),
    );
    const rank = ({ id, style }: Primitive) => styleOf(style).press! - (preferred.includes(id!) ? 10 : 0);
    return hits.sort((a, b) => rank(a) - rank(b));
  };
  const primitiveAt: HitIndex['primitiveAt'] = (point, reachMm, preferred) =>
    primitivesAt(point, reachMm, preferred)[0] ?? null;
  return {
    at: (point, reachMm, preferred) => primitiveAt(point, reachMm, preferred)?.id ?? null,
    primitiveAt,
    allAt: (point, reachMm) => [...new Set(primitivesAt(point, reachMm).map(({ id }) => id!))],
    within: (a, b) => {
      const [minX, maxX] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
      const [minY, maxY] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
      const isOut = (primitive: Primitive) => {
        const box = boxOf([primitive])!;
        return box.minX < minX || box.minY < minY || box.maxX > maxX || box.maxY > maxY;
      };
      // Something is out with any part of it.
      const near = new Set(found(minX, minY, maxX, maxY).map(({ id }) => id!));
      for (const primitive of pickable) if (near.has(primitive.id!) && isOut(primitive)) near.delete(primitive.id!);
      return [...near];
    },
    touched: (a, b) => {
      const hits = found(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y));
      return [...new Set(hits.filter(({ style }) => TOUCHED.has(style)).map(({ id }) => id!))];
    },
  };
}

const TOUCHED: ReadonlySet<Primitive['style']> = new Set([
  'columnCut',
  'shaftOpen',
  'shaftClosed',
  'stairSeen',
  'wallCut',
]);
const THIN: ReadonlySet<Primitive['style']> = new Set(['wallCut', 'columnCut']);

const isBeside = (ring: Ring, point: Point, mm: number): boolean =>
  ring.some((a, i) => distanceToSegment(point, a, ring[(i + 1) % ring.length]!) <= mm);

function isHit(primitive: Primitive, point: Point, reachMm: number): boolean {
  if (primitive.type === 'circle') return distance(primitive.at, point) <= primitive.radiusMm + reachMm;
  if (primitive.type === 'arc') {
    const { arc } = primitive;
    return distance(nearestOn(arc, point), point) <= reachMm;
  }
  if (primitive.type === 'area')
    return (
      (contains(primitive.rings[0]!, point) && !primitive.rings.slice(1).some((hole) => contains(hole, point))) ||
      // Walls and columns are thin from afar.
      (THIN.has(primitive.style) && primitive.rings.some((ring) => isBeside(ring, point, reachMm / 2)))
    );
  if (primitive.type === 'path') {
    return primitive.points.slice(1).some((next, i) => distanceToSegment(point, primitive.points[i]!, next) <= reachMm);
  }
  const box = textBox(primitive);
  return (
    point.x >= box.minX - reachMm &&
    point.x <= box.maxX + reachMm &&
    point.y >= box.minY - reachMm &&
    point.y <= box.maxY + reachMm
  );
}
