import { createHash } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './ensure-packages.mjs';

/** A digest of all sources in some folders, tests left out, and of some files beside them. */
export function fingerprintOf(folders, files) {
  const hash = createHash('sha256');
  const add = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
      const full = join(folder, entry.name);
      if (entry.isDirectory()) add(full);
      else if (!/\.test\.tsx?$/.test(entry.name)) hash.update(full.slice(ROOT.length)).update(readFileSync(full));
    }
  };
  for (const folder of folders) add(join(ROOT, folder));
  for (const file of files) hash.update(readFileSync(join(ROOT, file)));
  return hash.digest('hex');
}
