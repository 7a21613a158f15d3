import { sql } from 'drizzle-orm';
import type { Transaction } from '../db/connection';

/** Has the members' open tabs read anew what they may do. */
export async function tellMembers(tx: Transaction, projectId: string): Promise<void> {
  await tx.execute(sql`select pg_notify('spine_people', user_id) from membership where project_id = ${projectId}`);
}
