import { checkSpace, type SharedAt } from '../checks/check-space';
import type { Finding } from '../checks/finding';
import { everyFacet } from '../kinds/registry';
import type { FromFloors, SpacePart, SpaceSolid } from '../kinds/in-space';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf, type Context, type Pass } from '../passes/pass';
import { storeyAlike } from '../solving/alike';
import { fflPass, levelNamesPass, storeysOf } from '../solving/building-passes';
import { quantiseMm } from '../units/length-units';
import { isMeant } from './meant';
import { ownersBetween, type Owned } from './owners';
import { shapesOf } from './shapes';

/** What a piece wants, with the heights it lies between: a piece that is the same object wants the same. */
interface Wanted {
  solids: readonly SpaceSolid[];
  bottomMm: number;
  topMm: number;
}
const known = new WeakMap<object, Wanted>();

function wantedBy(cx: Context, { solids }: SpacePart, piece: object): Wanted {
  let found = known.get(piece);
  if (!found) {
    const own = solids(piece, shapesOf(cx));
    const bottomMm = Math.min(...own.map((solid) => solid.bottomMm));
    known.set(piece, (found = { solids: own, bottomMm, topMm: Math.max(...own.map(({ topMm }) => topMm)) }));
  }
  return found;
}

/** All that wants space in a building. */
export const solidsPass = definePass({
  name: 'what wants space',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly SpaceSolid[] =>
    everyFacet('space').flatMap(({ parts }) =>
      parts.flatMap((part) =>
        cx.get(part.pass, building).flatMap((piece) => wantedBy(cx, part, piece as object).solids),
      ),
    ),
});

/** A solid of a piece. */
interface Part {
  piece: object;
  solid: SpaceSolid;
  /** Puts a piece that is worked out from a floor in its place. */
  placed: FromFloors<object>['placed'] | null;
}

/** What wants space in the storeys, from SSL to SSL, but for what is worked out from their floors; what reaches through several is in each. */
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
          for (const piece of part.fromFloors?.others(cx, building) ?? cx.get(part.pass, building))
            for (const solid of wantedBy(cx, part, piece as object).solids) {
              const end = bandOf(starts, solid.topMm);
              for (let i = bandOf(starts, solid.bottomMm); i <= end; i += 1)
                bands[i]!.push(partOf(piece as object, solid, null));
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

/** What is worked out from the floor of a storey and wants space there or in others, heights from its FFL. */
const fromFloorPass = definePass({
  name: 'what wants space from the floor of a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly Part[] =>
    floorParts().flatMap(([part, { inStorey: standing, placed }]) =>
      standing(cx, key).flatMap((piece) =>
        wantedBy(cx, part, piece).solids.map((solid) => partOf(piece, solid, placed)),
      ),
    ),
});
const parts = new WeakMap<SpaceSolid, Part>();
/** The same object for the same solid. */
function partOf(piece: object, solid: SpaceSolid, placed: Part['placed']): Part {
  let part = parts.get(solid);
  if (!part) parts.set(solid, (part = { piece, solid, placed }));
  return part;
}
const floorParts = () =>
  everyFacet('space').flatMap((facet) =>
    facet.parts.flatMap((part): [SpacePart, FromFloors<object>][] =>
      part.fromFloors ? [[part, part.fromFloors as FromFloors<object>]] : [],
    ),
  );

/** Between which heights from its FFL that lies. */
const floorSpanPass = definePass({
  name: 'how far what stands on the floor of a storey reaches',
  scope: 'level',
  run: (cx, key): readonly [number, number] => {
    let [low, high] = [Infinity, -Infinity];
    for (const { solid } of cx.get(fromFloorPass, key)) {
      low = Math.min(low, solid.bottomMm);
      high = Math.max(high, solid.topMm);
    }
    return [low, high];
  },
});

/** Storeys from whose floors something reaches into a storey, itself among them, with how much higher their FFL lies. */
const reachingPass = definePass({
  name: 'storeys that reach into one another',
  scope: 'building',
  run: (cx, building): ReadonlyMap<Id, readonly (readonly [level: Id, upMm: number])[]> => {
    const storeys = storeysOf(cx, building);
    const starts = storeys.map(({ sslMm }) => sslMm);
    const found = storeys.map((): [Id, number][] => []);
    for (const { id, fflMm } of storeys) {
      const [low, high] = cx.get(floorSpanPass, keyOf(building, id));
      if (low > high) continue;
      const end = bandOf(starts, quantiseMm(fflMm + high));
      for (let i = bandOf(starts, quantiseMm(fflMm + low)); i <= end; i += 1)
        found[i]!.push([id, quantiseMm(fflMm - storeys[i]!.fflMm)]);
    }
    return new Map(storeys.map(({ id }, i) => [id, found[i]!]));
  },
});
const reachingIntoPass = definePass({
  name: 'storeys that reach into a storey',
  scope: 'level',
  run: (cx, key): readonly (readonly [level: Id, upMm: number])[] => {
    const [building, level] = partsOf(key);
    return cx.get(reachingPass, building).get(level) ?? [];
  },
});

/** What of a solid lies in a storey, heights from its FFL to a micrometre. */
export interface InStorey {
  /** What only touches the storey has no height there. */
  solid: SpaceSolid;
  /** How low and high it reaches, told no farther than a few metres out of the storey. */
  lowMm: number;
  highMm: number;
  /** All that tells it. */
  text: string;
  /** What it is a part of where that is worked out from a floor. */
  from: { part: Part; level: Id } | null;
}
/** Farther out of a storey than this it matters to nobody how far something goes on, mm. */
const FAR_MM = 6000;

function inStorey(solid: SpaceSolid, level: Id, upMm: number, [fromMm, toMm]: readonly [number, number]): InStorey {
  const up = (mm: number) => Math.round((mm + upMm) * 1000) / 1000;
  const [low, high] = [up(solid.bottomMm), up(solid.topMm)];
  const [lowMm, highMm] = [Math.max(fromMm - FAR_MM, low), Math.min(toMm + FAR_MM, high)];
  let [bottomMm, topMm] = [Math.max(fromMm, low), Math.min(toMm, high)];
  if (topMm <= bottomMm) [bottomMm, topMm] = [0, 0];
  const { thing, rank, shape } = solid;
  const text = `${thing} ${rank} ${shape.number} ${bottomMm} ${topMm}`;
  return { solid: { ...solid, level, bottomMm, topMm }, lowMm, highMm, text, from: null };
}

/** The same object for the same solid of a storey between the same heights. */
const placedIn = new WeakMap<SpaceSolid, Map<Id, { heights: readonly [number, number]; found: InStorey }>>();
function onOwnFloor(part: Part, level: Id, heights: readonly [number, number]): InStorey {
  const { solid } = part;
  let levels = placedIn.get(solid);
  if (!levels) placedIn.set(solid, (levels = new Map()));
  const before = levels.get(level);
  if (before && before.heights[0] === heights[0] && before.heights[1] === heights[1]) return before.found;
  const found = { ...inStorey(solid, level, 0, heights), from: { part, level } };
  levels.set(level, { heights, found });
  return found;
}

/** What stands on a floor as it lies in another storey; null where it does not come up or down to that. */
function reaches({ bottomMm, topMm }: SpaceSolid, upMm: number, [fromMm, toMm]: readonly [number, number]): boolean {
  return quantiseMm(topMm + upMm) >= fromMm && quantiseMm(bottomMm + upMm) < toMm;
}

/** What is not worked out from a floor, of those. */
const bandPass = definePass({
  name: 'what wants space in a storey, in place',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly Part[] => {
    const [building, level] = partsOf(key);
    return cx.get(bandsPass, building).get(level) ?? [];
  },
});

const throughPass = definePass({
  name: 'what wants space in a storey through others',
  scope: 'level',
  run: (cx, key): readonly InStorey[] => {
    const heights = cx.get(heightsPass, key);
    const zeroMm = cx.get(fflPass, key);
    return cx.get(bandPass, key).map(({ solid }) => inStorey(solid, solid.level, -zeroMm, heights));
  },
});

/** What stands on the floor of a storey and lies in that storey, with the texts that tell it. */
const onFloorPass = definePass({
  name: 'what wants space in the storey it stands in',
  scope: 'level',
  gathers: true,
  run: (cx, key): { found: readonly InStorey[]; text: string } => {
    const [, level] = partsOf(key);
    const heights = cx.get(heightsPass, key);
    const found = cx
      .get(fromFloorPass, key)
      .filter(({ solid }) => reaches(solid, 0, heights))
      .map((part) => onOwnFloor(part, level, heights));
    return { found, text: textOf(found) };
  },
});
const textOf = (within: readonly InStorey[]): string => within.map(({ text }) => text).join('|');

/** What of other storeys stands in a storey too, and what reaches through storeys. */
const reachingPartsPass = definePass({
  name: 'what of others wants space in a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly InStorey[] => {
    const [building, level] = partsOf(key);
    const heights = cx.get(heightsPass, key);
    const standing = cx.get(reachingIntoPass, key).flatMap(([from, upMm]) =>
      from === level
        ? []
        : cx
            .get(fromFloorPass, keyOf(building, from))
            .filter(({ solid }) => reaches(solid, upMm, heights))
            .map((part) => ({ ...inStorey(part.solid, from, upMm, heights), from: { part, level: from } })),
    );
    return [...standing, ...cx.get(throughPass, key)];
  },
});

/** What wants space in a storey: what stands on its floor, then on those of others, then all the rest. */
export const inStoreyPass = definePass({
  name: 'what wants space in a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly InStorey[] => [...cx.get(onFloorPass, key).found, ...cx.get(reachingPartsPass, key)],
});

/** The piece of that at a place in its list, as it is among all pieces of the building. */
function pieceAt(cx: Context, key: string, i: number): object {
  const within = cx.get(inStoreyPass, key);
  const { from } = within[i]!;
  const through = cx.get(bandPass, key);
  if (!from) return through[i - (within.length - through.length)]!.piece;
  const { part, level } = from;
  return part.placed!(part.piece, level, cx.get(fflPass, keyOf(partsOf(key)[0], level)));
}

/** Storeys in which the same wants the same space, from their floors. */
const spaceAlikePass = storeyAlike('the owners of space', (cx, key) =>
  [cx.get(onFloorPass, key).text, textOf(cx.get(reachingPartsPass, key))].join('|'),
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
