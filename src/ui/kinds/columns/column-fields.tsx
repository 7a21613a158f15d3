'use client';

import { MATERIALS, type ColumnStack } from '@/core/columns/column';
import { TextField } from '../../fields/fields';
import { useProject, useSlice } from '../../session/store';
import {
  angle,
  BUILDING,
  choice,
  end,
  ID,
  KIND,
  own,
  place,
  section,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { none } from '@/core/kinds/kind';
import { ThingPanel } from '../../details/thing-panel';
import type { Change } from '@/core/commands/command-inputs';
import { Blocks } from './column-blocks';
import { Exceptions } from './column-exceptions';
import { HeldTo } from './column-held';

const FIELDS: FieldsOf<ColumnStack, Change<'columns.change', 'column' | 'columns'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: own(Mark),
  section: section('Section'),
  material: choice(
    'Material',
    MATERIALS.map((material) => [material, material] as const),
  ),
  place: place('Stands at'),
  turnDeg: angle('Turned'),
  startsAt: end('Starts at'),
  stopsAt: end('Stops at', { mayBeRoof: true }),
  holds: own(({ record }) => <HeldTo columns={[record.id]} />),
  exceptions: own(({ record }) => <Exceptions columns={[record.id]} />),
  head: own(({ record }) => <Blocks columns={[record.id]} />),
  thickening: none('It is shown with the head'),
  blocksAt: none('It is shown with the head'),
  carriedBy: own(CarriedBy),
};

/** Fields of a column stack. */
export function ColumnFields({ record: stack }: { record: ColumnStack }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={stack}
      fields={FIELDS}
      give={(part) => run('columns.change', { column: stack.id, ...part })}
      remove="Delete this column stack"
    />
  );
}

/** Its own mark, or that of its crossing where it has none. */
function Mark({ record: stack }: { record: ColumnStack }) {
  const { solved, run, mayEdit } = useSlice('solved', 'run', 'mayEdit');
  return (
    <TextField
      label="Mark"
      value={solved?.columns.find((piece) => piece.stack === stack.id)?.mark ?? ''}
      disabled={!mayEdit}
      onCommit={(name) => run('columns.change', { column: stack.id, name: name.trim() === '' ? null : name })}
    />
  );
}

/** What carries it at the levels it resumes at. */
function CarriedBy({ record: stack }: { record: ColumnStack }) {
  const { solved, run, mayEdit } = useSlice('solved', 'run', 'mayEdit');
  return stack.carriedBy.map(({ level, words }) => (
    <TextField
      key={level}
      label={`At ${solved?.levels.find(({ id }) => id === level)?.name ?? ''} carried by`}
      value={words}
      disabled={!mayEdit}
      onCommit={(typed) => run('columns.carriedBy', { column: stack.id, level, words: typed })}
    />
  ));
}
