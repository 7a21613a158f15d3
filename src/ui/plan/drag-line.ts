import { leftDistance, offsetCurve, type Curve } from '@/core/geometry/curve';
import { minus, turned, type Point } from '@/core/geometry/point';
import { directionDeg } from '@/core/geometry/trig';
import { axisLine } from '@/core/grids/axis-lines';
import { lineById } from '@/core/grids/resolve-grids';
import type { Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import { formatLength, type LengthDisplay } from '@/core/units/format-length';
import { quantiseMm } from '@/core/units/length-units';
import type { Sent } from '@/core/commands/command-inputs';

/** What dragging a line from one point to another would do: the command, where the line would be, and words. */
export interface LineDrag {
  edit: Sent<'grids.moveLine' | 'settingOut.move'>;
  curve: Curve;
  words: string;
}

/** Rays turn in steps of this. */
const STEP_DEG = 0.5;

/** A grid line or setting-out line dragged across itself in round steps; null when it would not move. */
export function dragLine(
  framework: Framework,
  id: Id,
  from: Point,
  to: Point,
  mode: 'push' | 'only',
  display: LengthDisplay,
): LineDrag | null {
  const axis = axisLine(framework, id);
  if (!axis) return null;
  const found = lineById(framework, id);
  const follow = found ? `, ${mode === 'push' ? 'pushing the lines beyond' : 'only this line'}` : '';
  if (found && found[1].bayDeg !== null) {
    const [grid] = found;
    const angle = (point: Point) => {
      const spoke = minus(point, grid.origin);
      return directionDeg(spoke.y, spoke.x);
    };
    const swept = ((((angle(to) - angle(from) + 180) % 360) + 360) % 360) - 180;
    const byDeg = Math.round(swept / STEP_DEG) * STEP_DEG;
    if (byDeg === 0) return null;
    const turn = (point: Point): Point => {
      const spoke = turned(minus(point, grid.origin), byDeg);
      return { x: grid.origin.x + spoke.x, y: grid.origin.y + spoke.y };
    };
    const curve =
      axis.curve.kind === 'segment'
        ? { ...axis.curve, from: turn(axis.curve.from), to: turn(axis.curve.to) }
        : axis.curve;
    const signed = byDeg * grid.record.waysOf.a;
    return {
      edit: { command: 'grids.moveLine', input: { line: id, byDeg: signed, mode } },
      curve,
      words: `${signed}°${follow}`,
    };
  }
  const step = display.system === 'imperial' ? 25.4 : 50;
  const leftMm = quantiseMm(Math.round((leftDistance(axis.curve, to) - leftDistance(axis.curve, from)) / step) * step);
  const curve = offsetCurve(axis.curve, leftMm);
  if (leftMm === 0 || !curve) return null;
  const byMm = leftMm * axis.positiveSide;
  return {
    edit: found
      ? { command: 'grids.moveLine', input: { line: id, byMm, mode } }
      : { command: 'settingOut.move', input: { line: id, byMm } },
    curve,
    words: `${formatLength(byMm, display)}${follow}`,
  };
}
