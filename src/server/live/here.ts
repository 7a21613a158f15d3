import { sql } from 'drizzle-orm';
import { database } from '../db/connection';

/** Where somebody looks, in one of their tabs. */
export interface Place {
  building: string | null;
  level: string | null;
  view: string;
  selection: string[];
}

/** What everybody in a project is told of a tab: where it looks, or that it is closed. */
export interface Here {
  projectId: string;
  tab: string;
  userId: string;
  name: string;
  place: Place | null;
}

/** The channel by which all processes hear of it. */
export const HERE_CHANNEL = 'spine_here';

/** Tells it to everybody who has the project open, in whichever process. Nothing of it is kept. */
export async function tellHere(here: Here): Promise<void> {
  await database().execute(sql`select pg_notify(${HERE_CHANNEL}, ${JSON.stringify(here)})`);
}
