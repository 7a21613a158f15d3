import { createHash } from 'node:crypto';
import type { Sheet } from '@/core/importing/sheet';
import type { Result } from '@/core/model/result';
import { parseDxfApart } from '@/formats/sandbox/parse-apart';
import { mayEdit, roleIn } from '../access';
import { database } from '../db/connection';
import { blob } from '../db/schema';
import { RequestRefused } from '../handle';

/** Reads a drawing that somebody brought and keeps it, once per contents. Only who may edit brings files. */
export async function takeDrawing(
  projectId: string,
  userId: string,
  name: string,
  bytes: Uint8Array,
): Promise<Result<Sheet>> {
  const role = await roleIn(database(), projectId, userId);
  if (!role || !mayEdit(role)) throw new RequestRefused(403, 'Only designers bring drawings into the framework');
  const sheet = await parseDxfApart(bytes);
  if (!sheet.ok) return sheet;
  const sha256 = createHash('sha256').update(bytes).digest('hex');
  await database().insert(blob).values({ projectId, sha256, name, bytes }).onConflictDoNothing();
  return sheet;
}
