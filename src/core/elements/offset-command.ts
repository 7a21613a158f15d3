import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { levelReferred, refSchema } from '../commands/refer';
import { lengthPlus } from '../dimensions/resolve-length';
import { called } from '../kinds/records';
import type { Framework } from '../model/framework';
import type { Point } from '../geometry/point';
import { idSchema, type Id } from '../model/ids';
import type { Rec } from '../model/kinds';
import { edgeMoved } from '../outlines/edge-moved';
import type { Outline } from '../outlines/outline';
import { resolveOutline } from '../setting-out/resolve-outline';
import { outlineAt, outOfPath } from './edge-command';
import { elementIn } from './element-input';
import { ownPath, pathSideMoved } from './path-corners';

/** What goes round something at a level, whose edges can be moved all at once; null where nothing does. */
export function ringAround(framework: Framework, record: Rec, level: Id | null): readonly Point[] | null {
  const path = ownPath(framework, record);
  if (path) return path.closed ? path.corners : null;
  const own = outlineAt(framework, record, level);
  return own ? resolveOutline(framework, own.outline) : null;
}

/** An outline with all its edges moved outwards; null where nothing sound would be left of it. */
function outlineOffset(framework: Framework, outline: Outline, byMm: number): Outline | null {
  if (outline.type === 'gridOffset' || outline.type === 'walls') {
    const moved = { ...outline, offsetMm: lengthPlus(outline.offsetMm, byMm) };
    return resolveOutline(framework, moved) ? moved : null;
  }
  const edges = outline.type === 'circle' ? 1 : (resolveOutline(framework, outline)?.length ?? 0);
  let moved: Outline | null = outline;
  for (let edge = 0; moved && edge < edges; edge += 1) moved = edgeMoved(framework, moved, edge, byMm);
  return moved;
}

/** A thing drawn along a path that goes round, with all its sides moved outwards; null where it is none, or nothing would be left. */
function pathOffset(framework: Framework, record: Rec, byMm: number): Rec | null {
  const path = ownPath(framework, record);
  if (!path?.closed) return null;
  let moved: Rec | null = record;
  for (let side = 0; moved && side < path.corners.length; side += 1)
    moved = pathSideMoved(framework, moved, side, byMm * outOfPath(path));
  return moved;
}

const offset = defineCommand({
  name: 'elements.offset',
  title: 'Move all edges of chosen outlines outwards or inwards',
  input: z.strictObject({
    ids: z.array(idSchema).min(1, 'Choose something first').max(2000),
    /** Outwards; below zero inwards. */
    byMm: lengthInputSchema,
    /** Where one has another outline from a level up, the one it has here. */
    level: refSchema.optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const { mm } = new LengthReader(edit.before).read(input.byMm, 'byMm', { atLeastMm: -1e6, atMostMm: 1e6 });
      if (mm === 0) refuseNow('Type how far the edges move, like 200 or -200', ['byMm']);
      for (const id of new Set(input.ids)) {
        const record = elementIn(edit.before, id);
        const lost = () =>
          refuseNow(`With its edges moved so far nothing sound is left of ${called(record)}. Move them less`, ['byMm']);
        if (ownPath(edit.before, record)?.closed) {
          edit.replace(pathOffset(edit.before, record, mm) ?? lost());
          continue;
        }
        const level =
          input.level === undefined || !('building' in record)
            ? null
            : levelReferred(edit.before, input.level, record.building).id;
        const own = outlineAt(edit.before, record, level);
        if (!own) return refuseNow(`A ${called(record)} has no edges that go round it. Leave it out`, ['ids']);
        edit.replace(own.replacedBy(outlineOffset(edit.before, own.outline, mm) ?? lost()));
      }
    }),
  sentence: (before, input) => {
    const things = [...new Set(input.ids)].map((id) => called(elementIn(before, id)));
    return `Edges of ${things.length === 1 ? things[0]! : `${things.length} things`} moved`;
  },
});

export const OFFSET_COMMANDS = [offset] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof OFFSET_COMMANDS> {}
}
