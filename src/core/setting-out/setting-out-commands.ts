import { z } from 'zod';
import { middleOfBuilding } from '../columns/column-input';
import { lengthPlus } from '../dimensions/resolve-length';
import { leftDistance } from '../geometry/curve';
import { axisLine, type AxisLine } from '../grids/axis-lines';
import { letGo } from '../elements/let-go';
import { levelRangeSchema, readLevelRange } from '../grids/grid-input';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema } from '../model/fields';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing, saidLength } from '../commands/length-input';
import { buildingReferred, refSchema } from '../commands/refer';
import type { Length } from '../units/parse-length';
import { edgeOf } from './held-line';
import { heldReferred } from './held-referred';
import { LINE_OFFSET, type SettingOutLine } from './setting-out-line';

/** A setting-out line by id or name. */
function lineIn(framework: Framework, ref: string): SettingOutLine {
  const all = recordsOf(framework, 'settingOutLine');
  const byId = all.find(({ id }) => id === ref);
  const named = all.filter(({ name }) => name === ref);
  if (byId) return byId;
  if (named.length === 1) return named[0]!;
  if (named.length > 1) refuseNow(`There are ${named.length} setting-out lines named ${ref}. Say which one by its id`);
  return refuseNow(`There is no setting-out line named ${ref}`);
}

const SIDES = ['positive', 'negative', 'both', 'interior', 'exterior'] as const;

const add = defineCommand({
  name: 'settingOut.add',
  title: 'Set out lines at a distance from lines, to one or both sides',
  input: z.strictObject({
    building: refSchema.optional(),
    /** Grid lines, or setting-out lines already there. */
    lines: z.array(refSchema).max(200).default([]),
    /** Or edges of slabs and shafts, counted counter-clockwise from 0. */
    edges: z
      .array(z.strictObject({ of: refSchema, edge: z.number().int().min(0).max(2000) }))
      .max(200)
      .default([]),
    offsetMm: lengthInputSchema,
    /** Positive: the way the lines count. Interior: towards the building's middle. */
    side: z.enum(SIDES).default('positive'),
    /** For one line its name; for several what their names begin with. */
    name: textSchema(30).optional(),
    ...levelRangeSchema,
    locked: z.boolean().default(false),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const { stored, mm } = new LengthReader(edit.before).read(input.offsetMm, 'offsetMm', LINE_OFFSET);
      const middle = middleOfBuilding(edit.before, building);
      const range = readLevelRange(edit.before, building, input);
      const taken = namesTaken(edit.before, building);
      const sources = [
        ...input.lines.map((ref) => ({ axis: heldReferred(edit.before, ref, building), edge: null })),
        ...input.edges.map(({ of, edge }) => ({
          axis:
            edgeOf(edit.before, of, edge) ?? refuseNow('That edge is not there any more. Choose it again', ['edges']),
          edge,
        })),
      ];
      if (sources.length === 0) refuseNow('Choose a line or an edge first', ['lines']);
      const wanted = sources.flatMap(({ axis, edge }) =>
        signsOf(axis, input.side, middle).map((sign) => ({ axis, edge, sign })),
      );
      for (const { axis, edge, sign } of wanted) {
        const name = nameFor(input.name, axis, wanted.length, taken);
        taken.add(name);
        edit.add<'settingOutLine'>({
          kind: 'settingOutLine',
          building,
          name,
          source: axis.id,
          edge,
          offsetMm: sign === 1 ? stored : negative(stored, mm),
          ...range,
          locked: input.locked,
        });
      }
    }),
  sentence: (before, input, after) => {
    const n = recordsOf(after, 'settingOutLine').length - recordsOf(before, 'settingOutLine').length;
    return `${n} setting-out ${n === 1 ? 'line' : 'lines'} at ${saidLength(before, input.offsetMm)}`;
  },
});

const negative = (length: Length, mm: number): Length =>
  typeof length === 'number' ? -mm : { expr: `0 - (${length.expr})` };

function signsOf(axis: AxisLine, side: (typeof SIDES)[number], middle: { x: number; y: number }): (1 | -1)[] {
  if (side === 'both') return [1, -1];
  if (side === 'positive') return [1];
  if (side === 'negative') return [-1];
  const inwards = (leftDistance(axis.curve, middle) >= 0 ? 1 : -1) * axis.positiveSide;
  return [(side === 'interior' ? inwards : -inwards) as 1 | -1];
}

/** Names no new setting-out line may have: it would be taken for another line, or for a shaft. */
const namesTaken = (framework: Framework, building: Id): Set<string> =>
  new Set([
    ...recordsOf(framework, 'settingOutLine')
      .filter((line) => line.building === building)
      .map(({ name }) => name),
    ...recordsOf(framework, 'gridLine').flatMap(({ id }) => axisLine(framework, id)?.label ?? []),
    // Both stand in one plan.
    ...recordsOf(framework, 'shaft').map(({ name }) => name),
  ]);

function nameFor(asked: string | undefined, axis: AxisLine, count: number, taken: ReadonlySet<string>): string {
  if (asked !== undefined && count === 1) {
    if (taken.has(asked)) refuseNow(`There is a line or shaft named ${asked} already. Choose another name`, ['name']);
    return asked;
  }
  const base = asked === undefined ? 'S' : `${asked} ${axis.label ?? ''}`.trim();
  if (asked !== undefined && !taken.has(base)) return base;
  let n = 1;
  while (taken.has(`${base}${n}`)) n += 1;
  return `${base}${n}`;
}

const change = defineCommand({
  name: 'settingOut.change',
  title: 'Change a setting-out line',
  input: z.strictObject({
    line: refSchema,
    name: textSchema(40).optional(),
    offsetMm: lengthInputSchema.optional(),
    ...levelRangeSchema,
    locked: z.boolean().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const line = lineIn(edit.before, input.line);
      if (line.locked && input.offsetMm !== undefined && input.locked !== false)
        refuseNow(`Setting-out line ${line.name} is locked. Unlock it first`);
      if (
        input.name !== undefined &&
        input.name !== line.name &&
        namesTaken(edit.before, line.building).has(input.name)
      )
        refuseNow(`There is a line or shaft named ${input.name} already. Choose another name`, ['name']);
      edit.set('settingOutLine', line.id, {
        name: input.name,
        locked: input.locked,
        offsetMm:
          input.offsetMm === undefined
            ? undefined
            : new LengthReader(edit.before).read(input.offsetMm, 'offsetMm', LINE_OFFSET).stored,
        ...readLevelRange(edit.before, line.building, input, line),
      });
    }),
  sentence: (before, input) => `Setting-out line ${lineIn(before, input.line).name} changed`,
});

const move = defineCommand({
  name: 'settingOut.move',
  title: 'Move a setting-out line away from its source',
  input: z.strictObject({ line: refSchema, byMm: lengthInputSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const line = lineIn(edit.before, input.line);
      if (line.locked) refuseNow(`Setting-out line ${line.name} is locked. Unlock it first`);
      const { mm } = new LengthReader(edit.before).read(input.byMm, 'byMm', { atLeastMm: -1e6, atMostMm: 1e6 });
      edit.set('settingOutLine', line.id, { offsetMm: lengthPlus(line.offsetMm, mm) });
    }),
  sentence: (before, input) =>
    `Setting-out line ${lineIn(before, input.line).name} moved ${saidLength(before, input.byMm)}`,
});

const remove = defineCommand({
  name: 'settingOut.remove',
  title: 'Remove setting-out lines; what is held to them keeps its place',
  input: z.strictObject({ lines: z.array(refSchema).min(1, 'Choose a setting-out line first').max(200) }),
  plan: (edit, input) =>
    refusing(() => {
      for (const ref of input.lines) {
        const line = lineIn(edit.before, ref);
        if (line.locked) refuseNow(`Setting-out line ${line.name} is locked. Unlock it first`);
        edit.remove(line.id);
      }
      letGo(edit);
    }),
  sentence: (_, input) => `${input.lines.length} setting-out ${input.lines.length === 1 ? 'line' : 'lines'} removed`,
});

export const SETTING_OUT_COMMANDS = [add, change, move, remove] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof SETTING_OUT_COMMANDS> {}
}
