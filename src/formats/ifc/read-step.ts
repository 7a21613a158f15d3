import { refuse, done, type Result } from '@/core/model/result';
import type { LengthUnit } from '@/core/units/length-units';

const MOST_CHARACTERS = 60_000_000;

/** Prefixes of the metre (ISO 10303-41) and the units people build in, as the level table knows them. */
const METRES: Record<string, LengthUnit> = { '': 'm', MILLI: 'mm', CENTI: 'cm' };
const CONVERTED: Record<string, LengthUnit> = { FOOT: 'ft', INCH: 'inch' };

/** A line of a STEP file: its number, what it is, its arguments as they are written. */
export interface Line {
  id: string;
  type: string;
  args: string[];
}

/** Lines of these types of an IFC file, in their order; refused in words where the text is none. */
export function readStep(text: string, wanted: ReadonlySet<string>): Result<Line[]> {
  if (text.length > MOST_CHARACTERS) return refuse('The file is larger than 60 MB. Export only what is wanted of it');
  if (!/^\s*ISO-10303-21;/.test(text)) return refuse('This is not an IFC file. Save it as IFC (STEP), not zipped');
  return done([...linesOf(text, wanted)]);
}

/** The name of the building each storey, and each thing contained in one directly, is part of, by its line. */
export function buildingsOf(lines: readonly Line[]): Map<string, string> {
  const names = new Map(
    lines
      .filter(({ type }) => type === 'IFCBUILDING')
      .map(({ id, args }, i): [string, string] => [id, textOf(args[2]) || textOf(args[7]) || `Building ${i + 1}`]),
  );
  const wholes = partsOf(lines);
  return new Map(
    [...wholes].flatMap(([part, whole]): [string, string][] => {
      const name = names.get(whole);
      return name === undefined ? [] : [[part, name]];
    }),
  );
}

/** The line of what each thing is part of or contained in, by its own. */
export function partsOf(lines: readonly Line[]): Map<string, string> {
  const found = new Map<string, string>();
  for (const { type, args } of lines) {
    const [whole, parts] =
      type === 'IFCRELAGGREGATES'
        ? [args[4], args[5]]
        : type === 'IFCRELCONTAINEDINSPATIALSTRUCTURE'
          ? [args[5], args[4]]
          : [];
    if (whole !== undefined) for (const part of listed(parts)) found.set(part, whole);
  }
  return found;
}

/** The arguments of a list; none of what is no list. */
export const listed = (argument: string | undefined): string[] =>
  (argument ?? '').startsWith('(') ? argumentsOf(argument!.slice(1, -1)) : [];

/**
 * The lines of a STEP file that matter here, each up to its semicolon outside of texts and comments (ISO 10303-21). A line
 * that never ends is none.
 */
function* linesOf(text: string, wanted: ReadonlySet<string>): Generator<Line> {
  let start = 0;
  for (let i = 0; i < text.length; i += 1) {
    const sign = text[i];
    if (sign === "'") {
      // Two quotes are one in the text; taken apart they end it and begin the next, which comes to the same.
      const end = text.indexOf("'", i + 1);
      if (end < 0) return;
      i = end;
    } else if (sign === '/' && text[i + 1] === '*') {
      const end = text.indexOf('*/', i + 2);
      if (end < 0) return;
      i = end + 1;
    } else if (sign === ';') {
      const line = lineOf(text.slice(start, i), wanted);
      if (line) yield line;
      start = i + 1;
    }
  }
}

/** `#12=IFCSIUNIT(…)`; null for what is of another shape, or does not matter. */
function lineOf(statement: string, wanted: ReadonlySet<string>): Line | null {
  const [equals, open] = [statement.indexOf('='), statement.indexOf('(')];
  const close = statement.trimEnd().length - 1;
  if (equals < 0 || open < equals || statement[close] !== ')') return null;
  const type = statement
    .slice(equals + 1, open)
    .trim()
    .toUpperCase();
  if (!wanted.has(type)) return null;
  return { id: statement.slice(0, equals).trim(), type, args: argumentsOf(statement.slice(open + 1, close)) };
}

/** Arguments of a line, parted by the commas outside of texts and lists. */
function argumentsOf(line: string): string[] {
  const parts: string[] = [];
  let [start, depth, quoted] = [0, 0, false];
  for (let i = 0; i < line.length; i += 1) {
    const sign = line[i];
    if (sign === "'") quoted = !quoted;
    else if (!quoted && sign === '(') depth += 1;
    else if (!quoted && sign === ')') depth -= 1;
    else if (!quoted && depth === 0 && sign === ',') {
      parts.push(line.slice(start, i).trim());
      start = i + 1;
    }
  }
  parts.push(line.slice(start).trim());
  return parts;
}

/** A text of the file, its escapes undone (ISO 10303-21, 6.4.3). */
export function textOf(argument: string | undefined): string {
  if (!argument?.startsWith("'")) return '';
  const codes = (hex: string, size: number) =>
    (hex.match(new RegExp(`.{${size}}`, 'g')) ?? []).map((code) => String.fromCodePoint(parseInt(code, 16))).join('');
  return argument
    .slice(1, -1)
    .replaceAll("''", "'")
    .replace(/\\X4\\((?:[0-9A-F]{8})+)\\X0\\/gi, (_, hex: string) => codes(hex, 8))
    .replace(/\\X2\\((?:[0-9A-F]{4})+)\\X0\\/gi, (_, hex: string) => codes(hex, 4))
    .replace(/\\X\\([0-9A-F]{2})/gi, (_, hex: string) => codes(hex, 2))
    .replace(/\\S\\(.)/g, (_, sign: string) => String.fromCharCode(sign.charCodeAt(0) + 128))
    .replaceAll('\\\\', '\\')
    .trim();
}

/** The file's unit of length; null where it has none, or one nobody builds in. */
export function unitOf(lines: readonly Line[]): LengthUnit | null {
  const isLength = ({ args }: Line) => args[1]?.toUpperCase() === '.LENGTHUNIT.';
  const converted = lines.find((line) => line.type === 'IFCCONVERSIONBASEDUNIT' && isLength(line));
  if (converted) return CONVERTED[textOf(converted.args[2]).toUpperCase()] ?? null;
  const metre = lines.find(
    (line) => line.type === 'IFCSIUNIT' && isLength(line) && line.args[3]?.toUpperCase() === '.METRE.',
  );
  if (!metre) return null;
  const prefix = metre.args[2] ?? '$';
  return METRES[prefix === '$' ? '' : prefix.replaceAll('.', '').toUpperCase()] ?? null;
}
