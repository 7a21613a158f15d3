import { z } from 'zod';
import { plus, turned, type Point } from '../geometry/point';
import { angleSchema, lengthSchema } from '../model/fields';
import { quantiseMm } from '../units/length-units';

/** Where the project stands in the survey: coordinates of its zero and the direction of true north. */
export const surveySchema = z.object({
  eastingMm: lengthSchema,
  northingMm: lengthSchema,
  /** Height of the project's zero above the survey datum. */
  heightMm: lengthSchema,
  /** Direction of true north, counter-clockwise from the project's y axis. */
  trueNorthDeg: angleSchema,
});

/** The same in millimetres and degrees. */
export interface SurveyMm {
  eastingMm: number;
  northingMm: number;
  heightMm: number;
  trueNorthDeg: number;
}

/** Eastings and northings of a point given in project axes. */
export function surveyPoint(survey: SurveyMm, point: Point): { eastingMm: number; northingMm: number } {
  const { x, y } = turned(point, -survey.trueNorthDeg);
  return { eastingMm: quantiseMm(survey.eastingMm + x), northingMm: quantiseMm(survey.northingMm + y) };
}

/** A point of a building in project axes. */
export const onSite = (building: { at: Point; turnDeg: number }, point: Point): Point =>
  plus(building.at, turned(point, building.turnDeg));
