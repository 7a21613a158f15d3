import { done, refuse, type Result } from '../model/result';
import { formatLength } from './format-length';
import { readToken, type LexerFault } from './length-lexer';
import { LONGEST_MM, quantiseMm } from './length-units';
import { parseLength, type Length, type LengthContext } from './parse-length';

export interface ParsedBays {
  baysMm: number[];
  /** What to store for each: the number, or the expression where it names a dimension. */
  stored: Length[];
  /** True when the person typed distances from the first line, `0 8100 13500`, instead of bays. */
  running: boolean;
}

const MOST_BAYS = 500;
const EXAMPLE = `like 5@8100, 3@28' 22' 2@28', 2*typical+150 or running 0 8100 13500`;

/**
 * Reads a list of bays, `n@length` or single lengths parted by spaces, commas or semicolons, or a list of
 * running distances (it starts with 0). Bays are millimetres, each above zero. A length may be worked out, without
 * spaces but in brackets: `2*7.5m+150`, `(36m - 600)/4`, `typical-slab`.
 */
export function parseBays(text: string, context: LengthContext = {}): Result<ParsedBays> {
  const decimal = context.decimal ?? '.';
  const values: number[] = [];
  const stored: Length[] = [];
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
    const end = endOfLength(text, at, decimal);
    if (typeof end !== 'number') return refuse(`${end.message} (${EXAMPLE})`, { at: end.at });
    const read = parseLength(text.slice(start, end), { ...context, decimal });
    if (!read.ok)
      return refuse(read.refusal.message.replace(/ \(like .*\)$/, ` (${EXAMPLE})`), {
        at: start + (read.refusal.at ?? 0),
      });
    const { mm } = read.value;
    const isRunningStart = values.length === 0 && mm === 0 && !times;
    if (mm <= 0 && !isRunningStart) return refuse(`A bay must be longer than zero (${EXAMPLE})`, { at: start });
    if (mm > LONGEST_MM) return refuse('That bay is longer than 1000 km; check the unit', { at: start });
    at = end;
    for (let i = 0; i < count; i += 1) {
      values.push(mm);
      stored.push(read.value.stored);
    }
    if (values.length > MOST_BAYS) return refuse(`At most ${MOST_BAYS} bays in one list`, { at: start });
    const gap = skip(/^\s*[,;]\s*|^\s+/);
    if (!gap && at < text.length) return refuse(`Part two bays with a space or a comma (${EXAMPLE})`, { at });
    if (gap && /[,;]/.test(gap[0]) && at >= text.length)
      return refuse(`A bay is missing at the end (${EXAMPLE})`, { at });
  }
  if (values[0] !== 0) return done({ baysMm: values, stored, running: false });
  if (repeated) return refuse(`Running distances cannot be repeated with @ (${EXAMPLE})`, { at: 0 });
  if (values.length < 2) return refuse(`Running distances need at least two lines (${EXAMPLE})`, { at: 0 });
  const bays = values.slice(1).map((value, i) => quantiseMm(value - values[i]!));
  const wrong = bays.findIndex((bay) => bay <= 0);
  if (wrong >= 0) return refuse(`Running distances must grow: distance ${wrong + 2} does not (${EXAMPLE})`, { at: 0 });
  return done({ baysMm: bays, stored: bays, running: true });
}

/** Where a length of a list ends: behind what is worked out together, which no space parts outside of brackets. */
function endOfLength(text: string, from: number, decimal: '.' | ','): number | LexerFault {
  let [at, depth, isOpen] = [from, 0, true];
  while (isOpen) {
    const token = readToken(text, at, { decimal, spacesGroupThousands: false });
    if ('message' in token) return token;
    const sign = token.kind === 'sign' ? token.sign : null;
    if (sign === '(') depth += 1;
    else if (sign === ')') depth -= 1;
    at = token.end;
    const spaces = depth > 0 ? /^\s*/.exec(text.slice(at))![0].length : 0;
    if (depth > 0) at += spaces;
    // A sign asks for more; brackets are closed first; a sign right behind a length goes on.
    isOpen = at < text.length && (depth > 0 || (sign !== null && sign !== ')') || /^[-+*/×÷−–]/.test(text.slice(at)));
  }
  return at;
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
