import type { Sheet } from '@/core/importing/sheet';
import { done, refuse, type Result } from '@/core/model/result';
import { MM_PER_UNIT } from '@/core/units/length-units';
import { Placements, PLACEMENT_TYPES, placedInto, seenFrom, turnedInto, within, type Axes } from './placements';
import { listed, partsOf, readStep, textOf, unitOf, type Line } from './read-step';

const WANTED = new Set([
  ...PLACEMENT_TYPES,
  'IFCARBITRARYCLOSEDPROFILEDEF',
  'IFCARBITRARYPROFILEDEFWITHVOIDS',
  'IFCBUILDING',
  'IFCCARTESIANPOINTLIST2D',
  'IFCCIRCLEHOLLOWPROFILEDEF',
  'IFCCIRCLEPROFILEDEF',
  'IFCCOLUMN',
  'IFCCOLUMNSTANDARDCASE',
  'IFCCONVERSIONBASEDUNIT',
  'IFCEXTRUDEDAREASOLID',
  'IFCGRID',
  'IFCGRIDAXIS',
  'IFCINDEXEDPOLYCURVE',
  'IFCISHAPEPROFILEDEF',
  'IFCLINE',
  'IFCMAPPEDITEM',
  'IFCPOLYLINE',
  'IFCPRODUCTDEFINITIONSHAPE',
  'IFCRECTANGLEHOLLOWPROFILEDEF',
  'IFCRECTANGLEPROFILEDEF',
  'IFCRELAGGREGATES',
  'IFCRELCONTAINEDINSPATIALSTRUCTURE',
  'IFCREPRESENTATIONMAP',
  'IFCSHAPEREPRESENTATION',
  'IFCSIUNIT',
  'IFCTRIMMEDCURVE',
  'IFCVECTOR',
]);

export const GRID_LAYER = 'Grid lines';
export const COLUMN_LAYER = 'Columns';

/** How high the labels at the ends of lines are taken to be, mm, so that those of lines that meet are told apart. */
const LABEL_MM = 100;
/** Extrusions this near to plumb show their section in plan. */
const PLUMB = 0.9999;

type Point2 = readonly [number, number];
type Outline = { circle: { at: Point2; radius: number } } | { ring: Point2[] };

/**
 * What an IFC file of others shows in plan, as a drawing: the axes of its grids with their tags at both ends, and the outlines of
 * its columns, each place once, as the lowest column there is. In the axes of the building; a file of several holds a drawing
 * for each. Only straight axes and plumb sections are read.
 */
export function readSheetIfc(text: string): Result<Sheet> {
  const read = readStep(text, WANTED);
  if (!read.ok) return read;
  const file = new Plan(read.value);
  const buildings = file.buildings();
  if (buildings.length <= 1) {
    const sheet = file.sheet(buildings[0] ?? null, false);
    if (sheet.lines.length === 0 && sheet.circles.length === 0 && sheet.outlines.length === 0)
      return refuse('The file holds no grid with straight axes and no column whose section can be read');
    return done(sheet);
  }
  const parts = buildings.map((line) => ({ building: textOf(line.args[2]), sheet: file.sheet(line, true) }));
  const together = <T>(list: (sheet: Sheet) => T[]) => parts.flatMap(({ sheet }) => list(sheet));
  return done({
    unit: parts[0]!.sheet.unit,
    lines: together(({ lines }) => lines),
    circles: together(({ circles }) => circles),
    texts: together(({ texts }) => texts),
    curves: [],
    outlines: together(({ outlines }) => outlines),
    parts,
  });
}

class Plan {
  private readonly byId: ReadonlyMap<string, Line>;
  private readonly placements: Placements;
  private readonly owners: ReadonlyMap<string, string>;
  private readonly unit: Sheet['unit'];

  constructor(private readonly lines: readonly Line[]) {
    this.byId = new Map(lines.map((line) => [line.id, line]));
    this.placements = new Placements(this.byId);
    this.owners = partsOf(lines);
    this.unit = unitOf(lines);
  }

  buildings(): Line[] {
    return this.lines.filter(({ type }) => type === 'IFCBUILDING');
  }

  /** What is of one building, or all there is, seen from where it stands. */
  sheet(building: Line | null, onlyIts: boolean): Sheet {
    const zero = this.placements.local(building?.args[5]);
    const isOf = (id: string) => !onlyIts || this.ownerOf(id) === building!.id;
    const sheet: Sheet = { unit: this.unit, lines: [], circles: [], texts: [], curves: [], outlines: [] };
    for (const line of this.lines) {
      if (line.type === 'IFCGRID' && isOf(line.id)) this.grid(line, zero, sheet);
    }
    this.columns(
      this.lines.filter(({ type, id }) => type.startsWith('IFCCOLUMN') && isOf(id)),
      zero,
      sheet,
    );
    return sheet;
  }

  /** The building something is part of, however deep. */
  private ownerOf(id: string): string | null {
    let at: string | undefined = id;
    for (let i = 0; i < 40 && at !== undefined; i += 1) {
      if (this.byId.get(at)?.type === 'IFCBUILDING') return at;
      at = this.owners.get(at);
    }
    return null;
  }

  private grid(grid: Line, zero: Axes, sheet: Sheet): void {
    const place = this.placements.local(grid.args[5]);
    const flat = ([x, y]: Point2): Point2 => {
      const [u, v] = seenFrom(zero, placedInto(place, [x, y, 0]));
      return [u, v];
    };
    const label = LABEL_MM / MM_PER_UNIT[this.unit ?? 'mm'];
    for (const ref of [grid.args[7], grid.args[8], grid.args[9]].flatMap((list) => listed(list))) {
      const axis = this.byId.get(ref);
      const ends = axis?.type === 'IFCGRIDAXIS' ? this.segment(axis.args[1]) : null;
      if (!ends) continue;
      const [a, b] = ends.map(flat) as [Point2, Point2];
      const long = Math.hypot(b[0] - a[0], b[1] - a[1]);
      if (!(long > 0)) continue;
      sheet.lines.push({ a: pointOf(a), b: pointOf(b), layer: GRID_LAYER });
      const out = [((b[0] - a[0]) / long) * 3 * label, ((b[1] - a[1]) / long) * 3 * label] as const;
      const text = textOf(axis!.args[0]);
      for (const at of [
        { x: a[0] - out[0], y: a[1] - out[1] },
        { x: b[0] + out[0], y: b[1] + out[1] },
      ])
        if (text !== '') sheet.texts.push({ at, text, height: label, layer: GRID_LAYER });
    }
  }

  /** The two ends of a straight curve; nothing for others. */
  private segment(ref: string | undefined): [Point2, Point2] | null {
    const curve = this.byId.get(ref ?? '');
    if (curve?.type === 'IFCTRIMMEDCURVE') {
      const line = this.byId.get(curve.args[0] ?? '');
      if (line?.type !== 'IFCLINE') return null;
      const ends = [curve.args[1], curve.args[2]].map((trim) => this.trimmed(line, listed(trim)));
      return ends[0] && ends[1] ? [ends[0], ends[1]] : null;
    }
    const points = this.path(ref);
    if (!points || points.length < 2) return null;
    const [a, b] = [points[0]!, points.at(-1)!];
    const isStraight = points.every(
      (p) =>
        Math.abs((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) <= 1e-6 * Math.hypot(...minus(b, a)),
    );
    return isStraight || points.length === 2 ? [a, b] : null;
  }

  /** Where a line is cut: at a point, or so many times its vector on. */
  private trimmed(line: Line, trims: readonly string[]): Point2 | null {
    const point = trims.find((trim) => trim.startsWith('#'));
    if (point) return flatOf(this.placements.point(point));
    const times = Number(/^IFCPARAMETERVALUE\((.*)\)$/i.exec(trims[0] ?? '')?.[1] ?? Number.NaN);
    const vector = this.byId.get(line.args[1] ?? '');
    if (!vector || !Number.isFinite(times)) return null;
    const [from, way] = [this.placements.point(line.args[0]), this.placements.point(vector.args[0])];
    const by = (times * Number(vector.args[1])) / (Math.hypot(...way) || 1);
    return [from[0] + way[0] * by, from[1] + way[1] * by];
  }

  /** Corners of a polyline, or of an indexed one without arcs. */
  private path(ref: string | undefined): Point2[] | null {
    const curve = this.byId.get(ref ?? '');
    if (curve?.type === 'IFCPOLYLINE')
      return listed(curve.args[0]).map((point) => flatOf(this.placements.point(point)));
    if (curve?.type !== 'IFCINDEXEDPOLYCURVE' || /IFCARCINDEX/i.test(curve.args[1] ?? '')) return null;
    const points = listed(this.byId.get(curve.args[0] ?? '')?.args[0]).map((point): Point2 => {
      const [x, y] = listed(point).map(Number);
      return [x ?? Number.NaN, y ?? Number.NaN];
    });
    if (!curve.args[1] || curve.args[1] === '$') return points;
    const order = [...curve.args[1].matchAll(/\d+/g)].map(([number]) => Number(number) - 1);
    return order.flatMap((i, at) => (i === order[at - 1] || !points[i] ? [] : [points[i]]));
  }

  private columns(columns: readonly Line[], zero: Axes, sheet: Sheet): void {
    const lowest = new Map<string, { z: number; outline: Outline }>();
    for (const column of columns) {
      for (const { axes, profile } of this.solids(column)) {
        const outline = this.outline(profile, axes, zero);
        if (!outline) continue;
        const [z, centre] = [axes.origin[2], centreOf(outline)];
        const scale = MM_PER_UNIT[this.unit ?? 'mm'];
        const place = centre.map((value) => Math.round(value * scale)).join(' ');
        if (z < (lowest.get(place)?.z ?? Number.POSITIVE_INFINITY)) lowest.set(place, { z, outline });
      }
    }
    for (const { outline } of lowest.values()) {
      if ('circle' in outline) {
        const { at, radius } = outline.circle;
        sheet.circles.push({ at: pointOf(at), radius, layer: COLUMN_LAYER, block: null });
      } else sheet.outlines.push({ corners: outline.ring.map(pointOf), layer: COLUMN_LAYER, block: null });
    }
  }

  /** Plumb extrusions a product is made of, each with the axes its profile is drawn in. */
  private solids(product: Line): { axes: Axes; profile: string }[] {
    const place = this.placements.local(product.args[5]);
    const shapes = listed(this.byId.get(product.args[6] ?? '')?.args[2]);
    const itemsOf = (shape: string | undefined) => listed(this.byId.get(shape ?? '')?.args[3]);
    const solid = (ref: string, at: Axes, depth: number): { axes: Axes; profile: string }[] => {
      const item = this.byId.get(ref);
      if (item?.type === 'IFCMAPPEDITEM' && depth < 8) {
        const map = this.byId.get(item.args[0] ?? '');
        const into = within(within(at, this.placements.axes(item.args[1])), this.placements.axes(map?.args[0]));
        return itemsOf(map?.args[1]).flatMap((inner) => solid(inner, into, depth + 1));
      }
      if (item?.type !== 'IFCEXTRUDEDAREASOLID') return [];
      const axes = within(at, this.placements.axes(item.args[1]));
      const [x, y, up] = turnedInto(axes, this.placements.point(item.args[2]));
      return Math.abs(up) > PLUMB * Math.hypot(x, y, up) ? [{ axes, profile: item.args[0] ?? '' }] : [];
    };
    return shapes.flatMap((shape) => itemsOf(shape).flatMap((item) => solid(item, place, 0)));
  }

  private outline(ref: string, axes: Axes, zero: Axes): Outline | null {
    const profile = this.byId.get(ref);
    if (!profile) return null;
    const parametric = profile.type !== 'IFCARBITRARYCLOSEDPROFILEDEF' && !profile.type.endsWith('WITHVOIDS');
    const own = parametric ? within(axes, this.placements.axes(profile.args[2])) : axes;
    const flat = ([x, y]: Point2): Point2 => flatOf(seenFrom(zero, placedInto(own, [x, y, 0])));
    const sizes = profile.args.slice(3).map(Number);
    if (profile.type.startsWith('IFCCIRCLE'))
      return sizes[0]! > 0 ? { circle: { at: flat([0, 0]), radius: sizes[0]! } } : null;
    const ring = parametric ? cornersOf(profile.type, sizes) : this.path(profile.args[2]);
    if (!ring || ring.length < 3 || !ring.flat().every(Number.isFinite)) return null;
    const [first, last] = [ring[0]!, ring.at(-1)!];
    const open = Math.hypot(...minus(first, last)) < 1e-9 ? ring.slice(0, -1) : ring;
    return { ring: open.map(flat) };
  }
}

/** Corners of a rectangle or an I about its middle; nothing for what has sizes missing. */
function cornersOf(type: string, [width = 0, depth = 0, web = 0, flange = 0]: readonly number[]): Point2[] | null {
  const [w, d] = [width / 2, depth / 2];
  if (!(w > 0 && d > 0)) return null;
  if (type !== 'IFCISHAPEPROFILEDEF')
    return [
      [-w, -d],
      [w, -d],
      [w, d],
      [-w, d],
    ];
  const [s, f] = [web / 2, d - flange];
  if (!(s > 0 && s < w && f > 0 && f < d)) return null;
  const right: Point2[] = [
    [w, -d],
    [w, -f],
    [s, -f],
    [s, f],
    [w, f],
    [w, d],
  ];
  return [...right, ...right.map(([x, y]): Point2 => [-x, -y])];
}

const flatOf = ([x, y]: readonly number[]): Point2 => [x!, y!];
const minus = (a: Point2, b: Point2): Point2 => [a[0] - b[0], a[1] - b[1]];
const pointOf = ([x, y]: Point2) => ({ x, y });

function centreOf(outline: Outline): Point2 {
  if ('circle' in outline) return outline.circle.at;
  const [xs, ys] = [0, 1].map((i) => outline.ring.map((point) => point[i]!)) as [number[], number[]];
  return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2];
}
