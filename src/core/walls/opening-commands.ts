import { z } from 'zod';
import { storeyLevels } from '../levels/resolve-levels';
import { levelReferred, refSchema, thingReferred } from '../commands/refer';
import { defineCommand } from '../commands/command';
import { textSchema } from '../model/fields';
import type { Framework } from '../model/framework';
import { LengthReader, lengthInputSchema, refuseNow, refusing, type LengthInput } from '../commands/length-input';
import { OPENING_KINDS, type Wall, type WallOpening, OPENING_BOUNDS } from './wall';
import { freeOpeningNames } from './wall-input';
import { capital, OPENING_WORD, refuseInAnother, refuseOutside } from './opening-fits';

const atSchema = z.union([z.literal('all'), z.array(refSchema).min(1, 'Choose a level').max(400)]);

const lengthsSchema = {
  alongMm: lengthInputSchema,
  widthMm: lengthInputSchema,
  heightMm: lengthInputSchema,
  sillMm: lengthInputSchema,
};
type LengthField = keyof typeof lengthsSchema;
/** Usual sizes, millimetres. */
export const USUAL_OPENING: Record<WallOpening['opening'], { widthMm: number; heightMm: number; sillMm: number }> = {
  door: { widthMm: 1010, heightMm: 2110, sillMm: 0 },
  window: { widthMm: 1500, heightMm: 1500, sillMm: 900 },
  plain: { widthMm: 1200, heightMm: 2110, sillMm: 0 },
};

function readLength(framework: Framework, field: LengthField, input: LengthInput): WallOpening['widthMm'] {
  return new LengthReader(framework).read(input, field, OPENING_BOUNDS[field]).stored;
}

function readAt(framework: Framework, wall: Wall, at: z.infer<typeof atSchema>): WallOpening['at'] {
  return at === 'all' ? at : at.map((ref) => levelReferred(framework, ref, wall.building).id);
}

const addOpening = defineCommand({
  name: 'walls.addOpening',
  title: 'Add a door, a window or a plain opening to a wall',
  input: z.strictObject({
    wall: refSchema,
    opening: z.enum(OPENING_KINDS),
    name: textSchema(24).optional(),
    /** From the start of the path to its nearer side. */
    alongMm: lengthsSchema.alongMm,
    widthMm: lengthsSchema.widthMm.optional(),
    heightMm: lengthsSchema.heightMm.optional(),
    sillMm: lengthsSchema.sillMm.optional(),
    leaves: z.union([z.literal(1), z.literal(2)]).default(1),
    hand: z.enum(['left', 'right']).default('left'),
    opens: z.enum(['inwards', 'outwards']).default('inwards'),
    at: atSchema.default('all'),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const wall = thingReferred(edit.before, 'wall', input.wall);
      const usual = USUAL_OPENING[input.opening];
      const length = (field: LengthField) =>
        readLength(edit.before, field, input[field] ?? usual[field as keyof typeof usual]);
      const { opening, leaves, hand, opens } = input;
      const made: WallOpening = {
        id: edit.newId(),
        opening,
        name: input.name ?? freeOpeningNames(edit.before)(opening),
        alongMm: length('alongMm'),
        widthMm: length('widthMm'),
        heightMm: length('heightMm'),
        sillMm: length('sillMm'),
        leaves,
        hand,
        opens,
        at: readAt(edit.before, wall, input.at),
      };
      refuseOutside(edit.before, wall, made);
      refuseInAnother(edit.before, wall, made);
      edit.set('wall', wall.id, { openings: [...wall.openings, made] });
    }),
  sentence: (before, input) => {
    const wall = thingReferred(before, 'wall', input.wall);
    const name = input.name ?? freeOpeningNames(before)(input.opening);
    return `${capital(OPENING_WORD[input.opening])} ${name} added to wall ${wall.name}${atWords(before, wall, input.at)}`;
  },
});

/** At which levels, where a wall runs through several storeys. */
function atWords(framework: Framework, wall: Wall, at: z.infer<typeof atSchema>): string {
  const storeys = storeyLevels(framework, wall.building);
  const rank = (id: string) => storeys.findIndex((level) => level.id === id);
  if (rank(wall.stopsAt.level) - rank(wall.startsAt.level) < 2) return '';
  if (at === 'all') return ' in each of its storeys';
  const names = at.map((ref) => levelReferred(framework, ref, wall.building).record.name);
  return ` at level${names.length > 1 ? 's' : ''} ${names.join(', ')}`;
}

/** What says where an opening is. */
const PLACED = ['alongMm', 'widthMm', 'heightMm', 'sillMm', 'at'] as const;

/** An opening of a wall by id or name. */
function openingIn(wall: Wall, ref: string): WallOpening {
  return (
    wall.openings.find(({ id, name }) => id === ref || name === ref) ??
    refuseNow(`Wall ${wall.name} has no opening named ${ref}`, ['opening'])
  );
}

const changeOpening = defineCommand({
  name: 'walls.changeOpening',
  title: 'Change a door, window or plain opening',
  input: z.strictObject({
    wall: refSchema,
    opening: refSchema,
    name: textSchema(24).optional(),
    alongMm: lengthsSchema.alongMm.optional(),
    widthMm: lengthsSchema.widthMm.optional(),
    heightMm: lengthsSchema.heightMm.optional(),
    sillMm: lengthsSchema.sillMm.optional(),
    leaves: z.union([z.literal(1), z.literal(2)]).optional(),
    hand: z.enum(['left', 'right']).optional(),
    opens: z.enum(['inwards', 'outwards']).optional(),
    at: atSchema.optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const wall = thingReferred(edit.before, 'wall', input.wall);
      const was = openingIn(wall, input.opening);
      const { wall: _, opening: __, at, ...given } = input;
      const fields = Object.fromEntries(
        Object.entries(given)
          .filter(([, value]) => value !== undefined)
          .map(([field, value]) => [
            field,
            field in OPENING_BOUNDS ? readLength(edit.before, field as LengthField, value as LengthInput) : value,
          ]),
      );
      const made: WallOpening = { ...was, ...fields, ...(at ? { at: readAt(edit.before, wall, at) } : {}) };
      refuseOutside(edit.before, wall, made);
      if (PLACED.some((field) => input[field] !== undefined)) refuseInAnother(edit.before, wall, made);
      edit.set('wall', wall.id, { openings: wall.openings.map((each) => (each.id === was.id ? made : each)) });
    }),
  sentence: (before, input) => {
    const was = openingIn(thingReferred(before, 'wall', input.wall), input.opening);
    return `${capital(OPENING_WORD[was.opening])} ${was.name} changed`;
  },
});

const removeOpening = defineCommand({
  name: 'walls.removeOpening',
  title: 'Remove a door, window or plain opening',
  input: z.strictObject({ wall: refSchema, opening: refSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const wall = thingReferred(edit.before, 'wall', input.wall);
      const gone = openingIn(wall, input.opening);
      edit.set('wall', wall.id, { openings: wall.openings.filter(({ id }) => id !== gone.id) });
    }),
  sentence: (before, input) => {
    const gone = openingIn(thingReferred(before, 'wall', input.wall), input.opening);
    return `${capital(OPENING_WORD[gone.opening])} ${gone.name} removed`;
  },
});

export const OPENING_COMMANDS = [addOpening, changeOpening, removeOpening] as const;
