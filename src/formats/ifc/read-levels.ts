import { readLevelTable, type LevelTable } from '@/core/importing/level-table';
import { done, refuse, type Result } from '@/core/model/result';
import type { LengthUnit } from '@/core/units/length-units';
import { STOREY_SET } from './storey-set';

const MOST_CHARACTERS = 60_000_000;

/** Prefixes of the metre (ISO 10303-41) and the units people build in, as the level table knows them. */
const METRES: Record<string, LengthUnit> = { '': 'm', MILLI: 'mm', CENTI: 'cm' };
const CONVERTED: Record<string, LengthUnit> = { FOOT: 'ft', INCH: 'inch' };

/** Lines of a STEP file that matter here. */
const WANTED = new Set([
  'IFCANNOTATION',
  'IFCBUILDING',
  'IFCBUILDINGSTOREY',
  'IFCCONVERSIONBASEDUNIT',
  'IFCSIUNIT',
  'IFCPROPERTYSET',
  'IFCPROPERTYSINGLEVALUE',
  'IFCRELAGGREGATES',
  'IFCRELCONTAINEDINSPATIALSTRUCTURE',
  'IFCRELDEFINESBYPROPERTIES',
]);

interface Line {
  id: string;
  type: string;
  args: string[];
}

/**
 * Reads the storeys of an IFC file (any schema with IfcBuildingStorey: name, long name and elevation) as a level table.
 * Our own files say kinds and build-ups too, in a property set of each storey. The file is read once from its
 * beginning to its end, so however it is damaged the time is that of its length.
 */
export function readLevelsIfc(text: string, choice: { unit?: LengthUnit } = {}): Result<LevelTable> {
  if (text.length > MOST_CHARACTERS) return refuse('The file is larger than 60 MB. Export the storeys alone');
  if (!/^\s*ISO-10303-21;/.test(text)) return refuse('This is not an IFC file. Save it as IFC (STEP), not zipped');
  const lines = [...linesOf(text)];
  const storeys = lines.filter(({ type }) => type === 'IFCBUILDINGSTOREY');
  if (storeys.length === 0) return refuse('The file holds no building storeys');
  const unit = choice.unit ?? unitOf(lines);
  if (!unit) return refuse('The file does not say its unit of length. Choose one', { path: ['unit'] });
  const said = propertiesOf(lines);
  // Levels that are only heights are annotations in our own files.
  const datums = lines.filter(({ type, id }) => type === 'IFCANNOTATION' && said.get(id)?.has('Elevation'));
  const levels = [
    ...storeys.map(({ id, args }) => ({ id, names: [textOf(args[2]), textOf(args[7])], elevation: args[9] ?? '$' })),
    ...datums.map(({ id, args }) => ({
      id,
      names: [textOf(args[2]), textOf(args[3])],
      elevation: said.get(id)!.get('Elevation')!,
    })),
  ];
  const knows = (property: string) => levels.some(({ id }) => said.get(id)?.has(property));
  const [kinds, buildUps] = [knows('LevelKind'), knows('BuildUp')];
  const heads = [...(kinds ? ['Kind'] : []), ...(buildUps ? [`Build-up (${unit})`] : [])];
  const tableOf = (some: typeof levels) => {
    const rows = some.map(({ id, names: [name = '', longName = ''], elevation }) => [
      name || longName,
      name ? longName : '',
      elevation === '$' ? '0' : String(Number(elevation)),
      ...(kinds ? [said.get(id)?.get('LevelKind') ?? ''] : []),
      ...(buildUps ? [said.get(id)?.get('BuildUp') ?? ''] : []),
    ]);
    return readLevelTable([['Level', 'Title', `FFL (${unit})`, ...heads], ...rows], { unit });
  };
  const buildingOf = buildingsOf(lines);
  const buildings = [...new Set(levels.map(({ id }) => buildingOf.get(id) ?? ''))];
  const tables = buildings.map((building) => ({
    building,
    table: tableOf(levels.filter(({ id }) => (buildingOf.get(id) ?? '') === building)),
  }));
  const [first] = tables;
  const wrong = tables.find(({ table }) => !table.ok);
  if (wrong) return wrong.table;
  if (!first?.table.ok) return refuse('The file holds no building storeys');
  const rows = tables.flatMap(({ building, table }) =>
    table.ok ? table.value.rows.map((row) => (tables.length > 1 ? { ...row, building } : row)) : [],
  );
  const notes = [`Storeys of an IFC file${tables.length > 1 ? `, of ${buildings.join(' and ')}` : ''}`];
  return done({ ...first.table.value, rows, notes: [...notes, ...first.table.value.notes] });
}

/** The name of the building each storey, and each thing contained in one directly, is part of, by its line. */
function buildingsOf(lines: readonly Line[]): Map<string, string> {
  const names = new Map(
    lines
      .filter(({ type }) => type === 'IFCBUILDING')
      .map(({ id, args }, i): [string, string] => [id, textOf(args[2]) || textOf(args[7]) || `Building ${i + 1}`]),
  );
  const found = new Map<string, string>();
  for (const { type, args } of lines) {
    const [whole, parts] =
      type === 'IFCRELAGGREGATES'
        ? [args[4], args[5]]
        : type === 'IFCRELCONTAINEDINSPATIALSTRUCTURE'
          ? [args[5], args[4]]
          : [];
    const name = names.get(whole ?? '');
    if (name !== undefined) for (const part of listed(parts)) found.set(part, name);
  }
  return found;
}

const listed = (argument: string | undefined): string[] =>
  (argument ?? '').startsWith('(') ? argumentsOf(argument!.slice(1, -1)) : [];

/**
 * The lines of a STEP file that matter here, each up to its semicolon outside of texts and comments (ISO 10303-21). A line
 * that never ends is none.
 */
function* linesOf(text: string): Generator<Line> {
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
      const line = lineOf(text.slice(start, i));
      if (line) yield line;
      start = i + 1;
    }
  }
}

/** `#12=IFCSIUNIT(…)`; null for what is of another shape, or does not matter. */
function lineOf(statement: string): Line | null {
  const [equals, open] = [statement.indexOf('='), statement.indexOf('(')];
  const close = statement.trimEnd().length - 1;
  if (equals < 0 || open < equals || statement[close] !== ')') return null;
  const type = statement
    .slice(equals + 1, open)
    .trim()
    .toUpperCase();
  if (!WANTED.has(type)) return null;
  return { id: statement.slice(0, equals).trim(), type, args: argumentsOf(statement.slice(open + 1, close)) };
}

/** What single-valued properties say of things, by the line of the thing and the property's name. */
function propertiesOf(lines: readonly Line[]): Map<string, Map<string, string>> {
  const byId = new Map(lines.map((line) => [line.id, line]));
  const said = new Map<string, Map<string, string>>();
  for (const { args } of lines.filter(({ type }) => type === 'IFCRELDEFINESBYPROPERTIES')) {
    const set = byId.get(args[5] ?? '');
    if (set?.type !== 'IFCPROPERTYSET' || textOf(set.args[2]) !== STOREY_SET) continue;
    const values = listed(set.args[4]).flatMap((id): [string, string][] => {
      const property = byId.get(id);
      if (property?.type !== 'IFCPROPERTYSINGLEVALUE') return [];
      const value = /^\w+\((.*)\)$/s.exec(property.args[2] ?? '')?.[1] ?? '';
      return [[textOf(property.args[0]), value.startsWith("'") ? textOf(value) : String(Number(value))]];
    });
    for (const id of listed(args[4])) said.set(id, new Map([...(said.get(id) ?? []), ...values]));
  }
  return said;
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
function unitOf(lines: readonly Line[]): LengthUnit | null {
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
