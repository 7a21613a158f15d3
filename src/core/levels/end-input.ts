import { z } from 'zod';
import type { End } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow } from '../commands/length-input';
import { buildingAsked, levelReferred, refSchema } from '../commands/refer';
import { storeyLevels } from './resolve-levels';
import type { Given } from '../commands/command-inputs';

/** An end of a vertical element in a command's input. */
export const endInputSchema = z.strictObject({
  level: refSchema,
  /** Whose level it is, where a thing may stop at one of another building. */
  building: refSchema.optional(),
  face: z.enum(['FFL', 'SSL', 'soffit', 'ceiling', 'roof']).optional(),
  offsetMm: lengthInputSchema.default(0),
});
export type EndInput = z.infer<typeof endInputSchema>;
export type EndGiven = Given<z.input<typeof endInputSchema>>;

/** Reads an end; a level of another building is refused, but where a thing may lead to one. */
export function readEnd(
  framework: Framework,
  building: Id,
  input: EndInput,
  face: End['face'],
  field: string,
  { mayBeCeiling = false, mayBeRoof = false, mayBeOther = false } = {},
): End {
  if (input.face === 'ceiling' && !mayBeCeiling)
    refuseNow(`${field}: only the top of a wall is held to a ceiling. Choose another face`, [field]);
  if (input.face === 'roof' && !mayBeRoof && !mayBeCeiling)
    refuseNow(`${field}: only the tops of walls and columns are held to a roof. Choose another face`, [field]);
  const named = buildingAsked(framework, input.building);
  const level = levelReferred(framework, input.level, named ?? building);
  if (named !== undefined && level.record.building !== named)
    refuseNow(`${field}: level ${level.record.name} is not of the building that is named`, [field]);
  if (level.record.building !== building && !mayBeOther)
    refuseNow(`${field}: level ${level.record.name} is of another building`, [field]);
  const offsetMm = new LengthReader(framework).read(input.offsetMm, `${field} offset`, {
    atLeastMm: -1e6,
    atMostMm: 1e6,
  }).stored;
  return { level: level.id, face: input.face ?? face, offsetMm };
}

/** The two ends of a vertical element: as given, else from the lowest storey to the top. */
export function readSpan(
  framework: Framework,
  building: Id,
  startsAt: EndInput | undefined,
  stopsAt: EndInput | undefined,
  faces: [start: End['face'], stop: End['face']],
  { mayStopAtOther = false, mayStopAtRoof = false } = {},
): { startsAt: End; stopsAt: End } {
  const storeys = storeyLevels(framework, building);
  if (storeys.length < 2 && !(startsAt && stopsAt))
    refuseNow('Set up two levels at least before placing what runs between them');
  const end = (level: Id | undefined, face: End['face']): End => ({ level: level!, face, offsetMm: 0 });
  return {
    startsAt: startsAt ? readEnd(framework, building, startsAt, faces[0], 'Starts at') : end(storeys[0]?.id, faces[0]),
    stopsAt: stopsAt
      ? readEnd(framework, building, stopsAt, faces[1], 'Stops at', {
          mayBeOther: mayStopAtOther,
          mayBeRoof: mayStopAtRoof,
        })
      : end(storeys.at(-1)?.id, faces[1]),
  };
}
