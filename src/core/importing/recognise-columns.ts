import type { SectionMm } from '../columns/section-shape';
import { distance, dot, minus, plus, quantised, times, turned, type Point } from '../geometry/point';
import { contains } from '../geometry/polygon';
import { directionDeg } from '../geometry/trig';
import { gridsOf, type ResolvedGrid } from '../grids/resolve-grids';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { done, refuse, type Result } from '../model/result';
import { LONGEST_MM, MM_PER_UNIT, type LengthUnit } from '../units/length-units';
import { inGridAxes, recogniseGrid, type RecognisedGrid } from './recognise-grid';
import type { Sheet } from './sheet';

/** A column outline found in a drawing, in building axes. */
export interface RecognisedColumn {
  xMm: number;
  yMm: number;
  turnDeg: number;
  section: SectionMm;
}

export interface RecognisedColumns {
  unit: LengthUnit;
  layers: string[];
  columns: RecognisedColumn[];
  /** How the drawing was laid over the building: by the grid lines both have, or as it is. */
  registeredBy: { labels: string[] } | null;
  /** Closed outlines that are no section we know. */
  unclear: number;
}

type Shape = RecognisedColumn['section'] & { at: Point; turnDeg: number; layer: string };

/**
 * Finds columns in a drawing: closed rectangles, circles, I sections and blocks that hold one. The drawing is laid over the
 * building by the grid lines of equal labels; without any, its zero and axes are taken as the building's.
 */
export function recogniseColumns(
  framework: Framework,
  building: Id,
  sheet: Sheet,
  choice: { unit?: LengthUnit; layer?: string } = {},
): Result<RecognisedColumns> {
  const unit = choice.unit ?? sheet.unit;
  if (!unit) return refuse('The drawing does not say its unit. Choose one: mm, cm, m, inch or ft');
  const grid = recogniseGrid(sheet, { unit });
  const gridLayers = grid.ok ? grid.value.layers : [];
  const { shapes, unclear } = shapesOf(sheet, MM_PER_UNIT[unit], grid.ok ? grid.value.labelsAt : []);
  const chosen = shapes.filter(({ layer }) =>
    choice.layer === undefined ? !gridLayers.includes(layer) : layer === choice.layer,
  );
  if (chosen.some(({ at }) => !(Math.abs(at.x) <= LONGEST_MM && Math.abs(at.y) <= LONGEST_MM))) {
    return refuse('A column of the drawing lies further out than 1000 km. Check the unit and the file');
  }
  if (chosen.length === 0) {
    return refuse(
      choice.layer === undefined
        ? 'No closed rectangles, circles, I sections or blocks that could be columns were found. Choose the layer they are on'
        : `No closed rectangles, circles or blocks were found on layer ${choice.layer}`,
    );
  }
  const register = grid.ok ? registration(framework, building, grid.value) : null;
  const columns = chosen.map(({ at, turnDeg, layer: _, ...section }) => {
    const place = register ? register.place(at) : at;
    const turn = foldQuarter(turnDeg + (register?.turnDeg ?? 0), section);
    return { xMm: noise(place.x), yMm: noise(place.y), turnDeg: turn.turnDeg, section: turn.section };
  });
  columns.sort((p, q) => p.yMm - q.yMm || p.xMm - q.xMm);
  return done({
    unit,
    layers: [...new Set(chosen.map(({ layer }) => layer))].sort(),
    columns,
    registeredBy: register ? { labels: register.labels } : null,
    unclear,
  });
}

const noise = (mm: number): number => Math.round(mm * 1000) / 1000 || 0;

/** Circles and outlines as sections. What holds a label of the grid is the head of a line. */
function shapesOf(sheet: Sheet, scale: number, labelsAt: readonly Point[]): { shapes: Shape[]; unclear: number } {
  let unclear = 0;
  const shapes = sheet.circles.flatMap(({ at, radius, layer }): Shape[] => {
    const centre = times(at, scale);
    const isHead = labelsAt.some((label) => distance(label, centre) <= radius * scale);
    return isHead ? [] : [{ shape: 'circle', diameterMm: noise(2 * radius * scale), at: centre, turnDeg: 0, layer }];
  });
  for (const { corners, layer } of sheet.outlines) {
    const inMm = corners.map((corner) => times(corner, scale));
    if (labelsAt.some((label) => contains(inMm, label))) continue;
    const section = asRectangle(inMm) ?? asI(inMm);
    if (section) shapes.push({ ...section, layer });
    else unclear += 1;
  }
  return { shapes, unclear };
}

/** A four-cornered outline as a rectangle; null if its sides are not square to 1 mm. */
function asRectangle(corners: readonly Point[]): Omit<Extract<Shape, { shape: 'rectangle' }>, 'layer'> | null {
  if (corners.length !== 4) return null;
  const [a, b, c, d] = corners as [Point, Point, Point, Point];
  const [u, v] = [minus(b, a), minus(d, a)];
  const [w, h] = [distance(a, b), distance(a, d)];
  if (w < 1 || h < 1 || distance(plus(b, v), c) > 1 || Math.abs(dot(u, v)) / Math.max(w, h) > 1) return null;
  return {
    shape: 'rectangle',
    widthMm: noise(w),
    depthMm: noise(h),
    at: times(plus(a, c), 0.5),
    turnDeg: directionDeg(u.y, u.x),
  };
}

/** A twelve-cornered outline as an I; null if it is none to 1 mm, or its flanges differ. */
function asI(corners: readonly Point[]): (Extract<SectionMm, { shape: 'I' }> & { at: Point; turnDeg: number }) | null {
  if (corners.length !== 12) return null;
  const side = minus(corners[1]!, corners[0]!);
  const alongDeg = directionDeg(side.y, side.x);
  const flat = corners.map((corner) => turned(corner, -alongDeg));
  // Distances of the corners from the middle, along and across: two of each, and the flanges are where more corners are far out.
  const middle = (values: readonly number[]) => (Math.min(...values) + Math.max(...values)) / 2;
  const centre = { x: middle(flat.map(({ x }) => x)), y: middle(flat.map(({ y }) => y)) };
  const reach = (key: 'x' | 'y') => {
    const away = flat.map((point) => Math.abs(point[key] - centre[key])).sort((a, b) => a - b);
    const [near, far] = [away[0]!, away[11]!];
    const isTwo = away.every((value) => Math.abs(value - near) <= 1 || Math.abs(value - far) <= 1);
    return isTwo && far - near > 1 ? { near, far, outer: away.filter((value) => far - value <= 1).length } : null;
  };
  const [x, y] = [reach('x'), reach('y')];
  if (!x || !y || x.outer + y.outer !== 12 || Math.abs(x.outer - y.outer) !== 4) return null;
  const isUpright = x.outer === 8;
  const [across, along] = isUpright ? [x, y] : [y, x];
  return {
    shape: 'I',
    widthMm: noise(2 * across.far),
    depthMm: noise(2 * along.far),
    webMm: noise(2 * across.near),
    flangeMm: noise(along.far - along.near),
    at: turned(centre, alongDeg),
    turnDeg: isUpright ? alongDeg : alongDeg - 90,
  };
}

/** The same section with its turn within −45 < turn ≤ 45, an I within −90 < turn ≤ 90; a circle has no turn. */
function foldQuarter(
  turnDeg: number,
  section: RecognisedColumn['section'],
): Pick<RecognisedColumn, 'turnDeg' | 'section'> {
  if (section.shape === 'circle') return { turnDeg: 0, section };
  const fold = section.shape === 'I' ? 180 : 90;
  const nearest = Math.round(turnDeg / fold);
  const rest = Math.round((turnDeg - fold * nearest) * 1e5) / 1e5 || 0;
  const [times, turn] = rest === -fold / 2 ? [nearest - 1, fold / 2] : [nearest, rest];
  if (section.shape === 'I') return { turnDeg: turn, section };
  const swapped = times % 2 !== 0;
  const { widthMm, depthMm } = section;
  return {
    turnDeg: turn,
    section: { shape: 'rectangle', widthMm: swapped ? depthMm : widthMm, depthMm: swapped ? widthMm : depthMm },
  };
}

/** The move that lays the drawing's grid on the building's: by the first line of each direction that both have. */
function registration(
  framework: Framework,
  building: Id,
  drawn: RecognisedGrid,
): { place: (point: Point) => Point; turnDeg: number; labels: string[] } | null {
  for (const grid of gridsOf(framework).filter(({ record }) => record.building === building)) {
    const a = sharedLine(grid, drawn, 'a');
    const b = sharedLine(grid, drawn, 'b');
    if (!a || !b) continue;
    const turnDeg = grid.turnDeg - drawn.turnDeg;
    const [ours, theirs] = [
      { x: a.ours, y: b.ours },
      { x: a.theirs, y: b.theirs },
    ];
    return {
      place: (point) =>
        quantised(plus(grid.origin, turned(plus(minus(inGridAxes(drawn, point), theirs), ours), grid.turnDeg))),
      turnDeg,
      labels: [a.label, b.label],
    };
  }
  return null;
}

/** First label a direction has in both, with its signed distance from the first crossing along the axis in each. */
function sharedLine(
  grid: ResolvedGrid,
  drawn: RecognisedGrid,
  direction: 'a' | 'b',
): { label: string; ours: number; theirs: number } | null {
  const { baysMm, labels, way } = drawn[direction];
  let offset = 0;
  for (const [i, label] of labels.entries()) {
    if (i > 0) offset += baysMm[i - 1]!;
    const line = label === null ? undefined : grid[direction].find((candidate) => candidate.label === label);
    if (label !== null && line)
      return { label, ours: line.offsetMm * grid.record.waysOf[direction], theirs: offset * way };
  }
  return null;
}
