'use client';

import type { ColumnStack } from '@/core/columns/column';
import { sectionMm } from '@/core/columns/section-shape';
import { SectionField } from '../../fields/section-field';
import { useSlice } from '../../session/store';
import { Blocks } from './column-blocks';
import { Exceptions } from './column-exceptions';
import { HeldTo } from './column-held';

/** What is done to several columns at once. */
export function SeveralColumns({ records }: { records: readonly ColumnStack[] }) {
  const { framework, run } = useSlice('framework', 'run');
  const [first, second] = records;
  if (!first || !second) return null;
  const columns = records.map(({ id }) => id);
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
