import { and, eq, lt } from 'drizzle-orm';
import { z } from 'zod';
import { frameworkHash, recordsById } from '@/core/model/framework';
import { FILE_VERSION } from '@/core/kinds/migrate';
import { frameworkAt } from '../changes/head';
import { database } from '../db/connection';
import { snapshot } from '../db/schema';

const payloadSchema = z.object({ projectId: z.uuid(), seq: z.number().int().positive() });

/** Writes the framework at a sequence number as a snapshot; older ones but the last are dropped. */
export async function writeSnapshot(payload: unknown): Promise<void> {
  const { projectId, seq } = payloadSchema.parse(payload);
  await database().transaction(async (tx) => {
    const framework = await frameworkAt(tx, projectId, seq);
    const values = {
      projectId,
      seq,
      hash: frameworkHash(framework),
      schemaVersion: FILE_VERSION,
      records: recordsById(framework),
    };
    await tx.insert(snapshot).values(values).onConflictDoNothing();
    await tx.delete(snapshot).where(and(eq(snapshot.projectId, projectId), lt(snapshot.seq, seq - 400)));
  });
}
