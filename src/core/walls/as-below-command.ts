import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { refuseNow, refusing } from '../commands/length-input';
import { levelReferred, refSchema, thingReferred } from '../commands/refer';
import { mmOf } from '../dimensions/resolve-length';
import { distance, dot, minus, plus, times, type Point } from '../geometry/point';
import { storeyLevels } from '../levels/resolve-levels';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { holdsLevel } from '../typical/typical';
import { quantiseMm } from '../units/length-units';
import { inItsPlace, isWithin } from './opening-fits';
import type { Wall, WallOpening } from './wall';
import { freeOpeningNames } from './wall-input';
import { alongPath, wallPath, type WallPath } from './wall-path';

/** Walls one over the other run the same way to this, as the sine of the angle between them. */
const PARALLEL = 0.01;

/** A wall's storeys, by the ranks of their levels. */
function storeysOf(framework: Framework, wall: Wall): readonly Id[] {
  const ids = storeyLevels(framework, wall.building).map(({ id }) => id);
  const [from, to] = [ids.indexOf(wall.startsAt.level), ids.indexOf(wall.stopsAt.level)];
  return ids.slice(from, Math.max(to, from + 1));
}

const isAt = (framework: Framework, { at }: WallOpening, level: Id): boolean =>
  at === 'all' || holdsLevel(framework, at, level);

/** Where a point is along a path that runs by it within a distance, and the way the path goes there. */
function alongBy({ points, closed }: WallPath, point: Point, withinMm: number): { mm: number; along: Point } | null {
  let [run, least] = [0, withinMm];
  let best: { mm: number; along: Point } | null = null;
  const n = points.length;
  for (let i = 0; i < (closed ? n : n - 1); i += 1) {
    const [a, b] = [points[i]!, points[(i + 1) % n]!];
    const long = distance(a, b);
    const along = times(minus(b, a), 1 / long);
    const on = dot(minus(point, a), along);
    const gap = distance(point, plus(a, times(along, on)));
    if (on > 0 && on < long && gap <= least) [least, best] = [gap, { mm: run + on, along }];
    run += long;
  }
  return best;
}

/** The outside of a wall, from its path, where it goes some way. */
const outsideOf = ({ outside }: Wall, { x, y }: Point): Point =>
  outside === 'left' ? { x: -y, y: x } : { x: y, y: -x };

/** An opening of a wall below as it is in a wall over it; null where that does not run there. */
function carriedUp(framework: Framework, from: Wall, opening: WallOpening, to: Wall): WallOpening | null {
  const [below, above] = [wallPath(framework, from), wallPath(framework, to)];
  if (!below || !above) return null;
  const widthMm = mmOf(framework, opening.widthMm);
  const middle = alongPath(below, mmOf(framework, opening.alongMm) + widthMm / 2);
  if (!middle) return null;
  const place = alongBy(above, middle.at, (below.build.thicknessMm + above.build.thicknessMm) / 2);
  if (!place || Math.abs(place.along.x * middle.along.y - place.along.y * middle.along.x) > PARALLEL) return null;
  const isSame = dot(outsideOf(from, middle.along), outsideOf(to, place.along)) > 0;
  return {
    ...opening,
    alongMm: quantiseMm(place.mm - widthMm / 2),
    // Seen from the other side, the other hand and the other way.
    hand: isSame ? opening.hand : opening.hand === 'left' ? 'right' : 'left',
    opens: isSame ? opening.opens : opening.opens === 'inwards' ? 'outwards' : 'inwards',
  };
}

const openingsAsBelow = defineCommand({
  name: 'walls.openingsAsBelow',
  title: 'Give walls at a level the doors, windows and openings that stand under them, where there is room for them',
  input: z.strictObject({
    walls: z.array(refSchema).min(1, 'Choose a wall').max(500),
    level: refSchema,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const names = freeOpeningNames(edit.before);
      let count = 0;
      for (const ref of input.walls) {
        const wall = thingReferred(edit.before, 'wall', ref);
        const level = levelReferred(edit.before, input.level, wall.building);
        const ids = storeyLevels(edit.before, wall.building).map(({ id }) => id);
        const under = ids[ids.indexOf(level.id) - 1];
        if (!under) refuseNow(`There is no storey under level ${level.record.name}`, ['level']);
        const storeys = storeysOf(edit.before, wall);
        if (!storeys.includes(level.id))
          refuseNow(`Wall ${wall.name} does not stand at level ${level.record.name}`, ['walls']);
        let next = wall;
        for (const other of recordsOf(edit.before, 'wall')) {
          if (other.building !== wall.building || !storeysOf(edit.before, other).includes(under)) continue;
          for (const opening of other.openings) {
            if (!isAt(edit.before, opening, under)) continue;
            const made =
              other.id === wall.id
                ? sameUp(edit.before, opening, level.id)
                : carriedUp(edit.before, other, opening, wall);
            if (!made) continue;
            const own: WallOpening =
              other.id === wall.id
                ? made
                : { ...made, id: edit.newId(), name: names(made.opening), at: storeys.length > 1 ? [level.id] : 'all' };
            if (!isWithin(edit.before, wall, own) || inItsPlace(edit.before, next, own)) continue;
            next = { ...next, openings: [...next.openings.filter(({ id }) => id !== own.id), own] };
            count += 1;
          }
        }
        if (next !== wall) edit.set('wall', wall.id, { openings: next.openings });
      }
      if (count === 0) refuseNow('Nothing to take up: what stands under it is there already, or has no room');
    }),
  sentence: (before, input, after) => {
    const at = (framework: Framework) =>
      input.walls.map((ref) => thingReferred(framework, 'wall', ref)).flatMap(({ openings }) => openings);
    const was = new Set(at(before).map((each) => JSON.stringify(each)));
    const n = at(after).filter((each) => !was.has(JSON.stringify(each))).length;
    return `${n} ${n === 1 ? 'opening' : 'openings'} as on the level below`;
  },
});

/** An opening of a wall of several storeys, in one more of them; null where it is there already. */
const sameUp = (framework: Framework, opening: WallOpening, level: Id): WallOpening | null =>
  opening.at === 'all' || isAt(framework, opening, level) ? null : { ...opening, at: [...opening.at, level] };

export const AS_BELOW_COMMANDS = [openingsAsBelow] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof AS_BELOW_COMMANDS> {}
}
