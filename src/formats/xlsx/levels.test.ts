import { levelSchedule } from '@/core/schedules/level-schedule';
import { solve } from '@/core/solving/solve';
import { FURNISHED, given } from '@/core/testing/given';
import { readLevelsCsv } from '../csv/read-levels';
import { writeTableCsv } from '../csv/write-table';
import { readLevelsXlsx } from './read-levels';
import { writeTableXlsx } from './write-table';

const solved = solve(
  given(
    [
      ['levels.rename', { level: '01', title: '=Hall, "upper"' }],
      ['levels.setElevation', { level: '02', fflMm: `33'-5 9/16"`, mode: 'only' }],
    ],
    given(FURNISHED),
  ),
);
const table = levelSchedule(solved, solved.buildings[0]!.id);
const levels = solved.levels
  .map(({ name, fflMm, sslMm, levelKind }) => ({
    name,
    fflMm,
    buildUpMm: Math.round((fflMm - sslMm) * 1e6) / 1e6,
    levelKind,
  }))
  .reverse();

describe('the level schedule', () => {
  it('has a row per level from the top down, in the units its headings say', () => {
    expect(table.rows.map(([name]) => name).join(' ')).toBe('RF 04 03 02 01 00 B1 B2');
    expect(table.rows.at(-1)).toEqual(['B2', '', 'basement', -7.5, 3600, 100, -7.6]);
  });

  it('written as a workbook reads back as the same levels', async () => {
    const read = await readLevelsXlsx(await writeTableXlsx(table));
    if (!read.ok) throw new Error(read.refusal.message);
    expect(read.value.rows.map(({ title: _, kindIfNew: __, ...row }) => row)).toEqual(levels);
  });

  it('written as CSV reads back as the same levels, and no text of it is a formula', () => {
    const csv = writeTableCsv(table);
    expect(csv).toContain(`"'=Hall, ""upper"""`);
    const read = readLevelsCsv(csv);
    if (!read.ok) throw new Error(read.refusal.message);
    expect(read.value.rows.map(({ title: _, kindIfNew: __, ...row }) => row)).toEqual(levels);
  });
});

it('numbers of a workbook keep their decimals: no point in them parts thousands', async () => {
  const bytes = await writeTableXlsx({
    title: 'Levels',
    columns: [
      { heading: 'Level', isNumber: false },
      { heading: 'Elevation (mm)', isNumber: true },
    ],
    rows: [
      ['B1', -450.125],
      ['G', 0],
    ],
  });
  const read = await readLevelsXlsx(bytes);
  expect(read.ok && read.value.rows.map(({ fflMm }) => fflMm)).toEqual([-450.125, 0]);
});

it('a file that is no workbook is refused in words', async () => {
  const message = async (bytes: Uint8Array) => {
    const read = await readLevelsXlsx(bytes);
    return read.ok ? 'taken' : read.refusal.message;
  };
  expect(await message(Buffer.from('Level,FFL'))).toMatch(/not an XLSX/);
  expect(await message(Buffer.from([0x50, 0x4b, 3, 4, 9, 9, 9, 9]))).toMatch(/could not be read/);
  expect(await message((await writeTableXlsx(table)).subarray(0, 900))).toMatch(/could not be read/);
  expect(await message(new Uint8Array(5_000_001))).toMatch(/5 MB/);
});
