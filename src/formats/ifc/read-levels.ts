import { readLevelTable, type LevelTable } from '@/core/importing/level-table';
import { done, refuse, type Result } from '@/core/model/result';
import type { LengthUnit } from '@/core/units/length-units';
import { buildingsOf, listed, readStep, textOf, unitOf, type Line } from './read-step';
import { STOREY_SET } from './storey-set';

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

/**
 * Reads the storeys of an IFC file (any schema with IfcBuildingStorey: name, long name and elevation) as a level table.
 * Our own files say kinds and build-ups too, in a property set of each storey. The file is read once from its
 * beginning to its end, so however it is damaged the time is that of its length.
 */
export function readLevelsIfc(text: string, choice: { unit?: LengthUnit } = {}): Result<LevelTable> {
  const read = readStep(text, WANTED);
  if (!read.ok) return read;
  const lines = read.value;
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
    return readLevelTable([['Level', 'Title', `FFL (${unit})`, ...heads], ...rows], { unit, byProgram: true });
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
