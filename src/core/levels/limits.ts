import { unionLess } from '../geometry/boolean';
import { ringArea, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';

/** Where gross areas are measured to. */
export const GROSS_TO = ['outer faces', 'slab edges'] as const;
export type GrossTo = (typeof GROSS_TO)[number];

/** Heights that rules ask for, and the areas of a building. */
export interface BuildingLimits {
  /** From the ground level to the topmost level that bounds a storey or is a datum. */
  overallMm: number;
  top: string;
  /** FFL of the highest floor people use, above ground; null where there is none. */
  occupiedMm: number | null;
  occupied: string | null;
  /** Areas of all levels together, roofs apart. */
  areas: StoreyArea;
}

/** Kinds of level whose floor nobody uses. */
const UNOCCUPIED = new Set(['roof', 'plant', 'datum']);

/** Overall height, highest occupied floor and floor areas of a building; null without levels. The ground is at its zero. */
export function limitsOf(solved: Solved, building: Id): BuildingLimits | null {
  const levels = solved.levels.filter((level) => level.building === building);
  const top = levels.at(-1);
  if (!top) return null;
  const occupied = levels
    .filter((level) => !UNOCCUPIED.has(level.levelKind) && level.bounding && level.fflMm >= 0)
    .at(-1);
  return {
    overallMm: top.fflMm,
    top: top.name,
    occupiedMm: occupied?.fflMm ?? null,
    occupied: occupied?.name ?? null,
    areas: [...storeyAreas(solved, building).values()].reduce(together, nothing()),
  };
}

/** Areas of a level, mm². */
export interface StoreyArea {
  /** To the outer faces of exterior, party and glazed walls, or to the slab's edge where that lies further out. */
  toOuterFaces: number;
  /** Slabs to their edges, holes counted. */
  toSlabEdges: number;
  /** Slabs without their holes. */
  slabs: number;
  /** Within walls: rooms and closed regions without a name, less columns and shafts. */
  rooms: number;
  /** The same by use; what has no name yet is under no use. */
  byUse: ReadonlyMap<string, number>;
}

const nothing = (): StoreyArea => ({ toOuterFaces: 0, toSlabEdges: 0, slabs: 0, rooms: 0, byUse: new Map() });

function together(a: StoreyArea, b: StoreyArea): StoreyArea {
  const byUse = new Map(a.byUse);
  for (const [use, mm2] of b.byUse) byUse.set(use, (byUse.get(use) ?? 0) + mm2);
  return {
    toOuterFaces: a.toOuterFaces + b.toOuterFaces,
    toSlabEdges: a.toSlabEdges + b.toSlabEdges,
    slabs: a.slabs + b.slabs,
    rooms: a.rooms + b.rooms,
    byUse,
  };
}

/** Walls out to whose outer faces a floor is counted. */
const OUTSIDE = new Set(['exterior', 'party', 'glazed']);

/** Areas by level: those that have a floor, roofs apart. */
export function storeyAreas(solved: Solved, building: Id): Map<Id, StoreyArea> {
  const roofs = new Set(solved.levels.filter(({ levelKind }) => levelKind === 'roof').map(({ id }) => id));
  const rings = new Map<Id, Ring[]>();
  const areas = new Map<Id, StoreyArea>();
  for (const floor of solved.floors) {
    if (floor.building !== building || roofs.has(floor.level)) continue;
    const area = areas.get(floor.level) ?? nothing();
    areas.set(floor.level, {
      ...area,
      toSlabEdges: area.toSlabEdges + ringArea(floor.outline),
      slabs: area.slabs + solved.profiles[floor.profile]!.areaMm2,
    });
    rings.set(floor.level, [...(rings.get(floor.level) ?? []), floor.outline]);
  }
  for (const { level, use, strips } of [...solved.walls, ...solved.sharedWalls])
    if (OUTSIDE.has(use)) rings.get(level)?.push(...strips);
  for (const { building: of, level, use, netMm2 } of solved.rooms) {
    const area = areas.get(level);
    if (of !== building || !area) continue;
    const byUse = new Map(area.byUse).set(use, (area.byUse.get(use) ?? 0) + netMm2);
    areas.set(level, { ...area, rooms: area.rooms + netMm2, byUse });
  }
  for (const [level, area] of areas) areas.set(level, { ...area, toOuterFaces: unionArea(rings.get(level)!) });
  return areas;
}

/** Areas of rings that are the same objects; typical floors share them. */
const known = new WeakMap<Ring, { rings: readonly Ring[]; mm2: number }>();

function unionArea(rings: readonly Ring[]): number {
  const [first] = rings;
  if (!first) return 0;
  const before = known.get(first);
  if (before?.rings.length === rings.length && before.rings.every((ring, i) => ring === rings[i])) return before.mm2;
  const mm2 = unionLess(rings, []).areaMm2;
  known.set(first, { rings: [...rings], mm2 });
  return mm2;
}
