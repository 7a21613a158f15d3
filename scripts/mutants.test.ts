import { existsSync, readFileSync } from 'node:fs';
import { MUTANTS } from './mutants';

it.each(MUTANTS.map((mutant) => [mutant.name, mutant] as const))(
  '%s: its place and its tests are there',
  (_, mutant) => {
    expect(readFileSync(mutant.file, 'utf8').split(mutant.find)).toHaveLength(2);
    expect(mutant.put).not.toBe(mutant.find);
    expect(mutant.tests.filter((test) => !existsSync(test))).toEqual([]);
  },
);
