import { z } from 'zod';
import { MATERIALS } from '../columns/column';
import { endInputSchema, readEnd } from '../levels/end-input';
import { storeyLevels } from '../levels/resolve-levels';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema } from '../model/fields';
import { freeName, refuseTaken } from '../commands/free-name';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, refSchema, thingReferred } from '../commands/refer';
import { outlineInputSchema, readOutline } from '../outlines/outline-input';
import {
  FOUNDATION_FORMS,
  type Foundation,
  type FoundationForm,
  FOUNDATION_THICKNESS,
  FOUNDATION_ACROSS,
} from './foundation';

/** What is usual where nothing is said, mm: thickness, width, depth. */
const USUAL: Record<FoundationForm, [number, number, number]> = {
  raft: [800, 1000, 1000],
  pads: [600, 2000, 2000],
  strips: [500, 900, 900],
};

const fieldsSchema = {
  name: textSchema(24).optional(),
  /** A raft's own; null: that of the floors over it. */
  outline: outlineInputSchema.nullable().optional(),
  under: z.array(refSchema).max(2000).optional(),
  thicknessMm: lengthInputSchema.optional(),
  widthMm: lengthInputSchema.optional(),
  depthMm: lengthInputSchema.optional(),
  top: endInputSchema.optional(),
  material: z.enum(MATERIALS).optional(),
  subgradeKnM3: z.number().min(0).max(1e7).nullable().optional(),
  restrained: z.strictObject({ x: z.boolean(), y: z.boolean(), z: z.boolean() }).optional(),
};

/** The columns or walls a foundation is under: those named, or all that begin on the lowest level. */
function readUnder(
  framework: Framework,
  form: FoundationForm,
  building: Id,
  refs: readonly string[] | undefined,
): Id[] {
  if (form === 'raft') return [];
  const kind = form === 'pads' ? 'columnStack' : 'wall';
  if (refs) return [...new Set(refs.map((ref) => thingReferred(framework, kind, ref).id))];
  const lowest = storeyLevels(framework, building)[0]?.id;
  const taken = new Set(recordsOf(framework, 'foundation').flatMap(({ under }) => under));
  return recordsOf(framework, kind)
    .filter((each) => each.building === building && each.startsAt.level === lowest && !taken.has(each.id))
    .map(({ id }) => id);
}

const add = defineCommand({
  name: 'foundations.add',
  title: 'Add a raft, pads under columns or strips under walls',
  input: z.strictObject({ building: refSchema.optional(), form: z.enum(FOUNDATION_FORMS), ...fieldsSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const lowest = storeyLevels(edit.before, building)[0]?.id ?? refuseNow('Set up the levels before founding them');
      refuseTaken(edit.before, 'foundation', input.name);
      const same = recordsOf(edit.before, 'foundation').find(
        (each) => each.building === building && each.form === 'raft' && each.outline === null,
      );
      if (input.form === 'raft' && !input.outline && same)
        refuseNow(`Raft ${same.name} lies under the lowest floor already. Change that one`, ['form']);
      const reader = new LengthReader(edit.before);
      const [thickness, width, depth] = USUAL[input.form];
      const under = readUnder(edit.before, input.form, building, input.under);
      if (input.form !== 'raft' && under.length === 0)
        refuseNow(
          input.form === 'pads'
            ? 'No column begins on the lowest level without a pad. Choose the columns'
            : 'No wall begins on the lowest level without a strip. Choose the walls',
          ['under'],
        );
      edit.add<'foundation'>({
        kind: 'foundation',
        building,
        name: input.name ?? freeName(edit.before, 'foundation'),
        form: input.form,
        outline: input.outline && input.form === 'raft' ? readOutline(edit.before, building, input.outline) : null,
        under,
        thicknessMm: reader.read(input.thicknessMm ?? thickness, 'thicknessMm', FOUNDATION_THICKNESS).stored,
        widthMm: reader.read(input.widthMm ?? width, 'widthMm', FOUNDATION_ACROSS).stored,
        depthMm: reader.read(input.depthMm ?? depth, 'depthMm', FOUNDATION_ACROSS).stored,
        top: input.top
          ? readEnd(edit.before, building, input.top, 'soffit', 'Top at')
          : { level: lowest, face: 'soffit', offsetMm: 0 },
        material: input.material ?? 'concrete',
        subgradeKnM3: input.subgradeKnM3 ?? null,
        restrained: input.restrained ?? { x: false, y: false, z: true },
      });
    }),
  sentence: (before, input) => `Foundation ${input.name ?? freeName(before, 'foundation')} added`,
});

const change = defineCommand({
  name: 'foundations.change',
  title: 'Change a foundation',
  input: z.strictObject({ foundation: refSchema, ...fieldsSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const was: Foundation = thingReferred(edit.before, 'foundation', input.foundation);
      refuseTaken(edit.before, 'foundation', input.name, was.id);
      if (input.outline && was.form !== 'raft')
        refuseNow('Pads and strips take their outlines from what they are under. Change that', ['outline']);
      const reader = new LengthReader(edit.before);
      const read = (field: 'thicknessMm' | 'widthMm' | 'depthMm') =>
        input[field] === undefined
          ? undefined
          : reader.read(input[field], field, field === 'thicknessMm' ? FOUNDATION_THICKNESS : FOUNDATION_ACROSS).stored;
      const under = input.under && readUnder(edit.before, was.form, was.building, input.under);
      if (under?.length === 0 && was.form !== 'raft') refuseNow('Leave something on it, or delete it', ['under']);
      edit.set('foundation', was.id, {
        name: input.name,
        outline: input.outline && readOutline(edit.before, was.building, input.outline),
        under,
        thicknessMm: read('thicknessMm'),
        widthMm: read('widthMm'),
        depthMm: read('depthMm'),
        top: input.top && readEnd(edit.before, was.building, input.top, 'soffit', 'Top at'),
        material: input.material,
        subgradeKnM3: input.subgradeKnM3,
        restrained: input.restrained,
      });
    }),
  sentence: (before, input) => `Foundation ${thingReferred(before, 'foundation', input.foundation).name} changed`,
});

export const FOUNDATION_COMMANDS = [add, change] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof FOUNDATION_COMMANDS> {}
}
