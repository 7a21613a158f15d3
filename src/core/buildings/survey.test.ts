import fc from 'fast-check';
import { distance } from '../geometry/point';
import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, refusal, step } from '../testing/given';
import { onSite, surveyPoint } from './survey';

const survey = { eastingMm: 1e6, northingMm: 2e6, heightMm: 0, trueNorthDeg: 0 };

describe('the survey', () => {
  it('turns with true north: where north points left, what lies right lies south', () => {
    expect(surveyPoint(survey, { x: 300, y: 700 })).toEqual({ eastingMm: 1_000_300, northingMm: 2_000_700 });
    const left = { ...survey, trueNorthDeg: 90 };
    const { eastingMm, northingMm } = surveyPoint(left, { x: 300, y: 700 });
    expect([eastingMm, northingMm].map(Math.round)).toEqual([1_000_700, 1_999_700]);
  });

  it('keeps distances, whatever the direction of north and the building’s own turn', () => {
    const mm = fc.integer({ min: -90_000, max: 90_000 });
    const point = fc.record({ x: mm, y: mm });
    fc.assert(
      fc.property(
        point,
        point,
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 0, max: 359 }),
        (p, q, north, turnDeg) => {
          const building = { at: { x: 4000, y: -700 }, turnDeg };
          const [a, b] = [p, q].map((each) => {
            const at = surveyPoint({ ...survey, trueNorthDeg: north }, onSite(building, each));
            return { x: at.eastingMm, y: at.northingMm };
          });
          expect(distance(a!, b!)).toBeCloseTo(distance(p, q), 3);
        },
      ),
    );
  });
});

it('lengths of a survey are read like any other, and what cannot be is refused', () => {
  const tower = given(FURNISHED);
  const surveyed = step(tower, 'project.setSurvey', {
    eastingMm: '412300m',
    northingMm: 98_700_000,
    heightMm: '4.2m',
    trueNorthDeg: 6.1,
  }).after;
  expect(solve(surveyed).survey).toEqual({
    eastingMm: 412_300_000,
    northingMm: 98_700_000,
    heightMm: 4200,
    trueNorthDeg: 6.1,
  });
  expect(recordsOf(surveyed, 'project')).toHaveLength(1);
  expect(refusal(tower, 'project.setSurvey', { eastingMm: 'far', northingMm: 0 })).toMatch(/^The easting: /);
  const renamed = step(surveyed, 'project.start', { name: 'New name' }).after;
  expect(solve(renamed).survey?.trueNorthDeg).toBe(6.1);
});
