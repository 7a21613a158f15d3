import { mirroredInPlan } from '../elements/by-marks';
import { mirrored } from '../elements/mirror-outline';
import { distance, plus, times, type Point } from '../geometry/point';
import type { Mirror } from '../kinds/kind';
import type { Edit } from '../model/edit';
import type { Framework } from '../model/framework';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { PitchedRoof } from './pitched-roof';

/** The middles of its edges, as edges are counted. */
const middlesOf = (framework: Framework, { outline, courtyards }: PitchedRoof): Point[] =>
  [outline, ...courtyards].flatMap((each) =>
    (resolveOutline(framework, each) ?? []).map((point, i, ring) =>
      times(plus(point, ring[(i + 1) % ring.length]!), 0.5),
    ),
  );

/** A roof mirrored in a line: what is said of an edge goes with its image. */
export function mirroredRoof(edit: Edit, roof: PitchedRoof, mirror: Mirror): PitchedRoof {
  const made = mirroredInPlan(edit.before, roof, mirror);
  const [was, now] = [middlesOf(edit.before, roof), middlesOf(edit.before, made)];
  const imageOf = (edge: number) => {
    const middle = was[edge];
    return middle ? now.findIndex((other) => distance(mirrored(mirror, middle), other) < 0.01) : -1;
  };
  const edges = roof.edges.flatMap((each) => {
    const edge = imageOf(each.edge);
    return edge < 0 ? [] : [{ ...each, edge }];
  });
  const along = roof.bays ? imageOf(roof.bays.along) : -1;
  return { ...made, edges, bays: roof.bays && along >= 0 ? { ...roof.bays, along } : roof.bays };
}
