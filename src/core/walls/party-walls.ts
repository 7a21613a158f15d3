import { between } from '../buildings/between-buildings';
import { endMm } from '../levels/resolve-end';
import { levelById, storeyLevels, type ResolvedLevel } from '../levels/resolve-levels';
import type { End } from '../model/fields';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { quantiseMm } from '../units/length-units';
import type { Wall } from './wall';
import { wallPath } from './wall-path';

/** Height of an end in its building's heights; a soffit or a ceiling is reckoned as the SSL over it. */
const heightOf = (framework: Framework, end: End): number => endMm(framework, end, ({ sslMm }) => sslMm);

/** From where to where a party wall stands, in its own building's heights: as far as either building wants it. */
function wantedHeights(framework: Framework, wall: Wall): { lowMm: number; highMm: number } {
  const own = { lowMm: heightOf(framework, wall.startsAt), highMm: heightOf(framework, wall.stopsAt) };
  if (!wall.sharedWith || !wall.sharedEnds) return own;
  const { liftMm } = between(framework, wall.sharedWith, wall.building);
  const { startsAt, stopsAt } = wall.sharedEnds;
  return {
    lowMm: Math.min(own.lowMm, quantiseMm(heightOf(framework, startsAt) + liftMm)),
    highMm: Math.max(own.highMm, quantiseMm(heightOf(framework, stopsAt) + liftMm)),
  };
}

/** A wall with its ends where the other building that has it too wants them, where that is lower or higher than its own do. */
export function withSharedEnds(framework: Framework, wall: Wall): Wall {
  if (!wall.sharedWith || !wall.sharedEnds) return wall;
  // Up to roofs it goes up to those of both.
  const isToRoof = wall.stopsAt.face === 'roof';
  const { lowMm, highMm } = wantedHeights(framework, wall);
  const sslMm = (end: End) => levelById(framework, end.level)?.sslMm ?? 0;
  const atSsl = (end: End, mm: number): End => ({
    level: end.level,
    face: 'SSL',
    offsetMm: quantiseMm(mm - sslMm(end)),
  });
  const { startsAt, stopsAt } = wall;
  return {
    ...wall,
    startsAt: lowMm < heightOf(framework, startsAt) - 1 ? atSsl(startsAt, lowMm) : startsAt,
    stopsAt: !isToRoof && highMm > heightOf(framework, stopsAt) + 1 ? atSsl(stopsAt, highMm) : stopsAt,
  };
}

/** Where the other building of a party wall wants it, as it stands now: from its lowest to its topmost storey within the wall. */
export function sharedEndsNow(framework: Framework, wall: Wall, other: Id): Wall['sharedEnds'] {
  const { liftMm } = between(framework, wall.building, other);
  const [low, high] = [wall.startsAt, wall.stopsAt].map((end) => heightOf(framework, end) + liftMm) as [number, number];
  const storeys = storeyLevels(framework, other).filter(({ sslMm, fflMm }) => fflMm >= low - 1 && sslMm <= high + 1);
  const [first, last] = [storeys[0], storeys.at(-1)];
  if (!first || !last || first === last) return null;
  const face = wall.startsAt.face === 'FFL' ? 'FFL' : 'SSL';
  return {
    startsAt: { level: first.id, face, offsetMm: 0 },
    stopsAt: { level: last.id, face: 'soffit', offsetMm: 0 },
  };
}

/**
 * Party walls of other buildings that a building has too, in its own axes and levels: the same walls, with the same ids. They
 * stand in the storeys of this building that lie within their heights.
 */
export function partyWallsOf(framework: Framework, building: Id, storeys: readonly ResolvedLevel[]): Wall[] {
  return recordsOf(framework, 'wall')
    .filter(({ sharedWith }) => sharedWith === building)
    .flatMap((wall): Wall[] => {
      const path = wallPath(framework, wall);
      const { move, liftMm } = between(framework, wall.building, building);
      const { lowMm, highMm } = wantedHeights(framework, wall);
      const [low, high] = [lowMm + liftMm, highMm + liftMm];
      const first = storeys.find(({ fflMm }, i) => fflMm >= low - 1 || i === storeys.length - 1);
      const last = storeys.filter(({ sslMm }) => sslMm <= high + 1).at(-1);
      if (!path || !first || !last || last.fflMm <= first.fflMm) return [];
      const above = quantiseMm(high - last.fflMm);
      const stopsAtSoffit = withSharedEnds(framework, wall).stopsAt.face === 'soffit';
      return [
        {
          ...wall,
          // Openings are its own building's; the other has the wall without them.
          openings: [],
          exceptions: [],
          passesClearMm: null,
          building,
          place: { lines: null, xMm: 0, yMm: 0 },
          points: path.points.map((point) => {
            const { x, y } = move(point);
            return { xMm: x, yMm: y };
          }),
          startsAt: { level: first.id, face: wall.startsAt.face, offsetMm: 0 },
          stopsAt:
            above > 50
              ? { level: last.id, face: 'FFL', offsetMm: above }
              : stopsAtSoffit
                ? { level: last.id, face: 'soffit', offsetMm: 0 }
                : { level: last.id, face: 'SSL', offsetMm: quantiseMm(high - last.sslMm) },
        },
      ];
    });
}
