import { sql } from 'drizzle-orm';
import { Logger, run } from 'graphile-worker';
import { closeDatabase, database } from '../db/connection';
import { codeOf } from '../entry/audit';
import { log } from '../log';
import { settings } from '../settings';
import { endWithParent } from '../end-with-parent';
import { sweep } from './sweep';
import { writeSnapshot } from './snapshot';
import { writeSummary } from './summary';

const SIGN_OF_LIFE_MS = 10_000;

async function saySignOfLife(): Promise<void> {
  try {
    await database().execute(
      sql`insert into sign_of_life (who, at) values ('jobs', now()) on conflict (who) do update set at = now()`,
    );
  } catch (error) {
    log.warn({ code: codeOf(error) }, 'the process for long work cannot write its sign of life');
  }
}

/** What the queue says of itself: a job that failed by its name and the error’s code. Its own words hold what was written. */
const QUIET = new Logger(() => (level, _, meta) => {
  const { error, job } = (meta ?? {}) as { error?: unknown; job?: { task_identifier?: string } };
  if (level === 'error')
    log.error({ code: codeOf(error), job: job?.task_identifier }, 'a job failed; it is tried again');
});

/** The process for long work, beside the web server. It takes jobs from the queue in the database until it is ended. */
async function main(): Promise<void> {
  const runner = await run({
    connectionString: settings().OWNER_DATABASE_URL ?? settings().DATABASE_URL,
    concurrency: 1,
    noHandleSignals: true,
    pollInterval: 2000,
    logger: QUIET,
    taskList: {
      snapshot: (payload) => writeSnapshot(payload),
      summary: (payload) => writeSummary(payload),
      sweep: () => sweep(),
    },
    // Every night: what nobody names any more.
    crontab: '17 2 * * * sweep',
  });
  await saySignOfLife();
  const timer = setInterval(() => void saySignOfLife(), SIGN_OF_LIFE_MS);
  const stop = () => {
    clearInterval(timer);
    void runner
      .stop()
      .then(closeDatabase)
      .finally(() => process.exit(0));
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
  endWithParent(stop);
  await runner.promise;
}

main().catch((error: unknown) => {
  log.error({ code: codeOf(error) }, 'the process for long work ended');
  process.exit(1);
});
