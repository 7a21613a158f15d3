import fc from 'fast-check';
import { readLevelTable } from './level-table';
import { numberStyleOf, ungrouped } from './number-style';

/** How somebody writes the numbers of a table. */
interface Style {
  unit: 'mm' | 'cm' | 'm' | 'ft';
  /** Before decimals; and between thousands, where they are parted. */
  decimal: '.' | ',';
  groups: '' | ' ' | "'" | '.' | ',';
  sign: '' | '+';
  /** How the heading says its unit; null: not at all. */
  heading: ((unit: string) => string) | null;
}

const MM = { mm: 1, cm: 10, m: 1000, ft: 304.8 } as const;
const styles: fc.Arbitrary<Style> = fc
  .record({
    unit: fc.constantFrom<Style['unit']>('mm', 'cm', 'm', 'ft'),
    decimal: fc.constantFrom<Style['decimal']>('.', ','),
    groups: fc.constantFrom<Style['groups']>('', ' ', "'", '.', ','),
    sign: fc.constantFrom<Style['sign']>('', '+'),
    heading: fc.constantFrom(
      (unit: string) => ` (${unit})`,
      (unit: string) => ` [${unit}]`,
      (unit: string) => `, ${unit}`,
      (unit: string) => ` ${unit}`,
    ),
  })
  .filter(({ groups, decimal }) => groups !== decimal);
const levels = fc
  .uniqueArray(fc.integer({ min: -900, max: 9000 }), { minLength: 1, maxLength: 30 })
  .map((quarters) =>
    quarters.map((each, i) => ({ name: `L${i}`, mm: each * 25, buildUpMm: (Math.abs(each) % 7) * 25 })),
  );

/** Written with the fewest decimals that say it, at most four. */
function written(mm: number, { unit, decimal, groups, sign }: Style): string {
  const [whole, part = ''] = String(Math.abs(Math.round((mm / MM[unit]) * 1e4) / 1e4)).split('.');
  const grouped = whole!.replace(/\B(?=(\d{3})+$)/g, groups);
  return `${mm < 0 ? '-' : mm > 0 ? sign : ''}${grouped}${part === '' ? '' : decimal}${part}`;
}
const read = (cells: string[][], choice: Parameters<typeof readLevelTable>[1] = {}) => {
  const table = readLevelTable(cells, choice);
  if (!table.ok) throw new Error(table.refusal.message);
  return table.value;
};

describe('a table of levels', () => {
  it('is read as it was meant, in any unit, with its columns in any order, however its numbers are written', () => {
    fc.assert(
      fc.property(levels, styles, fc.shuffledSubarray([0, 1, 2, 3], { minLength: 4 }), (list, style, order) => {
        const columns = [
          ['Level', ...list.map(({ name }) => name)],
          [`FFL${style.heading!(style.unit)}`, ...list.map(({ mm }) => written(mm, style))],
          ['Build-up (mm)', ...list.map(({ buildUpMm }) => String(buildUpMm))],
          ['Description', ...list.map(({ name }) => `the one called ${name}`)],
        ];
        const cells = columns[0]!.map((_, row) => order.map((column) => columns[column]![row]!));
        const elevations = columns[1]!.slice(1);
        // Three digits behind a lone sign are thousands in millimetres only; otherwise some number has to have both signs.
        const hasSign = style.groups === '.' || style.groups === ',';
        fc.pre(style.unit === 'mm' || !hasSign || elevations.some(isClear));
        const { rows } = read(cells);
        expect(rows.map(({ name, title, fflMm, buildUpMm }) => [name, title, fflMm, buildUpMm])).toEqual(
          list.map(({ name, mm, buildUpMm }) => [
            name,
            `the one called ${name}`,
            // Feet are written to four decimals.
            style.unit === 'ft' ? expect.closeTo(mm, 1) : mm,
            buildUpMm,
          ]),
        );
      }),
      { numRuns: 400 },
    );
  });
  /** Says by itself which sign is which: both stand in it. */
  const isClear = (cell: string): boolean => cell.includes(',') && cell.includes('.');

  it('written by a program keeps every decimal: a point in it never parts thousands', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -9_000_000, max: 9_000_000 }), { minLength: 1, maxLength: 9 }), (list) => {
        const cells = [['Level', 'Elevation (mm)'], ...list.map((each, i) => [`L${i}`, String(each / 1000)])];
        expect(read(cells, { byProgram: true }).rows.map(({ fflMm }) => fflMm)).toEqual(
          list.map((each) => each / 1000 || 0),
        );
      }),
    );
  });

  it('says how it was read: the sign before decimals, the one between thousands, the unit it was taken in', () => {
    const notes = (heading: string, ...cells: string[]) =>
      read([['Level', heading], ...cells.map((cell, i) => [`L${i}`, cell])]).notes;
    expect(notes('FFL (m)', '0', '4.2')).toEqual([]);
    expect(notes('FFL (m)', '0', '4,2')).toEqual(['The comma is read as the decimal sign']);
    expect(notes('FFL (mm)', '0', '4,200')).toEqual(['The comma is read as parting thousands']);
    expect(notes('FFL (mm)', '0', '4.200')).toEqual(['The point is read as parting thousands']);
    expect(notes('FFL', '0', '4,200')).toEqual(['The comma is read as the decimal sign', 'FFL has no unit: read as m']);
    expect(notes('FFL', '0', '4,200.0')).toEqual([
      'The comma is read as parting thousands',
      'FFL has no unit: read as mm',
    ]);
  });
});

describe('how numbers are written', () => {
  it('is told from both signs, from a sign that parts thousands everywhere, or from decimals', () => {
    const style = (...cells: string[]) => {
      const { decimal, groups } = numberStyleOf(cells, 'mm');
      return `${decimal} ${groups ?? 'none'}`;
    };
    expect(style('4200', '8400')).toBe('. none');
    expect(style('4200.5')).toBe('. none');
    expect(style('4200,5')).toBe(', none');
    expect(style('4,200', '12,600', '0')).toBe('. ,');
    expect(style('4,200', '12,6')).toBe(', none');
    expect(style('1.012.600')).toBe(', .');
    expect(style('1,012,600.25')).toBe('. ,');
    expect(style('1.012.600,25')).toBe(', .');
    expect(style('0.125', '0.250')).toBe('. none');
    expect(numberStyleOf(['4,200'], 'm')).toEqual({ decimal: ',', groups: null });
    expect(numberStyleOf(['4.200'], 'mm', true)).toEqual({ decimal: '.', groups: null });
  });

  it('takes apostrophes out between thousands only: feet and inches keep theirs', () => {
    const plain = { decimal: '.', groups: null } as const;
    expect(["12'600", '1’012’600', '11\'-4 1/2"', "13'", "5'6"].map((cell) => ungrouped(cell, plain))).toEqual([
      '12600',
      '1012600',
      '11\'-4 1/2"',
      "13'",
      "5'6",
    ]);
  });
});
