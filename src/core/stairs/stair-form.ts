import type { StairRules } from './rule-sets';

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

/** A well in plan: lengthwise the way one enters, and across. */
export interface WellSize {
  lengthMm: number;
  widthMm: number;
}

/** A part of a stair: its risers, and the treads that lie in it before the next part begins. */
interface Part {
  risers: number;
  treads: number;
}

/** One way to deal the risers of a storey: straight flights, tapered treads, landings between. */
export interface Deal {
  parts: readonly Part[];
  /** How many risers are climbed without a landing, the most of them. */
  inOne: number;
}

/** What a form asks of a well when its risers are dealt in one way. */
export interface FormSizes {
  /** Of a flight, and of a landing along the way. */
  flightMm: number;
  landingMm: number;
  rules: StairRules;
}

/** A well with the least going there may be: no flight has more risers than it has room for. */
export interface Room extends WellSize {
  goingMm: number;
  flightMm: number;
}

/** A form of stair: how risers may be dealt, how much room each part has in a well, and the least well for a going. */
export interface FormOfStair {
  /** Every way to deal a count to flights of at most `limit` risers; without a well those that leave no part of one unused. */
  deals: (count: number, limit: number, room: Room | null) => Deal[];
  /** The longest going each part of a deal leaves in a well; null where the stair is not in it at all. */
  goingMost: (deal: Deal, well: WellSize, sizes: FormSizes, riserMm: number) => number | null;
  /** The least well for a going, whole millimetres. */
  leastWell: (deal: Deal, goingMm: number, sizes: FormSizes, riserMm: number) => WellSize;
  /** How deep its landings are in a well; 0 where it has none. */
  landingIn: (deal: Deal, goingMm: number, well: WellSize, sizes: FormSizes) => number;
  /** How wide a flight is where nothing is said. */
  usualFlight: (well: WellSize | null) => number;
}

/** Flight width where neither it nor a well is given, mm. */
const USUAL_MM = 1000;
/** Eye of a half-turn stair where nothing is said, mm. */
const USUAL_EYE_MM = 200;
/** Centre post of a spiral stair, and the thickness of its treads, mm. */
const POST_MM = 150;
const TREAD_MM = 50;
/** The least inner radius of a circular stair that is as large as it must be, mm. */
const LEAST_INNER_MM = 300;

const up = (mm: number): number => Math.ceil(mm - 1e-6);
/** Going that a number of treads leaves in a room; any where there are none. */
const goingIn = (roomMm: number, treads: number): number =>
  roomMm < -1e-6 ? -1 : treads === 0 ? Infinity : roomMm / treads;
const smallest = (goings: readonly number[]): number | null => {
  const least = Math.min(...goings);
  return least < 0 ? null : least;
};

/** Where the going of tapered treads is measured, from their narrow end, mm. */
const walkingLine = ({ tapered }: StairRules, flightMm: number): number =>
  tapered.middleBelowMm !== null && flightMm < tapered.middleBelowMm
    ? flightMm / 2
    : Math.min(tapered.fromNarrowMm, flightMm);

/** Risers of flights with landings between them: a flight has one tread fewer than risers. */
const inFlights = (risers: readonly number[]): Deal => ({
  parts: risers.map((each) => ({ risers: each, treads: each - 1 })),
  inOne: Math.max(...risers),
});

/** Every way to deal a count to flights of at most so many risers each, one at least. */
function dealt(count: number, most: readonly number[]): number[][] {
  const [first = 0, ...others] = most;
  if (others.length === 0) return count >= 1 && count <= first ? [[count]] : [];
  return Array.from({ length: Math.max(0, Math.min(first, count - others.length)) }, (_, i) => i + 1).flatMap((here) =>
    dealt(count - here, others).map((rest) => [here, ...rest]),
  );
}

/** Most risers of a flight in a length of a well. */
const mostIn = (lengthMm: number, { goingMm }: Room, limit: number): number =>
  Math.max(0, Math.min(limit, Math.floor(lengthMm / goingMm + 1e-9) + 1));

/** A count in two as even as can be, the first taking the odd one; null where that is over the limit. */
const halved = (count: number, limit: number): [number, number] | null =>
  count < 2 || Math.ceil(count / 2) > limit ? null : [Math.ceil(count / 2), Math.floor(count / 2)];

const flightsOf =
  (flights: number) =>
  (count: number, limit: number): Deal[] =>
    dealt(count, Array<number>(flights).fill(limit)).map(inFlights);

/** Straight treads, tapered ones through a turn, straight ones again: climbed without a landing. */
const throughTurn = (mostTapered: number) => (count: number, limit: number) =>
  count > limit
    ? []
    : Array.from({ length: Math.min(mostTapered, count - 2) }, (_, i) => i + 1).flatMap((tapered) =>
        dealt(count - tapered, [limit, limit]).map(([before, after]) => ({
          parts: [
            // Each riser before the turn, and within it, is followed by a tread.
            { risers: before!, treads: before! },
            { risers: tapered, treads: tapered },
            { risers: after!, treads: after! - 1 },
          ],
          inOne: count,
        })),
      );

/** Radius of the narrow ends of tapered treads through a part of a circle, so that each is deep enough there. */
const innerFor = (treads: number, turn: number, { tapered }: StairRules): number => (tapered.narrowMm * treads) / turn;

const QUARTER = Math.PI / 2;

const straight: FormOfStair = {
  deals: flightsOf(1),
  goingMost: ({ parts: [only] }, { lengthMm, widthMm }, { flightMm }) =>
    widthMm < flightMm - 1e-6 ? null : smallest([goingIn(lengthMm, only!.treads)]),
  leastWell: ({ parts: [only] }, going, { flightMm }) => ({ lengthMm: only!.treads * going, widthMm: up(flightMm) }),
  landingIn: () => 0,
  usualFlight: (well) => well?.widthMm ?? USUAL_MM,
};

const straightLanding: FormOfStair = {
  deals: flightsOf(2),
  goingMost: ({ parts }, { lengthMm, widthMm }, { flightMm, landingMm }) =>
    widthMm < flightMm - 1e-6 ? null : smallest([goingIn(lengthMm - landingMm, treadsOf(parts))]),
  leastWell: ({ parts }, going, { flightMm, landingMm }) => ({
    lengthMm: up(treadsOf(parts) * going + landingMm),
    widthMm: up(flightMm),
  }),
  landingIn: ({ parts }, going, { lengthMm }) => lengthMm - treadsOf(parts) * going,
  usualFlight: (well) => well?.widthMm ?? USUAL_MM,
};

const treadsOf = (parts: readonly Part[]): number => parts.reduce((sum, { treads }) => sum + treads, 0);

/** The landing in the corner is as wide as both flights. */
const quarterLanding: FormOfStair = {
  deals: flightsOf(2),
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
  deals: flightsOf(2),
  goingMost: ({ parts: [first, second] }, { lengthMm, widthMm }, { flightMm, landingMm }) =>
    widthMm < 2 * flightMm - 1e-6
      ? null
      : smallest([goingIn(lengthMm - landingMm, Math.max(first!.treads, second!.treads))]),
  leastWell: ({ parts: [first, second] }, going, { flightMm, landingMm }) => ({
    lengthMm: up(Math.max(first!.treads, second!.treads) * going + landingMm),
    widthMm: up(2 * flightMm + USUAL_EYE_MM),
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
const threeFlight: FormOfStair = {
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
const fourFlight: FormOfStair = {
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
const spiral: FormOfStair = {
  ...around(POST_MM / 2),
  deals: flightsOf(1),
  landingIn: () => 0,
  usualFlight: (well) => (well ? (diameterOf(well) - POST_MM) / 2 : USUAL_MM),
};

const circular: FormOfStair = {
  ...around(LEAST_INNER_MM),
  deals: (count, limit) => [...flightsOf(1)(count, limit), ...flightsOf(2)(count, limit)],
  landingIn: ({ parts }, _, __, { landingMm }) => (parts.length > 1 ? landingMm : 0),
  usualFlight: () => USUAL_MM,
};

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
