import Papa from 'papaparse';
import type { Table } from '@/core/schedules/table';

/** Starts of texts that a spreadsheet would take for a formula. */
const FORMULA = /^[=+\-@\t\r]/;

/** Writes a table as CSV: commas between, a point for decimals, texts that look like formulas quoted as texts. */
export function writeTableCsv(table: Table): string {
  const cell = (value: string | number | null) =>
    typeof value === 'string' && FORMULA.test(value) ? `'${value}` : (value ?? '');
  const rows = [table.columns.map(({ heading }) => heading), ...table.rows.map((row) => row.map(cell))];
  return `${Papa.unparse(rows, { newline: '\r\n' })}\r\n`;
}
