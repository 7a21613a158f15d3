import type { SolidLook, Solids } from '../kinds/solids';
import { assembliesOf, type AssemblyKind } from './assembly';

/** Assemblies of a kind in 3D. */
export const assemblySolids = (kind: AssemblyKind, look: SolidLook): Solids => ({
  of: ({ assemblies }, building) =>
    assembliesOf(assemblies, kind)
      .filter((each) => each.building === building)
      .flatMap((each) =>
        each.parts
          .flatMap(({ slants }) => slants)
          .map((slant, i) => ({
            key: `${each.thing} ${each.level} ${i}`,
            id: each.thing,
            level: each.level,
            look,
            form: { slant },
          })),
      ),
});
