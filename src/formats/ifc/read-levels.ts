import { readLevelTable, type LevelTable } from '@/core/importing/level-table';
import { refuse, type Result } from '@/core/model/result';
import type { LengthUnit } from '@/core/units/length-units';

const MOST_CHARACTERS = 60_000_000;

/** Prefixes of the metre (ISO 10303-41) and the units people build in, as the level table knows them. */
const METRES: Record<string, LengthUnit> = { '': 'm', MILLI: 'mm', CENTI: 'cm' };
const CONVERTED: Record<string, LengthUnit> = { FOOT: 'ft', INCH: 'inch' };

/**
 * Reads the storeys of an IFC file (any schema with IfcBuildingStorey: name, long name and elevation) as a level table.
 * Only the lines of storeys and units are looked at, so large models are read in a moment.
 */
export function readLevelsIfc(text: string, choice: { unit?: LengthUnit } = {}): Result<LevelTable> {
  if (text.length > MOST_CHARACTERS) return refuse('The file is larger than 60 MB. Export the storeys alone');
  if (!/^\s*ISO-10303-21;/.test(text)) return refuse('This is not an IFC file. Save it as IFC (STEP), not zipped');
  const storeys = [...text.matchAll(/=\s*IFCBUILDINGSTOREY\s*\(((?:'(?:[^']|'')*'|[^';])*)\)\s*;/gi)].map(([, args]) =>
    argumentsOf(args!),
  );
  if (storeys.length === 0) return refuse('The file holds no building storeys');
  const unit = choice.unit ?? unitOf(text);
  if (!unit) return refuse('The file does not say its unit of length. Choose one', { path: ['unit'] });
  const rows = storeys.map((args) => {
    const [name, longName, elevation] = [textOf(args[2]), textOf(args[7]), args[9] ?? '$'];
    return [name || longName, name ? longName : '', elevation === '$' ? '0' : String(Number(elevation))];
  });
  const table = readLevelTable([['Level', 'Title', `FFL (${unit})`], ...rows], { unit });
  return table.ok
    ? { ok: true, value: { ...table.value, notes: ['Storeys of an IFC file', ...table.value.notes] } }
    : table;
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
function textOf(argument: string | undefined): string {
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
function unitOf(text: string): LengthUnit | null {
  const converted = /IFCCONVERSIONBASEDUNIT\s*\([^;]*\.LENGTHUNIT\.\s*,\s*'([A-Za-z]+)'/i
    .exec(text)?.[1]
    ?.toUpperCase();
  if (converted) return CONVERTED[converted] ?? null;
  const metre = /IFCSIUNIT\s*\(\s*\*\s*,\s*\.LENGTHUNIT\.\s*,\s*(\$|\.[A-Z]+\.)\s*,\s*\.METRE\.\s*\)/i.exec(text)?.[1];
  if (metre === undefined) return null;
  return METRES[metre === '$' ? '' : metre.replaceAll('.', '').toUpperCase()] ?? null;
}
