import { STAIR_RULES, type RuleSet } from './rule-sets';
import { stairCandidates } from './stair-candidates';
import type { StairForm } from './stair-form';

type Worked = [risers: number, goingMm: number, flights: number[]] | null;

/**
 * Stairs worked out by a search that was written apart, in another language, from the tables of limits and sketches of the forms: height,
 * well lengthwise and across, width of flights; the best risers, going and deal, or null where nothing fits.
 */
const WORKED: readonly [StairForm, number, RuleSet, number, number, number, Worked][] = [
  ['quarterLanding', 2750, 'private', 3200, 2800, 1000, [14, 237, [7, 7]]],
  ['halfLanding', 5400, 'public', 5600, 2700, 1300, [31, 282, [16, 15]]],
  ['halfLanding', 3300, 'public', 5200, 2500, 1200, [19, 283, [10, 9]]],
  ['halfLanding', 3454.4, 'public', 4877, 2591, 1219, [20, 285, [10, 10]]],
  ['spiral', 2750, 'private', 2000, 2000, 925, [14, 234, [14]]],
  ['threeFlight', 3600, 'general', 4200, 4200, 1000, [22, 303, [8, 7, 7]]],
  ['straight', 2400, 'private', 4200, 1000, 900, [12, 230, [12]]],
  ['straight', 2700, 'private', 4200, 1000, 900, [14, 244, [14]]],
  ['straight', 3000, 'private', 4200, 1000, 900, [15, 230, [15]]],
  ['straight', 3300, 'private', 4200, 1000, 900, [17, 242, [17]]],
  ['straight', 3600, 'private', 4200, 1000, 900, [18, 230, [18]]],
  ['straight', 2800, 'public', 6200, 1200, 1100, [16, 280, [16]]],
  ['straight', 3200, 'public', 6200, 1200, 1100, [19, 293, [19]]],
  ['straight', 3658, 'public', 6200, 1200, 1100, [21, 282, [21]]],
  ['straightLanding', 2800, 'public', 9500, 1300, 1200, [16, 280, [8, 8]]],
  ['straightLanding', 3500, 'public', 9500, 1300, 1200, [20, 280, [10, 10]]],
  ['straightLanding', 4200, 'public', 9500, 1300, 1200, [24, 280, [12, 12]]],
  ['straightLanding', 5000, 'public', 9500, 1300, 1200, [29, 285, [15, 14]]],
  ['straightLanding', 2600, 'general', 8200, 1400, 1200, [16, 305, [8, 8]]],
  ['straightLanding', 3000, 'general', 8200, 1400, 1200, [18, 297, [9, 9]]],
  ['quarterLanding', 2500, 'private', 3400, 3100, 900, [13, 245, [7, 6]]],
  ['quarterLanding', 2900, 'private', 3400, 3100, 900, [15, 243, [8, 7]]],
  ['quarterLanding', 3300, 'private', 3400, 3100, 900, [17, 242, [9, 8]]],
  ['quarterLanding', 3700, 'private', 3400, 3100, 900, [19, 241, [10, 9]]],
  ['quarterLanding', 3000, 'public', 4600, 4200, 1200, [18, 297, [9, 9]]],
  ['quarterLanding', 3600, 'public', 4600, 4200, 1200, [21, 287, [11, 10]]],
  ['quarterLanding', 4000, 'public', 4600, 4200, 1200, [23, 282, [12, 11]]],
  ['quarterWinders', 2600, 'private', 2800, 2500, 850, [13, 230, [5, 4, 4]]],
  ['quarterWinders', 2800, 'private', 2800, 2500, 850, [14, 230, [5, 5, 4]]],
  ['quarterWinders', 3100, 'private', 2800, 2500, 850, [16, 243, [6, 5, 5]]],
  ['quarterWinders', 2900, 'public', 4200, 3600, 1000, [17, 289, [6, 6, 5]]],
  ['quarterWinders', 3300, 'public', 4200, 3600, 1000, [19, 283, [7, 6, 6]]],
  ['halfLanding', 2700, 'public', 5600, 2700, 1250, [16, 293, [8, 8]]],
  ['halfLanding', 3000, 'public', 5600, 2700, 1250, [18, 297, [9, 9]]],
  ['halfLanding', 3900, 'public', 5600, 2700, 1250, [23, 291, [12, 11]]],
  ['halfLanding', 4500, 'public', 5600, 2700, 1250, [26, 284, [13, 13]]],
  ['halfLanding', 4800, 'public', 5600, 2700, 1250, [28, 287, [14, 14]]],
  ['halfLanding', 2700, 'general', 5000, 2600, 1200, [16, 293, [8, 8]]],
  ['halfLanding', 3400, 'general', 5000, 2600, 1200, [20, 290, [10, 10]]],
  ['halfLanding', 4000, 'general', 5000, 2600, 1200, [24, 297, [12, 12]]],
  ['halfWinders', 2600, 'private', 2900, 2000, 850, [13, 230, [5, 4, 4]]],
  ['halfWinders', 3000, 'private', 2900, 2000, 850, [15, 230, [5, 5, 5]]],
  ['halfWinders', 3400, 'private', 2900, 2000, 850, [17, 230, [6, 6, 5]]],
  ['halfWinders', 2900, 'public', 3800, 3000, 1000, [17, 289, [6, 6, 5]]],
  ['halfWinders', 3200, 'public', 3800, 3000, 1000, [19, 293, [7, 6, 6]]],
  ['threeFlight', 3000, 'public', 4800, 4600, 1200, [18, 297, [6, 6, 6]]],
  ['threeFlight', 3600, 'public', 4800, 4600, 1200, [21, 287, [7, 7, 7]]],
  ['threeFlight', 4200, 'public', 4800, 4600, 1200, [24, 280, [8, 8, 8]]],
  ['threeFlight', 5200, 'public', 4800, 4600, 1200, [30, 283, [11, 8, 11]]],
  ['threeFlight', 2700, 'private', 3300, 3000, 900, [14, 244, [5, 5, 4]]],
  ['threeFlight', 3300, 'private', 3300, 3000, 900, [17, 242, [6, 5, 6]]],
  ['fourFlight', 3600, 'public', 4600, 4600, 1200, [21, 287, [6, 5, 5, 5]]],
  ['fourFlight', 4800, 'public', 4600, 4600, 1200, [28, 287, [7, 7, 7, 7]]],
  ['fourFlight', 6000, 'public', 4600, 4600, 1200, null],
  ['fourFlight', 3000, 'private', 3200, 3000, 900, [15, 230, [4, 4, 4, 3]]],
  ['fourFlight', 4000, 'private', 3200, 3000, 900, [20, 230, [5, 5, 5, 5]]],
  ['spiral', 2600, 'private', 2200, 2200, 1000, null],
  ['spiral', 2900, 'private', 2200, 2200, 1000, null],
  ['spiral', 3300, 'private', 2200, 2200, 1000, null],
  ['spiral', 2700, 'public', 2600, 2600, 1200, null],
  ['straight', 3700, 'public', 9000, 1200, 1100, null],
  ['halfLanding', 4200, 'general', 4000, 2600, 1200, null],
  ['spiral', 3300, 'private', 1600, 1600, 725, null],
];

it.each(WORKED)('%s of %s, %s, in %s x %s, %s wide', (form, heightMm, rules, lengthMm, widthMm, flightMm, worked) => {
  const [first] = stairCandidates({
    form,
    heightMm,
    well: { lengthMm, widthMm },
    widthMm: flightMm,
    rules: STAIR_RULES[rules],
  });
  expect(first ? [first.risers, first.goingMm, first.flights] : null).toEqual(worked);
  if (first) expect(first.verdict).toBe('ok');
});

it('are sixty and more, of every form that has a well of straight sides or a round one', () => {
  expect(WORKED.length).toBeGreaterThanOrEqual(60);
  expect(new Set(WORKED.map(([form]) => form)).size).toBe(9);
});
