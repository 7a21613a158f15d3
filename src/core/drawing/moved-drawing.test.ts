import { onSite, surveyPoint } from '../buildings/survey';
import type { Drawing } from './drawing';
import { moveTo, movedDrawing } from './moved-drawing';

const building = { at: { x: 12_000, y: -4000 }, turnDeg: 30 };
const survey = { eastingMm: 412_345_600, northingMm: 98_765_400, heightMm: 0, trueNorthDeg: 6.1 };
const points = [
  { x: 0, y: 0 },
  { x: 7200, y: 6600 },
];
const drawing: Drawing = {
  primitives: [{ type: 'path', style: 'gridLine', id: null, points, closed: false }],
  marks: [],
  box: null,
};
const drawnIn = (axes: 'building' | 'site' | 'survey') => {
  const [path] = movedDrawing(drawing, moveTo(axes, building, survey)!).primitives;
  return path!.type === 'path' ? path!.points : [];
};

it('a plan in other axes has each point where the site and the survey have it', () => {
  expect(drawnIn('building')).toEqual(points);
  points.forEach((point, i) => {
    const site = onSite(building, point);
    expect(drawnIn('site')[i]!.x).toBeCloseTo(site.x, 5);
    expect(drawnIn('site')[i]!.y).toBeCloseTo(site.y, 5);
    const { eastingMm, northingMm } = surveyPoint(survey, site);
    expect(drawnIn('survey')[i]!.x).toBeCloseTo(eastingMm, 4);
    expect(drawnIn('survey')[i]!.y).toBeCloseTo(northingMm, 4);
  });
  expect(moveTo('survey', building, null)).toBeNull();
});
