import { onSite } from '../buildings/survey';
import { sectionSize } from '../columns/section-shape';
import type { Ring } from '../geometry/polygon';
import type { Solved, SolvedBuilding } from '../solving/solved';

/** What a small elevation tells apart, in the order it is painted. */
export const ELEVATION_PARTS = ['walls', 'foundations', 'shafts', 'floors', 'columns'] as const;
export type ElevationPart = (typeof ELEVATION_PARTS)[number];

/** Buildings seen from the front of the site, small enough for a list: paths in a frame whose y goes down. */
export interface SmallElevation {
  width: number;
  height: number;
  /** Where the lowest building's zero is, from the top; null of nothing. */
  ground: number | null;
  /** One path for each part that there is, in SVG's path language. */
  paths: Partial<Record<ElevationPart, string>>;
}

/** The frame it is fitted into. */
const WIDTH = 240;
const HEIGHT = 150;
const MARGIN = 4;
/** Thinner than this nothing is drawn. */
const THINNEST = 0.9;

/** A rectangle in millimetres: along the front, and heights above the site's datum. */
interface Box {
  part: ElevationPart;
  from: number;
  to: number;
  low: number;
  high: number;
}

/** The small elevation of everything that is worked out, seen along +y of the site. */
export function smallElevation(solved: Solved): SmallElevation {
  const boxes = boxesOf(solved);
  if (boxes.length === 0) return { width: WIDTH, height: HEIGHT, ground: null, paths: {} };
  let [from, to, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const box of boxes) {
    [from, to] = [Math.min(from, box.from), Math.max(to, box.to)];
    [low, high] = [Math.min(low, box.low), Math.max(high, box.high)];
  }
  const [wide, tall] = [WIDTH - 2 * MARGIN, HEIGHT - 2 * MARGIN];
  const scale = Math.min(wide / Math.max(1, to - from), tall / Math.max(1, high - low));
  const left = (WIDTH - (to - from) * scale) / 2;
  const bottom = HEIGHT - MARGIN;
  const y = (mm: number) => bottom - (mm - low) * scale;
  const drawn = new Map<ElevationPart, Set<string>>();
  for (const box of boxes) {
    const [w, h] = [Math.max(THINNEST, (box.to - box.from) * scale), Math.max(THINNEST, (box.high - box.low) * scale)];
    const middle = left + ((box.from + box.to) / 2 - from) * scale;
    const piece = `M${figure(middle - w / 2)} ${figure(y(box.high))}h${figure(w)}v${figure(h)}h${figure(-w)}z`;
    const others = drawn.get(box.part);
    // Many things stand behind one another: what would be drawn at the same place is drawn once.
    if (others) others.add(piece);
    else drawn.set(box.part, new Set([piece]));
  }
  const ground = figure(y(Math.min(...solved.buildings.map(({ zeroMm }) => zeroMm))));
  const paths = Object.fromEntries(
    ELEVATION_PARTS.flatMap((part) => {
      const pieces = drawn.get(part);
      return pieces ? [[part, [...pieces].join('')]] : [];
    }),
  );
  return { width: WIDTH, height: HEIGHT, ground, paths };
}

const figure = (value: number): number => Math.round(value * 10) / 10;

function boxesOf({ buildings, floors, walls, columns, shafts, foundations }: Solved): Box[] {
  const byId = new Map(buildings.map((building) => [building.id, building]));
  const box = (
    part: ElevationPart,
    building: SolvedBuilding,
    rings: readonly Ring[],
    bottomMm: number,
    topMm: number,
  ): Box[] => {
    const xs = rings.flatMap((ring) => ring.map((point) => onSite(building, point).x));
    if (xs.length === 0) return [];
    const [low, high] = [bottomMm + building.zeroMm, topMm + building.zeroMm];
    return [{ part, from: Math.min(...xs), to: Math.max(...xs), low, high }];
  };
  const of = <T extends { building: string }>(things: readonly T[], read: (thing: T, at: SolvedBuilding) => Box[]) =>
    things.flatMap((thing) => {
      const at = byId.get(thing.building);
      return at ? read(thing, at) : [];
    });
  return [
    ...of(
      walls.filter(({ use }) => use === 'exterior'),
      (wall, at) => wall.strips.flatMap((strip) => box('walls', at, [strip], wall.bottomMm, wall.topMm)),
    ),
    ...of(foundations, (piece, at) =>
      piece.rings.flatMap((ring) => box('foundations', at, [ring], piece.bottomMm, piece.topMm)),
    ),
    ...of(shafts, (shaft, at) =>
      shaft.stages.flatMap(({ ring, bottomMm, topMm }) => box('shafts', at, [ring], bottomMm, topMm)),
    ),
    ...of(floors, (floor, at) => box('floors', at, [floor.outline], floor.topMm - floor.thicknessMm, floor.topMm)),
    ...of(columns, ({ at: centre, section, bottomMm, topMm }, at) => {
      const half = sectionSize(section)[0] / 2;
      const ring = [
        { x: centre.x - half, y: centre.y },
        { x: centre.x + half, y: centre.y },
      ];
      return box('columns', at, [ring], bottomMm, topMm);
    }),
  ];
}
