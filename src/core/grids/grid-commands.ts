import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { angleSchema, textSchema } from '../model/fields';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, refSchema } from '../commands/refer';
import { saidBays } from '../units/parse-bays';
import { quantiseMm } from '../units/length-units';
import { BAY_COMMANDS } from './bay-commands';
import { crossingsOf } from './crossings';
import { letGo } from '../elements/let-go';
import {
  addRun,
  anglesSchema,
  baysSchema,
  bubbleSchema,
  gridIn,
  headsSchema,
  LETTERS,
  levelRangeSchema,
  NUMBERS,
  readAngles,
  linesOfBays,
  readBays,
  readLevelRange,
  ruleInputSchema,
  typedSchema,
  waySchema,
  type NewLine,
} from './grid-input';
import { LINE_COMMANDS } from './line-commands';
import { pathInputSchema, readPath } from './path-input';
import { gridsOf } from './resolve-grids';
import { GRID_EXTENSION } from './grid';

const placed = {
  building: refSchema.optional(),
  xMm: lengthInputSchema.default(0),
  yMm: lengthInputSchema.default(0),
  turnDeg: angleSchema.default(0),
  labelsA: ruleInputSchema.default(NUMBERS),
  labelsB: ruleInputSchema.default(LETTERS),
  extensionMm: lengthInputSchema.default(2400),
  bubble: bubbleSchema.default('circle'),
  headsA: headsSchema.optional(),
  headsB: headsSchema.optional(),
  ...levelRangeSchema,
};

/** What every kind of new system has in common, as stored. */
function systemFields(
  before: Parameters<typeof buildingReferred>[0],
  input: {
    building?: string | undefined;
    xMm: string | number;
    yMm: string | number;
    turnDeg: number;
    labelsA: z.infer<typeof ruleInputSchema>;
    labelsB: z.infer<typeof ruleInputSchema>;
    extensionMm: string | number;
    bubble: z.infer<typeof bubbleSchema>;
    fromLevel?: string | null | undefined;
    toLevel?: string | null | undefined;
  },
) {
  const building = buildingReferred(before, input.building);
  const reader = new LengthReader(before);
  return {
    building,
    xMm: reader.read(input.xMm, 'xMm').stored,
    yMm: reader.read(input.yMm, 'yMm').stored,
    turnDeg: input.turnDeg,
    labels: { a: input.labelsA, b: input.labelsB },
    extensionMm: reader.read(input.extensionMm, 'extensionMm', GRID_EXTENSION).stored,
    bubble: input.bubble,
    ...readLevelRange(before, building, input),
  };
}

const add = defineCommand({
  name: 'grids.add',
  title: 'Add a rectangular grid',
  input: z.strictObject({
    ...placed,
    name: textSchema(60).default('Grid'),
    baysA: baysSchema.describe('Bays between the lines that follow one another along the x axis'),
    baysB: baysSchema.describe('Bays between the lines that follow one another along the y axis'),
    farBaysA: baysSchema.optional().describe('Bays along the opposite side where they differ'),
    farBaysB: baysSchema.optional().describe('Bays along the opposite side where they differ'),
    waysOf: z.strictObject({ a: waySchema, b: waySchema }).default({ a: 1, b: 1 }),
    typedA: typedSchema,
    typedB: typedSchema,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const labelled = (lines: NewLine[], texts: (string | null)[] | undefined): NewLine[] =>
        lines.map((line, i) => {
          const text = texts?.[i];
          if (text === undefined) return line;
          return { ...line, label: text === null ? { mode: 'none' } : { mode: 'typed', text } };
        });
      const a = labelled(linesOfBays(edit.before, input.baysA, input.farBaysA, 'baysA'), input.typedA);
      const b = labelled(linesOfBays(edit.before, input.baysB, input.farBaysB, 'baysB'), input.typedB);
      const usual = (lines: NewLine[], one: 'first' | 'last') =>
        lines.some(({ side }) => side !== 'both') ? ('both' as const) : one;
      const system = edit.add<'gridSystem'>({
        kind: 'gridSystem',
        name: input.name,
        shape: 'rectangular',
        ...systemFields(edit.before, input),
        waysOf: input.waysOf,
        headsAt: { a: input.headsA ?? usual(a, 'last'), b: input.headsB ?? usual(b, 'first') },
      });
      addRun(edit, system.id, 'a', a);
      addRun(edit, system.id, 'b', b);
    }),
  sentence: (before, input) =>
    `Grid added: ${saidBays(readBays(before, input.baysA, 'baysA').mm)} by ${saidBays(readBays(before, input.baysB, 'baysB').mm)}`,
});

const addRadial = defineCommand({
  name: 'grids.addRadial',
  title: 'Add a radial grid of rays and rings',
  input: z.strictObject({
    ...placed,
    name: textSchema(60).default('Radial grid'),
    angles: anglesSchema.describe('Angles between the rays, degrees'),
    radii: baysSchema.describe('Radius of the first ring, then the bays between the rings'),
    way: waySchema.describe('1: rays follow counter-clockwise from the turn; −1: clockwise'),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const angles = readAngles(input.angles, 'angles');
      const radii = readBays(edit.before, input.radii, 'radii').stored;
      if (radii.length === 0) refuseNow('A radial grid needs one ring at least. Type its radius', ['radii']);
      const system = edit.add<'gridSystem'>({
        kind: 'gridSystem',
        name: input.name,
        shape: 'radial',
        ...systemFields(edit.before, input),
        waysOf: { a: input.way, b: 1 },
        headsAt: { a: input.headsA ?? 'last', b: input.headsB ?? 'first' },
      });
      addRun(
        edit,
        system.id,
        'a',
        [0, ...angles].map((bayDeg) => ({ bayMm: 0, bayDeg })),
      );
      addRun(
        edit,
        system.id,
        'b',
        radii.map((bayMm) => ({ bayMm })),
      );
    }),
  sentence: (before, input) =>
    `Radial grid added: ${readAngles(input.angles, 'angles').length + 1} rays, ${readBays(before, input.radii, 'radii').mm.length} rings`,
});

const addFree = defineCommand({
  name: 'grids.addFree',
  title: 'Add free grid lines and arcs, labelled in the order given',
  input: z.strictObject({
    ...placed,
    /** A free system to add to; none: a new one. */
    system: refSchema.optional(),
    name: textSchema(60).default('Free lines'),
    lines: z
      .array(
        z.strictObject({
          path: pathInputSchema,
          direction: z.enum(['a', 'b']).default('a'),
          label: textSchema(12).nullable().optional(),
        }),
      )
      .min(1, 'Choose a line first')
      .max(500),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      const existing = input.system === undefined ? null : gridIn(edit.before, input.system);
      if (existing && existing.record.shape !== 'free')
        refuseNow(`${existing.record.name} is no system of free lines. Leave the system out`, ['system']);
      const system =
        existing?.record ??
        edit.add<'gridSystem'>({
          kind: 'gridSystem',
          name: input.name,
          shape: 'free',
          ...systemFields(edit.before, input),
          waysOf: { a: 1, b: 1 },
          headsAt: { a: input.headsA ?? 'last', b: input.headsB ?? 'last' },
        });
      for (const direction of ['a', 'b'] as const) {
        const lines = input.lines.filter((line) => line.direction === direction);
        addRun(
          edit,
          system.id,
          direction,
          lines.map(({ path, label }) => ({
            bayMm: 0,
            path: readPath(reader, path),
            ...(label === undefined
              ? {}
              : { label: label === null ? { mode: 'none' as const } : { mode: 'typed' as const, text: label } }),
          })),
          existing?.[direction].at(-1)?.id ?? null,
        );
      }
    }),
  sentence: (_, input) => `${input.lines.length} free grid ${input.lines.length === 1 ? 'line' : 'lines'} added`,
});

const change = defineCommand({
  name: 'grids.change',
  title: 'Change the place, turn, labels, heads or levels of a grid',
  input: z.strictObject({
    system: refSchema.optional(),
    name: textSchema(60).optional(),
    xMm: lengthInputSchema.optional(),
    yMm: lengthInputSchema.optional(),
    turnDeg: angleSchema.optional(),
    labelsA: ruleInputSchema.optional(),
    labelsB: ruleInputSchema.optional(),
    extensionMm: lengthInputSchema.optional(),
    bubble: bubbleSchema.optional(),
    headsA: headsSchema.optional(),
    headsB: headsSchema.optional(),
    ...levelRangeSchema,
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
        headsAt: { a: input.headsA ?? record.headsAt.a, b: input.headsB ?? record.headsAt.b },
        ...readLevelRange(edit.before, record.building, input, record),
      });
    }),
  sentence: (before, input) => `Grid ${gridIn(before, input.system).record.name} changed`,
});

const copy = defineCommand({
  name: 'grids.copy',
  title: 'Copy a grid to another place',
  input: z.strictObject({
    system: refSchema.optional(),
    xMm: lengthInputSchema,
    yMm: lengthInputSchema,
    turnDeg: angleSchema.default(0),
    name: textSchema(60).optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const { record, id } = gridIn(edit.before, input.system);
      const reader = new LengthReader(edit.before);
      const by = [reader.read(input.xMm, 'xMm').mm, reader.read(input.yMm, 'yMm').mm] as const;
      const { origin } = gridIn(edit.before, id);
      const taken = new Set(gridsOf(edit.before).map((grid) => grid.record.name));
      let name = input.name ?? `${record.name} copy`;
      for (let n = 2; taken.has(name); n += 1) name = `${record.name} copy ${n}`;
      const system = edit.add<'gridSystem'>({
        ...record,
        name,
        xMm: quantiseMm(origin.x + by[0]),
        yMm: quantiseMm(origin.y + by[1]),
        turnDeg: quantiseMm((record.turnDeg + input.turnDeg) % 360),
      });
      const ids = new Map<string, string>();
      const grid = gridIn(edit.before, id);
      for (const { record: line } of [...grid.a, ...grid.b]) {
        const { id: _, ...fields } = line;
        const added = edit.add<'gridLine'>({
          ...fields,
          system: system.id,
          from: line.from === null ? null : ids.get(line.from)!,
          jointOf: line.jointOf === null ? null : (ids.get(line.jointOf) ?? null),
        });
        ids.set(line.id, added.id);
      }
    }),
  sentence: (before, input) => `Grid ${gridIn(before, input.system).record.name} copied`,
});

const removeGrid = defineCommand({
  name: 'grids.remove',
  title: 'Remove a whole grid; columns on it keep their places',
  input: z.strictObject({ system: refSchema.optional() }),
  plan: (edit, input) =>
    refusing(() => {
      const grid = gridIn(edit.before, input.system);
      edit.remove(grid.id);
      letGo(edit);
    }),
  sentence: (before, input) => {
    const grid = gridIn(before, input.system);
    return `Grid ${grid.record.name} with ${crossingsOf(before, grid).length} crossings removed`;
  },
});

export const GRID_COMMANDS = [
  add,
  addRadial,
  addFree,
  change,
  copy,
  ...BAY_COMMANDS,
  ...LINE_COMMANDS,
  removeGrid,
] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof GRID_COMMANDS> {}
}
