import type { Id } from '../model/ids';
import { definePass, type Context, type Pass } from '../passes/pass';
import type { Finding } from './finding';

/** A check of a building: what it looks at, and what it finds. */
export function checkOf(
  what: string,
  run: (cx: Context, building: Id) => readonly Finding[],
): Pass<readonly Finding[]> {
  return definePass({
    name: `check of ${what}`,
    scope: 'building',
    run,
    failing: (_, building) => ({ what: `The check of ${what}`, building, about: [], value: [] }),
  });
}
