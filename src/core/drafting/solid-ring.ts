import { sectionRing } from '../columns/section-shape';
import { distance, minus, times, type Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import { cosDeg, sinDeg } from '../geometry/trig';
import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';

const SQUARE: readonly Point[] = [
  { x: 1, y: 0 },
  { x: 0, y: 1 },
  { x: -1, y: 0 },
  { x: 0, y: -1 },
];

/** The ways square to a side, and along it. */
const waysOf = (way: Point): Point[] => [way, { x: -way.y, y: way.x }, times(way, -1), { x: way.y, y: -way.x }];

/**
 * What a column, a shaft, a stair or a straight wall takes in the plan of a level, and the ways in which it stands next to others: square
 * to its sides, of a wall only across it. Null for all else.
 */
export function solidRing(solved: Solved, id: Id, level: Id | null): { ring: Ring; ways: readonly Point[] } | null {
  const column = solved.columns.find((piece) => piece.stack === id && piece.level === level);
  if (column) {
    const { section, at, turnDeg } = column;
    const ways = section.shape === 'circle' ? SQUARE : waysOf({ x: cosDeg(turnDeg), y: sinDeg(turnDeg) });
    return { ring: sectionRing(section, at, turnDeg), ways };
  }
  const wall = solved.walls.find((piece) => piece.wall === id && piece.level === level);
  if (wall) {
    const [strip] = wall.strips;
    if (!strip || wall.strips.length > 1) return null;
    const [a, b, c] = strip as [Point, Point, Point];
    const [side, end] = distance(a, b) > distance(b, c) ? [a, b] : [b, c];
    const along = times(minus(end, side), 1 / (distance(side, end) || 1));
    return {
      ring: strip,
      ways: [
        { x: -along.y, y: along.x },
        { x: along.y, y: -along.x },
      ],
    };
  }
  const well =
    solved.shafts.find(({ shaft, levels }) => shaft === id && level !== null && levels.includes(level)) ??
    solved.stairs.find(({ stair, levels }) => stair === id && level !== null && levels.includes(level));
  if (!well) return null;
  const { ring } = well;
  const side = ring.length === 4 ? minus(ring[1]!, ring[0]!) : { x: 1, y: 0 };
  const size = distance(side, { x: 0, y: 0 }) || 1;
  return { ring, ways: waysOf(times(side, 1 / size)) };
}
