import {
  USUAL_MM,
  flightsOf,
  goingIn,
  smallest,
  treadsOf,
  up,
  walkingLine,
  type FormOfStair,
  type FormSizes,
  type Part,
  type WellSize,
} from './form-of-stair';
import type { StairRules } from './rule-sets';

/** Centre post of a spiral stair, and the thickness of its treads, mm. */
const POST_MM = 150;
const TREAD_MM = 50;
/** The least inner radius of a circular stair that is as large as it must be, mm. */
const LEAST_INNER_MM = 300;

const diameterOf = ({ lengthMm, widthMm }: WellSize): number => Math.min(lengthMm, widthMm);

/** How many risers come to lie over a nosing with headroom under their treads. */
const risersOver = (riserMm: number, { headroomMm }: StairRules): number =>
  Math.ceil((headroomMm + TREAD_MM) / riserMm - 1e-9);

/** The longest going on a walking line that goes round once at most, or as far round as leaves headroom under what comes over it. */
function goingRound(roundMm: number, parts: readonly Part[], { landingMm, rules }: FormSizes, riserMm: number): number {
  const landings = (parts.length - 1) * landingMm;
  const once = goingIn(roundMm - landings, treadsOf(parts));
  return landings > 0 ? once : Math.max(once, roundMm / risersOver(riserMm, rules));
}

/** The least walking line for a going: the other way round. */
function leastRound(goingMm: number, parts: readonly Part[], { landingMm, rules }: FormSizes, riserMm: number): number {
  const landings = (parts.length - 1) * landingMm;
  const once = treadsOf(parts) * goingMm + landings;
  return landings > 0 ? once : Math.min(once, risersOver(riserMm, rules) * goingMm);
}

/** A well for a walking line that goes round, with flights beside an inner radius of at least so much. */
function roundWell(roundMm: number, leastInnerMm: number, { flightMm, rules }: FormSizes): WellSize {
  const inner = Math.max(leastInnerMm, roundMm / (2 * Math.PI) - walkingLine(rules, flightMm));
  return { lengthMm: up(2 * (inner + flightMm)), widthMm: up(2 * (inner + flightMm)) };
}

const around = (leastInnerMm: number): Pick<FormOfStair, 'goingMost' | 'leastWell'> => ({
  goingMost: ({ parts }, well, sizes, riserMm) => {
    const { flightMm, rules } = sizes;
    const inner = diameterOf(well) / 2 - flightMm;
    if (inner < leastInnerMm - 1e-6) return null;
    return smallest([goingRound(2 * Math.PI * (inner + walkingLine(rules, flightMm)), parts, sizes, riserMm)]);
  },
  leastWell: ({ parts }, going, sizes, riserMm) =>
    roundWell(leastRound(going, parts, sizes, riserMm), leastInnerMm, sizes),
});

/** In a well wider than it needs the post is as thick as that. */
export const spiral: FormOfStair = {
  ...around(POST_MM / 2),
  deals: flightsOf(1),
  landingIn: () => 0,
  usualFlight: (well) => (well ? (diameterOf(well) - POST_MM) / 2 : USUAL_MM),
};

export const circular: FormOfStair = {
  ...around(LEAST_INNER_MM),
  deals: (count, limit) => [...flightsOf(1)(count, limit), ...flightsOf(2)(count, limit)],
  landingIn: ({ parts }, _, __, { landingMm }) => (parts.length > 1 ? landingMm : 0),
  usualFlight: () => USUAL_MM,
};
