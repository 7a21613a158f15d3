import { cosDeg, sinDeg } from '../geometry/trig';
import type { Steps } from './choose-steps';
import { walkingLine } from './form-of-stair';
import { fanOf, type TaperedSizes } from './lay-tapered';
import type { Landing, TaperedTread } from './pieces';

const DEG = 180 / Math.PI;
const ROUND_DEG = 360;
/** One comes in at the right and turns about the middle of the well. */
export const FIRST_DEG = -90;
/** A curve is drawn by chords of at most so much. */
const CHORD_DEG = 7.5;

/** A round storey as it stands in its well, and where the next one begins. */
interface LaidRound {
  tapered: TaperedTread[];
  landings: Landing[];
  opening: readonly (readonly [x: number, y: number])[];
  nextDeg: number;
}

/** Angles between two, at most a chord apart, both of them among these. */
function angles(fromDeg: number, toDeg: number): number[] {
  const count = Math.max(1, Math.ceil((toDeg - fromDeg) / CHORD_DEG - 1e-9));
  return Array.from({ length: count + 1 }, (_, i) => fromDeg + ((toDeg - fromDeg) * i) / count);
}

/**
 * Tapered treads about the middle of a well, with a landing on the way where the steps are in two flights. It arrives at a
 * platform: to where the next storey begins.
 */
export function layRound(
  sizes: TaperedSizes,
  steps: Steps,
  bottomMm: number,
  footMm: number,
  startDeg: number,
  landingMm: number,
): LaidRound {
  const { well, placing, flightWidthMm: w, rules } = sizes;
  const { riserMm, goingMm, flights } = steps;
  const radius = Math.min(well.lengthMm, well.widthMm) / 2;
  const inner = radius - w;
  // The hole is a polygon in the well's circle: the treads keep within it wherever their corners are.
  const outerMm = radius * cosDeg(CHORD_DEG / 2);
  const about = [well.lengthMm / 2, well.widthMm / 2] as const;
  const walkMm = inner + walkingLine(rules, w);
  const treadDeg = (goingMm / walkMm) * DEG;
  const landingDeg = (landingMm / walkMm) * DEG;
  const polar = (deg: number, mm: number) => [about[0] + cosDeg(deg) * mm, about[1] + sinDeg(deg) * mm] as const;
  const tapered: TaperedTread[] = [];
  const landings: Landing[] = [];
  let [deg, topMm] = [startDeg, bottomMm];
  flights.forEach((risers, i) => {
    const toDeg = deg + (risers - 1) * treadDeg;
    const chords = Array.from({ length: risers - 1 }, (_, k) =>
      angles(deg + k * treadDeg, deg + (k + 1) * treadDeg),
    ).flat();
    tapered.push(
      ...fanOf(
        {
          about,
          innerMm: inner,
          outer: () => outerMm,
          corners: chords,
          fromDeg: deg,
          toDeg,
          treads: risers - 1,
          walkMm,
        },
        { bottomMm: topMm, riserMm, footMm },
        placing,
      ),
    );
    topMm += risers * riserMm;
    deg = toDeg;
    // What is left of a round is the platform of the floor above; where that is no room for one, the stair has its own.
    if (i === flights.length - 1 && ROUND_DEG - (deg - startDeg) >= landingDeg) return;
    const along = angles(deg, deg + landingDeg);
    landings.push({
      ring: placing.ring([
        ...along.map((each) => polar(each, outerMm)),
        ...[...along].reverse().map((each) => polar(each, inner)),
      ]),
      parts: along.slice(1).map((to, k) => {
        const from = along[k]!;
        return placing.ring([polar(from, outerMm), polar(to, outerMm), polar(to, inner), polar(from, inner)]);
      }),
      topMm,
    });
    deg += landingDeg;
  });
  if (landings.length === flights.length)
    return {
      tapered,
      landings,
      opening: angles(0, ROUND_DEG)
        .slice(1)
        .map((each) => polar(each, radius)),
      nextDeg: deg % ROUND_DEG,
    };
  const platformDeg = ROUND_DEG - (deg - startDeg);
  const [openFrom, openTo] = [deg + platformDeg, deg + ROUND_DEG];
  const outer = angles(openFrom, openTo).map((each) => polar(each, radius));
  const inside = angles(deg, deg + platformDeg).map((each) => polar(each, inner));
  return { tapered, landings, opening: [...outer, ...inside], nextDeg: (deg + platformDeg) % ROUND_DEG };
}
