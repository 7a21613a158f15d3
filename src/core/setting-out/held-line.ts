import { actingOn } from '../columns/acting-place';
import { sectionHull, sectionMm } from '../columns/section-shape';
import { mmOf } from '../dimensions/resolve-length';
import { offsetCurve } from '../geometry/curve';
import { minus } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import { directionDeg } from '../geometry/trig';
import { axisLine, type AxisLine } from '../grids/axis-lines';
import { derived } from '../model/derived';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { stripsOf, wallPath } from '../walls/wall-path';
import type { Rec } from '../model/kinds';
import { outlineRing } from '../outlines/outline-ring';

/**
 * Any line a face can be held to: a grid line, a setting-out line, or one that is set out from an edge of a slab or
 * shaft. Undefined where its source leaves nothing of it.
 */
export function heldLine(framework: Framework, id: Id): AxisLine | undefined {
  const known = axisLine(framework, id);
  if (known) return known;
  return lineFromEdge(framework, id) ?? undefined;
}

const lineFromEdge = derived('line from an edge', fromEdge);

function fromEdge(framework: Framework, id: Id): AxisLine | null {
  const record = recordOf(framework, 'settingOutLine', id);
  if (!record) return null;
  const source =
    record.edge === null ? heldLine(framework, record.source) : edgeOf(framework, record.source, record.edge);
  const curve = source && offsetCurve(source.curve, mmOf(framework, record.offsetMm) * source.positiveSide);
  if (!source || !curve) return null;
  return {
    ...source,
    id,
    label: record.name,
    curve,
    fromLevel: record.fromLevel ?? source.fromLevel,
    toLevel: record.toLevel ?? source.toLevel,
  };
}

/**
 * An edge of a slab or shaft, or a face of a column or wall, as a line; positive offsets lead outwards. Counted
 * counter-clockwise; of a wall, four for each straight part of its path.
 */
export function edgeOf(framework: Framework, thing: Id, edge: number): AxisLine | null {
  const record = framework.records.get(thing);
  const found = record && ringToHold(framework, record, edge);
  if (!record || !found) return null;
  const { ring, side, called, building } = found;
  const [from, to] = [ring?.[side], ring?.[(side + 1) % (ring?.length ?? 1)]];
  if (!from || !to) return null;
  const way = minus(to, from);
  return {
    id: thing,
    building,
    label: `${called} ${edge + 1}`,
    curve: { kind: 'segment', from, to },
    turnDeg: directionDeg(way.y, way.x),
    // Counter-clockwise, the outside lies to the right.
    positiveSide: -1,
    datumMm: 0,
    fromLevel: null,
    toLevel: null,
    root: thing,
    isEdge: true,
  };
}

interface HeldRing {
  ring: Ring | null;
  /** Which edge of the ring. */
  side: number;
  called: string;
  building: Id;
}

/** The ring with an edge lines can be set out from: of a slab, a shaft, a column's first section, a part of a wall. */
function ringToHold(framework: Framework, record: Rec, edge: number): HeldRing | null {
  if (record.kind === 'shaft' || record.kind === 'floorPlate') {
    const { building, outline, name } = record;
    return { ring: outlineRing(framework, outline, heldLine), side: edge, called: `${name} edge`, building };
  }
  if (record.kind === 'wall') {
    const path = wallPath(framework, record);
    const strips = path ? stripsOf(path, 0, path.build.thicknessMm) : [];
    const { building, name } = record;
    return { ring: strips[Math.floor(edge / 4)] ?? null, side: edge % 4, called: `wall ${name} face`, building };
  }
  if (record.kind !== 'columnStack') return null;
  const { at, turnDeg, mark } = actingOn(framework, record, heldLine);
  const ring = sectionHull(sectionMm(framework, record.section), at, turnDeg);
  const called = `column ${record.name ?? mark ?? ''} face`.replace('  ', ' ');
  return { ring, side: edge, called, building: record.building };
}
