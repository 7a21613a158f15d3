import { z } from 'zod';
import { FOUNDATION_COMMANDS } from '../foundations/foundation-commands';
import { FLOOR_COMMANDS } from '../floors/floor-commands';
import { LEVEL_COMMANDS } from '../levels/level-commands';
import { heightsSchema } from '../levels/level-input';
import { levelsOf, storeyLevels } from '../levels/resolve-levels';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { named, step } from '../commands/step-of';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, refSchema } from '../commands/refer';
import { outlineInputSchema, readOutline } from '../outlines/outline-input';
import { resolveOutline } from '../setting-out/resolve-outline';
import { STARTING_TYPES } from '../walls/wall-type';
import { freeWallName, typeInputSchema } from '../walls/wall-input';
import { WALL_COMMANDS } from '../walls/wall-commands';

const setUp = named(LEVEL_COMMANDS, 'levels.setUp');
const addWall = named(WALL_COMMANDS, 'walls.add');
const addFoundation = named(FOUNDATION_COMMANDS, 'foundations.add');
const addFloor = named(FLOOR_COMMANDS, 'floors.add');

const wholeBuilding = defineCommand({
  name: 'carry.wholeBuilding',
  title: 'Set out a whole building from an outline: levels, walls up to the soffits, floors and a roof on them',
  input: z.strictObject({
    building: refSchema.optional(),
    /** Floor-to-floor heights from the ground up; not needed where the levels are set up already. */
    storeys: heightsSchema.optional(),
    buildUpMm: lengthInputSchema.default(100),
    /** The outside of the walls. */
    outline: outlineInputSchema,
    floorMm: lengthInputSchema.default(250),
    wall: typeInputSchema.default(STARTING_TYPES[0] as unknown as z.infer<typeof typeInputSchema>),
    /** A raft under the lowest floor. */
    raft: z.boolean().default(true),
    /** A parapet of this height over the roof; null: none. */
    parapetMm: lengthInputSchema.nullable().default(null),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      if (levelsOf(edit.before, building).length === 0) {
        if (!input.storeys) refuseNow('Say how high the storeys are, like 8@3.45m', ['storeys']);
        const refused = step(edit, setUp, { building, above: input.storeys, buildUpMm: input.buildUpMm }, 1);
        if (refused) return refused;
      }
      const levels = storeyLevels(edit.framework, building);
      const [first, last] = [levels[0], levels.at(-1)];
      if (!first || !last || first === last) refuseNow('A building has a storey at least. Set up its levels first');
      const ring = resolveOutline(edit.framework, readOutline(edit.framework, building, input.outline));
      const points = ring!.map(({ x, y }) => ({ xMm: x, yMm: y }));
      const name = freeWallName(edit.framework);
      const wall = { building, use: 'exterior', type: input.wall, points, closed: true, on: 'outside' } as const;
      const refusedWall = step(
        edit,
        addWall,
        { ...wall, name, startsAt: { level: first.id }, stopsAt: { level: last.id, face: 'soffit' } },
        2,
      );
      if (refusedWall) return refusedWall;
      const floor = {
        building,
        name: 'Floors',
        outline: { type: 'walls' as const, walls: [name], face: 'coreOutside' as const },
        thicknessMm: input.floorMm,
        levels: { range: [first.id, last.id] as [Id, Id] },
      };
      const refusedFloor = step(edit, addFloor, floor, 3);
      if (refusedFloor) return refusedFloor;
      const refusedRaft = input.raft ? step(edit, addFoundation, { building, form: 'raft' }, 5) : null;
      if (refusedRaft) return refusedRaft;
      if (input.parapetMm === null) return;
      const { mm } = new LengthReader(edit.before).read(input.parapetMm, 'parapetMm', {
        atLeastMm: 100,
        atMostMm: 5000,
      });
      const over = { level: last.id, face: 'FFL' as const, offsetMm: mm };
      const refusedParapet = step(
        edit,
        addWall,
        { ...wall, name: 'Parapet', startsAt: { level: last.id }, stopsAt: over },
        4,
      );
      if (refusedParapet) return refusedParapet;
    }),
  sentence: (_, input, after) => {
    const building = buildingReferred(after, input.building);
    const n = storeyLevels(after, building).length - 1;
    return `A whole building of ${n} ${n === 1 ? 'storey' : 'storeys'} set out`;
  },
});

export const WHOLE_BUILDING_COMMANDS = [wholeBuilding] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof WHOLE_BUILDING_COMMANDS> {}
}
