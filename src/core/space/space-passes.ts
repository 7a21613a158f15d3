import { checkSpace, type SharedAt } from '../checks/check-space';
import type { Finding } from '../checks/finding';
import { everyFacet } from '../kinds/registry';
import type { SpacePart, SpaceSolid } from '../kinds/in-space';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf, type Context, type Pass } from '../passes/pass';
import { storeyAlike } from '../solving/alike';
import { fflPass, levelNamesPass, storeysOf } from '../solving/building-passes';
import { quantiseMm } from '../units/length-units';
import { isMeant } from './meant';
import { ownersBetween, type Owned } from './owners';
import { shapesOf } from './shapes';

/** A solid of a piece. */
interface Part {
  piece: object;
  solid: SpaceSolid;
}

/** What pieces want, with the heights it lies between: a piece that is the same object wants the same. */
interface Wanted {
  parts: readonly Part[];
  bottomMm: number;
  topMm: number;
}
const known = new WeakMap<object, Wanted>();

function wantedBy(cx: Context, { solids }: SpacePart, piece: object): Wanted {
  let found = known.get(piece);
  if (!found) {
    const parts = solids(piece, shapesOf(cx)).map((solid) => ({ piece, solid }));
    const bottomMm = Math.min(...parts.map(({ solid }) => solid.bottomMm));
    known.set(piece, (found = { parts, bottomMm, topMm: Math.max(...parts.map(({ solid }) => solid.topMm)) }));
  }
  return found;
}

/** What wants space in the storeys, from SSL to SSL; what reaches through several is in each. */
const bandsPass = definePass({
  name: 'what wants space by storeys',
  scope: 'building',
  gathers: true,
  run: (cx, building): ReadonlyMap<Id, readonly Part[]> => {
    const storeys = storeysOf(cx, building);
    const bands: Part[][] = storeys.map(() => []);
    const starts = storeys.map(({ sslMm }) => sslMm);
    if (storeys.length > 0)
      for (const { parts } of everyFacet('space'))
        for (const part of parts)
          for (const piece of cx.get(part.pass, building)) {
            const wanted = wantedBy(cx, part, piece as object);
            const [first, last] = [bandOf(starts, wanted.bottomMm), bandOf(starts, wanted.topMm)];
            if (first === last) for (const each of wanted.parts) bands[first]!.push(each);
            else
              for (const each of wanted.parts) {
                const end = bandOf(starts, each.solid.topMm);
                for (let i = bandOf(starts, each.solid.bottomMm); i <= end; i += 1) bands[i]!.push(each);
              }
          }
    return new Map(storeys.map(({ id }, i) => [id, bands[i]!]));
  },
});

/** The last band that begins at a height or under it; the first goes down without end. */
function bandOf(starts: readonly number[], mm: number): number {
  let [low, high] = [0, starts.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (starts[middle]! <= mm) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** All that wants space in a building. */
export const solidsPass = definePass({
  name: 'what wants space',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly SpaceSolid[] =>
    everyFacet('space').flatMap(({ parts }) =>
      parts.flatMap((part) =>
        cx
          .get(part.pass, building)
          .flatMap((piece) => wantedBy(cx, part, piece as object).parts.map(({ solid }) => solid)),
      ),
    ),
});

export const partsPass = definePass({
  name: 'what wants space in a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly Part[] => {
    const [building, level] = partsOf(key);
    return cx.get(bandsPass, building).get(level) ?? [];
  },
});

/** From SSL to SSL, from the FFL of the storey. */
const heightsPass = definePass({
  name: 'from SSL to SSL',
  scope: 'level',
  run: (cx, key): readonly [number, number] => {
    const [building, level] = partsOf(key);
    const storeys = storeysOf(cx, building);
    const i = storeys.findIndex(({ id }) => id === level);
    const from = (mm: number | undefined, without: number) =>
      mm === undefined ? without : quantiseMm(mm - storeys[i]!.fflMm);
    return [i > 0 ? from(storeys[i]!.sslMm, -Infinity) : -Infinity, from(storeys[i + 1]?.sslMm, Infinity)];
  },
});

/** What of solids lies in a storey, from its FFL to a micrometre; what only touches it is left with no height. */
function within(cx: Context, key: string): { bottomMm: number; topMm: number }[] {
  const zeroMm = cx.get(fflPass, key);
  const [fromMm, toMm] = cx.get(heightsPass, key);
  const from = (mm: number) => Math.round((mm - zeroMm) * 1000) / 1000;
  return cx.get(partsPass, key).map(({ solid }) => {
    const [bottomMm, topMm] = [Math.max(fromMm, from(solid.bottomMm)), Math.min(toMm, from(solid.topMm))];
    return topMm > bottomMm ? { bottomMm, topMm } : { bottomMm: 0, topMm: 0 };
  });
}

/** Storeys in which the same wants the same space, from their floors. */
const alikePass = storeyAlike('the owners of space', (cx, key) => {
  const heights = within(cx, key);
  return cx
    .get(partsPass, key)
    .map(({ solid: { thing, rank, shape } }, i) => {
      const { bottomMm, topMm } = heights[i]!;
      return `${thing} ${rank} ${shape.number} ${bottomMm} ${topMm}`;
    })
    .join('|');
});

/** Who owns the space of a storey; solids are told by their places in its list. */
const ownersPass: Pass<Owned> = definePass<Owned>({
  name: 'owners of space in a storey',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const same = cx.get(alikePass, key);
    if (same !== level) return cx.get(ownersPass, keyOf(building, same));
    const heights = within(cx, key);
    return ownersBetween(
      cx.get(partsPass, key).map(({ solid }, i) => ({ ...solid, ...heights[i]! })),
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
      const parts = cx.get(partsPass, keyOf(building, level));
      return owned.shared.map(({ owner, other, volumeMm3, at }) => ({
        level,
        owner: parts[owner]!.solid,
        other: parts[other]!.solid,
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
      const parts = cx.get(partsPass, keyOf(building, id));
      for (const [i, mm3] of taken) {
        const { piece } = parts[i]!;
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
