import { and, eq, sql } from 'drizzle-orm';
import { recordsOf } from '@/core/model/framework';
import { frameworkAt } from '../changes/head';
import { readHeadSeq } from '../changes/read-changes';
import { database } from '../db/connection';
import { sweepProjects } from './sweep-projects';
import { blob } from '../db/schema';

/** A file that nothing names is kept this long: it may just have been brought, or an undo may name it again. */
const KEPT_DAYS = 30;
const AUDIT_DAYS = 400;

/** Removes what nobody names any more: files of no underlay, ended sessions, counted tries, old lines of the audit list. */
export async function sweep(): Promise<void> {
  await sweepProjects();
  await sweepFiles();
  await database().execute(sql`delete from session where expires_at < now()`);
  await database().execute(sql`delete from rate_limit where expire < extract(epoch from now()) * 1000`);
  await database().execute(sql`select spine_forget_audit(${AUDIT_DAYS})`);
}

/** Removes files that no underlay names, nor any change of the last days. */
export async function sweepFiles(): Promise<void> {
  const old = await database()
    .select({ projectId: blob.projectId, sha256: blob.sha256 })
    .from(blob)
    .where(sql`${blob.at} < now() - make_interval(days => ${KEPT_DAYS})`);
  for (const projectId of new Set(old.map((file) => file.projectId))) {
    const framework = await frameworkAt(database(), projectId, await readHeadSeq(projectId));
    const named = new Set(recordsOf(framework, 'underlay').map(({ sha256 }) => sha256));
    for (const { sha256 } of old.filter((file) => file.projectId === projectId && !named.has(file.sha256))) {
      const { rows } = await database().execute(
        sql`select 1 from change where project_id = ${projectId} and at > now() - make_interval(days => ${KEPT_DAYS})
          and changes::text like ${`%${sha256}%`} limit 1`,
      );
      if (rows.length === 0)
        await database()
          .delete(blob)
          .where(and(eq(blob.projectId, projectId), eq(blob.sha256, sha256)));
    }
  }
}
