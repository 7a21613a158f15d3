import { EXAMPLES } from './examples';
import { done, refuse, type Result } from '../model/result';
import { tokenise, type Token } from './length-lexer';
import { LONGEST_MM, MM_PER_UNIT, quantiseMm, type LengthUnit } from './length-units';

/** A stored length: millimetres, or an expression in which named dimensions stand as `{id}`. */
export type Length = number | { expr: string };

export interface LengthContext {
  /** The unit a bare number takes: the one shown in the field. */
  unit?: LengthUnit;
  decimal?: '.' | ',';
  /** Named dimensions by the name as typed. */
  named?: (name: string) => { id: string; mm: number } | undefined;
  /** Named dimensions by id, for stored expressions. */
  byId?: (id: string) => number | undefined;
}

export interface ParsedLength {
  mm: number;
  /** What to store: the number, or the expression if it uses a named dimension. */
  stored: Length;
}

const LONGEST_TEXT = 200;
const EXAMPLE = `like ${EXAMPLES.length.metric}`;

/**
 * `bare` numbers take a unit only when they meet a length or end up as the answer. `text` is the stored form: every
 * unit written out and every name replaced by its id, so it reads the same for everyone.
 */
interface Value {
  amount: number;
  bare: boolean;
  text: string;
}

class Fault extends Error {
  constructor(
    message: string,
    readonly at: number,
  ) {
    super(message);
  }
}

/**
 * Reads a length as people type it: metric and imperial, sums, products, brackets and named dimensions.
 * The answer is in millimetres, quantised to 1e-6 mm. What cannot be read is refused with the position
 * and an example.
 */
export function parseLength(text: string, context: LengthContext = {}): Result<ParsedLength> {
  if (text.length > LONGEST_TEXT)
    return refuse(`A length has at most ${LONGEST_TEXT} characters`, { at: LONGEST_TEXT });
  if (text.trim() === '') return refuse(`Type a length, ${EXAMPLE}`, { at: 0 });
  const decimal = context.decimal ?? '.';
  // The mark of a rounded length is passed over: who types behind it says what they mean.
  const tokens = tokenise(
    text.replace(/^\s*≈/, (mark) => ' '.repeat(mark.length)),
    { decimal, spacesGroupThousands: true },
  );
  if (!Array.isArray(tokens)) return refuse(`${tokens.message} (${EXAMPLE})`, { at: tokens.at });
  try {
    const reader = new Reader(tokens, context, text.length);
    const value = reader.sum();
    reader.expectEnd();
    const mm = quantiseMm(value.bare ? value.amount * MM_PER_UNIT[context.unit ?? 'mm'] : value.amount);
    if (!Number.isFinite(mm) || Math.abs(mm) > LONGEST_MM) {
      return refuse('That is longer than 1000 km; check the unit', { at: 0 });
    }
    return done({ mm, stored: reader.usesNames ? { expr: value.text } : mm });
  } catch (fault) {
    if (fault instanceof Fault) return refuse(`${fault.message} (${EXAMPLE})`, { at: fault.at });
    throw fault;
  }
}

/** The value in millimetres of a stored length, or undefined if it names a dimension that is not there. */
export function lengthMm(length: Length, byId: (id: string) => number | undefined): number | undefined {
  if (typeof length === 'number') return length;
  const parsed = parseLength(length.expr, { byId });
  return parsed.ok ? parsed.value.mm : undefined;
}

/** Ids of the named dimensions a stored length uses. */
export function dimensionsUsed(length: Length): string[] {
  if (typeof length === 'number') return [];
  return [...length.expr.matchAll(/\{([0-9a-f-]{36})\}/g)].map((match) => match[1]!);
}

/** A plain number as the parser reads it back. */
const plain = (value: number): string => (String(value).includes('e') ? value.toFixed(12) : String(value));

const scaled = (amount: number, bare: boolean, text: string): Value => ({
  amount,
  bare,
  text: bare ? plain(amount) : text,
});

/** Recursive descent over sum → product → factor. */
class Reader {
  usesNames = false;
  private next = 0;

  constructor(
    private readonly tokens: Token[],
    private readonly context: LengthContext,
    private readonly textEnd: number,
  ) {}

  sum(): Value {
    let left = this.product();
    for (let sign = this.takeSign('+', '-'); sign; sign = this.takeSign('+', '-')) {
      const right = this.product();
      const bare = left.bare && right.bare;
      const [a, b] = bare ? [left, right] : [this.asLength(left), this.asLength(right)];
      const amount = sign === '+' ? a.amount + b.amount : a.amount - b.amount;
      left = { amount, bare, text: bare ? plain(amount) : `${a.text} ${sign} ${b.text}` };
    }
    return left;
  }

  expectEnd(): void {
    const token = this.tokens[this.next];
    if (!token) return;
    if (token.kind === 'sign' && token.sign === ')')
      throw new Fault('A bracket is closed that was not opened', token.at);
    throw new Fault('Put a sign between two lengths', token.at);
  }

  private product(): Value {
    let left = this.factor();
    for (let sign = this.takeSign('*', '/'); sign; sign = this.takeSign('*', '/')) {
      const at = this.position();
      const right = this.factor();
      if (sign === '*') {
        if (!left.bare && !right.bare) throw new Fault('A length times a length is an area', at);
        left = scaled(left.amount * right.amount, left.bare && right.bare, `${left.text} * ${right.text}`);
      } else {
        if (right.amount === 0) throw new Fault('Nothing can be divided by zero', at);
        if (!right.bare) throw new Fault('Divide by a number, not by a length', at);
        left = scaled(left.amount / right.amount, left.bare, `${left.text} / ${right.text}`);
      }
    }
    return left;
  }

  private factor(): Value {
    const token = this.tokens[this.next];
    if (!token) throw new Fault('Something is missing at the end', this.textEnd);
    this.next += 1;
    if (token.kind === 'number') return { amount: token.value, bare: true, text: plain(token.value) };
    if (token.kind === 'length') return { amount: token.mm, bare: false, text: `${plain(quantiseMm(token.mm))}mm` };
    if (token.kind === 'name') {
      const found = this.context.named?.(token.name);
      if (!found) throw new Fault(`There is no dimension named "${token.name}"`, token.at);
      this.usesNames = true;
      return { amount: found.mm, bare: false, text: `{${found.id}}` };
    }
    if (token.kind === 'reference') {
      const mm = this.context.byId?.(token.id);
      if (mm === undefined) throw new Fault('A named dimension used here no longer exists', token.at);
      this.usesNames = true;
      return { amount: mm, bare: false, text: `{${token.id}}` };
    }
    if (token.sign === '-' || token.sign === '+') {
      const value = this.factor();
      return token.sign === '-' ? { ...value, amount: -value.amount, text: `-${value.text}` } : value;
    }
    if (token.sign === '(') {
      const value = this.sum();
      if (!this.takeSign(')')) throw new Fault('A bracket is not closed', this.position());
      return value.bare ? value : { ...value, text: `(${value.text})` };
    }
    throw new Fault(`A number is missing before "${token.sign}"`, token.at);
  }

  private asLength(value: Value): Value {
    if (!value.bare) return value;
    const amount = value.amount * MM_PER_UNIT[this.context.unit ?? 'mm'];
    return { amount, bare: false, text: `${plain(quantiseMm(amount))}mm` };
  }

  private takeSign<S extends string>(...signs: S[]): S | undefined {
    const token = this.tokens[this.next];
    if (token?.kind !== 'sign' || !(signs as string[]).includes(token.sign)) return undefined;
    this.next += 1;
    return token.sign as unknown as S;
  }

  private position(): number {
    return this.tokens[this.next]?.at ?? this.textEnd;
  }
}
