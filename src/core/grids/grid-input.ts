import { z } from 'zod';
import type { Edit } from '../model/edit';
import { textSchema } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { refuseNow } from '../commands/length-input';
import { gridReferred, levelReferred, lineReferred, refSchema } from '../commands/refer';
import { quantiseMm } from '../units/length-units';
import { parseAngles } from '../units/parse-angles';
import { parseBaysIn } from '../dimensions/resolve-length';
import { fieldWords } from '../model/field-words';
import type { Length } from '../units/parse-length';
import { linesOfSides } from './two-sides';
import { BUBBLES, HEADS, PLAIN_LINE, type Direction, type GridLine } from './grid';
import { lineById, type ResolvedGrid, type ResolvedLine } from './resolve-grids';

/** So many bays one direction has at most: more is a unit taken wrongly. */
const MOST_BAYS = 500;
const bayNumber = z
  .number()
  .positive('A bay must be longer than zero')
  .max(1e6, 'A bay is 1 km at most. Check the unit');
export const baysSchema = z.union([
  z.array(bayNumber).max(MOST_BAYS, `At most ${MOST_BAYS} bays in one direction. Check the unit of the list`),
  z.string().max(2000),
]);
export const anglesSchema = z.union([z.array(z.number().positive().max(360)).max(360), z.string().max(2000)]);
export const ruleInputSchema = z
  .strictObject({
    first: z.string().regex(/^(\d{1,4}|[A-Z]{1,3})$/, 'A first label is a number or capital letters, like 1 or A'),
    skip: z.string().max(20).default(''),
    prefix: z.string().max(8).default(''),
    suffix: z.string().max(8).default(''),
    descending: z.boolean().default(false),
  })
  .describe('How the lines of one direction are labelled');
export const NUMBERS = { first: '1', skip: '', prefix: '', suffix: '', descending: false };
export const LETTERS = { first: 'A', skip: 'IO', prefix: '', suffix: '', descending: false };
export const modeSchema = z.enum(['push', 'only']).default('push');
export const waySchema = z.union([z.literal(1), z.literal(-1)]).default(1);
export const headsSchema = z.enum(HEADS);
export const bubbleSchema = z.enum(BUBBLES);
/** Lowest and highest level a grid or a line is there on; null: no limit. */
export const levelRangeSchema = {
  fromLevel: refSchema.nullable().optional(),
  toLevel: refSchema.nullable().optional(),
};
/** Labels typed line by line, null for an unlabelled line; as read from a drawing. */
export const typedSchema = z.array(textSchema(12).nullable()).max(501).optional();

/** Bays in millimetres, and as they are stored: those that name dimensions as what was typed. */
export function readBays(
  framework: Framework,
  bays: z.infer<typeof baysSchema>,
  field: string,
): { mm: number[]; stored: Length[] } {
  if (typeof bays !== 'string') {
    const mm = bays.map(quantiseMm);
    return { mm, stored: mm };
  }
  const parsed = parseBaysIn(framework, bays);
  if (!parsed.ok) refuseNow(`${fieldWords(field)}: ${parsed.refusal.message}`, [field]);
  return { mm: parsed.value.baysMm, stored: parsed.value.stored };
}

/** The lines of bays typed for both sides, or for each; where both have the same, each bay is kept as it was typed. */
export function linesOfBays(
  framework: Framework,
  near: z.infer<typeof baysSchema>,
  far: z.infer<typeof baysSchema> | undefined,
  field: string,
): NewLine[] {
  const bays = readBays(framework, near, field);
  if (far !== undefined) return linesOfSides(bays.mm, readBays(framework, far, `far ${field}`).mm);
  return linesOfSides(bays.mm, bays.mm).map((line, i) => (i === 0 ? line : { ...line, bayMm: bays.stored[i - 1]! }));
}

/** Angles between rays, degrees; a list that closes the full turn leaves out its last ray, which would be the first. */
export function readAngles(angles: z.infer<typeof anglesSchema>, field: string): number[] {
  const read = typeof angles === 'string' ? parseAngles(angles) : { ok: true as const, value: angles };
  if (!read.ok) refuseNow(`${field}: ${read.refusal.message}`, [field]);
  const sum = quantiseMm(read.value.reduce((total, angle) => total + angle, 0));
  if (sum > 360) refuseNow(`${field}: the angles add up to ${sum}°, more than a full turn`, [field]);
  return sum === 360 ? read.value.slice(0, -1) : [...read.value];
}

interface LevelRangeInput {
  fromLevel?: string | null | undefined;
  toLevel?: string | null | undefined;
}

/** The level range asked for, checked to be of the building and the right way up; undefined fields are left as they are. */
export function readLevelRange(
  framework: Framework,
  building: Id,
  input: LevelRangeInput,
  now: { fromLevel: Id | null; toLevel: Id | null } = { fromLevel: null, toLevel: null },
): { fromLevel: Id | null; toLevel: Id | null } {
  const level = (ref: string | null | undefined, was: Id | null) =>
    ref === undefined ? was : ref === null ? null : levelReferred(framework, ref, building).id;
  const range = { fromLevel: level(input.fromLevel, now.fromLevel), toLevel: level(input.toLevel, now.toLevel) };
  const ffl = (id: Id | null) => (id === null ? null : levelReferred(framework, id, building).fflMm);
  const [low, high] = [ffl(range.fromLevel), ffl(range.toLevel)];
  if (low !== null && high !== null && high < low)
    refuseNow('The highest level lies below the lowest one. Change one of them', ['toLevel']);
  return range;
}

export const lineIn = (framework: Framework, ref: string): [ResolvedGrid, ResolvedLine] => lineReferred(framework, ref);

export const gridIn = (framework: Framework, ref: string | undefined): ResolvedGrid => gridReferred(framework, ref);

/** What the line referred to is called before and after the command. */
export function lineNames(before: Framework, ref: string, after = before): [string, string] {
  const [, line] = lineIn(before, ref);
  const none = 'without a label';
  return [line.label ?? none, lineById(after, line.id)?.[1].label ?? none];
}

export const neighbours = (grid: ResolvedGrid, line: ResolvedLine): { before?: ResolvedLine; after?: ResolvedLine } => {
  const run = grid[line.direction];
  const at = run.findIndex(({ id }) => id === line.id);
  return { before: run[at - 1], after: run[at + 1] };
};

/** A line to be added to a run. */
export interface NewLine {
  bayMm: Length;
  bayDeg?: number;
  side?: GridLine['side'];
  path?: GridLine['path'];
  label?: GridLine['label'];
  reachMm?: GridLine['reachMm'];
}

/** Adds lines after `from`, each one bay from the one before. */
export function addRun(
  edit: Edit,
  system: Id,
  direction: Direction,
  lines: readonly NewLine[],
  from: Id | null = null,
): Id[] {
  let before = from;
  return lines.map(({ bayMm, bayDeg, side, path, label, reachMm }) => {
    const line: GridLine = edit.add<'gridLine'>({
      kind: 'gridLine',
      system,
      direction,
      from: before,
      bayMm,
      ...PLAIN_LINE,
      bayDeg: bayDeg ?? null,
      side: side ?? 'both',
      path: path ?? null,
      reachMm: reachMm ?? null,
      label: label ?? { mode: 'auto' },
      minor: label?.mode === 'none',
    });
    before = line.id;
    return line.id;
  });
}
