import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref } from '../kinds/marks';
import { textSchema } from '../model/fields';
import { derived } from '../model/derived';
import { recordsOf, type Framework } from '../model/framework';
import { idSchema, type Id } from '../model/ids';

/**
 * Typical floors: levels that follow one master. Walls of one storey, rooms, boundary lines and floors at the master are at
 * each of them too, as they are there; what a level has of its own stays its own.
 */
const typicalSchema = z.object({
  kind: z.literal('typical'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(40),
  master: ref('refuse'),
  /** The levels that follow it. */
  levels: marked(z.array(ref('detach')).max(400), { is: 'needed' }),
});
export type Typical = z.infer<typeof typicalSchema>;

interface Following {
  /** The master a level follows. */
  masterOf: ReadonlyMap<Id, Id>;
  /** The levels that follow a master. */
  followersOf: ReadonlyMap<Id, readonly Id[]>;
}

/** Which levels follow which. Worked out once per framework. */
export const following: (framework: Framework) => Following = derived('typical floors', (framework) => {
  const groups = recordsOf(framework, 'typical');
  return {
    masterOf: new Map(groups.flatMap(({ master, levels }) => levels.map((level) => [level, master] as const))),
    followersOf: new Map(groups.map(({ master, levels }) => [master, levels])),
  };
});

/** True if a list of levels holds a level, or the master it follows. */
export const holdsLevel = (framework: Framework, levels: readonly Id[], level: Id): boolean => {
  const master = following(framework).masterOf.get(level);
  return levels.includes(level) || (master !== undefined && levels.includes(master));
};

declare module '../model/kinds' {
  interface Kinds {
    typical: Typical;
  }
}

export const typicalRecords = recordKind({
  kind: 'typical',
  words: { one: 'group of typical floors', many: 'groups of typical floors' },
  letters: null,
  schema: typicalSchema,
  migrations: [],
});
