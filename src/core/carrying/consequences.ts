import { called } from '../kinds/records';
import { everyFacet } from '../kinds/registry';
import type { Compared, Consequence, State } from '../kinds/consequence';
import type { Solved } from '../solving/solved';
import { formatArea, formatElevation, formatLength, type LengthDisplay } from '../units/format-length';

export type { Consequence } from '../kinds/consequence';

/**
 * What differs between two solved states, in words, as each kind says; what goes; and findings that come and go. Things are
 * compared by their ids.
 */
export function consequences(before: State, after: State, display: LengthDisplay): Consequence[] {
  const names = new Map([...before.solved.levels, ...after.solved.levels].map(({ id, name }) => [id, name]));
  const compared: Compared = {
    before,
    after,
    write: (mm) => formatLength(Math.round(mm * 10) / 10, display),
    elevation: (mm) => formatElevation(mm, display),
    area: (mm2) => formatArea(mm2, display),
    level: (id) => names.get(id) ?? '',
  };
  return [
    ...everyFacet('consequences').flatMap(({ of }) => of(compared)),
    ...gone(before, after),
    ...findings(before.solved, after.solved),
  ];
}

function gone(before: State, after: State): Consequence[] {
  return [...before.framework.records].flatMap(([id, record]): Consequence[] =>
    after.framework.records.has(id) || record.kind === 'level' || record.kind === 'viewMark'
      ? []
      : [{ about: 'gone', words: `${capital(called(record))} goes`, ids: [], level: null }],
  );
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
