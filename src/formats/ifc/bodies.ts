import { facet } from '@/core/kinds/kind';
import { definitionOf } from '@/core/kinds/registry';
import type { Solved } from '@/core/solving/solved';
import type { SolidParts } from './foundations';
import { derivedGlobalId } from './global-id';
import type { Ref } from './step';

/** Bodies of the storey they belong to, each as the class its kind says; with what they are made of. */
export function writeBodies(parts: SolidParts, solved: Solved): { ref: Ref; material: string }[] {
  const { step, level } = parts;
  return solved.bodies
    .filter((body) => body.level === level.id)
    .flatMap((body) => {
      const trait = facet(definitionOf(body.kind).bodies);
      if (!trait) return [];
      const { entity, predefined, quantities } = trait.ifc;
      const heightMm = body.topMm - body.bottomMm;
      const ref = step.add(entity, {
        GlobalId: derivedGlobalId(body.kind, body.thing, level.id),
        Name: body.name,
        ObjectPlacement: parts.local(body.bottomMm - level.fflMm),
        Representation: parts.solids(body.profile, heightMm),
        Tag: body.thing,
        PredefinedType: predefined,
      });
      parts.quantities(`${body.thing} ${level.id}`, ref, quantities, [['VOLUME', 'NetVolume', body.volumeMm3 / 1e9]]);
      return [{ ref, material: body.material }];
    });
}
