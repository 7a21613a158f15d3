import { finding, fixBy, type Finding } from '../checks/finding';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { SolvedStair } from '../stairs/solved-stair';
import { formatLength } from '../units/format-length';
import type { Stretch } from './stairs-out';
import type { RoomWay, WaysOut } from './ways-out';

interface Levels {
  exits: readonly Id[];
  /** From the lowest up. */
  storeys: readonly ResolvedLevel[];
  names: ReadonlyMap<Id, string>;
}

/** True of a stair within a dwelling: it is no way out of the building by itself. */
function isPrivate(framework: Framework, { rules }: SolvedStair): boolean {
  return (recordOf(framework, 'ruleSet', rules)?.base ?? rules) === 'private';
}

/** Stairs that reach no level with a way out. */
export function checkStairsOut(
  framework: Framework,
  building: Id,
  stretches: readonly Stretch[],
  stairs: readonly SolvedStair[],
  { exits, storeys, names }: Levels,
): Finding[] {
  if (exits.length === 0) return [];
  return stairs.flatMap((stair): Finding[] => {
    if (stair.levels.length === 0 || stair.levels.some((level) => exits.includes(level))) return [];
    const on = stretches.find((each) => each.stair.stair === stair.stair)?.on ?? null;
    if (on && isPrivate(framework, stair)) return [];
    const rank = (level: Id) => storeys.findIndex(({ id }) => id === level);
    const [low, high] = [stair.levels[0]!, stair.levels.at(-1)!];
    const gap = (exit: Id) => Math.max(rank(low) - rank(exit), rank(exit) - rank(high));
    const exit = [...exits].sort((a, b) => gap(a) - gap(b))[0]!;
    const isAbove = rank(exit) < rank(low);
    const name = (level: Id) => names.get(level) ?? '';
    const goesOn = on ? ` From level ${name(on.at)} one has to go on by stair ${on.stretch.stair.name}.` : '';
    const end = isAbove ? { startsAt: { level: exit } } : { stopsAt: { level: exit } };
    return [
      finding(
        'stair.shortOfExit',
        building,
        isAbove ? low : high,
        [stair.stair],
        `Stair ${stair.name} ${isAbove ? 'begins' : 'ends'} at level ${name(isAbove ? low : high)} and reaches no level with a way out.${goesOn} Carry it to level ${name(exit)}`,
        [fixBy(`Carry stair ${stair.name} to level ${name(exit)}`, 'stairs.change', { stair: stair.stair, ...end })],
      ),
    ];
  });
}

const write = (mm: number): string => `${formatLength(Math.round(mm))} mm`;

const roomWords = ({ number, name }: RoomWay): string => `room ${`${number} ${name}`.trim()}`;

/** What is wrong with how one gets out of rooms that have names: a storey with rooms and no stair, dead ends that are too long, ways that are too long. `hasNoStairs`: the building has none at all. */
export function checkWaysOut(ways: WaysOut, names: ReadonlyMap<Id, string>, hasNoStairs: boolean): Finding[] {
  const { building, level, rooms, limits, isExit } = ways;
  const name = names.get(level) ?? '';
  const named = rooms.filter(({ room }) => room !== null);
  // Where there are stairs, storeys that none reaches are found with them.
  if (hasNoStairs && !isExit && named.length > 0)
    return [
      finding(
        'storey.noStair',
        building,
        level,
        [level],
        `No stair reaches level ${name}, which has ${named.length === 1 ? 'a room' : `${named.length} rooms`}. Add a stair`,
      ),
    ];
  const found: Finding[] = [];
  const farthest = worst(named, ({ mm }) => mm, limits.travelMm);
  const about = ({ room }: RoomWay): Id[] => [room!];
  if (farthest)
    found.push(
      finding(
        'escape.travel',
        building,
        level,
        about(farthest.room),
        `From the farthest place of ${roomWords(farthest.room)} at level ${name} one walks ${write(farthest.mm)} to ${farthest.room.to}; ${limits.travelSource} allows ${write(limits.travelMm)}. Add a stair or a door nearer to it`,
      ),
    );
  const end = worst(named, ({ deadEndMm }) => deadEndMm, limits.deadEndMm);
  if (end)
    found.push(
      finding(
        'escape.deadEnd',
        building,
        level,
        about(end.room),
        `From ${roomWords(end.room)} at level ${name} one walks ${write(end.mm)} before there are two ways out; ${limits.deadEndSource} allows ${write(limits.deadEndMm)}. Add a stair or a door nearer to it`,
      ),
    );
  return found;
}

/** The room with the greatest of some lengths, where that is over a limit. */
function worst(
  rooms: readonly RoomWay[],
  of: (room: RoomWay) => number | null,
  limitMm: number,
): { room: RoomWay; mm: number } | null {
  let most: { room: RoomWay; mm: number } | null = null;
  for (const room of rooms) {
    const mm = of(room);
    if (mm !== null && mm > limitMm + 0.5 && mm > (most?.mm ?? 0)) most = { room, mm };
  }
  return most;
}
