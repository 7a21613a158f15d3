import type { Primitive } from '../drawing/drawing';
import { leastText } from '../drawing/least-text';
import { box, cutStretches, ringsOf, nearestMm } from '../drawing/section-shapes';
import { alongOf, depthOf } from '../drawing/section-plane';
import { bounds } from '../geometry/polygon';
import { ofBuilding, type InSection, type PlanAt, type SectionAt } from '../kinds/drawn';
import type { FloorPiece, Solved } from '../solving/solved';

export const floorsInPlan = (solved: Solved, view: PlanAt): Primitive[] =>
  solved.floors
    .filter(({ level }) => level === view.level)
    .flatMap((piece) =>
      solved.profiles[piece.profile]!.regions.map(({ outer, holes }): Primitive => ({
        type: 'area',
        style: piece.zone ? 'floorZone' : 'floor',
        id: piece.plate,
        rings: [outer, ...holes],
      })),
    );

/** A zone's name and the step of its floor, in its upper left corner. */
function zoneText({ outline, plate }: FloorPiece, zone: NonNullable<FloorPiece['zone']>, view: PlanAt): Primitive[] {
  const box = bounds(outline);
  const step = zone.stepMm === 0 ? '±0' : `${zone.stepMm > 0 ? '+' : '−'}${view.writeLength(Math.abs(zone.stepMm))}`;
  const text = `${zone.name} ${step}`;
  const heightMm = Math.min(2.3 * view.scale, (box.maxX - box.minX) / (text.length * 0.8), (box.maxY - box.minY) / 5);
  if (heightMm < leastText(view)) return [];
  const wide = text.length * 0.6 * heightMm;
  return [
    {
      type: 'text',
      style: 'zoneText',
      id: plate,
      at: { x: box.minX + heightMm * 0.6 + wide / 2, y: box.maxY - heightMm * 1.2 },
      text,
      heightMm,
      turnDeg: 0,
    },
  ];
}

/** Names of zones with the steps of their floors. */
export const zonesInPlan = (solved: Solved, view: PlanAt): Primitive[] =>
  solved.floors.flatMap((piece) => (piece.zone && piece.level === view.level ? zoneText(piece, piece.zone, view) : []));

function cutSlab(solved: Solved, piece: FloorPiece, { frame, isCut, liftMm }: SectionAt): Primitive[] {
  if (!isCut) return [];
  const rings = ringsOf(solved.profiles[piece.profile]!);
  const top = piece.topMm + liftMm;
  return cutStretches(frame, rings).map(([x0, x1]): Primitive => ({
    type: 'area',
    style: 'slabCut',
    id: piece.plate,
    rings: [box(x0, top - piece.thicknessMm, x1, top)],
  }));
}

/** The edge of a slab that is seen beyond the plane. */
function seenSlab(piece: FloorPiece, { frame, isCut, liftMm }: SectionAt): Primitive[] {
  if (isCut && !piece.outline.some((point) => depthOf(frame, point) > 0)) return [];
  const xs = piece.outline.map((point) => alongOf(frame, point));
  const top = piece.topMm + liftMm;
  return [
    {
      type: 'area',
      style: 'slabSeen',
      id: piece.plate,
      depthMm: nearestMm(frame, piece.outline),
      rings: [box(Math.min(...xs), top - piece.thicknessMm, Math.max(...xs), top)],
    },
  ];
}

/** Slabs cut by a plane, and the edges of those beyond it. */
export const floorsInSection: InSection = {
  seen: { at: 'slabs', draw: ({ floors }, from) => ofBuilding(floors, from).flatMap((floor) => seenSlab(floor, from)) },
  cut: {
    at: 'slabs',
    draw: (solved, from) => ofBuilding(solved.floors, from).flatMap((floor) => cutSlab(solved, floor, from)),
  },
};
