import { z } from 'zod';
import { textSchema } from '@/core/model/fields';
import { guarded } from '@/server/entry/entry';
import { templateSchema, tryTemplate } from '@/server/projects/from-template';

const bodySchema = z.strictObject({ template: templateSchema, building: textSchema(80).default('Main building') });

/** What a template would make with the numbers typed: its elevation and a line about it. Nothing is kept. */
export const POST = guarded('POST /api/templates', ({ json }) => {
  const { template, building } = json(bodySchema);
  return Response.json(tryTemplate(template, building));
});
