import { checkCeilings } from '../checks/check-ceilings';
import { checkColumns } from '../checks/check-columns';
import { checkColumnPlaces } from '../checks/check-column-places';
import { checkFloors } from '../checks/check-floors';
import { checkGrids } from '../checks/check-grids';
import { checkLevels } from '../checks/check-levels';
import { checkRoofs } from '../checks/check-roofs';
import { checkShafts } from '../checks/check-shafts';
import { checkWalls } from '../checks/check-walls';
import { checkStair, checkStoreysReached } from '../checks/check-stairs';
import type { Finding } from '../checks/finding';
import { acting } from '../setting-out/acting';
import { checkFounded, solveFoundation } from '../foundations/solve-foundations';
import type { ColumnStack } from '../columns/column';
import { ceilingOver } from '../ceilings/ceiling-over';
import { solveCeilings } from '../ceilings/solve-ceilings';
import { solveColumn } from '../columns/solve-columns';
import { mmOf } from '../dimensions/resolve-length';
import { jointsOf } from '../floors/joints';
import { plateSet, resolvePlate, type PlateSet } from '../floors/plates';
import { cutsByPlate, solveFloor, type ProfileStore } from '../floors/solve-floors';
import { sharedWith, subtract, unionLess, type Profile } from '../geometry/boolean';
import { solveGrids } from '../grids/solve-grids';
import { checkClearHeights, heightBudgets, thickestSlab } from '../levels/height-budget';
import { levelsOf, type ResolvedLevel } from '../levels/resolve-levels';
import { contains, type Ring } from '../geometry/polygon';
import { resolveOutline } from '../setting-out/resolve-outline';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import { roofParapet, roofSlab } from '../roofs/roof-parts';
import { solveRooms } from '../rooms/solve-rooms';
import { solveShaft } from '../shafts/solve-shafts';
import { addHeadroom } from '../stairs/headroom';
import { solveStair } from '../stairs/solve-stair';
import type { SolvedStair } from '../stairs/solved-stair';
import { partyWallsOf } from '../walls/party-walls';
import { BuildingWalls } from '../walls/solve-walls';
import { PlanFacts } from './plan-facts';
import type { ColumnPiece, Solved, SolvedBuilding, SolvedShaft, SolvedSurvey } from './solved';

/**
 * Works out every storey of a framework. Heights and plan keys are worked out anew each time, which is cheap;
 * polygons only for plan keys not seen before. Keys spell out outline and holes, so a kept profile can never
 * be out of date, and a solver that has seen other states answers the same bytes as a new one.
 */
export class Solver implements ProfileStore {
  private kept = new Map<string, Profile>();
  private used = new Map<string, Profile>();
  private keptShared = new Map<string, Profile>();
  private usedShared = new Map<string, Profile>();
  private readonly facts = new PlanFacts();

  get(key: string, outline: Parameters<ProfileStore['get']>[1], holes: Parameters<ProfileStore['get']>[2]): Profile {
    const profile = this.used.get(key) ?? this.kept.get(key) ?? subtract(outline, holes);
    this.used.set(key, profile);
    return profile;
  }

  private union(key: string, rings: readonly Ring[], holes: readonly Ring[]): Profile {
    const profile = this.used.get(key) ?? this.kept.get(key) ?? unionLess(rings, holes);
    this.used.set(key, profile);
    return profile;
  }

  /** What a slab's profile shares with a ring, kept like the profiles. */
  private sharedPlan(key: string, ring: Ring): Profile {
    const name = `${key}#${this.facts.textOf(this.facts.one(ring))}`;
    const known = this.usedShared.get(name) ?? this.keptShared.get(name);
    const profile = known ?? sharedWith(this.used.get(key)!, ring);
    this.usedShared.set(name, profile);
    return profile;
  }

  /** Never throws for what a framework can hold: what cannot be worked out becomes a finding. */
  solve(framework: Framework): Solved {
    this.used = new Map();
    this.keptShared = this.usedShared;
    this.usedShared = new Map();
    this.facts.begin();
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
    solveGrids(framework, solved);
    for (const building of solved.buildings) this.solveBuilding(framework, building, solved);
    solved.findings.push(...checkGrids(solved.lines));
    solved.findings.sort(bySeverityThenKey);
    // Profiles of this state and of the one before stay, so going back and forth costs nothing.
    for (const [key, profile] of [...this.used].sort(([a], [b]) => (a < b ? -1 : 1))) solved.profiles[key] = profile;
    this.kept = new Map([...this.kept, ...this.used]);
    if (this.kept.size > 4000) this.kept = this.used;
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
    for (const { id, record, fflMm, sslMm, storeyHeightMm, bounding } of all) {
      const { name, title, levelKind, locked } = record;
      solved.levels.push({
        id,
        building: building.id,
        name,
        title,
        levelKind,
        locked,
        bounding,
        fflMm,
        sslMm,
        storeyHeightMm,
        extent: extents.get(id) ?? null,
      });
    }
    const own = <T extends { building: string }>(records: readonly T[]) =>
      records.filter((record) => record.building === building.id);
    const roofs = own(recordsOf(framework, 'roof'));
    const plates = plateSet(
      [...own(recordsOf(framework, 'floorPlate')), ...roofs.map(roofSlab)].flatMap((plate) =>
        resolvePlate(framework, plate, storeys, floored, this.facts),
      ),
    );
    const budgets = heightBudgets(framework, storeys, thickestSlab(plates));
    solved.budgets.push(...budgets);
    solved.findings.push(...checkClearHeights(budgets, new Map(storeys.map(({ id, record }) => [id, record.name]))));
    const shafts: SolvedShaft[] = [];
    for (const shaft of own(recordsOf(framework, 'shaft'))) {
      const result = solveShaft(framework, shaft, floored, plates, this.facts);
      if (result.solved) shafts.push(result.solved);
      solved.findings.push(...result.findings);
    }
    solved.shafts.push(...shafts);
    const stairs: SolvedStair[] = [];
    for (const stair of own(recordsOf(framework, 'stair'))) {
      const result = solveStair(framework, stair, storeys, plates, this.facts);
      if (result.solved) stairs.push(result.solved);
      solved.findings.push(...result.findings);
    }
    solved.stairs.push(...stairs);
    const party = partyWallsOf(framework, building.id, storeys);
    const standing = [
      ...own(recordsOf(framework, 'wall')),
      ...roofs.flatMap((roof) => roofParapet(framework, roof) ?? []),
      ...party,
    ];
    const union = (key: string, rings: readonly Ring[], holes: readonly Ring[]) => this.union(key, rings, holes);
    const columns = own(recordsOf(framework, 'columnStack')).map((stack) =>
      solveColumn(framework, stack, partingLevels(framework, stack, floored, extents), plates, this.facts),
    );
    const pieces = columns.flatMap((column) => column.pieces);
    for (const column of columns) {
      solved.findings.push(...column.findings);
      solved.blocks.push(...column.blocks);
    }
    for (const piece of pieces) solved.columns.push(piece);
    let walls = new BuildingWalls(framework, standing, storeys, plates, this.facts);
    let walled = walls.pieces(union);
    const cuts = cutsByPlate([
      ...walls.cutters(),
      ...shafts.map(({ shaft, cuts }) => ({ id: shaft, cuts })),
      ...stairs.map(({ stair, cuts }) => ({ id: stair, cuts })),
    ]);
    const joints = jointsOf(own(solved.lines));
    for (const plate of plates.all) {
      const { pieces, findings } = solveFloor(plate, floored, cuts, this, this.facts, joints);
      solved.floors.push(...pieces);
      solved.findings.push(...findings);
    }
    const floors = own(solved.floors);
    const rooms = solveRooms({
      framework,
      storeys,
      walls: walled,
      columns: pieces,
      shafts,
      rooms: own(recordsOf(framework, 'room')),
      boundaries: own(recordsOf(framework, 'boundaryLine')),
      union,
      facts: this.facts,
    });
    solved.rooms.push(...rooms.regions);
    solved.findings.push(...rooms.findings);
    const ceilings = solveCeilings({
      framework,
      building: building.id,
      storeys,
      plates,
      rooms: rooms.regions,
      walls: walled,
      columns: pieces,
      shafts,
      floors,
      union,
      facts: this.facts,
    });
    solved.ceilings.push(...ceilings);
    if (ceilings.length > 0 && standing.some(({ stopsAt }) => stopsAt.face === 'ceiling')) {
      // Rooms and so ceilings come from where walls stand, which their tops do not change.
      walls = new BuildingWalls(framework, standing, storeys, plates, this.facts, ceilingOver(ceilings, this.facts));
      walled = walls.pieces(union);
    }
    const shared = new Set(party.map(({ id }) => id));
    solved.walls.push(...walled.filter(({ wall }) => !shared.has(wall)));
    solved.sharedWalls.push(...walled.filter(({ wall }) => shared.has(wall)));
    solved.findings.push(...walls.findings);
    const names = new Map(all.map(({ id, record }) => [id, record.name]));
    for (const stair of stairs) {
      solved.findings.push(
        ...addHeadroom(stair, solved.floors, (key, ring) => this.sharedPlan(key, ring), names),
        ...checkStair(stair, plates, names),
      );
    }
    solved.findings.push(...checkStoreysReached(stairs, storeys));
    this.solveFoundations(framework, storeys, plates, pieces, solved);
    const stacks = columns.map((column) => column.pieces).filter(({ length }) => length > 0);
    const mayMove = (stack: string) => recordOf(framework, 'columnStack', stack)?.holds.length === 0;
    const { facts } = this;
    solved.findings.push(
      ...checkColumns(pieces, shafts, plates, solved.levels, facts, mayMove),
      ...checkColumnPlaces(stacks, { framework, storeys, plates, stairs, walls: walled, facts }),
      ...checkShafts(shafts, walled, storeys, facts),
      ...checkFloors(framework, floors, storeys, facts),
      ...checkLevels(framework, storeys, plates),
      ...checkRoofs(framework, storeys, plates, walled, facts),
      ...checkWalls({ framework, building: building.id, storeys, plates, walls: walled, ceilings, facts }),
      ...checkCeilings({ framework, building: building.id, storeys, budgets, ceilings, walls: walled }),
    );
  }

  private solveFoundations(
    framework: Framework,
    storeys: readonly ResolvedLevel[],
    plates: PlateSet,
    columns: readonly ColumnPiece[],
    solved: Solved,
  ): void {
    const building = storeys[0]?.record.building;
    const union = (key: string, rings: readonly Ring[], holes: readonly Ring[]) => this.union(key, rings, holes);
    const given = { framework, plates, columns, union, facts: this.facts };
    const made = recordsOf(framework, 'foundation')
      .filter((record) => record.building === building)
      .map((record) => solveFoundation(record, given));
    const pieces = made.flatMap((each) => each.pieces);
    solved.foundations.push(...pieces);
    const walls = solved.walls.filter((piece) => piece.building === building);
    const stands = [
      ...columns.map(({ stack, level }) => ({ id: stack, level })),
      ...walls.map(({ wall, level }) => ({ id: wall, level })),
    ];
    solved.findings.push(
      ...made.flatMap(({ findings }) => findings),
      ...checkFounded(framework, storeys, stands, pieces),
    );
  }
}

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
