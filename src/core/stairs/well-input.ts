import type { z } from 'zod';
import { refuseNow } from '../commands/length-input';
import { mmOf } from '../dimensions/resolve-length';
import { distance, minus, plus, quantised, times } from '../geometry/point';
import { ringArea } from '../geometry/polygon';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Outline } from '../outlines/outline';
import { readOutline, type outlineInputSchema } from '../outlines/outline-input';
import { resolveOutline } from '../setting-out/resolve-outline';
import { goesRound } from './stair-form';
import type { Stair } from './stair';
import { stairWell } from './stair-well';

/** Reads a well that a form of stair can stand in. */
export function readWell(
  framework: Framework,
  building: Id,
  input: z.infer<typeof outlineInputSchema>,
  shape: Pick<Stair, 'form' | 'entry' | 'turn'>,
): Outline {
  const well = readOutline(framework, building, input);
  const ring = resolveOutline(framework, well);
  if (ring && shape.entry >= ring.length)
    refuseNow(`The well has ${ring.length} sides. Choose one of them to come in over`, ['entry']);
  if (ring && !stairWell(ring, { ...shape, isFree: false }))
    refuseNow(goesRound(shape.form) ? NO_CORNERS : NO_SQUARE, ['well']);
  return well;
}
const NO_SQUARE =
  'A well for a stair has four square corners; for three or four flights round it, it may have others. Give it square ones, or choose such a form';
const NO_CORNERS =
  'A well for flights round it has three to twelve corners, none of which points inwards, and no fewer than there are flights. Give it other corners';

type Polygon = Outline & { type: 'polygon' };
/** Larger in its own shape from the corner one begins at, the side of the first flight by so much. */
export function largerPolygon(framework: Framework, stair: Stair, well: Polygon, byMm: number): Polygon {
  const points = well.points.map(({ xMm, yMm }) => ({ x: mmOf(framework, xMm), y: mmOf(framework, yMm) }));
  const isReversed = ringArea(points) < 0;
  const ring = isReversed ? [...points].reverse() : points;
  const at = (i: number) => ring[(i + ring.length) % ring.length]!;
  const { entry, turn } = stair;
  const [first, second] = turn === 'left' ? [at(entry + 1), at(entry + 2)] : [at(entry), at(entry - 1)];
  const share = 1 + byMm / distance(first, second);
  if (share <= 0.01) refuseNow('The well would have no size. Change it by less');
  return {
    ...well,
    points: points.map((point) => {
      const { x, y } = quantised(plus(first, times(minus(point, first), share)));
      return { xMm: x, yMm: y };
    }),
  };
}
