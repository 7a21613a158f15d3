import { contains, type Ring } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { called } from '../kinds/records';
import type { PlanFacts } from '../passes/plan-facts';
import type { FloorPiece } from '../solving/solved';
import { finding, type Finding } from './finding';
import { moveFix, moveIn } from './least-move';

/** Holes of shafts and stairs that leave the slab they are in: one finding for each, at the lowest level where it does. */
export function checkFloors(
  framework: Framework,
  floors: readonly FloorPiece[],
  storeys: readonly ResolvedLevel[],
  facts: PlanFacts,
): Finding[] {
  const names = new Map(storeys.map(({ id, record }) => [id, record.name]));
  const found = new Set<string>();
  const leaves = (outline: Ring, hole: Ring): boolean =>
    facts.leaves(hole, outline, () => hole.some((point) => !contains(outline, point)));
  // A plan that was looked at lower down has been found there.
  const seen = new Map<Id, Set<string>>();
  const whole = floors.filter(({ zone, plate, profile }) => {
    const plans = seen.get(plate) ?? new Set();
    seen.set(plate, plans);
    if (zone !== null || plans.has(profile)) return false;
    plans.add(profile);
    return true;
  });
  return whole.flatMap((piece) =>
    piece.holes.flatMap(({ by, ring }): Finding[] => {
      const cutter = by === null ? undefined : framework.records.get(by);
      if (cutter?.kind !== 'shaft' && cutter?.kind !== 'stair') return [];
      const key = `${piece.plate} ${cutter.id}`;
      if (found.has(key) || !leaves(piece.outline, ring)) return [];
      found.add(key);
      return [
        finding(
          'floor.holeOverEdge',
          piece.building,
          piece.level,
          [piece.plate, cutter.id],
          `The opening of ${called(cutter)} cuts the edge of ${piece.name} at level ${names.get(piece.level) ?? ''}. Move it in, or widen the slab`,
          moveFix(cutter.id, called(cutter), moveIn(ring, piece.outline)),
        ),
      ];
    }),
  );
}
