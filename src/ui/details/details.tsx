'use client';

import { kindOf } from '@/core/kinds/registry';
import { useEffect, useRef } from 'react';
import { useProject, useSlice } from '../session/store';
import { sectionMm } from '@/core/columns/section-shape';
import { ActionButton } from '../fields/fields';
import { SectionField } from '../fields/section-field';
import { Blocks, ColumnFields, Exceptions, HeldTo } from './column-fields';
import { Findings } from './findings';
import { CeilingFields } from './ceiling-fields';
import { CoreFields, InCore } from './core-fields';
import { FoundationFields } from './foundation-fields';
import { RoofFields } from './roof-fields';
import { TwoWalls } from './two-walls';
import { FloorFields } from './floor-fields';
import { LevelFields } from './level-fields';
import { LineFields } from './line-fields';
import { sayThing } from './sentence';
import { ShaftFields } from './shaft-fields';
import { BoundaryFields, RoomFields } from './room-fields';
import { StairFields } from './stair-fields';
import { WallFields } from './wall-fields';
import { ThingsHere } from './things-here';
import { SettingOutFields } from './setting-out-fields';
import { uiOf } from '../kinds/registry';
import { InPlanFields } from './in-plan-fields';

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
  if (own) return <own.Fields key={record.id} record={record} />;
  if (record?.kind === 'columnStack') return <ColumnFields stack={record} />;
  if (record?.kind === 'shaft') return <ShaftFields shaft={record} />;
  if (record?.kind === 'room') return <RoomFields room={record} />;
  if (record?.kind === 'boundaryLine') return <BoundaryFields line={record} />;
  if (record?.kind === 'wall') return <WallFields wall={record} />;
  if (record?.kind === 'stair') return <StairFields stair={record} />;
  if (record?.kind === 'floorPlate') return <FloorFields plate={record} />;
  if (record?.kind === 'foundation') return <FoundationFields foundation={record} />;
  if (record?.kind === 'ceiling') return <CeilingFields ceiling={record} />;
  if (record?.kind === 'core') return <CoreFields core={record} />;
  if (record?.kind === 'roof') return <RoofFields roof={record} />;
  if (record?.kind === 'gridLine') return <LineFields line={record} />;
  if (record?.kind === 'settingOutLine') return <SettingOutFields line={record} />;
  if (record?.kind === 'level') return <LevelFields level={record} />;
  return null;
}

/** What is done to several columns at once. */
function SeveralColumns({ columns }: { columns: string[] }) {
  const { framework, run } = useSlice('framework', 'run');
  const first = framework.records.get(columns[0]!);
  if (first?.kind !== 'columnStack') return null;
  return (
    <div className="flex flex-col gap-1.5">
      <SectionField
        label={`Section of ${columns.length} columns`}
        section={sectionMm(framework, first.section)}
        onCommit={(section) => run('columns.change', { columns, section })}
      />
      <HeldTo columns={columns} />
      <Exceptions columns={columns} />
      <Blocks columns={columns} />
    </div>
  );
}

function Several({ ids }: { ids: string[] }) {
  const { framework, run, say, select, mayEdit } = useSlice('framework', 'run', 'say', 'select', 'mayEdit');
  const columns = ids.filter((id) => framework.records.get(id)?.kind === 'columnStack');
  const records = ids.flatMap((id) => framework.records.get(id) ?? []);
  const isCore = records.every((record) => kindOf(record).inCores);
  const [a, b, more] = records;
  return (
    <header className="flex flex-col gap-2">
      <h2 className="text-[15px] font-bold">{ids.length} things chosen</h2>
      {mayEdit && (
        <>
          {columns.length > 1 && <SeveralColumns columns={columns} />}
          {a?.kind === 'wall' && b?.kind === 'wall' && !more && <TwoWalls key={ids.join()} walls={[a, b]} />}
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
