import { ringArea } from '../geometry/polygon';
import type { FloorPlate } from '../floors/floor';
import { mmOf } from '../dimensions/resolve-length';
import { recordOf, type Framework } from '../model/framework';
import { outlineFromWalls } from '../walls/outline-from-walls';
import { faceDepth, offsetPath, wallPath } from '../walls/wall-path';
import type { Wall } from '../walls/wall';
import type { Roof } from './roof';

/** The slab of a roof as a floor plate, with the roof's own id: it is solved as any other slab. */
export const roofSlab = (framework: Framework, roof: Roof): FloorPlate => {
  const { id, building, name, level, walls, face, thicknessMm, material, overhangMm } = roof;
  const isOver = mmOf(framework, overhangMm) > 0;
  return {
    kind: 'floorPlate',
    id,
    building,
    name,
    outline: { type: 'walls', walls, face: isOver ? 'outside' : face, offsetMm: isOver ? overhangMm : 0 },
    thicknessMm,
    material,
    levels: { at: [level] },
    exceptions: [],
    zones: [],
  };
};

/** The parapet of a roof as a wall along the outside of the walls under it, with the roof's own id; null without one. */
export function roofParapet(framework: Framework, roof: Roof): Wall | null {
  if (!roof.parapet) return null;
  const own = roof.walls
    .flatMap((id) => recordOf(framework, 'wall', id) ?? [])
    .filter((wall) => wall.sharedWith === null);
  const [only] = own;
  // Beside a party wall, which rises by itself, the parapet leaves its side open.
  if (own.length === 1 && only && !only.closed) return openParapet(framework, roof, only);
  const ring = outlineFromWalls(framework, { walls: roof.walls, face: 'outside', offsetMm: 0 });
  if (!ring) return null;
  return {
    kind: 'wall',
    id: roof.id,
    building: roof.building,
    name: roof.name,
    use: 'exterior',
    type: roof.parapet.type,
    place: { lines: null, xMm: 0, yMm: 0 },
    points: ring.map(({ x, y }) => ({ xMm: x, yMm: y })),
    closed: true,
    on: 'outside',
    // The ring goes round counter-clockwise or not; its outside is where it does not enclose.
    outside: ringArea(ring) > 0 ? 'right' : 'left',
    startsAt: startOf(framework, roof),
    stopsAt: { level: roof.level, face: 'FFL', offsetMm: roof.parapet.heightMm },
    passesClearMm: null,
    panels: null,
    openings: [],
    exceptions: [],
    sharedWith: null,
    sharedEnds: null,
  };
}

/** On the slab; one that is thinner than the slab's edge lies in stands on the walls beside it. */
const startOf = (framework: Framework, roof: Roof): Wall['startsAt'] => ({
  level: roof.level,
  face: 'SSL',
  offsetMm: standsBeside(framework, roof) ? -mmOf(framework, roof.thicknessMm) : 0,
});

/** A parapet along the outside of one open wall. */
function openParapet(framework: Framework, roof: Roof, under: Wall): Wall | null {
  const path = wallPath(framework, under);
  if (!path) return null;
  const outside = offsetPath(path.points, false, path.leftOf(0));
  return {
    ...under,
    id: roof.id,
    name: roof.name,
    type: roof.parapet!.type,
    place: { lines: null, xMm: 0, yMm: 0 },
    points: outside.map(({ x, y }) => ({ xMm: x, yMm: y })),
    on: 'outside',
    startsAt: startOf(framework, roof),
    stopsAt: { level: roof.level, face: 'FFL', offsetMm: roof.parapet!.heightMm },
    passesClearMm: null,
    openings: [],
    exceptions: [],
  };
}

/** True if the parapet ends before the slab begins, seen from outside. */
function standsBeside(framework: Framework, { walls, face, parapet }: Roof): boolean {
  const wall = recordOf(framework, 'wall', walls[0]!);
  const under = wall && wallPath(framework, wall)?.build;
  const thicknessMm = recordOf(framework, 'wallType', parapet!.type)!.layers.reduce(
    (sum, layer) => sum + mmOf(framework, layer.thicknessMm),
    0,
  );
  return under !== undefined && thicknessMm < faceDepth(under, face);
}
