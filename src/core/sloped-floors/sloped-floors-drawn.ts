import { arrowAlong } from '../drawing/arrow';
import type { Primitive } from '../drawing/drawing';
import { minus, plus, times } from '../geometry/point';
import { ringArea } from '../geometry/polygon';
import { cosDeg, sinDeg } from '../geometry/trig';
import type { PlanAt } from '../kinds/drawn';
import { slopeWords } from '../ramps/slope-words';
import { assembliesOf } from '../slants/assembly';
import { assembliesInSection } from '../slants/draw-slants';
import type { Solved } from '../solving/solved';
import type { SlopedFace } from './faces';

const ARROW_MM = 2;
const TEXT_MM = 2.3;

/** Sloped floors in the plan of their level: faces with the way they fall and how steeply, and the heights of their corners. */
export const slopedFloorsInPlan = ({ assemblies }: Solved, view: PlanAt): Primitive[] =>
  assembliesOf(assemblies, 'slopedFloor')
    .filter(({ building, level }) => building === view.building && level === view.level)
    .flatMap(({ thing: id, info }) => [
      ...info.faces.flatMap((face) => drawFace(face, id, view)),
      ...info.corners.map(({ x, y, z }): Primitive => ({
        type: 'text',
        style: 'stairText',
        id,
        at: { x, y: y - TEXT_MM * view.scale },
        text: view.writeElevation?.(z) ?? view.writeLength(z),
        heightMm: TEXT_MM * view.scale,
        turnDeg: 0,
      })),
    ]);

function drawFace({ points, slopeRatio, fallDeg }: SlopedFace, id: string, view: PlanAt): Primitive[] {
  const ring = points.map(({ x, y }) => ({ x, y }));
  const area: Primitive = { type: 'area', style: 'stairSeen', id, rings: [ring] };
  if (slopeRatio === null || fallDeg === null) return [area];
  const middle = times(
    ring.reduce((sum, point) => plus(sum, point), { x: 0, y: 0 }),
    1 / ring.length,
  );
  // As long as a quarter of the face is wide about.
  const half = Math.sqrt(Math.abs(ringArea(ring))) / 5;
  const way = { x: cosDeg(fallDeg) * half, y: sinDeg(fallDeg) * half };
  return [
    area,
    ...arrowAlong(
      [minus(middle, way), plus(middle, way)],
      Math.min(ARROW_MM * view.scale, half),
      'stairArrow',
      id,
      false,
    ),
    {
      type: 'text',
      style: 'stairText',
      id,
      at: { x: middle.x, y: middle.y + TEXT_MM * view.scale },
      text: slopeWords(slopeRatio),
      heightMm: TEXT_MM * view.scale,
      turnDeg: 0,
    },
  ];
}

export const slopedFloorsInSection = assembliesInSection('slopedFloor', { seen: 'stairSeen', cut: 'stairCut' });
