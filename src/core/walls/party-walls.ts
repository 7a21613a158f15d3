import { between } from '../buildings/between-buildings';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { levelById } from '../levels/resolve-levels';
import type { End } from '../model/fields';
import { mmOf } from '../dimensions/resolve-length';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { quantiseMm } from '../units/length-units';
import type { Wall } from './wall';
import { wallPath } from './wall-path';

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
      const mm = (end: End) => {
        const level = levelById(framework, end.level);
        const face = level ? (end.face === 'FFL' ? level.fflMm : level.sslMm) : 0;
        return face + mmOf(framework, end.offsetMm) + liftMm;
      };
      const [low, high] = [mm(wall.startsAt), mm(wall.stopsAt)];
      const first = storeys.find(({ fflMm }, i) => fflMm >= low - 1 || i === storeys.length - 1);
      const last = storeys.filter(({ sslMm }) => sslMm <= high + 1).at(-1);
      if (!path || !first || !last || last.fflMm <= first.fflMm) return [];
      const above = quantiseMm(high - last.fflMm);
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
              : { level: last.id, face: 'soffit', offsetMm: 0 },
        },
      ];
    });
}
