import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './ensure-packages.mjs';

/** Packages of many small files, which are read much faster as one. All others stay as they are installed. */
const TAKEN_IN = ['zod', 'drizzle-orm', 'better-auth', '@noble/hashes', 'uuid', 'clipper2-ts', 'earcut', 'flatbush'];

function externalPackages() {
  const { dependencies } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8'));
  return Object.keys(dependencies).filter((name) => !TAKEN_IN.includes(name));
}

/** Bundles programs, by name, into one file each in a folder. */
export async function bundle(programs, outdir) {
  const { build } = await import('esbuild');
  await build({
    entryPoints: Object.fromEntries(Object.entries(programs).map(([name, file]) => [name, join(ROOT, file)])),
    outdir,
    outExtension: { '.js': '.mjs' },
    absWorkingDir: ROOT,
    bundle: true,
    splitting: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    external: externalPackages(),
    sourcemap: true,
    logLevel: 'warning',
  });
}
