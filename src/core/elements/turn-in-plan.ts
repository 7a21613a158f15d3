import { mmOf } from '../dimensions/resolve-length';
import { minus, plus, quantised, turned, type Point } from '../geometry/point';
import { inOneTurn } from '../geometry/turn';
import type { Turn } from '../kinds/kind';
import { called, walkOfKind } from '../kinds/records';
import type { Place } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Rec } from '../model/kinds';
import { refuseNow } from '../commands/length-input';
import type { Outline } from '../outlines/outline';
import { resolvePlace } from '../outlines/resolve-place';
import { shifted } from '../outlines/shifted';
import { resolveOutline } from '../setting-out/resolve-outline';
import { quantiseMm } from '../units/length-units';
import type { Length } from '../units/parse-length';

interface Shift {
  xMm: Length;
  yMm: Length;
}

/** A point turned about another. */
export const turnedAbout = ({ about, deg }: Turn, point: Point): Point =>
  quantised(plus(about, turned(minus(point, about), deg)));

/** A turn after which nothing is held to lines or walls any more, where that is asked for. */
type FreeTurn = Turn & { isFreed?: boolean };

const NO_TURN: FreeTurn = { about: { x: 0, y: 0 }, deg: 0, isFreed: true };

/** A record where it stands, held to no line and following nothing. */
export const freedInPlan = <R extends Rec>(framework: Framework, record: R): R =>
  turnedInPlan(framework, record, NO_TURN);

function drawnOutline(framework: Framework, record: Rec, outline: Outline): Outline {
  const ring = resolveOutline(framework, outline) ?? refuseNow(`The outline of ${called(record)} is unsound`);
  return {
    type: 'polygon',
    place: { lines: null, xMm: 0, yMm: 0 },
    points: ring.map(({ x, y }) => ({ xMm: x, yMm: y })),
  };
}

/** A place turned about a point, and by how much what stands in it turns against its axes from then. */
function turnedPlace(framework: Framework, place: Place, turn: FreeTurn): { place: Place; byDeg: number } {
  const was = resolvePlace(framework, place);
  const by = minus(turnedAbout(turn, was.at), was.at);
  // Along a curve the axes are others at every place: it stands there by itself from then.
  const next: Place =
    place.line || (turn.isFreed && place.lines)
      ? { lines: null, xMm: quantiseMm(was.at.x + by.x), yMm: quantiseMm(was.at.y + by.y) }
      : by.x === 0 && by.y === 0
        ? place
        : shifted(framework, place, by);
  return { place: next, byDeg: was.turnDeg + turn.deg - resolvePlace(framework, next).turnDeg };
}

function turnedOutline(framework: Framework, record: Rec, outline: Outline, turn: FreeTurn): Outline {
  if (turn.isFreed && !('place' in outline)) return drawnOutline(framework, record, outline);
  if (outline.type === 'gridOffset' || outline.type === 'lines' || outline.type === 'walls')
    refuseNow(
      `${called(record)} follows its ${outline.type === 'walls' ? 'walls' : 'grid lines'}. Turn those, or draw its outline`,
    );
  const { place, byDeg } = turnedPlace(framework, outline.place, turn);
  if (outline.type === 'circle') return { ...outline, place };
  if (outline.type === 'rectangle') return { ...outline, place, turnDeg: inOneTurn(outline.turnDeg + byDeg) };
  return { ...outline, place, points: outline.points.map((point) => turnedShift(framework, point, byDeg)) };
}

/** A shift along its axes, turned: worked out anew, but where it turns by nothing. */
export function turnedShift<S extends Shift>(framework: Framework, shift: S, byDeg: number): S {
  if (inOneTurn(byDeg) === 0) return shift;
  const { x, y } = quantised(turned({ x: mmOf(framework, shift.xMm), y: mmOf(framework, shift.yMm) }, byDeg));
  return { ...shift, xMm: x, yMm: y };
}

/** A record turned about a point, everything of it that stands there by itself. */
export function turnedInPlan<R extends Rec>(framework: Framework, record: R, turn: FreeTurn): R {
  const own = 'place' in record ? turnedPlace(framework, record.place, turn) : null;
  const byDeg = own?.byDeg ?? turn.deg;
  return walkOfKind(record.kind)!.change(record, (mark, value) => {
    switch (mark.is) {
      case 'outline':
        return turnedOutline(framework, record, value as Outline, turn);
      case 'place':
        return own && value === (record as { place?: unknown }).place
          ? own.place
          : turnedPlace(framework, value as Place, turn).place;
      case 'corners':
        return (value as Shift[]).map((corner) => turnedShift(framework, corner, byDeg));
      case 'shift':
        return turnedShift(framework, value as Shift, byDeg);
      case 'turn':
        return inOneTurn((value as number) + byDeg);
      case 'origin': {
        const origin = value as Shift & { turnDeg?: number };
        const at = turnedAbout(turn, { x: mmOf(framework, origin.xMm), y: mmOf(framework, origin.yMm) });
        const turns = origin.turnDeg === undefined ? {} : { turnDeg: inOneTurn(origin.turnDeg + turn.deg) };
        return { ...origin, ...turns, xMm: at.x, yMm: at.y };
      }
      default:
        return undefined;
    }
  }) as R;
}
