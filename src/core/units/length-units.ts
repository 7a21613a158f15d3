/** Millimetres per unit. The foot and inch are the international ones (1 in = 25.4 mm, ISO 80000-3 annex). */
export const MM_PER_UNIT = { mm: 1, cm: 10, m: 1000, inch: 25.4, ft: 304.8 } as const;

export type LengthUnit = keyof typeof MM_PER_UNIT;

export const LENGTH_UNITS = Object.keys(MM_PER_UNIT) as LengthUnit[];

/** Spellings accepted after a number, lower case. */
const SPELLINGS: Record<string, LengthUnit> = {
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  in: 'inch',
  inch: 'inch',
  inches: 'inch',
  '"': 'inch',
  '″': 'inch',
  '”': 'inch',
  "''": 'inch',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
  "'": 'ft',
  '′': 'ft',
  '’': 'ft',
};

export const unitSpelled = (text: string): LengthUnit | undefined =>
  Object.hasOwn(SPELLINGS, text) ? SPELLINGS[text] : undefined;

/** The longest length the program takes, 1000 km: coordinates beyond lose their micrometres. */
export const LONGEST_MM = 1e9;

/** Rounds to the model's grain, 1e-6 mm, and turns −0 into 0. */
export function quantiseMm(mm: number): number {
  const rounded = Math.round(mm * 1e6) / 1e6;
  return rounded === 0 ? 0 : rounded;
}
