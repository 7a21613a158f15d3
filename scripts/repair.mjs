import { DATA } from './backup.mjs';
import { ensurePackages } from './ensure-packages.mjs';
import { startPostgres } from './postgres.mjs';
import { runScript } from './processes.mjs';
import { giveUp } from './say.mjs';
import { secretsIn } from './secrets.mjs';

/** Looks at every project's log, and mends what a snapshot knows: npm run repair [-- --mend]. */
async function main() {
  ensurePackages();
  const secrets = secretsIn(DATA);
  const postgres = await startPostgres(DATA, secrets);
  try {
    await runScript(
      'src/server/maintenance/repair.ts',
      { ...postgres.env, ...secrets },
      undefined,
      process.argv.slice(2),
    );
  } finally {
    if (!postgres.takenOver) await postgres.stop();
  }
}

main().then(
  () => process.exit(0),
  (error) => giveUp(error.message),
);
