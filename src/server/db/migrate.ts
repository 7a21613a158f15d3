import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { runMigrations } from 'graphile-worker';
import { settings } from '../settings';
import { database } from './connection';

/** Brings the database to today's shape: our tables and the job queue's. */
export async function migrateDatabase(): Promise<void> {
  await migrate(database(), { migrationsFolder: 'src/server/migrations' });
  await runMigrations({ connectionString: settings().DATABASE_URL });
}
