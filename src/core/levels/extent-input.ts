import { z } from 'zod';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { refuseNow } from '../commands/length-input';
import { levelReferred, refSchema } from '../commands/refer';
import type { Extent } from './extent';
import { storeyLevels } from './resolve-levels';

/** The levels something serves, in a command's input. */
export const extentInputSchema = z.union([
  z.literal('all'),
  z.strictObject({ range: z.tuple([refSchema, refSchema]) }),
  z.strictObject({ at: z.array(refSchema).min(1, 'Choose a level at least').max(400) }),
]);

/** Reads the levels something serves; a level that bounds no storey and is no mezzanine is refused. */
export function readExtent(framework: Framework, building: Id, input: z.infer<typeof extentInputSchema>): Extent {
  const id = (ref: string) => {
    const level = levelReferred(framework, ref, building);
    if (!level.bounding && level.record.levelKind !== 'mezzanine')
      refuseNow(`Level ${level.record.name} carries no floor. Choose a storey`, ['levels']);
    return level.id;
  };
  if (input === 'all') {
    const storeys = storeyLevels(framework, building);
    if (storeys.length === 0) refuseNow('Set up the levels before adding floors', ['levels']);
    return { range: [storeys[0]!.id, storeys.at(-1)!.id] };
  }
  if ('at' in input) return { at: input.at.map(id) };
  return { range: [id(input.range[0]), id(input.range[1])] };
}
