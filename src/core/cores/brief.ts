import { z } from 'zod';
import { LIFT_BOUNDS, SHAFT_PURPOSES } from '../shafts/shaft';
import { canBeClimbed } from '../stairs/stair-candidates';
import type { StairRules } from '../stairs/rule-sets';
import type { Clear, Wanted, Way } from './arrange';

const size = (least: number, most: number) => z.number().min(least).max(most);
/** No more things than these are arranged. */
export const MOST_THINGS = 9;

/** What a core is to hold, in millimetres. */
export const briefSchema = z.strictObject({
  lifts: z
    .strictObject({
      count: z.number().int().min(0).max(8).default(2),
      /** Clear inside of a shaft, along its doors and away from them. */
      shaftWidthMm: size(800, 6000).default(1850),
      shaftDepthMm: size(800, 6000).default(2100),
      carWidthMm: size(LIFT_BOUNDS.carWidthMm.atLeastMm, 5000).default(1100),
      carDepthMm: size(LIFT_BOUNDS.carDepthMm.atLeastMm, 5000).default(1400),
      doorWidthMm: size(LIFT_BOUNDS.doorWidthMm.atLeastMm, 4000).default(900),
      doorHeightMm: size(LIFT_BOUNDS.doorHeightMm.atLeastMm, 4000).default(2100),
      pitMm: size(0, 10_000).default(1400),
      overrunMm: size(0, 15_000).default(3700),
      persons: z.number().int().min(1).max(200).default(8),
    })
    .prefault({}),
  stairs: z
    .strictObject({
      count: z.number().int().min(0).max(4).default(1),
      /** Of a flight. */
      widthMm: size(600, 4000).default(1200),
    })
    .prefault({}),
  /** Shafts for services, each reached from the lobby. */
  services: z
    .array(
      z.strictObject({
        purpose: z.enum(SHAFT_PURPOSES).default('supply'),
        widthMm: size(300, 10_000),
        depthMm: size(300, 10_000),
      }),
    )
    .max(6)
    .default([]),
  lobbyMm: size(900, 10_000).default(1800),
  outerMm: size(50, 1500).default(250),
  innerMm: size(50, 1500).default(200),
});
export type Brief = z.output<typeof briefSchema>;

export const EYE_MM = 100;
const STAIR_DOOR_MM = 1010;
const SERVICE_DOOR_MM = 800;
/** Wells are as long as they must be, to this. */
const GRAIN_MM = 50;
const LONGEST_MM = 30_000;
/** Of the stairs a core gets: thickness of what lies under a tread and a landing, as stairs usually have. */
const under = (rules: StairRules) => ({ tread: 30 + 150 + rules.riserMm.most, landing: 30 + 180 });

/** A half-turn stair for a core: the least well in which every storey is climbed, its floors' landing in it. */
export interface CoreStair {
  wellLengthMm: number;
  wellWidthMm: number;
  floorLandingMm: number;
}

/** The least well for storeys of some heights; null where none of any length will do: then with the height that has none. */
export function coreStair(
  { widthMm }: Brief['stairs'],
  heightsMm: readonly number[],
  rules: StairRules,
): { stair: CoreStair | null; failsAtMm: number | null } {
  const wellWidthMm = 2 * widthMm + EYE_MM;
  const floorLandingMm = Math.max(Math.min(widthMm, rules.landingCapMm ?? Infinity), STAIR_DOOR_MM + 100);
  const climbs = (heightMm: number, lengthMm: number) =>
    canBeClimbed({
      form: 'halfLanding',
      heightMm,
      well: { lengthMm, widthMm: wellWidthMm },
      widthMm,
      rules,
      eyeMm: EYE_MM,
      leastEyeMm: EYE_MM,
      overMm: under(rules),
    });
  let lengthMm = 0;
  for (const heightMm of new Set(heightsMm)) {
    if (!climbs(heightMm, LONGEST_MM)) return { stair: null, failsAtMm: heightMm };
    let [low, high] = [0, LONGEST_MM / GRAIN_MM];
    while (high - low > 1) {
      const middle = Math.floor((low + high) / 2);
      if (climbs(heightMm, middle * GRAIN_MM)) high = middle;
      else low = middle;
    }
    lengthMm = Math.max(lengthMm, high * GRAIN_MM);
  }
  return { stair: { wellLengthMm: lengthMm + floorLandingMm, wellWidthMm, floorLandingMm }, failsAtMm: null };
}

const middleDoor = (frontMm: number, doorMm: number): [number, number] => {
  const wide = Math.min(doorMm, frontMm);
  return [(frontMm - wide) / 2, (frontMm + wide) / 2];
};

/** What is to be arranged: each kind of thing with the ways it may be put against the lobby. */
export function wantedOf(brief: Brief, stair: CoreStair | null): { wanted: Wanted[]; clear: Clear } {
  const { lifts, stairs, services } = brief;
  const wanted: Wanted[] = [];
  if (lifts.count > 0) {
    const { shaftWidthMm: frontMm, shaftDepthMm: depthMm, doorWidthMm } = lifts;
    const way: Way = { frontMm, depthMm, door: middleDoor(frontMm, doorWidthMm), turned: 'no' };
    wanted.push({ of: 'lift', count: lifts.count, ways: [way] });
  }
  if (stairs.count > 0 && stair) {
    const { wellLengthMm: long, wellWidthMm: wide, floorLandingMm } = stair;
    const [from, to] = middleDoor(floorLandingMm, STAIR_DOOR_MM);
    wanted.push({
      of: 'stair',
      count: stairs.count,
      ways: [
        { frontMm: wide, depthMm: long, door: middleDoor(wide, STAIR_DOOR_MM), turned: 'no' },
        { frontMm: long, depthMm: wide, door: [from, to], turned: 'low' },
        { frontMm: long, depthMm: wide, door: [long - to, long - from], turned: 'high' },
      ],
    });
  }
  for (const { widthMm, depthMm } of services) {
    const put = (frontMm: number, deepMm: number, turned: Way['turned']): Way => ({
      frontMm,
      depthMm: deepMm,
      door: middleDoor(frontMm, SERVICE_DOOR_MM),
      turned,
    });
    const ways = [put(widthMm, depthMm, 'no'), ...(widthMm === depthMm ? [] : [put(depthMm, widthMm, 'low')])];
    wanted.push({ of: 'service', count: 1, ways });
  }
  return { wanted, clear: { lobbyMm: brief.lobbyMm, wallMm: brief.innerMm } };
}
