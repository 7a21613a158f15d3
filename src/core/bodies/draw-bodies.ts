import type { Primitive } from '../drawing/drawing';
import { distance, minus, type Point } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import { bounds, type Ring } from '../geometry/polygon';
import type { PlanView } from '../drawing/plan-view';
import { box, cutStretches, nearestMm, ringsOf, stretchOf } from '../drawing/section-shapes';
import type { SectionAt } from '../kinds/drawn';
import { facet } from '../kinds/kind';
import { definitionOf } from '../kinds/registry';
import type { Solved } from '../solving/solved';
import type { Body } from './body';

/** How high names of bodies are written, mm on paper. */
const TEXT_MM = 2.3;

/** The layer a body is drawn on in files. */
const layerOf = ({ kind }: Pick<Body, 'kind'>): string => facet(definitionOf(kind).bodies)?.layer ?? 'BODIES';

/** Bodies that hang over a storey, seen from below: dashed, with their names along them. */
export function drawBodiesOver({ bodies, profiles }: Solved, view: PlanView): Primitive[] {
  return bodies
    .filter(({ seenAt }) => seenAt === view.level)
    .flatMap((body): Primitive[] => {
      const layer = layerOf(body);
      const rings = ringsOf(profiles[body.profile]!);
      const { long, turnDeg, at } = along(body.ring);
      const heightMm = Math.min(TEXT_MM * view.scale, long / (body.name.length * 0.9));
      return [
        { type: 'area', style: 'bodyOver', id: body.thing, rings, layer },
        { type: 'text', style: 'bodyText', id: body.thing, at, text: body.name, heightMm, turnDeg, layer },
      ];
    });
}

/** A body where the plane cuts it, or beyond the plane. */
export function drawBody(solved: Solved, body: Body, from: SectionAt, wantsCut: boolean): Primitive[] {
  if (wantsCut && !from.isCut) return [];
  const rings = ringsOf(solved.profiles[body.profile]!);
  const cut = from.isCut ? cutStretches(from.frame, rings) : [];
  // What is cut is not seen beyond as well.
  const seen = !wantsCut && cut.length === 0 ? stretchOf(body.ring, from, false) : null;
  const stretches = wantsCut ? cut : seen ? [seen] : [];
  return stretches.map(([x0, x1]): Primitive => ({
    type: 'area',
    style: wantsCut ? 'bodyCut' : 'bodySeen',
    id: body.thing,
    layer: layerOf(body),
    ...(wantsCut ? {} : { depthMm: nearestMm(from.frame, body.ring) }),
    rings: [box(x0, body.bottomMm + from.liftMm, x1, body.topMm + from.liftMm)],
  }));
}

/** The longer way of a ring: how long it is, where its middle lies, and how text along it is turned so that it can be read. */
function along(ring: Ring): { long: number; turnDeg: number; at: Point } {
  let [long, way] = [0, { x: 1, y: 0 }];
  ring.forEach((from, i) => {
    const to = ring[(i + 1) % ring.length]!;
    const length = distance(from, to);
    if (length > long) [long, way] = [length, minus(to, from)];
  });
  const { minX, maxX, minY, maxY } = bounds(ring);
  const turn = directionDeg(way.y, way.x);
  const upright = turn > 90 ? turn - 180 : turn <= -90 ? turn + 180 : turn;
  return { long, turnDeg: upright, at: { x: (minX + maxX) / 2, y: (minY + maxY) / 2 } };
}
