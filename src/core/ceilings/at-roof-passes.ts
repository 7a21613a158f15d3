import type { Finding } from '../checks/finding';
import { platesPass } from '../floors/floor-passes';
import { ringArea, type Ring } from '../geometry/polygon';
import { definePass, keyOf, partsOf, type Context } from '../passes/pass';
import { together } from '../passes/together';
import { roofSlantsPass } from '../pitched-roofs/pitched-roof-passes';
import { underOver } from '../pitched-roofs/under-roof';
import { roomsAtPass } from '../rooms/room-passes';
import type { Assembly } from '../slants/assembly';
import { reachOfSlants, ringAbout, volumeOfSlant } from '../slants/slant';
import { fflPass, storeyPass, storeysOf } from '../solving/building-passes';
import { ceilingAtRoofs } from './at-roofs';
import { ceilingsAtPass, hungAtPass } from './ceiling-passes';
import type { CeilingPiece } from './solved-ceiling';

/** What is known of a ceiling in a room under a roof. */
export interface RoofCeilingInfo {
  /** Of its level part; and of what goes along the roof, measured in plan. */
  levelMm2: number;
  alongMm2: number;
  volumeMm3: number;
}

declare module '../slants/assembly' {
  interface AssemblyInfo {
    roofCeiling: RoofCeilingInfo;
  }
}

/** How low roofs come over a ring of a storey, where no slab lies between; null where none is over it. */
function roofLowOver(cx: Context, key: string, ring: Ring): number | null {
  const [building] = partsOf(key);
  const slants = cx.get(roofSlantsPass, building);
  const over = slants.length > 0 ? underOver(slants, [ring]) : null;
  if (!over) return null;
  const above = cx.get(storeyPass, key)?.above;
  const isCovered = cx
    .get(platesPass, building)
    .at(above?.id ?? '')
    .some(
      (plate) =>
        plate.ring && underOver([plate.ring.map(({ x, y }) => ({ x, y, topMm: 0, bottomMm: 0 }))], [ring]) !== null,
    );
  return isCovered ? null : over.lowMm;
}

/** Ceilings in the rooms of a storey into which a roof comes down. */
const roofCeilingsAtPass = definePass({
  name: 'ceilings under roofs of a storey',
  scope: 'level',
  run: (cx, key): readonly Assembly[] => {
    const [building, level] = partsOf(key);
    const slants = cx.get(roofSlantsPass, building);
    const hung = slants.length > 0 ? cx.get(hungAtPass, key) : [];
    if (hung.length === 0) return [];
    const floorMm = cx.get(fflPass, key);
    const isTopmost = !cx.get(storeyPass, key)?.above;
    const following = hung.filter(({ outline }) => outline === null);
    const regions = [
      ...hung.flatMap((each) => (each.outline ? [{ each, rings: [each.outline] as readonly Ring[] }] : [])),
      ...cx.get(roomsAtPass, key).flatMap(({ ring, holes, room }) => {
        const named = following.filter(({ ceiling }) => room !== null && ceiling.rooms.includes(room));
        const own = named.length > 0 ? named : following.filter(({ ceiling }) => ceiling.rooms.length === 0);
        return own.map((each) => ({ each, rings: [ring, ...holes] as readonly Ring[] }));
      }),
    ];
    return regions.flatMap(({ each, rings }): Assembly<'roofCeiling'>[] => {
      const { ceiling, heightMm, thicknessMm } = each;
      const bottomMm = floorMm + heightMm;
      const topMm = bottomMm + thicknessMm;
      const lowMm = roofLowOver(cx, key, rings[0]!);
      // Over the topmost level nothing else hangs than what goes along the roof.
      if (lowMm === null || (lowMm >= topMm && !isTopmost) || (isTopmost && !ceiling.alongRoof)) return [];
      const made = ceilingAtRoofs(slants, rings, { bottomMm, topMm, floorMm, alongRoof: ceiling.alongRoof });
      const all = [...made.level, ...made.along];
      if (all.length === 0) return [];
      const plan = (pieces: typeof all) => pieces.reduce((sum, slant) => sum + Math.abs(ringArea(slant)), 0);
      return [
        {
          thing: ceiling.id,
          kind: 'roofCeiling',
          building,
          name: ceiling.name,
          level,
          ring: ringAbout(all),
          ...reachOfSlants(all),
          parts: [
            ...(made.level.length > 0 ? [{ name: 'level', slants: made.level }] : []),
            ...(made.along.length > 0 ? [{ name: 'along the roof', slants: made.along }] : []),
          ],
          info: {
            levelMm2: plan(made.level),
            alongMm2: plan(made.along),
            volumeMm3: all.reduce((sum, slant) => sum + volumeOfSlant(slant), 0),
          },
        },
      ];
    });
  },
});

export const roofCeilingsPass = definePass({
  name: 'ceilings under roofs',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Assembly[] =>
    storeysOf(cx, building).flatMap(({ id }) => cx.get(roofCeilingsAtPass, keyOf(building, id))),
});

/** Ceilings under roofs have no findings of their own. */
export const roofCeilingFindingsPass = definePass({
  name: 'findings of ceilings under roofs',
  scope: 'building',
  run: (): readonly Finding[] => [],
});

/** Flat ceilings of a storey, without those into which a roof comes down: these are worked out with the roof. */
const flatCeilingsAtPass = definePass({
  name: 'flat ceilings of a storey',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly CeilingPiece[] => {
    const [building] = partsOf(key);
    const pieces = cx.get(ceilingsAtPass, key);
    if (pieces.length === 0 || cx.get(roofSlantsPass, building).length === 0) return pieces;
    return pieces.filter((piece) => {
      const lowMm = roofLowOver(cx, key, piece.ring);
      return lowMm === null || lowMm >= piece.topMm;
    });
  },
});

export const ceilingsPass = definePass<readonly CeilingPiece[]>({
  name: 'ceilings',
  scope: 'building',
  gathers: true,
  run: (cx, building) =>
    together(
      storeysOf(cx, building)
        .slice(0, -1)
        .map(({ id }) => cx.get(flatCeilingsAtPass, keyOf(building, id))),
    ),
  failing: (_, building) => ({ what: 'The ceilings', building, about: [], value: [] }),
});
