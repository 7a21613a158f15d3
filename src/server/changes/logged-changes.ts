import { sql } from 'drizzle-orm';
import { mayBeRenamed, upcastChanges } from '@/core/kinds/migrate';
import type { Changes } from '@/core/model/changes';
import type { Database, Transaction } from '../db/connection';

interface Logged {
  changes: Changes;
  schemaVersion: number;
}

/**
 * Changes as the log holds them, as they would be logged today: of records whose patched
 * fields may have another name the kind is looked up, which reads the whole log.
 */
export async function readAsToday(
  db: Database | Transaction,
  projectId: string,
  rows: readonly Logged[],
): Promise<Changes[]> {
  const renamed = rows.flatMap(({ changes, schemaVersion }) =>
    changes.patched.filter((patch) => mayBeRenamed(patch, schemaVersion)),
  );
  const ids = [...new Set(renamed.map(({ id }) => id))];
  const kinds = ids.length > 0 ? await kindsOf(db, projectId, ids) : new Map<string, string>();
  return rows.map(({ changes, schemaVersion }) => upcastChanges(changes, schemaVersion, (id) => kinds.get(id)));
}

/** Kinds of records by id, from where the log says they were added. */
async function kindsOf(
  db: Database | Transaction,
  projectId: string,
  ids: readonly string[],
): Promise<Map<string, string>> {
  const { rows } = await db.execute<{ id: string; kind: string }>(sql`
    select distinct added->>'id' as id, added->>'kind' as kind
    from change, jsonb_array_elements(changes->'added') as added
    where project_id = ${projectId} and added->>'id' in (${sql.join(
      ids.map((id) => sql`${id}`),
      sql`, `,
    )})`);
  return new Map(rows.map(({ id, kind }) => [id, kind]));
}
