import { fitting } from '../drawing/least-text';
import type { Primitive } from '../drawing/drawing';
import { box, cutStretches } from '../drawing/section-shapes';
import { chords } from '../geometry/chords';
import { bounds, ringArea, ringMoment } from '../geometry/polygon';
import { ofBuilding, type InSection, type PlanAt, type SectionAt } from '../kinds/drawn';
import type { Solved, SolvedShaft } from '../solving/solved';
import { shaftRingAt } from './ring-at';

/** Outline at every level it passes; crossed diagonals where the slab is open. */
function drawShaft(shaft: SolvedShaft, view: PlanAt): Primitive[] {
  const cut = shaft.cuts.find(({ level }) => level === view.level);
  const isOpen = cut !== undefined;
  const ring = cut?.ring ?? shaftRingAt(shaft, view.shown.fflMm);
  const sleeves = shaft.sleevesAt.includes(view.level);
  const outline: Primitive = {
    type: 'area',
    style: isOpen ? 'shaftOpen' : 'shaftClosed',
    id: shaft.shaft,
    rings: [ring],
  };
  const box = bounds(ring);
  // From corner to corner of a rectangle, however it is turned; of any other outline of the box around it, within it.
  const corners =
    ring.length === 4
      ? ring
      : [
          { x: box.minX, y: box.minY },
          { x: box.maxX, y: box.minY },
          { x: box.maxX, y: box.maxY },
          { x: box.minX, y: box.maxY },
        ];
  const diagonals = isOpen
    ? [...chords(ring, corners[0]!, corners[2]!), ...chords(ring, corners[1]!, corners[3]!)]
    : [];
  const moment = ringMoment(ring);
  const area = ringArea(ring);
  const text = sleeves ? `${shaft.name} sleeves` : shaft.name;
  const heightMm = fitting(text, box.maxX - box.minX, box.maxY - box.minY, 2.4 * view.scale);
  return [
    outline,
    ...diagonals.map((points): Primitive => ({
      type: 'path',
      style: 'shaftCross',
      id: shaft.shaft,
      points,
      closed: false,
    })),
    {
      type: 'text',
      style: 'shaftText',
      id: shaft.shaft,
      at: { x: moment.x / area, y: moment.y / area },
      text,
      heightMm,
      turnDeg: 0,
    },
  ];
}

/** Shafts that pass a level. */
export const shaftsInPlan = ({ shafts }: Solved, view: PlanAt): Primitive[] =>
  shafts.filter(({ levels }) => levels.includes(view.level)).flatMap((shaft) => drawShaft(shaft, view));

/** A shaft's free space where the plane passes through it. */
function shaftsCut({ shafts }: Solved, from: SectionAt): Primitive[] {
  const { frame, isCut, liftMm, scale } = from;
  if (!isCut) return [];
  return ofBuilding(shafts, from)
    .filter((shaft) => shaft.topMm > shaft.bottomMm)
    .flatMap((shaft) =>
      shaft.stages.flatMap((stage, i) =>
        cutStretches(frame, [stage.ring]).flatMap(([x0, x1]): Primitive[] => [
          {
            type: 'area',
            style: 'shaftClosed',
            id: shaft.shaft,
            rings: [box(x0, stage.bottomMm + liftMm, x1, stage.topMm + liftMm)],
          },
          ...(i === shaft.stages.length - 1
            ? [
                {
                  type: 'text' as const,
                  style: 'shaftText' as const,
                  id: shaft.shaft,
                  at: { x: (x0 + x1) / 2, y: stage.topMm + liftMm - 3 * scale },
                  text: shaft.name,
                  heightMm: fitting(shaft.name, x1 - x0, Infinity, 2.4 * scale),
                  turnDeg: 0,
                },
              ]
            : []),
        ]),
      ),
    );
}

export const shaftsInSection: InSection = { seen: { at: 'shafts', draw: shaftsCut } };
