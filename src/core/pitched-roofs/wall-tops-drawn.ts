import type { Primitive } from '../drawing/drawing';
import type { PlanAt } from '../kinds/drawn';
import type { IfcTrait } from '../kinds/ifc';
import { assembliesOf } from '../slants/assembly';
import { assembliesInSection } from '../slants/draw-slants';
import { loweredSlants, type Slant } from '../slants/slant';
import type { Solved } from '../solving/solved';
import { ringArea, type Ring } from '../geometry/polygon';

/** What of a piece the plan cuts: where it stands higher. */
function cutAt(slant: Slant, mm: number): Ring {
  return slant.flatMap((a, i) => {
    const b = slant[(i + 1) % slant.length]!;
    const [p, q] = [a.topMm - mm, b.topMm - mm];
    const here = p > 0 ? [{ x: a.x, y: a.y }] : [];
    if (p > 0 === q > 0) return here;
    const t = p / (p - q);
    return [...here, { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t }];
  });
}

/** Walls that go up to a roof, where the plan cuts that part of them. */
export const wallTopsInPlan = ({ assemblies }: Solved, view: PlanAt): Primitive[] =>
  assembliesOf(assemblies, 'wallTop')
    .filter(({ building, bottomMm }) => building === view.building && bottomMm < view.cutMm)
    .flatMap(({ thing, parts }) =>
      parts
        .flatMap(({ slants }) => slants)
        .filter((slant) => slant.every(({ bottomMm }) => bottomMm < view.cutMm))
        .flatMap((slant): Primitive[] => {
          const ring = cutAt(slant, view.cutMm);
          return ring.length > 2 && Math.abs(ringArea(ring)) > 1
            ? [{ type: 'area', style: 'wallCut', id: thing, rings: [ring] }]
            : [];
        }),
    );

export const wallTopsInSection = assembliesInSection('wallTop', { seen: 'wallSeen', cut: 'wallCut' }, 'whole');

/** What of walls goes up to a roof as walls of their own, with their true tops. */
export const wallTopsInIfc: IfcTrait = {
  products: ({ solved, level }) =>
    assembliesOf(solved.assemblies, 'wallTop')
      .filter((top) => top.level === level.id)
      .map(({ thing, name, bottomMm, parts, info }) => ({
        entity: 'IFCWALL',
        globalId: ['wall up to a roof', thing],
        key: `${thing} up to the roof`,
        name: `${name} up to the roof`,
        predefined: 'SOLIDWALL',
        tag: thing,
        stand: { bottomMm },
        shape: {
          slants: loweredSlants(
            parts.flatMap(({ slants }) => slants),
            bottomMm,
          ),
        },
        quantities: { set: 'Qto_WallBaseQuantities', values: [['VOLUME', 'NetVolume', info.volumeMm3 / 1e9]] },
      })),
};
