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

/** Centre post of a spiral stair, mm. */
const POST_MM = 150;
/** The least inner radius of a circular stair that is as large as it must be, mm. */
const LEAST_INNER_MM = 300;

const diameterOf = ({ lengthMm, widthMm }: WellSize): number => Math.min(lengthMm, widthMm);

/** Goings on a walking line so long, with headroom: under the platform one arrives at, and under the treads a round higher. */
function underOverhead(roundMm: number, { landingMm, rules, overMm }: FormSizes, riserMm: number) {
  const { headroomMm } = rules;
  return {
    platform: ((roundMm - landingMm) * riserMm) / (headroomMm + overMm.landing),
    // Undersides are stepped: the pitch is nearly a riser higher just before one.
    treads: (roundMm * riserMm) / (headroomMm + overMm.tread + riserMm),
  };
}

/** The longest going on a walking line that leaves the platform one arrives at room of its own, or headroom under what comes to lie over it. */
function goingRound(roundMm: number, parts: readonly Part[], sizes: FormSizes, riserMm: number): number {
  const { landingMm } = sizes;
  const treads = treadsOf(parts);
  const once = goingIn(roundMm - parts.length * landingMm, treads);
  if (parts.length > 1) return once;
  const under = underOverhead(roundMm, sizes, riserMm);
  return Math.max(once, Math.min(under.platform, Math.max(goingIn(roundMm, treads), under.treads)));
}

/** The least walking line for a going: the other way round. */
function leastRound(goingMm: number, parts: readonly Part[], sizes: FormSizes, riserMm: number): number {
  const { landingMm, rules, overMm } = sizes;
  const run = treadsOf(parts) * goingMm;
  const once = run + parts.length * landingMm;
  if (parts.length > 1) return once;
  const platform = landingMm + (goingMm * (rules.headroomMm + overMm.landing)) / riserMm;
  const treads = (goingMm * (rules.headroomMm + overMm.tread + riserMm)) / riserMm;
  return Math.min(once, Math.max(platform, Math.min(run, treads)));
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
