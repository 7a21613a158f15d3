import type { Compared, Consequence } from '../kinds/consequence';

/** Levels that are new, moved or gone. */
export function levelsDiffer({ before, after, elevation }: Compared): Consequence[] {
  const was = new Map(before.solved.levels.map((each) => [each.id, each]));
  const is = new Set(after.solved.levels.map(({ id }) => id));
  const moved = after.solved.levels.flatMap((each): Consequence[] => {
    const old = was.get(each.id);
    if (!old) return [{ about: 'levels', words: `Level ${each.name} is new`, ids: [each.id], level: each.id }];
    if (old.fflMm === each.fflMm) return [];
    const words = `Level ${each.name} ${elevation(old.fflMm)} → ${elevation(each.fflMm)}`;
    return [{ about: 'levels', words, ids: [each.id], level: each.id }];
  });
  const gone = before.solved.levels
    .filter(({ id }) => !is.has(id))
    .map(({ id, name }): Consequence => ({ about: 'levels', words: `Level ${name} goes`, ids: [id], level: null }));
  return [...moved, ...gone];
}
