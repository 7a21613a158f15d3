import { getAllAttributesForEntity, getEntityMetadata, SCHEMA_REGISTRY } from '@ifc-lite/parser';

export type Arg =
  | null
  | '*'
  | { ref: number }
  | { enum: string }
  | { text: string }
  | { real: string }
  | { typed: string; value: Arg }
  | Arg[];

/** A line of a file. */
export interface Line {
  entity: string;
  args: Arg[];
}

/** A second, independent reading of the file's lines: entity, arguments. */
export function readLines(file: string): Map<number, Line> {
  const lines = new Map<number, Line>();
  const data = file.slice(file.indexOf('DATA;') + 5, file.lastIndexOf('ENDSEC;'));
  for (const line of data.trim().split('\n')) {
    const match = /^#(\d+)=([A-Z0-9]+)\((.*)\);$/.exec(line);
    if (!match) throw new Error(`Not a line of a STEP file: ${line}`);
    const reader = { text: match[3]!, at: 0 };
    const args = readArgs(reader, undefined);
    lines.set(Number(match[1]), { entity: match[2]!, args });
  }
  return lines;
}

function readArgs(reader: { text: string; at: number }, close: ')' | undefined): Arg[] {
  const args: Arg[] = [];
  while (reader.at < reader.text.length && reader.text[reader.at] !== close) {
    args.push(readArg(reader));
    if (reader.text[reader.at] === ',') reader.at += 1;
  }
  if (close) reader.at += 1;
  return args;
}

function readArg(reader: { text: string; at: number }): Arg {
  const rest = reader.text.slice(reader.at);
  const take = (pattern: RegExp): string | null => {
    const found = pattern.exec(rest)?.[0];
    if (found !== undefined) reader.at += found.length;
    return found ?? null;
  };
  if (take(/^\$/)) return null;
  if (take(/^\*/)) return '*';
  const ref = take(/^#\d+/);
  if (ref) return { ref: Number(ref.slice(1)) };
  const choice = take(/^\.[A-Z0-9_]+\./);
  if (choice) return { enum: choice.slice(1, -1) };
  const quoted = take(/^'(?:[^']|'')*'/);
  if (quoted) return { text: quoted };
  const real = take(/^-?\d+(\.\d*(E-?\d+)?)?(?=[,)]|$)/);
  if (real) return { real };
  if (take(/^\(/)) return readArgs(reader, ')');
  const typed = take(/^[A-Z0-9]+\(/);
  if (typed) return { typed: typed.slice(0, -1), value: readArgs(reader, ')')[0]! };
  throw new Error(`Unread: ${rest.slice(0, 40)}`);
}

const isA = (entity: string, wanted: string): boolean => {
  for (let name: string | undefined = entity; name; name = getEntityMetadata(name)?.parent) {
    if (name.toUpperCase() === wanted.toUpperCase()) return true;
  }
  return false;
};

/** Entities a reference of this type may lead to: an entity and its kin, or the members of a choice. */
function fits(entity: string, written: string): boolean {
  const type = written.replace(/^UNIQUE /, '');
  const choices = SCHEMA_REGISTRY.selects[type];
  return choices ? choices.some((choice) => fits(entity, choice)) : isA(entity, type);
}

/** What is wrong with a file against the schema: an empty list where nothing is. */
export function faultsOf(file: string): string[] {
  const lines = readLines(file);
  const faults = [...lines].flatMap(([number, line]) => faultsOfLine(number, line, lines));
  const ids = [...lines.values()].flatMap(({ entity, args }) => (isA(entity, 'IfcRoot') ? [textIn(args[0])] : []));
  const seen = new Set<string>();
  for (const id of ids) {
    if (!/^'[0-3][0-9A-Za-z_$]{21}'$/.test(id)) faults.push(`${id} is no GlobalId`);
    if (seen.has(id)) faults.push(`GlobalId ${id} is there twice`);
    seen.add(id);
  }
  if (!file.startsWith('ISO-10303-21;\nHEADER;\n')) faults.push('no header');
  if (!file.endsWith('ENDSEC;\nEND-ISO-10303-21;\n')) faults.push('no end');
  return faults;
}

function faultsOfLine(number: number, { entity, args }: Line, lines: ReadonlyMap<number, Line>): string[] {
  if (getEntityMetadata(entity)?.isAbstract !== false) return [`#${number} ${entity} is no entity`];
  const attributes = getAllAttributesForEntity(entity);
  if (attributes.length !== args.length) return [`#${number} ${entity} has ${args.length} attributes`];
  return attributes.flatMap(({ name, type, optional }, i): string[] => {
    const arg = args[i]!;
    const where = `#${number} ${entity}.${name}`;
    if (arg === null) return optional ? [] : [`${where} is required`];
    if (typeof arg === 'object' && 'enum' in arg && !['T', 'F', 'U'].includes(arg.enum))
      return SCHEMA_REGISTRY.enums[type]?.includes(arg.enum) ? [] : [`${where} cannot be ${arg.enum}`];
    return ([arg].flat(2) as Arg[]).flatMap((each): string[] => {
      if (!each || typeof each !== 'object') return [];
      if ('real' in each && !/^-?\d+(\.\d*(E-?\d+)?)?$/.test(each.real)) return [`${where} is no number`];
      if (!('ref' in each)) return [];
      const target = lines.get(each.ref);
      return target && fits(target.entity, type) ? [] : [`${where} refers to ${target?.entity ?? 'nothing'}`];
    });
  });
}

const textIn = (arg: Arg | undefined): string => (arg && typeof arg === 'object' && 'text' in arg ? arg.text : '');
const refIn = (arg: Arg | undefined): number => (arg && typeof arg === 'object' && 'ref' in arg ? arg.ref : 0);
const realIn = (arg: Arg | undefined): number =>
  arg && typeof arg === 'object' && 'real' in arg ? Number(arg.real) : Number.NaN;
const listIn = (arg: Arg | undefined): Arg[] => (Array.isArray(arg) ? arg : []);

/** Products of a file with the volume of their solids, m³, before openings are cut out; by their lines. */
export function solidsOf(
  lines: ReadonlyMap<number, Line>,
): Map<number, { entity: string; volumeM3: number; voids: number }> {
  const at = (arg: Arg | undefined): Line | undefined => lines.get(refIn(arg));
  const ringArea = (polyline: Line | undefined): number => {
    const points = listIn(polyline?.args[0]).map((point) => listIn(at(point)?.args[0]).map(realIn));
    return Math.abs(
      points.reduce((sum, [x = 0, y = 0], i) => {
        const [u = 0, v = 0] = points[(i + 1) % points.length]!;
        return sum + (x * v - u * y) / 2;
      }, 0),
    );
  };
  const profileArea = (profile: Line): number => {
    const [width, depth] = [realIn(profile.args[3]), realIn(profile.args[4])];
    switch (profile.entity) {
      case 'IFCCIRCLEPROFILEDEF':
        return Math.PI * width ** 2;
      case 'IFCRECTANGLEPROFILEDEF':
        return width * depth;
      case 'IFCISHAPEPROFILEDEF': {
        const [web, flange] = [realIn(profile.args[5]), realIn(profile.args[6])];
        return 2 * width * flange + (depth - 2 * flange) * web;
      }
      default: {
        const holes = listIn(profile.args[3]).reduce<number>((sum, hole) => sum + ringArea(at(hole)), 0);
        return ringArea(at(profile.args[2])) - holes;
      }
    }
  };
  const found = new Map<number, { entity: string; volumeM3: number; voids: number }>();
  for (const [number, { entity, args }] of lines) {
    if (!isA(entity, 'IfcProduct')) continue;
    const shapes = listIn(at(args[6])?.args[2]).flatMap((each) => listIn(at(each)?.args[3]));
    const solids = shapes.flatMap((each) => {
      const solid = at(each);
      return solid?.entity === 'IFCEXTRUDEDAREASOLID' ? [solid] : [];
    });
    if (solids.length === 0) continue;
    const mm3 = solids.reduce((sum, solid) => sum + profileArea(at(solid.args[0])!) * realIn(solid.args[3]), 0);
    found.set(number, { entity, volumeM3: mm3 / 1e9, voids: 0 });
  }
  for (const { entity, args } of lines.values())
    if (entity === 'IFCRELVOIDSELEMENT') {
      const host = found.get(refIn(args[4]));
      if (host) host.voids += 1;
    }
  return found;
}

/** Lengths, areas and volumes told as quantities. */
export const quantitiesOf = (lines: ReadonlyMap<number, Line>): { name: string; value: number }[] =>
  [...lines.values()]
    .filter(({ entity }) => /^IFCQUANTITY(LENGTH|AREA|VOLUME)$/.test(entity))
    .map(({ args }) => ({ name: textIn(args[0]), value: realIn(args[3]) }));
