import { lengthPlus } from '../dimensions/resolve-length';
import type { Edit } from '../model/edit';
import type { Id } from '../model/ids';
import { refuseNow } from '../commands/length-input';
import { formatLength } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import { baseLevel, type MoveMode } from './chain';
import type { Level } from './level';
import { freeName, nextName } from './names';
import { levelById, levelsOf, type ResolvedLevel } from './resolve-levels';

/** A level to be put next to another. */
export interface Insertion {
  side: 'above' | 'below';
  /** Only this: distance from that level; push: height of the new storey. */
  heightMm: number;
  mode: MoveMode;
  name?: string;
  title: string;
  levelKind?: Level['levelKind'];
}

/** Puts one level next to another in the framework as edited so far. Answers the new level's id. */
export function insertLevel(
  edit: Edit,
  beside: Id,
  { side, heightMm: mm, mode, name, title, levelKind }: Insertion,
): Id {
  const framework = edit.framework;
  const level = levelById(framework, beside)!;
  const { building, buildUpMm } = level.record;
  const levels = levelsOf(framework, building);
  const lower = side === 'above' ? level : levels.find(({ id }) => id === level.below);
  const upper = side === 'above' ? levels.find(({ id }) => id === level.above) : level;
  const taken = new Set(levels.map(({ record }) => record.name));
  if (name && taken.has(name)) refuseNow(`There is a level named ${name} already`, ['name']);
  const isBasement = (upper ?? lower)!.fflMm <= (baseLevel(levels)?.fflMm ?? 0) && upper !== undefined;
  const wanted = name ?? freeName(lower && upper ? lower.record.name : nextName(level.record.name), taken);
  const push = mode === 'push' && lower !== undefined && upper !== undefined;
  let fflMm: number;
  if (!push) fflMm = quantiseMm(side === 'above' ? level.fflMm + mm : level.fflMm - mm);
  else fflMm = isBasement ? lower.fflMm : upper.fflMm;
  const moved = (other: ResolvedLevel) => {
    if (!push) return other.fflMm;
    if (isBasement) return other.fflMm <= lower.fflMm ? quantiseMm(other.fflMm - mm) : other.fflMm;
    return other.fflMm >= upper.fflMm ? quantiseMm(other.fflMm + mm) : other.fflMm;
  };
  if (!push && lower && upper && (fflMm <= lower.fflMm || fflMm >= upper.fflMm)) {
    refuseNow(
      `The storey is ${formatLength(upper.fflMm - lower.fflMm)} high: a level between needs less than that, or choose push`,
      ['heightMm'],
    );
  }
  return linkIn(edit, levels, { lower, upper, fflMm, moved }, (from, heightMm) => ({
    kind: 'level',
    building,
    name: wanted,
    title,
    levelKind: levelKind ?? (isBasement ? 'basement' : 'storey'),
    from,
    heightMm,
    buildUpMm,
    locked: false,
    budget: null,
    extent: null,
  }));
}

interface Gap {
  lower: ResolvedLevel | undefined;
  upper: ResolvedLevel | undefined;
  fflMm: number;
  moved: (level: ResolvedLevel) => number;
}

/** Puts a new level between two and re-hangs the one that was held across the gap. */
function linkIn(
  edit: Edit,
  levels: readonly ResolvedLevel[],
  { lower, upper, fflMm, moved }: Gap,
  make: (from: Id, heightMm: number) => Parameters<typeof edit.add<'level'>>[0],
): Id {
  const upwards = upper === undefined || upper.record.from === lower?.id;
  const holder = upwards ? lower! : upper!;
  const added = edit.add<'level'>(make(holder.id, quantiseMm(fflMm - moved(holder))));
  const across = upwards ? upper : lower;
  if (across && across.record.from === holder.id) {
    edit.set('level', across.id, { from: added.id, heightMm: quantiseMm(moved(across) - fflMm) });
  }
  // Levels held from one that stayed while they move, or the other way round, keep their wanted heights.
  for (const level of levels) {
    if (level === across || level.record.from === null) continue;
    const from = levels.find(({ id }) => id === level.record.from)!;
    const drift = quantiseMm(moved(level) - level.fflMm - (moved(from) - from.fflMm));
    if (drift !== 0) edit.set('level', level.id, { heightMm: lengthPlus(level.record.heightMm, drift) });
  }
  return added.id;
}
