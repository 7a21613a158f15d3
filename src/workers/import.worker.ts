import { expose } from 'comlink';
import { recogniseColumns } from '@/core/importing/recognise-columns';
import { recogniseGrid } from '@/core/importing/recognise-grid';
import type { Sheet } from '@/core/importing/sheet';
import type { Rec } from '@/core/model/kinds';
import type { LengthUnit } from '@/core/units/length-units';

/** Reads what other people's files mean, apart from the page, so it can be ended when it takes too long. */
const importWorker = {
  grid: (sheet: Sheet, choice: { unit?: LengthUnit; layer?: string }) => recogniseGrid(sheet, choice),
  columns: (
    records: Record<string, Rec>,
    building: string,
    sheet: Sheet,
    choice: { unit?: LengthUnit; layer?: string },
  ) => recogniseColumns({ records: new Map(Object.entries(records)) }, building, sheet, choice),
};

export type ImportWorker = typeof importWorker;

expose(importWorker);
