import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, ensurePackages } from './ensure-packages.mjs';
import { answers, installDebian } from './install-debian.mjs';
import { startPostgres } from './postgres.mjs';
import { freePort } from './ports.mjs';
import { bundledCommand } from './bundled-command.mjs';
import { end, setUpData, startJobs, startWeb, untilAnswers } from './processes.mjs';
import { giveUp, say } from './say.mjs';
import { secretsIn } from './secrets.mjs';

const DATA = join(ROOT, '.data/test');
/** `npm test` proves everything; `npm test -- checks|unit|browser|faults PATTERN …` a part, while working on it. */
const [PART, ...PATTERNS] = process.argv.slice(2);
const wants = (part) => PART === undefined || PART === part;
const bin = (name) => join(ROOT, 'node_modules/.bin', name);
let passed = 0;
let failed = 0;
let postgres = null;
const children = [];

/** Runs a command to its end and shows what it says. */
const run = (command, args, env = {}) =>
  new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'inherit', 'inherit'],
    });
    child.once('exit', (code) => resolve(code === 0));
  });

/** Runs a command to its end; answers whether it went well, and what it said. */
const heard = (command, args) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (bytes) => (said += bytes));
    child.once('close', (code) => resolve({ isGood: code === 0, said }));
  });

/** A check counts as one test. */
async function check(name, command, args) {
  const { isGood, said } = await heard(command, args);
  if (isGood) passed += 1;
  else failed += 1;
  process.stdout.write(`${isGood ? '' : said}  ${name}: ${isGood ? 'good' : 'FAILED'}\n`);
}

/** The longest check runs beside all others. */
async function checks() {
  process.stdout.write('\n— checks of the source\n');
  const others = async () => {
    await check('formatting', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
    await check('types', bin('tsc'), ['-p', '.']);
    const layered = ['src', 'bench', 'e2e', 'faults', 'scripts'];
    await check('layers', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', ...layered]);
    await check('dead code', bin('knip'), ['--exclude', 'types', '--no-config-hints']);
    const generated = ['--import', 'tsx', 'scripts/generate-docs.ts', '--check'];
    await check('documents as generated', process.execPath, generated);
  };
  await Promise.all([check('lint', bin('eslint'), ['--max-warnings', '0', '.']), others()]);
}

async function jest(env) {
  process.stdout.write('\n— unit, property and database tests\n');
  const report = join(ROOT, 'test-results/jest.json');
  mkdirSync(join(ROOT, 'test-results'), { recursive: true });
  rmSync(report, { force: true });
  await run(bin('jest'), ['--json', `--outputFile=${report}`, '--testLocationInResults=false', ...PATTERNS], env);
  if (!existsSync(report)) return void (failed += 1);
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(readFileSync(report, 'utf8'));
  passed += numPassedTests;
  failed += numFailedTests + numRuntimeErrorTestSuites;
}

async function browser(env) {
  process.stdout.write('\n— browser tests\n');
  const report = join(ROOT, 'test-results/report.json');
  rmSync(report, { force: true });
  await run(bin('playwright'), ['test', ...PATTERNS], env);
  if (!existsSync(report)) return void (failed += 1);
  const { stats } = JSON.parse(readFileSync(report, 'utf8'));
  passed += stats.expected;
  failed += stats.unexpected + stats.flaky;
  if (stats.expected === 0) failed += 1;
}

/** The short form of the faults suite, on an installation of its own: each of its faults counts as a test. */
async function faults() {
  process.stdout.write('\n— faults under load, damaged files, failing starts\n');
  const report = join(ROOT, 'test-results/faults.json');
  rmSync(report, { force: true });
  await run(bin('tsx'), ['faults/main.ts', '--short', ...PATTERNS]);
  if (!existsSync(report)) return void (failed += 1);
  const counted = JSON.parse(readFileSync(report, 'utf8'));
  passed += counted.passed;
  failed += counted.failed;
}

/** A database of the tests' own, without anything of an earlier run. */
async function beginAnew() {
  mkdirSync(DATA, { recursive: true });
  const secrets = secretsIn(DATA);
  // One that an ended run left is taken over, and stopped.
  if (existsSync(join(DATA, 'pg'))) await (await startPostgres(DATA, secrets, { port: 54400 })).stop();
  rmSync(DATA, { recursive: true, force: true });
  postgres = await startPostgres(DATA, secretsIn(DATA), { port: 54400 });
}

async function close() {
  await Promise.all(children.map(end));
  await postgres?.stop();
}

for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void close().finally(() => process.exit(1)));

async function main() {
  ensurePackages();
  const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium';
  if (!existsSync(chromium) && !answers(chromium)) installDebian(['chromium'], 'the Chromium browser');
  // Programs of others that measure our PDF and audit our DXF.
  const others = { pdftocairo: 'poppler-utils', ezdxf: 'python3-ezdxf' };
  const missing = Object.keys(others).filter((command) => !existsSync(`/usr/bin/${command}`));
  if (missing.length > 0)
    installDebian(
      missing.map((command) => others[command]),
      'the programs that check our files',
    );
  if (wants('checks')) await checks();
  if (PART === 'checks') return;
  if (PART === 'faults') return faults();
  await beginAnew();
  const port = await freePort(3300);
  const env = {
    ...postgres.env,
    ADMIN_DATABASE_URL: postgres.adminUrl,
    SPINE_DATA: DATA,
    AUTH_SECRET: 'only-for-the-tests-0123456789abcdef',
    DEMO_MODE: '1',
    DEMO_PASSWORD: 'only-for-the-tests',
    AUTH_RATE_LIMIT: '0',
    APP_URL: `http://127.0.0.1:${port}`,
  };
  await setUpData(env);
  if (wants('unit')) await jest({ ...env, SPINE_PROGRAMS: await bundledCommand() });
  if (PART === 'unit') return;
  const { ensureBuild } = await import('./build.mjs');
  await ensureBuild();
  const second = await freePort(port + 1);
  // One of them shows the parts of the interface, as in development.
  children.push(startWeb(port, { ...env, SPINE_PARTS: '1' }), startWeb(second, env), startJobs(env));
  await untilAnswers(`${env.APP_URL}/`, children[0]);
  await untilAnswers(`http://127.0.0.1:${second}/`, children[1]);
  await browser({ ...env, SECOND_URL: `http://127.0.0.1:${second}`, CHROMIUM: chromium });
  if (PART !== undefined) return;
  await Promise.all(children.splice(0).map(end));
  await faults();
}

main()
  .catch((error) => {
    say(error.message);
    failed += 1;
  })
  .finally(async () => {
    await close();
    process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
    if (failed > 0 || passed === 0) giveUp('Not everything passed.');
    process.exit(0);
  });
