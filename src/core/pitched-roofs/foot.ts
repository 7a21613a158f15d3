import { distanceToSegment } from '../geometry/polygon';
import type { RoofFace, RoofLine } from '../roof-planes/pitched';

/** Whether a face begins along a line, or along one that it is a part of: not where a verge rises over it. */
export const isFoot = ({ from, to }: Pick<RoofLine, 'from' | 'to'>, faces: readonly RoofFace[]): boolean =>
  faces.some(
    ({ points, band }) =>
      band === 0 &&
      points.some((point, i) => {
        const next = points[(i + 1) % points.length]!;
        const isLevel = [point, next, to].every(({ z }) => Math.abs(z - from.z) < 0.5);
        return isLevel && distanceToSegment(from, point, next) < 0.05 && distanceToSegment(to, point, next) < 0.05;
      }),
  );
