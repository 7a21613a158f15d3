import { plus, times, type Point } from '../geometry/point';
import { contains } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { SolvedStair } from '../stairs/solved-stair';
import type { StairEnd } from '../stairs/pieces';
import type { StairOut } from './ways-out';
import type { Goal } from './walking';

/** A stretch of a stair that can be climbed without a gap, with where it leads. */
export interface Stretch {
  stair: SolvedStair;
  /** From the lowest up. */
  levels: readonly Id[];
  /** Levels with a way out among them. */
  exits: readonly Id[];
  /** A stretch of another stair that leads on, and the level where. */
  on: { stretch: Stretch; at: Id } | null;
}

/** Stretches of stairs, each with whether and how one gets out by it. */
export function stretchesOf(stairs: readonly SolvedStair[], exits: ReadonlySet<Id>): Stretch[] {
  const stretches = stairs.flatMap((stair) => {
    const made: Stretch[] = [];
    let levels: Id[] = [];
    const end = () => {
      if (levels.length > 1) made.push({ stair, levels, exits: levels.filter((level) => exits.has(level)), on: null });
      levels = [];
    };
    for (const { level, upper, steps } of stair.storeys) {
      if (!steps) end();
      else levels = levels.length === 0 ? [level, upper] : [...levels, upper];
    }
    end();
    return made;
  });
  // Those that end short go on by the nearest that does not.
  let leading = stretches.filter((each) => each.exits.length > 0);
  const out = new Set(leading);
  while (leading.length > 0) {
    const next: Stretch[] = [];
    for (const each of stretches) {
      if (out.has(each)) continue;
      const by = leading.find(
        ({ stair, levels }) => stair !== each.stair && levels.some((at) => each.levels.includes(at)),
      );
      if (!by) continue;
      each.on = { stretch: by, at: by.levels.find((at) => each.levels.includes(at))! };
      next.push(each);
    }
    next.forEach((each) => out.add(each));
    leading = next;
  }
  return stretches;
}

/** The level with a way out that is nearest to a level, of those a stretch reaches. */
const nearestExit = ({ exits }: Stretch, level: Id, rank: (level: Id) => number): Id | undefined =>
  [...exits].sort((a, b) => Math.abs(rank(a) - rank(level)) - Math.abs(rank(b) - rank(level)))[0];

/** Stairs at a level as the overview has them; `rank`: of levels, from the lowest up. */
export function stairsOutAt(stretches: readonly Stretch[], level: Id, rank: (level: Id) => number): StairOut[] {
  return stretches
    .filter(({ levels }) => levels.includes(level))
    .map((stretch): StairOut => {
      const { stair, on } = stretch;
      return {
        stair: stair.stair,
        name: stair.name,
        to: nearestExit(stretch, level, rank) ?? null,
        onBy: on && { stair: on.stretch.stair.stair, name: on.stretch.stair.name, at: on.at },
        widthMm: stair.flightWidthMm,
      };
    });
}

/** One stands this far outside a stair before its first step, mm. */
const BEFORE_MM = 50;
const MOST_MM = 20_000;

/** Where one comes to a stair at a level: before its first step down, or up, that leads out; null where it has none there. */
export function goalAt(stretch: Stretch, level: Id, rank: (level: Id) => number): Goal | null {
  const { stair, on } = stretch;
  const target = nearestExit(stretch, level, rank) ?? on?.at;
  if (target === undefined) return null;
  const goesDown = rank(target) <= rank(level);
  const down = stair.storeys.find(({ upper, head }) => upper === level && head);
  const up = stair.storeys.find((storey) => storey.level === level && storey.foot);
  const end = goesDown ? (down?.head ?? up?.foot) : (up?.foot ?? down?.head);
  if (!end) return null;
  const outwards = end === down?.head ? end.along : times(end.along, -1);
  return outside(stair, end, outwards);
}

/** The place before a stair's end that lies outside its well, with how far it is from the step. */
function outside({ ring }: SolvedStair, { at }: StairEnd, outwards: Point): Goal {
  for (let mm = BEFORE_MM; mm < MOST_MM; mm += BEFORE_MM) {
    const place = plus(at, times(outwards, mm));
    if (!contains(ring, place)) return { at: place, moreMm: mm };
  }
  return { at: plus(at, times(outwards, BEFORE_MM)), moreMm: BEFORE_MM };
}
