import { z } from 'zod';
import { endInputSchema, readEnd } from '../levels/end-input';
import { defineCommand } from '../commands/command';
import { angleSchema, textSchema } from '../model/fields';
import type { Framework } from '../model/framework';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { levelReferred, markOf, refSchema, thingReferred } from '../commands/refer';
import { placeInputSchema, readPlace } from '../outlines/outline-input';
import { KEEPS, MATERIALS, type ColumnException, type ColumnStack, BLOCK_ACROSS, BLOCK_HEIGHT } from './column';
import { flushInputSchema, readHold, readSection, sectionInputSchema } from './column-input';

const columnsSchema = z.array(refSchema).min(1, 'Choose a column first').max(5000);
const stackIn = (framework: Framework, ref: string): ColumnStack => thingReferred(framework, 'columnStack', ref);

/** What a command is about, for its sentence: one mark, or how many. */
function namesOf(framework: Framework, columns: readonly string[]): string {
  return columns.length === 1
    ? `Column stack ${markOf(framework, stackIn(framework, columns[0]!))}`
    : `${columns.length} column stacks`;
}

const change = defineCommand({
  name: 'columns.change',
  title: 'Change column stacks',
  input: z.strictObject({
    /** One stack, or several at once. */
    column: refSchema.optional(),
    columns: columnsSchema.optional(),
    name: textSchema(24).nullable().optional(),
    section: sectionInputSchema.optional(),
    material: z.enum(MATERIALS).optional(),
    turnDeg: angleSchema.optional(),
    place: placeInputSchema.optional(),
    startsAt: endInputSchema.optional(),
    stopsAt: endInputSchema.optional(),
    /** Faces held to lines; an empty list lets go. */
    flush: z.array(flushInputSchema).max(2).optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const refs = asked(input);
      if (refs.length > 1 && input.name)
        refuseNow('Several columns cannot have one mark. Choose one of them', ['name']);
      for (const ref of refs) {
        const stack = stackIn(edit.before, ref);
        edit.set('columnStack', stack.id, {
          name: input.name,
          material: input.material,
          turnDeg: input.turnDeg,
          section: input.section && readSection(edit.before, input.section),
          place: input.place === undefined ? undefined : readPlace(edit.before, stack.building, input.place),
          startsAt:
            input.startsAt && readEnd(edit.before, stack.building, input.startsAt, stack.startsAt.face, 'Starts at'),
          stopsAt:
            input.stopsAt &&
            readEnd(edit.before, stack.building, input.stopsAt, stack.stopsAt.face, 'Stops at', { mayBeRoof: true }),
          holds: input.flush?.map((each) => {
            const { axis: _, ...hold } = readHold(edit.before, stack.building, each);
            return hold;
          }),
        });
      }
    }),
  sentence: (before, input) => {
    const parts = [
      input.section && 'section',
      input.material && 'material',
      (input.place !== undefined || input.turnDeg !== undefined) && 'place',
      input.flush && 'faces held',
      (input.startsAt || input.stopsAt) && 'span',
      input.name !== undefined && 'mark',
    ].filter(Boolean);
    return `${namesOf(before, asked(input))}: ${parts.join(', ')} changed`;
  },
});

function asked(input: { column?: string | undefined; columns?: string[] | undefined }): string[] {
  const refs = input.columns ?? (input.column === undefined ? [] : [input.column]);
  if (refs.length === 0) refuseNow('Choose a column first', ['column']);
  return refs;
}

const exceptionSchema = {
  leftOut: z.boolean().default(false),
  section: sectionInputSchema.nullable().default(null),
  keep: z.enum(KEEPS).default('centre'),
  xMm: lengthInputSchema.default(0),
  yMm: lengthInputSchema.default(0),
  turnDeg: angleSchema.default(0),
};

const except = defineCommand({
  name: 'columns.except',
  title: 'Let column stacks differ at a level, here only or from there up',
  input: z.strictObject({
    columns: columnsSchema,
    level: refSchema,
    upwards: z.boolean().default(false),
    ...exceptionSchema,
  }),
  plan: (edit, { columns, level: levelRef, upwards, ...input }) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      for (const ref of columns) {
        const stack = stackIn(edit.before, ref);
        const level = levelReferred(edit.before, levelRef, stack.building);
        if (level.record.building !== stack.building) refuseNow(`Level ${level.record.name} is of another building`);
        const exception: ColumnException = {
          level: level.id,
          upwards,
          leftOut: input.leftOut,
          section: input.section && readSection(edit.before, input.section),
          keep: input.keep,
          xMm: reader.read(input.xMm, 'xMm').stored,
          yMm: reader.read(input.yMm, 'yMm').stored,
          turnDeg: input.turnDeg,
        };
        edit.set('columnStack', stack.id, { exceptions: withException(stack.exceptions, exception) });
      }
    }),
  sentence: (before, input) => {
    const what = input.leftOut ? 'left out' : input.section ? 'another section' : 'differs';
    const level = levelReferred(before, input.level, stackIn(before, input.columns[0]!).building).record.name;
    return `${namesOf(before, input.columns)}: ${what} ${input.upwards ? `from level ${level} up` : `at level ${level}`}`;
  },
});

/** Exceptions with one more; one of the same kind at the same level is replaced, one that changes nothing is dropped. */
function withException(now: readonly ColumnException[], one: ColumnException): ColumnException[] {
  const rest = now.filter(({ level, upwards }) => level !== one.level || upwards !== one.upwards);
  return isNothing(one) && !one.upwards ? rest : [...rest, one];
}

const isNothing = (one: ColumnException): boolean =>
  !one.leftOut && one.section === null && one.xMm === 0 && one.yMm === 0 && one.turnDeg === 0;

const asBelow = defineCommand({
  name: 'columns.asBelow',
  title: 'Let column stacks be at a level as they are below it',
  input: z.strictObject({ columns: columnsSchema, level: refSchema }),
  plan: (edit, input) =>
    refusing(() => {
      for (const ref of input.columns) {
        const stack = stackIn(edit.before, ref);
        const level = levelReferred(edit.before, input.level, stack.building);
        edit.set('columnStack', stack.id, { exceptions: stack.exceptions.filter((each) => each.level !== level.id) });
      }
    }),
  sentence: (before, input) => `${namesOf(before, input.columns)}: exception taken away`,
});

const blockInput = z.strictObject({
  widthMm: lengthInputSchema,
  depthMm: lengthInputSchema,
  heightMm: lengthInputSchema,
});

const setBlocks = defineCommand({
  name: 'columns.setBlocks',
  title: 'Give columns heads or slab thickenings, at all levels but the top or at chosen ones',
  input: z.strictObject({
    columns: columnsSchema,
    head: blockInput.nullable().optional(),
    thickening: blockInput.nullable().optional(),
    at: z.union([z.literal('allButTop'), z.array(refSchema).max(400)]).optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      const block = (size: z.infer<typeof blockInput> | null | undefined, name: string) =>
        size && {
          widthMm: reader.read(size.widthMm, `${name} width`, BLOCK_ACROSS).stored,
          depthMm: reader.read(size.depthMm, `${name} depth`, BLOCK_ACROSS).stored,
          heightMm: reader.read(size.heightMm, `${name} height`, BLOCK_HEIGHT).stored,
        };
      const [head, thickening] = [block(input.head, 'head'), block(input.thickening, 'thickening')];
      for (const ref of input.columns) {
        const stack = stackIn(edit.before, ref);
        const blocksAt =
          input.at === undefined || input.at === 'allButTop'
            ? input.at
            : input.at.map((level) => levelReferred(edit.before, level, stack.building).id);
        edit.set('columnStack', stack.id, { head, thickening, blocksAt });
      }
    }),
  sentence: (before, input) => `${namesOf(before, input.columns)}: heads and thickenings changed`,
});

const carriedBy = defineCommand({
  name: 'columns.carriedBy',
  title: 'Say what carries a column that resumes above a gap',
  input: z.strictObject({ column: refSchema, level: refSchema, words: textSchema(80).nullable() }),
  plan: (edit, input) =>
    refusing(() => {
      const stack = stackIn(edit.before, input.column);
      const level = levelReferred(edit.before, input.level, stack.building).id;
      const rest = stack.carriedBy.filter((each) => each.level !== level);
      edit.set('columnStack', stack.id, {
        carriedBy: input.words === null ? rest : [...rest, { level, words: input.words }],
      });
    }),
  sentence: (before, input) =>
    `Column ${markOf(before, stackIn(before, input.column))} is carried by ${input.words ?? 'nothing named'} there`,
});

const editTable = defineCommand({
  name: 'columns.editTable',
  title: 'Edit sections by stack and level, as in a table',
  input: z.strictObject({
    cells: z
      .array(
        z.strictObject({
          column: refSchema,
          level: refSchema,
          /** A section, `leftOut`, or null: as below. */
          value: z.union([sectionInputSchema, z.literal('leftOut'), z.null()]),
        }),
      )
      .min(1, 'Nothing to change')
      .max(20_000),
    upwards: z.boolean().default(false),
    keep: z.enum(KEEPS).default('centre'),
  }),
  plan: (edit, { cells, upwards, keep }) =>
    refusing(() => {
      const exceptions = new Map<string, ColumnException[]>();
      for (const { column, level: levelRef, value } of cells) {
        const stack = stackIn(edit.before, column);
        const level = levelReferred(edit.before, levelRef, stack.building).id;
        const now = exceptions.get(stack.id) ?? stack.exceptions;
        const rest = now.filter((each) => each.level !== level || (value !== null && each.upwards !== upwards));
        const one: ColumnException = {
          level,
          upwards,
          leftOut: value === 'leftOut',
          section: value === 'leftOut' || value === null ? null : readSection(edit.before, value),
          keep,
          xMm: 0,
          yMm: 0,
          turnDeg: 0,
        };
        exceptions.set(stack.id, value === null ? rest : [...rest, one]);
      }
      for (const [id, list] of exceptions) edit.set('columnStack', id, { exceptions: list });
    }),
  sentence: (_, input) =>
    `${input.cells.length} ${input.cells.length === 1 ? 'cell' : 'cells'} of the column table changed`,
});

export const COLUMN_CHANGE_COMMANDS = [change, except, asBelow, setBlocks, carriedBy, editTable] as const;
