import { finding, type Finding, type Fix, fixBy } from '../checks/finding';
import { distance, type Point } from '../geometry/point';
import { contains, distanceToSegment, type Ring } from '../geometry/polygon';
import type { HeightBudget } from '../levels/height-budget';
import type { Id } from '../model/ids';
import { formatLength } from '../units/format-length';
import type { Beam } from './beam';
import type { BeamAt } from './solve-beams';
import type { OwnRule } from '../checks/rules';
import { FREE, LOW, NO_SLAB } from './beam-rules';

/** An end this near to what carries it rests on it, mm. */
const REST_MM = 50;
/** A column or wall this near to a free end is offered to rest on, mm. */
const NEAR_MM = 1500;

/** What an end may rest on, with the place it would be brought to. */
export interface Support {
  ring: Ring;
  words: string;
  at: Point;
}

export interface BeamGiven {
  /** Columns and walls in the storey under a level, and other beams at it; null where there is no storey: it lies on the ground. */
  supports: (level: Id) => readonly Support[] | null;
  levelName: (level: Id) => string;
  /** The height budget of the storey under a level. */
  budgetUnder: (level: Id) => HeightBudget | null;
  /** FFL of the storey under a level. */
  floorUnder: (level: Id) => number | null;
}

/** Ends of beams that rest on nothing, beams under no slab, and beams lower than what is to be clear under them. */
export function checkBeam(beam: Beam, at: readonly BeamAt[], given: BeamGiven): Finding[] {
  const called = `${beam.form === 'beam' ? 'Beam' : 'Downstand'} ${beam.name}`;
  const report = (rule: OwnRule, level: Id, message: string, fixes: Fix[]) =>
    finding(rule, beam.building, level, [beam.id], message, fixes);
  return at.flatMap((here): Finding[] => {
    const name = given.levelName(here.level);
    const found: Finding[] = [];
    const leaveOut: Fix = {
      words: `Leave it out at level ${name}`,
      command: 'beams.except',
      input: { beam: beam.id, level: here.level, leftOut: true },
    };
    if (!here.isUnderSlab)
      found.push(
        report(
          NO_SLAB,
          here.level,
          `${called} at level ${name} hangs under no slab. Bring a floor over it, or leave it out there`,
          [leaveOut],
        ),
      );
    const supports = beam.form === 'beam' ? given.supports(here.level) : null;
    if (supports) {
      (['from', 'to'] as const).forEach((end, i) => {
        const point = here.ends[i]!;
        if (supports.some(({ ring }) => rests(ring, point))) return;
        const near = supports
          .map((support) => ({ support, mm: distance(support.at, point) }))
          .filter(({ mm }) => mm <= NEAR_MM)
          .sort((a, b) => a.mm - b.mm)[0]?.support;
        const fixes = near
          ? [
              fixBy(`Bring its end to ${near.words}`, 'beams.change', {
                beam: beam.id,
                [end]: { lines: null, xMm: near.at.x, yMm: near.at.y },
              }),
            ]
          : [leaveOut];
        const message = `The ${end === 'from' ? 'first' : 'second'} end of ${beam.form} ${beam.name} rests on nothing at level ${name}. Bring it to a column, a wall or another beam`;
        found.push({
          ...report(FREE, here.level, message, fixes),
          key: `beam.free|${beam.id} ${end}|${here.level}`,
        });
      });
    }
    const budget = given.budgetUnder(here.level);
    const floorMm = given.floorUnder(here.level);
    if (budget && budget.targetMm !== null && floorMm !== null) {
      const clearMm = here.bottomMm - floorMm;
      const short = budget.targetMm - clearMm;
      if (short > 0.5)
        found.push(
          report(
            LOW,
            here.level,
            `${called} under level ${name} leaves ${formatLength(clearMm)} mm clear, ${formatLength(short)} mm under the ${formatLength(budget.targetMm)} mm wanted. Make it less deep, or raise the level`,
            [
              {
                words: `Raise level ${name} by ${formatLength(short)} mm`,
                command: 'levels.setHeight',
                input: { level: budget.level, heightMm: budget.storeyMm + short, mode: 'push' },
              },
            ],
          ),
        );
    }
    return found;
  });
}

const rests = (ring: Ring, point: Point): boolean =>
  contains(ring, point) ||
  ring.some((corner, i) => distanceToSegment(point, corner, ring[(i + 1) % ring.length]!) <= REST_MM);
