'use client';

import type { ReactNode } from 'react';
import type { Id } from '@/core/model/ids';
import { RecordFields } from '../fields/declared/record-fields';
import type { FieldsOf } from '../fields/declared/field-spec';
import { DeleteButton } from './delete-button';
import { InPlanFields } from './in-plan-fields';

interface ThingPanelProps<R, Change> {
  record: R;
  fields: FieldsOf<R, Change>;
  /** Changes a part of it; answers why not, or null. */
  give: (part: Change) => string | null;
  /** What deleting it is called. */
  remove: string;
  /** False where it follows something else in plan. */
  isOwnPlace?: boolean;
  /** What is shown of it beside its fields. */
  children?: ReactNode;
}

/** A thing's declared fields, what is shown of it, what is done to it in plan, and its deletion. */
export function ThingPanel<R extends { id: Id; building: Id }, Change>(props: ThingPanelProps<R, Change>) {
  const { record, fields, give, remove, isOwnPlace = true, children } = props;
  return (
    <div className="flex flex-col gap-1.5">
      <RecordFields record={record} fields={fields} building={record.building} give={give} />
      {children}
      {isOwnPlace && <InPlanFields ids={[record.id]} />}
      <DeleteButton id={record.id}>{remove}</DeleteButton>
    </div>
  );
}
