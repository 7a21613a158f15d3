import { z } from 'zod';
import type { Json } from '@/core/model/json';
import { idSchema } from '@/core/model/ids';
import { requireMember } from '@/server/access';
import { runCommand } from '@/server/changes/run-command';
import { handle, readJson } from '@/server/handle';

const bodySchema = z.strictObject({
  commandId: idSchema,
  command: z.string().min(1).max(60),
  input: z.json(),
  baseSeq: z.number().int().min(0).optional(),
  previewDigest: z.string().max(64).optional(),
});

/** Runs a command on the framework. 200 committed; 409 somebody changed what it touches; 422 refused. */
export const POST = (request: Request, { params }: { params: Promise<{ projectId: string }> }) =>
  handle(async () => {
    const { projectId } = await params;
    const { person } = await requireMember(request.headers, projectId);
    const body = await readJson(request, bodySchema);
    const outcome = await runCommand({ ...body, input: body.input as Json, projectId, userId: person.id });
    if (outcome.kind === 'done')
      return Response.json({ seq: outcome.seq, changes: outcome.changes, sentence: outcome.sentence });
    if (outcome.kind === 'refused') return Response.json(outcome.refusal, { status: 422 });
    if (outcome.kind === 'conflict')
      return Response.json({ message: outcome.message, headSeq: outcome.headSeq }, { status: 409 });
    return Response.json({ message: outcome.message }, { status: 403 });
  });
