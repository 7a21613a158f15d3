import { z } from 'zod';
import { ringArea } from '../geometry/polygon';
import { endInputSchema, readEnd, type EndInput } from '../levels/end-input';
import { levelById } from '../levels/resolve-levels';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema, type End } from '../model/fields';
import type { Edit } from '../model/edit';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import {
  LengthReader,
  lengthInputSchema,
  refuseNow,
  refusing,
  type LengthInput,
  saidLength,
} from '../commands/length-input';
import { buildingReferred, levelReferred, refSchema, thingReferred } from '../commands/refer';
import { placeInputSchema, readPlace } from '../outlines/outline-input';
import { OPENING_COMMANDS } from './opening-commands';
import { WALL_USES, type Wall, type WallException, PASSES_CLEAR } from './wall';
import { WALL_FACES } from './wall-faces';
import { freeWallName, layersSchema, readLayers, takeType, typeInputSchema } from './wall-input';
import { panelsInputSchema, readPanels } from './panels-input';
import { sharedEndsNow } from './party-walls';
import { offsetPath, wallPath } from './wall-path';

const pointsSchema = z
  .array(z.strictObject({ xMm: lengthInputSchema, yMm: lengthInputSchema }))
  .min(2, 'A wall has two ends')
  .max(500);

function readPoints(framework: Framework, points: z.infer<typeof pointsSchema>): Wall['points'] {
  const reader = new LengthReader(framework);
  return points.map(({ xMm, yMm }) => ({
    xMm: reader.read(xMm, 'xMm').stored,
    yMm: reader.read(yMm, 'yMm').stored,
  }));
}

/** Where the wall's ends are when not said: on the slab of the level it starts at, to the soffit above. */
function readEnds(
  framework: Framework,
  building: Id,
  startsAt: EndInput,
  stopsAt: EndInput | undefined,
): { startsAt: End; stopsAt: End } {
  const start = readEnd(framework, building, startsAt, 'SSL', 'Starts at');
  if (start.face === 'soffit') refuseNow('A wall starts on SSL or FFL of its level', ['startsAt']);
  if (stopsAt)
    return {
      startsAt: start,
      stopsAt: readEnd(framework, building, stopsAt, 'soffit', 'Stops at', { mayBeCeiling: true }),
    };
  const level = levelById(framework, start.level);
  const above = level && nextStorey(framework, level.id);
  const stop: End = above
    ? { level: above, face: 'soffit', offsetMm: 0 }
    : { level: start.level, face: 'FFL', offsetMm: 1100 };
  return { startsAt: start, stopsAt: stop };
}

function nextStorey(framework: Framework, level: Id): Id | null {
  return levelById(framework, level)?.above ?? null;
}

const readClear = (framework: Framework, clear: LengthInput | null | undefined): Wall['passesClearMm'] | undefined =>
  clear === null || clear === undefined
    ? clear
    : new LengthReader(framework).read(clear, 'passesClearMm', PASSES_CLEAR).stored;

/** The other building of a party wall. */
function readShared(framework: Framework, own: Id, ref: string | null | undefined): Id | null | undefined {
  if (ref === null || ref === undefined) return ref;
  const other = buildingReferred(framework, ref);
  return other === own ? refuseNow('A party wall is shared with another building', ['sharedWith']) : other;
}

/** Where the other building of a party wall wants it, as asked for; where another one is named, as the wall stands. */
function shareEnds(
  edit: Edit,
  before: Wall,
  wall: Wall,
  { sharedStartsAt, sharedStopsAt }: { sharedStartsAt?: EndInput; sharedStopsAt?: EndInput },
): void {
  const { sharedWith } = wall;
  if (!sharedWith) {
    if (sharedStartsAt || sharedStopsAt)
      refuseNow('The wall is shared with no other building. Say with which first', ['sharedWith']);
    edit.set('wall', wall.id, { sharedEnds: null });
    return;
  }
  const known = sharedWith === before.sharedWith ? wall.sharedEnds : sharedEndsNow(edit.framework, wall, sharedWith);
  const asked = sharedStartsAt || sharedStopsAt ? (known ?? sharedEndsNow(edit.framework, wall, sharedWith)) : known;
  const startsAt = sharedStartsAt
    ? readEnd(edit.before, sharedWith, sharedStartsAt, 'SSL', 'Starts at')
    : asked?.startsAt;
  const stopsAt = sharedStopsAt
    ? readEnd(edit.before, sharedWith, sharedStopsAt, 'soffit', 'Stops at')
    : asked?.stopsAt;
  if (startsAt && stopsAt) edit.set('wall', wall.id, { sharedEnds: { startsAt, stopsAt } });
  else if (sharedStartsAt || sharedStopsAt)
    refuseNow('Say both where it starts and where it stops in the other building', ['sharedStartsAt']);
}

/** Outside a closed path lies what it does not enclose. */
function outsideOf(framework: Framework, wall: Wall, asked: 'left' | 'right' | 'auto'): 'left' | 'right' {
  if (asked !== 'auto') return asked;
  const path = wallPath(framework, wall);
  return path?.closed && ringArea(path.points) > 0 ? 'right' : 'left';
}

const add = defineCommand({
  name: 'walls.add',
  title: 'Add a wall along a path, through one storey or several',
  input: z.strictObject({
    building: refSchema.optional(),
    name: textSchema(24).optional(),
    use: z.enum(WALL_USES).default('interior'),
    type: typeInputSchema,
    place: placeInputSchema.default({ lines: null, xMm: 0, yMm: 0 }),
    points: pointsSchema,
    closed: z.boolean().default(false),
    on: z.enum(WALL_FACES).default('centre'),
    outside: z.enum(['left', 'right', 'auto']).default('auto'),
    startsAt: endInputSchema,
    stopsAt: endInputSchema.optional(),
    passesClearMm: lengthInputSchema.nullable().default(null),
    /** Of a glazed wall; null: as usual. */
    panels: panelsInputSchema.nullable().default(null),
    /** A party wall: the other building that has it too. */
    sharedWith: refSchema.nullable().default(null),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      const taken = recordsOf(edit.before, 'wall').some(({ name }) => name === input.name);
      if (input.name && taken) refuseNow(`There is a wall named ${input.name} already. Choose another name`, ['name']);
      const { use, closed, on } = input;
      const wall = edit.add<'wall'>({
        kind: 'wall',
        building,
        name: input.name ?? freeWallName(edit.before),
        use,
        type: takeType(edit, input.type),
        place: readPlace(edit.before, building, input.place),
        points: readPoints(edit.before, input.points),
        closed,
        on,
        outside: 'left',
        ...readEnds(edit.before, building, input.startsAt, input.stopsAt),
        passesClearMm: readClear(edit.before, input.passesClearMm) ?? null,
        panels: readPanels(edit.before, input.panels) ?? null,
        openings: [],
        exceptions: [],
        sharedWith: readShared(edit.before, building, input.sharedWith) ?? null,
        sharedEnds: null,
      });
      if (!wallPath(edit.framework, wall)) refuseNow('The wall has no length. Give it two places apart', ['points']);
      edit.set('wall', wall.id, {
        outside: outsideOf(edit.framework, wall, input.outside),
        ...(wall.sharedWith && { sharedEnds: sharedEndsNow(edit.framework, wall, wall.sharedWith) }),
      });
    }),
  sentence: (before, input) => `Wall ${input.name ?? freeWallName(before)} added`,
});

const change = defineCommand({
  name: 'walls.change',
  title: 'Change a wall',
  input: z.strictObject({
    wall: refSchema,
    name: textSchema(24).optional(),
    use: z.enum(WALL_USES).optional(),
    type: typeInputSchema.optional(),
    place: placeInputSchema.optional(),
    points: pointsSchema.optional(),
    closed: z.boolean().optional(),
    on: z.enum(WALL_FACES).optional(),
    outside: z.enum(['left', 'right']).optional(),
    startsAt: endInputSchema.optional(),
    stopsAt: endInputSchema.optional(),
    passesClearMm: lengthInputSchema.nullable().optional(),
    /** Of a glazed wall; null: as usual. */
    panels: panelsInputSchema.nullable().optional(),
    sharedWith: refSchema.nullable().optional(),
    /** Where the other building wants it, at its levels; not given with another building: within the wall as it stands. */
    sharedStartsAt: endInputSchema.optional(),
    sharedStopsAt: endInputSchema.optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const wall = thingReferred(edit.before, 'wall', input.wall);
      const taken = recordsOf(edit.before, 'wall').some(({ id, name }) => id !== wall.id && name === input.name);
      if (input.name && taken) refuseNow(`There is a wall named ${input.name} already. Choose another name`, ['name']);
      const { name, use, closed, on, outside } = input;
      edit.set('wall', wall.id, {
        name,
        use,
        closed,
        on,
        outside,
        type: input.type && takeType(edit, input.type),
        place: input.place === undefined ? undefined : readPlace(edit.before, wall.building, input.place),
        points: input.points && readPoints(edit.before, input.points),
        startsAt: input.startsAt && readEnd(edit.before, wall.building, input.startsAt, 'SSL', 'Starts at'),
        stopsAt:
          input.stopsAt &&
          readEnd(edit.before, wall.building, input.stopsAt, 'soffit', 'Stops at', { mayBeCeiling: true }),
        passesClearMm: readClear(edit.before, input.passesClearMm),
        panels: readPanels(edit.before, input.panels),
        sharedWith: readShared(edit.before, wall.building, input.sharedWith),
      });
      const changed = thingReferred(edit.framework, 'wall', wall.id);
      shareEnds(edit, wall, changed, input);
      if (!wallPath(edit.framework, changed)) refuseNow('The wall would have no length', ['points']);
    }),
  sentence: (before, input) => `Wall ${thingReferred(before, 'wall', input.wall).name} changed`,
});

const flip = defineCommand({
  name: 'walls.flip',
  title: 'Turn walls inside out: the outside comes to the other side, the path stays on the same face',
  input: z.strictObject({ walls: z.array(refSchema).min(1, 'Choose a wall first').max(500) }),
  plan: (edit, input) =>
    refusing(() => {
      for (const ref of input.walls) {
        const wall = thingReferred(edit.before, 'wall', ref);
        edit.set('wall', wall.id, { outside: wall.outside === 'left' ? 'right' : 'left' });
      }
    }),
  sentence: (before, input) =>
    input.walls.length === 1
      ? `Wall ${thingReferred(before, 'wall', input.walls[0]!).name} turned inside out`
      : `${input.walls.length} walls turned inside out`,
});

const parallel = defineCommand({
  name: 'walls.parallel',
  title: 'Copy a wall alongside, at a clear distance between the two',
  input: z.strictObject({
    wall: refSchema,
    clearMm: lengthInputSchema,
    side: z.enum(['left', 'right']).default('left'),
    count: z.number().int().min(1).max(100).default(1),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const wall = thingReferred(edit.before, 'wall', input.wall);
      const path = wallPath(edit.before, wall) ?? refuseNow('The wall has no length');
      const { mm } = new LengthReader(edit.before).read(input.clearMm, 'clearMm', { atLeastMm: 0, atMostMm: 1e6 });
      const { id: _, ...rest } = wall;
      for (let i = 1; i <= input.count; i += 1) {
        const by = (mm + path.build.thicknessMm) * i * (input.side === 'left' ? 1 : -1);
        const points = offsetPath(path.points, path.closed, by);
        edit.add<'wall'>({
          ...rest,
          name: freeWallName(edit.framework),
          place: { lines: null, xMm: 0, yMm: 0 },
          points: points.map(({ x, y }) => ({ xMm: x, yMm: y })),
          openings: [],
          exceptions: [],
        });
      }
    }),
  sentence: (before, input) =>
    `Wall ${thingReferred(before, 'wall', input.wall).name} copied alongside, ${saidLength(before, input.clearMm)} clear`,
});

const except = defineCommand({
  name: 'walls.except',
  title: 'Say what differs at a level of a wall, or from there up: left out, or of another type',
  input: z.strictObject({
    wall: refSchema,
    level: refSchema,
    upwards: z.boolean().default(false),
    leftOut: z.boolean().optional(),
    /** Null: as below. */
    type: typeInputSchema.nullable().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const wall = thingReferred(edit.before, 'wall', input.wall);
      const level = levelReferred(edit.before, input.level, wall.building);
      if (level.record.building !== wall.building)
        refuseNow(`Level ${level.record.name} is of another building`, ['level']);
      const isSame = (each: WallException) => each.level === level.id && each.upwards === input.upwards;
      const known = wall.exceptions.find(isSame);
      const next: WallException = {
        level: level.id,
        upwards: input.upwards,
        leftOut: input.leftOut ?? known?.leftOut ?? false,
        type: input.type === undefined ? (known?.type ?? null) : input.type && takeType(edit, input.type),
      };
      const rest = wall.exceptions.filter((each) => !isSame(each));
      // From here up it may be said that it stands again.
      const differs = next.leftOut || next.type !== null || (next.upwards && rest.length > 0);
      if (!differs && !known) refuseNow('Nothing differs there. Say what does');
      edit.set('wall', wall.id, { exceptions: differs ? [...rest, next] : rest });
    }),
  sentence: (before, input) => {
    const wall = thingReferred(before, 'wall', input.wall);
    const level = levelReferred(before, input.level, wall.building).record.name;
    return `Wall ${wall.name} ${input.upwards ? 'from' : 'at'} level ${level}${input.upwards ? ' up' : ''} changed`;
  },
});

const defineType = defineCommand({
  name: 'walls.defineType',
  title: 'Define a wall type, or change one: layers from the outside inwards, those that carry as its core',
  input: z.strictObject({
    type: refSchema.optional(),
    name: textSchema(40),
    layers: layersSchema,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const types = recordsOf(edit.before, 'wallType');
      const known = types.find(({ id, name }) => id === input.type || (!input.type && name === input.name));
      if (input.type && !known) refuseNow('That wall type is not there any more. Choose another', ['type']);
      if (types.some(({ id, name }) => name === input.name && id !== known?.id))
        refuseNow(`There is a wall type named ${input.name} already. Choose another name`, ['name']);
      const layers = readLayers(edit.before, input.layers);
      if (known) edit.set('wallType', known.id, { name: input.name, layers });
      else edit.add<'wallType'>({ kind: 'wallType', name: input.name, layers });
    }),
  sentence: (_, input) => `Wall type ${input.name} defined`,
});

export const WALL_COMMANDS = [add, change, except, flip, parallel, defineType, ...OPENING_COMMANDS] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof WALL_COMMANDS> {}
}
