import { MM_PER_UNIT, unitSpelled, type LengthUnit } from './length-units';

/**
 * A piece of a typed length. `number` carries no unit yet; `length` is in millimetres; `name` is a named
 * dimension as typed; `reference` is a stored one, `{id}`.
 */
export type Token = { at: number; end: number } & (
  | { kind: 'number'; value: number }
  | { kind: 'length'; mm: number }
  | { kind: 'name'; name: string }
  | { kind: 'reference'; id: string }
  | { kind: 'sign'; sign: '+' | '-' | '*' | '/' | '(' | ')' }
);

export interface LexerOptions {
  decimal: '.' | ',';
  /** In a list, white space parts two lengths, so `3 450` is two numbers there and one number elsewhere. */
  spacesGroupThousands: boolean;
}

const FEET_MARK = `(?:'(?!')|′|’|ft\\b|feet\\b|foot\\b)`;
const INCH_MARK = `(?:''|"|″|”|inches\\b|inch\\b|in\\b)`;
const UNIT = /^\s*(mm|cm|m|inches|inch|in|feet|foot|ft)(?![\p{L}\d_])|^\s*(''|["″”'′’])/u;
const NAME = /^[\p{L}_][\p{L}\d_]*/u;
const REFERENCE = /^\{([0-9a-f-]{36})\}/;
const SIGNS: Record<string, '+' | '-' | '*' | '/' | '(' | ')'> = {
  '+': '+',
  '-': '-',
  '−': '-',
  '–': '-',
  '*': '*',
  '×': '*',
  '/': '/',
  '÷': '/',
  '(': '(',
  ')': ')',
};

const numberPattern = (decimal: '.' | ','): string =>
  decimal === ',' ? '(?:\\d+(?:[.,]\\d+)?|[.,]\\d+)' : '(?:\\d+(?:\\.\\d+)?|\\.\\d+)';

const toNumber = (text: string): number => Number(text.replace(',', '.').replace(/\s/g, ''));

/** Whole inches, a fraction, or both: `4`, `4.5`, `1/2`, `4 1/2`; behind feet also `4-1/2`. */
const inchPattern = (n: string, parted = '\\s+'): string =>
  `(?:(\\d+)(?:${parted})(\\d+)\\/(\\d+)|(\\d+)\\/(\\d+)|(${n}))`;
const BEHIND_FEET = '\\s+|[-–−]';

function inchesFrom(groups: (string | undefined)[]): number | null {
  const [whole, num, den, aloneNum, aloneDen, plain] = groups;
  if (plain !== undefined) return toNumber(plain);
  const top = Number(num ?? aloneNum);
  const bottom = Number(den ?? aloneDen);
  if (bottom === 0 || top >= bottom) return null;
  return Number(whole ?? 0) + top / bottom;
}

export interface LexerFault {
  at: number;
  message: string;
}

/** Reads one token that starts at `at` (no white space there), or says what is wrong. */
export function readToken(text: string, at: number, options: LexerOptions): Token | LexerFault {
  const rest = text.slice(at);
  const n = numberPattern(options.decimal);

  const feet = new RegExp(`^(${n})\\s*${FEET_MARK}`, 'u').exec(rest);
  if (feet) return readFeet(rest, at, feet, n, options.spacesGroupThousands);

  const inches = new RegExp(`^${inchPattern(n)}\\s*${INCH_MARK}`, 'u').exec(rest);
  if (inches) {
    const value = inchesFrom(inches.slice(1, 7));
    if (value === null) return { at, message: 'A fraction of an inch must be less than one, like 1/2"' };
    return { kind: 'length', mm: value * MM_PER_UNIT.inch, at, end: at + inches[0].length };
  }

  const mixed = /^(\d+)\s+(\d+)\/(\d+)(?![\d.,])/.exec(rest);
  if (mixed && options.spacesGroupThousands && Number(mixed[2]) < Number(mixed[3])) {
    const value = Number(mixed[1]) + Number(mixed[2]) / Number(mixed[3]);
    return withUnit(text, at, at + mixed[0].length, value);
  }

  const grouped = options.spacesGroupThousands
    ? new RegExp(`^\\d{1,3}(?:[ \\u00a0\\u202f]\\d{3})+(?:[${options.decimal}]\\d+)?(?!\\d)`, 'u').exec(rest)
    : null;
  const plain = grouped ?? new RegExp(`^${n}`, 'u').exec(rest);
  if (plain) {
    const end = at + plain[0].length;
    const next = text[end];
    if (next === '.' || (next === ',' && /^,\d/.test(text.slice(end)) && options.spacesGroupThousands)) {
      return {
        at: end,
        message:
          options.decimal === '.'
            ? 'Use a point for decimals and no comma within a number, like 3450 or 3.45m'
            : 'One decimal sign is enough, like 3,45m',
      };
    }
    return withUnit(text, at, end, toNumber(plain[0]));
  }

  const reference = REFERENCE.exec(rest);
  if (reference) return { kind: 'reference', id: reference[1]!, at, end: at + reference[0].length };
  const name = NAME.exec(rest);
  if (name) return { kind: 'name', name: name[0], at, end: at + name[0].length };
  const sign = SIGNS[rest[0]!];
  if (sign) return { kind: 'sign', sign, at, end: at + 1 };
  return { at, message: `"${rest[0]}" has no meaning in a length` };
}

/** Feet, with inches behind them if any: `11'`, `11'4"`, `11'-4 1/2"`, `11' - 4"`, `7'9`. */
function readFeet(rest: string, at: number, feet: RegExpExecArray, n: string, isAlone: boolean): Token | LexerFault {
  const feetMm = toNumber(feet[1]!) * MM_PER_UNIT.ft;
  const feetEnd = at + feet[0].length;
  const after = rest.slice(feet[0].length);
  const marked = new RegExp(`^\\s*[-–−]?\\s*${inchPattern(n, BEHIND_FEET)}\\s*${INCH_MARK}`, 'u').exec(after);
  // In a list a space parts two lengths: what is behind it says nothing of the inches.
  const further = isAlone ? '\\s*' : '';
  const unmarked = new RegExp(
    `^[-–−]?${inchPattern(n)}(?!${further}[\\d.*/×÷@]|${isAlone ? '\\s*,' : ',\\d'}|\\s*(?:mm|cm|m\\b|ft|feet|foot)|${further}['′’])`,
    'u',
  ).exec(after);
  const tail = marked ?? unmarked;
  if (!tail) {
    const spaced = new RegExp(`^\\s+[-–−]\\s*${n}\\s*(?:$|[-+)])`, 'u').exec(after);
    if (spaced) {
      return { at: feetEnd, message: `Say the unit after the dash: 11'-4" for feet and inches, or 11' - 4mm` };
    }
    return { kind: 'length', mm: feetMm, at, end: feetEnd };
  }
  const inches = inchesFrom(tail.slice(1, 7));
  if (inches === null) return { at: feetEnd, message: 'A fraction of an inch must be less than one, like 1/2"' };
  if (inches >= 12) return { at: feetEnd, message: 'Inches behind feet go up to 11 and a fraction' };
  return { kind: 'length', mm: feetMm + inches * MM_PER_UNIT.inch, at, end: feetEnd + tail[0].length };
}

function withUnit(text: string, at: number, end: number, value: number): Token {
  const match = UNIT.exec(text.slice(end));
  const unit: LengthUnit | undefined = match ? unitSpelled((match[1] ?? match[2])!) : undefined;
  if (!match || !unit) return { kind: 'number', value, at, end };
  return { kind: 'length', mm: value * MM_PER_UNIT[unit], at, end: end + match[0].length };
}

/** Splits a typed length into tokens. */
export function tokenise(text: string, options: LexerOptions): Token[] | LexerFault {
  const tokens: Token[] = [];
  let at = 0;
  while (at < text.length) {
    if (/\s/.test(text[at]!)) {
      at += 1;
      continue;
    }
    const token = readToken(text, at, options);
    if ('message' in token) return token;
    tokens.push(token);
    at = token.end;
  }
  return tokens;
}
