import { done, refuse, type Result } from '../model/result';
import { formatLength } from './format-length';
import { readToken } from './length-lexer';
import { LONGEST_MM, MM_PER_UNIT, quantiseMm } from './length-units';
import type { LengthContext } from './parse-length';

export interface ParsedBays {
  baysMm: number[];
  /** True when the person typed distances from the first line, `0 8100 13500`, instead of bays. */
  running: boolean;
}

const MOST_BAYS = 500;
const EXAMPLE = `like 5@8100, 3@28' 22' 2@28' or running 0 8100 13500`;

/**
 * Reads a list of bays, `n@length` or single lengths parted by spaces, commas or semicolons, or a list of
 * running distances (it starts with 0). Bays are millimetres, each above zero.
 */
export function parseBays(text: string, context: LengthContext = {}): Result<ParsedBays> {
  const decimal = context.decimal ?? '.';
  const bareMm = MM_PER_UNIT[context.unit ?? 'mm'];
  const values: number[] = [];
  let repeated = false;
  let at = 0;
  const skip = (pattern: RegExp) => {
    const match = pattern.exec(text.slice(at));
    if (match) at += match[0].length;
    return match;
  };
  skip(/^\s+/);
  if (at === text.length) return refuse(`Type the bays, ${EXAMPLE}`, { at: 0 });
  while (at < text.length) {
    let count = 1;
    const times = skip(/^(\d+)\s*@\s*/);
    if (times) {
      count = Number(times[1]);
      repeated = true;
      if (count < 1 || count > MOST_BAYS) return refuse(`Repeat a bay 1 to ${MOST_BAYS} times (${EXAMPLE})`, { at });
    }
    const start = at;
    if (at >= text.length) return refuse(`A length is missing after @ (${EXAMPLE})`, { at });
    const token = readToken(text, at, { decimal, spacesGroupThousands: false });
    if ('message' in token) return refuse(`${token.message} (${EXAMPLE})`, { at: token.at });
    let mm: number;
    if (token.kind === 'number') mm = token.value * bareMm;
    else if (token.kind === 'length') mm = token.mm;
    else if (token.kind === 'name') {
      const found = context.named?.(token.name);
      if (!found) return refuse(`There is no dimension named "${token.name}" (${EXAMPLE})`, { at: start });
      mm = found.mm;
    } else return refuse(`A bay is a plain length here (${EXAMPLE})`, { at: start });
    mm = quantiseMm(mm);
    const isRunningStart = values.length === 0 && mm === 0 && !times;
    if (mm <= 0 && !isRunningStart) return refuse(`A bay must be longer than zero (${EXAMPLE})`, { at: start });
    if (mm > LONGEST_MM) return refuse('That bay is longer than 1000 km; check the unit', { at: start });
    at = token.end;
    for (let i = 0; i < count; i += 1) values.push(mm);
    if (values.length > MOST_BAYS) return refuse(`At most ${MOST_BAYS} bays in one list`, { at: start });
    const gap = skip(/^\s*[,;]\s*|^\s+/);
    if (!gap && at < text.length) return refuse(`Part two bays with a space or a comma (${EXAMPLE})`, { at });
    if (gap && /[,;]/.test(gap[0]) && at >= text.length)
      return refuse(`A bay is missing at the end (${EXAMPLE})`, { at });
  }
  if (values[0] !== 0) return done({ baysMm: values, running: false });
  if (repeated) return refuse(`Running distances cannot be repeated with @ (${EXAMPLE})`, { at: 0 });
  if (values.length < 2) return refuse(`Running distances need at least two lines (${EXAMPLE})`, { at: 0 });
  const bays = values.slice(1).map((value, i) => quantiseMm(value - values[i]!));
  const wrong = bays.findIndex((bay) => bay <= 0);
  if (wrong >= 0) return refuse(`Running distances must grow: distance ${wrong + 2} does not (${EXAMPLE})`, { at: 0 });
  return done({ baysMm: bays, running: true });
}

/** The shortest n@ form of a list of bays, each written by `write`: `2@7200 3600 3@7200`. */
export function formatBays(baysMm: readonly number[], write: (mm: number) => string = String): string {
  const parts: string[] = [];
  for (let i = 0; i < baysMm.length;) {
    let end = i;
    while (end < baysMm.length && baysMm[end] === baysMm[i]) end += 1;
    parts.push(end - i > 1 ? `${end - i}@${write(baysMm[i]!)}` : write(baysMm[i]!));
    i = end;
  }
  return parts.join(' ');
}

/** A list of bays as a sentence of the core says it: `2@7200 3600 mm`. */
export const saidBays = (baysMm: readonly number[]): string => `${formatBays(baysMm, (mm) => formatLength(mm))} mm`;
