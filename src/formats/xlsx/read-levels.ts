import { readSheet } from 'read-excel-file/universal';
import { readLevelTable, type LevelTable } from '@/core/importing/level-table';
import { refuse, type Result } from '@/core/model/result';
import type { LengthUnit } from '@/core/units/length-units';

const MOST_BYTES = 5_000_000;
/** Every zip archive begins so. */
const ZIP = [0x50, 0x4b, 0x03, 0x04];

/** Reads a level table from the first sheet of a workbook; headings are recognised by meaning as in CSV. */
export async function readLevelsXlsx(
  bytes: Uint8Array,
  choice: { unit?: LengthUnit } = {},
): Promise<Result<LevelTable>> {
  if (bytes.length > MOST_BYTES) return refuse('The workbook is larger than 5 MB. A level table has a row per level');
  if (ZIP.some((byte, i) => bytes[i] !== byte))
    return refuse('This is not an XLSX workbook. Save the table as XLSX or CSV');
  let rows: unknown[][];
  try {
    rows = await readSheet(new Blob([bytes as Uint8Array<ArrayBuffer>]));
  } catch {
    return refuse('The workbook could not be read. Save the table anew as XLSX or CSV');
  }
  const text = (cell: unknown): string => (cell === null || cell === undefined ? '' : String(cell));
  return readLevelTable(
    rows.map((row) => row.map(text)),
    { ...choice, byProgram: true },
  );
}
