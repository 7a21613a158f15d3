import { lengthPlus } from '../dimensions/resolve-length';
import type { Edit } from '../model/edit';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { refuseNow } from '../commands/length-input';
import { formatLength } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import { baseLevel, type MoveMode } from './chain';
import type { Level } from './level';
import { fittingName } from './names';
import { levelById, levelsOf, type ResolvedLevel } from './resolve-levels';
import { keepStoreys, type ExtendKind } from '../carrying/keep-storeys';

/** A level to be put next to another. */
export interface Insertion {
  side: 'above' | 'below';
  /** Only this: distance from that level; push: height of the new storey. */
  heightMm: number;
  mode: MoveMode;
  name?: string;
  title: string;
  levelKind?: Level['levelKind'];
  /** At that height whatever is there; a roof it is put over then is one no more, for the roof is over all. */
  exactly?: boolean;
  /** What ends at the new storey goes into it only if it is among these. */
  extend?: ReadonlySet<ExtendKind>;
}

/**
 * The roof over all, if a level is that or lies over it, as a datum does: what is put above it goes in under the roof, and the
 * roof goes up.
 */
export function roofOverAll(framework: Framework, { record, above, fflMm }: ResolvedLevel): ResolvedLevel | null {
  const roof = levelsOf(framework, record.building)
    .filter(({ bounding }) => bounding)
    .at(-1);
  return above === null && roof?.record.levelKind === 'roof' && fflMm >= roof.fflMm ? roof : null;
}

/** Puts one level next to another in the framework as edited so far. Answers the new level's id. */
export function insertLevel(
  edit: Edit,
  beside: Id,
  { side: asked, heightMm: mm, mode, name, title, levelKind, exactly = false, extend = NOTHING }: Insertion,
): Id {
  const framework = edit.framework;
  const next = levelById(framework, beside)!;
  const roof = asked === 'above' ? roofOverAll(framework, next) : null;
  const goesUnder = roof !== null && !exactly && roof.below !== null;
  const level = goesUnder ? roof : next;
  const { building } = level.record;
  const levels = levelsOf(framework, building);
  const side = goesUnder ? 'below' : asked;
  const lower = side === 'above' ? level : levels.find(({ id }) => id === level.below);
  const upper = side === 'above' ? levels.find(({ id }) => id === level.above) : level;
  const taken = new Set(levels.map(({ record }) => record.name));
  if (name && taken.has(name)) refuseNow(`There is a level named ${name} already`, ['name']);
  const isBasement = (upper ?? lower)!.fflMm <= (baseLevel(levels)?.fflMm ?? 0) && upper !== undefined;
  const wanted = name ?? fittingName(lower ? asBeside(lower) : null, upper ? asBeside(upper) : null, taken);
  const push = (mode === 'push' || goesUnder) && lower !== undefined && upper !== undefined;
  const buildUpMm = (goesUnder ? lower! : level).record.buildUpMm;
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
  if (roof && !goesUnder) edit.set('level', roof.id, { levelKind: 'storey' });
  const ownKind = roof && !goesUnder ? 'roof' : (levelKind ?? (isBasement ? 'basement' : 'storey'));
  const added = linkIn(edit, levels, { lower, upper, fflMm, moved }, (from, heightMm) => ({
    kind: 'level',
    building,
    name: wanted,
    title,
    levelKind: ownKind,
    from,
    heightMm,
    buildUpMm,
    locked: false,
    budget: null,
    extent: null,
    wayOut: null,
  }));
  if (lower && upper && ownKind !== 'mezzanine' && ownKind !== 'datum')
    keepStoreys(
      edit,
      framework,
      { building, added, lower, upper, pushed: push ? (isBasement ? 'down' : 'up') : null },
      extend,
    );
  return added;
}

const NOTHING: ReadonlySet<ExtendKind> = new Set();

const asBeside = ({ record: { name, levelKind } }: ResolvedLevel) => ({
  name,
  isBasement: levelKind === 'basement',
});

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
