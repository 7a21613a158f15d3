import type { Framework } from '../model/framework';
import { called } from '../kinds/records';
import { definitionOf } from '../kinds/registry';
import type { Id } from '../model/ids';
import type { Kind } from '../model/kinds';
import type { Solved } from '../solving/solved';
import { formatArea, formatElevation, formatLength, type LengthDisplay } from '../units/format-length';

/** One thing an edit would bring about. */
export interface Consequence {
  about: 'levels' | 'stairs' | 'shafts' | 'columns' | 'walls' | 'floors' | 'gone' | 'newFindings' | 'goneFindings';
  words: string;
  /** What it is about and where, for choosing it. */
  ids: Id[];
  level: Id | null;
}

/**
 * What differs between two solved states, in words: levels moved, stairs with other steps, shafts that cut other slabs, areas,
 * and findings that come and go. Things are compared by their ids.
 */
export function consequences(
  before: { framework: Framework; solved: Solved },
  after: { framework: Framework; solved: Solved },
  display: LengthDisplay,
): Consequence[] {
  const write = (mm: number) => formatLength(Math.round(mm * 10) / 10, display);
  const names = new Map([...before.solved.levels, ...after.solved.levels].map(({ id, name }) => [id, name]));
  const level = (id: Id) => names.get(id) ?? '';
  return [
    ...levelsMoved(before.solved, after.solved, display),
    ...stairsChanged(before.solved, after.solved, level, write),
    ...shaftsChanged(before.solved, after.solved, level),
    ...counted(before, after, display),
    ...findings(before.solved, after.solved),
  ];
}

function levelsMoved(before: Solved, after: Solved, display: LengthDisplay): Consequence[] {
  const was = new Map(before.levels.map((each) => [each.id, each]));
  const is = new Set(after.levels.map(({ id }) => id));
  const moved = after.levels.flatMap((each): Consequence[] => {
    const old = was.get(each.id);
    if (!old) return [{ about: 'levels', words: `Level ${each.name} is new`, ids: [each.id], level: each.id }];
    if (old.fflMm === each.fflMm) return [];
    const words = `Level ${each.name} ${formatElevation(old.fflMm, display)} → ${formatElevation(each.fflMm, display)}`;
    return [{ about: 'levels', words, ids: [each.id], level: each.id }];
  });
  const gone = before.levels
    .filter(({ id }) => !is.has(id))
    .map(({ id, name }): Consequence => ({ about: 'levels', words: `Level ${name} goes`, ids: [id], level: null }));
  return [...moved, ...gone];
}

function stairsChanged(
  before: Solved,
  after: Solved,
  level: (id: Id) => string,
  write: (mm: number) => string,
): Consequence[] {
  const was = new Map(
    before.stairs.flatMap(({ stair, storeys }) => storeys.map((each) => [`${stair} ${each.level}`, each] as const)),
  );
  return after.stairs.flatMap(({ stair, name, storeys }) =>
    storeys.flatMap((each): Consequence[] => {
      const old = was.get(`${stair} ${each.level}`);
      const say = (words: string): Consequence[] => [
        {
          about: 'stairs',
          words: `Stair ${name} from ${level(each.level)}: ${words}`,
          ids: [stair],
          level: each.level,
        },
      ];
      if (!each.steps) return old && !old.steps ? [] : say('cannot be climbed any more');
      const now = `${each.steps.count} step risers of ${write(each.steps.riserMm)}`;
      if (!old) return say(`climbs it, ${now}`);
      if (!old.steps) return say(`can be climbed, ${now}`);
      if (old.steps.count !== each.steps.count) return say(`${old.steps.count} → ${now}`);
      return old.steps.riserMm === each.steps.riserMm ? [] : say(now);
    }),
  );
}

function shaftsChanged(before: Solved, after: Solved, level: (id: Id) => string): Consequence[] {
  const cutsOf = (solved: Solved) =>
    new Map(solved.shafts.map(({ shaft, cuts }) => [shaft, new Set(cuts.map((cut) => cut.level))]));
  const was = cutsOf(before);
  return after.shafts.flatMap(({ shaft, name, cuts }): Consequence[] => {
    const old = was.get(shaft) ?? new Set<Id>();
    const now = new Set(cuts.map((cut) => cut.level));
    const more = [...now].filter((id) => !old.has(id)).map(level);
    const less = [...old].filter((id) => !now.has(id)).map(level);
    const words = [
      more.length > 0 ? `cuts ${more.join(', ')} too` : '',
      less.length > 0 ? `cuts ${less.join(', ')} no more` : '',
    ].filter(Boolean);
    return words.length === 0
      ? []
      : [{ about: 'shafts', words: `Shaft ${name} ${words.join(', ')}`, ids: [shaft], level: null }];
  });
}

/** Counts of pieces and the sum of areas, where they change. */
function counted(
  before: { framework: Framework; solved: Solved },
  after: { framework: Framework; solved: Solved },
  display: LengthDisplay,
): Consequence[] {
  const made: Consequence[] = [];
  const say = (about: Consequence['about'], words: string) => made.push({ about, words, ids: [], level: null });
  const many = (n: number, one: string) => `${n} ${n === 1 ? one : `${one}s`}`;
  const [columns, were] = [after.solved.columns.length, before.solved.columns.length];
  if (columns !== were) say('columns', `${many(were, 'column piece')} → ${columns}`);
  const [walls, stood] = [after.solved.walls.length, before.solved.walls.length];
  if (walls !== stood) say('walls', `${many(stood, 'wall piece')} → ${walls}`);
  const [had, has] = [bodyCounts(before.solved), bodyCounts(after.solved)];
  for (const kind of new Set([...had.keys(), ...has.keys()])) {
    const [old, now] = [had.get(kind) ?? 0, has.get(kind) ?? 0];
    const { one, many: several } = definitionOf(kind).records.words;
    if (old !== now) say('floors', `${old} ${old === 1 ? `piece of ${one}` : `pieces of ${several}`} → ${now}`);
  }
  const area = ({ floors, profiles }: Solved) =>
    floors.reduce((sum, { profile }) => sum + profiles[profile]!.areaMm2, 0);
  const [now, old] = [area(after.solved), area(before.solved)];
  if (Math.abs(now - old) > 1000)
    say('floors', `Net area of floors ${formatArea(old, display)} → ${formatArea(now, display)}`);
  for (const [id, record] of before.framework.records) {
    if (after.framework.records.has(id) || record.kind === 'level' || record.kind === 'viewMark') continue;
    say('gone', `${capital(called(record))} goes`);
  }
  return made;
}

/** How many pieces there are of each kind that is bodies. */
function bodyCounts({ bodies }: Solved): Map<Kind, number> {
  const counts = new Map<Kind, number>();
  for (const { kind } of bodies) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return counts;
}

function findings(before: Solved, after: Solved): Consequence[] {
  const [was, is] = [before, after].map((solved) => new Map(solved.findings.map((each) => [each.key, each])));
  const fresh = [...is!.values()].filter(({ key }) => !was!.has(key));
  const gone = [...was!.values()].filter(({ key }) => !is!.has(key));
  return [
    ...fresh.map((each): Consequence => ({
      about: 'newFindings',
      words: each.message,
      ids: each.about,
      level: each.level,
    })),
    ...gone.map((each): Consequence => ({
      about: 'goneFindings',
      words: each.message,
      ids: each.about,
      level: each.level,
    })),
  ];
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
