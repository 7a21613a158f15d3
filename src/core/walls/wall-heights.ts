import { finding, type Finding, fixBy } from '../checks/finding';
import { mmOf } from '../dimensions/resolve-length';
import { floorUnder, soffitMm, type Plate, type PlateSet } from '../floors/plates';
import type { Ring } from '../geometry/polygon';
import { endMm } from '../levels/resolve-end';
import { levelById, type LevelHeights, type ResolvedLevel } from '../levels/resolve-levels';
import { statesUp } from '../levels/states-up';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../passes/plan-facts';
import { endAt, isWallOf } from '../typical/typical-walls';
import { following } from '../typical/typical';
import { quantiseMm } from '../units/length-units';
import type { Wall, WallException } from './wall';
import { asGiven } from '../dimensions/uses';

/** Where a wall of one type stands in a storey; heights from the storey's FFL. */
export interface WallPart {
  wall: Id;
  type: Id;
  /** The storey, by its lower level. */
  level: Id;
  bottomMm: number;
  topMm: number;
  /** True where it runs past slabs, through several storeys. */
  passes: boolean;
}

/** The same with what others have to know of the wall. */
export interface WallRun extends WallPart {
  /** How high it may matter: one that goes up beside the slab over it is looked for there too. */
  reachMm: number;
  /** Which of its openings are at this level, a digit each. */
  open: string;
}

/** The lowest and highest underside of the pitched roofs over some rings, mm; null where none is. */
export type RoofOver = (strips: readonly Ring[]) => { lowMm: number; highMm: number } | null;
/** The underside of the lowest ceiling of a storey that some rings meet, mm; null where none does. */
export type CeilingOver = (storey: Id, strips: readonly Ring[]) => number | null;

interface Given {
  framework: Framework;
  record: Wall;
  strips: readonly Ring[];
  under: ReadonlySet<Plate>;
  storeys: readonly ResolvedLevel[];
  plates: PlateSet;
  facts: PlanFacts;
  ceilingOver: CeilingOver;
  roofOver: RoofOver;
}

/** A wall of one storey; `fromMm` and `toMm`: how far off their faces it starts and stops. */
interface OwnStoreyGiven extends Pick<Given, 'record' | 'strips' | 'under' | 'plates' | 'facts'> {
  fromMm: number;
  toMm: number;
}

/** A storey with heights from its own FFL. */
interface OneStorey {
  level: LevelHeights;
  above: LevelHeights | null;
}

/**
 * Where a wall that belongs to one storey stands in it, worked out from that storey alone; the storey may follow that of the wall.
 * Null where more has to be known: it begins under its floor, reaches past the next one, stands on nothing or nowhere.
 */
export function runInStorey(
  { record, strips, under, plates, facts, fromMm, toMm }: OwnStoreyGiven,
  { level, above }: OneStorey,
): WallPart | null {
  const stopsElsewhere = record.stopsAt.face === 'ceiling' || record.stopsAt.face === 'roof';
  if (record.passesClearMm !== null || record.exceptions.length > 0 || stopsElsewhere || !above) return null;
  const over = { rings: strips, facts };
  const soffitAt = (at: LevelHeights) => soffitMm(at, plates, (plate) => under.has(plate), over);
  const heightOf = (face: Wall['startsAt']['face'], offsetMm: number, at: LevelHeights) =>
    quantiseMm((face === 'FFL' ? at.fflMm : face === 'SSL' ? at.sslMm : soffitAt(at)) + offsetMm);
  const startMm = heightOf(record.startsAt.face, fromMm, level);
  const isWithin = record.stopsAt.level === record.startsAt.level;
  const stopMm = heightOf(record.stopsAt.face, toMm, isWithin ? level : above);
  const floor = floorUnder(level, plates, over);
  const [base, faceMm] = record.startsAt.face === 'FFL' ? [floor.fflMm, level.fflMm] : [floor.sslMm, level.sslMm];
  const bottomMm = quantiseMm(startMm + base - faceMm);
  const topMm = Math.min(soffitAt(above), stopMm);
  if (Math.min(startMm, bottomMm) < Math.min(level.sslMm, floor.sslMm) - 1 || stopMm > above.sslMm) return null;
  if (topMm - bottomMm < 1) return null;
  return { wall: record.id, type: record.type, level: level.id, bottomMm, topMm, passes: false };
}

interface Stretch {
  level: ResolvedLevel;
  bottomMm: number;
  topMm: number;
}

/** Higher or lower than this no zone of a floor lies off its level, mm. */
const REACH_MM = 20_000;

/**
 * The storeys a wall stands in: from its base to the soffit above, within its two ends, or right through where it passes the
 * slabs. A wall of one storey at a master stands at the levels that follow it too.
 */
export function wallRuns(given: Given): { runs: WallPart[]; findings: Finding[] } {
  const heights = new Heights(given);
  return { runs: heights.runs(), findings: heights.findings };
}

class Heights {
  readonly findings: Finding[] = [];
  private readonly states: ReadonlyMap<Id, { type: Id; leftOut: boolean }>;

  constructor(private readonly given: Given) {
    const { record, storeys } = given;
    const states = statesUp<{ type: Id; leftOut: boolean }, WallException>(
      { type: record.type, leftOut: false },
      record.exceptions,
      storeys,
      (from, by) => ({ type: by.type ?? from.type, leftOut: by.leftOut }),
    );
    this.states = new Map(storeys.map(({ id }, i) => [id, states[i]!]));
  }

  /** Alike types together, in the order they begin. */
  runs(): WallPart[] {
    const { record } = this.given;
    const byType = new Map<Id, WallPart[]>();
    for (const { level, bottomMm, topMm } of this.stretches()) {
      const { type } = this.states.get(level.id)!;
      const run: WallPart = {
        wall: record.id,
        type,
        level: level.id,
        bottomMm: quantiseMm(bottomMm - level.fflMm),
        topMm: quantiseMm(topMm - level.fflMm),
        passes: record.passesClearMm !== null,
      };
      const list = byType.get(type);
      if (list) list.push(run);
      else byType.set(type, [run]);
    }
    return [...byType.values()].flat();
  }

  private stretches(): Stretch[] {
    const { framework, record } = this.given;
    const own = this.ownHeights(record);
    const [only] = own;
    const followers =
      own.length === 1 && only && record.passesClearMm === null
        ? (following(framework).followersOf.get(only.level.id) ?? [])
        : [];
    const all =
      followers.length > 0 && isWallOf(framework, record, only!.level.id)
        ? [...own, ...followers.flatMap((level) => this.asAt(only!.level.id, level))]
        : own;
    const stands = all.filter(({ level }) => !this.states.get(level.id)!.leftOut);
    return record.passesClearMm === null ? stands : this.parted(all[0]);
  }

  /** The wall of a master as it stands in a storey that follows. */
  private asAt(master: Id, level: Id): Stretch[] {
    const { framework, record } = this.given;
    const startsAt = endAt(framework, record.startsAt, master, level);
    const stopsAt = endAt(framework, record.stopsAt, master, level);
    return this.ownHeights({ ...record, startsAt, stopsAt });
  }

  /** A wall that passes the slabs in stretches of one type, parted at SSL; storeys it is left out of part it too. */
  private parted(run: Stretch | undefined): Stretch[] {
    const { record, storeys } = this.given;
    if (!run) return [];
    if (record.exceptions.length === 0) return [run];
    const found: Stretch[] = [];
    let last: { type: Id; leftOut: boolean } | null = null;
    storeys.forEach((level, i) => {
      const above = storeys[i + 1];
      const bottomMm = Math.max(level.id === run.level.id ? run.bottomMm : level.sslMm, run.bottomMm);
      const topMm = Math.min(above ? above.sslMm : run.topMm, run.topMm);
      if (topMm - bottomMm < 1) return;
      const state = this.states.get(level.id)!;
      const before = found.at(-1);
      if (!state.leftOut && before && last && !last.leftOut && last.type === state.type) before.topMm = topMm;
      else if (!state.leftOut) found.push({ level, bottomMm, topMm });
      last = state;
    });
    return found;
  }

  private ownHeights(record: Wall): Stretch[] {
    const { framework, storeys, plates, strips, facts } = this.given;
    const soffitAt = this.topsOf(record);
    const startMm = endMm(framework, record.startsAt, soffitAt);
    const last = levelById(framework, record.stopsAt.level);
    const roof = record.stopsAt.face === 'roof' ? this.given.roofOver(strips) : null;
    const stopMm = roof
      ? quantiseMm(roof.lowMm + mmOf(framework, record.stopsAt.offsetMm))
      : record.stopsAt.face === 'ceiling' && last
        ? soffitAt(last)
        : endMm(framework, record.stopsAt, soffitAt);
    // Where the roof comes down to its foot it has nothing level: all of it is what goes up to the slope.
    if (roof && stopMm <= startMm) return [];
    if (stopMm <= startMm) {
      const message = `Wall ${record.name} stops below where it starts, so it stands nowhere. Change where it starts or stops`;
      const { face, ...stop } = asGiven(framework, record.stopsAt);
      const fix = fixBy('Exchange its two ends', 'walls.change', {
        wall: record.id,
        startsAt: { ...stop, face: face === 'soffit' ? 'SSL' : face },
        stopsAt: asGiven(framework, record.startsAt),
      });
      this.findings.push(
        finding('span.upsideDown', record.building, record.startsAt.level, [record.id], message, [fix]),
      );
      return [];
    }
    const first = storeys.find(({ id }) => id === record.startsAt.level);
    if (record.passesClearMm !== null) return first ? [{ level: first, bottomMm: startMm, topMm: stopMm }] : [];
    const found: Stretch[] = [];
    for (let i = 0; i < storeys.length; i += 1) {
      const level = storeys[i]!;
      const isFirst = level === first;
      if (!isFirst && level.sslMm + REACH_MM < startMm) continue;
      if (level.sslMm - REACH_MM > stopMm) break;
      const above = storeys[i + 1];
      const floor = floorUnder(level, plates, { rings: strips, facts });
      const base = record.startsAt.face === 'FFL' ? floor.fflMm : floor.sslMm;
      // The lowest piece may begin above or under its level's base.
      const faceMm = record.startsAt.face === 'FFL' ? level.fflMm : level.sslMm;
      const bottomMm = isFirst ? quantiseMm(startMm + base - faceMm) : Math.max(base, startMm);
      if ((!isFirst && base < startMm) || stopMm - bottomMm < 1) continue;
      const topMm = Math.min(above ? soffitAt(above) : stopMm, stopMm);
      if (topMm - bottomMm >= 1) found.push({ level, bottomMm, topMm });
    }
    return found;
  }

  /** Where a wall stops under a level: at the soffit, or at the ceiling that hangs under it. */
  private topsOf(record: Wall): (level: ResolvedLevel) => number {
    const { framework, storeys, plates, strips, under, facts, ceilingOver } = this.given;
    const soffitAt = (level: ResolvedLevel) =>
      soffitMm(level, plates, (plate) => under.has(plate), { rings: strips, facts });
    if (record.stopsAt.face !== 'ceiling') return soffitAt;
    const shift = mmOf(framework, record.stopsAt.offsetMm);
    return (level) => {
      const storey = storeys[storeys.findIndex(({ id }) => id === level.id) - 1];
      const underside = storey ? ceilingOver(storey.id, strips) : null;
      return underside === null ? soffitAt(level) : Math.min(quantiseMm(underside + shift), soffitAt(level));
    };
  }
}
