import type { Body } from '../bodies/body';
import { layerOf } from '../bodies/draw-bodies';
import type { CeilingPiece } from '../ceilings/solved-ceiling';
import { sectionRing } from '../columns/section-shape';
import { dot, minus, plus, times } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { ColumnBlock, ColumnPiece, FloorPiece, FoundationPiece, Solved, SolvedBuilding } from '../solving/solved';
import type { WallPiece } from '../walls/solved-wall';
import { boxOf, type Drawing, type Primitive } from './drawing';
import { drawStairSection } from './draw-stair-section';
import { levelMarks, REACH, sectionGrid, storeyHeights, type MarkLook, type SeenLine } from './section-marks';
import { alongOf, depthOf, frameOf, placesOnPlane, planeIn, type Frame, type SectionPlane } from './section-plane';
import { marksOfView } from './view-marks';

export interface SectionView {
  building: Id;
  plane: SectionPlane;
  /** Scale of the paper, 1 : scale. */
  scale: number;
  writeLength: (mm: number) => string;
  writeElevation: (mm: number) => string;
  /** What the view is called in the settings of its marks. */
  view?: string;
  /** Buildings whose levels are marked on each side; the view's own at the right, none at the left, where not said. */
  marks?: { left: Id | null; right: Id | null };
}

/**
 * The section or elevation: x runs along the plane, y is height from the building's zero. All buildings the plane
 * passes are drawn. Slabs, columns and shafts are prisms, so the cut is worked out from their rings, without polygons:
 * where the plane's line crosses a slab's edges lie its cut pieces.
 */
export function drawSection(solved: Solved, view: SectionView): Drawing {
  const own = solved.buildings.find(({ id }) => id === view.building);
  const levels = solved.levels.filter((level) => level.building === view.building);
  const frame = frameOf(view.plane);
  if (!own || levels.length === 0 || !frame) return { primitives: [], marks: [], box: null };
  const parts = solved.buildings.map((building) => bodyOf(solved, building, own, view));
  const body = parts.flatMap(({ seen }) => seen).concat(parts.flatMap(({ cut }) => cut));
  const span = boxOf(body);
  const [low, high] = [levels[0]!.fflMm, levels.at(-1)!.fflMm];
  const grid = solved.lines
    .filter((line) => line.building === view.building)
    .flatMap((line): SeenLine[] => placesOnPlane(line, frame, view.plane.isCut).map((x) => ({ line, x })))
    .sort((p, q) => p.x - q.x || (p.line.id < q.line.id ? -1 : 1));
  const xs = [...(span ? [span.minX, span.maxX] : []), ...grid.map(({ x }) => x)];
  const [left, right] = xs.length > 0 ? [Math.min(...xs), Math.max(...xs)] : [0, 10_000];
  const look: MarkLook = { ...view, markAt: marksOfView(solved.marks, view.building, view.view ? [view.view] : []) };
  const { primitives: gridPrimitives, marks } = sectionGrid(grid, low, high, look);
  const reach = REACH * view.scale;
  const sides = view.marks ?? { left: null, right: view.building };
  const start = left - reach;
  const primitives = [
    ...gridPrimitives,
    ...body,
    ...(sides.right ? side(solved, own, sides.right, { edgeX: right + reach, fromX: start, way: 1 }, look) : []),
    ...(sides.left
      ? side(solved, own, sides.left, { edgeX: start - 10 * view.scale, fromX: right + reach, way: -1 }, look)
      : []),
    ...storeyHeights(levels, start - 5 * view.scale, look),
  ];
  return { primitives, marks, box: boxOf(primitives) };
}

function side(
  solved: Solved,
  own: SolvedBuilding,
  building: Id,
  { edgeX, fromX, way }: { edgeX: number; fromX: number; way: 1 | -1 },
  look: MarkLook,
): Primitive[] {
  const of = solved.buildings.find(({ id }) => id === building);
  const levels = solved.levels.filter((level) => level.building === building);
  if (!of) return [];
  // Another building's levels are no lines through this one: short strokes at their side.
  const from = building === own.id ? fromX : edgeX - way * REACH * look.scale;
  return levelMarks({ levels, liftMm: of.zeroMm - own.zeroMm, edgeX, fromX: from, way }, look);
}

const box = (x0: number, y0: number, x1: number, y1: number): Ring => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
];

/** A plane seen from a building's own axes, and how much higher its heights are drawn. */
interface Seen {
  frame: Frame;
  isCut: boolean;
  liftMm: number;
  scale: number;
}

/** What stands beyond the plane, and what it cuts, of one building. */
function bodyOf(
  solved: Solved,
  building: SolvedBuilding,
  own: SolvedBuilding,
  view: SectionView,
): { seen: Primitive[]; cut: Primitive[] } {
  const frame = frameOf(planeIn(view.plane, own, building));
  if (!frame) return { seen: [], cut: [] };
  const from: Seen = { frame, isCut: view.plane.isCut, liftMm: building.zeroMm - own.zeroMm, scale: view.scale };
  const of = <T extends { building: Id }>(things: readonly T[]) =>
    things.filter((thing) => thing.building === building.id);
  const [floors, columns, blocks] = [of(solved.floors), of(solved.columns), of(solved.blocks)];
  return {
    seen: [
      ...of(solved.foundations).flatMap((piece) => drawFoundation(solved, piece, from, false)),
      ...floors.flatMap((floor) => seenSlab(floor, from)),
      ...columns.flatMap((column) => drawColumn(column, from, false)),
      ...blocks.flatMap((block) => drawBlock(block, from, false)),
      ...of(solved.walls).flatMap((wall) => seenWall(wall, from)),
      ...of(solved.bodies).flatMap((body) => drawBody(solved, body, from, false)),
      ...of(solved.stairs).flatMap((stair) => drawStairSection(stair, from, false)),
      ...drawShafts(solved, building.id, from),
    ],
    cut: [
      ...of(solved.foundations).flatMap((piece) => drawFoundation(solved, piece, from, true)),
      ...floors.flatMap((floor) => cutSlab(solved, floor, from)),
      ...of(solved.ceilings).flatMap((piece) => cutCeiling(solved, piece, from)),
      ...of(solved.bodies).flatMap((body) => drawBody(solved, body, from, true)),
      ...of(solved.walls).flatMap((wall) => cutWall(solved, wall, from)),
      ...of(solved.stairs).flatMap((stair) => drawStairSection(stair, from, true)),
      ...blocks.flatMap((block) => drawBlock(block, from, true)),
      ...columns.flatMap((column) => drawColumn(column, from, true)),
    ],
  };
}

/** Stretches of the plane's line that lie within an outline less its holes, from left to right. */
function cutStretches(frame: Frame, rings: readonly Ring[]): [number, number][] {
  const meets: number[] = [];
  for (const ring of rings) {
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length]!;
      const [da, db] = [depthOf(frame, a), depthOf(frame, b)];
      // Half-open, so that a corner on the line counts once.
      if (da > 0 === db > 0) return;
      const t = da / (da - db);
      meets.push(alongOf(frame, plus(a, times(minus(b, a), t))));
    });
  }
  meets.sort((p, q) => p - q);
  const stretches: [number, number][] = [];
  for (let i = 0; i + 1 < meets.length; i += 2) {
    if (meets[i + 1]! - meets[i]! > 1e-3) stretches.push([meets[i]!, meets[i + 1]!]);
  }
  return stretches;
}

function cutSlab(solved: Solved, piece: FloorPiece, { frame, isCut, liftMm }: Seen): Primitive[] {
  if (!isCut) return [];
  const rings = solved.profiles[piece.profile]!.regions.flatMap(({ outer, holes }) => [outer, ...holes]);
  const top = piece.topMm + liftMm;
  return cutStretches(frame, rings).map(([x0, x1]): Primitive => ({
    type: 'area',
    style: 'slabCut',
    id: piece.plate,
    rings: [box(x0, top - piece.thicknessMm, x1, top)],
  }));
}

/** A raft, pad or strip where the plane cuts it, or beyond it. */
function drawFoundation(solved: Solved, piece: FoundationPiece, from: Seen, wantsCut: boolean): Primitive[] {
  const regions = solved.profiles[piece.profile]!.regions;
  const stretches = wantsCut
    ? from.isCut
      ? cutStretches(
          from.frame,
          regions.flatMap(({ outer, holes }) => [outer, ...holes]),
        )
      : []
    : regions.flatMap(({ outer }) => {
        const stretch = stretchOf(outer, from, false);
        return stretch ? [stretch] : [];
      });
  return stretches.map(([x0, x1]): Primitive => ({
    type: 'area',
    style: wantsCut ? 'slabCut' : 'slabSeen',
    id: piece.foundation,
    rings: [box(x0, piece.bottomMm + from.liftMm, x1, piece.topMm + from.liftMm)],
  }));
}

/** A ceiling where the plane cuts it. */
function cutCeiling(solved: Solved, piece: CeilingPiece, { frame, isCut, liftMm }: Seen): Primitive[] {
  if (!isCut) return [];
  const rings = solved.profiles[piece.profile]!.regions.flatMap(({ outer, holes }) => [outer, ...holes]);
  return cutStretches(frame, rings).map(([x0, x1]): Primitive => ({
    type: 'area',
    style: 'ceilingCut',
    id: piece.ceiling,
    rings: [box(x0, piece.bottomMm + liftMm, x1, piece.topMm + liftMm)],
  }));
}

/** A body where the plane cuts it, or beyond the plane. */
function drawBody(solved: Solved, body: Body, from: Seen, wantsCut: boolean): Primitive[] {
  if (wantsCut && !from.isCut) return [];
  const rings = solved.profiles[body.profile]!.regions.flatMap(({ outer, holes }) => [outer, ...holes]);
  const cut = from.isCut ? cutStretches(from.frame, rings) : [];
  // What is cut is not seen beyond as well.
  const seen = !wantsCut && cut.length === 0 ? stretchOf(body.ring, from, false) : null;
  const stretches = wantsCut ? cut : seen ? [seen] : [];
  return stretches.map(([x0, x1]): Primitive => ({
    type: 'area',
    style: wantsCut ? 'bodyCut' : 'bodySeen',
    id: body.thing,
    layer: layerOf(body),
    rings: [box(x0, body.bottomMm + from.liftMm, x1, body.topMm + from.liftMm)],
  }));
}

/** A wall where the plane cuts it, its openings left out. */
function cutWall(solved: Solved, piece: WallPiece, { frame, isCut, liftMm }: Seen): Primitive[] {
  if (!isCut) return [];
  return piece.slices.flatMap(({ profile, bottomMm, topMm }) => {
    const rings = solved.profiles[profile]!.regions.flatMap(({ outer, holes }) => [outer, ...holes]);
    return cutStretches(frame, rings).map(([x0, x1]): Primitive => ({
      type: 'area',
      style: 'wallCut',
      id: piece.wall,
      rings: [box(x0, bottomMm + liftMm, x1, topMm + liftMm)],
    }));
  });
}

/** The straight parts of a wall beyond the plane, with its openings. */
function seenWall(piece: WallPiece, from: Seen): Primitive[] {
  const seen = (ring: Ring, bottomMm: number, topMm: number, style: 'wallSeen' | 'opening'): Primitive[] => {
    const stretch = stretchOf(ring, from, false);
    if (!stretch) return [];
    const rings = [box(stretch[0], bottomMm + from.liftMm, stretch[1], topMm + from.liftMm)];
    return [{ type: 'area', style, id: piece.wall, rings }];
  };
  return [
    ...piece.strips.flatMap((strip) => seen(strip, piece.bottomMm, piece.topMm, 'wallSeen')),
    ...piece.openings
      .filter(({ inwards }) => Math.abs(dot(inwards, from.frame.into)) > 0.1)
      .flatMap(({ ring, bottomMm, topMm }) => seen(ring, bottomMm, topMm, 'opening')),
  ];
}

/** The edge of a slab that is seen beyond the plane. */
function seenSlab(piece: FloorPiece, { frame, isCut, liftMm }: Seen): Primitive[] {
  if (isCut && !piece.outline.some((point) => depthOf(frame, point) > 0)) return [];
  const xs = piece.outline.map((point) => alongOf(frame, point));
  const top = piece.topMm + liftMm;
  return [
    {
      type: 'area',
      style: 'slabSeen',
      id: piece.plate,
      rings: [box(Math.min(...xs), top - piece.thicknessMm, Math.max(...xs), top)],
    },
  ];
}

/** The stretch of the plane a prism is cut or seen at; null where it is neither, or not the one asked for. */
function stretchOf(ring: Ring, { frame, isCut }: Seen, wantsCut: boolean): [number, number] | null {
  const depths = ring.map((point) => depthOf(frame, point));
  const cuts = isCut && Math.min(...depths) < 0 && Math.max(...depths) > 0;
  if (cuts !== wantsCut || (!cuts && isCut && Math.min(...depths) < 0)) return null;
  if (cuts) {
    const stretches = cutStretches(frame, [ring]);
    return stretches.length > 0 ? [stretches[0]![0], stretches.at(-1)![1]] : null;
  }
  const xs = ring.map((point) => alongOf(frame, point));
  return [Math.min(...xs), Math.max(...xs)];
}

function drawColumn(piece: ColumnPiece, from: Seen, wantsCut: boolean): Primitive[] {
  const stretch = stretchOf(sectionRing(piece.section, piece.at, piece.turnDeg), from, wantsCut);
  if (!stretch) return [];
  return [
    {
      type: 'area',
      style: wantsCut ? 'columnCut' : 'columnSeen',
      id: piece.stack,
      rings: [box(stretch[0], piece.bottomMm + from.liftMm, stretch[1], piece.topMm + from.liftMm)],
    },
  ];
}

function drawBlock(block: ColumnBlock, from: Seen, wantsCut: boolean): Primitive[] {
  const { widthMm, depthMm, at, turnDeg } = block;
  const stretch = stretchOf(sectionRing({ shape: 'rectangle', widthMm, depthMm }, at, turnDeg), from, wantsCut);
  if (!stretch) return [];
  return [
    {
      type: 'area',
      style: wantsCut ? 'slabCut' : 'columnSeen',
      id: block.stack,
      rings: [box(stretch[0], block.bottomMm + from.liftMm, stretch[1], block.topMm + from.liftMm)],
    },
  ];
}

/** A shaft's free space where the plane passes through it. */
function drawShafts(solved: Solved, building: Id, { frame, isCut, liftMm, scale }: Seen): Primitive[] {
  if (!isCut) return [];
  return solved.shafts
    .filter((shaft) => shaft.building === building && shaft.topMm > shaft.bottomMm)
    .flatMap((shaft) =>
      shaft.stages.flatMap((stage, i) =>
        cutStretches(frame, [stage.ring]).flatMap(([x0, x1]): Primitive[] => [
          {
            type: 'area',
            style: 'shaftClosed',
            id: shaft.shaft,
            rings: [box(x0, stage.bottomMm + liftMm, x1, stage.topMm + liftMm)],
          },
          ...(i === shaft.stages.length - 1
            ? [
                {
                  type: 'text' as const,
                  style: 'shaftText' as const,
                  id: shaft.shaft,
                  at: { x: (x0 + x1) / 2, y: stage.topMm + liftMm - 3 * scale },
                  text: shaft.name,
                  heightMm: Math.min(2.4 * scale, (x1 - x0) / 3),
                  turnDeg: 0,
                },
              ]
            : []),
        ]),
      ),
    );
}
