import { everyFacet } from '../kinds/registry';
import { definePass } from '../passes/pass';
import { together } from '../passes/together';
import type { Body } from './body';

/** The bodies of all kinds that have them. */
export const bodiesPass = definePass({
  name: 'bodies',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Body[] => together(everyFacet('bodies').map(({ pass }) => cx.get(pass, building))),
});
