import {
  QUARTER,
  ROUND_SIDES,
  USUAL_EYE_MM,
  USUAL_MM,
  dealt,
  flightsOf,
  goingIn,
  halved,
  inFlights,
  innerFor,
  mostIn,
  smallest,
  throughTurn,
  treadsOf,
  up,
  walkingLine,
  type Deal,
  type FormOfStair,
  type Room,
  type RoundForm,
} from './form-of-stair';
import { circular, spiral } from './round-forms';

/** Forms of stairs, as they are called in files and on the command line. */
export const STAIR_FORMS = [
  'straight',
  'straightLanding',
  'quarterLanding',
  'quarterWinders',
  'halfLanding',
  'halfWinders',
  'threeFlight',
  'fourFlight',
  'spiral',
  'circular',
] as const;
export type StairForm = (typeof STAIR_FORMS)[number];

/** In a well that is no rectangle there are flights along its sides, or none. */
export const goesRound = (form: StairForm): form is RoundForm => form in ROUND_SIDES;

/** No flight has more risers than a length has room for. */
const inLengths =
  (lengths: (room: Room) => readonly number[], flights: number) =>
  (count: number, limit: number, room: Room | null): Deal[] =>
    room
      ? dealt(
          count,
          lengths(room).map((mm) => mostIn(mm, room, limit)),
        ).map(inFlights)
      : flightsOf(flights)(count, limit);

const straight: FormOfStair = {
  deals: inLengths(({ lengthMm }) => [lengthMm], 1),
  goingMost: ({ parts: [only] }, { lengthMm, widthMm }, { flightMm }) =>
    widthMm < flightMm - 1e-6 ? null : smallest([goingIn(lengthMm, only!.treads)]),
  leastWell: ({ parts: [only] }, going, { flightMm }) => ({ lengthMm: only!.treads * going, widthMm: up(flightMm) }),
  landingIn: () => 0,
  usualFlight: (well) => well?.widthMm ?? USUAL_MM,
};

const straightLanding: FormOfStair = {
  deals: inLengths(({ lengthMm, landingMm }) => [lengthMm - landingMm, lengthMm - landingMm], 2),
  goingMost: ({ parts }, { lengthMm, widthMm }, { flightMm, landingMm }) =>
    widthMm < flightMm - 1e-6 ? null : smallest([goingIn(lengthMm - landingMm, treadsOf(parts))]),
  leastWell: ({ parts }, going, { flightMm, landingMm }) => ({
    lengthMm: up(treadsOf(parts) * going + landingMm),
    widthMm: up(flightMm),
  }),
  landingIn: ({ parts }, going, { lengthMm }) => lengthMm - treadsOf(parts) * going,
  usualFlight: (well) => well?.widthMm ?? USUAL_MM,
};

/** The landing in the corner is as wide as both flights. */
const quarterLanding: FormOfStair = {
  deals: inLengths(({ lengthMm, widthMm, flightMm }) => [lengthMm - flightMm, widthMm - flightMm], 2),
  goingMost: ({ parts: [first, second] }, { lengthMm, widthMm }, { flightMm }) =>
    smallest([goingIn(lengthMm - flightMm, first!.treads), goingIn(widthMm - flightMm, second!.treads)]),
  leastWell: ({ parts: [first, second] }, going, { flightMm }) => ({
    lengthMm: up(first!.treads * going + flightMm),
    widthMm: up(second!.treads * going + flightMm),
  }),
  landingIn: (_, __, ___, { flightMm }) => flightMm,
  usualFlight: () => USUAL_MM,
};

const quarterWinders: FormOfStair = {
  deals: throughTurn(6),
  goingMost: ({ parts: [first, turn, last] }, { lengthMm, widthMm }, { flightMm, rules }) => {
    const line = walkingLine(rules, flightMm);
    const least = innerFor(turn!.treads, QUARTER, rules);
    const within = smallest([
      goingIn(lengthMm - flightMm - least, first!.treads),
      goingIn(QUARTER * (least + line), turn!.treads),
      goingIn(widthMm - flightMm - least, last!.treads),
    ]);
    if (within === null) return null;
    // Wider round the newel the tapered treads are deeper, and the straight ones have less room.
    const perMm = turn!.treads / QUARTER;
    const wider = Math.min(
      (lengthMm - flightMm + line) / (first!.treads + perMm),
      (widthMm - flightMm + line) / (last!.treads + perMm),
    );
    return wider * perMm - line >= least ? Math.max(within, wider) : within;
  },
  leastWell: ({ parts: [first, turn, last] }, going, { flightMm, rules }) => {
    // Wider round the newel where the going asks for it.
    const inner = Math.max(
      innerFor(turn!.treads, QUARTER, rules),
      (turn!.treads * going) / QUARTER - walkingLine(rules, flightMm),
    );
    return {
      lengthMm: up(first!.treads * going + flightMm + inner),
      widthMm: up(last!.treads * going + flightMm + inner),
    };
  },
  landingIn: () => 0,
  usualFlight: () => USUAL_MM,
};

const halfLanding: FormOfStair = {
  deals: inLengths(({ lengthMm, landingMm }) => [lengthMm - landingMm, lengthMm - landingMm], 2),
  goingMost: ({ parts: [first, second] }, { lengthMm, widthMm }, { flightMm, landingMm, leastEyeMm }) =>
    widthMm < 2 * flightMm + leastEyeMm - 1e-6
      ? null
      : smallest([goingIn(lengthMm - landingMm, Math.max(first!.treads, second!.treads))]),
  leastWell: ({ parts: [first, second] }, going, { flightMm, landingMm, eyeMm }) => ({
    lengthMm: up(Math.max(first!.treads, second!.treads) * going + landingMm),
    widthMm: up(2 * flightMm + eyeMm),
  }),
  landingIn: ({ parts: [first, second] }, going, { lengthMm }) =>
    lengthMm - Math.max(first!.treads, second!.treads) * going,
  usualFlight: (well) => (well ? (well.widthMm - Math.min(USUAL_EYE_MM, well.widthMm / 4)) / 2 : USUAL_MM),
};

const halfWinders: FormOfStair = {
  deals: throughTurn(12),
  goingMost: ({ parts: [first, turn, last] }, { lengthMm, widthMm }, { flightMm, rules }) => {
    // The treads taper round the middle of the eye.
    const inner = widthMm / 2 - flightMm;
    if (inner < innerFor(turn!.treads, Math.PI, rules) - 1e-6) return null;
    const room = lengthMm - flightMm - inner;
    return smallest([
      goingIn(room, first!.treads),
      goingIn(Math.PI * (inner + walkingLine(rules, flightMm)), turn!.treads),
      goingIn(room, last!.treads),
    ]);
  },
  leastWell: ({ parts: [first, turn, last] }, going, { flightMm, rules }) => {
    const inner = Math.max(
      innerFor(turn!.treads, Math.PI, rules),
      (turn!.treads * going) / Math.PI - walkingLine(rules, flightMm),
    );
    return {
      lengthMm: up(Math.max(first!.treads, last!.treads) * going + flightMm + inner),
      widthMm: up(2 * (flightMm + inner)),
    };
  },
  landingIn: () => 0,
  usualFlight: (well) => (well ? (well.widthMm - Math.min(USUAL_EYE_MM, well.widthMm / 4)) / 2 : USUAL_MM),
};

/** Along, across, and back: two landings in the far corners. */
const threeInRectangle: FormOfStair = {
  deals: (count, limit, room) => {
    if (room) {
      const [along, across] = [room.lengthMm - room.flightMm, room.widthMm - 2 * room.flightMm];
      const sides = mostIn(along, room, limit);
      return dealt(count, [sides, mostIn(across, room, limit), sides]).map(inFlights);
    }
    // A well that is made for it has the first and the last flight alike.
    return Array.from({ length: Math.min(limit, count) }, (_, i) => i + 1).flatMap((middle) => {
      const sides = halved(count - middle, limit);
      return sides ? [inFlights([sides[0], middle, sides[1]])] : [];
    });
  },
  goingMost: ({ parts: [first, second, third] }, { lengthMm, widthMm }, { flightMm }) =>
    smallest([
      goingIn(lengthMm - flightMm, Math.max(first!.treads, third!.treads)),
      goingIn(widthMm - 2 * flightMm, second!.treads),
    ]),
  leastWell: ({ parts: [first, second, third] }, going, { flightMm }) => ({
    lengthMm: up(Math.max(first!.treads, third!.treads) * going + flightMm),
    widthMm: up(second!.treads * going + 2 * flightMm),
  }),
  landingIn: (_, __, ___, { flightMm }) => flightMm,
  usualFlight: () => USUAL_MM,
};

/** Round all four sides, back over the corner where one enters: the floor is the landing there. */
const fourInRectangle: FormOfStair = {
  deals: (count, limit, room) => {
    if (room) {
      const along = mostIn(room.lengthMm - 2 * room.flightMm, room, limit);
      const across = mostIn(room.widthMm - 2 * room.flightMm, room, limit);
      return dealt(count, [along, across, along, across]).map(inFlights);
    }
    return Array.from({ length: Math.max(0, count - 3) }, (_, i) => i + 2).flatMap((lengthwise) => {
      const [along, across] = [halved(lengthwise, limit), halved(count - lengthwise, limit)];
      return along && across ? [inFlights([along[0], across[0], along[1], across[1]])] : [];
    });
  },
  goingMost: ({ parts: [first, second, third, fourth] }, { lengthMm, widthMm }, { flightMm }) =>
    smallest([
      goingIn(lengthMm - 2 * flightMm, Math.max(first!.treads, third!.treads)),
      goingIn(widthMm - 2 * flightMm, Math.max(second!.treads, fourth!.treads)),
    ]),
  leastWell: ({ parts: [first, second, third, fourth] }, going, { flightMm }) => ({
    lengthMm: up(Math.max(first!.treads, third!.treads) * going + 2 * flightMm),
    widthMm: up(Math.max(second!.treads, fourth!.treads) * going + 2 * flightMm),
  }),
  landingIn: (_, __, ___, { flightMm }) => flightMm,
  usualFlight: () => USUAL_MM,
};

/** In a well of any corners flights have the room its sides leave them; in a rectangle, or one made for them, what its form says. */
const roundSides = (form: RoundForm, inRectangle: FormOfStair): FormOfStair => ({
  ...inRectangle,
  deals: (count, limit, room) => {
    if (!room?.runsMm) return inRectangle.deals(count, limit, room);
    const runs = room.runsMm[form];
    return runs
      ? dealt(
          count,
          runs.map((mm) => mostIn(mm, room, limit)),
        ).map(inFlights)
      : [];
  },
  goingMost: (deal, well, sizes, riserMm) => {
    if (!well.runsMm) return inRectangle.goingMost(deal, well, sizes, riserMm);
    const runs = well.runsMm[form];
    return runs && smallest(deal.parts.map(({ treads }, i) => goingIn(runs[i]!, treads)));
  },
});
const threeFlight = roundSides('threeFlight', threeInRectangle);
const fourFlight = roundSides('fourFlight', fourInRectangle);

export const FORMS: Record<StairForm, FormOfStair> = {
  straight,
  straightLanding,
  quarterLanding,
  quarterWinders,
  halfLanding,
  halfWinders,
  threeFlight,
  fourFlight,
  spiral,
  circular,
};

/** What a form is called. */
export const FORM_WORDS: Record<StairForm, string> = {
  straight: 'Straight',
  straightLanding: 'Straight with a landing',
  quarterLanding: 'Quarter turn with a landing',
  quarterWinders: 'Quarter turn with tapered treads',
  halfLanding: 'Half turn with a landing',
  halfWinders: 'Half turn with tapered treads',
  threeFlight: 'Three flights round a well',
  fourFlight: 'Four flights round a well',
  spiral: 'Spiral round a post',
  circular: 'Round an open middle',
};
