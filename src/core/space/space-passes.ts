import { checkSpace, type SharedAt } from '../checks/check-space';
import type { Finding } from '../checks/finding';
import { definePass, keyOf, partsOf, type Pass } from '../passes/pass';
import { storeyAlike } from '../solving/alike';
import { levelNamesPass, storeysOf } from '../solving/building-passes';
import { textOf } from './in-storey';
import { inStoreyPass, onFloorPass, pieceAt, reachingPartsPass } from './in-storey-passes';
import { isMeant } from './meant';
import { ownersBetween, type Owned } from './owners';

/** Storeys in which the same wants the same space, from their floors. */
const spaceAlikePass = storeyAlike('the owners of space', (cx, key) =>
  [
    cx
      .get(onFloorPass, key)
      .map(({ number }) => number)
      .join(' '),
    textOf(cx.get(reachingPartsPass, key)),
  ].join('|'),
);

/** Who owns the space of a storey; solids are told by their places in its list. */
const ownersPass: Pass<Owned> = definePass<Owned>({
  name: 'owners of space in a storey',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const same = cx.get(spaceAlikePass, key);
    if (same !== level) return cx.get(ownersPass, keyOf(building, same));
    return ownersBetween(
      cx.get(inStoreyPass, key).map(({ solid }) => solid),
      (owner, other) => !isMeant(owner, other),
      (text, work) => cx.remembered.of(text, work),
    );
  },
});

/** Things in the same space, whom nobody meant there. */
export const spaceFindingsPass = definePass({
  name: 'check of what is in the same space',
  scope: 'building',
  run: (cx, building): readonly Finding[] => {
    const names = cx.get(levelNamesPass, building);
    const shared = storeysOf(cx, building).flatMap(({ id: level }): SharedAt[] => {
      const owned = cx.get(ownersPass, keyOf(building, level));
      if (owned.shared.length === 0) return [];
      const within = cx.get(inStoreyPass, keyOf(building, level));
      return owned.shared.map(({ owner, other, volumeMm3, at }) => ({
        level,
        owner: within[owner]!.solid,
        other: within[other]!.solid,
        volumeMm3,
        at,
      }));
    });
    return checkSpace(shared, { framework: cx.framework, building, nameOf: (level) => names.get(level) ?? '' });
  },
  failing: (_, building) => ({ what: 'The check of what is in the same space', building, about: [], value: [] }),
});

/** What is taken from pieces by those that own the space they want too, mm³. */
const takenPass = definePass({
  name: 'space taken',
  scope: 'building',
  gathers: true,
  run: (cx, building): ReadonlyMap<object, number> => {
    const found = new Map<object, number>();
    for (const { id } of storeysOf(cx, building)) {
      const { taken } = cx.get(ownersPass, keyOf(building, id));
      if (taken.length === 0) continue;
      for (const [i, mm3] of taken) {
        const piece = pieceAt(cx, keyOf(building, id), i);
        found.set(piece, (found.get(piece) ?? 0) + mm3);
      }
    }
    return found;
  },
  failing: (_, building) => ({ what: 'The owners of space', building, about: [], value: new Map() }),
});

/** Pieces with the space that is their own; the same object where nothing is taken. */
export const ownedPass = <P extends { volumeMm3: number }>(what: string, pass: Pass<readonly P[]>) =>
  definePass({
    name: `${what} with their own space`,
    scope: 'building',
    gathers: true,
    run: (cx, building): readonly P[] => {
      const taken = cx.get(takenPass, building);
      const pieces = cx.get(pass, building);
      if (taken.size === 0) return pieces;
      return pieces.map((piece) => {
        const mm3 = taken.get(piece);
        return mm3 === undefined ? piece : lessened(piece, mm3);
      });
    },
  });

const lessenings = new WeakMap<object, { mm3: number; made: object }>();

/** A piece less what is taken: the same object as before where both are. */
function lessened<P extends { volumeMm3: number }>(piece: P, mm3: number): P {
  const before = lessenings.get(piece);
  if (before?.mm3 === mm3) return before.made as P;
  const made: P = { ...piece, volumeMm3: Math.max(0, piece.volumeMm3 - mm3) };
  lessenings.set(piece, { mm3, made });
  return made;
}
