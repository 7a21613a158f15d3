import type { EscapeRules } from '../escape/escape-rules';
import type { GuardRules } from '../guards/guard-rules';
import type { RampRules } from '../ramps/ramp-rules';
import { ROOM_USES, type RoomUse } from '../rooms/room';
import type { StairRules } from '../stairs/rule-sets';

/** Everything a rule set limits. */
export interface RulesOf {
  stairs: StairRules;
  guards: GuardRules;
  ramps: RampRules;
  escape: EscapeRules;
}

export type LimitUnit = 'mm' | 'risers' | 'degrees' | 'run per rise' | 'm² per person' | 'yes or no';

/** One limit of a rule set, as it is read, written and said. */
export interface Limit {
  of: keyof RulesOf;
  words: string;
  unit: LimitUnit;
  least: number;
  most: number;
  /** It may be no limit at all. */
  mayBeNone: boolean;
  /** Undefined where the rule set has no such limit; null: no limit. */
  read: (rules: RulesOf) => number | null | undefined;
  write: (rules: RulesOf, value: number | null) => RulesOf;
}

type Read<R> = (rules: R) => number | null | undefined;
type Write<R> = (rules: R, value: never) => Partial<R>;
type Sizes = [least: number, most: number, mayBeNone?: 'or none'];

const limitOf =
  <Of extends keyof RulesOf>(of: Of) =>
  (
    words: string,
    unit: LimitUnit,
    [least, most, none]: Sizes,
    read: Read<RulesOf[Of]>,
    write: Write<RulesOf[Of]>,
  ): Limit => ({
    of,
    words,
    unit,
    least,
    most,
    mayBeNone: none !== undefined,
    read: (rules) => read(rules[of]),
    write: (rules, value) => ({ ...rules, [of]: { ...rules[of], ...write(rules[of], value as never) } }),
  });

const stairs = limitOf('stairs');
const guards = limitOf('guards');
const ramps = limitOf('ramps');
const escape = limitOf('escape');

/** A step of the table of a ramp's slopes by rise. */
const steepestAt = (i: number, field: 'toRiseMm' | 'runPerRise', words: string, unit: LimitUnit, sizes: Sizes): Limit =>
  ramps(
    words,
    unit,
    sizes,
    ({ steepest }) => {
      const value = steepest[i]?.[field];
      return value === Infinity ? null : value;
    },
    ({ steepest }, value: number | null) => ({
      steepest: steepest.map((each, k) => (k === i ? { ...each, [field]: value ?? Infinity } : each)),
    }),
  );

const AREA_WORDS: Record<RoomUse, string> = {
  circulation: 'circulation',
  dwelling: 'dwellings',
  office: 'offices',
  assembly: 'assembly',
  teaching: 'teaching',
  trade: 'trade',
  storage: 'storage',
  plant: 'plant',
  wet: 'wet rooms',
  other: 'other rooms',
};

/** Floor per person by use. */
const areaLimits = Object.fromEntries(
  ROOM_USES.map((use): [string, Limit] => [
    `escape.area.${use}`,
    escape(
      `Floor per person, ${AREA_WORDS[use]}`,
      'm² per person',
      [0.1, 1000, 'or none'],
      ({ areaPerPersonM2 }) => areaPerPersonM2[use],
      ({ areaPerPersonM2 }, value: number | null) => ({ areaPerPersonM2: { ...areaPerPersonM2, [use]: value } }),
    ),
  ]),
);

/** Every limit of a rule set by its name, in the order it is shown. */
export const LIMITS: Readonly<Record<string, Limit>> = {
  'stairs.riser.least': stairs(
    'Step riser, least',
    'mm',
    [20, 400],
    ({ riserMm }) => riserMm.least,
    ({ riserMm }, least: number) => ({ riserMm: { ...riserMm, least } }),
  ),
  'stairs.riser.most': stairs(
    'Step riser, most',
    'mm',
    [20, 400],
    ({ riserMm }) => riserMm.most,
    ({ riserMm }, most: number) => ({ riserMm: { ...riserMm, most } }),
  ),
  'stairs.going.least': stairs(
    'Going, least',
    'mm',
    [50, 2000],
    ({ goingMm }) => goingMm.least,
    ({ goingMm }, least: number) => ({ goingMm: { ...goingMm, least } }),
  ),
  'stairs.going.most': stairs(
    'Going, most',
    'mm',
    [50, 2000, 'or none'],
    ({ goingMm }) => goingMm.most,
    ({ goingMm }, most: number | null) => ({ goingMm: { ...goingMm, most } }),
  ),
  'stairs.pace.least': stairs(
    'Two step risers and a going, least',
    'mm',
    [100, 2000],
    ({ pace }) => pace.least,
    ({ pace }, least: number) => ({ pace: { ...pace, least } }),
  ),
  'stairs.pace.most': stairs(
    'Two step risers and a going, most',
    'mm',
    [100, 2000],
    ({ pace }) => pace.most,
    ({ pace }, most: number) => ({ pace: { ...pace, most } }),
  ),
  'stairs.pace.isLimit': stairs(
    'Two step risers and a going are a limit, not comfort only',
    'yes or no',
    [0, 1],
    ({ pace }) => (pace.isLimit ? 1 : 0),
    ({ pace }, value: number) => ({ pace: { ...pace, isLimit: value === 1 } }),
  ),
  'stairs.pitch.most': stairs(
    'Pitch, most',
    'degrees',
    [10, 80, 'or none'],
    ({ pitchMostDeg }) => pitchMostDeg,
    (_, pitchMostDeg: number | null) => ({ pitchMostDeg }),
  ),
  'stairs.risers.most': stairs(
    'Step risers in one flight, most',
    'risers',
    [2, 100, 'or none'],
    ({ risersMost }) => risersMost,
    (_, risersMost: number | null) => ({ risersMost }),
  ),
  'stairs.flightRise.most': stairs(
    'Rise of one flight, most',
    'mm',
    [300, 20_000, 'or none'],
    ({ flightRiseMost }) => flightRiseMost,
    (_, flightRiseMost: number | null) => ({ flightRiseMost }),
  ),
  'stairs.headroom': stairs(
    'Headroom over stairs',
    'mm',
    [1000, 5000],
    ({ headroomMm }) => headroomMm,
    (_, headroomMm: number) => ({ headroomMm }),
  ),
  'stairs.landing.least': stairs(
    'A landing need not be deeper than',
    'mm',
    [300, 10_000, 'or none'],
    ({ landingCapMm }) => landingCapMm,
    (_, landingCapMm: number | null) => ({ landingCapMm }),
  ),
  'stairs.tapered.walkingLine': stairs(
    'Walking line, from the narrow end of tapered treads',
    'mm',
    [50, 2000],
    ({ tapered }) => tapered.fromNarrowMm,
    ({ tapered }, fromNarrowMm: number) => ({ tapered: { ...tapered, fromNarrowMm } }),
  ),
  'stairs.tapered.middleBelow': stairs(
    'Walking line in the middle of stairs narrower than',
    'mm',
    [300, 5000, 'or none'],
    ({ tapered }) => tapered.middleBelowMm,
    ({ tapered }, middleBelowMm: number | null) => ({ tapered: { ...tapered, middleBelowMm } }),
  ),
  'stairs.tapered.narrow': stairs(
    'Tapered treads, deep at the narrow end, least',
    'mm',
    [0, 1000],
    ({ tapered }) => tapered.narrowMm,
    ({ tapered }, narrowMm: number) => ({ tapered: { ...tapered, narrowMm } }),
  ),
  'guards.drop': guards(
    'A drop is guarded when it is over',
    'mm',
    [0, 5000],
    ({ dropMm }) => dropMm,
    (_, dropMm: number) => ({ dropMm }),
  ),
  'guards.edge': guards(
    'Guard at edges, high, least',
    'mm',
    [200, 3000],
    ({ edgeMm }) => edgeMm,
    (_, edgeMm: number) => ({ edgeMm }),
  ),
  'guards.flight': guards(
    'Guard at flights, high, least',
    'mm',
    [200, 3000],
    ({ flightMm }) => flightMm,
    (_, flightMm: number) => ({ flightMm }),
  ),
  'guards.handrail.least': guards(
    'Handrail, high, least',
    'mm',
    [200, 2000],
    ({ handrailMm }) => handrailMm.least,
    ({ handrailMm }, least: number) => ({ handrailMm: { ...handrailMm, least } }),
  ),
  'guards.handrail.most': guards(
    'Handrail, high, most',
    'mm',
    [200, 2000],
    ({ handrailMm }) => handrailMm.most,
    ({ handrailMm }, most: number) => ({ handrailMm: { ...handrailMm, most } }),
  ),
  'guards.gap': guards(
    'Gap of an infill, most',
    'mm',
    [1, 2000],
    ({ gapMm }) => gapMm,
    (_, gapMm: number) => ({ gapMm }),
  ),
  'guards.extension': guards(
    'Handrail past the first and last nosing, least',
    'mm',
    [0, 2000],
    ({ extensionMm }) => extensionMm,
    (_, extensionMm: number) => ({ extensionMm }),
  ),
  'ramps.rise.1': steepestAt(0, 'toRiseMm', 'Rise of one flight of a ramp, most', 'mm', [10, 20_000, 'or none']),
  'ramps.slope.1': steepestAt(0, 'runPerRise', 'Run per rise of such a flight, least', 'run per rise', [2, 200]),
  'ramps.rise.2': steepestAt(1, 'toRiseMm', 'Second rise of one flight, most', 'mm', [10, 20_000]),
  'ramps.slope.2': steepestAt(1, 'runPerRise', 'Run per rise up to the second, least', 'run per rise', [2, 200]),
  'ramps.rise.3': steepestAt(2, 'toRiseMm', 'Third rise of one flight, most', 'mm', [10, 20_000]),
  'ramps.slope.3': steepestAt(2, 'runPerRise', 'Run per rise up to the third, least', 'run per rise', [2, 200]),
  'ramps.flightRun': ramps(
    'Run of one flight of a ramp, most',
    'mm',
    [500, 200_000, 'or none'],
    ({ flightRunMost }) => flightRunMost,
    (_, flightRunMost: number | null) => ({ flightRunMost }),
  ),
  'ramps.landing': ramps(
    'Landing of a ramp, least',
    'mm',
    [300, 20_000],
    ({ landingMm }) => landingMm,
    (_, landingMm: number) => ({ landingMm }),
  ),
  'ramps.crossfall': ramps(
    'Run per rise across the way one goes, least',
    'run per rise',
    [2, 1000],
    ({ crossfall }) => crossfall,
    (_, crossfall: number) => ({ crossfall }),
  ),
  'ramps.headroom': ramps(
    'Headroom over ramps',
    'mm',
    [1000, 10_000],
    ({ headroomMm }) => headroomMm,
    (_, headroomMm: number) => ({ headroomMm }),
  ),
  'escape.travel': escape(
    'Travel to a stair or a way out, most',
    'mm',
    [1000, 500_000],
    ({ travelMm }) => travelMm,
    (_, travelMm: number) => ({ travelMm }),
  ),
  'escape.deadEnd': escape(
    'Travel before two ways part, most',
    'mm',
    [500, 500_000],
    ({ deadEndMm }) => deadEndMm,
    (_, deadEndMm: number) => ({ deadEndMm }),
  ),
  'escape.widthPerPerson': escape(
    'Width of stairs for each person',
    'mm',
    [0.1, 100],
    ({ widthPerPersonMm }) => widthPerPersonMm,
    (_, widthPerPersonMm: number) => ({ widthPerPersonMm }),
  ),
  ...areaLimits,
};

export const LIMIT_NAMES = Object.keys(LIMITS);

/** What limits say together that cannot be: in words, or null. */
export function contradiction({ stairs: stair, guards: guard, ramps: ramp }: RulesOf): string | null {
  const pairs: [string, number, number | null][] = [
    ['step riser', stair.riserMm.least, stair.riserMm.most],
    ['going', stair.goingMm.least, stair.goingMm.most],
    ['sum of two step risers and a going', stair.pace.least, stair.pace.most],
    ['height of a handrail', guard.handrailMm.least, guard.handrailMm.most],
  ];
  for (const [what, least, most] of pairs)
    if (most !== null && least > most) return `The least ${what} of ${least} is over the most of ${most}`;
  const rises = ramp.steepest.map(({ toRiseMm }) => toRiseMm);
  if (rises.some((rise, i) => i > 0 && rise <= rises[i - 1]!))
    return 'The rises of a ramp’s flights have to grow from one step to the next';
  return null;
}
