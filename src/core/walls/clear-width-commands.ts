import { z } from 'zod';
import { mmOf } from '../dimensions/resolve-length';
import { times, lengthOf } from '../geometry/point';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { recordsOf } from '../model/framework';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { refSchema, thingReferred } from '../commands/refer';
import { shifted } from '../outlines/shifted';
import { formatLength } from '../units/format-length';
import { clearBetween } from './clear-between';
import { wallPath } from './wall-path';
import { CLEAR_WIDTH } from './clear-width';

const hold = defineCommand({
  name: 'walls.holdClear',
  title:
    'Hold a clear width between two parallel walls: the second moves to it, and a finding says where it is broken later',
  input: z.strictObject({ walls: z.tuple([refSchema, refSchema]), widthMm: lengthInputSchema.optional() }),
  plan: (edit, input) =>
    refusing(() => {
      const [a, b] = input.walls.map((ref) => thingReferred(edit.before, 'wall', ref)) as [
        ReturnType<typeof thingReferred<'wall'>>,
        ReturnType<typeof thingReferred<'wall'>>,
      ];
      if (a.id === b.id || a.building !== b.building) refuseNow('Choose two walls of one building', ['walls']);
      const between = clearBetween(wallPath(edit.before, a), wallPath(edit.before, b));
      if (!between) return refuseNow(`Walls ${a.name} and ${b.name} are not parallel`, ['walls']);
      const read = new LengthReader(edit.before).read(input.widthMm ?? Math.max(1, between.mm), 'widthMm', CLEAR_WIDTH);
      const off = read.mm - between.mm;
      if (Math.abs(off) > 1e-6 && lengthOf(between.towardsB) > 0)
        edit.set('wall', b.id, { place: shifted(edit.before, b.place, times(between.towardsB, off)) });
      const known = recordsOf(edit.before, 'clearWidth').find(
        ({ walls }) => walls.includes(a.id) && walls.includes(b.id),
      );
      if (known) edit.set('clearWidth', known.id, { walls: [a.id, b.id], widthMm: read.stored });
      else
        edit.add<'clearWidth'>({ kind: 'clearWidth', building: a.building, walls: [a.id, b.id], widthMm: read.stored });
    }),
  sentence: (before, input, after) => {
    const [a, b] = input.walls.map((ref) => thingReferred(before, 'wall', ref));
    const held = recordsOf(after, 'clearWidth').find(({ walls }) => walls.includes(a!.id) && walls.includes(b!.id));
    return `${formatLength(held ? mmOf(after, held.widthMm) : 0)} mm clear held between walls ${a!.name} and ${b!.name}`;
  },
});

const release = defineCommand({
  name: 'walls.releaseClear',
  title: 'Hold the clear widths of a wall no longer',
  input: z.strictObject({ wall: refSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const { id, name } = thingReferred(edit.before, 'wall', input.wall);
      const held = recordsOf(edit.before, 'clearWidth').filter(({ walls }) => walls.includes(id));
      if (held.length === 0) refuseNow(`No clear width is held at wall ${name}`);
      for (const each of held) edit.remove(each.id);
    }),
  sentence: (before, input) => `Clear widths of wall ${thingReferred(before, 'wall', input.wall).name} no longer held`,
});

export const CLEAR_WIDTH_COMMANDS = [hold, release] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof CLEAR_WIDTH_COMMANDS> {}
}
