import { lengthOf, minus, plus, times, type Point } from '../geometry/point';
import { fitting } from '../drawing/least-text';
import { bounds, contains, type Box, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import { runOfFlight, type Flight, type TaperedTread } from './pieces';
import type { SolvedStair, StairStorey } from './solved-stair';
import type { Primitive } from '../drawing/drawing';
import { drawWalk } from './draw-walk';
import { middleOf } from './lay-tapered';

/** What of a stair is to be drawn in the plan of a level. */
export interface StairPlan {
  scale: number;
  level: Id;
  cutMm: number;
  writeElevation?: (mm: number) => string;
  writeLength?: (mm: number) => string;
}

/** Half the width of the break line's zigzag along the run, on paper. */
const BREAK_MM = 1.2;
const TEXT_MM = 2.3;

/**
 * A stair in the plan of a level: what goes up as far as the cut, with its break line; beyond the break and beside it what comes up
 * from below. Treads are lines at their nosings; the walking line has a dot where one starts and an arrow upwards.
 */
export function drawStair(stair: SolvedStair, view: StairPlan): Primitive[] {
  const up = stair.storeys.find(({ level }) => level === view.level);
  const down = stair.storeys.find(({ upper }) => upper === view.level);
  if (!up && !down) return [];
  const drawn = new StairDrawing(stair, view);
  const broken = up?.steps ? breakOf(up, view.cutMm) : null;
  const hidden = down && up && broken ? hiddenUnder(stair, down, up, broken) : new Set<TaperedTread>();
  if (down) drawn.fromBelow(down, broken, hidden);
  if (up) drawn.goingUp(up, broken, !down);
  // What is seen of the storey under it begins where the one over it is cut.
  const cutOver = up?.steps ? view.cutMm - up.bottomMm : -Infinity;
  const isRound = stair.form === 'spiral' || stair.form === 'circular';
  const seenFrom = (storey: StairStorey) =>
    isRound ? Math.max(...[...hidden].map(({ topMm }) => topMm), -Infinity) : storey.bottomMm + cutOver;
  const walked = [
    ...(down?.steps ? drawWalk(stair, down, view, { fromMm: seenFrom(down) }) : []),
    ...(up?.steps ? drawWalk(stair, up, view, { toMm: view.cutMm }) : []),
  ];
  drawn.primitives.push(...walked, ...(up ? headroomMark(stair, up, view) : []));
  drawn.name((up?.landings[0] ?? down?.landings[0])?.parts[0] ?? null);
  return drawn.primitives;
}

/** Half a stroke of the mark, and its words, on paper. */
const MARK_MM = 1;

/** Where the headroom of a storey is least: a cross, with how much it is. */
function headroomMark(stair: SolvedStair, { headroom }: StairStorey, view: StairPlan): Primitive[] {
  if (!headroom) return [];
  const { at, mm } = headroom;
  const half = MARK_MM * view.scale;
  const stroke = (dx: number, dy: number): Primitive => ({
    type: 'path',
    style: 'stairHeadroom',
    id: stair.stair,
    points: [
      { x: at.x - dx, y: at.y - dy },
      { x: at.x + dx, y: at.y + dy },
    ],
    closed: false,
  });
  const text = `h ${view.writeLength?.(Math.floor(mm)) ?? Math.floor(mm)}`;
  return [
    stroke(half, half),
    stroke(half, -half),
    {
      type: 'text',
      style: 'stairText',
      id: stair.stair,
      at: { x: at.x, y: at.y - half * 2 },
      text,
      heightMm: MARK_MM * 1.7 * view.scale,
      turnDeg: 0,
    },
  ];
}

/** What the plan's cut goes through: a flight and how far along its run, a tapered tread, or neither where it goes over all. */
interface Break {
  flight: number;
  alongMm: number;
  tread: number;
}

/** Those under the cut come before it; one at most is cut. */
function breakOf({ flights, tapered }: StairStorey, cutMm: number): Break | null {
  const flight = flights.findIndex(({ bottomMm, risers, riserMm }) => bottomMm + risers * riserMm > cutMm);
  const tread = tapered.findIndex(({ topMm }) => topMm > cutMm);
  if (flight < 0 && tread < 0) return null;
  const [beyondFlights, beyondTreads] = [flight < 0 ? flights.length : flight, tread < 0 ? tapered.length : tread];
  const each = flights[beyondFlights];
  if (!each) return { flight: beyondFlights, alongMm: 0, tread: beyondTreads };
  const along = ((cutMm - each.bottomMm - each.riserMm) * each.goingMm) / each.riserMm;
  return { flight: beyondFlights, alongMm: Math.min(Math.max(along, 0), runOfFlight(each)), tread: beyondTreads };
}

/** Tapered treads from below that lie under what goes up as far as the cut. Round stairs may begin anywhere. */
function hiddenUnder(stair: SolvedStair, down: StairStorey, up: StairStorey, broken: Break): Set<TaperedTread> {
  const over = up.tapered.slice(0, broken.tread);
  const isRound = stair.form === 'spiral' || stair.form === 'circular';
  return new Set(
    down.tapered.filter((tread, i) =>
      isRound ? over.some(({ ring }) => contains(ring, middleOf(tread))) : i < broken.tread,
    ),
  );
}

class StairDrawing {
  readonly primitives: Primitive[] = [];

  constructor(
    private readonly stair: SolvedStair,
    private readonly view: StairPlan,
  ) {}

  /** The well itself where a storey has no steps, so that it can be seen and chosen. */
  private unsolved(): void {
    const { ring } = this.stair;
    this.area('stairUnsolved', ring);
    this.line('stairUnsolved', [ring[0]!, ring[2]!]);
  }

  goingUp(storey: StairStorey, broken: Break | null, isLowest: boolean): void {
    if (!storey.steps) return this.unsolved();
    storey.flights.forEach((flight, i) => {
      const run = runOfFlight(flight);
      const isCut = broken?.flight === i;
      if (broken && i > broken.flight) {
        // Above the cut: dashed, where nothing from below is seen in its place.
        if (isLowest && flight.ring) this.area('stairAbove', flight.ring);
        return;
      }
      const to = isCut ? broken.alongMm : run;
      this.flight(flight, 0, to);
      const isBegun = flight.bottomMm + flight.riserMm <= this.view.cutMm;
      if (isCut && isBegun) this.breakLine(flight, to);
      if (isCut && isLowest && to < run) this.area('stairAbove', stretch(flight, to, run));
    });
    storey.tapered.forEach((tread, i) => {
      if (broken && i >= broken.tread) {
        if (isLowest) this.area('stairAbove', tread.ring);
        return;
      }
      this.tread(tread);
      // Where all of them are under the cut, what follows has the break.
      if (broken && i === broken.tread - 1 && i < storey.tapered.length - 1) this.breakAcross(tread.next);
    });
    for (const landing of storey.landings) {
      if (landing.topMm <= this.view.cutMm) this.area('stairSeen', landing.ring);
      else if (isLowest) this.area('stairAbove', landing.ring);
    }
  }

  fromBelow(storey: StairStorey, broken: Break | null, hidden: ReadonlySet<TaperedTread>): void {
    if (!storey.steps) return this.unsolved();
    for (const { ring } of storey.landings) this.area('stairSeen', ring);
    storey.flights.forEach((flight, i) => {
      const run = runOfFlight(flight);
      if (broken && i < broken.flight) return;
      const from = broken?.flight === i ? Math.min(broken.alongMm, run) : 0;
      if (from < run) this.flight(flight, from, run);
    });
    for (const tread of storey.tapered) if (!hidden.has(tread)) this.tread(tread);
  }

  /** On its landing where that has room for it, else over the well. */
  name(landing: Ring | null): void {
    const most = TEXT_MM * this.view.scale;
    const heightIn = ({ minX, maxX, minY, maxY }: Box) => fitting(this.stair.name, maxX - minX, maxY - minY, most);
    const boxes = [...(landing ? [bounds(landing)] : []), bounds(this.stair.ring)];
    const box = boxes.find((each) => heightIn(each) >= most) ?? boxes.at(-1)!;
    const heightMm = heightIn(box);
    this.primitives.push({
      type: 'text',
      style: 'stairText',
      id: this.stair.stair,
      at: { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 },
      text: this.stair.name,
      heightMm,
      turnDeg: 0,
    });
  }

  private flight(flight: Flight, from: number, to: number): void {
    if (to - from < 1) return;
    this.area('stairSeen', stretch(flight, from, to));
    for (let riser = 0; riser < flight.risers; riser += 1) {
      const along = riser * flight.goingMm;
      if (along >= from - 1e-6 && along <= to + 1e-6) this.line('stairTread', across(flight, along));
    }
  }

  /** Two strokes with a zigzag between, slanting over the flight. */
  private breakLine(flight: Flight, along: number): void {
    const half = BREAK_MM * this.view.scale;
    const w = flight.widthMm / 2;
    this.line(
      'stairBreak',
      zigzag(half, w).map(([x, y]) => onFlight(flight, along + x, y)),
    );
  }

  private tread({ ring, nosing }: TaperedTread): void {
    this.area('stairSeen', ring);
    this.line('stairTread', nosing);
  }

  /** The same zigzag across where tapered treads are cut. */
  private breakAcross([narrow, wide]: readonly [Point, Point]): void {
    const half = BREAK_MM * this.view.scale;
    const side = minus(wide, narrow);
    const length = lengthOf(side);
    const [across, along] = [times(side, 1 / length), times({ x: -side.y, y: side.x }, 1 / length)];
    const middle = times(plus(narrow, wide), 0.5);
    const w = length / 2;
    const at = (x: number, y: number) => plus(middle, plus(times(along, x), times(across, y)));
    this.line(
      'stairBreak',
      zigzag(half, w).map(([x, y]) => at(x, y)),
    );
  }

  private area(style: 'stairSeen' | 'stairAbove' | 'stairUnsolved', ring: Ring): void {
    this.primitives.push({ type: 'area', style, id: this.stair.stair, rings: [ring] });
  }

  private line(style: 'stairTread' | 'stairBreak' | 'stairUnsolved', points: readonly Point[]): void {
    this.primitives.push({ type: 'path', style, id: this.stair.stair, points, closed: false });
  }
}

/** Along the run, and across it. */
const zigzag = (half: number, w: number): [number, number][] => [
  [-half, -w * 1.08],
  [-half * 0.2, -w * 0.12],
  [-half * 1.1, -w * 0.02],
  [half * 1.1, w * 0.02],
  [half * 0.2, w * 0.12],
  [half, w * 1.08],
];

/** A point of a flight: along its run, and to the left of its middle. */
const onFlight = ({ from, along }: Flight, x: number, y: number): Point =>
  plus(from, plus(times(along, x), times({ x: -along.y, y: along.x }, y)));

const across = (flight: Flight, along: number): Point[] => [
  onFlight(flight, along, -flight.widthMm / 2),
  onFlight(flight, along, flight.widthMm / 2),
];

const stretch = (flight: Flight, from: number, to: number): Ring => [
  onFlight(flight, from, -flight.widthMm / 2),
  onFlight(flight, to, -flight.widthMm / 2),
  onFlight(flight, to, flight.widthMm / 2),
  onFlight(flight, from, flight.widthMm / 2),
];
