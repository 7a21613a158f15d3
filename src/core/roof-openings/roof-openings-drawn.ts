import type { Primitive } from '../drawing/drawing';
import type { PlanAt } from '../kinds/drawn';
import type { SolidLook, Solids } from '../kinds/solids';
import { seenAt } from '../pitched-roofs/seen-at';
import { assembliesOf, type Assembly } from '../slants/assembly';
import { assembliesInSection } from '../slants/draw-slants';
import type { Solved } from '../solving/solved';

/** Dormers and roof windows in plan: seen from above with the roof, and in the plans under it by a dashed outline. */
export const roofOpeningsInPlan = (solved: Solved, view: PlanAt): Primitive[] =>
  assembliesOf(solved.assemblies, 'roofOpening').flatMap((each) => {
    const roof = assembliesOf(solved.assemblies, 'pitchedRoof').find(({ thing }) => thing === each.info.roof);
    const seen = roof && seenAt(roof, solved, view.shown);
    return seen === 'above' ? fromAbove(each) : seen === 'below' ? [outline(each, 'roofAbove')] : [];
  });

const outline = ({ thing: id, info }: Assembly<'roofOpening'>, style: 'roofAbove' | 'roofLine'): Primitive => ({
  type: 'path',
  style,
  id,
  points: info.hole.map(({ x, y }) => ({ x, y })),
  closed: true,
});

const fromAbove = (each: Assembly<'roofOpening'>): Primitive[] => [
  ...each.info.seen.map((ring): Primitive => ({
    type: 'area',
    style: 'roofSeen',
    id: each.thing,
    rings: [ring.map(({ x, y }) => ({ x, y }))],
  })),
  outline(each, 'roofLine'),
];

export const roofOpeningsInSection = assembliesInSection('roofOpening', { seen: 'roofSeen', cut: 'roofCut' }, 'whole');

const LOOKS: Record<string, SolidLook> = {
  glass: { colour: 'sheet', edges: 'ink2', opacity: 0.5 },
  walls: { colour: 'walls', edges: 'walls' },
  roof: { colour: 'roofs', edges: 'ink2' },
};

/** Dormers and roof windows in 3D: walls, roofs and glass as such. */
export const roofOpeningSolids: Solids = {
  of: ({ assemblies }, building) =>
    assembliesOf(assemblies, 'roofOpening')
      .filter((each) => each.building === building)
      .flatMap((each) =>
        each.parts.map(({ name, slants }) => ({
          key: `${each.thing} ${name}`,
          id: each.thing,
          level: each.level,
          look: LOOKS[name]!,
          form: { slants },
        })),
      ),
};
