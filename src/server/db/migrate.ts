import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { runMigrations } from 'graphile-worker';
import pg from 'pg';
import { settings } from '../settings';

/** Any number of ours: two that start at once on one database wait for each other. */
export const SETTING_UP_LOCK = 7_310_501;

/**
 * What the app's role may do: everything it needs and no more. It cannot change or delete what is in the log, and cannot
 * remove a project but through a function that only takes those deleted some days ago. Reports read and nothing else. Jobs
 * are added through a function that belongs to the owner.
 */
const RIGHTS = `
  create or replace function public.spine_add_job(task text, payload json, key text default null) returns void
    language sql security definer set search_path = pg_catalog
    as $$ select graphile_worker.add_job(identifier := task, payload := payload, job_key := key) $$;
  revoke all on function public.spine_add_job(text, json, text) from public;
  create or replace function public.spine_remove_deleted(days int) returns bigint
    language sql security definer set search_path = pg_catalog
    as $$ with gone as (delete from public.project where deleted_at < now() - make_interval(days => greatest(days, 30)) returning id)
      select count(*) from gone $$;
  revoke all on function public.spine_remove_deleted(int) from public;
  create or replace function public.spine_forget_audit(days int) returns void
    language sql security definer set search_path = pg_catalog
    as $$ delete from public.audit where at < now() - make_interval(days => greatest(days, 30)) $$;
  revoke all on function public.spine_forget_audit(int) from public;
  do $rights$
  declare owned regclass;
  begin
    if not exists (select from pg_roles where rolname = 'spine_app') then return; end if;
    grant usage on schema public to spine_app, spine_reader;
    grant select, insert, update, delete on all tables in schema public to spine_app;
    revoke update, delete on change from spine_app;
    revoke delete on project from spine_app;
    revoke update, delete on audit from spine_app;
    grant usage on all sequences in schema public to spine_app;
    grant execute on function public.spine_add_job(text, json, text) to spine_app;
    grant execute on function public.spine_remove_deleted(int) to spine_app;
    grant execute on function public.spine_forget_audit(int) to spine_app;
    grant select on project, membership, change, snapshot, audit to spine_reader;
    grant select (id, name, created_at) on "user" to spine_reader;
  end $rights$;
`;

/** Brings the database to today's shape: our tables, the job queue's, and who may do what with them. */
export async function migrateDatabase(): Promise<void> {
  const connectionString = settings().OWNER_DATABASE_URL ?? settings().DATABASE_URL;
  const client = new pg.Client({ connectionString });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [SETTING_UP_LOCK]);
    await migrate(drizzle(client), { migrationsFolder: 'src/server/migrations' });
    await runMigrations({ connectionString });
    await client.query(RIGHTS);
  } finally {
    await client.end();
  }
}
