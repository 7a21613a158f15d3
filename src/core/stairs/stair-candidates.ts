import { directionDeg } from '../geometry/trig';
import { quantiseMm } from '../units/length-units';
import { countsFor, goingsFor, paceGoing } from './choose-steps';
import { PACE_TARGET_MM, sourceOf, type StairRules } from './rule-sets';
import { USUAL_EYE_MM, USUAL_OVER_MM, type Deal, type FormSizes, type WellSize } from './form-of-stair';
import { FORMS, goesRound, type StairForm } from './stair-form';

/** What a stair is asked for. Without a well it is as large as it must be. */
export interface StairAsked {
  form: StairForm;
  heightMm: number;
  well: WellSize | null;
  /** Of a flight; null: as wide as is usual for the form. */
  widthMm: number | null;
  rules: StairRules;
  /** Depth of landings on the way; null or not said: as deep as the rule set asks. */
  landingDepthMm?: number | null;
  /** Between two flights that come back beside one another, where the well is as large as it must be. */
  eyeMm?: number;
  /** No less than this between them in a well that is given; not said: none. */
  leastEyeMm?: number;
  /** What is under the top of a tread, and of a landing: for stairs that come to lie over themselves. */
  overMm?: { tread: number; landing: number };
  /** Typed, and judged: the limits they break are said. */
  risers?: number | undefined;
  goingMm?: number | undefined;
}

/** One way to climb a storey. */
export interface StairCandidate {
  risers: number;
  riserMm: number;
  goingMm: number;
  /** Risers of each part, in the order one climbs them: flights between landings, or before, in and after a turn of tapered treads. */
  flights: number[];
  paceMm: number;
  pitchDeg: number;
  /** All goings together, along the walking line. */
  runMm: number;
  /** How deep landings on the way are; 0 where there are none. */
  landingMm: number;
  /** Lengthwise as one enters, and across: as given, or as large as it must be. */
  wellMm: [number, number];
  verdict: 'ok' | string[];
}

/** No more than these are listed, best first. */
const MOST_CANDIDATES = 500;
/** What differs by less than goings can be set out counts as equal. */
const EQUAL_MM = 0.5;

interface Found extends StairCandidate {
  missMm: number;
  unevenness: number;
}

/**
 * Every way to climb a storey in a form: every count of step risers and every deal to flights the rule set allows, each with the
 * going nearest to a comfortable pace. Best first: nearest to the pace, fewest risers, flights most alike, least well.
 */
export const stairCandidates = (asked: StairAsked): StairCandidate[] =>
  ranked([...ways(asked)]).map(({ missMm: _, unevenness: __, ...rest }) => rest);

/** The way that was chosen, by its risers part by part, else the best; `isGone`: the one that was chosen is none. */
export function bestWay(
  asked: StairAsked,
  chosen: readonly number[] | null,
): { way: StairCandidate | null; isGone: boolean } {
  const ways = stairCandidates(asked);
  const wanted = chosen && ways.find(({ flights }) => flights.join() === chosen.join());
  return { way: wanted ?? ways[0] ?? null, isGone: chosen !== null && !wanted && ways.length > 0 };
}

/** True if there is a way that breaks no limit. */
export function canBeClimbed(asked: StairAsked): boolean {
  for (const { verdict } of ways(asked)) if (verdict === 'ok') return true;
  return false;
}

/** How wide a flight is, and how deep a landing, of what is asked for. */
export function sizesOf({
  form,
  well,
  widthMm,
  rules,
  landingDepthMm,
  eyeMm,
  leastEyeMm,
  overMm,
}: StairAsked): FormSizes {
  const flightMm = widthMm ?? FORMS[form].usualFlight(well);
  return {
    flightMm,
    landingMm: landingDepthMm ?? Math.min(flightMm, rules.landingCapMm ?? Infinity),
    eyeMm: eyeMm ?? USUAL_EYE_MM,
    leastEyeMm: leastEyeMm ?? 0,
    overMm: overMm ?? { tread: USUAL_OVER_MM, landing: USUAL_OVER_MM },
    rules,
  };
}

/** Ways as they are found, in no order. */
function* ways(asked: StairAsked): Generator<Found> {
  const { form, heightMm, well, rules, risers, goingMm } = asked;
  const shape = FORMS[form];
  const sizes = sizesOf(asked);
  const { flightMm } = sizes;
  if (!(flightMm >= 300) || heightMm <= 0 || (well?.runsMm && !goesRound(form))) return;
  const isJudged = risers !== undefined || goingMm !== undefined;
  const counts = risers === undefined ? countsFor(heightMm, rules) : [risers];
  for (const count of counts) {
    const riserMm = heightMm / count;
    const limit = risers === undefined ? risersInOne(riserMm, rules) : count;
    const allowed = goingMm === undefined ? goingsFor(riserMm, rules, Infinity) : { least: goingMm, most: goingMm };
    const goings = allowed ?? (isJudged ? { least: rules.goingMm.least, most: Infinity } : null);
    if (!goings) continue;
    const room = well && { ...well, goingMm: goings.least, flightMm, landingMm: sizes.landingMm };
    for (const deal of shape.deals(count, limit, room)) {
      const mostInWell = well ? shape.goingMost(deal, well, sizes, riserMm) : Infinity;
      if (mostInWell === null) continue;
      const most = Math.min(goings.most, Math.floor(mostInWell + 1e-9));
      if (most < goings.least) continue;
      const going = Math.min(Math.max(paceGoing(riserMm), goings.least), most);
      yield candidate(deal, count, riserMm, going, asked, sizes);
    }
  }
}

/** Most risers climbed without a landing. */
const risersInOne = (riserMm: number, { risersMost, flightRiseMost }: StairRules): number =>
  Math.min(
    risersMost ?? Infinity,
    flightRiseMost === null ? Infinity : Math.floor(flightRiseMost / riserMm + 1e-9),
    1000,
  );

function candidate(
  deal: Deal,
  risers: number,
  riserMm: number,
  goingMm: number,
  { form, well }: StairAsked,
  sizes: FormSizes,
): Found {
  const shape = FORMS[form];
  const size = well ?? shape.leastWell(deal, goingMm, sizes, riserMm);
  const counts = deal.parts.map((part) => part.risers);
  const straight = deal.parts.filter(({ risers: each, treads }) => treads < each).map((part) => part.risers);
  const paceMm = quantiseMm(2 * riserMm + goingMm);
  return {
    risers,
    riserMm: quantiseMm(riserMm),
    goingMm,
    flights: counts,
    paceMm,
    pitchDeg: quantiseMm(directionDeg(riserMm, goingMm)),
    runMm: quantiseMm(deal.parts.reduce((sum, { treads }) => sum + treads * goingMm, 0)),
    landingMm: quantiseMm(shape.landingIn(deal, goingMm, size, sizes)),
    wellMm: [size.lengthMm, size.widthMm],
    verdict: judged(deal, riserMm, goingMm, sizes),
    missMm: Math.abs(2 * riserMm + goingMm - PACE_TARGET_MM),
    unevenness: Math.max(...counts) - Math.min(...(straight.length > 0 ? counts : [0])),
  };
}

/** The limits broken, each with its source; `ok` where none is. */
function judged(
  { inOne, parts }: Deal,
  riserMm: number,
  goingMm: number,
  { rules, flightMm, landingMm }: FormSizes,
): 'ok' | string[] {
  const pace = 2 * riserMm + goingMm;
  const pitch = directionDeg(riserMm, goingMm);
  const said = (mm: number) => String(Math.round(mm * 10) / 10);
  const broken: string[] = [];
  const over = (
    limit: string,
    what: string,
    value: number,
    { least, most }: { least: number | null; most: number | null },
  ) => {
    if (least !== null && value < least - 1e-6)
      broken.push(`${what} ${said(value)} under ${said(least)} (${sourceOf(rules, `${limit}.least`)})`);
    if (most !== null && value > most + 1e-6)
      broken.push(`${what} ${said(value)} over ${said(most)} (${sourceOf(rules, `${limit}.most`)})`);
  };
  over('stairs.riser', 'riser', riserMm, rules.riserMm);
  over('stairs.going', 'going', goingMm, rules.goingMm);
  if (rules.pace.isLimit) over('stairs.pace', '2 risers and a going', pace, rules.pace);
  over('stairs.pitch', 'pitch', pitch, { least: null, most: rules.pitchMostDeg });
  over('stairs.risers', 'risers in one flight', inOne, { least: null, most: rules.risersMost });
  over('stairs.flightRise', 'rise of one flight', inOne * riserMm, { least: null, most: rules.flightRiseMost });
  const leastLanding = Math.min(flightMm, rules.landingCapMm ?? Infinity);
  if (parts.length > 1) over('stairs.landing', 'landing', landingMm, { least: leastLanding, most: null });
  return broken.length === 0 ? 'ok' : broken;
}

const wellOf = ({ wellMm: [length, width] }: StairCandidate): number => length * width;

function ranked(found: Found[]): Found[] {
  const byMiss = [...found].sort((a, b) => a.missMm - b.missMm);
  // Groups of what counts as equal, each begun by the one nearest to the pace.
  let [group, from] = [0, -Infinity];
  const groups = new Map<Found, number>();
  for (const each of byMiss) {
    if (each.missMm > from + EQUAL_MM + 1e-6) [group, from] = [group + 1, each.missMm];
    groups.set(each, group);
  }
  return byMiss
    .sort(
      (a, b) =>
        Number(a.verdict !== 'ok') - Number(b.verdict !== 'ok') ||
        groups.get(a)! - groups.get(b)! ||
        a.risers - b.risers ||
        a.unevenness - b.unevenness ||
        wellOf(a) - wellOf(b) ||
        // The first flights take the odd risers.
        compareDeals(b.flights, a.flights),
    )
    .slice(0, MOST_CANDIDATES);
}

function compareDeals(a: readonly number[], b: readonly number[]): number {
  const i = a.findIndex((each, k) => each !== b[k]);
  return i < 0 ? a.length - b.length : a[i]! - (b[i] ?? 0);
}
