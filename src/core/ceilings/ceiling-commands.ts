import { z } from 'zod';
import { extentInputSchema, readExtent } from '../levels/extent-input';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema } from '../model/fields';
import { freeName, refuseTaken } from '../commands/free-name';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, levelReferred, refSchema, thingReferred } from '../commands/refer';
import { outlineInputSchema, readOutline } from '../outlines/outline-input';
import { roomReferred } from '../rooms/room-commands';
import { CEILING_HEIGHT, CEILING_THICKNESS, type CeilingException } from './ceiling';

const fieldsSchema = {
  name: textSchema(24).optional(),
  /** By number or id; none: all that walls close. */
  rooms: z.array(refSchema).max(2000).optional(),
  /** Drawn instead of following rooms; null: follows them again. */
  outline: outlineInputSchema.nullable().optional(),
  heightMm: lengthInputSchema.optional(),
  thicknessMm: lengthInputSchema.optional(),
  /** Where a pitched roof comes down into its rooms it goes on along that. */
  alongRoof: z.boolean().optional(),
  levels: extentInputSchema.optional(),
};

function readRooms(framework: Framework, building: Id, refs: readonly string[]): Id[] {
  return [
    ...new Set(
      refs.map((ref) => {
        const room = roomReferred(framework, ref);
        if (room.building !== building) refuseNow(`Room ${room.number} is in another building`, ['rooms']);
        return room.id;
      }),
    ),
  ];
}

const add = defineCommand({
  name: 'ceilings.add',
  title: 'Hang a ceiling in rooms, or within an outline',
  input: z.strictObject({ building: refSchema.optional(), ...fieldsSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      refuseTaken(edit.before, 'ceiling', input.name);
      if (input.outline && input.rooms?.length)
        refuseNow('A ceiling follows rooms or has an outline of its own. Leave one of them out', ['outline']);
      const reader = new LengthReader(edit.before);
      edit.add<'ceiling'>({
        kind: 'ceiling',
        building,
        name: input.name ?? freeName(edit.before, 'ceiling'),
        rooms: readRooms(edit.before, building, input.rooms ?? []),
        outline: input.outline ? readOutline(edit.before, building, input.outline) : null,
        heightMm: reader.read(input.heightMm ?? 2700, 'heightMm', CEILING_HEIGHT).stored,
        thicknessMm: reader.read(input.thicknessMm ?? 50, 'thicknessMm', CEILING_THICKNESS).stored,
        alongRoof: input.alongRoof ?? false,
        levels: readExtent(edit.before, building, input.levels ?? 'all'),
        exceptions: [],
      });
    }),
  sentence: (before, input) => `Ceiling ${input.name ?? freeName(before, 'ceiling')} hung`,
});

const change = defineCommand({
  name: 'ceilings.change',
  title: 'Change a ceiling',
  input: z.strictObject({ ceiling: refSchema, ...fieldsSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const was = thingReferred(edit.before, 'ceiling', input.ceiling);
      refuseTaken(edit.before, 'ceiling', input.name, was.id);
      const reader = new LengthReader(edit.before);
      const read = (field: 'heightMm' | 'thicknessMm') =>
        input[field] === undefined
          ? undefined
          : reader.read(input[field], field, field === 'heightMm' ? CEILING_HEIGHT : CEILING_THICKNESS).stored;
      const outline = input.outline && readOutline(edit.before, was.building, input.outline);
      const rooms = outline ? [] : input.rooms && readRooms(edit.before, was.building, input.rooms);
      edit.set('ceiling', was.id, {
        name: input.name,
        rooms,
        // Following rooms, it has no outline of its own.
        outline: rooms?.length ? null : outline,
        heightMm: read('heightMm'),
        thicknessMm: read('thicknessMm'),
        alongRoof: input.alongRoof,
        levels: input.levels && readExtent(edit.before, was.building, input.levels),
      });
    }),
  sentence: (before, input) => `Ceiling ${thingReferred(before, 'ceiling', input.ceiling).name} changed`,
});

const except = defineCommand({
  name: 'ceilings.except',
  title: 'Say what differs at a level of a ceiling, or from there up',
  input: z.strictObject({
    ceiling: refSchema,
    level: refSchema,
    upwards: z.boolean().default(false),
    leftOut: z.boolean().optional(),
    /** Null: as below again. */
    heightMm: lengthInputSchema.nullable().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const ceiling = thingReferred(edit.before, 'ceiling', input.ceiling);
      const level = levelReferred(edit.before, input.level, ceiling.building);
      const isSame = (each: CeilingException) => each.level === level.id && each.upwards === input.upwards;
      const known = ceiling.exceptions.find(isSame);
      const height =
        input.heightMm === undefined
          ? (known?.heightMm ?? null)
          : input.heightMm === null
            ? null
            : new LengthReader(edit.before).read(input.heightMm, 'heightMm', CEILING_HEIGHT).stored;
      const next: CeilingException = {
        level: level.id,
        upwards: input.upwards,
        leftOut: input.leftOut ?? known?.leftOut ?? false,
        heightMm: height,
      };
      const rest = ceiling.exceptions.filter((each) => !isSame(each));
      const differs = next.leftOut || next.heightMm !== null;
      if (!differs && !known) refuseNow('Nothing differs there. Say what does');
      edit.set('ceiling', ceiling.id, { exceptions: differs ? [...rest, next] : rest });
    }),
  sentence: (before, input) => {
    const ceiling = thingReferred(before, 'ceiling', input.ceiling);
    const level = levelReferred(before, input.level, ceiling.building).record.name;
    return `Ceiling ${ceiling.name} ${input.upwards ? 'from' : 'at'} level ${level}${input.upwards ? ' up' : ''} changed`;
  },
});

export const CEILING_COMMANDS = [add, change, except] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof CEILING_COMMANDS> {}
}
