import type { Finding } from '../checks/finding';
import { stackPass } from '../columns/column-passes';
import { columnsAtPass } from '../columns/column-passes';
import { walls } from '../ceilings/ceiling-passes';
import { platesPass } from '../floors/floor-passes';
import { called } from '../kinds/records';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, keyOf } from '../passes/pass';
import { ownRecords, storeysOf } from '../solving/building-passes';
import type { FoundationPiece } from '../solving/solved';
import { partyPass } from '../walls/walls-standing';
import { checkInRaft } from './check-in-raft';
import { checkFounded, solveFoundation } from './solve-foundations';

/** A raft, or the pads or strips of one kind. */
const foundationPass = definePass<{ pieces: readonly FoundationPiece[]; findings: readonly Finding[] }>({
  name: 'foundation',
  scope: 'thing',
  run: (cx, id) => {
    const record = recordOf(cx.framework, 'foundation', id);
    if (!record) return { pieces: [], findings: [] };
    return solveFoundation(record, {
      framework: cx.framework,
      plates: cx.get(platesPass, record.building),
      footOf: (stack) => cx.get(stackPass, stack).pieces[0],
      union: (...args) => cx.profiles.union(...args),
      facts: cx.facts,
    });
  },
  failing: ({ framework }, id) => {
    const record = recordOf(framework, 'foundation', id);
    const value = { pieces: [], findings: [] };
    return { what: record ? called(record) : 'A foundation', building: record?.building ?? '', about: [id], value };
  },
});

export const foundationsPass = definePass({
  name: 'foundations',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly FoundationPiece[] =>
    ownRecords(recordsOf(cx.framework, 'foundation'), building).flatMap(({ id }) => cx.get(foundationPass, id).pieces),
});

export const foundationFindingsPass = definePass<readonly Finding[]>({
  name: 'findings of foundations',
  scope: 'building',
  run: (cx, building) => {
    const found = ownRecords(recordsOf(cx.framework, 'foundation'), building).flatMap(
      ({ id }) => cx.get(foundationPass, id).findings,
    );
    const storeys = storeysOf(cx, building);
    const [lowest] = storeys;
    if (!lowest) return found;
    found.push(...checkInRaft(cx.framework, cx.get(foundationsPass, building)));
    const key = keyOf(building, lowest.id);
    const shared = new Set(cx.get(partyPass, building).map(({ id }) => id));
    const pieces = cx.get(foundationsPass, building);
    const bearing = (wall: Id) =>
      pieces.length === 0 || ['exterior', 'core'].includes(recordOf(cx.framework, 'wall', wall)?.use ?? '');
    const standing = [
      ...cx.get(columnsAtPass, key).map(({ stack }) => stack),
      ...cx
        .get(walls.at, key)
        .map(({ wall }) => wall)
        .filter((wall) => !shared.has(wall) && bearing(wall)),
    ];
    return [...found, ...checkFounded(cx.framework, storeys, standing, pieces)];
  },
  failing: (_, building) => ({ what: 'The foundations', building, about: [], value: [] }),
});
