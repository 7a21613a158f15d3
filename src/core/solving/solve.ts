import { checkCeilings } from '../checks/check-ceilings';
import { checkColumns, checkColumnsInShafts, columnRuns } from '../checks/check-columns';
import { checkColumnPlaces } from '../checks/check-column-places';
import { checkFloors } from '../checks/check-floors';
import { checkGrids } from '../checks/check-grids';
import { checkLevels } from '../checks/check-levels';
import { checkRoofs } from '../checks/check-roofs';
import { checkShaft, checkShaftPairs, shaftSurroundings } from '../checks/check-shafts';
import { checkWalls } from '../checks/check-walls';
import { checkStair, checkStoreysReached } from '../checks/check-stairs';
import { finding, type Finding } from '../checks/finding';
import { acting } from '../setting-out/acting';
import { checkFounded, solveFoundation } from '../foundations/solve-foundations';
import type { ColumnStack } from '../columns/column';
import { ceilingOver } from '../ceilings/ceiling-over';
import type { CeilingPiece } from '../ceilings/solved-ceiling';
import { solveCeilings } from '../ceilings/solve-ceilings';
import { solveColumn } from '../columns/solve-columns';
import { mmOf } from '../dimensions/resolve-length';
import { jointsOf } from '../floors/joints';
import { plateSet, resolvePlate } from '../floors/plates';
import { cutsByPlate, solveFloor } from '../floors/solve-floors';
import { solveGrids } from '../grids/solve-grids';
import { checkClearHeights, heightBudgets, thickestSlab } from '../levels/height-budget';
import { levelsOf, type ResolvedLevel } from '../levels/resolve-levels';
import { contains, type Ring } from '../geometry/polygon';
import { resolveOutline } from '../setting-out/resolve-outline';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import { called } from '../kinds/records';
import type { Kind } from '../model/kinds';
import { roofParapet, roofSlab } from '../roofs/roof-parts';
import { solveRooms } from '../rooms/solve-rooms';
import { solveShaft } from '../shafts/solve-shafts';
import { addHeadroom } from '../stairs/headroom';
import { solveStair } from '../stairs/solve-stair';
import type { SolvedStair } from '../stairs/solved-stair';
import { partyWallsOf } from '../walls/party-walls';
import { BuildingWalls } from '../walls/solve-walls';
import { Kept, SLAB_KINDS, type Used } from './kept';
import { PlanFacts } from './plan-facts';
import { Profiles } from './profiles';
import type { Solved, SolvedBuilding, SolvedLevel, SolvedShaft, SolvedSurvey } from './solved';

/**
 * Works out every storey of a framework. What an edit does not touch is kept from the solve before, polygons by what they are
 * made of; a solver that has seen other states answers the same bytes as a new one.
 */
export class Solver {
  private readonly results = new Kept();
  private readonly facts = new PlanFacts();
  private readonly profiles = new Profiles(this.facts, (key) => this.results.noteProfile(key));

  constructor() {
    this.facts.onRing = (text) => this.results.noteRing(text);
  }

  /** Never throws for what a framework can hold: what cannot be worked out becomes a finding. */
  solve(framework: Framework): Solved {
    this.profiles.begin();
    this.facts.begin();
    this.results.begin(framework);
    const solved: Solved = {
      survey: surveyOf(framework),
      buildings: [],
      levels: [],
      lines: [],
      settingOut: [],
      crossings: [],
      blocks: [],
      marks: recordsOf(framework, 'viewMark').map(({ building, view, of, end, shown, placed, gap }) => ({
        building,
        view,
        of,
        end,
        shown,
        placed,
        gap,
      })),
      columns: [],
      floors: [],
      profiles: {},
      shafts: [],
      stairs: [],
      walls: [],
      sharedWalls: [],
      foundations: [],
      rooms: [],
      ceilings: [],
      budgets: [],
      findings: [],
    };
    for (const building of recordsOf(framework, 'building')) {
      solved.buildings.push({
        id: building.id,
        name: building.name,
        zeroMm: mmOf(framework, building.zeroMm),
        at: { x: mmOf(framework, building.xMm), y: mmOf(framework, building.yMm) },
        turnDeg: building.turnDeg,
      });
    }
    attempt(solved.findings, solved.buildings[0]?.id ?? '', 'The grids', [], undefined, () => {
      const grids = this.results.of(
        framework,
        'grids',
        [],
        [],
        (used) => this.again(used),
        () => {
          const made = solveGrids(framework);
          return { ...made, findings: checkGrids(made.lines) };
        },
      );
      const { findings, ...parts } = grids;
      Object.assign(solved, parts);
      solved.findings.push(...findings);
    });
    for (const building of solved.buildings)
      attempt(solved.findings, building.id, `Building ${building.name}`, [building.id], undefined, () =>
        this.solveBuilding(framework, building, solved),
      );
    solved.findings.sort(bySeverityThenKey);
    solved.profiles = this.profiles.end();
    return solved;
  }

  private solveBuilding(framework: Framework, building: SolvedBuilding, solved: Solved): void {
    const all = levelsOf(framework, building.id);
    const storeys = all.filter(({ bounding }) => bounding);
    const extents = new Map(
      all.flatMap(({ id, record }): [string, Ring | null][] =>
        record.levelKind === 'mezzanine' && record.extent ? [[id, resolveOutline(framework, record.extent)]] : [],
      ),
    );
    // Slabs may lie on mezzanines too; columns are parted there only within its extent.
    const floored = all.filter(({ record, bounding }) => bounding || record.levelKind === 'mezzanine');
    const own = <T extends { building: string }>(records: readonly T[]) =>
      records.filter((record) => record.building === building.id);
    const tried = <T>(what: string, ids: readonly string[], otherwise: T, work: () => T, into = solved.findings): T =>
      attempt(into, building.id, what, ids, otherwise, work);
    const roofs = own(recordsOf(framework, 'roof'));
    const keep = <T>(what: string, kinds: readonly Kind[], also: readonly unknown[], work: () => T): T =>
      this.results.of(
        framework,
        `${building.id} ${what}`,
        [...SLAB_KINDS, ...kinds],
        also,
        (used) => this.again(used),
        work,
      );
    const levels = keep('levels', [], [], () =>
      all.map(({ id, record, fflMm, sslMm, storeyHeightMm, bounding }): SolvedLevel => {
        const { name, title, levelKind, locked } = record;
        const extent = extents.get(id) ?? null;
        const heights = { fflMm, sslMm, storeyHeightMm };
        return { id, building: building.id, name, title, levelKind, locked, bounding, ...heights, extent };
      }),
    );
    solved.levels.push(...levels);
    const plated = keep('plates', [], [], () => {
      const failed: Finding[] = [];
      const resolved = [...own(recordsOf(framework, 'floorPlate')), ...roofs.map(roofSlab)].flatMap((plate) =>
        tried(
          called(plate),
          [plate.id],
          [],
          () => resolvePlate(framework, plate, storeys, floored, this.facts),
          failed,
        ),
      );
      return { plates: plateSet(resolved), failed };
    });
    const { plates } = plated;
    solved.findings.push(...plated.failed);
    const budgets = heightBudgets(framework, storeys, thickestSlab(plates));
    solved.budgets.push(...budgets);
    solved.findings.push(...checkClearHeights(budgets, new Map(storeys.map(({ id, record }) => [id, record.name]))));
    const shafts: SolvedShaft[] = [];
    for (const shaft of own(recordsOf(framework, 'shaft'))) {
      const result = tried(called(shaft), [shaft.id], NOTHING, () =>
        keep(`shaft ${shaft.id}`, [], [shaft, plates], () => solveShaft(framework, shaft, floored, plates, this.facts)),
      );
      if (result.solved) shafts.push(result.solved);
      solved.findings.push(...result.findings);
    }
    solved.shafts.push(...shafts);
    const stairs: SolvedStair[] = [];
    for (const stair of own(recordsOf(framework, 'stair'))) {
      const result = tried(called(stair), [stair.id], NOTHING, () =>
        solveStair(framework, stair, storeys, plates, this.facts),
      );
      if (result.solved) stairs.push(result.solved);
      solved.findings.push(...result.findings);
    }
    solved.stairs.push(...stairs);
    const union = (key: string, rings: readonly Ring[], holes: readonly Ring[]) =>
      this.profiles.union(key, rings, holes);
    const columns = keep('columns', ['columnStack'], [plates], () => {
      const failed: Finding[] = [];
      const solvedStacks = own(recordsOf(framework, 'columnStack')).flatMap((stack) => {
        const work = () =>
          solveColumn(framework, stack, partingLevels(framework, stack, floored, extents), plates, this.facts);
        return tried(called(stack), [stack.id], null, work, failed) ?? [];
      });
      const pieces = solvedStacks.flatMap((column) => column.pieces);
      return {
        pieces,
        stacks: solvedStacks.map((column) => column.pieces).filter(({ length }) => length > 0),
        runs: columnRuns(pieces, this.facts),
        blocks: solvedStacks.flatMap(({ blocks }) => blocks),
        findings: [...failed, ...solvedStacks.flatMap(({ findings }) => findings)],
      };
    });
    const { pieces } = columns;
    solved.findings.push(...columns.findings);
    solved.blocks.push(...columns.blocks);
    if (solved.columns.length === 0) solved.columns = pieces;
    else solved.columns = [...solved.columns, ...pieces];
    const party = partyWallsOf(framework, building.id, storeys);
    const standing = [
      ...own(recordsOf(framework, 'wall')),
      ...roofs.flatMap((roof) => roofParapet(framework, roof) ?? []),
      ...party,
    ];
    const wallIds = standing.map(({ id }) => id);
    const firstWalls = tried('The walls', wallIds, { pieces: [], cutters: [], findings: [] }, () =>
      keep('walls', [], [plates], () => {
        const made = new BuildingWalls(framework, standing, storeys, plates, this.facts);
        return { pieces: made.pieces(union), cutters: made.cutters(), findings: made.findings };
      }),
    );
    let walls: Pick<typeof firstWalls, 'pieces' | 'findings'> = firstWalls;
    const cuts = cutsByPlate([
      ...firstWalls.cutters,
      ...shafts.map(({ shaft, cuts }) => ({ id: shaft, cuts })),
      ...stairs.map(({ stair, cuts }) => ({ id: stair, cuts })),
    ]);
    const joints = jointsOf(own(solved.lines));
    for (const plate of plates.all) {
      const floor = tried(called(plate.record), [plate.record.id], null, () =>
        solveFloor(plate, floored, cuts, this.profiles, this.facts, joints),
      );
      solved.floors.push(...(floor?.pieces ?? []));
      solved.findings.push(...(floor?.findings ?? []));
    }
    const floors = own(solved.floors);
    const given = {
      framework,
      storeys,
      walls: walls.pieces,
      columns: pieces,
      shafts,
      rooms: own(recordsOf(framework, 'room')),
      boundaries: own(recordsOf(framework, 'boundaryLine')),
      union,
      facts: this.facts,
    };
    const roomIds = given.rooms.map(({ id }) => id);
    const rooms = tried('The rooms', roomIds, { regions: [], findings: [] }, () => solveRooms(given));
    solved.rooms.push(...rooms.regions);
    solved.findings.push(...rooms.findings);
    const hung = {
      framework,
      building: building.id,
      storeys,
      plates,
      rooms: rooms.regions,
      walls: walls.pieces,
      columns: pieces,
      shafts,
      floors,
      union,
      facts: this.facts,
    };
    const ceilings = tried('The ceilings', [], [], () => solveCeilings(hung));
    solved.ceilings.push(...ceilings);
    if (ceilings.length > 0 && standing.some(({ stopsAt }) => stopsAt.face === 'ceiling')) {
      // Rooms and so ceilings come from where walls stand, which their tops do not change.
      walls = tried('The walls under ceilings', wallIds, walls, () => {
        const over = ceilingOver(ceilings, this.facts);
        const made = new BuildingWalls(framework, standing, storeys, plates, this.facts, over);
        return { pieces: made.pieces(union), findings: made.findings };
      });
    }
    const walled = walls.pieces;
    const shared = new Set(party.map(({ id }) => id));
    solved.walls.push(...walled.filter(({ wall }) => !shared.has(wall)));
    solved.sharedWalls.push(...walled.filter(({ wall }) => shared.has(wall)));
    solved.findings.push(...walls.findings);
    const names = new Map(all.map(({ id, record }) => [id, record.name]));
    for (const stair of stairs) {
      const what = `The headroom of stair ${stair.name}`;
      solved.findings.push(
        ...tried(what, [stair.stair], [], () =>
          addHeadroom(stair, solved.floors, (key, ring) => this.profiles.shared(key, ring), names),
        ),
        ...checkStair(stair, plates, names),
      );
    }
    solved.findings.push(...checkStoreysReached(stairs, storeys));
    const mayMove = (stack: string) => recordOf(framework, 'columnStack', stack)?.holds.length === 0;
    const { facts } = this;
    const founded = keep('foundations', ['foundation', 'columnStack'], [columns, plates, walled], () => {
      const ground = { framework, plates, columns: pieces, union, facts };
      const failed: Finding[] = [];
      const made = own(recordsOf(framework, 'foundation')).flatMap(
        (record) => tried(called(record), [record.id], null, () => solveFoundation(record, ground), failed) ?? [],
      );
      const bodies = made.flatMap((each) => each.pieces);
      const stands = [
        ...pieces.map(({ stack, level }) => ({ id: stack, level })),
        ...walled.filter(({ wall }) => !shared.has(wall)).map(({ wall, level }) => ({ id: wall, level })),
      ];
      const findings = [
        ...failed,
        ...made.flatMap((each) => each.findings),
        ...checkFounded(framework, storeys, stands, bodies),
      ];
      return { bodies, findings };
    });
    solved.foundations.push(...founded.bodies);
    const overhead = ceilings.length === 0 ? NO_CEILINGS : ceilings;
    const middles = tried('What stands round shafts', [], shaftSurroundings([], storeys), () =>
      keep('shaft middles', [], [walled], () => shaftSurroundings(walled, storeys)),
    );
    solved.findings.push(...founded.findings);
    const checks: readonly (readonly [what: string, check: () => readonly Finding[]])[] = [
      ['columns in shafts', () => checkColumnsInShafts(columns.runs, shafts, solved.levels, mayMove)],
      [
        'columns on slabs',
        () =>
          keep('columns on slabs', ['columnStack'], [columns, plates], () =>
            checkColumns(columns.runs, plates, solved.levels, facts, mayMove),
          ),
      ],
      [
        'the places of columns',
        () =>
          keep('column places', ['columnStack', 'stair'], [columns, plates, walled], () =>
            checkColumnPlaces(columns.stacks, { framework, storeys, plates, stairs, walls: walled, facts }),
          ),
      ],
      ['shafts beside each other', () => checkShaftPairs(shafts, storeys, facts)],
      ...shafts.map((shaft) => {
        const check = () => checkShaft(shaft, middles, storeys, facts);
        return [`shaft ${shaft.name}`, () => keep(`shaft check ${shaft.shaft}`, [], [shaft, middles], check)] as const;
      }),
      ['floors', () => checkFloors(framework, floors, storeys, facts)],
      ['levels', () => keep('level checks', [], [plates], () => checkLevels(framework, storeys, plates))],
      [
        'roofs',
        () => keep('roof checks', [], [plates, walled], () => checkRoofs(framework, storeys, plates, walled, facts)),
      ],
      [
        'walls',
        () =>
          keep('wall checks', ['clearWidth'], [plates, walled, overhead], () =>
            checkWalls({ framework, building: building.id, storeys, plates, walls: walled, ceilings: overhead, facts }),
          ),
      ],
      [
        'ceilings',
        () => checkCeilings({ framework, building: building.id, storeys, budgets, ceilings, walls: walled }),
      ],
    ];
    for (const [what, check] of checks) solved.findings.push(...tried(`The check of ${what}`, [], [], check));
  }

  /** Keeps what a result that is used again holds: its rings and its profiles. */
  private again({ profiles, rings }: Used): void {
    this.facts.useAgain(rings);
    this.profiles.useAgain(profiles);
  }
}

/** What is there of something that could not be worked out. */
const NOTHING: { solved: null; findings: Finding[] } = { solved: null, findings: [] };

/**
 * Works a part out. One that throws, as none should, becomes a finding at what it is about; the rest is worked out with
 * `otherwise` in its place.
 */
function attempt<T>(
  into: Finding[],
  building: string,
  what: string,
  ids: readonly string[],
  otherwise: T,
  work: () => T,
): T {
  try {
    return work();
  } catch {
    const message = `${capital(what)} could not be worked out. Undo what was done last or change it; everything else stands`;
    // Several parts may be about nothing in particular: what they are tells them apart.
    const key = `solve.failed|${[...ids].sort().join(',')}|${what}`;
    into.push({ ...finding('solve.failed', building, null, ids, message), key });
    return otherwise;
  }
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** One object for no ceilings, so that what is kept for them is found again. */
const NO_CEILINGS: readonly CeilingPiece[] = [];

/** A solve from nothing. */
export const solve = (framework: Framework): Solved => new Solver().solve(framework);

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

function surveyOf(framework: Framework): SolvedSurvey | null {
  const survey = recordsOf(framework, 'project')[0]?.survey;
  if (!survey) return null;
  const { eastingMm, northingMm, heightMm, trueNorthDeg } = survey;
  const mm = (length: typeof eastingMm) => mmOf(framework, length);
  return { eastingMm: mm(eastingMm), northingMm: mm(northingMm), heightMm: mm(heightMm), trueNorthDeg };
}

const bySeverityThenKey = (a: Finding, b: Finding): number =>
  a.severity === b.severity ? (a.key < b.key ? -1 : a.key > b.key ? 1 : 0) : a.severity === 'error' ? -1 : 1;
