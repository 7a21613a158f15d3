import { readLevelsIfc } from '@/formats/ifc/read-levels';
import { readLevelsXlsx } from '@/formats/xlsx/read-levels';
import { expose } from 'comlink';
import { recogniseColumns } from '@/core/importing/recognise-columns';
import { recogniseGrid } from '@/core/importing/recognise-grid';
import type { Sheet } from '@/core/importing/sheet';
import type { Rec } from '@/core/model/record';
import type { LengthUnit } from '@/core/units/length-units';
import { readLevelsCsv } from '@/formats/csv/read-levels';

/** Reads what other people's files mean, apart from the page, so it can be ended when it takes too long. */
const importWorker = {
  levels: (bytes: Uint8Array, name: string, unit: LengthUnit | undefined) =>
    /\.xlsx$/i.test(name)
      ? readLevelsXlsx(bytes, { unit })
      : Promise.resolve(
          (/\.ifc$/i.test(name) ? readLevelsIfc : readLevelsCsv)(new TextDecoder().decode(bytes), { unit }),
        ),
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
