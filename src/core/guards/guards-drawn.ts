import type { Primitive } from '../drawing/drawing';
import type { PlanAt } from '../kinds/drawn';
import { assembliesOf } from '../slants/assembly';
import { assembliesInSection } from '../slants/draw-slants';
import type { Solved } from '../solving/solved';
import { POST_MM } from './make-guard';

/** Guards in the plan of their level: the line of their rail, and their posts. */
export const guardsInPlan = ({ assemblies }: Solved, view: PlanAt): Primitive[] =>
  assembliesOf(assemblies, 'guard')
    .filter(({ building, level }) => building === view.building && level === view.level)
    .flatMap(({ thing: id, info }) => [
      ...info.runs.map(({ places, isClosed }): Primitive => ({
        type: 'path',
        style: 'guardRail',
        id,
        points: places.map(({ x, y }) => ({ x, y })),
        closed: isClosed,
      })),
      ...info.postsAt.map(({ x, y }): Primitive => {
        const half = POST_MM / 2;
        const ring = [
          { x: x - half, y: y - half },
          { x: x + half, y: y - half },
          { x: x + half, y: y + half },
          { x: x - half, y: y + half },
        ];
        return { type: 'area', style: 'guardPost', id, rings: [ring] };
      }),
    ]);

export const guardsInSection = assembliesInSection('guard', { seen: 'guardSeen', cut: 'guardPost' });
