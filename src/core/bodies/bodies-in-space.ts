import { defineSpacePart, type InSpace, type SpaceRank } from '../kinds/in-space';
import type { Pass } from '../passes/pass';
import type { Body } from './body';

/** Bodies of a kind, of one rank. */
export const bodiesInSpace = (pass: Pass<readonly Body[]>, rank: SpaceRank): InSpace => ({
  parts: [
    defineSpacePart<Body>({
      pass,
      solids: (body, shapes) => [
        {
          thing: body.thing,
          name: body.name,
          level: body.level,
          rank,
          shape: shapes.ofProfile(body.profile),
          bottomMm: body.bottomMm,
          topMm: body.topMm,
        },
      ],
    }),
  ],
});
