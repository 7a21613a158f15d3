import { nearestCrossing } from '@/core/columns/nearest-crossing';
import { parsePoint } from '@/core/units/parse-point';
import { formatForEntry, formatLength, METRIC, type LengthDisplay } from '@/core/units/format-length';
import type { Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import type { Result } from '@/core/model/result';
import { done } from '@/core/model/result';
import { fieldUnit } from '../session/store';
import { mmOf } from '@/core/dimensions/resolve-length';
import { resolvePlace } from '@/core/outlines/resolve-place';
import type { Place } from '@/core/model/fields';

/** A point for a field, from the nearest crossing so that the thing follows the grid. */
export function writePlace(framework: Framework, building: Id, x: number, y: number, display: LengthDisplay): string {
  const write = (mm: number) => formatForEntry(mm, display).replace(/\s+/g, ' ');
  const near = nearestCrossing(framework, building, { xMm: x, yMm: y }, 20_000);
  if (!near?.label) return `${write(x)},${write(y)}`;
  if (near.shift.x === 0 && near.shift.y === 0) return near.label;
  return `${near.label} + ${write(near.shift.x)},${write(near.shift.y)}`;
}

/** A place as it is held: from the crossing it stands at, or from the building's zero. */
export function placeAsHeld(framework: Framework, building: Id, place: Place, display: LengthDisplay): string {
  const { at, mark } = resolvePlace(framework, place);
  // By words alone the second meeting of two lines, or a place along one line, is not told from others.
  if (place.line !== undefined || place.nth === 2) return writePlace(framework, building, at.x, at.y, display);
  const write = (mm: number) => formatForEntry(mm, display).replace(/\s+/g, ' ');
  const [x, y] = [mmOf(framework, place.xMm), mmOf(framework, place.yMm)];
  if (place.lines === null || mark === null) return `${write(at.x)},${write(at.y)}`;
  return x === 0 && y === 0 ? mark : `${mark} + ${write(x)},${write(y)}`;
}

/** Reads a typed point in the person's unit: the text for a command, with its unit said, and the words for the field. */
export function readPlaceText(text: string, display: LengthDisplay): Result<{ input: string; words: string }> {
  const parsed = parsePoint(text, { unit: fieldUnit(display) });
  if (!parsed.ok) return parsed;
  const { crossing, xMm, yMm } = parsed.value;
  const shift = `${xMm}mm,${yMm}mm`;
  const isAtCrossing = crossing !== null && xMm === 0 && yMm === 0;
  const input = crossing === null ? shift : isAtCrossing ? crossing : `${crossing} + ${shift}`;
  const write = (shown: LengthDisplay) => `${formatLength(xMm, shown)}, ${formatLength(yMm, shown)}`;
  const said = `= ${write(METRIC)} mm${display.system === 'imperial' ? ` = ${write(display)}` : ''}`;
  return done({
    input,
    words: crossing === null ? said : `from crossing ${crossing} ${isAtCrossing ? '' : said}`.trim(),
  });
}
