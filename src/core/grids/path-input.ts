import { z } from 'zod';
import { LengthReader, lengthInputSchema, refuseNow } from '../commands/length-input';
import { angleSchema } from '../model/fields';
import { GRID_RADIUS, type LinePath } from './grid';

/** A free line's path in the axes of its system, as commands take it: a straight stretch, or an arc counter-clockwise. */
export const pathInputSchema = z.union([
  z.strictObject({
    x0Mm: lengthInputSchema,
    y0Mm: lengthInputSchema,
    x1Mm: lengthInputSchema,
    y1Mm: lengthInputSchema,
  }),
  z.strictObject({
    xMm: lengthInputSchema,
    yMm: lengthInputSchema,
    radiusMm: lengthInputSchema,
    fromDeg: angleSchema,
    sweepDeg: z.number().gt(0).max(360),
  }),
]);

export function readPath(reader: LengthReader, input: z.infer<typeof pathInputSchema>): LinePath {
  const at = (value: string | number, field: string) => reader.read(value, field);
  if ('radiusMm' in input) {
    return {
      type: 'arc',
      xMm: at(input.xMm, 'xMm').stored,
      yMm: at(input.yMm, 'yMm').stored,
      radiusMm: reader.read(input.radiusMm, 'radiusMm', GRID_RADIUS).stored,
      fromDeg: input.fromDeg,
      sweepDeg: input.sweepDeg,
    };
  }
  const [x0, y0, x1, y1] = [
    at(input.x0Mm, 'x0Mm'),
    at(input.y0Mm, 'y0Mm'),
    at(input.x1Mm, 'x1Mm'),
    at(input.y1Mm, 'y1Mm'),
  ];
  const [dx, dy] = [x1.mm - x0.mm, y1.mm - y0.mm];
  if (dx * dx + dy * dy < 100) refuseNow('A free line is 10 mm long at least. Choose two other points', ['path']);
  return { type: 'line', x0Mm: x0.stored, y0Mm: y0.stored, x1Mm: x1.stored, y1Mm: y1.stored };
}
