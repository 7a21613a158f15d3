import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { MUTANTS, type Mutant } from './mutants';

const OUT = 'test-results/mutants.json';

/** True if some of a mutant's tests fails, by jest's exit code. */
function isNoticed({ tests }: Mutant): boolean {
  const args = ['node_modules/jest/bin/jest.js', '--bail', '--silent', ...tests];
  return spawnSync(process.execPath, args, { encoding: 'utf8' }).status !== 0;
}

/**
 * Makes the program wrong in one place after the other and says which tests notice. Files are put back as they were, also when it is
 * stopped. Exit code 1 where a mutant survives or where its place is not found.
 */
function main(): void {
  const wanted = process.argv.slice(2).join(' ').toLowerCase();
  const chosen = MUTANTS.filter(({ name }) => name.toLowerCase().includes(wanted));
  const survivors: string[] = [];
  let restore = (): void => undefined;
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, () => {
      restore();
      process.exit(130);
    });
  for (const mutant of chosen) {
    const text = readFileSync(mutant.file, 'utf8');
    if (text.split(mutant.find).length !== 2) {
      survivors.push(`${mutant.name}: its place in ${mutant.file} is not there once`);
      process.stdout.write(`? ${survivors.at(-1)}\n`);
      continue;
    }
    restore = () => writeFileSync(mutant.file, text);
    let noticed: boolean;
    try {
      writeFileSync(
        mutant.file,
        text.replace(mutant.find, () => mutant.put),
      );
      noticed = isNoticed(mutant);
    } finally {
      restore();
    }
    if (!noticed) survivors.push(`${mutant.name} (${mutant.file})`);
    process.stdout.write(`${noticed ? '✓ noticed' : '✗ survives'}: ${mutant.name}\n`);
  }
  mkdirSync('test-results', { recursive: true });
  writeFileSync(OUT, `${JSON.stringify({ mutants: chosen.length, survivors }, null, 2)}\n`);
  process.stdout.write(`\n${chosen.length} mutants, ${survivors.length} survive\n`);
  process.exitCode = survivors.length > 0 ? 1 : 0;
}

main();
