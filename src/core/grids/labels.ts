import type { LabelRule } from './grid';

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';

/** Number of a run of letters: A → 1, Z → 26, AA → 27. */
function letterIndex(text: string): number {
  return [...text].reduce((sum, letter) => sum * 26 + LETTERS.indexOf(letter) + 1, 0);
}

function lettersOf(index: number): string {
  let text = '';
  for (let rest = index; rest > 0; rest = Math.floor((rest - 1) / 26)) text = LETTERS[(rest - 1) % 26]! + text;
  return text;
}

const holdsSkipped = (text: string, skip: string): boolean =>
  [...skip.toUpperCase()].some((sign) => text.includes(sign));

/** The label after (or before) a number or run of letters, without those that hold a skipped character. */
export function labelAfter(label: string, rule: Pick<LabelRule, 'skip' | 'descending'>): string {
  const step = rule.descending ? -1 : 1;
  const isNumber = /^\d+$/.test(label);
  let index = isNumber ? Number(label) : letterIndex(label);
  for (let tries = 0; tries < 20_000; tries += 1) {
    index += step;
    if (index < (isNumber ? 0 : 1)) return label;
    const next = isNumber
      ? String(index).padStart(label.length > 1 && label.startsWith('0') ? label.length : 0, '0')
      : lettersOf(index);
    if (!holdsSkipped(next, rule.skip)) return next;
  }
  return label;
}

/** The part of a typed label the run goes on from: a number or letters within the rule's prefix and suffix; null if there is none. */
export function runPart(text: string, rule: Pick<LabelRule, 'prefix' | 'suffix'>): string | null {
  const inner =
    text.startsWith(rule.prefix) && text.endsWith(rule.suffix) && text.length > rule.prefix.length + rule.suffix.length
      ? text.slice(rule.prefix.length, text.length - rule.suffix.length)
      : text;
  return /^(\d{1,4}|[A-Z]{1,3})$/.test(inner) ? inner : null;
}

/** A line as far as its label goes. */
export interface Labelled {
  label: { mode: 'auto' } | { mode: 'typed'; text: string } | { mode: 'secondary'; suffix: string } | { mode: 'none' };
  minor: boolean;
}

/**
 * Labels of the lines of one direction in order, null for an unlabelled one. A typed label stays and the rest
 * continue from it; minor lines are left out of the run; a secondary label is the last main one with a suffix.
 */
export function labelsOf(lines: readonly Labelled[], rule: LabelRule): (string | null)[] {
  let next = holdsSkipped(rule.first, rule.skip) ? labelAfter(rule.first, rule) : rule.first;
  let main = '';
  return lines.map(({ label, minor }) => {
    if (label.mode === 'none' || (minor && label.mode === 'auto')) return null;
    if (label.mode === 'secondary') return main + label.suffix;
    const part = label.mode === 'typed' ? runPart(label.text, rule) : next;
    const text = label.mode === 'typed' ? label.text : rule.prefix + next + rule.suffix;
    if (!minor) {
      next = labelAfter(part ?? next, rule);
      main = text;
    }
    return text;
  });
}

/** Label of a crossing, letter first: `C-4` for lines 4 and C. */
export function crossingLabel(a: string, b: string): string {
  const isLetter = (text: string) => /^\p{L}/u.test(text);
  return isLetter(a) && !isLetter(b) ? `${a}-${b}` : `${b}-${a}`;
}
