import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema } from '../model/fields';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, levelReferred, refSchema } from '../commands/refer';
import { placeInputSchema, readPlace } from '../outlines/outline-input';
import { freeRoomNumber } from './free-room-number';
import { ROOM_USES, type BoundaryLine, type Room } from './room';

function refuseNumberTwice(framework: Framework, building: Id, number: string, own: Id | null): void {
  const other = recordsOf(framework, 'room').find(
    (room) => room.building === building && room.number === number && room.id !== own,
  );
  if (other) refuseNow(`Room ${other.name} has the number ${number} already. Choose another`, ['number']);
}

/** A room by number or id. */
export const roomReferred = (framework: Framework, ref: string): Room =>
  recordsOf(framework, 'room').find(({ id, number }) => id === ref || number === ref) ??
  refuseNow(`There is no room ${ref}`, ['room']);

const add = defineCommand({
  name: 'rooms.add',
  title: 'Name the closed region a place lies in',
  input: z.strictObject({
    building: refSchema.optional(),
    level: refSchema,
    place: placeInputSchema,
    number: textSchema(16).optional(),
    name: textSchema(40),
    use: z.enum(ROOM_USES).default('other'),
    carriedUp: z.boolean().default(true),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const level = levelReferred(edit.before, input.level, building);
      if (!level.bounding) refuseNow(`Level ${level.record.name} bounds no storey. Choose another`, ['level']);
      const number = input.number ?? freeRoomNumber(edit.before, level.id);
      refuseNumberTwice(edit.before, building, number, null);
      const { name, use, carriedUp } = input;
      const place = readPlace(edit.before, building, input.place);
      edit.add<'room'>({ kind: 'room', building, level: level.id, number, name, use, place, carriedUp });
    }),
  sentence: (before, input, after) => {
    const made = recordsOf(after, 'room').find(({ id }) => !before.records.has(id));
    return `Room ${made?.number ?? ''} ${input.name} named`;
  },
});

const change = defineCommand({
  name: 'rooms.change',
  title: 'Change a room’s number, name, use or place',
  input: z.strictObject({
    room: refSchema,
    number: textSchema(16).optional(),
    name: textSchema(40).optional(),
    use: z.enum(ROOM_USES).optional(),
    place: placeInputSchema.optional(),
    carriedUp: z.boolean().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const room = roomReferred(edit.before, input.room);
      if (input.number) refuseNumberTwice(edit.before, room.building, input.number, room.id);
      const { number, name, use, carriedUp } = input;
      edit.set('room', room.id, {
        number,
        name,
        use,
        carriedUp,
        place: input.place === undefined ? undefined : readPlace(edit.before, room.building, input.place),
      });
    }),
  sentence: (before, input) => `Room ${roomReferred(before, input.room).number} changed`,
});

const pointSchema = z.strictObject({ xMm: lengthInputSchema, yMm: lengthInputSchema });
const pointsSchema = z.array(pointSchema).min(2, 'A boundary line has two ends').max(200);

const addBoundary = defineCommand({
  name: 'rooms.addBoundary',
  title: 'Draw a line that divides rooms without a wall',
  input: z.strictObject({
    building: refSchema.optional(),
    level: refSchema,
    place: placeInputSchema.default({ lines: null, xMm: 0, yMm: 0 }),
    points: pointsSchema,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const points = readPoints(edit.before, input.points);
      edit.add<'boundaryLine'>({
        kind: 'boundaryLine',
        building,
        level: levelReferred(edit.before, input.level, building).id,
        place: readPlace(edit.before, building, input.place),
        points,
      });
    }),
  sentence: () => 'Boundary line drawn',
});

/** Corners of a boundary line, millimetres. */
function readPoints(framework: Framework, points: readonly z.infer<typeof pointSchema>[]): BoundaryLine['points'] {
  const reader = new LengthReader(framework);
  return points.map(({ xMm, yMm }) => ({ xMm: reader.read(xMm, 'xMm').mm, yMm: reader.read(yMm, 'yMm').mm }));
}

const changeBoundary = defineCommand({
  name: 'rooms.changeBoundary',
  title: 'Change a line that divides rooms: its level, place or corners',
  input: z.strictObject({
    line: refSchema,
    level: refSchema.optional(),
    place: placeInputSchema.optional(),
    points: pointsSchema.optional(),
  }),
  plan: (edit, { line, level, place, points }) =>
    refusing(() => {
      const was =
        recordOf(edit.before, 'boundaryLine', line) ??
        refuseNow('There is no such boundary line. Choose one in the plan', ['line']);
      edit.set('boundaryLine', was.id, {
        level: level && levelReferred(edit.before, level, was.building).id,
        place: place === undefined ? undefined : readPlace(edit.before, was.building, place),
        points: points && readPoints(edit.before, points),
      });
    }),
  sentence: () => 'Boundary line changed',
});

export const ROOM_COMMANDS = [add, change, addBoundary, changeBoundary] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof ROOM_COMMANDS> {}
}
