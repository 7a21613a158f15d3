import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import { settings } from '../settings';
import * as schema from './schema';

export type Database = NodePgDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

interface Held {
  pool: pg.Pool;
  database: Database;
}

const holder = globalThis as typeof globalThis & { spineDatabase?: Held };

function held(): Held {
  if (!holder.spineDatabase) {
    const pool = new pg.Pool({
      connectionString: settings().DATABASE_URL,
      max: 12,
      connectionTimeoutMillis: 8000,
      idleTimeoutMillis: 60_000,
      application_name: 'spine',
    });
    pool.on('error', () => undefined);
    holder.spineDatabase = { pool, database: drizzle(pool, { schema }) };
  }
  return holder.spineDatabase;
}

/** This process's database. One pool, kept across the bundles a page is made of. */
export const database = (): Database => held().database;

/** The pool itself, for a library that brings its own queries. */
export const databasePool = (): pg.Pool => held().pool;

/** Closes the pool, at the end of a test or of the process. */
export async function closeDatabase(): Promise<void> {
  const { pool } = held();
  delete holder.spineDatabase;
  await pool.end();
}
