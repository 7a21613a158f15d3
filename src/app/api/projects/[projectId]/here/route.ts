import { z } from 'zod';
import { textSchema } from '@/core/model/fields';
import { idSchema } from '@/core/model/ids';
import { guarded } from '@/server/entry/entry';
import { tellHere } from '@/server/live/here';

const bodySchema = z.strictObject({
  tab: z.uuid(),
  /** Null when the tab closes. */
  place: z
    .strictObject({
      building: idSchema.nullable(),
      level: idSchema.nullable(),
      view: textSchema(20),
      selection: z.array(idSchema).max(20),
    })
    .nullable(),
});

/** Tells the others where one looks. */
export const POST = guarded('POST /api/projects/[projectId]/here', async ({ projectId, person, json }) => {
  const { tab, place } = json(bodySchema);
  await tellHere({ projectId, tab, place, userId: person.id, name: person.name });
  return Response.json({ told: true });
});
