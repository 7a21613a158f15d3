'use client';

import type { Id } from '@/core/model/ids';
import type { HandlesProps } from '../kinds/kind-ui';
import { handlesOfKinds } from '../kinds/registry';
import { useProject } from '../session/store';

/** What the kind of what is chosen has to be taken hold of, besides its shape. */
export function OwnHandles({ id, ...rest }: { id: Id } & Omit<HandlesProps<never>, 'record'>) {
  const record = useProject(({ framework }) => framework.records.get(id));
  if (!record) return null;
  return handlesOfKinds.map(({ kind, Handles }) =>
    kind === record.kind ? <Handles key={kind} record={record} {...rest} /> : null,
  );
}
