import type { Box } from './arrange';
import type { Brief } from './brief';
import type { Proposal } from './rank';

/** A side of a rectangle: 0 the lower one, then counter-clockwise. */
export type Side = 0 | 1 | 2 | 3;

/** A thing of a core in its own axes, from the outer lower left corner. */
export interface CoreThing {
  wanted: number;
  box: Box;
  /** The side its door is in. */
  faces: Side;
  /** For stairs: the side one comes in from. */
  entry: Side;
}

/** A wall between two things, along its middle. */
export interface InnerWall {
  from: { x: number; y: number };
  to: { x: number; y: number };
}

/** A door in an inner wall, or in the outer one: from where on its line, and how wide. */
export interface CoreDoor {
  /** The thing it leads to; null: the lobby's own way out. */
  thing: number | null;
  /** Its wall; null: the outer one. */
  wall: number | null;
  alongMm: number;
  widthMm: number;
}

export interface CorePlan {
  lobby: Box;
  things: CoreThing[];
  walls: InnerWall[];
  doors: CoreDoor[];
}

const SIDES_ALONG_X = { above: 0, below: 2, left: 1, right: 3 } as const;
const SIDES_ALONG_Y = { above: 3, below: 1, left: 2, right: 0 } as const;
const NEAR_MM = 1;

/** A proposal as it is built: what stands where, the walls between, and doors. `widthMm`, `depthMm`: of the core, outside its walls. */
export function corePlan(proposal: Proposal, brief: Brief, widthMm: number, depthMm: number): CorePlan {
  const { outerMm, innerMm } = brief;
  const isAlongX = proposal.along === 'x';
  const turnedBox = ({ x, y, w, d }: Box): Box =>
    isAlongX ? { x: x + outerMm, y: y + outerMm, w, d } : { x: y + outerMm, y: x + outerMm, w: d, d: w };
  const lobby = turnedBox(proposal.standing.lobby);
  const things = proposal.standing.things.map(({ wanted, way, box, side }): CoreThing => {
    const faces = (isAlongX ? SIDES_ALONG_X : SIDES_ALONG_Y)[side];
    const isLevel = faces === 0 || faces === 2;
    const entry: Side = way.turned === 'no' ? faces : way.turned === 'low' ? (isLevel ? 3 : 0) : isLevel ? 1 : 2;
    return { wanted, box: turnedBox(box), faces, entry };
  });
  const inside: Box = { x: outerMm, y: outerMm, w: widthMm - 2 * outerMm, d: depthMm - 2 * outerMm };
  const walls = wallsAbout([lobby, ...things.map(({ box }) => box)], inside, innerMm);
  const doors = things.map((thing, i): CoreDoor => {
    const { way, side } = proposal.standing.things[i]!;
    const [from, to] = way.door;
    const isRow = side === 'above' || side === 'below';
    const isLevel = thing.faces === 0 || thing.faces === 2;
    // Along the lobby, or across it at its ends: doors are measured from the end with the lower x or y.
    const start = (isRow === isAlongX ? thing.box.x : thing.box.y) + from;
    const line = edgeOf(thing.box, thing.faces) + (thing.faces === 0 || thing.faces === 3 ? -1 : 1) * (innerMm / 2);
    const wall = walls.findIndex((each) =>
      isLevel
        ? Math.abs(each.from.y - line) < NEAR_MM &&
          Math.abs(each.to.y - line) < NEAR_MM &&
          each.from.x <= start + NEAR_MM &&
          each.to.x >= start + (to - from) - NEAR_MM
        : Math.abs(each.from.x - line) < NEAR_MM &&
          Math.abs(each.to.x - line) < NEAR_MM &&
          each.from.y <= start + NEAR_MM &&
          each.to.y >= start + (to - from) - NEAR_MM,
    );
    const found = walls[wall]!;
    return { thing: i, wall, alongMm: start - (isLevel ? found.from.x : found.from.y), widthMm: to - from };
  });
  return { lobby, things, walls, doors: [...doors, ...waysOut(lobby, inside, widthMm, depthMm)] };
}

/** Where a side of a box lies. */
const edgeOf = ({ x, y, w, d }: Box, side: Side): number => [y, x + w, y + d, x][side]!;

/** Openings of the lobby at the core's edge: at its ends, or at a side where both are taken. */
function waysOut(lobby: Box, inside: Box, widthMm: number, depthMm: number): CoreDoor[] {
  const open = ([0, 1, 2, 3] as const).filter((side) => Math.abs(edgeOf(lobby, side) - edgeOf(inside, side)) < NEAR_MM);
  const isShort = (side: Side) => (side === 0 || side === 2) === lobby.w < lobby.d;
  const ends = open.filter(isShort);
  return (ends.length > 0 ? ends : open.slice(0, 1)).map((side) => {
    const isLevel = side === 0 || side === 2;
    const room = isLevel ? lobby.w : lobby.d;
    const wide = Math.min(room - 100, 2000);
    const from = (isLevel ? lobby.x : lobby.y) + (room - wide) / 2;
    // The outer wall goes round from the lower left corner.
    const alongMm = [
      from,
      widthMm + from,
      widthMm + depthMm + (widthMm - from - wide),
      2 * widthMm + depthMm + (depthMm - from - wide),
    ][side]!;
    return { thing: null, wall: null, alongMm, widthMm: wide };
  });
}

/** Walls about boxes that stand a wall's thickness apart: along every side that is not at the core's outer wall, each line once. */
function wallsAbout(boxes: readonly Box[], inside: Box, wallMm: number): InnerWall[] {
  const lines = new Map<string, { level: boolean; at: number; spans: [number, number][] }>();
  for (const box of boxes)
    for (const side of [0, 1, 2, 3] as const) {
      const edge = edgeOf(box, side);
      const outer = edgeOf(inside, side);
      if (Math.abs(edge - outer) < NEAR_MM) continue;
      const isLevel = side === 0 || side === 2;
      const at = edge + (side === 0 || side === 3 ? -1 : 1) * (wallMm / 2);
      const [low, high] = isLevel ? [inside.x, inside.x + inside.w] : [inside.y, inside.y + inside.d];
      const [from, to] = isLevel ? [box.x, box.x + box.w] : [box.y, box.y + box.d];
      const span: [number, number] = [Math.max(low, from - wallMm / 2), Math.min(high, to + wallMm / 2)];
      const key = `${isLevel} ${Math.round(at)}`;
      const line = lines.get(key) ?? { level: isLevel, at, spans: [] };
      line.spans.push(span);
      lines.set(key, line);
    }
  return [...lines.values()].flatMap(({ level, at, spans }) =>
    joined(spans).map(([from, to]) =>
      level ? { from: { x: from, y: at }, to: { x: to, y: at } } : { from: { x: at, y: from }, to: { x: at, y: to } },
    ),
  );
}

function joined(spans: readonly [number, number][]): [number, number][] {
  const made: [number, number][] = [];
  for (const [from, to] of [...spans].sort((a, b) => a[0] - b[0])) {
    const last = made.at(-1);
    if (last && from <= last[1] + NEAR_MM) last[1] = Math.max(last[1], to);
    else made.push([from, to]);
  }
  return made;
}
