import Papa from 'papaparse';
import { readLevelTable, type LevelTable } from '@/core/importing/level-table';
import { refuse, type Result } from '@/core/model/result';
import type { LengthUnit } from '@/core/units/length-units';

/** Signs that part cells, the ones that are never a decimal sign first. */
const DELIMITERS = [';', '\t', '|', ','];
const MOST_CHARACTERS = 2_000_000;

/** Reads a level table from CSV text: comma, semicolon, tab or bar between cells, headings recognised by meaning. */
export function readLevelsCsv(text: string, choice: { unit?: LengthUnit } = {}): Result<LevelTable> {
  if (text.length > MOST_CHARACTERS) return refuse('The table is larger than 2 MB. A level table has a row per level');

  if (/\u0000/.test(text)) return refuse('This is not a text file. Save the table as CSV');
  const clean = text.replace(/^\uFEFF/, '');
  const tables = DELIMITERS.map((delimiter) => {
    const cells = Papa.parse<string[]>(clean, { delimiter }).data;
    return { cells: Math.max(0, ...cells.map((row) => row.length)), table: readLevelTable(cells, choice) };
  });
  // A comma may part cells or decimals: the table is read with each sign, and the reading that makes sense is taken.
  const most = tables.reduce((best, other) => (other.cells > best.cells ? other : best));
  return (tables.find(({ table }) => table.ok) ?? most).table;
}
