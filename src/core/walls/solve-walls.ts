import { finding, type Finding, type Fix } from '../checks/finding';
import { mmOf } from '../dimensions/resolve-length';
import type { Cutter } from '../floors/solve-floors';
import { floorUnder, platesUnder, soffitMm, type Plate, type PlateSet } from '../floors/plates';
import type { Profile } from '../geometry/boolean';
import { plus, times, type Point } from '../geometry/point';
import { bounds, contains, counterClockwise, type Ring } from '../geometry/polygon';
import { statesUp } from '../levels/states-up';
import { endAt, isWallOf } from '../typical/typical-walls';
import { following, holdsLevel } from '../typical/typical';
import { endMm } from '../levels/resolve-end';
import { levelById, type ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../solving/plan-facts';
import { quantiseMm } from '../units/length-units';
import { joined, runsThrough, type Joining } from './joins';
import type { SolvedOpening, WallPiece } from './solved-wall';
import type { Wall, WallException } from './wall';
import { alongPath, pathLength, stripsOf, wallPath, type WallPath } from './wall-path';

/** Plans are cut this far above FFL. */
const PLAN_CUT_MM = 1200;

/** Less of a wall beside a slab's edge is none, mm². */
const LEAST_BAND_MM2 = 1000;

/** Profiles of rings together less others, kept by what they are made of. */
export type UnionStore = (key: string, rings: readonly Ring[], holes: readonly Ring[]) => Profile;

/** The underside of the lowest ceiling of a storey that some rings meet, mm; null where none does. */
export type CeilingOver = (storey: Id, strips: readonly Ring[]) => number | null;

/** A wall of one type, with its ends brought to those it meets, and the storeys it stands in so. */
interface Standing {
  record: Wall;
  /** Its type in these storeys. */
  type: Id;
  join: Joining;
  path: WallPath;
  strips: Ring[];
  under: ReadonlySet<Plate>;
  /** The storeys it stands in, by their lower levels, with bottom and top. */
  storeys: { level: ResolvedLevel; bottomMm: number; topMm: number }[];
}

/**
 * The walls of a building, storey by storey. In plan each is what its strips cover less what runs through them there, so no
 * two walls are ever in the same space; in height it stands from its base to the soffit above, within its two ends, or
 * right through where it passes the slabs.
 */
export class BuildingWalls {
  private readonly standing: Standing[] = [];
  readonly findings: Finding[] = [];

  constructor(
    private readonly framework: Framework,
    walls: readonly Wall[],
    private readonly storeys: readonly ResolvedLevel[],
    private readonly plates: PlateSet,
    private readonly facts: PlanFacts,
    private readonly ceilingOver: CeilingOver = () => null,
  ) {
    const joins = walls.flatMap((record): { record: Wall; join: Joining }[] => {
      const path = wallPath(framework, record);
      if (path) return [{ record, join: { id: record.id, use: record.use, path } }];
      this.report(record, 'outline.unsound', null, `Wall ${record.name} has no length. Draw it again`);
      return [];
    });
    const others = joins.map(({ join }) => join);
    for (const { record, join } of joins) {
      const path = joined(join, others);
      const strips = stripsOf(path, 0, path.build.thicknessMm).map((ring) => facts.one(ring));
      const under = new Set(strips.flatMap((strip) => [...platesUnder(plates.all, strip, facts)]));
      const states = statesOf(record, storeys);
      const byType = new Map<Id, Standing['storeys']>();
      for (const storey of this.heights(record, under, strips, states)) {
        const { type } = states.get(storey.level.id)!;
        byType.set(type, [...(byType.get(type) ?? []), storey]);
      }
      for (const [type, own] of byType) {
        const thick = type === record.type ? path : this.pathOf(record, type, path);
        const rings = thick === path ? strips : this.strips(thick);
        this.standing.push({
          record,
          type,
          join: { ...join, path: thick },
          path: thick,
          strips: rings,
          under,
          storeys: own,
        });
      }
    }
  }

  private strips(path: WallPath): Ring[] {
    return stripsOf(path, 0, path.build.thicknessMm).map((ring) => this.facts.one(ring));
  }

  /** The same wall of another type: the face it is drawn on stays where it is, so do its ends. */
  private pathOf(record: Wall, type: Id, drawn: WallPath): WallPath {
    const other = wallPath(this.framework, { ...record, type });
    return other ? { ...other, points: drawn.points } : drawn;
  }

  /** Slabs kept clear of walls that pass them. */
  cutters(): Cutter[] {
    return this.standing.flatMap(({ record, path, under, storeys }): Cutter[] => {
      if (record.passesClearMm === null) return [];
      const clear = mmOf(this.framework, record.passesClearMm);
      const rings = stripsOf(path, -clear, path.build.thicknessMm + clear).map((ring) => this.facts.one(ring));
      const cuts = this.storeys
        .filter(({ sslMm }) => storeys.some((run) => sslMm > run.bottomMm + 1 && sslMm <= run.topMm + 1))
        .flatMap((level) =>
          this.plates
            .at(level.id)
            .filter((plate) => under.has(plate))
            .flatMap((plate) => rings.map((ring) => ({ plate: plate.record.id, level: level.id, ring }))),
        );
      return [{ id: record.id, cuts }];
    });
  }

  pieces(union: UnionStore): WallPiece[] {
    return this.standing.flatMap((wall) => wall.storeys.map((storey) => this.piece(wall, storey, union)));
  }

  private heights(
    record: Wall,
    under: ReadonlySet<Plate>,
    strips: readonly Ring[],
    states: WallStates,
  ): Standing['storeys'] {
    const own = this.ownHeights(record, under, strips);
    const [only] = own;
    const followers =
      own.length === 1 && only && record.passesClearMm === null
        ? (following(this.framework).followersOf.get(only.level.id) ?? [])
        : [];
    const all =
      followers.length > 0 && isWallOf(this.framework, record, only!.level.id)
        ? [...own, ...followers.flatMap((level) => this.asAt(record, under, strips, only!.level.id, level))]
        : own;
    const stands = all.filter(({ level }) => !states.get(level.id)!.leftOut);
    return record.passesClearMm === null ? stands : this.stretches(record, all[0], states);
  }

  /** The wall of a master as it stands in a storey that follows. */
  private asAt(
    record: Wall,
    under: ReadonlySet<Plate>,
    strips: readonly Ring[],
    master: Id,
    level: Id,
  ): Standing['storeys'] {
    const startsAt = endAt(this.framework, record.startsAt, master, level);
    const stopsAt = endAt(this.framework, record.stopsAt, master, level);
    return this.ownHeights({ ...record, startsAt, stopsAt }, under, strips);
  }

  /** A wall that passes the slabs in stretches of one type, parted at SSL; storeys it is left out of part it too. */
  private stretches(
    record: Wall,
    run: Standing['storeys'][number] | undefined,
    states: WallStates,
  ): Standing['storeys'] {
    if (!run) return [];
    if (record.exceptions.length === 0) return [run];
    const found: Standing['storeys'] = [];
    let last: { type: Id; leftOut: boolean } | null = null;
    this.storeys.forEach((level, i) => {
      const above = this.storeys[i + 1];
      const bottomMm = Math.max(level.id === run.level.id ? run.bottomMm : level.sslMm, run.bottomMm);
      const topMm = Math.min(above ? above.sslMm : run.topMm, run.topMm);
      if (topMm - bottomMm < 1) return;
      const state = states.get(level.id)!;
      const before = found.at(-1);
      if (!state.leftOut && before && last && !last.leftOut && last.type === state.type) before.topMm = topMm;
      else if (!state.leftOut) found.push({ level, bottomMm, topMm });
      last = state;
    });
    return found;
  }

  private ownHeights(record: Wall, under: ReadonlySet<Plate>, strips: readonly Ring[]): Standing['storeys'] {
    const soffitAt = this.topsOf(record, under, strips);
    const startMm = endMm(this.framework, record.startsAt, soffitAt);
    const last = levelById(this.framework, record.stopsAt.level);
    const stopMm =
      record.stopsAt.face === 'ceiling' && last ? soffitAt(last) : endMm(this.framework, record.stopsAt, soffitAt);
    if (stopMm <= startMm) {
      const message = `Wall ${record.name} stops below where it starts, so it stands nowhere. Change where it starts or stops`;
      const fix = {
        words: 'Exchange its two ends',
        command: 'walls.change',
        input: {
          wall: record.id,
          startsAt: { ...record.stopsAt, face: record.stopsAt.face === 'soffit' ? 'SSL' : record.stopsAt.face },
          stopsAt: record.startsAt,
        },
      };
      this.report(record, 'span.upsideDown', record.startsAt.level, message, [fix]);
      return [];
    }
    const first = this.storeys.find(({ id }) => id === record.startsAt.level);
    if (record.passesClearMm !== null) return first ? [{ level: first, bottomMm: startMm, topMm: stopMm }] : [];
    const baseOf = (level: ResolvedLevel) => {
      const floor = floorUnder(level, this.plates, { rings: strips, facts: this.facts });
      return record.startsAt.face === 'FFL' ? floor.fflMm : floor.sslMm;
    };
    const faceOf = ({ fflMm, sslMm }: ResolvedLevel) => (record.startsAt.face === 'FFL' ? fflMm : sslMm);
    const found = this.storeys.flatMap((level, i): Standing['storeys'] => {
      const above = this.storeys[i + 1];
      // The lowest piece may begin above or under its level's base.
      const isFirst = level.id === record.startsAt.level;
      const base = baseOf(level);
      const bottomMm = isFirst ? quantiseMm(startMm + base - faceOf(level)) : Math.max(base, startMm);
      const topMm = Math.min(above ? soffitAt(above) : stopMm, stopMm);
      return topMm - bottomMm < 1 || (!isFirst && base < startMm) ? [] : [{ level, bottomMm, topMm }];
    });
    for (const { level, bottomMm } of found) this.standsOn(record, level, bottomMm, under);
    return found;
  }

  /** Where a wall stops under a level: at the soffit, or at the ceiling that hangs under it. */
  private topsOf(record: Wall, under: ReadonlySet<Plate>, strips: readonly Ring[]): (level: ResolvedLevel) => number {
    const soffitAt = (level: ResolvedLevel) =>
      soffitMm(level, this.plates, (plate) => under.has(plate), { rings: strips, facts: this.facts });
    if (record.stopsAt.face !== 'ceiling') return soffitAt;
    const shift = mmOf(this.framework, record.stopsAt.offsetMm);
    return (level) => {
      const storey = this.storeys[this.storeys.findIndex(({ id }) => id === level.id) - 1];
      const underside = storey ? this.ceilingOver(storey.id, strips) : null;
      return underside === null ? soffitAt(level) : Math.min(quantiseMm(underside + shift), soffitAt(level));
    };
  }

  /** A wall that begins on a slab's height where there is no slab. */
  private standsOn(record: Wall, level: ResolvedLevel, bottomMm: number, under: ReadonlySet<Plate>): void {
    if (bottomMm > level.fflMm + 1 || bottomMm < level.sslMm - 1) return;
    if (this.plates.at(level.id).some((plate) => under.has(plate))) return;
    const message = `Wall ${record.name} stands on nothing at level ${level.record.name}. Bring a floor under it, or start it on another level`;
    const plate = [...under].find((each) => recordOf(this.framework, 'floorPlate', each.record.id));
    const fixes = plate
      ? [
          {
            words: `Carry ${plate.record.name} to level ${level.record.name}`,
            command: 'carry.to',
            input: { ids: [plate.record.id], ...this.endTowards(plate, level) },
          },
        ]
      : [];
    this.report(record, 'wall.onNothing', level.id, message, fixes);
  }

  private report(
    record: Wall,
    rule: 'outline.unsound' | 'span.upsideDown' | 'wall.onNothing' | 'wall.opening',
    level: Id | null,
    message: string,
    fixes: Fix[] = [],
  ) {
    this.findings.push(finding(rule, record.building, level, [record.id], message, fixes));
  }

  /** Which end of a floor's storeys goes to a level. */
  private endTowards(plate: Plate, level: ResolvedLevel): { lowest: Id } | { topmost: Id } {
    const served = this.storeys.find(({ id }) => plate.serves.has(id));
    return served && served.fflMm < level.fflMm ? { topmost: level.id } : { lowest: level.id };
  }

  private piece(wall: Standing, { level, bottomMm, topMm }: Standing['storeys'][number], union: UnionStore): WallPiece {
    const { record, path, strips } = wall;
    const through = this.standing.filter(
      (other) =>
        other !== wall &&
        runsThrough(other.join, wall.join) &&
        other.storeys.some((each) => each.bottomMm < topMm - 1 && each.topMm > bottomMm + 1) &&
        other.strips.some((strip) => strips.some((own) => boxesMeet(strip, own))),
    );
    const cutting = through.flatMap((other) => other.strips);
    const openings = this.floorsOf(wall, level, bottomMm, topMm).flatMap((floor) =>
      this.openings(wall, floor.level, floor, bottomMm),
    );
    const heights = [...new Set([bottomMm, topMm, ...openings.flatMap((opening) => [opening.bottomMm, opening.topMm])])]
      .filter((mm) => mm >= bottomMm && mm <= topMm)
      .sort((a, b) => a - b);
    const profileOf = (rings: readonly Ring[], holes: readonly Ring[]): [string, Profile] => {
      const key = `${rings.map((ring) => this.facts.textOf(ring)).join('+')}|${holes
        .map((ring) => this.facts.textOf(ring))
        .sort()
        .join('|')}`;
      return [key, union(key, rings, holes)];
    };
    let volumeMm3 = 0;
    const slices: WallPiece['slices'] = [];
    const edge = this.edgeBand(wall, level, bottomMm);
    if (edge) {
      const [profile, { areaMm2 }] = profileOf(strips, [...cutting, ...edge.slabs]);
      if (areaMm2 > LEAST_BAND_MM2) {
        slices.push({ profile, bottomMm: edge.fromMm, topMm: bottomMm });
        volumeMm3 += areaMm2 * (bottomMm - edge.fromMm);
      }
    }
    for (let i = 0; i + 1 < heights.length; i += 1) {
      const [from, to] = [heights[i]!, heights[i + 1]!];
      const open = openings.filter((opening) => opening.bottomMm < to && opening.topMm > from);
      const [profile, { areaMm2 }] = profileOf(strips, [...cutting, ...open.map(({ ring }) => ring)]);
      volumeMm3 += areaMm2 * (to - from);
      const last = slices.at(-1);
      if (last?.profile === profile) last.topMm = to;
      else slices.push({ profile, bottomMm: from, topMm: to });
    }
    const { coreMm, thicknessMm } = path.build;
    const cutMm = level.fflMm + PLAN_CUT_MM;
    const isLayered = coreMm[0] > 0 || coreMm[1] < thicknessMm;
    const core = stripsOf(path, coreMm[0], coreMm[1]).map((ring) => this.facts.one(ring));
    const atCut = openings.filter((opening) => opening.bottomMm < cutMm && opening.topMm > cutMm);
    return {
      wall: record.id,
      building: record.building,
      name: record.name,
      use: record.use,
      type: wall.type,
      level: level.id,
      thicknessMm,
      strips,
      bottomMm,
      topMm,
      slices,
      core: isLayered ? profileOf(core, [...cutting, ...atCut.map(({ ring }) => ring)])[0] : null,
      openings,
      volumeMm3,
    };
  }

  /**
   * Where the slab an exterior wall stands on stops within it, the wall runs down past the slab's edge to its underside: to
   * what stands below, without a gap and without sharing any space with the slab.
   */
  private edgeBand(
    { record, under, strips }: Standing,
    level: ResolvedLevel,
    bottomMm: number,
  ): { fromMm: number; slabs: Ring[] } | null {
    if (record.passesClearMm !== null || (record.use !== 'exterior' && record.use !== 'party')) return null;
    if (Math.abs(bottomMm - level.sslMm) > 1) return null;
    const slabs = this.plates.at(level.id).filter((plate) => under.has(plate) && plate.ring);
    const covers = slabs.some(({ ring }) => strips.every((strip) => strip.every((point) => contains(ring!, point))));
    if (slabs.length === 0 || covers) return null;
    return {
      fromMm: quantiseMm(level.sslMm - Math.min(...slabs.map(({ thicknessMm }) => thicknessMm))),
      slabs: slabs.map(({ ring }) => ring!),
    };
  }

  /** The floors openings of a piece stand on, at FFL: its storey's, or each floor it passes with the soffit above that. */
  private floorsOf(
    { record, under, strips }: Standing,
    level: ResolvedLevel,
    bottomMm: number,
    topMm: number,
  ): { level: ResolvedLevel; floorMm: number; topMm: number }[] {
    const floorMm = (storey: ResolvedLevel) =>
      floorUnder(storey, this.plates, { rings: strips, facts: this.facts }).fflMm;
    if (record.passesClearMm === null) return [{ level, floorMm: floorMm(level), topMm }];
    return this.storeys.flatMap((floor, i) => {
      const above = this.storeys[i + 1];
      if (floor.fflMm < bottomMm - 1 || floor.fflMm >= topMm - 1) return [];
      const soffit = above
        ? soffitMm(above, this.plates, (plate) => under.has(plate), { rings: strips, facts: this.facts })
        : topMm;
      return [{ level: floor, floorMm: floorMm(floor), topMm: Math.min(topMm, soffit) }];
    });
  }

  /** Doors, windows and plain openings of a piece: their sills are measured from the floor's finish, not from the wall's base. */
  private openings(
    { record, type }: Standing,
    level: ResolvedLevel,
    { floorMm, topMm }: { floorMm: number; topMm: number },
    baseMm: number,
  ): SolvedOpening[] {
    // Along the path as drawn: joining its ends moves no opening.
    const path = wallPath(this.framework, { ...record, type })!;
    const total = pathLength(path);
    const mm = (length: Wall['openings'][number]['widthMm']) => mmOf(this.framework, length);
    return record.openings.flatMap((opening): SolvedOpening[] => {
      if (opening.at !== 'all' && !holdsLevel(this.framework, opening.at, level.id)) return [];
      const [alongMm, widthMm] = [mm(opening.alongMm), mm(opening.widthMm)];
      const sill = quantiseMm(floorMm + mm(opening.sillMm));
      const head = quantiseMm(sill + mm(opening.heightMm));
      const [from, to] = [alongPath(path, alongMm), alongPath(path, alongMm + widthMm)];
      if (!from || !to || from.part !== to.part || alongMm + widthMm > total + 1e-6 || head > topMm + 1) {
        const why =
          head > topMm + 1 && from && to ? 'is higher than the wall' : 'lies past an end or a corner of the wall';
        const message = `${capital(opening.opening)} ${opening.name} of wall ${record.name} ${why} at level ${level.record.name}. Move it or make it smaller`;
        const room = Math.floor(topMm - sill);
        const fix: Fix =
          head > topMm + 1 && room > 300
            ? {
                words: `Make it ${room} mm high`,
                command: 'walls.changeOpening',
                input: { wall: record.id, opening: opening.id, heightMm: room },
              }
            : {
                words: 'Take it out',
                command: 'walls.removeOpening',
                input: { wall: record.id, opening: opening.id },
              };
        this.report(record, 'wall.opening', level.id, message, [fix]);
        if (!from || !to || from.part !== to.part) return [];
      }
      // All of it is under a wall that begins above the floor: there is nothing to open.
      if (head <= baseMm + 1) return [];
      const left = { x: -from!.along.y, y: from!.along.x };
      const [a, b] = [path.leftOf(0), path.leftOf(path.build.thicknessMm)];
      // A little past both faces, so that nothing is left of the wall there.
      const past = (leftMm: number) => leftMm + Math.sign(leftMm - (a + b) / 2) * 1;
      const corner = (at: Point, leftMm: number) => plus(at, times(left, past(leftMm)));
      const ring = counterClockwise([corner(from!.at, a), corner(to!.at, a), corner(to!.at, b), corner(from!.at, b)]);
      const middle = (at: Point) => plus(at, times(left, (a + b) / 2));
      return [
        {
          id: opening.id,
          opening: opening.opening,
          name: opening.name,
          level: level.id,
          ring: this.facts.one(ring),
          ends: [middle(from!.at), middle(to!.at)],
          inwards: times(left, a > b ? -1 : 1),
          widthMm,
          thicknessMm: path.build.thicknessMm,
          bottomMm: Math.max(sill, baseMm),
          topMm: Math.min(head, topMm),
          leaves: opening.leaves,
          hand: opening.hand,
          opens: opening.opens,
        },
      ];
    });
  }
}

/** How a wall is in each storey, those it does not reach too. */
type WallStates = ReadonlyMap<Id, { type: Id; leftOut: boolean }>;

function statesOf(record: Wall, storeys: readonly ResolvedLevel[]): WallStates {
  const states = statesUp<{ type: Id; leftOut: boolean }, WallException>(
    { type: record.type, leftOut: false },
    record.exceptions,
    storeys,
    (from, by) => ({ type: by.type ?? from.type, leftOut: by.leftOut }),
  );
  return new Map(storeys.map(({ id }, i) => [id, states[i]!]));
}

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

function boxesMeet(a: Ring, b: Ring): boolean {
  const [p, q] = [bounds(a), bounds(b)];
  return p.minX <= q.maxX && q.minX <= p.maxX && p.minY <= q.maxY && q.minY <= p.maxY;
}
