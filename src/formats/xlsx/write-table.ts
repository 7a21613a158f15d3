import writeExcelFile from 'write-excel-file/universal';
import type { Table } from '@/core/schedules/table';

/** Writes a table as one sheet of a workbook: headings in bold, numbers as numbers. */
export async function writeTableXlsx(table: Table): Promise<Uint8Array> {
  const headings = table.columns.map(({ heading }) => ({ value: heading, fontWeight: 'bold' as const }));
  const rows = table.rows.map((row) => row.map((value) => (value === null || value === '' ? null : { value })));
  const blob = await writeExcelFile([headings, ...rows], {
    sheet: table.title.replace(/[[\]:*?/\\]/g, ' ').slice(0, 31),
    columns: table.columns.map(({ heading, isNumber }) => ({
      width: isNumber ? 14 : Math.max(12, heading.length + 2),
    })),
  }).toBlob();
  return new Uint8Array(await blob.arrayBuffer());
}
