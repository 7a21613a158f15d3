import { arrowAlong } from '../drawing/arrow';
import type { Primitive } from '../drawing/drawing';
import { LETTER_WIDTH } from '../drawing/least-text';
import { minus, plus, times } from '../geometry/point';
import type { Region } from '../geometry/boolean';
import { ringArea, ringMoment } from '../geometry/polygon';
import { cosDeg, directionDeg, sinDeg } from '../geometry/trig';
import { ofBuilding, type InSection, type PlanAt, type SectionAt } from '../kinds/drawn';
import type { RoofFace } from '../roof-planes/pitched';
import { assembliesOf, type Assembly } from '../slants/assembly';
import { assembliesInSection, cutEnds } from '../slants/draw-slants';
import type { Solved } from '../solving/solved';
import { heightLines } from './height-lines';
import { seenAt } from './seen-at';
import { facePieces, fallOf } from './solve-pitched-roof';

const ARROW_MM = 2;
const TEXT_MM = 2.3;
/** Heights under a slope that are drawn, over the finished floor, mm: one counts as half of a room, one stands upright. */
const ATTIC_HEIGHTS_MM = [1500, 2300] as const;

/**
 * Pitched roofs in plan: on the topmost level seen from above, faces with the way they fall; on the levels under them their edge dashed, and
 * where the height under them is 1.5 and 2.3 m.
 */
export const pitchedRoofsInPlan = (solved: Solved, view: PlanAt): Primitive[] =>
  assembliesOf(solved.assemblies, 'pitchedRoof').flatMap((roof) => {
    const seen = seenAt(roof, solved, view.shown);
    return seen === 'above' ? fromAbove(roof, view) : seen === 'below' ? fromBelow(roof, view) : [];
  });

function fromAbove({ thing: id, info }: Assembly<'pitchedRoof'>, view: PlanAt): Primitive[] {
  return [
    ...info.faces.flatMap((face, i) => drawFace(face, info.seen?.[i] ?? null, id, view)),
    ...info.holes.map((ring): Primitive => ({
      type: 'path',
      style: 'roofLine',
      id,
      points: ring.map(({ x, y }) => ({ x, y })),
      closed: true,
    })),
    ...info.lines
      .filter(({ is }) => is !== 'eaves')
      .map(({ from, to }): Primitive => ({
        type: 'path',
        style: 'roofLine',
        id,
        points: [from, to].map(({ x, y }) => ({ x, y })),
        closed: false,
      })),
  ];
}

function drawFace(face: RoofFace, seen: readonly Region[] | null, id: string, view: PlanAt): Primitive[] {
  const whole: Region = { outer: face.points.map(({ x, y }) => ({ x, y })), holes: [] };
  const regions = seen ?? [whole];
  const [largest] = [...regions].sort((a, b) => Math.abs(ringArea(b.outer)) - Math.abs(ringArea(a.outer)));
  if (!largest) return [];
  const { middle: own, slopeDeg } = fallOf(face);
  const middle = seen ? times(ringMoment(largest.outer), 1 / ringArea(largest.outer)) : own;
  const half = Math.sqrt(Math.abs(ringArea(largest.outer))) / 6;
  // It falls square to its edge, which is its first side at one height.
  const [from, to] = lowSide(face);
  const deg = directionDeg(to.y - from.y, to.x - from.x) - 90;
  const unit = { x: cosDeg(deg), y: sinDeg(deg) };
  const way = times(unit, half);
  const text = `${Math.round(slopeDeg * 10) / 10}°`;
  // Beside the arrow, as far as half of the text reaches that way.
  const highMm = TEXT_MM * view.scale;
  const [halfWide, halfHigh] = [(text.length * LETTER_WIDTH * highMm) / 2, highMm / 2];
  const asideMm = Math.abs(unit.y) * halfWide + Math.abs(unit.x) * halfHigh + highMm / 2;
  return [
    ...regions.map(({ outer, holes }): Primitive => ({
      type: 'area',
      style: 'roofSeen',
      id,
      rings: [outer, ...holes].map((ring) => ring.map(({ x, y }) => ({ x, y }))),
    })),
    ...arrowAlong(
      [minus(middle, way), plus(middle, way)],
      Math.min(ARROW_MM * view.scale, half),
      'roofArrow',
      id,
      false,
    ),
    {
      type: 'text',
      style: 'roofText',
      id,
      at: plus(middle, times({ x: -unit.y, y: unit.x }, asideMm)),
      text,
      heightMm: highMm,
      turnDeg: 0,
    },
  ];
}

/** The longest level side at its foot. */
function lowSide({ points }: RoofFace) {
  const low = Math.min(...points.map(({ z }) => z));
  const sides = points
    .map((from, i) => ({ from, to: points[(i + 1) % points.length]! }))
    .filter(({ from, to }) => Math.abs(from.z - low) < 1 && Math.abs(to.z - low) < 1);
  const long = ({ from, to }: (typeof sides)[number]) => Math.abs(to.x - from.x) + Math.abs(to.y - from.y);
  const side = sides.sort((a, b) => long(b) - long(a))[0] ?? { from: points[0]!, to: points[1]! };
  return [side.from, side.to] as const;
}

function fromBelow(roof: Assembly<'pitchedRoof'>, view: PlanAt): Primitive[] {
  const { thing: id, info } = roof;
  const edges = info.edge.map((ring): Primitive => ({
    type: 'path',
    style: 'roofAbove',
    id,
    points: ring.map(({ x, y }) => ({ x, y })),
    closed: true,
  }));
  const lines = ATTIC_HEIGHTS_MM.flatMap((heightMm) =>
    heightLines(facePieces(roof), view.shown.fflMm + heightMm).flatMap(([from, to], i): Primitive[] => [
      { type: 'path', style: 'roofAbove', id, points: [from, to], closed: false },
      ...(i === 0
        ? [
            {
              type: 'text' as const,
              style: 'roofText' as const,
              id,
              at: times(plus(from, to), 0.5),
              text: view.writeLength(heightMm),
              heightMm: TEXT_MM * view.scale,
              turnDeg: 0,
            },
          ]
        : []),
    ]),
  );
  return [...edges, ...lines];
}

/** Where one layer ends and the next begins in what is cut of a roof, from its eaves to its ridge. */
const layersCut = ({ assemblies }: Solved, at: SectionAt): Primitive[] =>
  ofBuilding(assembliesOf(assemblies, 'pitchedRoof'), at).flatMap(({ thing: id, parts, info }) =>
    info.layersMm.flatMap((depths, face) =>
      parts[face]!.slants.flatMap((slant) => {
        const ends = cutEnds(slant, at);
        return ends ? depths.flatMap((mm) => layerLine(ends, mm, { id, liftMm: at.liftMm })) : [];
      }),
    ),
  );

/** So far under the top of a piece, where that lies over its underside: eaves cut square run out to nothing. */
function layerLine(
  [p, q]: NonNullable<ReturnType<typeof cutEnds>>,
  mm: number,
  { id, liftMm }: { id: string; liftMm: number },
): Primitive[] {
  const [over, beyond] = [p, q].map((end) => end.topMm - mm - end.bottomMm) as [number, number];
  if (over <= 0 && beyond <= 0) return [];
  const at = (t: number) => {
    return { x: p.x + (q.x - p.x) * t, y: p.topMm + (q.topMm - p.topMm) * t - mm + liftMm };
  };
  const turn = over / (over - beyond);
  const points = [over > 0 ? at(0) : at(turn), beyond > 0 ? at(1) : at(turn)];
  return [{ type: 'path', style: 'roofLayer', id, points, closed: false }];
}

const inSection = assembliesInSection('pitchedRoof', { seen: 'roofSeen', cut: 'roofCut' }, 'whole');

/** Pitched roofs in section: cut with their layers, and seen beyond. */
export const pitchedRoofsInSection: InSection = {
  ...inSection,
  cut: { at: 'stairs', draw: (solved, at) => [...inSection.cut!.draw(solved, at), ...layersCut(solved, at)] },
};
