import { ColumnTable } from './column-table';
import { defineKindUi, none } from '../kind-ui';
import { ColumnFields } from './column-fields';
import { ColumnsTool } from './columns-tool';
import { SeveralColumns } from './several-columns';

export const columnUi = defineKindUi({
  kind: 'columnStack',
  fields: { Fields: ColumnFields },
  several: { Several: SeveralColumns },
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: { words: 'Columns', Table: ColumnTable },
  tool: { step: 'columns', way: 'columns', words: 'Columns', Tool: ColumnsTool },
});
