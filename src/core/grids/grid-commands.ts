import { z } from 'zod';
import { lengthPlus } from '../dimensions/resolve-length';
import { defineCommand, type Command } from '../model/command';
import type { Edit } from '../model/edit';
import { angleSchema, textSchema } from '../model/fields';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../model/length-input';
import { buildingReferred, gridReferred, lineReferred, refSchema } from '../model/refer';
import { formatLength } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import { formatBays, parseBays } from '../units/parse-bays';
import { resolvePlace } from '../outlines/resolve-place';
import { DIRECTIONS, lineLabelSchema, type Direction, type GridLine } from './grid';
import { crossingsOf, lineById, type ResolvedGrid, type ResolvedLine } from './resolve-grids';

const baysSchema = z.union([z.array(z.number().positive().max(1e6)).max(500), z.string().max(2000)]);
const ruleInputSchema = z
  .strictObject({
    first: z.string().regex(/^(\d{1,4}|[A-Z]{1,3})$/, 'A first label is a number or capital letters, like 1 or A'),
    skip: z.string().max(20).default(''),
    prefix: z.string().max(8).default(''),
    suffix: z.string().max(8).default(''),
    descending: z.boolean().default(false),
  })
  .describe('How the lines of one direction are labelled');
const modeSchema = z.enum(['push', 'only']).default('push');
const waySchema = z.union([z.literal(1), z.literal(-1)]).default(1);

function readBays(bays: z.infer<typeof baysSchema>, field: string): number[] {
  if (typeof bays !== 'string') return bays.map(quantiseMm);
  const parsed = parseBays(bays);
  if (!parsed.ok) refuseNow(`${field}: ${parsed.refusal.message}`, [field]);
  return parsed.value.baysMm;
}

const lineIn = (framework: Framework, ref: string): [ResolvedGrid, ResolvedLine] => lineReferred(framework, ref);

const gridIn = (framework: Framework, ref: string | undefined): ResolvedGrid => gridReferred(framework, ref);

/** What the line referred to is called before and after the command. */
function lineNames(before: Framework, ref: string, after = before): [string, string] {
  const [, line] = lineIn(before, ref);
  const none = 'without a label';
  return [line.label ?? none, lineById(after, line.id)?.[1].label ?? none];
}

const neighbours = (grid: ResolvedGrid, line: ResolvedLine): { before?: ResolvedLine; after?: ResolvedLine } => {
  const run = grid[line.direction];
  const at = run.findIndex(({ id }) => id === line.id);
  return { before: run[at - 1], after: run[at + 1] };
};

function addLines(
  edit: Edit,
  system: Id,
  direction: Direction,
  bays: readonly number[],
  labels: readonly GridLine['label'][],
): void {
  let from: Id | null = null;
  [0, ...bays].forEach((bayMm, i) => {
    const line: GridLine = edit.add<'gridLine'>({
      kind: 'gridLine',
      system,
      direction,
      from,
      bayMm,
      label: labels[i] ?? { mode: 'auto' },
      minor: labels[i]?.mode === 'none',
    });
    from = line.id;
  });
}

const add = defineCommand({
  name: 'grids.add',
  title: 'Add a rectangular grid',
  input: z.strictObject({
    building: refSchema.optional(),
    name: textSchema(60).default('Grid'),
    baysA: baysSchema.describe('Bays between the lines that follow one another along the x axis'),
    baysB: baysSchema.describe('Bays between the lines that follow one another along the y axis'),
    xMm: lengthInputSchema.default(0),
    yMm: lengthInputSchema.default(0),
    turnDeg: angleSchema.default(0),
    waysOf: z.strictObject({ a: waySchema, b: waySchema }).default({ a: 1, b: 1 }),
    labelsA: ruleInputSchema.default({ first: '1', skip: '', prefix: '', suffix: '', descending: false }),
    labelsB: ruleInputSchema.default({ first: 'A', skip: 'IO', prefix: '', suffix: '', descending: false }),
    /** Labels typed line by line, null for an unlabelled line; as read from a drawing. */
    typedA: z.array(textSchema(12).nullable()).max(501).optional(),
    typedB: z.array(textSchema(12).nullable()).max(501).optional(),
    extensionMm: lengthInputSchema.default(2400),
    bubble: z.enum(['circle', 'hexagon', 'square']).default('circle'),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const reader = new LengthReader(edit.before);
      const bays = { a: readBays(input.baysA, 'baysA'), b: readBays(input.baysB, 'baysB') };
      const system = edit.add<'gridSystem'>({
        kind: 'gridSystem',
        building,
        name: input.name,
        xMm: reader.read(input.xMm, 'xMm').stored,
        yMm: reader.read(input.yMm, 'yMm').stored,
        turnDeg: input.turnDeg,
        waysOf: input.waysOf,
        labels: { a: input.labelsA, b: input.labelsB },
        extensionMm: reader.read(input.extensionMm, 'extensionMm', { atLeastMm: 0, atMostMm: 1e5 }).stored,
        bubble: input.bubble,
      });
      const typed = (texts: (string | null)[] | undefined): GridLine['label'][] =>
        (texts ?? []).map((text) => (text === null ? { mode: 'none' } : { mode: 'typed', text }));
      addLines(edit, system.id, 'a', bays.a, typed(input.typedA));
      addLines(edit, system.id, 'b', bays.b, typed(input.typedB));
    }),
  sentence: (_, input) =>
    `Grid added: ${formatBays(readBays(input.baysA, 'baysA'))} by ${formatBays(readBays(input.baysB, 'baysB'))}`,
});

const change = defineCommand({
  name: 'grids.change',
  title: 'Change the place, turn, labels or bubbles of a grid',
  input: z.strictObject({
    system: refSchema.optional(),
    name: textSchema(60).optional(),
    xMm: lengthInputSchema.optional(),
    yMm: lengthInputSchema.optional(),
    turnDeg: angleSchema.optional(),
    labelsA: ruleInputSchema.optional(),
    labelsB: ruleInputSchema.optional(),
    extensionMm: lengthInputSchema.optional(),
    bubble: z.enum(['circle', 'hexagon', 'square']).optional(),
  }),
  plan: (edit, { system, labelsA, labelsB, ...input }) =>
    refusing(() => {
      const { record, id } = gridIn(edit.before, system);
      const reader = new LengthReader(edit.before);
      const length = (value: typeof input.xMm, field: string, least = -1e9) =>
        value === undefined ? undefined : reader.read(value, field, { atLeastMm: least }).stored;
      edit.set('gridSystem', id, {
        name: input.name,
        turnDeg: input.turnDeg,
        bubble: input.bubble,
        xMm: length(input.xMm, 'xMm'),
        yMm: length(input.yMm, 'yMm'),
        extensionMm: length(input.extensionMm, 'extensionMm', 0),
        labels: { ...record.labels, a: labelsA ?? record.labels.a, b: labelsB ?? record.labels.b },
      });
    }),
  sentence: (before, input) => `Grid ${gridIn(before, input.system).record.name} changed`,
});

const setBays = defineCommand({
  name: 'grids.setBays',
  title: 'Type the bays of one direction anew',
  input: z.strictObject({ system: refSchema.optional(), direction: z.enum(DIRECTIONS), bays: baysSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const grid = gridIn(edit.before, input.system);
      const run = grid[input.direction];
      const bays = readBays(input.bays, 'bays');
      // Lines keep their ids in order; what is over is added or removed at the end.
      run.slice(1, bays.length + 1).forEach((line, i) => {
        if (line.bayMm !== bays[i]) edit.set('gridLine', line.id, { bayMm: bays[i]! });
      });
      for (const line of run.slice(bays.length + 1)) removeLine(edit, line);
      let from: Id | null = run.at(-1)?.id ?? null;
      for (const bayMm of bays.slice(Math.max(0, run.length - 1))) {
        const line: GridLine = edit.add<'gridLine'>({
          kind: 'gridLine',
          system: grid.id,
          direction: input.direction,
          from,
          bayMm,
          label: { mode: 'auto' },
          minor: false,
        });
        from = line.id;
      }
    }),
  sentence: (_, input) => `Bays typed anew: ${formatBays(readBays(input.bays, 'bays'))}`,
});

const setBay = defineCommand({
  name: 'grids.setBay',
  title: 'Set the bay before a grid line',
  input: z.strictObject({ line: refSchema, bayMm: lengthInputSchema, mode: modeSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const [grid, line] = lineIn(edit.before, input.line);
      if (line.record.from === null) refuseNow('The first line has no bay before it. Move the grid instead');
      const { stored, mm } = new LengthReader(edit.before).read(input.bayMm, 'bayMm', { moreThanMm: 0, atMostMm: 1e6 });
      edit.set('gridLine', line.id, { bayMm: stored });
      const { after } = neighbours(grid, line);
      if (input.mode === 'only' && after) shrinkAfter(edit, line, after, mm - line.bayMm);
    }),
  sentence: (before, input, after) => {
    const [, line] = lineIn(before, input.line);
    return `Grid line ${lineNames(before, input.line)[0]} now ${formatLength(lineById(after, line.id)?.[1].bayMm ?? 0)} mm from the line before`;
  },
});

function shrinkAfter(edit: Edit, line: ResolvedLine, after: ResolvedLine, byMm: number): void {
  if (after.bayMm - byMm <= 0) {
    refuseNow(`Line ${line.label ?? ''} would pass line ${after.label ?? ''}. Use push, or move that line first`);
  }
  edit.set('gridLine', after.id, { bayMm: lengthPlus(after.record.bayMm, -byMm) });
}

const moveLine = defineCommand({
  name: 'grids.moveLine',
  title: 'Move a grid line across its direction',
  input: z.strictObject({ line: refSchema, byMm: lengthInputSchema, mode: z.enum(['push', 'only']).default('only') }),
  plan: (edit, input) =>
    refusing(() => {
      const [grid, line] = lineIn(edit.before, input.line);
      const { mm } = new LengthReader(edit.before).read(input.byMm, 'byMm', { atLeastMm: -1e6, atMostMm: 1e6 });
      const { before, after } = neighbours(grid, line);
      if (before && line.bayMm + mm <= 0) {
        refuseNow(`Line ${line.label ?? ''} would pass line ${before.label ?? ''}. Move it less far`);
      }
      if (before) edit.set('gridLine', line.id, { bayMm: lengthPlus(line.record.bayMm, mm) });
      else shiftOrigin(edit, grid, line, mm);
      if (input.mode === 'only' && after) shrinkAfter(edit, line, after, mm);
    }),
  sentence: (before, input) => `Grid line ${lineNames(before, input.line)[0]} moved ${input.byMm}`,
});

/** Moving the first line moves the corner the system is counted from. */
function shiftOrigin(edit: Edit, grid: ResolvedGrid, line: ResolvedLine, mm: number): void {
  const moved = grid.record.waysOf[line.direction] * mm;
  const [other] = line.direction === 'a' ? grid.b : grid.a;
  const along = other ? unit(other.ends[0], other.ends[1]) : { x: 1, y: 0 };
  edit.set('gridSystem', grid.id, {
    xMm: lengthPlus(grid.record.xMm, along.x * moved),
    yMm: lengthPlus(grid.record.yMm, along.y * moved),
  });
}

function unit(from: { x: number; y: number }, to: { x: number; y: number }): { x: number; y: number } {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const size = Math.sqrt(dx * dx + dy * dy);
  return { x: dx / size, y: dy / size };
}

const addLine = defineCommand({
  name: 'grids.addLine',
  title: 'Add a grid line at the far end or before the first line',
  input: z.strictObject({
    system: refSchema.optional(),
    direction: z.enum(DIRECTIONS),
    bayMm: lengthInputSchema,
    end: z.enum(['last', 'first']).default('last'),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const grid = gridIn(edit.before, input.system);
      const run = grid[input.direction];
      const { stored, mm } = new LengthReader(edit.before).read(input.bayMm, 'bayMm', { moreThanMm: 0, atMostMm: 1e6 });
      const common = {
        kind: 'gridLine',
        system: grid.id,
        direction: input.direction,
        label: { mode: 'auto' },
        minor: false,
      } as const;
      if (input.end === 'last' || run.length === 0) {
        edit.add<'gridLine'>({ ...common, from: run.at(-1)?.id ?? null, bayMm: run.length === 0 ? 0 : stored });
        return;
      }
      const first = edit.add<'gridLine'>({ ...common, from: null, bayMm: 0 });
      edit.set('gridLine', run[0]!.id, { from: first.id, bayMm: stored });
      shiftOrigin(edit, grid, run[0]!, -mm);
    }),
  sentence: (_, input, after) => {
    const run = gridIn(after, input.system)[input.direction];
    const line = input.end === 'last' ? run.at(-1) : run[0];
    return `Grid line ${line?.label ?? ''} added`;
  },
});

const splitBay = defineCommand({
  name: 'grids.splitBay',
  title: 'Split the bay before a grid line',
  input: z.strictObject({
    line: refSchema,
    /** Distance of the new line from the line before, or a share of the bay. Half when neither is given. */
    atMm: lengthInputSchema.optional(),
    ratio: z.number().gt(0).lt(1).optional(),
    /** The new line's label: none, or the label before it with this suffix. */
    suffix: textSchema(6).optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const [grid, line] = lineIn(edit.before, input.line);
      const { before } = neighbours(grid, line);
      if (!before) refuseNow('There is no bay before the first line. Choose the line at the far side of the bay');
      const atMm =
        input.atMm === undefined
          ? quantiseMm(line.bayMm * (input.ratio ?? 0.5))
          : new LengthReader(edit.before).read(input.atMm, 'atMm').mm;
      if (atMm <= 0 || atMm >= line.bayMm) {
        refuseNow(`The bay is ${formatLength(line.bayMm)}: split it at a distance between 0 and that`, ['atMm']);
      }
      const added = edit.add<'gridLine'>({
        kind: 'gridLine',
        system: grid.id,
        direction: line.direction,
        from: before.id,
        bayMm: atMm,
        label: input.suffix ? { mode: 'secondary', suffix: input.suffix } : { mode: 'none' },
        minor: true,
      });
      edit.set('gridLine', line.id, { from: added.id, bayMm: lengthPlus(line.record.bayMm, -atMm) });
    }),
  sentence: (before, input) => `Bay before grid line ${lineNames(before, input.line)[0]} split`,
});

const relabel = defineCommand({
  name: 'grids.relabel',
  title: 'Relabel a grid line; the lines after it continue from there',
  input: z.strictObject({
    line: refSchema,
    label: z.union([lineLabelSchema, textSchema(12)]),
    minor: z.boolean().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const label = typeof input.label === 'string' ? { mode: 'typed' as const, text: input.label } : input.label;
      edit.set('gridLine', lineIn(edit.before, input.line)[1].id, { label, minor: input.minor });
    }),
  sentence: (before, input, after) => {
    const [was, is] = lineNames(before, input.line, after);
    return `Grid line ${was} is now ${is}`;
  },
});

/** Takes a line out; its two bays become one. Columns on it keep their place in plan. */
function removeLine(edit: Edit, line: ResolvedLine): void {
  const dependant = [...edit.all()].find(
    (record): record is GridLine => record.kind === 'gridLine' && record.from === line.id,
  );
  const own = recordOf(edit.framework, 'gridLine', line.id)!;
  if (dependant) {
    const isFirst = own.from === null;
    edit.set('gridLine', dependant.id, {
      from: own.from,
      bayMm: isFirst ? 0 : lengthPlus(dependant.bayMm, typeof own.bayMm === 'number' ? own.bayMm : line.bayMm),
    });
    if (isFirst) {
      const [grid] = lineById(edit.before, line.id)!;
      shiftOrigin(edit, grid, line, lineById(edit.before, dependant.id)?.[1].bayMm ?? 0);
    }
  }
  edit.remove(line.id);
  detachFrom(edit, line.id);
}

/** Whatever stood on a crossing of the line stays where it is, held from the building's zero. */
function detachFrom(edit: Edit, line: Id): void {
  for (const record of [...edit.all()]) {
    if (record.kind === 'columnStack' && record.place.lines?.includes(line)) {
      const at = resolvePlace(edit.before, record.place);
      edit.set('columnStack', record.id, {
        place: { lines: null, xMm: at.at.x, yMm: at.at.y },
        turnDeg: quantiseMm(record.turnDeg + at.turnDeg),
        name: record.name ?? at.mark,
      });
    }
    if ((record.kind === 'shaft' || record.kind === 'floorPlate') && record.outline.type !== 'gridOffset') {
      if (!record.outline.place.lines?.includes(line)) continue;
      const at = resolvePlace(edit.before, record.outline.place);
      const place = { lines: null, xMm: at.at.x, yMm: at.at.y };
      if (record.outline.type === 'polygon' && at.turnDeg !== 0) {
        refuseNow(`${record.name} stands on a crossing of this line in a turned grid. Move it off first`);
      }
      const outline =
        record.outline.type === 'rectangle'
          ? { ...record.outline, place, turnDeg: quantiseMm(record.outline.turnDeg + at.turnDeg) }
          : { ...record.outline, place };
      edit.set(record.kind, record.id, { outline });
    }
  }
}

const remove = defineCommand({
  name: 'grids.removeLine',
  title: 'Remove a grid line; its bays merge',
  input: z.strictObject({ line: refSchema }),
  plan: (edit, input) => refusing(() => removeLine(edit, lineIn(edit.before, input.line)[1])),
  sentence: (before, input) => `Grid line ${lineNames(before, input.line)[0]} removed`,
});

const removeGrid = defineCommand({
  name: 'grids.remove',
  title: 'Remove a whole grid; columns on it keep their places',
  input: z.strictObject({ system: refSchema.optional() }),
  plan: (edit, input) =>
    refusing(() => {
      const grid = gridIn(edit.before, input.system);
      for (const line of recordsOf(edit.before, 'gridLine').filter(({ system }) => system === grid.id)) {
        edit.remove(line.id);
        detachFrom(edit, line.id);
      }
      edit.remove(grid.id);
    }),
  sentence: (before, input) => {
    const grid = gridIn(before, input.system);
    return `Grid ${grid.record.name} with ${crossingsOf(grid).length} crossings removed`;
  },
});

export const GRID_COMMANDS: Command[] = [
  add,
  change,
  setBays,
  setBay,
  moveLine,
  addLine,
  splitBay,
  relabel,
  remove,
  removeGrid,
];
