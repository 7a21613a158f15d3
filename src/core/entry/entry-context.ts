import { parseLengthIn } from '../dimensions/resolve-length';
import { gridsOf } from '../grids/resolve-grids';
import { levelsOf } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { LengthUnit } from '../units/length-units';
import { parseBays } from '../units/parse-bays';
import { parsePoint } from '../units/parse-point';

/** What a typed line is read against: the framework, the building it is about, and the unit of a bare number. */
export interface EntryContext {
  framework: Framework;
  building: Id;
  unit: LengthUnit;
}

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
export function lengthsOf(text: string, { unit }: EntryContext): number[] {
  const parsed = parseBays(text.replace(/\s*@\s*/g, '@'), { unit });
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

/** A section like `500x500` or `round 550`. */
export function sectionOf(text: string, context: EntryContext): Record<string, unknown> {
  const round = /^(?:round|d|⌀)\s*(.+)$/i.exec(text.trim());
  if (round) return { shape: 'circle', diameterMm: lengthOf(round[1]!, context) };
  const sides = text.trim().split(/\s*[x×]\s*/i);
  if (sides.length !== 2) throw new Unread(`"${text.trim()}" is no section; type one like 500x500 or round 550`);
  return { shape: 'rectangle', widthMm: lengthOf(sides[0]!, context), depthMm: lengthOf(sides[1]!, context) };
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
