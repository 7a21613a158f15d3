import Papa from 'papaparse';
import { readLevelTable, type LevelTable } from '@/core/importing/level-table';
import { refuse, type Result } from '@/core/model/result';
import type { LengthUnit } from '@/core/units/length-units';

const MOST_CHARACTERS = 2_000_000;

/** Reads a level table from CSV text: comma, semicolon, tab or bar between cells, headings recognised by meaning. */
export function readLevelsCsv(text: string, choice: { unit?: LengthUnit } = {}): Result<LevelTable> {
  if (text.length > MOST_CHARACTERS) return refuse('The table is larger than 2 MB. A level table has a row per level');

  if (/\u0000/.test(text)) return refuse('This is not a text file. Save the table as CSV');
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: false,
    delimitersToGuess: [',', ';', '\t', '|'],
  });
  return readLevelTable(parsed.data, choice);
}
