import { columnRuns, type Run } from '../checks/check-columns';
import type { Finding } from '../checks/finding';
import { platesPass } from '../floors/floor-passes';
import type { Point } from '../geometry/point';
import { contains, type Ring } from '../geometry/polygon';
import { called } from '../kinds/records';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../passes/plan-facts';
import { together } from '../passes/together';
import { definePass, partsOf } from '../passes/pass';
import { acting } from '../setting-out/acting';
import { extentsPass, flooredPass, ownRecords, storeysOf } from '../solving/building-passes';
import { placing } from '../solving/placed';
import type { ColumnBlock, ColumnPiece } from '../solving/solved';
import { quantiseMm } from '../units/length-units';
import type { ColumnStack } from './column';
import { sectionRing, type SectionMm } from './section-shape';
import { roofSlantsPass } from '../pitched-roofs/pitched-roof-passes';
import { underOver } from '../pitched-roofs/under-roof';
import { underRoofs } from './under-roofs';
import { solveColumn } from './solve-columns';
import { storeyStates, type StoreyState } from './storey-states';

interface SolvedStack {
  pieces: readonly ColumnPiece[];
  blocks: readonly ColumnBlock[];
  findings: readonly Finding[];
}

type FlooredLevel = Pick<ResolvedLevel, 'id' | 'bounding'>;
/** Levels with floors, whatever their heights. */
const flooredIdsPass = definePass({
  name: 'order of levels with floors',
  scope: 'building',
  run: (cx, building): readonly FlooredLevel[] =>
    cx.get(flooredPass, building).map(({ id, bounding }) => ({ id, bounding })),
});

/** The levels that part a column, whatever their heights. */
const partingPass = definePass({
  name: 'levels that part a column',
  scope: 'thing',
  run: (cx, id): readonly { id: Id }[] => {
    const stack = recordOf(cx.framework, 'columnStack', id);
    if (!stack) return [];
    const floored = cx.get(flooredIdsPass, stack.building);
    return partingLevels(cx.framework, stack, floored, cx.get(extentsPass, stack.building)).map(({ id }) => ({ id }));
  },
});

/** How a column stands in each storey in plan: what is pushed up stands as it did. */
const statesPass = definePass({
  name: 'column in plan by storeys',
  scope: 'thing',
  run: (cx, id): readonly StoreyState[] => {
    const stack = recordOf(cx.framework, 'columnStack', id);
    return stack ? storeyStates(cx.framework, stack, cx.get(partingPass, id)) : [];
  },
});

const fflByLevelPass = definePass({
  name: 'heights of levels with floors',
  scope: 'building',
  run: (cx, building): ReadonlyMap<Id, number> =>
    new Map(cx.get(flooredPass, building).map(({ id, fflMm }) => [id, fflMm])),
});

/** A column through its storeys; its pieces each from the FFL of its level: what is pushed up stays the same. */
const solvedPass = definePass<SolvedStack>({
  name: 'column stack',
  scope: 'thing',
  run: (cx, id) => {
    const stack = recordOf(cx.framework, 'columnStack', id);
    if (!stack) return NOTHING;
    const { building } = stack;
    const floored = cx.get(flooredPass, building);
    const levels = partingLevels(cx.framework, stack, floored, cx.get(extentsPass, building));
    const slants = cx.get(roofSlantsPass, building);
    const roofOver = (ring: Ring) => (slants.length > 0 ? (underOver(slants, [ring])?.lowMm ?? null) : null);
    const plates = cx.get(platesPass, building);
    const open = solveColumn(cx.framework, stack, levels, plates, cx.facts, cx.get(statesPass, id), roofOver);
    const solved = slants.length > 0 ? underRoofs(open, roofOver) : open;
    const fflOf = cx.get(fflByLevelPass, building);
    const pieces = solved.pieces.map((piece) => {
      const zeroMm = fflOf.get(piece.level) ?? 0;
      return { ...piece, bottomMm: quantiseMm(piece.bottomMm - zeroMm), topMm: quantiseMm(piece.topMm - zeroMm) };
    });
    return { ...solved, pieces };
  },
  failing: ({ framework }, id) => {
    const stack = recordOf(framework, 'columnStack', id);
    return { what: stack ? called(stack) : 'A column', building: stack?.building ?? '', about: [id], value: NOTHING };
  },
});
const NOTHING: SolvedStack = { pieces: [], blocks: [], findings: [] };

/** A piece of a column in the building's heights. */
export const placedColumn = placing((piece: ColumnPiece, level, fflMm) => ({
  ...piece,
  level,
  bottomMm: quantiseMm(piece.bottomMm + fflMm),
  topMm: quantiseMm(piece.topMm + fflMm),
}));

/** A column through its storeys. */
export const stackPass = definePass<SolvedStack>({
  name: 'column stack in place',
  scope: 'thing',
  gathers: true,
  run: (cx, id) => {
    const solved = cx.get(solvedPass, id);
    const fflOf = cx.get(fflByLevelPass, recordOf(cx.framework, 'columnStack', id)?.building ?? '');
    const pieces = solved.pieces.map((piece) => placedColumn(piece, piece.level, fflOf.get(piece.level) ?? 0));
    return { ...solved, pieces };
  },
});

const runsPass = definePass({
  name: 'column stack in like stretches',
  scope: 'thing',
  gathers: true,
  run: (cx, id): readonly Run[] => columnRuns(cx.get(stackPass, id).pieces, cx.facts)[0] ?? [],
});

const stacksPass = definePass({
  name: 'column stacks',
  scope: 'building',
  run: ({ framework }, building): readonly Id[] =>
    ownRecords(recordsOf(framework, 'columnStack'), building).map(({ id }) => id),
});

/** All columns of a building, stack by stack. */
export const columnsPass = definePass({
  name: 'columns',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly ColumnPiece[] =>
    together(cx.get(stacksPass, building).map((id) => cx.get(stackPass, id).pieces)),
});

/** Columns by the levels they begin at, each from the FFL of that. */
const onLevelsPass = definePass({
  name: 'columns from floors by levels',
  scope: 'building',
  gathers: true,
  run: (cx, building): ReadonlyMap<Id, readonly ColumnPiece[]> => {
    const found = new Map<Id, ColumnPiece[]>();
    for (const id of cx.get(stacksPass, building))
      for (const piece of cx.get(solvedPass, id).pieces) {
        const list = found.get(piece.level);
        if (list) list.push(piece);
        else found.set(piece.level, [piece]);
      }
    return found;
  },
});

/** Those of a storey; by building and level. */
export const columnsOnFloorPass = definePass({
  name: 'columns from the floor of a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly ColumnPiece[] => {
    const [building, level] = partsOf(key);
    return cx.get(onLevelsPass, building).get(level) ?? [];
  },
});

/** Those that begin at levels without a storey of their own, in the building's heights. */
export const columnsElsewherePass = definePass({
  name: 'columns that begin between storeys',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly ColumnPiece[] => {
    const storeys = new Set(storeysOf(cx, building).map(({ id }) => id));
    const fflOf = cx.get(fflByLevelPass, building);
    return [...cx.get(onLevelsPass, building)].flatMap(([level, pieces]) =>
      storeys.has(level) ? [] : pieces.map((piece) => placedColumn(piece, level, fflOf.get(level) ?? 0)),
    );
  },
});

export const blocksPass = definePass({
  name: 'heads and thickenings',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly ColumnBlock[] =>
    cx.get(stacksPass, building).flatMap((id) => cx.get(stackPass, id).blocks),
});

export const stackFindingsPass = definePass({
  name: 'findings of column stacks',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Finding[] =>
    cx.get(stacksPass, building).flatMap((id) => cx.get(stackPass, id).findings),
});

/** Stacks that stand somewhere, each in stretches that are the same in plan. */
export const columnRunsPass = definePass({
  name: 'columns in like stretches',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly (readonly Run[])[] =>
    cx
      .get(stacksPass, building)
      .map((id) => cx.get(runsPass, id))
      .filter(({ length }) => length > 0),
});

/** A column of a storey in plan with its top. */
interface ColumnAt {
  stack: Id;
  mark: string;
  ring: Ring;
  topMm: number;
}

/** Rings of sections by the place they stand at, which is one object all the way up. */
const rings = new WeakMap<Point, { section: SectionMm; turnDeg: number; ring: Ring }>();
function ringOf(facts: PlanFacts, { section, at, turnDeg }: ColumnPiece): Ring {
  const before = rings.get(at);
  if (before?.section === section && before.turnDeg === turnDeg) return facts.one(before.ring);
  const ring = facts.one(sectionRing(section, at, turnDeg));
  rings.set(at, { section, turnDeg, ring });
  return ring;
}

/** Columns of a storey in plan with their tops from its FFL; by building and level. */
export const columnsAtPass = definePass({
  name: 'columns of a storey',
  scope: 'level',
  run: (cx, key): readonly ColumnAt[] =>
    cx.get(columnsOnFloorPass, key).map((piece) => {
      const { stack, mark, topMm } = piece;
      return { stack, mark, ring: ringOf(cx.facts, piece), topMm };
    }),
});

/** Columns of a storey in plan. */
export const columnRingsPass = definePass({
  name: 'columns of a storey in plan',
  scope: 'level',
  run: (cx, key): readonly Ring[] => cx.get(columnsAtPass, key).map(({ ring }) => ring),
});

/** The levels that part a column: those that bound storeys, and mezzanines whose extent it stands in. */
function partingLevels<L extends FlooredLevel>(
  framework: Framework,
  stack: ColumnStack,
  floored: readonly L[],
  extents: ReadonlyMap<string, Ring | null>,
): readonly L[] {
  if (floored.every(({ bounding }) => bounding)) return floored;
  const { at } = acting(framework, stack);
  return floored.filter(({ id, bounding }) => {
    const extent = extents.get(id);
    return bounding || (extent ? contains(extent, at) : false);
  });
}
