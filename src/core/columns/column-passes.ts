import { columnRuns, type Run } from '../checks/check-columns';
import type { Finding } from '../checks/finding';
import { platesPass } from '../floors/floor-passes';
import { contains, type Ring } from '../geometry/polygon';
import { called } from '../kinds/records';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { together } from '../passes/together';
import { definePass, partsOf } from '../passes/pass';
import { acting } from '../setting-out/acting';
import { extentsPass, fflPass, flooredPass, ownRecords, storeysOf } from '../solving/building-passes';
import { placing } from '../solving/placed';
import type { ColumnBlock, ColumnPiece } from '../solving/solved';
import { quantiseMm } from '../units/length-units';
import type { ColumnStack } from './column';
import { sectionRing } from './section-shape';
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

/** The levels that part a column, whatever their heights. */
const partingPass = definePass({
  name: 'levels that part a column',
  scope: 'thing',
  run: (cx, id): readonly { id: Id }[] => {
    const stack = recordOf(cx.framework, 'columnStack', id);
    if (!stack) return [];
    const floored = cx.get(flooredPass, stack.building);
    return partingLevels(cx.framework, stack, floored, cx.get(extentsPass, stack.building)).map((level) => ({
      id: level.id,
    }));
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

/** A column through its storeys, in the building's heights. */
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
    const solved = solveColumn(cx.framework, stack, levels, plates, cx.facts, cx.get(statesPass, id), roofOver);
    return slants.length > 0 ? underRoofs(solved, roofOver) : solved;
  },
  failing: ({ framework }, id) => {
    const stack = recordOf(framework, 'columnStack', id);
    return { what: stack ? called(stack) : 'A column', building: stack?.building ?? '', about: [id], value: NOTHING };
  },
});
const NOTHING: SolvedStack = { pieces: [], blocks: [], findings: [] };

/** The pieces of a column, each from the FFL of its level: what is pushed up stays the same. */
const fromFloorsPass = definePass({
  name: 'column stack from its floors',
  scope: 'thing',
  run: (cx, id): readonly ColumnPiece[] => {
    const { pieces } = cx.get(solvedPass, id);
    const fflOf = cx.get(fflByLevelPass, recordOf(cx.framework, 'columnStack', id)?.building ?? '');
    return pieces.map((piece) => {
      const zeroMm = fflOf.get(piece.level) ?? 0;
      return { ...piece, bottomMm: quantiseMm(piece.bottomMm - zeroMm), topMm: quantiseMm(piece.topMm - zeroMm) };
    });
  },
});

const fflByLevelPass = definePass({
  name: 'heights of levels with floors',
  scope: 'building',
  run: (cx, building): ReadonlyMap<Id, number> =>
    new Map(cx.get(flooredPass, building).map(({ id, fflMm }) => [id, fflMm])),
});

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
    const pieces = cx
      .get(fromFloorsPass, id)
      .map((piece) => placedColumn(piece, piece.level, fflOf.get(piece.level) ?? 0));
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
      for (const piece of cx.get(fromFloorsPass, id)) {
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

const byLevelPass = definePass({
  name: 'columns by levels',
  scope: 'building',
  gathers: true,
  run: (cx, building): ReadonlyMap<Id, readonly ColumnAt[]> => {
    const found = new Map<Id, ColumnAt[]>();
    for (const stretches of cx.get(columnRunsPass, building))
      for (const { pieces } of stretches) {
        const { section, at, turnDeg } = pieces[0]!;
        const ring = cx.facts.one(sectionRing(section, at, turnDeg));
        for (const { level, topMm, stack, mark } of pieces) {
          const list = found.get(level);
          const here = { stack, mark, ring, topMm };
          if (list) list.push(here);
          else found.set(level, [here]);
        }
      }
    return found;
  },
});

/** Columns of a storey in plan with their tops from its FFL; by building and level. */
export const columnsAtPass = definePass({
  name: 'columns of a storey',
  scope: 'level',
  run: (cx, key): readonly ColumnAt[] => {
    const [building, level] = partsOf(key);
    const zeroMm = cx.get(fflPass, key);
    return (cx.get(byLevelPass, building).get(level) ?? []).map((column) => ({
      ...column,
      topMm: quantiseMm(column.topMm - zeroMm),
    }));
  },
});

/** Columns of a storey in plan. */
export const columnRingsPass = definePass({
  name: 'columns of a storey in plan',
  scope: 'level',
  run: (cx, key): readonly Ring[] => cx.get(columnsAtPass, key).map(({ ring }) => ring),
});

/** The levels that part a column: those that bound storeys, and mezzanines whose extent it stands in. */
function partingLevels(
  framework: Framework,
  stack: ColumnStack,
  floored: readonly ResolvedLevel[],
  extents: ReadonlyMap<string, Ring | null>,
): readonly ResolvedLevel[] {
  if (floored.every(({ bounding }) => bounding)) return floored;
  const { at } = acting(framework, stack);
  return floored.filter(({ id, bounding }) => {
    const extent = extents.get(id);
    return bounding || (extent ? contains(extent, at) : false);
  });
}
