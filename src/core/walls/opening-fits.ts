import { refuseNow } from '../commands/length-input';
import { mmOf } from '../dimensions/resolve-length';
import type { Framework } from '../model/framework';
import { holdsLevel } from '../typical/typical';
import { formatMm } from '../units/format-length';
import type { Length } from '../units/parse-length';
import type { Wall, WallOpening } from './wall';
import { alongPath, pathLength, wallPath } from './wall-path';

export const OPENING_WORD = { door: 'door', window: 'window', plain: 'opening' } as const;
export const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

/** True where an opening lies within one straight part of its wall. */
export function isWithin(framework: Framework, wall: Wall, opening: WallOpening): boolean {
  const path = wallPath(framework, wall);
  if (!path) return true;
  const [from, width] = [mmOf(framework, opening.alongMm), mmOf(framework, opening.widthMm)];
  const [a, b] = [alongPath(path, from), alongPath(path, from + width)];
  return from >= -1e-6 && from + width <= pathLength(path) + 1e-6 && a?.part === b?.part;
}

export function refuseOutside(framework: Framework, wall: Wall, opening: WallOpening): void {
  if (!isWithin(framework, wall, opening))
    refuseNow('The opening would lie past an end or over a corner of the wall. Move it or make it narrower', [
      'alongMm',
    ]);
}

/** Another opening of its wall in the same place, at a level that both are at. */
export function inItsPlace(framework: Framework, wall: Wall, made: WallOpening): WallOpening | undefined {
  const mm = (length: Length) => mmOf(framework, length);
  const span = (from: Length, size: Length) => [mm(from), mm(from) + mm(size)] as const;
  const meet = ([a, b]: readonly [number, number], [c, d]: readonly [number, number]) =>
    Math.min(b, d) - Math.max(a, c) > 1e-6;
  const isAtOne = ({ at: one }: WallOpening, { at: other }: WallOpening) =>
    one === 'all' ||
    other === 'all' ||
    one.some((level) => holdsLevel(framework, other, level)) ||
    other.some((level) => holdsLevel(framework, one, level));
  return wall.openings.find(
    (each) =>
      each.id !== made.id &&
      isAtOne(each, made) &&
      meet(span(each.alongMm, each.widthMm), span(made.alongMm, made.widthMm)) &&
      meet(span(each.sillMm, each.heightMm), span(made.sillMm, made.heightMm)),
  );
}

export function refuseInAnother(framework: Framework, wall: Wall, made: WallOpening): void {
  const other = inItsPlace(framework, wall, made);
  if (other)
    refuseNow(
      `${capital(OPENING_WORD[made.opening])} ${made.name} would be in the same place as ${OPENING_WORD[other.opening]} ${other.name}, which is ${formatMm(mmOf(framework, other.alongMm))} along wall ${wall.name}. Move it along, or change that one`,
      ['alongMm'],
    );
}
