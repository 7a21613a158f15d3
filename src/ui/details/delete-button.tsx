'use client';

import { ActionButton } from '../fields/fields';
import { useSlice } from '../session/store';

/** Deletes what is chosen and says so when that is refused. */
export function DeleteButton({ id, children }: { id: string; children: string }) {
  const { run, say, select, mayEdit } = useSlice('run', 'say', 'select', 'mayEdit');
  if (!mayEdit) return null;
  return (
    <ActionButton
      weight="danger"
      onClick={() => {
        const refusal = run('elements.remove', { ids: [id] });
        if (refusal) say(refusal);
        else select([]);
      }}
    >
      {children}
    </ActionButton>
  );
}
