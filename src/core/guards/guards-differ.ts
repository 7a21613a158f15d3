import type { Compared, Consequence } from '../kinds/consequence';
import { assembliesOf } from '../slants/assembly';
import type { Solved } from '../solving/solved';

const lengths = ({ assemblies }: Solved): Map<string, { name: string; mm: number }> => {
  const found = new Map<string, { name: string; mm: number }>();
  for (const { thing, name, info } of assembliesOf(assemblies, 'guard'))
    found.set(thing, { name, mm: (found.get(thing)?.mm ?? 0) + info.lengthMm });
  return found;
};

/** Guards that are longer or shorter than they were. */
export function guardsDiffer({ before, after, write }: Compared): Consequence[] {
  const [was, now] = [lengths(before.solved), lengths(after.solved)];
  return [...now].flatMap(([id, { name, mm }]): Consequence[] => {
    const old = was.get(id)?.mm ?? 0;
    if (Math.abs(old - mm) < 0.5) return [];
    const words = `Guard ${name}: ${old === 0 ? '' : `${write(Math.round(old))} → `}${write(Math.round(mm))} long`;
    return [{ about: 'stairs', words, ids: [id], level: null }];
  });
}
