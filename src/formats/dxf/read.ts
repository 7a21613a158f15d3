import { parseString, toPolylines } from 'dxf';
import type { Sheet } from '@/core/importing/sheet';
import { plus, turned, type Point } from '@/core/geometry/point';
import { done, refuse, type Result } from '@/core/model/result';
import type { LengthUnit } from '@/core/units/length-units';

/** Unit codes of the header variable $INSUNITS (DXF reference, header section). */
const INSERT_UNITS: Record<number, LengthUnit> = { 1: 'inch', 2: 'ft', 4: 'mm', 5: 'cm', 6: 'm' };

const MOST_BYTES = 30_000_000;
const MOST_SHAPES = 200_000;
/** Binary DXF begins with a line of text that says so, then a carriage return, line feed, substitute and null. */
const BINARY_MARK = /^[^\r\n]{0,30}Binary DXF\r\n/;

interface Entity {
  type: string;
  layer?: string;
  start?: Point;
  end?: Point;
  x?: number;
  y?: number;
  r?: number;
  string?: string;
  textHeight?: number;
  nominalTextHeight?: number;
  hAlign?: number;
  vAlign?: number;
  x2?: number;
  y2?: number;
  vertices?: (Point & { bulge?: number })[];
  closed?: boolean;
  block?: string;
  rotation?: number;
  scaleX?: number;
  scaleY?: number;
  columnCount?: number;
  rowCount?: number;
  columnSpacing?: number;
  rowSpacing?: number;
}

interface Parsed {
  header: { insUnits?: number };
  entities: Entity[];
  blocks: { name: string; x?: number; y?: number; entities: Entity[] }[];
}

/**
 * Reads lines, circles, curves, texts and closed outlines from an ASCII DXF file; blocks are taken apart where they are
 * inserted. A file that is cut off, binary, or holds coordinates that are no numbers is refused.
 */
export function readDxf(bytes: Uint8Array): Result<Sheet> {
  if (bytes.length === 0) return refuse('The file is empty');
  if (bytes.length > MOST_BYTES)
    return refuse('The drawing is larger than 30 MB. Save only the layers that are needed');
  const text = new TextDecoder('utf-8').decode(bytes);
  const fault = faultIn(text);
  if (fault) return refuse(fault);
  let parsed: Parsed;
  try {
    parsed = parseString(text) as Parsed;
  } catch {
    return refuse(
      'The drawing could not be read: its contents do not follow the DXF format. Save it again as ASCII DXF',
    );
  }
  const sheet: Sheet = {
    unit: INSERT_UNITS[parsed.header.insUnits ?? 0] ?? null,
    lines: [],
    circles: [],
    texts: [],
    curves: [],
    outlines: [],
  };
  const blocks = new Map(parsed.blocks.map((block) => [block.name, block]));
  const isFull = place(parsed.entities, sheet, blocks, (point) => point, 1, null, 0);
  if (isFull) return refuse('The drawing holds more than 200 000 shapes. Save only the layers that are needed');
  const shapes = shapeCount(sheet);
  if (shapes === 0) return refuse('The drawing holds no lines, circles, texts or outlines');
  const wrong = coordinates(sheet).some((value) => !Number.isFinite(value));
  return wrong
    ? refuse('The drawing holds a coordinate that is not a number. Save it again from where it comes from')
    : done(sheet);
}

/** What is wrong with the text before it is parsed at all: the parser is trusted with sound files only. */
function faultIn(text: string): string | null {
  if (BINARY_MARK.test(text)) return 'This is a binary DXF file. Save it as ASCII DXF';
  const lines = text.split(/\r\n|\r|\n/);
  const firstPair = lines.findIndex(
    (line, i) => i % 2 === 0 && line.trim() === '0' && lines[i + 1]?.trim() === 'SECTION',
  );
  if (firstPair < 0 || firstPair > 200) return 'This is not a DXF drawing: it does not begin with a section';
  let inEntities = false;
  let seenEntities = false;
  for (let i = firstPair; i + 1 < lines.length; i += 2) {
    const code = lines[i]!.trim();
    const value = lines[i + 1]!.trim();
    if (!/^-?\d{1,4}$/.test(code)) return `The drawing is damaged at line ${i + 1}: a group code was expected`;
    if (code === '2' && lines[i - 1]?.trim() === 'SECTION') {
      inEntities = value === 'ENTITIES';
      seenEntities ||= inEntities;
    }
    if (code === '0' && value === 'EOF') {
      return seenEntities ? null : 'The drawing is incomplete: it has no entities';
    }
    const isCoordinate = /^(1[0-8]|2[0-8]|3[0-8]|4\d|5\d)$/.test(code);
    if (inEntities && isCoordinate && !/^[-+]?(\d+\.?\d*|\.\d+)([eE][-+]?\d+)?$/.test(value)) {
      return `The drawing is damaged at line ${i + 2}: "${value.slice(0, 20)}" is not a number`;
    }
    if (inEntities && isCoordinate && Math.abs(Number(value)) > 1e15) {
      return `The drawing is damaged at line ${i + 2}: a coordinate of ${value.slice(0, 20)} lies nowhere`;
    }
  }
  return 'The drawing is cut off: its end is missing. Save or send it again';
}

const shapeCount = ({ lines, circles, texts, curves, outlines }: Sheet): number =>
  lines.length + circles.length + texts.length + curves.length + outlines.length;

/** A curved entity as a run of points; none where it cannot be drawn. */
function chords(entity: Entity): Point[] {
  try {
    const [run] = toPolylines({ entities: [{ ...entity }], blocks: [], tables: { layers: {} }, header: {} }).polylines;
    return (run?.vertices ?? []).map(([x, y]) => ({ x, y }));
  } catch {
    return [];
  }
}

/** Puts entities into the sheet through a placement; true when there are too many. */
function place(
  entities: readonly Entity[],
  sheet: Sheet,
  blocks: ReadonlyMap<string, Parsed['blocks'][number]>,
  to: (point: Point) => Point,
  scale: number,
  inside: { name: string; layer: string } | null,
  depth: number,
): boolean {
  for (const entity of entities) {
    if (shapeCount(sheet) > MOST_SHAPES) return true;
    const layer = inside && (entity.layer ?? '0') === '0' ? inside.layer : (entity.layer ?? '0');
    const block = inside?.name ?? null;
    const at = (x: number | undefined, y: number | undefined) => to({ x: x ?? 0, y: y ?? 0 });
    if (entity.type === 'LINE' && entity.start && entity.end) {
      sheet.lines.push({ a: to(entity.start), b: to(entity.end), layer });
    } else if (entity.type === 'CIRCLE') {
      sheet.circles.push({ at: at(entity.x, entity.y), radius: (entity.r ?? 0) * scale, layer, block });
    } else if (entity.type === 'TEXT' || entity.type === 'MTEXT' || entity.type === 'ATTRIB') {
      const aligned = entity.type === 'TEXT' && (entity.hAlign || entity.vAlign) && entity.x2 !== undefined;
      const text = (entity.string ?? '').replace(/\\[A-Za-z][^;\\]*;|[{}]/g, '').trim();
      const height = (entity.textHeight ?? entity.nominalTextHeight ?? 0) * scale;
      sheet.texts.push({ at: aligned ? at(entity.x2, entity.y2) : at(entity.x, entity.y), text, height, layer });
    } else if ((entity.type === 'LWPOLYLINE' || entity.type === 'POLYLINE') && entity.vertices) {
      const isCurved = entity.vertices.some(({ bulge }) => bulge);
      const isClosed = entity.closed ?? false;
      if (isCurved && !isClosed) sheet.curves.push({ points: chords(entity).map(to), layer });
      else placePolyline((isCurved ? chords(entity) : entity.vertices).map(to), isClosed, sheet, layer, block);
    } else if (entity.type === 'ARC' || entity.type === 'ELLIPSE' || entity.type === 'SPLINE') {
      const points = chords(entity);
      if (points.length > 1) sheet.curves.push({ points: points.map(to), layer });
    } else if (entity.type === 'INSERT' && entity.block && depth < 8) {
      const definition = blocks.get(entity.block);
      if (!definition) continue;
      const base = { x: -(definition.x ?? 0), y: -(definition.y ?? 0) };
      const [kx, ky] = [entity.scaleX ?? 1, entity.scaleY ?? 1];
      const places = arrayOf(entity);
      if (places === null) return true;
      for (const each of places) {
        const insert = (point: Point): Point => {
          const local = plus(point, base);
          const scaled = { x: local.x * kx + each.x, y: local.y * ky + each.y };
          return to(plus({ x: entity.x ?? 0, y: entity.y ?? 0 }, turned(scaled, entity.rotation ?? 0)));
        };
        const isFull = place(
          definition.entities,
          sheet,
          blocks,
          insert,
          scale * Math.abs(kx),
          { name: entity.block, layer },
          depth + 1,
        );
        if (isFull) return true;
      }
    }
  }
  return false;
}

/** Shifts of an insertion in rows and columns, along its own axes and not scaled; null where they are too many. */
function arrayOf({ columnCount, rowCount, columnSpacing = 0, rowSpacing = 0 }: Entity): Point[] | null {
  const [columns, rows] = [Math.max(1, columnCount ?? 1), Math.max(1, rowCount ?? 1)];
  if (!(columns * rows <= MOST_SHAPES)) return null;
  return Array.from({ length: rows }, (_, row) =>
    Array.from({ length: columns }, (__, column) => ({ x: column * columnSpacing, y: row * rowSpacing })),
  ).flat();
}

function placePolyline(corners: Point[], closed: boolean, sheet: Sheet, layer: string, block: string | null): void {
  const [first, last] = [corners[0], corners.at(-1)];
  const meets =
    corners.length > 3 && first && last && Math.abs(first.x - last.x) < 1e-9 && Math.abs(first.y - last.y) < 1e-9;
  if (closed || meets) {
    sheet.outlines.push({ corners: meets ? corners.slice(0, -1) : corners, layer, block });
    return;
  }
  corners.slice(1).forEach((corner, i) => sheet.lines.push({ a: corners[i]!, b: corner, layer }));
}

const coordinates = (sheet: Sheet): number[] => [
  ...sheet.lines.flatMap(({ a, b }) => [a.x, a.y, b.x, b.y]),
  ...sheet.circles.flatMap(({ at, radius }) => [at.x, at.y, radius]),
  ...sheet.texts.flatMap(({ at, height }) => [at.x, at.y, height]),
  ...sheet.curves.flatMap(({ points }) => points.flatMap(({ x, y }) => [x, y])),
  ...sheet.outlines.flatMap(({ corners }) => corners.flatMap(({ x, y }) => [x, y])),
];
