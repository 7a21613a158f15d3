import { ownPath } from '../elements/path-corners';
import { distance, type Point } from '../geometry/point';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';

/** Ends nearer than this meet, mm. */
const MEET_MM = 50;

/** A wall and all that go on from its ends, one after the other, in its building. */
export function wallsGoingOn(framework: Framework, first: Id): Id[] {
  const start = framework.records.get(first);
  if (start?.kind !== 'wall') return [];
  const all = recordsOf(framework, 'wall').filter(({ building }) => building === start.building);
  const ends = new Map<Id, readonly Point[]>(
    all.map((wall) => {
      const corners = wall.closed ? [] : (ownPath(framework, wall)?.corners ?? []);
      return [wall.id, corners.length > 0 ? [corners[0]!, corners.at(-1)!] : []];
    }),
  );
  const chain = new Set<Id>([first]);
  // A set is walked on through what is added to it meanwhile.
  for (const id of chain)
    for (const { id: other } of all) {
      if (chain.has(other)) continue;
      if (ends.get(id)!.some((p) => ends.get(other)!.some((q) => distance(p, q) <= MEET_MM))) chain.add(other);
    }
  return [...chain];
}
