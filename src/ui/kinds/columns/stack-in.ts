import type { ColumnStack } from '@/core/columns/column';

/** The column stack with an id. */
export const stackIn = (project: { framework: { records: ReadonlyMap<string, unknown> } }, id: string) =>
  project.framework.records.get(id) as ColumnStack | undefined;
