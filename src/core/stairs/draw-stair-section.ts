import { clippedTo } from '../geometry/convex-clip';
import { dot, minus, plus, times, type Point } from '../geometry/point';
import { counterClockwise, ringArea, type Ring } from '../geometry/polygon';
import type { SolvedStair } from './solved-stair';
import { bodiesOf, isSideBody, planOf, type SideBody } from './stair-bodies';
import type { Primitive } from '../drawing/drawing';
import { alongOf, depthOf, type Frame } from '../drawing/section-plane';
import { nearestMm } from '../drawing/section-shapes';

/** A plane as a section sees a building: its frame, whether it cuts, and how much higher heights are drawn. */
interface Seen {
  frame: Frame;
  isCut: boolean;
  liftMm: number;
}

/** A stair in a section: what of it the plane cuts, and what lies beyond. */
export function drawStairSection(stair: SolvedStair, from: Seen, wantsCut: boolean): Primitive[] {
  const rings = stair.storeys.flatMap((storey) =>
    bodiesOf(stair, storey).flatMap((body) =>
      isSideBody(body)
        ? sideRing(body, from, wantsCut).map((ring) => ({ ring, depthMm: nearestMm(from.frame, planOf(body)) }))
        : body.parts.flatMap((part) => {
            const stretch = stretchOf(part, from, wantsCut);
            const depthMm = nearestMm(from.frame, part);
            return stretch ? [{ ring: box(stretch, body.bottomMm, body.topMm), depthMm }] : [];
          }),
    ),
  );
  return [
    ...rings.map(({ ring, depthMm }): Primitive => ({
      type: 'area',
      style: wantsCut ? 'stairCut' : 'stairSeen',
      id: stair.stair,
      ...(wantsCut ? {} : { depthMm }),
      rings: [ring.map(({ x, y }) => ({ x, y: y + from.liftMm }))],
    })),
    ...(wantsCut ? headroomLines(stair, from) : []),
  ];
}

/** The least headroom of each storey that the plane passes near, upright between what it is over and under. */
function headroomLines(stair: SolvedStair, { frame, liftMm }: Seen): Primitive[] {
  return stair.storeys.flatMap(({ headroom }): Primitive[] => {
    if (!headroom || Math.abs(depthOf(frame, headroom.at)) > stair.flightWidthMm / 2) return [];
    const x = alongOf(frame, headroom.at);
    const [low, high] = [headroom.lowMm + liftMm, headroom.lowMm + headroom.mm + liftMm];
    return [
      {
        type: 'path',
        style: 'stairHeadroom',
        id: stair.stair,
        points: [
          { x, y: low },
          { x, y: high },
        ],
        closed: false,
      },
    ];
  });
}

/** Where the plane's line enters and leaves a convex ring, or how far the ring reaches along it; null if not asked for. */
function stretchOf(ring: Ring, { frame, isCut }: Seen, wantsCut: boolean): [number, number] | null {
  const depths = ring.map((point) => depthOf(frame, point));
  const [near, far] = [Math.min(...depths), Math.max(...depths)];
  const cuts = isCut && near < 0 && far > 0;
  if (cuts !== wantsCut || (isCut && !cuts && near < 0)) return null;
  if (!cuts) {
    const xs = ring.map((point) => alongOf(frame, point));
    return [Math.min(...xs), Math.max(...xs)];
  }
  const meets = ring.flatMap((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    const [da, db] = [depths[i]!, depthOf(frame, b)];
    if (da > 0 === db > 0) return [];
    return [alongOf(frame, plus(a, times(minus(b, a), da / (da - db))))];
  });
  return meets.length > 1 ? [Math.min(...meets), Math.max(...meets)] : null;
}

function sideRing(body: SideBody, from: Seen, wantsCut: boolean): Ring[] {
  const { flight, side: profile } = body;
  const stretch = stretchOf(planOf(body), from, wantsCut);
  if (!stretch) return [];
  const { frame } = from;
  // How far along the flight's run a place along the plane is, where the plane goes at all along it.
  const facing = dot(flight.along, frame.along);
  const start = alongOf(frame, flight.from);
  if (!wantsCut) {
    if (Math.abs(facing) < 1e-6) return [box(stretch, lowest(profile), highest(profile))];
    return [counterClockwise(profile.map(({ x, y }) => ({ x: start + x * facing, y })))];
  }
  const runAt = (along: number) => dot(minus(plus(frame.origin, times(frame.along, along)), flight.from), flight.along);
  const [s0, s1] = [runAt(stretch[0]), runAt(stretch[1])];
  const [low, high] = [Math.min(s0, s1), Math.max(s0, s1)];
  if (high - low < 1) {
    const slice = within(profile, low - 0.5, low + 0.5);
    return slice.length > 2 ? [box(stretch, lowest(slice), highest(slice))] : [];
  }
  const part = within(profile, low, high);
  const alongAt = (s: number) => stretch[0] + ((s - s0) / (s1 - s0)) * (stretch[1] - stretch[0]);
  const ring = counterClockwise(part.map(({ x, y }) => ({ x: alongAt(x), y })));
  return ring.length > 2 && ringArea(ring) > 1 ? [ring] : [];
}

const FAR = 1e6;
const within = (profile: readonly Point[], low: number, high: number): Point[] =>
  clippedTo(
    [
      { x: low, y: -FAR },
      { x: high, y: -FAR },
      { x: high, y: FAR },
      { x: low, y: FAR },
    ],
    profile,
  );

const lowest = (points: readonly Point[]): number => Math.min(...points.map(({ y }) => y));
const highest = (points: readonly Point[]): number => Math.max(...points.map(({ y }) => y));

const box = ([x0, x1]: [number, number], y0: number, y1: number): Ring => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
];
