import { parseBaysIn, parseLengthIn } from '../dimensions/resolve-length';
import type { SectionInput } from '../columns/column-input';
import { parseSection, sectionInput } from '../columns/section-text';
import { plus, quantised, turned, type Point } from '../geometry/point';
import { axisLines } from '../grids/axis-lines';
import { buildingCrossings } from '../grids/crossings';
import { gridsOf } from '../grids/resolve-grids';
import { levelsOf } from '../levels/resolve-levels';
import { recordsOf } from '../model/framework';
import { markOf } from '../commands/refer';
import type { Id } from '../model/ids';
import { parsePoint } from '../units/parse-point';
import type { EntryContext } from '../kinds/form';

/** A part of a line that cannot be read, in words. */
export class Unread extends Error {}

/** A length for a command: millimetres, or an expression with named dimensions. */
export function lengthOf(text: string, { framework, unit }: EntryContext): number | string {
  const parsed = parseLengthIn(framework, text.trim(), { unit });
  if (!parsed.ok) throw new Unread(`"${text.trim()}": ${parsed.refusal.message}`);
  const { stored } = parsed.value;
  return typeof stored === 'number' ? stored : stored.expr;
}

/** A list of lengths like `2@7200 3600`, millimetres. */
export function lengthsOf(text: string, { framework, unit }: EntryContext): number[] {
  const parsed = parseBaysIn(framework, text.replace(/\s*@\s*/g, '@'), { unit });
  if (!parsed.ok) throw new Unread(`"${text.trim()}": ${parsed.refusal.message}`);
  return parsed.value.baysMm;
}

/** A point like `B-3 + 600,1200` with its unit said, as commands take it. */
export function placeOf(text: string, { unit }: EntryContext): string {
  const parsed = parsePoint(text.trim(), { unit });
  if (!parsed.ok) throw new Unread(`"${text.trim()}": ${parsed.refusal.message}`);
  const { crossing, xMm, yMm } = parsed.value;
  if (crossing === null) return `${xMm}mm,${yMm}mm`;
  return xMm === 0 && yMm === 0 ? crossing : `${crossing} + ${xMm}mm,${yMm}mm`;
}

/** A length in a line, which may have a fraction after a space: `1'-7 11/16"`. */
export const LENGTH = '[^\\sx×]+(?:\\s\\d+/\\d+["″]?)?';
/** A section in a line of a form, as the group `section`. */
export const SECTION = `(?<section>(?:round\\s*|d)${LENGTH}|I\\s+\\S+|${LENGTH}\\s*[x×]\\s*${LENGTH})`;

/** One of some words, typed in capitals or not. */
export function wordOf<const Word extends string>(text: string, words: readonly Word[]): Word {
  const typed = text.trim().toLowerCase();
  const found = words.find((word) => word.toLowerCase() === typed);
  if (found === undefined) throw new Unread(`"${text}": say one of ${words.join(', ')}`);
  return found;
}

/** A section like `500x500`, `round 550` or `I 300x300x11x19`. */
export function sectionOf(text: string, context: EntryContext): SectionInput {
  const parsed = parseSection(text);
  if (!parsed.ok) throw new Unread(parsed.refusal.message);
  return sectionInput(parsed.value, (size) => lengthOf(size, context));
}

/** Millimetres of a length in which no named dimension stands. */
export function mmOfText(text: string, context: EntryContext): number {
  const length = lengthOf(text, context);
  if (typeof length !== 'number') throw new Unread(`"${text}": type a plain length here`);
  return length;
}

/** Where a typed point lies in plan. */
export function pointOf(text: string, context: EntryContext): Point {
  const place = placeOf(text, context);
  const parsed = parsePoint(place, {});
  if (!parsed.ok) throw new Unread(`"${text}": ${parsed.refusal.message}`);
  const { crossing, xMm, yMm } = parsed.value;
  if (crossing === null) return { x: xMm, y: yMm };
  const found = buildingCrossings(context.framework, context.building).find(({ label }) => label === crossing);
  if (!found) throw new Unread(`There is no crossing named ${crossing}`);
  return quantised(plus(found.at, turned({ x: xMm, y: yMm }, found.turnDeg)));
}

/** Id of one grid line or setting-out line. */
export function axisOf(text: string, context: EntryContext): Id {
  const lines = [...axisLines(context.framework).values()].filter(
    ({ building, label }) => building === context.building && label === text.trim(),
  );
  if (lines.length !== 1) throw new Unread(`There is no one line named ${text.trim()}`);
  return lines[0]!.id;
}

/** Ids of columns by their marks: `A-1,B-2`. */
export function columnsOf(text: string, { framework, building }: EntryContext): Id[] {
  const stacks = recordsOf(framework, 'columnStack').filter((stack) => stack.building === building);
  return text.split(',').map((mark) => {
    const named = stacks.filter((stack) => markOf(framework, stack) === mark);
    if (named.length !== 1) throw new Unread(`There is no one column with the mark ${mark}`);
    return named[0]!.id;
  });
}

/** Id of the level of the building with this name. */
export function levelOf(name: string, { framework, building }: EntryContext): Id {
  const level = levelsOf(framework, building).find(({ record }) => record.name.toLowerCase() === name.toLowerCase());
  if (!level) throw new Unread(`There is no level named ${name}`);
  return level.id;
}

/** Id of one grid line of the building. */
export function lineOf(label: string, context: EntryContext): Id {
  const [id, more] = linesOf(label, context);
  if (id === undefined || more !== undefined) throw new Unread(`"${label}" is not one grid line`);
  return id;
}

/** Ids of grid lines named like `A-D`, `1-6` or `A,C`: from one line to another of the same direction, or single ones. */
export function linesOf(text: string, { framework, building }: EntryContext): Id[] {
  const runs = gridsOf(framework)
    .filter(({ record }) => record.building === building)
    .flatMap((grid) => [grid.a, grid.b]);
  const find = (label: string): [number, number] => {
    for (const [r, run] of runs.entries()) {
      const at = run.findIndex((line) => line.label === label);
      if (at >= 0) return [r, at];
    }
    throw new Unread(`There is no grid line labelled ${label}`);
  };
  return text
    .trim()
    .split(/\s*,\s*|\s+/)
    .flatMap((part) => {
      const span = /^([\p{L}\d.]+)\s*[-–]\s*([\p{L}\d.]+)$/u.exec(part);
      if (!span) {
        const [r, at] = find(part);
        return [runs[r]![at]!.id];
      }
      const [[r, from], [s, to]] = [find(span[1]!), find(span[2]!)];
      if (r !== s) throw new Unread(`Lines ${span[1]} and ${span[2]} do not run the same way`);
      return runs[r]!.slice(Math.min(from, to), Math.max(from, to) + 1)
        .filter(({ record }) => !record.minor)
        .map(({ id }) => id);
    });
}
