import { z } from 'zod';
import { defineCommand } from '../commands/command';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { refSchema, thingReferred } from '../commands/refer';
import type { Framework } from '../model/framework';
import type { Wall } from '../walls/wall';
import type { PitchedRoof } from './pitched-roof';
import { solvePitchedRoof } from './solve-pitched-roof';
import { partyWallsBeside, wallsUnder } from './walls-under';

/** How far a wall may stand over a roof. */
const OVER_ROOF = { atLeastMm: 0, atMostMm: 10_000 };

function allUnder(framework: Framework, roof: PitchedRoof): Wall[] {
  const solved = solvePitchedRoof(framework, roof);
  if (!('made' in solved)) return [];
  const { info } = solved.made;
  return [...new Set([...wallsUnder(framework, roof, info), ...partyWallsBeside(framework, roof, info.footprint)])];
}

export const trimWalls = defineCommand({
  name: 'pitchedRoofs.trimWalls',
  title: 'Let walls end at the underside of a pitched roof: those named, or all that lie under it and reach its eaves',
  input: z.strictObject({
    roof: refSchema,
    walls: z.array(refSchema).min(1, 'Choose a wall').max(2000).optional(),
    /** How far party walls beside it stand over it. */
    partyOverMm: lengthInputSchema.default(300),
    /** How far the walls named stand over it; 0: they end at its underside. */
    overMm: lengthInputSchema.default(0),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const { before } = edit;
      const roof = thingReferred(before, 'pitchedRoof', input.roof);
      const reader = new LengthReader(before);
      const over = reader.read(input.overMm, 'overMm', OVER_ROOF);
      const partyOver = reader.read(input.partyOverMm, 'partyOverMm', OVER_ROOF);
      const walls = input.walls?.map((ref) => thingReferred(before, 'wall', ref)) ?? allUnder(before, roof);
      if (walls.length === 0) refuseNow(`No wall under roof ${roof.name} reaches its eaves. Choose walls`, ['walls']);
      for (const wall of walls) {
        if (wall.passesClearMm !== null)
          refuseNow(`Wall ${wall.name} passes the slabs. Let it end at soffits first`, ['walls']);
        // One of another building keeps its own level.
        const level = wall.building === roof.building ? roof.eavesAt.level : wall.stopsAt.level;
        const offsetMm = wall.use === 'party' && !input.walls ? partyOver.stored : over.stored;
        edit.set('wall', wall.id, { stopsAt: { level, face: 'roof', offsetMm } });
      }
    }),
  sentence: (before, { roof, walls }) => {
    const record = thingReferred(before, 'pitchedRoof', roof);
    const count = walls?.length ?? allUnder(before, record).length;
    return `${count} ${count === 1 ? 'wall ends' : 'walls end'} at roof ${record.name}`;
  },
});
