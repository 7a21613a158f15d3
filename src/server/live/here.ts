import { sql } from 'drizzle-orm';
import { database } from '../db/connection';
import type { Here } from '@/core/people/told';

/** The channel by which all processes hear of it. */
export const HERE_CHANNEL = 'spine_here';

/** Tells it to everybody who has the project open, in whichever process. Nothing of it is kept. */
export async function tellHere(here: Here): Promise<void> {
  await database().execute(sql`select pg_notify(${HERE_CHANNEL}, ${JSON.stringify(here)})`);
}
