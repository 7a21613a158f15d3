import { called } from '../checks/check-space';
import { finding, type Finding } from '../checks/finding';
import { between } from '../buildings/between-buildings';
import { sharedByRegions } from '../geometry/boolean';
import type { Point } from '../geometry/point';
import { boundsOf, boxesMeet, type Box } from '../geometry/polygon';
import type { SpaceSolid } from '../kinds/in-space';
import type { Id } from '../model/ids';
import { definePass, type Context } from '../passes/pass';
import { buildingsPass } from '../solving/building-passes';
import { formatLength, formatVolume } from '../units/format-length';
import { solidsPass } from './in-storey-passes';

/** Plan areas less than this only touch, mm². */
const TOUCH_MM2 = 1000;
/** Heights less than this only touch, mm. */
const TOUCH_MM = 1;
/** Less than this is nothing a person could see or build, mm³: a cube of 100 mm. */
const NOTHING_MM3 = 1e6;
/** With more pairs than this it is the buildings that are in one another's place. */
const MOST_PAIRS = 5;

/** Bodies of a building with the box around them; free space and ceilings are none. */
function bodiesOf(cx: Context, building: Id): { bodies: SpaceSolid[]; box: Box | null } {
  const bodies = cx.get(solidsPass, building).filter(({ rank }) => rank !== 'shaft' && rank !== 'ceiling');
  if (bodies.length === 0) return { bodies, box: null };
  return { bodies, box: boundsOf(bodies.map(({ shape: { box } }) => corners(box))) };
}

const corners = ({ minX, minY, maxX, maxY }: Box): Point[] => [
  { x: minX, y: minY },
  { x: maxX, y: minY },
  { x: maxX, y: maxY },
  { x: minX, y: maxY },
];

interface Pair {
  own: SpaceSolid;
  other: SpaceSolid;
  mm3: number;
  at: Point;
}

/** Things of two buildings in the same space, in the axes and heights of the first; a party wall is one thing. */
function sharedBetween(cx: Context, a: Id, b: Id): Pair[] {
  const [own, other] = [bodiesOf(cx, a), bodiesOf(cx, b)];
  if (!own.box || !other.box) return [];
  const { move, liftMm } = between(cx.framework, b, a);
  const box = boundsOf([corners(other.box).map(move)]);
  if (!boxesMeet(own.box, box)) return [];
  const moved = other.bodies.flatMap((solid) => {
    const there = boundsOf([corners(solid.shape.box).map(move)]);
    if (!boxesMeet(own.box!, there)) return [];
    return [{ solid, box: there, bottomMm: solid.bottomMm + liftMm, topMm: solid.topMm + liftMm }];
  });
  const pairs = new Map<string, Pair>();
  for (const solid of own.bodies) {
    if (!boxesMeet(solid.shape.box, box)) continue;
    for (const each of moved) {
      const heightMm = Math.min(solid.topMm, each.topMm) - Math.max(solid.bottomMm, each.bottomMm);
      if (heightMm <= TOUCH_MM || solid.thing === each.solid.thing || !boxesMeet(solid.shape.box, each.box)) continue;
      const regions = each.solid.shape.regions.map(({ outer, holes }) => ({
        outer: outer.map(move),
        holes: holes.map((hole) => hole.map(move)),
      }));
      const { areaMm2, centroid } = sharedByRegions(solid.shape.regions, regions);
      if (areaMm2 <= TOUCH_MM2) continue;
      const key = `${solid.thing} ${each.solid.thing}`;
      const pair = pairs.get(key) ?? { own: solid, other: each.solid, mm3: 0, at: centroid };
      pairs.set(key, { ...pair, mm3: pair.mm3 + areaMm2 * heightMm });
    }
  }
  return [...pairs.values()].filter(({ mm3 }) => mm3 > NOTHING_MM3);
}

/** Things of two buildings in the same space; told of the one that comes first. */
export const betweenFindingsPass = definePass<readonly Finding[]>({
  name: 'check of what buildings share',
  scope: 'building',
  run: (cx, building) => {
    const buildings = cx.get(buildingsPass, '');
    const at = buildings.findIndex(({ id }) => id === building);
    const here = buildings[at];
    if (!here) return [];
    return buildings.slice(at + 1).flatMap((other): Finding[] => {
      const pairs = sharedBetween(cx, building, other.id);
      if (pairs.length > MOST_PAIRS) {
        const mm3 = pairs.reduce((sum, pair) => sum + pair.mm3, 0);
        const message = `Buildings ${here.name} and ${other.name} are in the same space: ${pairs.length} pairs of things, ${formatVolume(mm3)}. Move one of the buildings`;
        return [finding('space.shared', building, null, [building, other.id], message)];
      }
      return pairs.map((pair) => {
        const place = `${formatLength(pair.at.x)}, ${formatLength(pair.at.y)} mm`;
        return finding(
          'space.shared',
          building,
          pair.own.level,
          [pair.own.thing, pair.other.thing],
          `${capital(called(pair.own))} of building ${here.name} and ${called(pair.other)} of building ${other.name} are in the same space at ${place}: ${formatVolume(pair.mm3)}. Move one of them, or let the buildings share one wall`,
        );
      });
    });
  },
  failing: (_, building) => ({ what: 'The check of what buildings share', building, about: [], value: [] }),
});

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
