import type { SolidLook, Solids } from '../kinds/solids';
import { assembliesOf, type AssemblyKind } from './assembly';
import type { Slant } from './slant';

/** Whether each piece of a part is seen by itself, or the part as a whole without the seams between its pieces. */
export type Pieces = 'each' | 'whole';

/** Assemblies of a kind in 3D. */
export const assemblySolids = (kind: AssemblyKind, look: SolidLook, pieces: Pieces = 'each'): Solids => ({
  of: ({ assemblies }, building) =>
    assembliesOf(assemblies, kind)
      .filter((each) => each.building === building)
      .flatMap((each) => {
        const forms: (readonly Slant[])[] =
          pieces === 'whole'
            ? each.parts.map(({ slants }) => slants)
            : each.parts.flatMap(({ slants }) => slants.map((slant) => [slant]));
        return forms.map((slants, i) => ({
          key: `${each.thing} ${each.level} ${i}`,
          id: each.thing,
          level: each.level,
          look,
          form: { slants },
        }));
      }),
});
