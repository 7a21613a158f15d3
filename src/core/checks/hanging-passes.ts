import { floorsPass } from '../floors/cut-floor-passes';
import { ringsMeet } from '../geometry/polygon';
import type { SpaceRank, StoreySolid } from '../kinds/in-space';
import type { Id } from '../model/ids';
import { definePass, keyOf, type Context } from '../passes/pass';
import { flooredPass, levelNamesPass, storeysOf } from '../solving/building-passes';
import type { FloorPiece } from '../solving/solved';
import { inStoreyPass } from '../space/in-storey-passes';
import { formatLength } from '../units/format-length';
import { finding, onceByKey, type Finding, fixBy } from './finding';

/** What carries a slab, standing under it or running past it. */
const CARRYING: ReadonlySet<SpaceRank> = new Set<SpaceRank>([
  'column',
  'core wall',
  'exterior wall',
  'party wall',
  'interior wall',
  'beam',
]);
/** Nearer than this things touch, mm. */
const TOUCH_MM = 1;

/** What may carry a slab: what touches its heights, of the storey it lies in and the one below. */
function carryingNear(cx: Context, building: Id, { topMm, thicknessMm }: FloorPiece): StoreySolid[] {
  const storeys = storeysOf(cx, building);
  const at = storeys.findLastIndex(({ sslMm }) => sslMm <= topMm + TOUCH_MM);
  return [storeys[at - 1], storeys[at]].flatMap((storey) =>
    storey
      ? cx
          .get(inStoreyPass, keyOf(building, storey.id))
          .filter(
            ({ solid, lowMm, highMm }) =>
              CARRYING.has(solid.rank) &&
              storey.fflMm + highMm >= topMm - thicknessMm - TOUCH_MM &&
              storey.fflMm + lowMm <= topMm + TOUCH_MM,
          )
          .map(({ solid }) => solid)
      : [],
  );
}

const isCarried = (cx: Context, building: Id, piece: FloorPiece): boolean =>
  carryingNear(cx, building, piece).some(({ shape }) =>
    shape.regions.some(({ outer }) => ringsMeet(piece.outline, outer)),
  );

/** Slabs with nothing that carries them: those of mezzanines, and zones that lie apart from their plate in height. */
export const hangingFindingsPass = definePass<readonly Finding[]>({
  name: 'check of slabs that hang free',
  scope: 'building',
  run: (cx, building) => {
    const names = cx.get(levelNamesPass, building);
    const mezzanines = new Set(
      cx
        .get(flooredPass, building)
        .filter(({ bounding }) => !bounding)
        .map(({ id }) => id),
    );
    const floors = cx.get(floorsPass, building);
    // A plate or a zone in several parts is told once.
    const found = floors.flatMap((piece): Finding[] => {
      const { zone, plate, level, name, thicknessMm } = piece;
      const at = names.get(level) ?? '';
      if (zone) {
        const whole = floors.find((each) => each.plate === plate && each.level === level && !each.zone);
        const apartMm = whole ? apart(piece, whole) : -1;
        if (apartMm < 0 || isCarried(cx, building, piece)) return [];
        // Half of the thinner one goes into the other.
        const lapMm = Math.floor(Math.min(thicknessMm, whole!.thicknessMm) / 2);
        const byMm = Math.ceil(apartMm + lapMm);
        const isUnder = zone.shiftMm < 0;
        return [
          finding(
            'floor.zoneFree',
            building,
            level,
            [plate, zone.id],
            `Zone ${zone.name} of ${name} hangs free at level ${at}: between it and its plate are ${formatLength(apartMm)} mm in height, and nothing stands under it. Lay it ${isUnder ? 'higher' : 'lower'}, or stand walls under its edge`,
            [
              fixBy(`Lay it ${formatLength(byMm)} mm ${isUnder ? 'higher' : 'lower'}`, 'floors.setZone', {
                floor: plate,
                zone: zone.id,
                shiftMm: zone.shiftMm + (isUnder ? byMm : -byMm),
              }),
            ],
          ),
        ];
      }
      if (!mezzanines.has(level) || isCarried(cx, building, piece)) return [];
      return [
        finding(
          'floor.free',
          building,
          level,
          [plate],
          `Floor plate ${name} hangs free at level ${at}: no column, wall or beam meets it. Put something under it, or leave it out there`,
          [fixBy('Leave it out there', 'floors.except', { floor: plate, level, leftOut: true })],
        ),
      ];
    });
    return onceByKey(found);
  },
  failing: (_, building) => ({ what: 'The check of slabs that hang free', building, about: [], value: [] }),
});

/** How far apart two slabs are in height; below zero where they overlap. */
const apart = (a: FloorPiece, b: FloorPiece): number =>
  Math.max(a.topMm - a.thicknessMm - b.topMm, b.topMm - b.thicknessMm - a.topMm);
