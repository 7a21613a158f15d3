'use client';

import { coreOf, type Core } from '@/core/cores/core';
import { called } from '@/core/kinds/records';
import { ActionButton, TextField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { CarrySpan } from '../../details/carry-span';
import { DeleteButton } from '../../details/delete-button';
import { InPlanFields } from '../../details/in-plan-fields';

/** A core: its name, what is in it, and what is done to all of it at once. */
export function CoreFields({ record: core }: { record: Core }) {
  const { framework, run, say, select, mayEdit } = useSlice('framework', 'run', 'say', 'select', 'mayEdit');
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  return (
    <div className="flex flex-col gap-1.5">
      <TextField
        label="Name"
        value={core.name}
        disabled={!mayEdit}
        onCommit={(name) => run('cores.change', { core: core.id, name })}
      />
      <h3 className="text-ink2">In this core</h3>
      <ul aria-label="In this core" className="flex flex-col gap-0.5">
        {core.members.map((id) => {
          const record = framework.records.get(id);
          if (!record) return null;
          return (
            <li key={id} className="flex items-baseline justify-between gap-2">
              <button type="button" className="text-left underline decoration-hair" onClick={() => select([id])}>
                {called(record)}
              </button>
              {mayEdit && core.members.length > 1 && (
                <ActionButton
                  onClick={() =>
                    attempt(run('cores.change', { core: core.id, ids: core.members.filter((other) => other !== id) }))
                  }
                >
                  Take out
                </ActionButton>
              )}
            </li>
          );
        })}
      </ul>
      {mayEdit && (
        <>
          <CarrySpan ids={[core.id]} />
          <InPlanFields ids={[core.id]} />
          <ActionButton
            onClick={() => {
              const refusal = run('cores.release', { core: core.id });
              if (refusal) say(refusal);
              else select([]);
            }}
          >
            Take this core apart
          </ActionButton>
          <DeleteButton id={core.id}>Delete this core and all in it</DeleteButton>
        </>
      )}
    </div>
  );
}

/** Says which core a thing is in, and chooses it. */
export function InCore({ id }: { id: string }) {
  const { framework, select } = useSlice('framework', 'select');
  const core = coreOf(framework, id);
  if (!core) return null;
  return (
    <p className="flex items-baseline justify-between gap-2 border-t border-faint pt-1.5">
      <span>Part of core {core.name}</span>
      <ActionButton onClick={() => select([core.id])}>Choose the core</ActionButton>
    </p>
  );
}
