import { drawBody } from '../bodies/draw-bodies';
import { CUT_COATS, ofBuilding, SEEN_COATS, type SectionAt } from '../kinds/drawn';
import { sectionOf } from '../kinds/registry';
import type { Id } from '../model/ids';
import type { Solved, SolvedBuilding } from '../solving/solved';
import { boxOf, type Drawing, type Primitive } from './drawing';
import { withoutHidden } from './hidden';
import { readable } from './least-text';
import { levelMarks, REACH, sectionGrid, storeyHeights, type MarkLook, type SeenLine } from './section-marks';
import { frameOf, placesOnPlane, planeIn, type SectionPlane } from './section-plane';
import { marksOfView } from './view-marks';

export interface SectionView {
  building: Id;
  plane: SectionPlane;
  /** Scale of the paper, 1 : scale. */
  scale: number;
  /** The least height of what is written, mm on paper; what would be smaller is left out. */
  leastTextMm?: number;
  writeLength: (mm: number) => string;
  writeElevation: (mm: number) => string;
  /** What the view is called in the settings of its marks. */
  view?: string;
  /** What is shown at all: what is not hides nothing behind it either. `key` tells one choice from another. */
  shows?: { key: string; is: (primitive: Primitive) => boolean };
  /** Buildings whose levels are marked on each side; the view's own at the right, none at the left, where not said. */
  marks?: { left: Id | null; right: Id | null };
}

/**
 * The section or elevation: x runs along the plane, y is height from the building's zero. All buildings the plane
 * passes are drawn. What each kind draws is worked out from its rings: where the plane's line crosses a slab's edges lie its cut pieces. Of what lies
 * beyond the plane only what nothing nearer hides is drawn.
 */
export function drawSection(solved: Solved, view: SectionView): Drawing {
  const own = solved.buildings.find(({ id }) => id === view.building);
  const levels = solved.levels.filter((level) => level.building === view.building);
  const frame = frameOf(view.plane);
  if (!own || levels.length === 0 || !frame) return { primitives: [], marks: [], box: null };
  const parts = solved.buildings.map((building) => bodyOf(solved, building, own, view));
  const there = parts.flatMap(({ seen }) => seen);
  const { shows } = view;
  const drawn = `${view.building} ${JSON.stringify(view.plane)} ${shows?.key ?? ''}`;
  const seen = withoutHidden(shows ? there.filter(shows.is) : there, solved, drawn);
  const body = seen.concat(parts.flatMap(({ cut }) => cut));
  // All that is there, shown or not: hiding moves nothing.
  const span = boxOf([...there, ...body]);
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
  const all = [
    ...gridPrimitives,
    ...body,
    ...(sides.right ? side(solved, own, sides.right, { edgeX: right + reach, fromX: start, way: 1 }, look) : []),
    ...(sides.left
      ? side(solved, own, sides.left, { edgeX: start - 10 * view.scale, fromX: right + reach, way: -1 }, look)
      : []),
    ...storeyHeights(levels, start - 5 * view.scale, look),
  ];
  const primitives = readable(all, view);
  return { primitives, marks, box: boxOf([...primitives, ...there]) };
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

/** What stands beyond the plane, and what it cuts, of one building. */
function bodyOf(
  solved: Solved,
  building: SolvedBuilding,
  own: SolvedBuilding,
  view: SectionView,
): { seen: Primitive[]; cut: Primitive[] } {
  const frame = frameOf(planeIn(view.plane, own, building));
  if (!frame) return { seen: [], cut: [] };
  const liftMm = building.zeroMm - own.zeroMm;
  const at: SectionAt = { building: building.id, frame, isCut: view.plane.isCut, liftMm, scale: view.scale };
  const bodies = (wantsCut: boolean) =>
    ofBuilding(solved.bodies, at).flatMap((body) => drawBody(solved, body, at, wantsCut));
  return {
    seen: SEEN_COATS.flatMap((coat) =>
      coat === 'bodies' ? bodies(false) : sectionOf('seen', coat).flatMap((draw) => draw(solved, at)),
    ),
    cut: CUT_COATS.flatMap((coat) =>
      coat === 'bodies' ? bodies(true) : sectionOf('cut', coat).flatMap((draw) => draw(solved, at)),
    ),
  };
}
