import { arrowAlong } from '../drawing/arrow';
import type { Primitive } from '../drawing/drawing';
import { circleOf } from '../geometry/curve';
import { minus, plus, times, type Point } from '../geometry/point';
import { ringArea, ringMoment, type Ring } from '../geometry/polygon';
import type { PlanAt } from '../kinds/drawn';
import { slopeWords } from '../ramps/slope-words';
import { assembliesOf, type Assembly } from '../slants/assembly';
import { assembliesInSection } from '../slants/draw-slants';
import type { Solved } from '../solving/solved';
import { outlinesOf } from './fall-planes';

const ARROW_MM = 2;
const TEXT_MM = 2.3;

/** Layers of falls in the plan of their level: faces with the way they fall, kerbs, gutters, outlets, and how thick they are at most. */
export const fallsInPlan = ({ assemblies }: Solved, view: PlanAt): Primitive[] =>
  assembliesOf(assemblies, 'fallLayer')
    .filter(({ building, level }) => building === view.building && level === view.level)
    .flatMap((each) => draw(each, view));

function draw({ thing: id, info, parts }: Assembly<'fallLayer'>, view: PlanAt): Primitive[] {
  const text = (at: Point, words: string): Primitive => ({
    type: 'text',
    style: 'roofText',
    id,
    at,
    text: words,
    heightMm: TEXT_MM * view.scale,
    turnDeg: 0,
  });
  const words = slopeWords(info.slopeRatio, 'percent');
  return [
    ...info.faces.flatMap((face) =>
      outlinesOf(face).flatMap(({ outer, holes }): Primitive[] => {
        const middle = middleOf(outer);
        const half = Math.sqrt(Math.abs(ringArea(outer))) / 6;
        const way = times(face.uphill, -half);
        return [
          { type: 'area', style: 'roofSeen', id, rings: [outer, ...holes].map(copied) },
          ...arrowAlong(
            [minus(middle, way), plus(middle, way)],
            Math.min(ARROW_MM * view.scale, half),
            'roofArrow',
            id,
            false,
          ),
          text(plus(middle, { x: 0, y: TEXT_MM * view.scale }), words),
        ];
      }),
    ),
    ...parts
      .filter(({ name }) => name !== 'falls')
      .flatMap(({ slants }) => slants)
      .map((slant): Primitive => ({ type: 'path', style: 'roofLine', id, points: copied(slant), closed: true })),
    ...info.outlets.flatMap(({ at, diameterMm }): Primitive[] => {
      // No smaller than one sees.
      const radius = Math.max(diameterMm / 2, 0.8 * view.scale);
      const arm = (x: number, y: number): Primitive => ({
        type: 'path',
        style: 'roofLine',
        id,
        points: [
          { x: at.x - x * radius, y: at.y - y * radius },
          { x: at.x + x * radius, y: at.y + y * radius },
        ],
        closed: false,
      });
      return [
        { type: 'path', style: 'roofLine', id, points: circleOf(at, radius, 24), closed: true },
        arm(1, 0),
        arm(0, 1),
        text({ x: at.x, y: at.y - radius - TEXT_MM * 1.6 * view.scale }, view.writeLength(info.leastMm)),
      ];
    }),
    ...thickest(info).map((at) =>
      text({ x: at.x, y: at.y + 0.6 * TEXT_MM * view.scale }, view.writeLength(info.mostMm)),
    ),
  ];
}

const copied = (ring: Ring) => ring.map(({ x, y }) => ({ x, y }));

const middleOf = (ring: Ring): Point => {
  const area = ringArea(ring);
  return times(ringMoment(ring), 1 / area);
};

/** Where it is thickest: one corner of it. */
function thickest({ faces, slopeRatio, leastMm, mostMm }: Assembly<'fallLayer'>['info']): Point[] {
  for (const { uphill, foot, pieces } of faces)
    for (const at of pieces.flat()) {
      const way = minus(at, foot);
      const mm = leastMm + (way.x * uphill.x + way.y * uphill.y) / slopeRatio;
      if (Math.abs(mm - mostMm) < 0.5) return [at];
    }
  return [];
}

export const fallsInSection = assembliesInSection('fallLayer', { seen: 'roofSeen', cut: 'roofCut' }, 'whole');
