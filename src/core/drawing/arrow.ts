import { lengthOf, minus, plus, times, type Point } from '../geometry/point';
import type { Id } from '../model/ids';
import type { Primitive } from './drawing';
import type { Style } from './styles';

/** A way with an arrow at its end; `hasDot`: and a dot where one starts. `sizeMm` is the arrow's, in the model. */
export function arrowAlong(points: readonly Point[], sizeMm: number, style: Style, id: Id, hasDot = true): Primitive[] {
  const apart = points
    .filter((point, i) => i === 0 || lengthOf(minus(point, points[i - 1]!)) > 1e-6)
    .map(({ x, y }) => ({ x, y }));
  if (apart.length < 2) return [];
  const [from, tip] = apart.slice(-2) as [Point, Point];
  const along = times(minus(tip, from), 1 / lengthOf(minus(tip, from)));
  const back = minus(tip, times(along, sizeMm));
  const across = times({ x: -along.y, y: along.x }, sizeMm * 0.36);
  return [
    { type: 'path', style, id, points: apart, closed: false },
    ...(hasDot ? [{ type: 'circle', style, id, at: apart[0]!, radiusMm: sizeMm * 0.18 } as const] : []),
    { type: 'path', style, id, points: [plus(back, across), tip, minus(back, across)], closed: false },
  ];
}
