import { spawn } from 'node:child_process';
import { join } from 'node:path';
import type { Sheet } from '@/core/importing/sheet';
import { refuse, type Result } from '@/core/model/result';

const LONGEST_MS = 20_000;
const MOST_MEMORY_MB = 512;

/**
 * Parses a DXF file in a process of its own, which is ended when it takes longer than 20 s or more than 512 MB:
 * a file from elsewhere must not be able to stop the program.
 */
export function parseDxfApart(
  bytes: Uint8Array,
  limits: { longestMs?: number; child?: string } = {},
): Promise<Result<Sheet>> {
  const child = limits.child ?? join(process.cwd(), 'src/formats/sandbox/parse-child.ts');
  return new Promise((resolve) => {
    const parser = spawn(process.execPath, [`--max-old-space-size=${MOST_MEMORY_MB}`, '--import', 'tsx', child], {
      stdio: ['pipe', 'pipe', 'ignore'],
      env: { ...process.env, NODE_OPTIONS: '' },
    });
    const output: Uint8Array[] = [];
    let tooLong = false;
    const timer = setTimeout(() => {
      tooLong = true;
      parser.kill('SIGKILL');
    }, limits.longestMs ?? LONGEST_MS);
    parser.stdout.on('data', (chunk: Uint8Array) => output.push(chunk));
    parser.stdin.on('error', () => undefined);
    parser.on('error', () =>
      resolve(refuse('The drawing could not be read: no process could be started for it. Try again')),
    );
    parser.on('close', (code) => {
      clearTimeout(timer);
      if (tooLong)
        return resolve(
          refuse('Reading the drawing took too long and was stopped. Save only the layers that are needed'),
        );
      if (code !== 0)
        return resolve(
          refuse('Reading the drawing failed or took too much memory. Save only the layers that are needed'),
        );
      try {
        resolve(JSON.parse(Buffer.concat(output).toString('utf8')) as Result<Sheet>);
      } catch {
        resolve(refuse('Reading the drawing failed. Save it again as ASCII DXF'));
      }
    });
    parser.stdin.end(bytes);
  });
}
