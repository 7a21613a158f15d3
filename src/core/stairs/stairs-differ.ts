import type { Compared, Consequence } from '../kinds/consequence';

/** Stairs with other steps, and storeys that can be climbed or not any more. */
export function stairsDiffer({ before, after, level, write }: Compared): Consequence[] {
  const was = new Map(
    before.solved.stairs.flatMap(({ stair, storeys }) =>
      storeys.map((each) => [`${stair} ${each.level}`, each] as const),
    ),
  );
  return after.solved.stairs.flatMap(({ stair, name, storeys }) =>
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
