import { everyFacet } from '../kinds/registry';
import type { FromFloors, SpacePart, SpaceSolid } from '../kinds/in-space';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf, type Context } from '../passes/pass';
import { together } from '../passes/together';
import { fflPass, storeysOf } from '../solving/building-passes';
import { quantiseMm } from '../units/length-units';
import {
  bandOf,
  inStorey,
  onFloor,
  partIn,
  partOf,
  reaches,
  type Heights,
  type InStorey,
  type OnFloor,
  type Part,
} from './in-storey';
import { shapesOf } from './shapes';

const known = new WeakMap<object, readonly SpaceSolid[]>();

/** The space a piece wants: one that is the same object wants the same. */
function wantedBy(cx: Context, { solids }: SpacePart, piece: object): readonly SpaceSolid[] {
  let found = known.get(piece);
  if (!found) known.set(piece, (found = solids(piece, shapesOf(cx))));
  return found;
}

/** All that wants space in a building. */
export const solidsPass = definePass({
  name: 'what wants space',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly SpaceSolid[] =>
    everyFacet('space').flatMap(({ parts }) =>
      parts.flatMap((part) => cx.get(part.pass, building).flatMap((piece) => wantedBy(cx, part, piece as object))),
    ),
});

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
            for (const solid of wantedBy(cx, part, piece as object)) {
              const end = bandOf(starts, solid.topMm);
              for (let i = bandOf(starts, solid.bottomMm); i <= end; i += 1)
                bands[i]!.push(partOf(piece as object, solid, null));
            }
    return new Map(storeys.map(({ id }, i) => [id, bands[i]!]));
  },
});

/** From SSL to SSL, from the FFL of the storey. */
const heightsPass = definePass({
  name: 'from SSL to SSL',
  scope: 'level',
  run: (cx, key): Heights => {
    const [building, level] = partsOf(key);
    const storeys = storeysOf(cx, building);
    const i = storeys.findIndex(({ id }) => id === level);
    const from = (mm: number | undefined, without: number) =>
      mm === undefined ? without : quantiseMm(mm - storeys[i]!.fflMm);
    return [i > 0 ? from(storeys[i]!.sslMm, -Infinity) : -Infinity, from(storeys[i + 1]?.sslMm, Infinity)];
  },
});

/** What is worked out from the floor of a storey and wants space there or in others, heights from its FFL; a list for each part. */
const fromFloorPass = definePass({
  name: 'what wants space from the floor of a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly (readonly Part[])[] =>
    floorParts().map(([part, { inStorey: standing, placed }]) => partsOfAll(cx, part, standing(cx, key), placed)),
});

const partLists = new WeakMap<readonly object[], readonly Part[]>();
/** Parts of the pieces of a storey: storeys that share a list of pieces share them. */
function partsOfAll(cx: Context, part: SpacePart, pieces: readonly object[], placed: Part['placed']): readonly Part[] {
  let found = partLists.get(pieces);
  if (!found) {
    found = pieces.flatMap((piece) => wantedBy(cx, part, piece).map((solid) => partOf(piece, solid, placed)));
    partLists.set(pieces, found);
  }
  return found;
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
  run: (cx, key): Heights => {
    const spans = cx.get(fromFloorPass, key).map(spanOf);
    return [Math.min(...spans.map(([low]) => low)), Math.max(...spans.map(([, high]) => high))];
  },
});
const spansOfLists = new WeakMap<readonly Part[], Heights>();
function spanOf(parts: readonly Part[]): Heights {
  let span = spansOfLists.get(parts);
  if (!span) {
    let [low, high] = [Infinity, -Infinity];
    for (const { solid } of parts) [low, high] = [Math.min(low, solid.bottomMm), Math.max(high, solid.topMm)];
    spansOfLists.set(parts, (span = [low, high]));
  }
  return span;
}

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

/** Of what is not worked out from a floor, that of a storey. */
const bandPass = definePass({
  name: 'what wants space in a storey, in place',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly Part[] => {
    const [building, level] = partsOf(key);
    return cx.get(bandsPass, building).get(level) ?? [];
  },
});

/** The same from the FFL of the storey. */
const throughPass = definePass({
  name: 'what wants space in a storey through others',
  scope: 'level',
  run: (cx, key): readonly InStorey[] => {
    const heights = cx.get(heightsPass, key);
    const zeroMm = cx.get(fflPass, key);
    return cx.get(bandPass, key).map(({ solid }) => inStorey(solid, solid.level, -zeroMm, heights, null));
  },
});

/** What stands on the floor of a storey and lies in that storey, a list for each part. */
export const onFloorPass = definePass({
  name: 'what wants space in the storey it stands in',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly OnFloor[] => {
    const heights = cx.get(heightsPass, key);
    const numberOf = (text: string) => cx.remembered.of(`on floor ${text}`, () => (numbered += 1));
    return cx.get(fromFloorPass, key).map((parts) => onFloor(parts, heights, numberOf));
  },
});
let numbered = 0;

/** What of other storeys stands in a storey too, and what reaches through storeys. */
export const reachingPartsPass = definePass({
  name: 'what of others wants space in a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly InStorey[] => {
    const [building, level] = partsOf(key);
    const heights = cx.get(heightsPass, key);
    const standing = cx.get(reachingIntoPass, key).flatMap(([from, upMm]) =>
      from === level
        ? []
        : cx.get(fromFloorPass, keyOf(building, from)).flatMap((parts) => {
            const [low, high] = spanOf(parts);
            if (low > high || !reaches({ bottomMm: low, topMm: high }, upMm, heights)) return [];
            return parts
              .filter(({ solid }) => reaches(solid, upMm, heights))
              .map((part) => partIn(part, from, upMm, heights));
          }),
    );
    return [...standing, ...cx.get(throughPass, key)];
  },
});

/** What wants space in a storey: what stands on its floor, then on those of others, then all the rest. */
export const inStoreyPass = definePass({
  name: 'what wants space in a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly InStorey[] =>
    together([...cx.get(onFloorPass, key).map(({ found }) => found), cx.get(reachingPartsPass, key)]),
});

/** The piece of that at a place in its list, as it is among all pieces of the building. */
export function pieceAt(cx: Context, key: string, i: number): object {
  const within = cx.get(inStoreyPass, key);
  const { part, solid } = within[i]!;
  const through = cx.get(bandPass, key);
  if (!part) return through[i - (within.length - through.length)]!.piece;
  const [building, own] = partsOf(key);
  const level = solid.level ?? own;
  return part.placed!(part.piece, level, cx.get(fflPass, keyOf(building, level)));
}
