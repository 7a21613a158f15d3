import { z } from 'zod';
import { copyStack } from '../columns/copy-stack';
import { minus, times, lengthOf, type Point } from '../geometry/point';
import { mirrorStack } from '../columns/mirror-stack';
import { withMembers } from '../cores/core';
import { gatherCopies } from '../cores/core-commands';
import { defineCommand, type Command } from '../model/command';
import type { Edit } from '../model/edit';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../model/length-input';
import { called, type Rec, type RecordOf } from '../model/record';
import { refSchema } from '../model/refer';
import type { Outline } from '../outlines/outline';
import { heldReferred } from '../setting-out/held-line';
import { freeShaftName } from '../shafts/shaft-commands';
import { freeStairName } from '../stairs/stair-commands';
import { freeOpeningNames, freeWallName } from '../walls/wall-input';
import { wallPath } from '../walls/wall-path';
import { elementIn, idsSchema, inWords, movedOutline } from './element-input';
import { shifted } from '../outlines/shifted';
import { mirrored, mirrorOutline, type Mirror } from './mirror-outline';

const MOST_COPIES = 2000;

/** What has an outline, with each of its outlines changed; its name is free again. */
function withOutlines(edit: Edit, record: Rec, change: (outline: Outline) => Outline): Rec | null {
  if (record.kind === 'shaft')
    return {
      ...record,
      name: freeShaftName(edit.framework),
      outline: change(record.outline),
      exceptions: record.exceptions.map((each) => ({ ...each, outline: each.outline && change(each.outline) })),
    };
  if (record.kind === 'stair') return { ...record, name: freeStairName(edit.framework), well: change(record.well) };
  if (record.kind === 'floorPlate')
    return {
      ...record,
      outline: change(record.outline),
      exceptions: record.exceptions.map((each) => ({
        ...each,
        outline: each.outline && change(each.outline),
        voids: each.voids.map(change),
      })),
      zones: record.zones.map((zone) => ({ ...zone, id: edit.newId(), outline: change(zone.outline) })),
    };
  return null;
}

function addCopy(edit: Edit, copy: Rec): Id {
  const { id: _, ...rest } = copy;
  return edit.add(rest as Omit<RecordOf<'shaft'>, 'id'>).id;
}

const copy = defineCommand({
  name: 'elements.copy',
  title: 'Copy chosen things by exact distances: to several places, or in a row',
  input: z.strictObject({
    ids: idsSchema,
    /** Distances of the copies from what is copied. */
    by: z
      .array(z.strictObject({ xMm: lengthInputSchema, yMm: lengthInputSchema }))
      .min(1, 'Say how far away the copy stands')
      .max(500),
    /** Each distance so many times over: a row. */
    count: z.number().int().min(1).max(200).default(1),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      const shifts = input.by.flatMap(({ xMm, yMm }) => {
        const by = { x: reader.read(xMm, 'xMm').mm, y: reader.read(yMm, 'yMm').mm };
        if (by.x === 0 && by.y === 0)
          refuseNow('A copy at no distance would stand in the same place. Type one', ['by']);
        return Array.from({ length: input.count }, (_, i): Point => ({ x: by.x * (i + 1), y: by.y * (i + 1) }));
      });
      const copies = new Map<Id, Id[]>();
      const note = (id: Id, made: Id) => copies.set(id, [...(copies.get(id) ?? []), made]);
      const all = withMembers(edit.before, input.ids);
      if (shifts.length * all.length > MOST_COPIES)
        refuseNow(`That would be more than ${MOST_COPIES} copies. Make fewer at once`);
      for (const id of all) {
        const record = elementIn(edit.before, id);
        if (record.kind === 'columnStack') {
          copyStack(edit, record, shifts);
          continue;
        }
        for (const by of shifts) {
          if (record.kind === 'wall') {
            note(id, addCopy(edit, copiedWall(edit, { ...record, place: shifted(edit.before, record.place, by) })));
            continue;
          }
          const made = withOutlines(edit, record, (outline) => movedOutline(edit.before, record, outline, by));
          if (!made) refuseNow(`A ${called(record)} is not copied in plan`);
          note(id, addCopy(edit, made));
        }
      }
      gatherCopies(edit, input.ids, copies);
    }),
  sentence: (before, input) => {
    const n = input.by.length * input.count;
    return `${inWords(before, input.ids)} copied ${n === 1 ? 'once' : `${n} times`}`;
  },
});

const mirror = defineCommand({
  name: 'elements.mirror',
  title: 'Mirror chosen things in a line, as copies or themselves',
  input: z.strictObject({
    ids: idsSchema,
    /** A straight grid or setting-out line. */
    line: refSchema,
    /** False: the things themselves go over. */
    copies: z.boolean().default(true),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const copies = new Map<Id, Id[]>();
      for (const id of withMembers(edit.before, input.ids)) {
        const record = elementIn(edit.before, id);
        if (!('building' in record)) refuseNow(`A ${called(record)} is not mirrored`);
        const axis = mirrorIn(edit.before, input.line, record.building);
        const made = mirroredRecord(edit, record, axis) ?? refuseNow(`A ${called(record)} is not mirrored`);
        if (input.copies) copies.set(id, [addCopy(edit, made)]);
        else edit.replace({ ...made, id, ...('name' in record ? { name: record.name } : {}) } as Rec);
      }
      gatherCopies(edit, input.ids, copies);
    }),
  sentence: (before, input) => `${inWords(before, input.ids)} mirrored in line ${labelOf(before, input)}`,
});

/** A wall with a free name, its openings with names and ids of their own. */
function copiedWall(edit: Edit, wall: RecordOf<'wall'>): RecordOf<'wall'> {
  const take = freeOpeningNames(edit.framework);
  const openings = wall.openings.map((opening) => ({ ...opening, id: edit.newId(), name: take(opening.opening) }));
  return { ...wall, name: freeWallName(edit.framework), openings };
}

/** A wall mirrored in a line: its corners where their images are, its outside on the other side of the path. */
function mirroredWall(edit: Edit, wall: RecordOf<'wall'>, axis: Mirror): RecordOf<'wall'> {
  const path = wallPath(edit.before, wall) ?? refuseNow(`Wall ${wall.name} has no length`);
  const points = path.points.map((point) => {
    const { x, y } = mirrored(axis, point);
    return { xMm: x, yMm: y };
  });
  const copy = copiedWall(edit, wall);
  return {
    ...copy,
    place: { lines: null, xMm: 0, yMm: 0 },
    points,
    outside: wall.outside === 'left' ? 'right' : 'left',
    openings: copy.openings.map((opening) => ({
      ...opening,
      hand: opening.hand === 'left' ? 'right' : 'left',
    })),
  };
}

function mirroredRecord(edit: Edit, record: Rec, axis: Mirror): Rec | null {
  if (record.kind === 'wall') return mirroredWall(edit, record, axis);
  if (record.kind === 'columnStack') return mirrorStack(edit, record, axis);
  const made = withOutlines(
    edit,
    record,
    (outline) => mirrorOutline(edit.before, outline, axis) ?? refuseNow(`The outline of ${called(record)} is unsound`),
  );
  if (made?.kind !== 'stair') return made;
  // A rectangle's right side has become its left one, and so has the turn.
  return {
    ...made,
    turn: made.turn === 'left' ? 'right' : 'left',
    entry: made.entry % 2 === 1 ? 4 - made.entry : made.entry,
  };
}

function mirrorIn(framework: Framework, ref: string, building: string): Mirror {
  const { curve } = heldReferred(framework, ref, building);
  if (curve.kind === 'arc') refuseNow('Things are mirrored in a straight line. Choose one', ['line']);
  const way = minus(curve.to, curve.from);
  return { on: curve.from, along: times(way, 1 / (lengthOf(way) || 1)) };
}

function labelOf(framework: Framework, input: { ids: string[]; line: string }): string {
  const record = framework.records.get(input.ids[0]!);
  const building = record && 'building' in record ? record.building : '';
  return heldReferred(framework, input.line, building).label ?? 'without a label';
}

export const COPY_COMMANDS: Command[] = [copy, mirror];
