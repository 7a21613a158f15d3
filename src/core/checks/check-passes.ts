import { ceilingsPass, roofCeilingsPass } from '../ceilings/at-roof-passes';
import { ceilingsFromFloorPass, walls } from '../ceilings/ceiling-passes';
import { columnRunsPass, columnsAtPass } from '../columns/column-passes';
import { floorsPass } from '../floors/cut-floor-passes';
import { platesPass } from '../floors/floor-passes';
import { boundsOf, type Ring } from '../geometry/polygon';
import { budgetsPass } from '../levels/budget-passes';
import { checkClearHeights, type HeightBudget } from '../levels/height-budget';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { pitchedRoofsPass } from '../pitched-roofs/pitched-roof-passes';
import { assembliesOf } from '../slants/assembly';
import { definePass, keyOf, partsOf, type Context, type Pass } from '../passes/pass';
import { shaftPass, shaftsPass } from '../shafts/shaft-passes';
import { fflPass, levelNamesPass, ownRecords, storeysOf } from '../solving/building-passes';
import { stairsPass } from '../stairs/stair-passes';
import { quantiseMm } from '../units/length-units';
import type { SolvedOpening } from '../walls/solved-wall';
import { passingIdsPass, wallIdsPass } from '../walls/walls-standing';
import { wallsNear } from '../walls/wall-squares';
import { typedPlanPass } from '../walls/wall-plans';
import { checkCeilings, checkHung } from './check-ceilings';
import {
  checkColumnEnds,
  checkColumnsInTheWay,
  checkColumnsOverVoids,
  columnsInTheWayOf,
  type Obstacle,
} from './check-column-places';
import { checkColumns, checkColumnsInShafts } from './check-columns';
import { checkFloors } from './check-floors';
import { checkLevels } from './check-levels';
import { checkRoofs } from './check-roofs';
import {
  checkShaft,
  checkShaftPairs,
  enclosed,
  SHAFT_REACH_MM,
  shaftSurroundings,
  type Enclosure,
  type WallBeside,
} from './check-shafts';
import { checkOf } from './check-of';
import type { Finding } from './finding';
import { WALL_CHECKS } from './wall-check-passes';

const NONE: readonly Finding[] = [];

const mayMove =
  ({ framework }: Context) =>
  (stack: Id) =>
    recordOf(framework, 'columnStack', stack)?.holds.length === 0;

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
      .get(passingIdsPass, building)
      .flatMap((id) => cx.get(walls.passing, keyOf(building, id)).pieces)
      .flatMap(({ wall, openings }) => openings.map((opening) => ({ ...opening, wall }))),
});

/** Openings of walls that stand in one storey, from its FFL. */
const ownOpenings: Pass<readonly OpeningAt[]> = definePass<readonly OpeningAt[]>({
  name: 'openings in walls of a storey',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const same = cx.get(walls.alike, key);
    if (same !== level) return cx.get(ownOpenings, keyOf(building, same));
    const { pieces } = cx.get(walls.inPlan, key);
    return pieces.flatMap(({ wall, openings }) => openings.map((each) => ({ ...each, wall })));
  },
});

/** Openings of a storey from its FFL; by building and level. */
const openingsAt = definePass({
  name: 'openings of a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly OpeningAt[] => {
    const [building, level] = partsOf(key);
    const own = cx.get(ownOpenings, key);
    const passing = cx.get(passingOpenings, building).filter((opening) => opening.level === level);
    if (passing.length === 0) return own;
    const zeroMm = cx.get(fflPass, key);
    const from = (mm: number) => quantiseMm(mm - zeroMm);
    return [...own, ...passing.map((each) => ({ ...each, bottomMm: from(each.bottomMm), topMm: from(each.topMm) }))];
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

/** Doors and windows of a storey that may be in the way of columns. */
const doorsAt: Pass<readonly Obstacle[]> = definePass<readonly Obstacle[]>({
  name: 'what may be in the way of columns in a storey',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const openings = cx.get(openingsAt, key);
    const same = cx.get(walls.alike, key);
    if (same !== level && openings === cx.get(openingsAt, keyOf(building, same)))
      return cx.get(doorsAt, keyOf(building, same));
    return openings.map(({ wall, ring, opening, name }) => ({
      rule: 'column.inOpening',
      id: wall,
      ring,
      words: `${opening === 'plain' ? 'opening' : opening} ${name}`,
    }));
  },
});

const numbers = new WeakMap<readonly { ring: Ring }[], string>();
/** The numbers of rings of a list, which storeys share. */
function numbersOf({ facts }: Context, list: readonly { ring: Ring }[]): string {
  let text = numbers.get(list);
  if (text === undefined) numbers.set(list, (text = list.map(({ ring }) => facts.numberOf(ring)).join()));
  return text;
}

/** Columns of a storey with what they stand in. */
const inTheWayAt = definePass({
  name: 'columns in the way of a storey',
  scope: 'level',
  run: (cx, key) => {
    const columns = cx.get(columnsAtPass, key);
    const obstacles = [cx.get(stairsAt, key), cx.get(doorsAt, key)];
    // Storeys that follow one another have the same columns in the same way.
    const text = [columns, ...obstacles].map((each) => numbersOf(cx, each)).join('|');
    const pairs = cx.remembered.of(`in the way ${text}`, () => columnsInTheWayOf(columns, obstacles.flat(), cx.facts));
    const all = obstacles.flat();
    return pairs.map(([i, j]) => ({ column: columns[i]!, obstacle: all[j]! }));
  },
});

const columnsInTheWayAt = definePass({
  name: 'findings of columns in the way of a storey',
  scope: 'level',
  run: (cx, key): readonly Finding[] => {
    const [building, id] = partsOf(key);
    const plates = cx.get(platesPass, building);
    const pairs = cx.get(inTheWayAt, key);
    const voids = plates.at(id).some((plate) => plate.voids.length > 0);
    if (pairs.length === 0 && !voids) return NONE;
    const name = cx.get(levelNamesPass, building).get(id) ?? '';
    const given = { framework: cx.framework, building, level: { id, name }, plates, facts: cx.facts };
    return [
      ...checkColumnsInTheWay(pairs, given),
      ...(voids ? checkColumnsOverVoids(cx.get(columnsAtPass, key), given) : []),
    ];
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
  run: (cx, building): boolean => cx.get(wallIdsPass, building).length > 0,
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
    // Storeys with the same walls round a shaft are looked at once.
    const enclosure: Enclosure = (stage, near) => {
      const texts = near.map(
        (each) => `${each.wall} ${each.strips.map((strip) => cx.facts.numberOf(strip)).join(' ')}`,
      );
      const text = `enclosed ${cx.facts.numberOf(stage)}|${texts.join('|')}`;
      return cx.remembered.of(text, () => enclosed(stage, near));
    };
    return checkShaft(solved, shaftSurroundings(hasWalls, beside, storeys), storeys, cx.facts, enclosure);
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
    assembliesOf(cx.get(pitchedRoofsPass, building), 'pitchedRoof').map(({ info }) => info.edge[0]!),
  ),
);

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
  const hung = new Set([
    ...cx.get(ceilingsPass, building).map(({ ceiling }) => ceiling),
    ...cx.get(roofCeilingsPass, building).map(({ thing }) => thing),
  ]);
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
  ...WALL_CHECKS,
  ceilings,
];
