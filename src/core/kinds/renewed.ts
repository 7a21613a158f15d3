import type { Edit } from '../model/edit';
import { freeName } from '../commands/free-name';
import type { Rec } from '../model/kinds';
import { walkOfKind } from './records';

/** A copy with a free name of its kind. */
export const withFreeName = <R extends Rec>(edit: Edit, copy: R): R =>
  ({ ...copy, name: freeName(edit.framework, copy.kind) }) as R;

/** A copy whose parts have ids of their own. */
export const withOwnIds = <R extends Rec>(edit: Edit, copy: R): R =>
  walkOfKind(copy.kind)!.change(copy, ({ is }) => (is === 'ownId' ? edit.newId() : undefined)) as R;
