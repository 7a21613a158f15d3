import { z } from 'zod';
import type { Json } from '@/core/model/json';
import { ARCHIVED } from '@/core/people/powers';
import { idSchema } from '@/core/model/ids';
import { runCommand } from './run-command';
import { guardedPlainly } from '../entry/entry';
import { PlainAnswer } from '../entry/plain-answer';
import { RequestRefused } from '../entry/refusal';

const bodySchema = z.strictObject({
  commandId: idSchema,
  command: z.string().min(1).max(60),
  input: z.json(),
  baseSeq: z.number().int().min(0).optional(),
  previewDigest: z.string().max(64).optional(),
  /** Who made the edit: nobody else who is signed in here sends it in their own name. */
  personId: z.string().max(64).optional(),
});

/** Runs a command on the framework. 200 committed; 409 somebody changed what it touches; 422 refused. */
export const postCommand = guardedPlainly(
  'POST /api/projects/[projectId]/commands',
  async ({ projectId, person, json }) => {
    const { personId, ...sent } = json(bodySchema);
    if (personId !== undefined && personId !== person.id)
      throw new RequestRefused(401, 'Somebody else is signed in here. Sign in as who made this edit');
    const { id: userId, name: userName } = person;
    const outcome = await runCommand({ ...sent, input: sent.input as Json, projectId, userId, userName });
    switch (outcome.kind) {
      case 'done':
        return PlainAnswer.json({ seq: outcome.seq, changes: outcome.changes, sentence: outcome.sentence });
      case 'refused':
        return PlainAnswer.json(outcome.refusal, 422);
      case 'conflict':
        return PlainAnswer.json({ message: outcome.message, headSeq: outcome.headSeq }, 409);
      case 'forbidden':
        return PlainAnswer.json({ message: outcome.message, role: outcome.role }, outcome.role ? 403 : 404);
      case 'archived':
        return PlainAnswer.json({ message: ARCHIVED, archived: true }, 423);
    }
  },
);
