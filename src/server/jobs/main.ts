import { run } from 'graphile-worker';
import { closeDatabase } from '../db/connection';
import { log } from '../log';
import { settings } from '../settings';
import { writeSnapshot } from './snapshot';

/** The process for long work, beside the web server. It takes jobs from the queue in the database until it is ended. */
async function main(): Promise<void> {
  const runner = await run({
    connectionString: settings().DATABASE_URL,
    concurrency: 1,
    noHandleSignals: true,
    pollInterval: 2000,
    logger: undefined,
    taskList: { snapshot: (payload) => writeSnapshot(payload) },
  });
  const stop = () => {
    void runner
      .stop()
      .then(closeDatabase)
      .finally(() => process.exit(0));
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
  await runner.promise;
}

main().catch((error: unknown) => {
  log.error({ error: String(error) }, 'the process for long work ended');
  process.exitCode = 1;
});
