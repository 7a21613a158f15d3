import type { Point } from '../geometry/point';
import type { Wall } from '../walls/wall';
import type { WallPath } from '../walls/wall-path';
import { fixBy, type Fix } from './finding';

/** Draws a wall with one corner of its path at another place; its path is then held to no line. */
export const cornerFix = (words: string, wall: Wall, { points }: WallPath, corner: number, to: Point): Fix =>
  fixBy(words, 'walls.change', {
    wall: wall.id,
    place: { lines: null, xMm: 0, yMm: 0 },
    points: points.map((point, i) => (i === corner ? to : point)).map(({ x, y }) => ({ xMm: x, yMm: y })),
  });
