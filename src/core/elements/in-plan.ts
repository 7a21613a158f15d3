import { withMembers } from '../cores/core';
import type { Point } from '../geometry/point';
import { facet, type InPlan, type Mirror, type Turn } from '../kinds/kind';
import { called } from '../kinds/records';
import { kindOf } from '../kinds/registry';
import type { Edit } from '../model/edit';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Rec } from '../model/kinds';
import { refuseNow } from '../commands/length-input';
import { mirroredInPlan, movedInPlan } from './by-marks';
import { turnedInPlan } from './turn-in-plan';

type Copied = InPlan<Rec> & { renewed: (edit: Edit, copy: Rec) => Rec };

const refused = (record: Rec, done: string): never => refuseNow(`A ${called(record)} is not ${done} in plan`);

/** How a record is moved in plan; refused in words where it is not. */
export function inPlanOf(record: Rec, done: string): InPlan<Rec> {
  const inPlan = facet(kindOf(record).inPlan) ?? refused(record, done);
  const follows = inPlan.follows(record);
  return follows === null ? inPlan : refuseNow(`${called(record)} ${follows}`);
}

/** What can be done in plan with chosen things, the parts of a core in its place: all of them, or it is not offered. */
export function offeredInPlan(framework: Framework, ids: readonly Id[]): { move: boolean; copy: boolean } {
  const all = withMembers(framework, ids).map((id) => {
    const record = framework.records.get(id);
    const inPlan = record ? facet(kindOf(record).inPlan) : null;
    return inPlan?.follows(record!) === null ? inPlan : null;
  });
  const move = all.length > 0 && all.every((each) => each !== null);
  return { move, copy: move && all.every((each) => typeof each!.renewed === 'function') };
}

/** How a record is copied and mirrored. */
function copiedInPlan(record: Rec, done: 'copied' | 'mirrored' | 'turned'): Copied {
  const inPlan = inPlanOf(record, done);
  return typeof inPlan.renewed === 'function' ? (inPlan as Copied) : refused(record, done);
}

/** Adds copies of a record at several distances; answers their ids. */
export function addCopies(edit: Edit, record: Rec, by: readonly Point[]): Id[] {
  const { copied, renewed } = copiedInPlan(record, 'copied');
  if (copied) return copied(edit, record, by);
  return by.map((shift) => add(edit, renewed(edit, movedInPlan(edit.before, record, shift))));
}

/** A record mirrored in a line: added as a copy, or in its own place; answers its id. */
export function mirror(edit: Edit, record: Rec, axis: Mirror, asCopy: boolean): Id {
  const { mirrored: own, renewed } = copiedInPlan(record, 'mirrored');
  const made = own ? own(edit, record, axis) : mirroredInPlan(edit.before, record, axis);
  if (asCopy) return add(edit, renewed(edit, made));
  edit.replace(made);
  return record.id;
}

/** A record turned about a point: in its own place, or added as a copy for each turn; answers their ids. */
export function turn(edit: Edit, record: Rec, turns: readonly Turn[], asCopy: boolean): Id[] {
  const { turned: own } = inPlanOf(record, 'turned');
  const made = turns.map((each) => (own ?? turnedInPlan)(edit.before, record, each));
  if (!asCopy) {
    for (const next of made) edit.replace(next);
    return [record.id];
  }
  const { renewed } = copiedInPlan(record, 'turned');
  return made.map((copy) => add(edit, renewed(edit, copy)));
}

function add(edit: Edit, copy: Rec): Id {
  const { id: _, ...rest } = copy;
  return edit.add(rest as never).id;
}
