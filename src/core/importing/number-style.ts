import { MM_PER_UNIT, type LengthUnit } from '../units/length-units';

/** How the numbers of a column are written: which sign comes before decimals, and which parts thousands. */
export interface NumberStyle {
  decimal: '.' | ',';
  groups: '.' | ',' | null;
}

const hasGroups = (cell: string, sign: '.' | ','): boolean =>
  (sign === '.' ? /^\D*[1-9]\d{0,2}(\.\d{3})+(?!\d|\.)/ : /^\D*[1-9]\d{0,2}(,\d{3})+(?!\d|,)/).test(cell);

/**
 * How a column writes its numbers. Where both signs stand in one number, the last is before decimals. A sign alone parts thousands where it
 * does so in every cell and the column is in millimetres: 4,200 is a storey there, and 4.2 mm is none. Programs write numbers without such
 * signs: a point `byProgram` is before decimals.
 */
export function numberStyleOf(cells: readonly string[], unit: LengthUnit | null, byProgram = false): NumberStyle {
  const both = cells.find((cell) => /\d,\d/.test(cell) && /\d\.\d/.test(cell));
  if (both) return both.lastIndexOf(',') > both.lastIndexOf('.') ? GROUPED_BY_POINTS : GROUPED_BY_COMMAS;
  for (const [sign, grouped] of [
    [',', GROUPED_BY_COMMAS],
    ['.', GROUPED_BY_POINTS],
  ] as const) {
    const holding = cells.filter((cell) => (sign === ',' ? /\d,\d/ : /\d\.\d/).test(cell));
    const mayGroup = unit === 'mm' && !(byProgram && sign === '.');
    if (mayGroup && holding.length > 0 && holding.every((cell) => hasGroups(cell, sign))) return grouped;
    // A sign of its own is before decimals.
    if (holding.length > 0) return { decimal: sign, groups: null };
  }
  return { decimal: '.', groups: null };
}

const GROUPED_BY_COMMAS: NumberStyle = { decimal: '.', groups: ',' };
const GROUPED_BY_POINTS: NumberStyle = { decimal: ',', groups: '.' };

/** A number without the signs that part its thousands: 12,600 and 12'600 are 12600. A foot mark has no three digits behind it. */
export function ungrouped(cell: string, { groups }: NumberStyle): string {
  const plain = cell.replace(/(?<!\d)\d{1,3}(['’]\d{3})+(?!\d)/g, (text) => text.replace(/['’]/g, ''));
  return groups === null ? plain : plain.replaceAll(groups, '');
}

/** Metres if every value could be a building's height in metres, else millimetres. */
export function guessedUnit(cells: readonly string[], style: NumberStyle): LengthUnit {
  const values = cells
    .map((cell) =>
      Math.abs(
        Number(
          ungrouped(cell, style)
            .replace(style.decimal, '.')
            .replace(/[^\d.-]/g, ''),
        ),
      ),
    )
    .filter(Number.isFinite);
  return Math.max(0, ...values) * MM_PER_UNIT.m <= 1e6 && values.some((value) => value !== 0) ? 'm' : 'mm';
}
