import type { Ceiling } from '../ceilings/ceiling';
import type { CeilingPiece } from '../ceilings/solved-ceiling';
import type { HeightBudget } from '../levels/height-budget';
import type { Id } from '../model/ids';
import { ringsMeet } from '../geometry/polygon';
import { formatLength } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import type { SolvedOpening } from '../walls/solved-wall';
import { finding, type Finding, type Fix, fixBy } from './finding';

/** A storey with what hangs in it; heights from its FFL. */
interface Given {
  level: { id: Id; name: string };
  budget: HeightBudget | null;
  openings: readonly SolvedOpening[];
}

/** A ceiling lower than this is never proposed, mm. */
const LEAST_HEIGHT_MM = 2000;

/** Ceilings of a storey in the slab or the zones over them, too low, over openings, twice in one room. */
export const checkCeilings = (pieces: readonly CeilingPiece[], given: Given): Finding[] => [
  ...heights(given, pieces),
  ...twice(given, pieces),
  ...openings(given, pieces),
];

/** Ceilings hung nowhere. */
export function checkHung(records: readonly Ceiling[], hung: ReadonlySet<Id>): Finding[] {
  return records
    .filter(({ id }) => !hung.has(id))
    .map((record) => {
      const message = `Ceiling ${record.name} hangs nowhere: no walls go round a room at its levels. Close the walls, or draw its outline`;
      const fix = fixBy(`Delete ceiling ${record.name}`, 'elements.remove', { ids: [record.id] });
      return finding('ceiling.nowhere', record.building, null, [record.id], message, [fix]);
    });
}

const except = (piece: CeilingPiece, words: string, part: { heightMm: number } | { leftOut: true }): Fix => ({
  words,
  command: 'ceilings.except',
  input: { ceiling: piece.ceiling, level: piece.level, ...part },
});

const atHeight = (piece: CeilingPiece, heightMm: number): Fix =>
  except(piece, `Hang it at ${formatLength(heightMm)} mm here`, { heightMm });

/** One finding for a ceiling and level, for the piece of it that has least room over it. */
function heights({ budget, level: { id: level, name } }: Given, pieces: readonly CeilingPiece[]): Finding[] {
  const tightest = new Map<Id, CeilingPiece>();
  for (const piece of pieces) {
    const known = tightest.get(piece.ceiling);
    if (!known || (piece.overMm ?? Infinity) < (known.overMm ?? Infinity)) tightest.set(piece.ceiling, piece);
  }
  return [...tightest.values()].flatMap((piece): Finding[] => {
    const { ceiling, building, clearMm, overMm } = piece;
    const zonesMm = budget ? budget.beamMm + budget.servicesMm : 0;
    const found: Finding[] = [];
    if (overMm !== null && overMm < zonesMm - 0.5) {
      const less = quantiseMm(zonesMm - overMm);
      const lower = quantiseMm(clearMm - less);
      const where =
        overMm < -0.5
          ? `reaches ${formatLength(-overMm)} mm into the slab over it`
          : `leaves ${formatLength(overMm)} mm for beams and services, ${formatLength(less)} mm under the ${formatLength(zonesMm)} mm kept for them`;
      found.push(
        finding(
          overMm < -0.5 ? 'ceiling.inSlab' : 'ceiling.inZones',
          building,
          level,
          [ceiling],
          `Ceiling ${piece.name} at level ${name} ${where}. Hang it lower, or raise the level above`,
          lower >= LEAST_HEIGHT_MM ? [atHeight(piece, lower)] : [except(piece, 'Leave it out here', { leftOut: true })],
        ),
      );
    }
    const target = budget?.targetMm ?? null;
    if (target !== null && clearMm < target - 0.5) {
      const room = overMm === null ? Infinity : overMm - Math.max(0, zonesMm);
      const raise = quantiseMm(target - clearMm);
      const fits = raise <= room + 0.5;
      const higher: Fix = {
        words: `Raise the level above by ${formatLength(quantiseMm(raise - Math.max(0, room)))} mm`,
        command: 'levels.setHeight',
        input: { level, heightMm: (budget?.storeyMm ?? 0) + quantiseMm(raise - Math.max(0, room)), mode: 'push' },
      };
      found.push(
        finding(
          'ceiling.low',
          building,
          level,
          [ceiling],
          `Ceiling ${piece.name} at level ${name} leaves ${formatLength(clearMm)} mm clear, ${formatLength(raise)} mm under the ${formatLength(target)} mm wanted. ${fits ? 'Hang it higher' : 'Raise the level above, then hang it higher'}`,
          fits ? [atHeight(piece, target)] : [higher],
        ),
      );
    }
    return found;
  });
}

/** Two ceilings meant for one room: the first stays. */
function twice({ level: { id: level, name } }: Given, pieces: readonly CeilingPiece[]): Finding[] {
  const first = new Map<object, CeilingPiece>();
  const said = new Set<string>();
  return pieces.flatMap((piece): Finding[] => {
    const known = first.get(piece.ring);
    if (!known) first.set(piece.ring, piece);
    const pair = `${known?.ceiling ?? ''} ${piece.ceiling}`;
    if (!known || known.ceiling === piece.ceiling || said.has(pair)) return [];
    said.add(pair);
    const message = `Ceilings ${known.name} and ${piece.name} hang in one room at level ${name}. Leave one of them out there`;
    const fix = except(piece, `Leave ${piece.name} out here`, { leftOut: true });
    return [finding('ceiling.twice', piece.building, level, [known.ceiling, piece.ceiling], message, [fix])];
  });
}

/** Doors and windows whose heads are over the ceiling of a room they open to. */
function openings({ openings: here, level: { id: level, name } }: Given, pieces: readonly CeilingPiece[]): Finding[] {
  const worst = new Map<Id, { piece: CeilingPiece; by: string; topMm: number }>();
  const lowestMm = Math.min(...pieces.map(({ bottomMm }) => bottomMm));
  const high = here.filter(({ topMm }) => topMm > lowestMm + 0.5);
  for (const piece of pieces) {
    for (const opening of high) {
      if (opening.topMm <= piece.bottomMm + 0.5 || opening.bottomMm >= piece.topMm) continue;
      if ((worst.get(piece.ceiling)?.topMm ?? -Infinity) >= opening.topMm) continue;
      if (!ringsMeet(piece.ring, opening.ring)) continue;
      worst.set(piece.ceiling, { piece, by: `${opening.opening} ${opening.name}`, topMm: opening.topMm });
    }
  }
  return [...worst.values()].map(({ piece, by, topMm }) => {
    const over = quantiseMm(topMm - piece.bottomMm);
    const message = `The head of ${by} is ${formatLength(over)} mm over ceiling ${piece.name} at level ${name}. Hang the ceiling higher, or make the opening lower`;
    const fix = atHeight(piece, quantiseMm(piece.clearMm + over));
    return finding('ceiling.coversOpening', piece.building, level, [piece.ceiling], message, [fix]);
  });
}
