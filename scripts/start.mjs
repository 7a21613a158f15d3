import { join } from 'node:path';
import { ensureBuild } from './build.mjs';
import { ROOT, ensurePackages } from './ensure-packages.mjs';
import { startPostgres } from './postgres.mjs';
import { freePort, isFree } from './ports.mjs';
import { end, runScript, startJobs, startWeb, untilAnswers } from './processes.mjs';
import { giveUp, say } from './say.mjs';
import { secretsIn } from './secrets.mjs';

const DATA = process.env.SPINE_DATA ?? join(ROOT, '.data');
const WANTED_PORT = Number(process.env.PORT ?? 3000);

let postgres = null;
let web = null;
let jobs = null;
let stopping = false;

async function stop(code) {
  if (stopping) return;
  stopping = true;
  await Promise.all([end(web), end(jobs)]);
  await postgres?.stop();
  process.exit(code);
}

process.on('SIGTERM', () => void stop(0));
process.on('SIGINT', () => {
  process.stderr.write('\n');
  say('Stopping …');
  void stop(0);
});

async function main() {
  say('Zenith Spine');
  ensurePackages();
  postgres = await startPostgres(DATA);
  if (postgres.shared) say('Another Zenith Spine uses this data already; sharing its database.');
  let port = WANTED_PORT;
  if (!(await isFree(port))) {
    port = await freePort(WANTED_PORT + 1);
    say(`Port ${WANTED_PORT} is taken by another program; using ${port} instead.`);
  }
  const env = {
    ...secretsIn(DATA),
    DATABASE_URL: postgres.url,
    APP_URL: `http://127.0.0.1:${port}`,
    DEMO_MODE: process.env.DEMO_MODE ?? '1',
  };
  await runScript('src/demo/seed.ts', env);
  ensureBuild();
  jobs = startJobs(env);
  web = startWeb(port, env, ['ignore', 'ignore', 'inherit']);
  web.once('exit', () => {
    if (stopping) return;
    say('The web server ended by itself.');
    void stop(1);
  });
  await untilAnswers(`${env.APP_URL}/`, web);
  process.stdout.write(`\n  Zenith Spine is ready: ${env.APP_URL}\n  Stop it with Ctrl-C.\n\n`);
}

main().catch((error) => {
  if (stopping) return;
  void stop(1).finally(() => giveUp(error.message));
});
