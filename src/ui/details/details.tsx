'use client';

import { kindOf } from '@/core/kinds/registry';
import { useEffect, useRef } from 'react';
import { facet } from '@/core/kinds/kind';
import { ActionButton } from '../fields/fields';
import { InCore } from '../kinds/cores/core-fields';
import { severalOfKinds, uiOf } from '../kinds/registry';
import { useProject, useSlice } from '../session/store';
import { Findings } from './findings';
import { InPlanFields } from './in-plan-fields';
import { sayThing } from './sentence';
import { ThingsHere } from './things-here';

/** Details of what is selected: one sentence, then fields; below it the findings. */
export function Details() {
  const { framework, solved, selection, level, display } = useSlice(
    'framework',
    'solved',
    'selection',
    'level',
    'display',
  );
  const root = useRef<HTMLDivElement>(null);
  // What is chosen anew is read from its beginning.
  useEffect(() => {
    const panel = root.current?.parentElement;
    if (panel) panel.scrollTop = 0;
  }, [selection]);
  if (!solved) return null;
  const here = selection.filter((id) => framework.records.has(id));
  const only = here.length === 1 ? here[0]! : null;
  const subject = only ?? (here.length === 0 ? level : null);
  const said = subject ? sayThing(framework, solved, subject, display) : null;
  return (
    <div ref={root} className="flex flex-col gap-3 px-3.5 py-4">
      {here.length > 1 ? <Several ids={here} /> : null}
      {said && (
        <header>
          <h2 className="text-[15px] font-bold">{said.title}</h2>
          <p className="text-ink2">{said.sentence}</p>
        </header>
      )}
      {subject && <Fields key={subject} id={subject} />}
      {only && <InCore id={only} />}
      <Findings about={here} />
      <ThingsHere />
    </div>
  );
}

function Fields({ id }: { id: string }) {
  const record = useProject(({ framework }) => framework.records.get(id));
  const own = record && uiOf(record);
  const given = own && facet(own.fields);
  return given && record ? <given.Fields key={record.id} record={record} /> : null;
}

function Several({ ids }: { ids: string[] }) {
  const { framework, run, say, select, mayEdit } = useSlice('framework', 'run', 'say', 'select', 'mayEdit');
  const records = ids.flatMap((id) => framework.records.get(id) ?? []);
  const isCore = records.every((record) => kindOf(record).inCores);
  return (
    <header className="flex flex-col gap-2">
      <h2 className="text-[15px] font-bold">{ids.length} things chosen</h2>
      {mayEdit && (
        <>
          {severalOfKinds.map(({ kind, Several: Own }) => (
            <Own key={`${kind} ${ids.join()}`} records={records.filter((each) => each.kind === kind)} all={ids} />
          ))}
          {isCore && (
            <ActionButton
              onClick={() => {
                const refusal = run('cores.add', { ids });
                if (refusal) say(refusal);
              }}
            >
              Take them together as a core
            </ActionButton>
          )}
          <InPlanFields ids={ids} />
          <ActionButton
            weight="danger"
            onClick={() => {
              const refusal = run('elements.remove', { ids });
              if (refusal) say(refusal);
              else select([]);
            }}
          >
            Delete them
          </ActionButton>
        </>
      )}
    </header>
  );
}
