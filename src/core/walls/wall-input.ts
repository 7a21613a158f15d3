import { z } from 'zod';
import { textSchema } from '../model/fields';
import type { Edit } from '../model/edit';
import { freeName } from '../commands/free-name';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow } from '../commands/length-input';
import { refSchema } from '../commands/refer';
import type { WallOpening } from './wall';
import { LAYER_THICKNESS, type WallType } from './wall-type';

export const layersSchema = z
  .array(
    z.strictObject({
      name: textSchema(40),
      thicknessMm: lengthInputSchema,
      core: z.boolean().default(false),
    }),
  )
  .min(1, 'A wall has a layer at least')
  .max(12);
type LayersInput = z.infer<typeof layersSchema>;

/** A wall type that is there, by id or name; or one to be made, with its layers from the outside inwards. */
export const typeInputSchema = z.union([refSchema, z.strictObject({ name: textSchema(40), layers: layersSchema })]);

/** Layers as stored; one that carries at least. */
export function readLayers(framework: Framework, layers: LayersInput): WallType['layers'] {
  const reader = new LengthReader(framework);
  const read = layers.map(({ name, thicknessMm, core }) => ({
    name,
    core,
    thicknessMm: reader.read(thicknessMm, 'thicknessMm', LAYER_THICKNESS).stored,
  }));
  if (!read.some(({ core }) => core)) refuseNow('Say which layer is the core: the one that carries', ['layers']);
  return read;
}

/** The type asked for; one given with its layers is made unless one of its name is there. */
export function takeType(edit: Edit, input: z.infer<typeof typeInputSchema>): Id {
  const types = recordsOf(edit.before, 'wallType');
  if (typeof input === 'string') {
    const found = types.find(({ id, name }) => id === input || name === input);
    return found?.id ?? refuseNow(`There is no wall type named ${input}. Define it first`, ['type']);
  }
  const known = types.find(({ name }) => name === input.name);
  if (known) return known.id;
  const layers = readLayers(edit.before, input.layers);
  return edit.add<'wallType'>({ kind: 'wallType', name: input.name, layers }).id;
}

/** W1, W2 …: the first name not taken. */
export const freeWallName = (framework: Framework): string => freeName(framework, 'wall');

const LETTERS = { door: 'D', window: 'N', plain: 'O' } as const;

/** Names for openings, each given once: D1, N1, O1 …, those no opening has. */
export function freeOpeningNames(framework: Framework): (opening: WallOpening['opening']) => string {
  const names = new Set(recordsOf(framework, 'wall').flatMap(({ openings }) => openings.map(({ name }) => name)));
  return (opening) => {
    let n = 1;
    while (names.has(`${LETTERS[opening]}${n}`)) n += 1;
    const name = `${LETTERS[opening]}${n}`;
    names.add(name);
    return name;
  };
}
