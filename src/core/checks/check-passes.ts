import { ceilingsFromFloorPass, ceilingsPass, walls } from '../ceilings/ceiling-passes';
import { columnRunsPass, columnsAtPass } from '../columns/column-passes';
import { floorsPass } from '../floors/cut-floor-passes';
import { platesPass } from '../floors/floor-passes';
import { boundsOf } from '../geometry/polygon';
import { checkClearHeights, heightBudgets, thickestSlab, type HeightBudget } from '../levels/height-budget';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf, type Context, type Pass } from '../passes/pass';
import { shaftPass, shaftsPass } from '../shafts/shaft-passes';
import { fflPass, levelNamesPass, ownRecords, storeysOf } from '../solving/building-passes';
import { stairsPass } from '../stairs/stair-passes';
import { quantiseMm } from '../units/length-units';
import type { SolvedOpening } from '../walls/solved-wall';
import { drawnPass, standingPass, typedPlanPass, wallsNear } from '../walls/wall-plans';
import { checkCeilings, checkHung } from './check-ceilings';
import { checkColumnEnds, checkColumnsInTheWay, type Obstacle } from './check-column-places';
import { checkColumns, checkColumnsInShafts } from './check-columns';
import { checkFloors } from './check-floors';
import { checkLevels } from './check-levels';
import { checkRoofs } from './check-roofs';
import { checkShaft, checkShaftPairs, SHAFT_REACH_MM, shaftSurroundings, type WallBeside } from './check-shafts';
import { checkWalls } from './check-walls';
import type { Finding } from './finding';

const NONE: readonly Finding[] = [];

/** A check of a building: what it looks at, and what it finds. */
function checkOf(what: string, run: (cx: Context, building: Id) => readonly Finding[]): Pass<readonly Finding[]> {
  return definePass({
    name: `check of ${what}`,
    scope: 'building',
    run,
    failing: (_, building) => ({ what: `The check of ${what}`, building, about: [], value: [] }),
  });
}

const mayMove = ({ framework }: Context) => (stack: Id) => recordOf(framework, 'columnStack', stack)?.holds.length === 0;

const columnsInShafts = checkOf('columns in shafts', (cx, building) =>
  checkColumnsInShafts(
    cx.get(columnRunsPass, building),
    cx.get(shaftsPass, building),
    cx.get(levelNamesPass, building),
    mayMove(cx),
  ),
);

const columnsOnSlabs = checkOf('columns on slabs', (cx, building) =>
  checkColumns(
    cx.get(columnRunsPass, building),
    cx.get(platesPass, building),
    cx.get(levelNamesPass, building),
    cx.facts,
    mayMove(cx),
  ),
);

const columnEnds = checkOf('the ends of columns', (cx, building) =>
  checkColumnEnds(cx.get(columnRunsPass, building), {
    framework: cx.framework,
    storeys: storeysOf(cx, building),
    plates: cx.get(platesPass, building),
    facts: cx.facts,
  }),
);

type OpeningAt = SolvedOpening & { wall: Id };

/** Openings of walls that pass slabs, by the levels they are at; in the building's heights. */
const passingOpenings = definePass({
  name: 'openings of walls that pass slabs',
  scope: 'building',
  run: (cx, building): readonly OpeningAt[] =>
    cx
      .get(standingPass, building)
      .filter(({ passesClearMm }) => passesClearMm !== null)
      .flatMap(({ id }) => cx.get(walls.passing, keyOf(building, id)).pieces)
      .flatMap(({ wall, openings }) => openings.map((opening) => ({ ...opening, wall }))),
});

/** Openings of a storey from its FFL; by building and level. */
const openingsAt = definePass({
  name: 'openings of a storey',
  scope: 'level',
  run: (cx, key): readonly OpeningAt[] => {
    const [building, level] = partsOf(key);
    const passing = cx.get(passingOpenings, building).filter((opening) => opening.level === level);
    const zeroMm = passing.length > 0 ? cx.get(fflPass, key) : 0;
    const from = (mm: number) => quantiseMm(mm - zeroMm);
    return [
      ...cx.get(walls.inPlan, key).pieces.flatMap(({ wall, openings }) => openings.map((each) => ({ ...each, wall }))),
      ...passing.map((each) => ({ ...each, bottomMm: from(each.bottomMm), topMm: from(each.topMm) })),
    ];
  },
});

const stairsAt = definePass({
  name: 'wells of stairs of a storey',
  scope: 'level',
  run: (cx, key): readonly Obstacle[] => {
    const [building, level] = partsOf(key);
    return cx
      .get(stairsPass, building)
      .filter(({ storeys }) => storeys.some((storey) => storey.level === level))
      .map(({ stair, name, ring }) => ({ rule: 'column.insideStair', id: stair, ring, words: `stair ${name}` }));
  },
});

const obstaclesAt = definePass({
  name: 'what may be in the way of columns in a storey',
  scope: 'level',
  run: (cx, key): readonly Obstacle[] => [
    ...cx.get(stairsAt, key),
    ...cx.get(openingsAt, key).map(
      ({ wall, ring, opening, name }): Obstacle => ({
        rule: 'column.inOpening',
        id: wall,
        ring,
        words: `${opening === 'plain' ? 'opening' : opening} ${name}`,
      }),
    ),
  ],
});

const columnsInTheWayAt = definePass({
  name: 'columns in the way of a storey',
  scope: 'level',
  run: (cx, key): readonly Finding[] => {
    const [building, id] = partsOf(key);
    const name = cx.get(levelNamesPass, building).get(id) ?? '';
    return checkColumnsInTheWay(cx.get(columnsAtPass, key), cx.get(obstaclesAt, key), {
      framework: cx.framework,
      building,
      level: { id, name },
      plates: cx.get(platesPass, building),
      facts: cx.facts,
    });
  },
});

const columnsInTheWay = checkOf('the places of columns', (cx, building) =>
  storeysOf(cx, building).flatMap(({ id }) => cx.get(columnsInTheWayAt, keyOf(building, id))),
);

const shaftPairs = checkOf('shafts beside each other', (cx, building) =>
  checkShaftPairs(cx.get(shaftsPass, building), storeysOf(cx, building), cx.facts),
);

const hasWallsPass = definePass({
  name: 'whether there are walls',
  scope: 'building',
  run: (cx, building): boolean => cx.get(standingPass, building).length > 0,
});

const shaftAround = definePass<readonly Finding[]>({
  name: 'check of what stands round a shaft',
  scope: 'thing',
  run: (cx, id) => {
    const { solved } = cx.get(shaftPass, id);
    if (!solved) return [];
    const { building, stages, ring } = solved;
    const storeys = storeysOf(cx, building);
    const fflOf = new Map(storeys.map((level) => [level.id, level.fflMm]));
    const box = boundsOf([ring, ...stages.map((stage) => stage.ring)]);
    const beside = wallsNear(cx, building, box, SHAFT_REACH_MM).flatMap((wall): WallBeside[] =>
      cx.get(walls.runs, keyOf(building, wall)).runs.flatMap(({ type, level, bottomMm, topMm }) => {
        const plan = cx.get(typedPlanPass, keyOf(building, wall, type));
        const mm = (relative: number) => quantiseMm(fflOf.get(level)! + relative);
        const { name } = plan?.record ?? { name: '' };
        return plan ? [{ wall, name, strips: [...plan.strips], bottomMm: mm(bottomMm), topMm: mm(topMm) }] : [];
      }),
    );
    const hasWalls = cx.get(hasWallsPass, building);
    return checkShaft(solved, shaftSurroundings(hasWalls, beside, storeys), storeys, cx.facts);
  },
  failing: (cx, id) => {
    const { solved } = cx.get(shaftPass, id);
    const what = `The check of shaft ${solved?.name ?? ''}`;
    return { what, building: solved?.building ?? '', about: [id], value: [] };
  },
});

const shaftsAround = checkOf('what stands round shafts', (cx, building) =>
  cx.get(shaftsPass, building).flatMap(({ shaft }) => cx.get(shaftAround, shaft)),
);

const floors = checkOf('floors', (cx, building) =>
  checkFloors(cx.framework, cx.get(floorsPass, building), storeysOf(cx, building), cx.facts),
);

const levels = checkOf('levels', (cx, building) =>
  checkLevels(cx.framework, storeysOf(cx, building), cx.get(platesPass, building)),
);

const roofs = checkOf('roofs', (cx, building) =>
  checkRoofs(
    cx.framework,
    storeysOf(cx, building),
    cx.get(platesPass, building),
    cx.get(walls.pieces, building),
    cx.facts,
  ),
);

const wallsCheck = checkOf('walls', (cx, building) =>
  checkWalls({
    framework: cx.framework,
    building,
    storeys: storeysOf(cx, building),
    plates: cx.get(platesPass, building),
    walls: cx.get(walls.pieces, building),
    ceilings: cx.get(ceilingsPass, building),
    facts: cx.facts,
    pathOf: ({ id }) => cx.get(drawnPass, keyOf(building, id))?.path ?? null,
  }),
);

/** What each storey's height is spent on, from the lowest up. */
export const budgetsPass = definePass({
  name: 'height budgets',
  scope: 'building',
  run: (cx, building): readonly HeightBudget[] =>
    heightBudgets(cx.framework, storeysOf(cx, building), thickestSlab(cx.get(platesPass, building))),
});

const budgetAt = definePass({
  name: 'height budget of a storey',
  scope: 'level',
  run: (cx, key): HeightBudget | null => {
    const [building, level] = partsOf(key);
    return cx.get(budgetsPass, building).find((each) => each.level === level) ?? null;
  },
});

const clearHeights = checkOf('clear heights', (cx, building) =>
  checkClearHeights(cx.get(budgetsPass, building), cx.get(levelNamesPass, building)),
);

const ceilingsAt = definePass({
  name: 'check of ceilings of a storey',
  scope: 'level',
  run: (cx, key): readonly Finding[] => {
    const [building, id] = partsOf(key);
    const pieces = cx.get(ceilingsFromFloorPass, key);
    if (pieces.length === 0) return NONE;
    const name = cx.get(levelNamesPass, building).get(id) ?? '';
    return checkCeilings(pieces, {
      level: { id, name },
      budget: cx.get(budgetAt, key),
      openings: cx.get(openingsAt, key),
    });
  },
});

const ceilings = checkOf('ceilings', (cx, building) => {
  const hung = new Set(cx.get(ceilingsPass, building).map(({ ceiling }) => ceiling));
  return [
    ...checkHung(ownRecords(recordsOf(cx.framework, 'ceiling'), building), hung),
    ...storeysOf(cx, building).flatMap(({ id }) => cx.get(ceilingsAt, keyOf(building, id))),
  ];
});

/** All that is looked at in a building once everything is worked out. */
export const CHECKS: readonly Pass<readonly Finding[]>[] = [
  clearHeights,
  columnsInShafts,
  columnsOnSlabs,
  columnEnds,
  columnsInTheWay,
  shaftPairs,
  shaftsAround,
  floors,
  levels,
  roofs,
  wallsCheck,
  ceilings,
];
