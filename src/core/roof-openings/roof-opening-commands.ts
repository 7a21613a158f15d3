import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { freeName, refuseTaken } from '../commands/free-name';
import { LengthReader, lengthInputSchema, refuseNow, refusing, type LengthInput } from '../commands/length-input';
import { refSchema, thingReferred } from '../commands/refer';
import { textSchema } from '../model/fields';
import type { Framework } from '../model/framework';
import { solvePitchedRoof } from '../pitched-roofs/solve-pitched-roof';
import { readRoofSlope } from '../roof-planes/slopes';
import { ROOF_OPENING_BOUNDS, ROOF_OPENINGS, type RoofOpening } from './roof-opening';
import { solveRoofOpening } from './solve-roof-opening';

const LENGTHS = ['alongMm', 'upMm', 'widthMm', 'heightMm', 'wallMm', 'roofMm', 'overhangMm'] as const;
const fields = {
  name: textSchema(40).optional(),
  is: z.enum(ROOF_OPENINGS).optional(),
  edge: z.number().int().min(0).max(5000).optional(),
  alongMm: lengthInputSchema.optional(),
  upMm: lengthInputSchema.optional(),
  widthMm: lengthInputSchema.optional(),
  heightMm: lengthInputSchema.optional(),
  /** Of a dormer’s own roof: `30°`, `1:2`; 0: level. */
  slope: z.union([z.number(), z.string().max(40)]).optional(),
  wallMm: lengthInputSchema.optional(),
  roofMm: lengthInputSchema.optional(),
  overhangMm: lengthInputSchema.optional(),
  glazed: z.boolean().optional(),
};
type Fields = z.infer<z.ZodObject<typeof fields>>;

/** What an opening has where nothing is said. */
const STARTING: Record<RoofOpening['is'], Record<(typeof LENGTHS)[number] | 'slope', number>> = {
  window: { alongMm: 0, upMm: 1500, widthMm: 900, heightMm: 1400, wallMm: 150, roofMm: 200, overhangMm: 0, slope: 0 },
  slope: { alongMm: 0, upMm: 600, widthMm: 3000, heightMm: 1500, wallMm: 150, roofMm: 200, overhangMm: 200, slope: 10 },
  saddle: {
    alongMm: 0,
    upMm: 600,
    widthMm: 2000,
    heightMm: 1300,
    wallMm: 150,
    roofMm: 200,
    overhangMm: 200,
    slope: 40,
  },
};

function readSlope(slope: number | string): number {
  const text = String(slope).trim();
  if (/^0(\.0+)?\s*(°|%|deg)?$/.test(text)) return 0;
  const deg = readRoofSlope(typeof slope === 'number' ? `${slope}°` : text);
  if (deg === null || deg > 80)
    return refuseNow(`"${slope}" is no slope of a dormer. Type one like 30° or 1:2`, ['slope']);
  return deg;
}

type Read = Partial<Pick<RoofOpening, (typeof LENGTHS)[number] | 'slopeDeg'>>;
function readSizes(framework: Framework, input: Fields): Read {
  const reader = new LengthReader(framework);
  const read: Read = {};
  for (const field of LENGTHS) {
    const given: LengthInput | undefined = input[field];
    if (given !== undefined) read[field] = reader.read(given, field, ROOF_OPENING_BOUNDS[field]).stored;
  }
  if (input.slope !== undefined) read.slopeDeg = readSlope(input.slope);
  return read;
}

/** One that does not lie within its roof is not made. */
function orRefuse(framework: Framework, opening: RoofOpening): void {
  const roof = solvePitchedRoof(framework, thingReferred(framework, 'pitchedRoof', opening.roof));
  if (!('made' in roof)) return refuseNow(`Its roof cannot be worked out. ${roof.fault}`, ['roof']);
  const solved = solveRoofOpening(framework, opening, roof.made);
  if ('fault' in solved) refuseNow(solved.fault);
}

const add = defineCommand({
  name: 'roofOpenings.add',
  title: 'Add a dormer or a window to a face of a pitched roof',
  input: z.strictObject({
    roof: refSchema,
    ...fields,
    alongMm: lengthInputSchema,
    edge: z.number().int().min(0).max(5000),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const { before } = edit;
      refuseTaken(before, 'roofOpening', input.name);
      const roof = thingReferred(before, 'pitchedRoof', input.roof);
      const is = input.is ?? 'saddle';
      const opening: Omit<RoofOpening, 'id'> = {
        kind: 'roofOpening',
        building: roof.building,
        name: input.name ?? freeName(before, 'roofOpening'),
        roof: roof.id,
        is,
        edge: input.edge,
        glazed: input.glazed ?? true,
        ...(readSizes(before, { ...STARTING[is], ...given(input) }) as Required<Read>),
      };
      orRefuse(before, { ...opening, id: '' });
      edit.add<'roofOpening'>(opening);
    }),
  sentence: (before, input) => `Roof opening ${input.name ?? freeName(before, 'roofOpening')} added`,
});

const given = (input: object): object =>
  Object.fromEntries(Object.entries(input).filter(([, value]) => value !== undefined));

const change = defineCommand({
  name: 'roofOpenings.change',
  title: 'Change a dormer or a window of a roof',
  input: z.strictObject({ opening: refSchema, ...fields }),
  plan: (edit, input) =>
    refusing(() => {
      const was = thingReferred(edit.before, 'roofOpening', input.opening);
      refuseTaken(edit.before, 'roofOpening', input.name, was.id);
      const { name, is, edge, glazed } = input;
      const next = { ...was, ...given({ name, is, edge, glazed, ...readSizes(edit.before, input) }) } as RoofOpening;
      orRefuse(edit.before, next);
      edit.set('roofOpening', was.id, next);
    }),
  sentence: (before, input) => `Roof opening ${thingReferred(before, 'roofOpening', input.opening).name} changed`,
});

export const ROOF_OPENING_COMMANDS = [add, change] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof ROOF_OPENING_COMMANDS> {}
}
