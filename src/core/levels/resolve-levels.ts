import { derived } from '../model/derived';
import { mmOf } from '../dimensions/resolve-length';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { quantiseMm } from '../units/length-units';
import { type Level } from './level';
import { boundsStorey } from './level-kinds';

/** A level with its heights worked out, in the building's own heights. */
export interface ResolvedLevel {
  id: Id;
  /** All but its title, which changes nothing that is worked out. */
  record: Omit<Level, 'title'>;
  fflMm: number;
  sslMm: number;
  /** True if it bounds storeys. */
  bounding: boolean;
  /** Floor-to-floor height of the storey it carries; null for the topmost and for levels that bound none. */
  storeyHeightMm: number | null;
  /** The next bounding level above and below. */
  above: Id | null;
  below: Id | null;
}

/** A level of which nothing matters but its heights, from a zero of one's own. */
export type LevelHeights = Pick<ResolvedLevel, 'id' | 'fflMm' | 'sslMm'>;

/** Levels of a building from the lowest up. */
export const levelsOf = (framework: Framework, building: Id): ResolvedLevel[] =>
  levelsByBuilding(framework).get(building) ?? [];

/** One level with its heights. */
export const levelById = (framework: Framework, id: Id): ResolvedLevel | undefined => levelsById(framework).get(id);

const levelsByBuilding = derived('levels', resolveAll);
const levelsById = derived(
  'levels by id',
  (framework) => new Map([...levelsByBuilding(framework).values()].flat().map((level) => [level.id, level])),
);

function resolveAll(framework: Framework): Map<Id, ResolvedLevel[]> {
  const records = new Map(recordsOf(framework, 'level').map((level) => [level.id, level]));
  const elevations = new Map<Id, number>();
  const elevation = (level: Level): number => {
    const known = elevations.get(level.id);
    if (known !== undefined) return known;
    elevations.set(level.id, 0);
    const base = level.from === null ? undefined : records.get(level.from);
    const ffl = quantiseMm((base ? elevation(base) : 0) + mmOf(framework, level.heightMm));
    elevations.set(level.id, ffl);
    return ffl;
  };
  const buildings = new Map<Id, ResolvedLevel[]>();
  for (const level of records.values()) {
    const { title: _, ...record } = level;
    const fflMm = elevation(level);
    const list = buildings.get(record.building) ?? [];
    buildings.set(record.building, list);
    list.push({
      id: record.id,
      record,
      fflMm,
      sslMm: quantiseMm(fflMm - mmOf(framework, record.buildUpMm)),
      bounding: boundsStorey(record.levelKind),
      storeyHeightMm: null,
      above: null,
      below: null,
    });
  }
  for (const list of buildings.values()) {
    list.sort((a, b) => a.fflMm - b.fflMm || (a.id < b.id ? -1 : 1));
    let below: ResolvedLevel | null = null;
    for (const level of list) {
      level.below = below?.id ?? null;
      if (!level.bounding) continue;
      if (below) below.storeyHeightMm = quantiseMm(level.fflMm - below.fflMm);
      below = level;
    }
    let above: ResolvedLevel | null = null;
    for (const level of [...list].reverse()) {
      level.above = above?.id ?? null;
      if (level.bounding) above = level;
    }
  }
  return buildings;
}

/** What a level is used for, in words. */
export const titleOf = (framework: Framework, id: Id): string => recordOf(framework, 'level', id)?.title ?? '';

/** The bounding levels of a building, lowest first. */
export const storeyLevels = (framework: Framework, building: Id): ResolvedLevel[] => storeys(framework, building);

const storeys = derived('storeys', (framework, building) =>
  levelsOf(framework, building).filter((level) => level.bounding),
);
