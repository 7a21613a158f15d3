import { between } from '../buildings/between-buildings';
import { mmOf } from '../dimensions/resolve-length';
import { plus, times } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import { levelById } from '../levels/resolve-levels';
import { endMm } from '../levels/resolve-end';
import type { Framework } from '../model/framework';
import { resolvePlace } from '../outlines/resolve-place';
import type { Assembly } from '../slants/assembly';
import { reachOfSlants, ringAbout } from '../slants/slant';
import { quantiseMm } from '../units/length-units';
import { layRamp, type LaidRamp, type RampSizes } from './lay-ramp';
import type { Ramp } from './ramp';
import { rampCandidates, type RampCandidate } from './ramp-candidates';
import { rampRules } from '../rule-sets/rules-in';

/** What is known of a ramp beside its pieces. */
export interface RampInfo {
  form: Ramp['form'];
  riseMm: number;
  /** Along its middle, landings included. */
  runMm: number;
  /** Run per rise of its flights, along the middle, and at the two edges where it goes round. */
  slopeRatio: number;
  innerRatio: number;
  outerRatio: number;
  flights: number;
  landings: number;
  widthMm: number;
  startMm: number;
  /** Asked for over it. */
  headroomMm: number;
  verdict: 'ok' | readonly string[];
  /** In plan: flights and landings, and the way one goes. */
  rings: readonly { is: 'flight' | 'landing'; ring: Ring }[];
  walk: LaidRamp['walk'];
  head: LaidRamp['head'];
}

declare module '../slants/assembly' {
  interface AssemblyInfo {
    ramp: RampInfo;
  }
}

/** Forms that turn on a landing have one at least. */
const LEAST_FLIGHTS: Record<Ramp['form'], number> = { straight: 1, quarter: 2, switchback: 2, circular: 1 };

/** The way a ramp goes: as it is asked for where that is said, else as steep and with as few landings as may be. */
function wayOf(framework: Framework, ramp: Ramp, riseMm: number): RampCandidate | null {
  const rules = rampRules(framework, ramp.rules);
  const least = LEAST_FLIGHTS[ramp.form];
  const { runMm, slopeRatio } = ramp;
  const asked = runMm === null ? {} : { runMm: mmOf(framework, runMm) };
  const enough = ({ flights }: RampCandidate) => flights >= least;
  if (slopeRatio === null) {
    const ways = rampCandidates({ riseMm, rules, ...asked });
    return ways.find(enough) ?? null;
  }
  // A slope is typed: for each count of landings the run it makes, judged like one that is asked for.
  const rise = Math.abs(riseMm);
  const tried = Array.from({ length: 12 }, (_, i) => i + least).flatMap((flights) => {
    const run = rise * slopeRatio + (flights - 1) * rules.landingMm;
    return rampCandidates({ riseMm, rules, runMm: run }).filter((each) => each.flights === flights);
  });
  return tried.find(({ verdict }) => verdict === 'ok') ?? tried[0] ?? null;
}

/** A ramp worked out; null where it climbs nothing. */
export function solveRamp(framework: Framework, ramp: Ramp): Assembly<'ramp'> | null {
  const mm = (length: Ramp['widthMm']) => mmOf(framework, length);
  // Levels of another building are as high as they stand on the site.
  const height = (end: Ramp['startsAt']) => {
    const whose = levelById(framework, end.level)?.record.building ?? ramp.building;
    return quantiseMm(endMm(framework, end, ({ sslMm }) => sslMm) + between(framework, whose, ramp.building).liftMm);
  };
  const [start, stop] = [height(ramp.startsAt), height(ramp.stopsAt)];
  const riseMm = quantiseMm(stop - start);
  const way = wayOf(framework, ramp, riseMm);
  if (!way) return null;
  const thicknessMm = mm(ramp.thicknessMm);
  // The heights are those of one of its faces.
  const over = { top: 0, middle: thicknessMm / 2, underside: thicknessMm }[ramp.reference];
  const stands = resolvePlace(framework, ramp.place);
  const sizes: RampSizes = {
    form: ramp.form,
    at: stands.at,
    towardsDeg: stands.turnDeg + ramp.towardsDeg,
    turn: ramp.turn,
    widthMm: mm(ramp.widthMm),
    gapMm: mm(ramp.gapMm),
    thicknessMm,
    radiusMm: Math.max(mm(ramp.radiusMm), mm(ramp.widthMm) / 2 + 1),
    segments: ramp.segments,
    kerbMm: mm(ramp.kerbMm),
  };
  const laid = layRamp(sizes, way, start + over);
  const slants = laid.parts.flatMap((part) => part.slants);
  const isRound = ramp.form === 'circular';
  const edge = (by: number) =>
    isRound ? quantiseMm((way.slopeRatio * (sizes.radiusMm + by)) / sizes.radiusMm) : way.slopeRatio;
  return {
    thing: ramp.id,
    kind: 'ramp',
    building: ramp.building,
    name: ramp.name,
    level: ramp.startsAt.level,
    ring: ringAbout(slants),
    ...reachOfSlants([...slants, ...laid.kerbs]),
    parts: [
      ...laid.parts.map(({ is, slants: own }, i) => ({ name: `${is} ${i + 1}`, slants: own })),
      ...(laid.kerbs.length > 0 ? [{ name: 'kerbs', slants: laid.kerbs }] : []),
    ],
    info: {
      form: ramp.form,
      riseMm,
      runMm: way.runMm,
      slopeRatio: way.slopeRatio,
      innerRatio: edge(-sizes.widthMm / 2),
      outerRatio: edge(sizes.widthMm / 2),
      flights: way.flights,
      landings: way.landings,
      widthMm: sizes.widthMm,
      startMm: start,
      headroomMm: rampRules(framework, ramp.rules).headroomMm,
      verdict: way.verdict,
      rings: laid.parts.map(({ is, ring }) => ({ is, ring })),
      walk: laid.walk,
      head: laid.head,
    },
  };
}

/** Rings of its pieces over which a slab would lie too low, given the slab's soffit; flights in stretches from where that is so. */
export function tooLowUnder({ parts, info }: Assembly<'ramp'>, soffitMm: number, topMm: number): Ring[] {
  const limit = soffitMm - info.headroomMm;
  return parts
    .filter(({ name }) => name !== 'kerbs')
    .flatMap(({ slants }) => slants)
    .flatMap((slant): Ring[] => {
      const tops = slant.map((corner) => corner.topMm);
      const [low, high] = [Math.min(...tops), Math.max(...tops)];
      // What lies over the slab, or well under it, needs no hole.
      if (low >= topMm - 1 || high <= limit + 1) return [];
      if (low >= limit) return [slant.map(({ x, y }) => ({ x, y }))];
      const over = slant.flatMap((a, i) => {
        const b = slant[(i + 1) % slant.length]!;
        const here = a.topMm >= limit ? [{ x: a.x, y: a.y }] : [];
        if (a.topMm >= limit === b.topMm >= limit) return here;
        const t = (limit - a.topMm) / (b.topMm - a.topMm);
        return [...here, plus(times(a, 1 - t), times(b, t))];
      });
      return over.length > 2 ? [over] : [];
    });
}
