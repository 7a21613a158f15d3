/**
 * A drawing's scale as it is spoken of: `1 : 100`; in feet, inches on paper to a foot, like `1/8" = 1'-0"`, or feet to an
 * inch, like `1" = 40'-0"`. A scale that is neither stays a ratio.
 */
export function scaleWords(scale: number, system: 'metric' | 'imperial'): string {
  if (system === 'imperial') {
    // Inches on paper to a foot, as a fraction of two's powers.
    for (const below of [1, 2, 4, 8, 16, 32]) {
      const above = (12 * below) / scale;
      if (Number.isInteger(above) && above < 12 * below)
        return `${below === 1 ? above : `${above}/${below}`}" = 1'-0"`.replace(/^(\d+)\/(\d+)/, mixed);
    }
    if (scale % 12 === 0) return `1" = ${scale / 12}'-0"`;
  }
  return `1 : ${scale}`;
}

/** An improper fraction with its whole part first: 3/2 is 1 1/2. */
const mixed = (_: string, above: string, below: string): string => {
  const [n, d] = [Number(above), Number(below)];
  return n < d ? `${n}/${d}` : `${Math.floor(n / d)} ${n % d}/${d}`;
};
