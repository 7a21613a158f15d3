import { z } from 'zod';
import { recordKind } from '../kinds/record-kind';
import { marked, ref } from '../kinds/marks';
import { textSchema } from '../model/fields';
import { idSchema, type Id } from '../model/ids';
import { recordsOf, type Framework } from '../model/framework';

/** A core: walls, shafts and stairs that are moved, copied, mirrored and carried as one. A thing is in one core at most. */
const coreSchema = z.object({
  kind: z.literal('core'),
  id: idSchema,
  building: ref('refuse'),
  name: textSchema(24),
  members: marked(z.array(ref('detach')).max(500), { is: 'needed' }),
});
export type Core = z.infer<typeof coreSchema>;

/** The core a thing is in. */
export const coreOf = (framework: Framework, id: Id): Core | undefined =>
  recordsOf(framework, 'core').find(({ members }) => members.includes(id));

/** What is chosen, with the parts of each core in its place; each thing once. */
export function withMembers(framework: Framework, ids: readonly Id[]): Id[] {
  const all = ids.flatMap((id) => {
    const record = framework.records.get(id);
    return record?.kind === 'core' ? record.members : [id];
  });
  return [...new Set(all)];
}

declare module '../model/kinds' {
  interface Kinds {
    core: Core;
  }
}

export const coreRecords = recordKind({
  kind: 'core',
  named: 'in the project',
  words: { one: 'core', many: 'cores' },
  letters: 'K',
  schema: coreSchema,
  migrations: [],
});
