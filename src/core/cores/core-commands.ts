import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema } from '../model/fields';
import { freeName, refuseTaken } from '../commands/free-name';
import { recordsOf, type Framework } from '../model/framework';
import type { Edit } from '../model/edit';
import type { Id } from '../model/ids';
import { refuseNow, refusing } from '../commands/length-input';
import { called } from '../kinds/records';
import { kindOf } from '../kinds/registry';
import { refSchema, thingReferred } from '../commands/refer';
import { coreOf, withMembers } from './core';

/** What is meant by an id, or by the name of one wall, shaft or stair. */
function memberReferred(framework: Framework, ref: string): Id {
  if (framework.records.has(ref)) return ref;
  const named = (['wall', 'shaft', 'stair'] as const)
    .flatMap((kind) => recordsOf(framework, kind))
    .filter(({ name }) => name === ref);
  if (named.length === 1) return named[0]!.id;
  return refuseNow(
    named.length > 1
      ? `There are ${named.length} things named ${ref}. Say which one by its id`
      : 'Something chosen is not there any more. Choose again',
    ['ids'],
  );
}

/** The building of things that may be in a core together; what may not is refused by name. */
function readMembers(framework: Framework, refs: readonly string[], own?: Id): { building: Id; members: Id[] } {
  const members = withMembers(
    framework,
    refs.map((ref) => memberReferred(framework, ref)),
  );
  let building: Id | null = null;
  for (const id of members) {
    const record = framework.records.get(id) ?? refuseNow('Something chosen is not there any more. Choose again');
    if (!kindOf(record).inCores || !('building' in record))
      return refuseNow(`A core is of walls, shafts and stairs; ${called(record)} is none of them`, ['ids']);
    const other = coreOf(framework, id);
    if (other && other.id !== own)
      refuseNow(`${called(record)} is in core ${other.name} already. Take it out first`, ['ids']);
    if (building !== null && record.building !== building) refuseNow('A core stands in one building', ['ids']);
    building = record.building;
  }
  return building === null ? refuseNow('Choose walls, shafts or stairs first', ['ids']) : { building, members };
}

const idsSchema = z.array(refSchema).min(1, 'Choose something first').max(500);

const add = defineCommand({
  name: 'cores.add',
  title: 'Take walls, shafts and stairs together as one core',
  input: z.strictObject({ name: textSchema(24).optional(), ids: idsSchema }),
  plan: (edit, input) =>
    refusing(() => {
      refuseTaken(edit.before, 'core', input.name);
      const name = input.name ?? freeName(edit.before, 'core');
      edit.add<'core'>({ kind: 'core', name, ...readMembers(edit.before, input.ids) });
    }),
  sentence: (before, input) => `Core ${input.name ?? freeName(before, 'core')} of ${input.ids.length} things made`,
});

const change = defineCommand({
  name: 'cores.change',
  title: 'Rename a core, or say which walls, shafts and stairs are in it',
  input: z.strictObject({ core: refSchema, name: textSchema(24).optional(), ids: idsSchema.optional() }),
  plan: (edit, input) =>
    refusing(() => {
      const core = thingReferred(edit.before, 'core', input.core);
      refuseTaken(edit.before, 'core', input.name, core.id);
      const read = input.ids && readMembers(edit.before, input.ids, core.id);
      if (read && read.building !== core.building) refuseNow('A core stands in one building', ['ids']);
      edit.set('core', core.id, { name: input.name, members: read?.members });
    }),
  sentence: (before, input) => `Core ${thingReferred(before, 'core', input.core).name} changed`,
});

const release = defineCommand({
  name: 'cores.release',
  title: 'Take a core apart: its walls, shafts and stairs stay, each for itself',
  input: z.strictObject({ core: refSchema }),
  plan: (edit, input) => refusing(() => edit.remove(thingReferred(edit.before, 'core', input.core).id)),
  sentence: (before, input) => `Core ${thingReferred(before, 'core', input.core).name} taken apart`,
});

/** Copies of all parts of a core are a core too. */
export function gatherCopies(edit: Edit, chosen: readonly Id[], copies: ReadonlyMap<Id, readonly Id[]>): void {
  for (const id of chosen) {
    const core = edit.before.records.get(id);
    if (core?.kind !== 'core') continue;
    const rows = core.members.map((member) => copies.get(member) ?? []);
    const count = Math.min(...rows.map(({ length }) => length));
    for (let i = 0; i < count; i += 1) {
      const members = rows.map((row) => row[i]!);
      edit.add<'core'>({ kind: 'core', building: core.building, name: freeName(edit.framework, 'core'), members });
    }
  }
}

export const CORE_COMMANDS = [add, change, release] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof CORE_COMMANDS> {}
}
