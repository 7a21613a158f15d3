import { dot, lengthOf, plus, times, type Point } from '../geometry/point';
import { slopedFaces, steepest, type HighCorner, type SlopedFace } from './faces';

/** Corners this near to the furthest ones go along with them, mm. */
const TOGETHER_MM = 1;
/** An extension is found to so much, mm. */
const GRAIN_MM = 0.1;
const MOST_MM = 200_000;

/** A floor with its furthest corners in a direction moved further along it; their heights stay. */
export function extended(corners: readonly HighCorner[], way: Point, byMm: number): HighCorner[] {
  const along = times(way, 1 / lengthOf(way));
  const furthest = Math.max(...corners.map((corner) => dot(corner, along)));
  return corners.map((corner) =>
    dot(corner, along) >= furthest - TOGETHER_MM ? { ...plus(corner, times(along, byMm)), z: corner.z } : corner,
  );
}

/** No face is steeper than a ratio (run per rise). */
export const notSteeperThan =
  (ratio: number) =>
  (faces: readonly SlopedFace[]): boolean => {
    const least = steepest(faces);
    return least === null || least >= ratio - 1e-9;
  };

/**
 * The least extension in a direction with which a floor's faces comply, to a tenth of a millimetre, with the floor that has it; 0 where it complies already, null where no extension in that direction would do.
 */
export function leastExtension(
  corners: readonly HighCorner[],
  way: Point,
  complies: (faces: readonly SlopedFace[]) => boolean,
): { byMm: number; corners: HighCorner[] } | null {
  const does = (byMm: number): boolean => {
    const faces = slopedFaces(extended(corners, way, byMm));
    return faces !== null && complies(faces);
  };
  const answer = (byMm: number) => ({ byMm, corners: extended(corners, way, byMm) });
  if (does(0)) return answer(0);
  let most = 100;
  while (!does(most)) {
    most *= 2;
    if (most > MOST_MM) return null;
  }
  let least = most === 100 ? 0 : most / 2;
  while (most - least > GRAIN_MM / 4) {
    const middle = (least + most) / 2;
    if (does(middle)) most = middle;
    else least = middle;
  }
  const round = Math.ceil(most / GRAIN_MM) * GRAIN_MM;
  return answer(does(round) ? round : most);
}
