import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './ensure-packages.mjs';

/** Runs a TypeScript file of ours to its end. */
export const runScript = (file, env, stdio = 'inherit') =>
  new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--import', 'tsx', file], {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio,
    });
    child.once('exit', (code) => (code === 0 ? resolve() : reject(new Error(`${file} ended with ${code}`))));
  });

/** Starts the web server. It takes SIGTERM itself: no shell between. */
export function startWeb(port, env, stdio = ['ignore', 'pipe', 'inherit']) {
  const next = join(ROOT, 'node_modules/next/dist/bin/next');
  return spawn(process.execPath, [next, 'start', '-p', String(port), '-H', '127.0.0.1'], {
    cwd: ROOT,
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', ...env },
    stdio,
    detached: true,
  });
}

/** Starts the process for long work. */
export const startJobs = (env) =>
  spawn(process.execPath, ['--import', 'tsx', 'src/server/jobs/main.ts'], {
    cwd: ROOT,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'ignore', 'inherit'],
    detached: true,
  });

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
    if (child.exitCode !== null) throw new Error('The web server ended before it answered');
    try {
      const response = await fetch(url);
      if (response.status < 500) return;
    } catch {
      // Not up yet.
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`${url} did not answer within a minute`);
}
