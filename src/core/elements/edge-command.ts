import { z } from 'zod';
import { storeyLevels } from '../levels/resolve-levels';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import type { Framework } from '../model/framework';
import { idSchema, type Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { facet } from '../kinds/kind';
import { called, walkOfKind } from '../kinds/records';
import { kindOf } from '../kinds/registry';
import type { Rec } from '../model/kinds';
import { levelReferred, refSchema } from '../commands/refer';
import { edgeMoved } from '../outlines/edge-moved';
import type { Outline } from '../outlines/outline';
import { elementIn } from './element-input';
import { ownPath, pathSideMoved, type OwnPath } from './path-corners';
import { ringArea } from '../geometry/polygon';

interface OwnOutline {
  outline: Outline;
  /** The record with another outline in its place. */
  replacedBy: (outline: Outline) => Rec;
}

type Excepted = readonly { level: Id; upwards: boolean; outline?: Outline | null }[];

/** The outline of a record by which it stands in plan, with the field that holds it; null where it has none of its own. */
function ownOutline(record: Rec): { field: string; outline: Outline } | null {
  const inPlan = facet(kindOf(record).inPlan);
  if (!inPlan || inPlan.follows(record) !== null) return null;
  let found: { field: string; outline: Outline } | null = null;
  walkOfKind(record.kind)?.see(record, (mark, value, path) => {
    if (mark.is === 'outline' && !path.includes('.')) found ??= { field: path, outline: value as Outline };
  });
  return found;
}

/** The outline something has at a level: its own, or the one that differs there; null where it has none. */
export function outlineAt(framework: Framework, record: Rec, level: Id | null): OwnOutline | null {
  const own = ownOutline(record);
  if (!own || !('building' in record)) return null;
  const set = (fields: object) => ({ ...record, ...fields }) as Rec;
  const { field, outline } = own;
  const usual: OwnOutline = { outline, replacedBy: (to) => set({ [field]: to }) };
  const ranks = new Map(storeyLevels(framework, record.building).map(({ id }, i) => [id, i]));
  const at = level === null ? undefined : ranks.get(level);
  if (at === undefined || !('exceptions' in record)) return usual;
  const exceptions = record.exceptions as Excepted;
  let [best, bestWeight] = [usual, -1];
  exceptions.forEach(({ outline: other, level: from, upwards }, i) => {
    const rank = ranks.get(from) ?? Infinity;
    if (!other || rank > at || (!upwards && rank !== at)) return;
    // One for here only goes before one that goes upwards from here.
    const weight = upwards ? rank : at + 0.5;
    if (weight < bestWeight) return;
    const replacedBy = (to: Outline) =>
      set({ exceptions: exceptions.map((each, k) => (k === i ? { ...each, outline: to } : each)) });
    [best, bestWeight] = [{ outline: other, replacedBy }, weight];
  });
  return best;
}

const moveEdge = defineCommand({
  name: 'elements.moveEdge',
  title: 'Move one edge of the outline of something that has one of its own, outwards or inwards',
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
      if (!('building' in record)) return refuseNow(`A ${called(record)} has no edges to move`);
      const byMm = new LengthReader(edit.before).read(input.byMm, 'byMm', { atLeastMm: -1e6, atMostMm: 1e6 }).mm;
      const path = ownPath(edit.before, record);
      if (path) {
        const moved = pathSideMoved(edit.before, record, input.edge, byMm * outOfPath(path));
        edit.replace(
          moved ?? refuseNow(`With that side moved so far nothing sound is left of ${called(record)}. Move it less`),
        );
        return;
      }
      const level = input.level === undefined ? null : levelReferred(edit.before, input.level, record.building).id;
      const { outline, replacedBy } =
        outlineAt(edit.before, record, level) ?? refuseNow(`A ${called(record)} has no edges to move`);
      if (outline.type === 'gridOffset' || outline.type === 'walls')
        refuseNow(
          `${capital(called(record))} follows ${outline.type === 'walls' ? 'its walls' : 'the grid'}. Change its distance from them, or draw its outline`,
        );
      const moved =
        edgeMoved(edit.before, outline, input.edge, byMm) ??
        refuseNow(`With that edge moved so far nothing sound is left of ${called(record)}. Move it less`, ['byMm']);
      edit.replace(replacedBy(moved));
    }),
  sentence: (before, input) => `An edge of ${called(elementIn(before, input.id))} moved`,
});

/** 1 where outwards is to the left of a path: of a closed one away from what it encloses, of an open one to its left. */
export const outOfPath = ({ corners, closed }: OwnPath): 1 | -1 => (closed && ringArea(corners) > 0 ? -1 : 1);

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

export const EDGE_COMMANDS = [moveEdge] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof EDGE_COMMANDS> {}
}
