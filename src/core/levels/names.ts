/** Patterns for the names of levels set up in one go: `{n}` is the running number, `{nn}` with two digits. */
export interface NamePatterns {
  basement: string;
  ground: string;
  upper: string;
  roof: string;
}

export const USUAL_NAMES: NamePatterns = { basement: 'B{n}', ground: '00', upper: '{nn}', roof: 'RF' };

/** Name of the n-th level under a pattern. */
export const nameFrom = (pattern: string, n: number): string =>
  pattern.replaceAll('{nn}', String(n).padStart(2, '0')).replaceAll('{n}', String(n));

/** The numbers 1, 2, 3 … without the skipped ones, `count` of them. */
export function numbersWithout(count: number, skip: readonly number[]): number[] {
  const numbers: number[] = [];
  for (let n = 1; numbers.length < count; n += 1) if (!skip.includes(n)) numbers.push(n);
  return numbers;
}

/** A name not yet taken, from a wanted one: `01`, else `01a`, `01b` … */
export function freeName(wanted: string, taken: ReadonlySet<string>): string {
  if (!taken.has(wanted)) return wanted;
  for (let i = 0; ; i += 1) {
    const letters = String.fromCharCode(97 + (i % 26)).repeat(Math.floor(i / 26) + 1);
    if (!taken.has(wanted + letters)) return wanted + letters;
  }
}

/** Name for a level above the topmost or below the lowest: the number in the name goes on by one. */
export function nextName(name: string): string {
  const match = /^(.*?)(\d+)(\D*)$/.exec(name);
  if (!match) return `${name}+`;
  const digits = match[2]!;
  return match[1]! + String(Number(digits) + 1).padStart(digits.length, '0') + match[3]!;
}

/** A level next to the place where a new one goes. */
interface Beside {
  name: string;
  isBasement: boolean;
}

/**
 * A name that fits between its neighbours: the running number goes on where there is room for it, also at a number that was
 * skipped, else a letter is added. Basements count downwards; under a ground floor they begin.
 */
export function fittingName(below: Beside | null, above: Beside | null, taken: ReadonlySet<string>): string {
  if (!below) return freeName(!above ? '00' : above.isBasement ? nextName(above.name) : 'B1', taken);
  const from = above?.isBasement ? above : below.isBasement ? null : below;
  const counted = from && /\d$/.test(from.name) ? nextName(from.name) : null;
  if (counted !== null && !taken.has(counted)) return counted;
  // 02a goes on as 02b.
  if (above) return freeName(below.name.replace(/(?<=\d)[a-z]+$/, ''), taken);
  // Over the top of all, where the name says no number: the number after those below.
  const highest = [...taken].filter((name) => /^\d+$/.test(name)).sort((a, b) => Number(b) - Number(a))[0];
  return freeName(counted ?? nextName(highest ?? below.name), taken);
}
