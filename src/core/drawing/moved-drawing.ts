import { surveyPoint, onSite, type SurveyMm } from '../buildings/survey';
import { plus, turned, type Point } from '../geometry/point';
import type { Drawing, Primitive } from './drawing';
import { boxOf } from './drawing';

/** Whose axes a plan is drawn in: the building's, the project's, or those of the survey with north up. */
export const PLAN_AXES = ['building', 'site', 'survey'] as const;
export type PlanAxes = (typeof PLAN_AXES)[number];

/** A turn about the zero, then a shift, in the plane. */
interface Move {
  turnDeg: number;
  by: Point;
}

/** From the axes of a building to others; null where they are not known. */
export function moveTo(axes: PlanAxes, building: { at: Point; turnDeg: number }, survey: SurveyMm | null): Move | null {
  if (axes === 'building') return { turnDeg: 0, by: { x: 0, y: 0 } };
  if (axes === 'site') return { turnDeg: building.turnDeg, by: building.at };
  if (!survey) return null;
  const { eastingMm, northingMm } = surveyPoint(survey, onSite(building, { x: 0, y: 0 }));
  return { turnDeg: building.turnDeg - survey.trueNorthDeg, by: { x: eastingMm, y: northingMm } };
}

/** A drawing turned and shifted as a whole; what is written is turned with it. */
export function movedDrawing({ primitives, marks }: Drawing, { turnDeg, by }: Move): Drawing {
  const at = (point: Point): Point => plus(turned(point, turnDeg), by);
  const moved = (primitive: Primitive): Primitive => {
    switch (primitive.type) {
      case 'path':
        return { ...primitive, points: primitive.points.map(at) };
      case 'area':
        return { ...primitive, rings: primitive.rings.map((ring) => ring.map(at)) };
      case 'circle':
        return { ...primitive, at: at(primitive.at) };
      case 'arc': {
        const { arc } = primitive;
        return { ...primitive, arc: { ...arc, centre: at(arc.centre), fromDeg: arc.fromDeg + turnDeg } };
      }
      case 'text':
        return { ...primitive, at: at(primitive.at), turnDeg: primitive.turnDeg + turnDeg };
    }
  };
  const all = primitives.map(moved);
  return {
    primitives: all,
    marks: marks.map(({ from, to, through, text, parts }) => ({
      from: at(from),
      to: at(to),
      through: at(through),
      text,
      // Its parts stand among the primitives too: the same object there.
      parts: parts.map((part) => all[primitives.indexOf(part)] ?? moved(part)),
    })),
    box: boxOf(all),
  };
}
