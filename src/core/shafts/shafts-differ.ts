import type { Compared, Consequence } from '../kinds/consequence';
import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';

/** Shafts that cut slabs they did not cut, or cut some no more. */
export function shaftsDiffer({ before, after, level }: Compared): Consequence[] {
  const cutsOf = (solved: Solved) =>
    new Map(solved.shafts.map(({ shaft, cuts }) => [shaft, new Set(cuts.map((cut) => cut.level))]));
  const was = cutsOf(before.solved);
  return after.solved.shafts.flatMap(({ shaft, name, cuts }): Consequence[] => {
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
