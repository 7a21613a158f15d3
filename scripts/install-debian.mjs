import { spawnSync } from 'node:child_process';
import { giveUp, say } from './say.mjs';

/** True if a command answers. */
export const answers = (command, args = ['--version']) => spawnSync(command, args, { stdio: 'ignore' }).status === 0;

/** Installs Debian packages, as root or through sudo without a password. */
export function installDebian(packages, what) {
  const asRoot = process.getuid?.() === 0;
  const canSudo = !asRoot && answers('sudo', ['-n', 'true']);
  if (!asRoot && !canSudo) {
    giveUp(`${what} is missing and this account may not install it. Ask for: apt-get install ${packages.join(' ')}`);
  }
  say(`Installing ${what} (${packages.join(' ')}) from Debian's packages …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const run = (args) => {
    const [command, rest] = asRoot
      ? ['apt-get', args]
      : ['sudo', ['-n', '--preserve-env=DEBIAN_FRONTEND', 'apt-get', ...args]];
    return spawnSync(command, rest, { env, encoding: 'utf8' });
  };
  run(['update']);
  const result = run(['install', '-y', '--no-install-recommends', ...packages]);
  if (result.status !== 0) giveUp(`${what} could not be installed: ${(result.stderr ?? '').trim().split('\n').at(-1)}`);
}
