import { and, eq } from 'drizzle-orm';
import type { Sheet } from '@/core/importing/sheet';
import { parseDxfApart } from '@/formats/sandbox/parse-apart';
import { database } from '../db/connection';
import { blob } from '../db/schema';
import { RequestRefused } from '../entry/refusal';
import { keepFile } from './files';

/** Kinds of picture that are taken, by how their files begin. */
const PICTURES: readonly (readonly [type: string, begins: readonly number[]])[] = [
  ['image/png', [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]],
  ['image/jpeg', [0xff, 0xd8, 0xff]],
];

/** The type of a picture by its first bytes; null for anything else. */
const pictureType = (bytes: Uint8Array): string | null =>
  PICTURES.find(([, begins]) => begins.every((byte, i) => bytes[i] === byte))?.[0] ?? null;

export type Taken = { sha256: string; content: 'picture' } | { sha256: string; content: 'drawing'; sheet: Sheet };

/** Keeps a picture or a drawing that somebody brought, once per contents. */
export async function takeUnderlay(projectId: string, name: string, bytes: Uint8Array): Promise<Taken> {
  const isPicture = pictureType(bytes) !== null;
  const sheet = isPicture ? null : await parseDxfApart(bytes);
  if (sheet && !sheet.ok) throw new RequestRefused(422, sheet.refusal.message);
  const sha256 = await keepFile(projectId, name, bytes);
  return sheet ? { sha256, content: 'drawing', sheet: sheet.value } : { sha256, content: 'picture' };
}

/** A file of a project, by contents: a picture as it is, a drawing as the shapes it holds. */
export async function underlayFile(
  projectId: string,
  sha256: string,
): Promise<{ type: string; bytes: Uint8Array } | { sheet: Sheet }> {
  const [found] = await database()
    .select({ bytes: blob.bytes })
    .from(blob)
    .where(and(eq(blob.projectId, projectId), eq(blob.sha256, sha256)));
  if (!found) throw new RequestRefused(404, 'That file is not in this project');
  const type = pictureType(found.bytes);
  if (type) return { type, bytes: found.bytes };
  const sheet = await parseDxfApart(found.bytes);
  if (!sheet.ok) throw new RequestRefused(422, sheet.refusal.message);
  return { sheet: sheet.value };
}
