import { z } from 'zod';
import { lengthPlus } from '../dimensions/resolve-length';
import type { Point } from '../geometry/point';
import { detachFrom } from '../grids/detach';
import { defineCommand, type Command } from '../model/command';
import type { Edit } from '../model/edit';
import { LengthReader, lengthInputSchema, refuseNow, refusing, saidLength } from '../model/length-input';
import { called, type Rec } from '../model/record';
import type { Outline } from '../outlines/outline';
import { withMembers } from '../cores/core';
import { letGo } from './let-go';
import { elementIn, idsSchema, inWords, movedOutline } from './element-input';
import { shifted } from '../outlines/shifted';

function moveElement(edit: Edit, record: Rec, by: Point): void {
  const framework = edit.before;
  if (record.kind === 'columnStack')
    edit.set('columnStack', record.id, { place: shifted(framework, record.place, by) });
  else if (record.kind === 'shaft') {
    const move = (outline: Outline) => movedOutline(framework, record, outline, by);
    edit.set('shaft', record.id, {
      outline: move(record.outline),
      exceptions: record.exceptions.map((each) => ({ ...each, outline: each.outline && move(each.outline) })),
    });
  } else if (record.kind === 'floorPlate') {
    const move = (outline: Outline) => movedOutline(framework, record, outline, by);
    edit.set('floorPlate', record.id, {
      outline: move(record.outline),
      exceptions: record.exceptions.map((each) => ({
        ...each,
        outline: each.outline && move(each.outline),
        voids: each.voids.map(move),
      })),
      zones: record.zones.map((zone) => ({ ...zone, outline: move(zone.outline) })),
    });
  } else if (record.kind === 'room' || record.kind === 'boundaryLine') {
    edit.set(record.kind, record.id, { place: shifted(framework, record.place, by) });
  } else if (record.kind === 'wall') {
    edit.set('wall', record.id, { place: shifted(framework, record.place, by) });
  } else if (record.kind === 'stair') {
    edit.set('stair', record.id, { well: movedOutline(framework, record, record.well, by) });
  } else if (record.kind === 'foundation') {
    if (!record.outline) refuseNow(`${called(record)} lies where what stands on it does. Move that`);
    edit.set('foundation', record.id, { outline: movedOutline(framework, record, record.outline, by) });
  } else if (record.kind === 'ceiling') {
    if (!record.outline) refuseNow(`${called(record)} hangs in its rooms. Move their walls`);
    edit.set('ceiling', record.id, { outline: movedOutline(framework, record, record.outline, by) });
  } else if (record.kind === 'gridSystem') {
    edit.set('gridSystem', record.id, { xMm: lengthPlus(record.xMm, by.x), yMm: lengthPlus(record.yMm, by.y) });
  } else refuseNow(`A ${called(record)} is not moved in plan`);
}

const move = defineCommand({
  name: 'elements.move',
  title: 'Move chosen things in plan',
  input: z.strictObject({ ids: idsSchema, xMm: lengthInputSchema, yMm: lengthInputSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      const by = { x: reader.read(input.xMm, 'xMm').mm, y: reader.read(input.yMm, 'yMm').mm };
      for (const id of withMembers(edit.before, input.ids)) moveElement(edit, elementIn(edit.before, id), by);
    }),
  sentence: (before, input) =>
    `Moved ${inWords(before, input.ids)} by ${saidLength(before, input.xMm)} east, ${saidLength(before, input.yMm)} north`,
});

const remove = defineCommand({
  name: 'elements.remove',
  title: 'Delete chosen things',
  input: z.strictObject({ ids: idsSchema }),
  plan: (edit, input) =>
    refusing(() => {
      // A core that is deleted goes with all that is in it.
      for (const id of withMembers(edit.before, input.ids)) {
        const record = elementIn(edit.before, id);
        if (record.kind === 'level')
          refuseNow(`Remove ${called(record)} in the height strip, where you say what follows`);
        if (record.kind === 'settingOutLine') {
          if (record.locked) refuseNow(`${called(record)} is locked. Unlock it first`);
          edit.remove(id);
          detachFrom(edit, id);
          continue;
        }
        if (record.kind === 'gridLine' || record.kind === 'gridSystem')
          refuseNow(`Remove ${called(record)} with the grid tools`);
        if (record.kind === 'project') refuseNow('The project itself is not deleted here');
        edit.remove(id);
      }
      letGo(edit);
    }),
  sentence: (before, input) => `Deleted ${inWords(before, input.ids)}`,
});

export const ELEMENT_COMMANDS: Command[] = [move, remove];
