import type { Compared, Consequence } from '../kinds/consequence';
import type { Solved } from '../solving/solved';

const count = ({ bodies }: Solved): number => bodies.filter(({ kind }) => kind === 'beam').length;

/** How many pieces of beams there are, where that changes. */
export function beamsDiffer({ before, after }: Compared): Consequence[] {
  const [old, now] = [count(before.solved), count(after.solved)];
  if (old === now) return [];
  const words = `${old} ${old === 1 ? 'piece of beam' : 'pieces of beams'} → ${now}`;
  return [{ about: 'floors', words, ids: [], level: null }];
}
