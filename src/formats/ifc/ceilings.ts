import type { Solved } from '@/core/solving/solved';
import type { SolidParts } from './foundations';
import { derivedGlobalId } from './global-id';
import type { Ref } from './step';

/** Ceilings as coverings of the storey they hang in, one for each room. */
export function writeCeilings(parts: SolidParts, solved: Solved): Ref[] {
  const { step, level } = parts;
  const known = new Map<string, number>();
  return solved.ceilings
    .filter((piece) => piece.level === level.id)
    .map((piece) => {
      // A room keeps its id; regions without a name are told apart by their order.
      const nth = known.get(piece.ceiling) ?? 0;
      if (piece.room === null) known.set(piece.ceiling, nth + 1);
      const key = `${piece.ceiling} ${level.id} ${piece.room ?? nth}`;
      const thicknessMm = piece.topMm - piece.bottomMm;
      const ref = step.add('IFCCOVERING', {
        GlobalId: derivedGlobalId('ceiling', piece.ceiling, level.id, piece.room ?? String(nth)),
        Name: piece.name,
        ObjectPlacement: parts.local(piece.bottomMm - level.fflMm),
        Representation: parts.solids(piece.profile, thicknessMm),
        Tag: piece.ceiling,
        PredefinedType: 'CEILING',
      });
      parts.quantities(key, ref, 'Qto_CoveringBaseQuantities', [
        ['LENGTH', 'Width', thicknessMm],
        ['AREA', 'NetArea', solved.profiles[piece.profile]!.areaMm2 / 1e6],
      ]);
      return ref;
    });
}
