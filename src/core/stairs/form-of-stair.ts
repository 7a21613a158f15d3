import type { StairRules } from './rule-sets';

/** Forms that go round the sides of a well, with their number of flights. */
export const ROUND_SIDES = { threeFlight: 3, fourFlight: 4 } as const;
export type RoundForm = keyof typeof ROUND_SIDES;

/** A well in plan: lengthwise the way one enters, and across. */
export interface WellSize {
  lengthMm: number;
  widthMm: number;
  /** Of a well that is no rectangle: the room each flight has along its sides, by the form; null where they do not go round it. */
  runsMm?: Readonly<Record<RoundForm, readonly number[] | null>>;
}

/** A part of a stair: its risers, and the treads that lie in it before the next part begins. */
export interface Part {
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
  /** Between two flights that come back beside one another, in a well made for them. */
  eyeMm: number;
  /** No less than this is between them in a well that is there. */
  leastEyeMm: number;
  /** From the top of a tread, and of a landing, to its underside. */
  overMm: { tread: number; landing: number };
  rules: StairRules;
}

/** A well with the least going there may be: no flight has more risers than it has room for. */
export interface Room extends WellSize {
  goingMm: number;
  flightMm: number;
  landingMm: number;
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
export const USUAL_MM = 1000;
/** Treads and landings over others where nothing is said, mm. */
export const USUAL_OVER_MM = 50;
/** Eye of a half-turn stair where nothing is said, mm. */
export const USUAL_EYE_MM = 200;
export const up = (mm: number): number => Math.ceil(mm - 1e-6);
/** Going that a number of treads leaves in a room; any where there are none. */
export const goingIn = (roomMm: number, treads: number): number =>
  roomMm < -1e-6 ? -1 : treads === 0 ? Infinity : roomMm / treads;
export const smallest = (goings: readonly number[]): number | null => {
  const least = Math.min(...goings);
  return least < 0 ? null : least;
};

/** Where the going of tapered treads is measured, from their narrow end, mm. */
export const walkingLine = ({ tapered }: StairRules, flightMm: number): number =>
  tapered.middleBelowMm !== null && flightMm < tapered.middleBelowMm
    ? flightMm / 2
    : Math.min(tapered.fromNarrowMm, flightMm);

/** Risers of flights with landings between them: a flight has one tread fewer than risers. */
export const inFlights = (risers: readonly number[]): Deal => ({
  parts: risers.map((each) => ({ risers: each, treads: each - 1 })),
  inOne: Math.max(...risers),
});

/** Every way to deal a count to flights of at most so many risers each, one at least. */
export function dealt(count: number, most: readonly number[]): number[][] {
  const [first = 0, ...others] = most;
  if (others.length === 0) return count >= 1 && count <= first ? [[count]] : [];
  return Array.from({ length: Math.max(0, Math.min(first, count - others.length)) }, (_, i) => i + 1).flatMap((here) =>
    dealt(count - here, others).map((rest) => [here, ...rest]),
  );
}

/** Most risers of a flight in a length of a well. */
export const mostIn = (lengthMm: number, { goingMm }: Room, limit: number): number =>
  Math.max(0, Math.min(limit, Math.floor(lengthMm / goingMm + 1e-9) + 1));

/** A count in two as even as can be, the first taking the odd one; null where that is over the limit. */
export const halved = (count: number, limit: number): [number, number] | null =>
  count < 2 || Math.ceil(count / 2) > limit ? null : [Math.ceil(count / 2), Math.floor(count / 2)];

export const flightsOf =
  (flights: number) =>
  (count: number, limit: number): Deal[] =>
    dealt(count, Array<number>(flights).fill(limit)).map(inFlights);

/** Straight treads, tapered ones through a turn, straight ones again: climbed without a landing. */
export const throughTurn = (mostTapered: number) => (count: number, limit: number) =>
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
export const innerFor = (treads: number, turn: number, { tapered }: StairRules): number =>
  (tapered.narrowMm * treads) / turn;

export const QUARTER = Math.PI / 2;

export const treadsOf = (parts: readonly Part[]): number => parts.reduce((sum, { treads }) => sum + treads, 0);
