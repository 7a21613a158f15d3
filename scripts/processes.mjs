import { spawn } from 'node:child_process';
import { programArgs, programsEnv } from './build.mjs';
import { ROOT } from './ensure-packages.mjs';

/** Runs a node program to its end. */
const runNode = (what, nodeArgs, env, stdio) =>
  new Promise((resolve, reject) => {
    const child = spawn(process.execPath, nodeArgs, { cwd: ROOT, env: { ...process.env, ...env }, stdio });
    child.once('exit', (code) => (code === 0 ? resolve() : reject(new Error(`${what} ended with ${code}`))));
  });

/** Runs a TypeScript file of ours to its end. */
export const runScript = (file, env, stdio = ['ignore', 'inherit', 'inherit'], args = []) =>
  runNode(file, ['--import', 'tsx', file, ...args], env, stdio);

/** Brings the database to today's shape and fills in the demo where it is not there. */
export const setUpData = (env) =>
  runNode('Setting up the data', programArgs('seed'), env, ['ignore', 'inherit', 'inherit']);

/**
 * Begins one of our processes. It ends by itself when this one does, however that goes: it reads its standard input,
 * whose other end is here.
 */
const begin = (name, env, output) =>
  spawn(process.execPath, programArgs(name), {
    cwd: ROOT,
    env: { ...process.env, ENDS_WITH_PARENT: '1', ...programsEnv(), ...env },
    stdio: ['pipe', 'ignore', output],
    detached: true,
  });

/** Starts the web server. It takes SIGTERM itself: no shell between. Few arenas: what large files took is given back. */
export const startWeb = (port, env, output = 'inherit') =>
  begin(
    'web',
    { NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', MALLOC_ARENA_MAX: '2', ...env, PORT: String(port) },
    output,
  );

/** Starts the process for long work. */
export const startJobs = (env, output = 'inherit') => begin('jobs', env, output);

/** Ends a process kindly, then for good. */
export const end = (child) =>
  new Promise((resolve) => {
    if (!child || child.exitCode !== null || child.signalCode !== null) return resolve();
    child.once('exit', resolve);
    child.kill('SIGTERM');
    setTimeout(() => child.kill('SIGKILL'), 5000).unref();
  });

/** Waits until a web address answers. */
export async function untilAnswers(url, child) {
  for (let i = 0; i < 600; i += 1) {
    if (child.exitCode !== null || child.signalCode !== null)
      throw new Error('The web server ended before it answered');
    try {
      const response = await fetch(url, { signal: AbortSignal.timeout(5000) });
      if (response.status < 500) return;
    } catch {
      // Not up yet.
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`${url} did not answer within a minute`);
}
