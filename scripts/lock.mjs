import { spawn } from 'node:child_process';
import { join } from 'node:path';

/**
 * Takes a folder for this process: null if another has it. A helper holds a lock on a file of the folder as long as
 * this process holds the other end of its standard input, so however this process ends, killed too, the lock goes with it.
 */
export function takeFolder(folder) {
  return new Promise((resolve, reject) => {
    const holder = spawn(
      'flock',
      ['--nonblock', '--no-fork', join(folder, 'lock'), 'sh', '-c', 'echo held; exec cat'],
      {
        stdio: ['pipe', 'pipe', 'pipe'],
        detached: true,
      },
    );
    let complaint = '';
    holder.stderr.on('data', (text) => (complaint += text));
    holder.once('error', (error) =>
      reject(new Error(`The folder could not be locked (${error.code}): Debian's util-linux is missing`)),
    );
    holder.once('exit', () =>
      complaint.trim() === ''
        ? resolve(null)
        : reject(new Error(`The folder could not be locked: ${complaint.trim()}`)),
    );
    holder.stdout.once('data', () => {
      holder.removeAllListeners('exit');
      holder.unref();
      resolve({ release: () => holder.stdin.end() });
    });
  });
}
