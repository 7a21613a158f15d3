import { sql } from 'drizzle-orm';
import { database } from '../db/connection';
import { DELETED_DAYS } from '../projects/deleted-projects';

/** Spent invitations and mails are kept this long, for who looks back. */
const SPENT_DAYS = 90;

/**
 * Removes for good what was deleted some days ago, and nothing else: the project with its log, files, views and invitations,
 * and the names without an account that stand in no log any more.
 */
export async function sweepProjects(): Promise<void> {
  await database().execute(sql`select spine_remove_deleted(${DELETED_DAYS})`);
  await database().execute(sql`
    delete from "user" where is_gone
      and not exists (select from change where author_id = "user".id)
      and not exists (select from membership where user_id = "user".id)`);
  await database().execute(sql`
    delete from invitation where expires_at < now() - make_interval(days => ${SPENT_DAYS})`);
  await database().execute(sql`
    delete from password_link where expires_at < now() - make_interval(days => ${SPENT_DAYS})`);
  await database().execute(sql`delete from outbox where at < now() - make_interval(days => ${SPENT_DAYS})`);
}
