import { arrowAlong } from '../drawing/arrow';
import { lengthOf, minus, plus, times } from '../geometry/point';
import { bounds } from '../geometry/polygon';
import { fitting } from '../drawing/least-text';
import type { Primitive } from '../drawing/drawing';
import type { WalkPlace } from './lay-stair';
import type { SolvedStair, StairStorey } from './solved-stair';

/** On paper. */
const ARROW_MM = 1.8;
const NUMBER_MM = 1.7;
const LEVEL_MM = 2.3;

/** The view's scale, 1 : scale, and how heights are written. */
interface Written {
  scale: number;
  writeElevation?: (mm: number) => string;
}

/**
 * The walking line of a storey between two heights: a dot where one steps on, an arrow where one goes up to, the number of each step
 * riser beside it, and the heights of landings it passes.
 */
export function drawWalk(
  stair: SolvedStair,
  { walk, head, landings }: StairStorey,
  view: Written,
  { fromMm = -Infinity, toMm = Infinity }: { fromMm?: number; toMm?: number },
): Primitive[] {
  const shown = walk.filter(({ mm }) => mm > fromMm && mm <= toMm);
  const id = stair.stair;
  const drawn: Primitive[] = [];
  if (shown.length > 1 || (shown.length === 1 && toMm < Infinity)) {
    // A little before the first step riser, and on to the next where the cut lies between the two.
    const [first, second] = [walk[0]!, walk[1]];
    const isFromFoot = shown[0] === first;
    const before = second ? minus(first.at, times(minus(second.at, first.at), 0.3)) : first.at;
    const last = shown.at(-1)!;
    const beyond = walk[walk.indexOf(last) + 1];
    const tip = !beyond && head ? plus(last.at, times(head.along, 1)) : last.at;
    const points = [...(isFromFoot ? [before] : []), ...shown.map(({ at }) => at), ...(beyond ? [] : [tip])];
    const size = Math.min(ARROW_MM * view.scale, stair.flightWidthMm / 3);
    drawn.push(...arrowAlong(points, size, 'stairArrow', id, isFromFoot));
  }
  drawn.push(...numbers(stair, shown, view));
  const { writeElevation } = view;
  if (writeElevation)
    for (const { parts, topMm } of landings)
      if (topMm > fromMm && topMm <= toMm) {
        const box = bounds(parts[0]!);
        const text = writeElevation(topMm);
        drawn.push({
          type: 'text',
          style: 'stairText',
          id,
          // Under the stair's name, where that is.
          at: { x: (box.minX + box.maxX) / 2, y: box.minY + (box.maxY - box.minY) / 4 },
          text,
          heightMm: fitting(text, box.maxX - box.minX, (box.maxY - box.minY) / 3, LEVEL_MM * view.scale),
          turnDeg: 0,
        });
      }
  return drawn;
}

/** The number of each step riser, on the tread behind it, to the right of the walking line. */
function numbers(stair: SolvedStair, shown: readonly WalkPlace[], { scale }: Written): Primitive[] {
  const risers = shown.filter(({ riser }) => riser !== null);
  return risers.flatMap((place, i): Primitive[] => {
    const next = risers[i + 1] ?? risers[i - 1];
    if (!next) return [];
    const step = minus(next.at, place.at);
    const goingMm = lengthOf(step);
    if (goingMm < 1) return [];
    const along = times(step, (risers[i + 1] ? 1 : -1) / goingMm);
    const right = { x: along.y, y: -along.x };
    const text = String(place.riser);
    // Numbers lie across the page: as high as a going lets two figures be.
    const heightMm = Math.min(NUMBER_MM * scale, Math.min(goingMm, stair.flightWidthMm / 3) * 0.62);
    return [
      {
        type: 'text',
        style: 'stairText',
        id: stair.stair,
        at: plus(place.at, plus(times(along, heightMm * 0.75), times(right, heightMm * 1.1))),
        text,
        heightMm,
        turnDeg: 0,
      },
    ];
  });
}
