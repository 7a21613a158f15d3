import { everyFacet } from '../kinds/registry';
import { definePass } from '../passes/pass';
import { together } from '../passes/together';
import type { Assembly } from './assembly';

/** The assemblies of all kinds that have them. */
export const assembliesPass = definePass({
  name: 'assemblies',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Assembly[] =>
    together(everyFacet('assemblies').map(({ pass }) => cx.get(pass, building))),
});
