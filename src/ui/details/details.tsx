'use client';

import { useProject } from '../session/store';
import { ActionButton } from '../fields/fields';
import { ColumnFields } from './column-fields';
import { Findings } from './findings';
import { FloorFields } from './floor-fields';
import { LevelFields } from './level-fields';
import { LineFields } from './line-fields';
import { sayThing } from './sentence';
import { ShaftFields } from './shaft-fields';
import { ThingsHere } from './things-here';
import { MoveFields } from './move-fields';

/** Details of what is selected: one sentence, then fields; below it the findings. */
export function Details() {
  const { framework, solved, selection, level, display } = useProject((project) => project);
  if (!solved) return null;
  const here = selection.filter((id) => framework.records.has(id));
  const only = here.length === 1 ? here[0]! : null;
  const subject = only ?? (here.length === 0 ? level : null);
  const said = subject ? sayThing(framework, solved, subject, display) : null;
  return (
    <div className="flex flex-col gap-3 px-3.5 py-4">
      {here.length > 1 ? <Several ids={here} /> : null}
      {said && (
        <header>
          <h2 className="text-[15px] font-bold">{said.title}</h2>
          <p className="text-ink2">{said.sentence}</p>
        </header>
      )}
      {subject && <Fields key={subject} id={subject} />}
      <Findings about={here} />
      <ThingsHere />
    </div>
  );
}

function Fields({ id }: { id: string }) {
  const record = useProject(({ framework }) => framework.records.get(id));
  if (record?.kind === 'columnStack') return <ColumnFields stack={record} />;
  if (record?.kind === 'shaft') return <ShaftFields shaft={record} />;
  if (record?.kind === 'floorPlate') return <FloorFields plate={record} />;
  if (record?.kind === 'gridLine') return <LineFields line={record} />;
  if (record?.kind === 'level') return <LevelFields level={record} />;
  return null;
}

function Several({ ids }: { ids: string[] }) {
  const { run, say, select, mayEdit } = useProject((project) => project);
  return (
    <header className="flex flex-col gap-2">
      <h2 className="text-[15px] font-bold">{ids.length} things chosen</h2>
      {mayEdit && (
        <>
          <MoveFields ids={ids} />
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
