import { z } from 'zod';
import { storeyLevels } from '../levels/resolve-levels';
import { defineCommand, type Command } from '../model/command';
import type { Framework } from '../model/framework';
import { idSchema, type Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../model/length-input';
import { called, type Rec, type RecordOf } from '../model/record';
import { levelReferred, refSchema } from '../model/refer';
import { edgeMoved } from '../outlines/edge-moved';
import type { Outline } from '../outlines/outline';
import { elementIn } from './element-input';

type Edged = RecordOf<'shaft'> | RecordOf<'floorPlate'> | RecordOf<'stair'>;

export const hasEdges = (record: Rec): record is Edged =>
  record.kind === 'shaft' || record.kind === 'floorPlate' || record.kind === 'stair';

/** The outline something has at a level, and the exception it comes from; null: its own. */
export function outlineAt(
  framework: Framework,
  record: Edged,
  level: Id | null,
): { outline: Outline; exception: number | null } {
  if (record.kind === 'stair') return { outline: record.well, exception: null };
  const own = { outline: record.outline, exception: null };
  const ranks = new Map(storeyLevels(framework, record.building).map(({ id }, i) => [id, i]));
  const at = level === null ? undefined : ranks.get(level);
  if (at === undefined) return own;
  let best: { outline: Outline; exception: number | null; rank: number } = { ...own, rank: -1 };
  record.exceptions.forEach(({ outline, level: from, upwards }, exception) => {
    const rank = ranks.get(from) ?? Infinity;
    if (!outline || rank > at || (!upwards && rank !== at)) return;
    // One for here only goes before one that goes upwards from here.
    const weight = upwards ? rank : at + 0.5;
    if (weight >= best.rank) best = { outline, exception, rank: weight };
  });
  return best;
}

const moveEdge = defineCommand({
  name: 'elements.moveEdge',
  title: 'Move one edge of the outline of a shaft, a floor plate or a stair’s well outwards or inwards',
  input: z.strictObject({
    id: idSchema,
    /** Counted counter-clockwise from 0. */
    edge: z.number().int().min(0).max(2000),
    /** Outwards; below zero inwards. */
    byMm: lengthInputSchema,
    /** Where it has another outline from a level up, the one it has here. */
    level: refSchema.optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const record = elementIn(edit.before, input.id);
      if (!hasEdges(record)) return refuseNow(`A ${called(record)} has no edges to move`);
      const level = input.level === undefined ? null : levelReferred(edit.before, input.level, record.building).id;
      const { outline, exception } = outlineAt(edit.before, record, level);
      if (outline.type === 'gridOffset' || outline.type === 'walls')
        refuseNow(
          `${capital(called(record))} follows ${outline.type === 'walls' ? 'its walls' : 'the grid'}. Change its distance from them, or draw its outline`,
        );
      const byMm = new LengthReader(edit.before).read(input.byMm, 'byMm', { atLeastMm: -1e6, atMostMm: 1e6 }).mm;
      const moved =
        edgeMoved(edit.before, outline, input.edge, byMm) ??
        refuseNow(`With that edge moved so far nothing sound is left of ${called(record)}. Move it less`, ['byMm']);
      if (record.kind === 'stair') edit.set('stair', record.id, { well: moved as RecordOf<'stair'>['well'] });
      else if (exception === null) edit.set(record.kind as 'shaft', record.id, { outline: moved });
      else
        edit.set(record.kind as 'shaft', record.id, {
          exceptions: (record.exceptions as RecordOf<'shaft'>['exceptions']).map((each, i) =>
            i === exception ? { ...each, outline: moved } : each,
          ),
        });
    }),
  sentence: (before, input) => `An edge of ${called(elementIn(before, input.id))} moved`,
});

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

export const EDGE_COMMANDS: Command[] = [moveEdge];
