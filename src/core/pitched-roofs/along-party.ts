import { distance, plus, times, type Point } from '../geometry/point';
import type { Framework } from '../model/framework';
import type { Outline } from '../outlines/outline';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { PitchedRoof, RoofEdge } from './pitched-roof';
import { partyEdges } from './walls-under';

/** Edges whose middles are nearer than this are one, mm: a party wall is not as thick as what stood in its place. */
const SAME_EDGE_MM = 800;

const middlesOf = (framework: Framework, outlines: readonly Outline[]): Point[] =>
  outlines.flatMap((outline) =>
    (resolveOutline(framework, outline) ?? []).map((at, i, ring) => times(plus(at, ring[(i + 1) % ring.length]!), 0.5)),
  );

/** A roof on walls of which one side became a party wall: what was said of its edges goes with them, and it lies against the party wall. */
export function roofAlongParty(
  before: Framework,
  after: Framework,
  roof: PitchedRoof,
  outline: Outline,
): Pick<PitchedRoof, 'outline' | 'bays' | 'edges'> {
  const was = middlesOf(before, [roof.outline, ...roof.courtyards]);
  const now = middlesOf(after, [outline, ...roof.courtyards]);
  /** An edge as it is counted now; null: it is gone. */
  const edgeNow = (edge: number): number | null => {
    const middle = was[edge];
    if (!middle) return null;
    const nearest = now.reduce((best, at, i) => (distance(at, middle) < distance(now[best]!, middle) ? i : best), 0);
    return now[nearest] && distance(now[nearest], middle) < SAME_EDGE_MM ? nearest : null;
  };
  const kept = roof.edges.flatMap((each): RoofEdge[] => {
    const edge = edgeNow(each.edge);
    return edge === null ? [] : [{ ...each, edge }];
  });
  const rings = [outline, ...roof.courtyards].map((each) => resolveOutline(after, each) ?? []);
  const party = [...new Set(partyEdges(after, roof.building, rings).map(({ edge }) => edge))];
  return {
    outline,
    bays: roof.bays && { ...roof.bays, along: edgeNow(roof.bays.along) ?? roof.bays.along },
    edges: [
      ...kept.filter(({ edge }) => !party.includes(edge)),
      ...party.map((edge): RoofEdge => ({ edge, is: 'wall', slopeDeg: null, upper: null })),
    ].sort((a, b) => a.edge - b.edge),
  };
}
