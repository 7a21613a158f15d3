import { z } from 'zod';
import { idSchema } from '@/core/model/ids';
import { requireMember } from '@/server/access';
import { handle } from '@/server/handle';
import { makeSheet, SHEET_FORMATS } from '@/server/projects/sheet';

const querySchema = z.strictObject({
  level: idSchema,
  scale: z.coerce.number().int().min(10, 'A scale is 1 : 10 to 1 : 2000').max(2000, 'A scale is 1 : 10 to 1 : 2000'),
  format: z.enum(SHEET_FORMATS),
  units: z.enum(['metric', 'imperial']).default('metric'),
});

/** The setting-out plan of a level as PDF, SVG or DXF. Every member may take it. */
export const GET = (request: Request, { params }: { params: Promise<{ projectId: string }> }) =>
  handle(async () => {
    const { projectId } = await params;
    await requireMember(request.headers, projectId);
    const query = querySchema.parse(Object.fromEntries(new URL(request.url).searchParams));
    const { bytes, type, name } = await makeSheet(projectId, query);
    return new Response(bytes as Uint8Array<ArrayBuffer>, {
      headers: { 'content-type': type, 'content-disposition': `attachment; filename="${encodeURIComponent(name)}"` },
    });
  });
