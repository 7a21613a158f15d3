import { distance, dot, minus, plus, quantised, times, turned, type Point } from '../geometry/point';
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
  section: { shape: 'rectangle'; widthMm: number; depthMm: number } | { shape: 'circle'; diameterMm: number };
}

export interface RecognisedColumns {
  unit: LengthUnit;
  layers: string[];
  columns: RecognisedColumn[];
  /** How the drawing was laid over the building: by the grid lines both have, or as it is. */
  registeredBy: { labels: string[] } | null;
  /** Closed outlines that are neither rectangle nor circle. */
  unclear: number;
}

type Shape = RecognisedColumn['section'] & { at: Point; turnDeg: number; layer: string };

/**
 * Finds columns in a drawing: closed rectangles, circles and blocks that hold one. The drawing is laid over the
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
  const { shapes, unclear } = shapesOf(sheet, MM_PER_UNIT[unit]);
  const chosen = shapes.filter(({ layer }) =>
    choice.layer === undefined ? !gridLayers.includes(layer) : layer === choice.layer,
  );
  if (chosen.some(({ at }) => !(Math.abs(at.x) <= LONGEST_MM && Math.abs(at.y) <= LONGEST_MM))) {
    return refuse('A column of the drawing lies further out than 1000 km. Check the unit and the file');
  }
  if (chosen.length === 0) {
    return refuse(
      choice.layer === undefined
        ? 'No closed rectangles, circles or blocks that could be columns were found. Choose the layer they are on'
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

function shapesOf(sheet: Sheet, scale: number): { shapes: Shape[]; unclear: number } {
  let unclear = 0;
  const shapes: Shape[] = sheet.circles.map(({ at, radius, layer }) => ({
    shape: 'circle',
    diameterMm: noise(2 * radius * scale),
    at: times(at, scale),
    turnDeg: 0,
    layer,
  }));
  for (const { corners, layer } of sheet.outlines) {
    const rectangle = asRectangle(corners.map((corner) => times(corner, scale)));
    if (rectangle) shapes.push({ ...rectangle, layer });
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

/** The same rectangle with its turn within −45 < turn ≤ 45; a circle has no turn. */
function foldQuarter(
  turnDeg: number,
  section: RecognisedColumn['section'],
): Pick<RecognisedColumn, 'turnDeg' | 'section'> {
  if (section.shape === 'circle') return { turnDeg: 0, section };
  const quarters = Math.round(turnDeg / 90);
  const turn = Math.round((turnDeg - 90 * quarters) * 1e5) / 1e5 || 0;
  const swapped = quarters % 2 !== 0;
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
