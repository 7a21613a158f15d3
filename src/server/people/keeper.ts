import { eq, sql } from 'drizzle-orm';
import { database } from '../db/connection';
import { user } from '../db/schema';

/** Any number of ours: two who are first at once wait for each other. */
const KEEPER_LOCK = 7_310_502;

/** True while nobody has an account here: whoever comes first may make one. */
export async function isFresh(): Promise<boolean> {
  const [person] = await database().select({ id: user.id }).from(user).where(eq(user.isGone, false)).limit(1);
  return !person;
}

/** Whoever made the first account looks after this place, as long as nobody else does. */
export async function makeFirstKeeper(): Promise<void> {
  await database().transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${KEEPER_LOCK})`);
    await tx.execute(sql`
      update "user" set is_keeper = true
      where id = (select id from "user" where not is_gone order by created_at, id limit 1)
        and not exists (select from "user" where is_keeper)`);
  });
}
