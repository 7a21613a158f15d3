import type { LevelKind } from '../levels/level-kinds';
import { done, refuse, type Result } from '../model/result';
import { unitSpelled, type LengthUnit } from '../units/length-units';
import { parseLength } from '../units/parse-length';
import { guessedUnit, numberStyleOf, ungrouped } from './number-style';

/** What a column of a level table means. */
export type Meaning = 'name' | 'title' | 'ffl' | 'ssl' | 'buildUp' | 'kind';

/** A row as the command that takes a table reads it. What its table has no column for is left out, and changes nothing. */
export interface LevelTableRow {
  name: string;
  title?: string;
  /** One of the two. */
  fflMm?: number;
  sslMm?: number;
  buildUpMm?: number;
  levelKind?: LevelKind;
  /** What a level that is new is taken for, by its words. */
  kindIfNew: LevelKind;
  /** The building it is of, by name, where the file holds several. */
  building?: string;
}

/** How a table was understood, for a person to confirm. */
export interface LevelTable {
  columns: { heading: string; meaning: Meaning | null; unit: LengthUnit | null }[];
  rows: LevelTableRow[];
  notes: string[];
}

const WORDS: Record<Meaning, RegExp> = {
  ffl: /\bffl\b|finished|elevation|\bok\s?f\w*|top of floor|height above|^height|^z\b|\brl\b/i,
  ssl: /\bssl\b|structural|top of (slab|structure)|\btos\b/i,
  buildUp: /build.?up|screed|topping|finish(es)? (thickness|depth)/i,
  kind: /kind|type|use\b|category/i,
  name: /^(level|lvl|storey|story|id|mark|code|no\.?|number|short( name)?|abbreviation|ref(erence)?)\b/i,
  title: /name|title|description|designation|label/i,
};

const KINDS: [RegExp, LevelKind][] = [
  [/basement|cellar|below|underground/i, 'basement'],
  [/mezz/i, 'mezzanine'],
  [/roof/i, 'roof'],
  [/plant|technical|mechanical/i, 'plant'],
  [/attic|loft/i, 'attic'],
  [/datum|reference|parapet|none/i, 'datum'],
];

/** Reads the meaning of each heading and each row; `byProgram`: its numbers were numbers. Anything unclear refuses the table, naming row and column. */
export function readLevelTable(
  cells: readonly (readonly string[])[],
  choice: { unit?: LengthUnit; byProgram?: boolean } = {},
): Result<LevelTable> {
  const headingRow = cells.findIndex((row) => row.filter((cell) => cell.trim() !== '').length >= 2);
  const headings = cells[headingRow];
  if (!headings) return refuse('The table is empty. It needs a row of headings and a row per level');
  const meanings = meaningsOf(headings);
  const at = (meaning: Meaning) => meanings.indexOf(meaning);
  if (at('name') < 0) return refuse(`No column with the levels' names was found among: ${headings.join(', ')}`);
  if (at('ffl') < 0 && at('ssl') < 0)
    return refuse(`No column with elevations was found among: ${headings.join(', ')}`);
  const body = cells
    .map((row, i) => ({ row, line: i + 1 }))
    .slice(headingRow + 1)
    .filter(({ row }) => row.some((cell) => cell.trim() !== ''));
  if (body.length === 0) return refuse('The table has headings but no level');
  const notes: string[] = [];
  const columns = headings.map((heading, i) => {
    const meaning = meanings[i];
    if (meaning !== 'ffl' && meaning !== 'ssl' && meaning !== 'buildUp') return null;
    const cells = body.map(({ row }) => row[i] ?? '');
    const said = unitIn(heading) ?? choice.unit ?? null;
    const style = numberStyleOf(cells, said, choice.byProgram === true || meaning === 'buildUp');
    const unit = said ?? guessedUnit(cells, style);
    for (const note of [
      ...(style.decimal === ',' && cells.some((cell) => /\d,\d/.test(cell))
        ? ['The comma is read as the decimal sign']
        : []),
      ...(style.groups === ',' ? ['The comma is read as parting thousands'] : []),
      ...(style.groups === '.' ? ['The point is read as parting thousands'] : []),
      ...(unitIn(heading) ? [] : [`${heading.trim()} has no unit: read as ${unit}`]),
    ])
      if (!notes.includes(note)) notes.push(note);
    return { unit, style };
  });
  const table: LevelTable = {
    columns: headings.map((heading, i) => ({
      heading: heading.trim(),
      meaning: meanings[i] ?? null,
      unit: columns[i]?.unit ?? null,
    })),
    rows: [],
    notes,
  };
  const seen = new Map<string, number>();
  for (const { row, line } of body) {
    const cell = (meaning: Meaning) => (row[at(meaning)] ?? '').trim();
    const name = cell('name');
    if (name === '') return refuse(`Row ${line}: the level has no name`);
    if (name.length > 16)
      return refuse(`Row ${line}: "${name.slice(0, 20)}…" is too long for a level's name; at most 16 characters`);
    const before = seen.get(name);
    if (before !== undefined)
      return refuse(`Rows ${before} and ${line} both name level ${name}. Each level needs its own name`);
    seen.set(name, line);
    const length = (meaning: Meaning): Result<number | null> => {
      const text = cell(meaning);
      if (at(meaning) < 0 || text === '') return done(null);
      const { unit, style } = columns[at(meaning)]!;
      const parsed = parseLength(ungrouped(text, style).replace(/^([+±])\s*/, ''), { unit, decimal: style.decimal });
      return parsed.ok
        ? done(parsed.value.mm)
        : refuse(
            `Row ${line}, ${headings[at(meaning)]!.trim()}: "${text.slice(0, 40)}" is not a length. ${parsed.refusal.message}`,
          );
    };
    const [ffl, ssl, buildUp] = [length('ffl'), length('ssl'), length('buildUp')];
    for (const value of [ffl, ssl, buildUp]) if (!value.ok) return value;
    const mm = (value: Result<number | null>) => (value.ok ? value.value : null);
    const [f, s] = [mm(ffl), mm(ssl)];
    const said = mm(buildUp) ?? (f !== null && s !== null ? f - s : null);
    if (f === null && s === null) return refuse(`Row ${line}: level ${name} has no elevation`);
    if (said !== null && (said < 0 || said > 2000))
      return refuse(`Row ${line}: a build-up of ${said} mm is not between 0 and 2000`);
    const elevation = f ?? s!;
    if (Math.abs(elevation) > 1e7)
      return refuse(`Row ${line}: an elevation of ${elevation / 1000} m cannot be. Check the unit`);
    const kind = cell('kind');
    table.rows.push({
      name,
      ...(at('title') < 0 ? {} : { title: cell('title').slice(0, 80) }),
      ...(f === null ? { sslMm: s! } : { fflMm: f }),
      ...(said === null ? {} : { buildUpMm: said }),
      ...(kind === '' ? {} : { levelKind: kindOf(kind, cell('title'), name) }),
      kindIfNew: kindOf(kind, cell('title'), name),
    });
  }
  return done(table);
}

/** A meaning per heading, each given once: the surest words first. */
function meaningsOf(headings: readonly string[]): (Meaning | null)[] {
  const meanings: (Meaning | null)[] = headings.map(() => null);
  for (const meaning of ['buildUp', 'ssl', 'ffl', 'kind', 'name', 'title'] as const) {
    const i = headings.findIndex((heading, j) => meanings[j] === null && WORDS[meaning].test(heading.trim()));
    if (i >= 0) meanings[i] = meaning;
  }
  // A table with one column of names: they are the levels' names.
  if (!meanings.includes('name') && meanings.includes('title')) meanings[meanings.indexOf('title')] = 'name';
  return meanings;
}

function unitIn(heading: string): LengthUnit | null {
  const match = /[([]\s*([^)\]]+?)\s*[)\]]|[,_\s](mm|cm|m|ft|in)\s*$/i.exec(heading);
  return match ? (unitSpelled((match[1] ?? match[2])!.trim().toLowerCase()) ?? null) : null;
}

function kindOf(kind: string, title: string, name: string): LevelKind {
  const fromKind = KINDS.find(([pattern]) => pattern.test(kind));
  if (fromKind) return fromKind[1];
  if (kind !== '') return 'storey';
  return KINDS.find(([pattern]) => pattern.test(title))?.[1] ?? (/^(B|-)\d/.test(name) ? 'basement' : 'storey');
}
