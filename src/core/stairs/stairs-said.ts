import { storeyLevels, type ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import { resolveOutline } from '../setting-out/resolve-outline';
import { quantiseMm } from '../units/length-units';
import { askedOf } from './asked-of';
import { bestWay, type StairCandidate } from './stair-candidates';
import type { Stair } from './stair';
import { stairWell } from './stair-well';

/** So many storeys are named; of the others it is said how many they are. */
const MOST = 3;

interface Climbed {
  lower: ResolvedLevel;
  upper: ResolvedLevel;
  heightMm: number;
}

/** The storeys of a stair with their heights, by the level each starts at. */
function storeysOf(framework: Framework, stair: Stair): Map<string, Climbed> {
  const levels = storeyLevels(framework, stair.building);
  const [first, last] = [stair.startsAt, stair.stopsAt].map(({ level }) => levels.findIndex(({ id }) => id === level));
  return new Map(
    levels.slice(Math.max(0, first!), Math.max(0, last!)).map((lower, i) => {
      const upper = levels[first! + i + 1]!;
      return [lower.id, { lower, upper, heightMm: quantiseMm(upper.fflMm - lower.fflMm) }];
    }),
  );
}

/** The way a storey is climbed; null where there is none. */
function wayOf(framework: Framework, stair: Stair, { lower, heightMm }: Climbed): StairCandidate | null {
  const ring = resolveOutline(framework, stair.well);
  const well = ring && stairWell(ring, stair);
  if (!well) return null;
  const chosen = stair.chosen.find(({ level }) => level === lower.id)?.flights ?? null;
  return bestWay({ ...askedOf(framework, stair, well), heightMm }, chosen).way;
}

const rounded = (mm: number): string => String(Math.round(mm * 10) / 10);

/** What levels that moved bring about in stairs, for the history: `; stair ST2, 03 to 04: 20 → 21 risers of 171.4 mm`. Empty where nothing. */
export function stairsSaid(before: Framework, after: Framework): string {
  const changed = recordsOf(after, 'stair').flatMap((stair) => {
    const old = recordOf(before, 'stair', stair.id);
    if (!old) return [];
    const was = storeysOf(before, old);
    return [...storeysOf(after, stair)].flatMap(([level, storey]) => {
      const then = was.get(level);
      return then && then.heightMm !== storey.heightMm ? [{ stair, old, then, storey }] : [];
    });
  });
  const said = changed.slice(0, MOST).map(({ stair, old, then, storey }) => {
    const [from, to] = [wayOf(before, old, then), wayOf(after, stair, storey)];
    const where = `stair ${stair.name}, ${storey.lower.record.name} to ${storey.upper.record.name}`;
    if (!to) return `${where}: cannot be climbed any more`;
    const count = from && from.risers !== to.risers ? `${from.risers} → ${to.risers}` : String(to.risers);
    return `${where}: ${count} risers of ${rounded(to.riserMm)} mm`;
  });
  const more = changed.length - said.length;
  const rest = more > 0 ? [`${more} more ${more === 1 ? 'storey' : 'storeys'} of stairs`] : [];
  return [...said, ...rest].map((words) => `; ${words}`).join('');
}
