import { and, eq, ne, sum } from 'drizzle-orm';
import { database } from '../db/connection';
import { blob } from '../db/schema';
import { RequestRefused } from '../entry/refusal';
import { sha256Of } from '../pool';

/** Bytes of files one project may keep. */
const MOST_KEPT_BYTES = 1_000_000_000;

/** Keeps a file of a project once per contents, up to the project's quota; answers its SHA-256 in hex. */
export async function keepFile(projectId: string, name: string, bytes: Uint8Array): Promise<string> {
  const sha256 = await sha256Of(bytes);
  const [kept] = await database()
    .select({ bytes: sum(blob.byteCount).mapWith(Number) })
    .from(blob)
    .where(and(eq(blob.projectId, projectId), ne(blob.sha256, sha256)));
  if ((kept?.bytes ?? 0) + bytes.length > MOST_KEPT_BYTES)
    throw new RequestRefused(
      413,
      `This project keeps ${MOST_KEPT_BYTES / 1e6} MB of files already. Remove underlays first`,
    );
  await database().insert(blob).values({ projectId, sha256, name, bytes }).onConflictDoNothing();
  return sha256;
}
