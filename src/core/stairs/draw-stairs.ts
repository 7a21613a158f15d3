import { plus, times, type Point } from '../geometry/point';
import { fitting } from '../drawing/least-text';
import { bounds, type Box, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import { runOf } from './choose-steps';
import type { Flight } from './half-turn';
import type { SolvedStair, StairStorey } from './solved-stair';
import type { Primitive } from '../drawing/drawing';

/** What of a stair is to be drawn in the plan of a level. */
interface StairPlan {
  scale: number;
  level: Id;
  cutMm: number;
}

/** Half the width of the break line's zigzag along the run, on paper. */
const BREAK_MM = 1.2;
const ARROW_MM = 1.8;
const TEXT_MM = 2.3;

/**
 * A stair in the plan of a level: the flight going up as far as the cut, with its break line and arrow; beyond the break
 * and beside it what comes up from below. Treads are lines at their nosings.
 */
export function drawStair(stair: SolvedStair, view: StairPlan): Primitive[] {
  const up = stair.storeys.find(({ level }) => level === view.level);
  const down = stair.storeys.find(({ upper }) => upper === view.level);
  if (!up && !down) return [];
  const drawn = new StairDrawing(stair, view);
  const broken = up?.steps ? breakOf(up, view.cutMm) : null;
  if (down) drawn.fromBelow(down, broken);
  if (up) drawn.goingUp(up, broken, !down);
  drawn.name((up?.landing ?? down?.landing)?.parts[0] ?? null);
  return drawn.primitives;
}

/** The flight that the plan's cut goes through, and how far along its run. */
interface Break {
  flight: number;
  alongMm: number;
}

function breakOf({ flights }: StairStorey, cutMm: number): Break | null {
  const flight = flights.findIndex(({ bottomMm, risers, riserMm }) => bottomMm + risers * riserMm > cutMm);
  if (flight < 0) return null;
  const { bottomMm, riserMm, goingMm, risers } = flights[flight]!;
  const along = ((cutMm - bottomMm - riserMm) * goingMm) / riserMm;
  return { flight, alongMm: Math.min(Math.max(along, 0), runOf(risers, goingMm)) };
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
      const run = runOf(flight.risers, flight.goingMm);
      const isCut = broken?.flight === i;
      if (broken && i > broken.flight) {
        // Above the cut: dashed, where nothing from below is seen in its place.
        if (isLowest && flight.ring) this.area('stairAbove', flight.ring);
        return;
      }
      const to = isCut ? broken.alongMm : run;
      this.flight(flight, 0, to);
      if (isCut) this.breakLine(flight, to);
      if (isCut && isLowest && to < run) this.area('stairAbove', stretch(flight, to, run));
      if (i === 0) this.arrow(flight, Math.max(to, flight.goingMm));
    });
    if (storey.landing) {
      if (!broken || broken.flight > 0) this.area('stairSeen', storey.landing.ring);
      else if (isLowest) this.area('stairAbove', storey.landing.ring);
    }
  }

  fromBelow(storey: StairStorey, broken: Break | null): void {
    if (!storey.steps) return this.unsolved();
    if (storey.landing) this.area('stairSeen', storey.landing.ring);
    storey.flights.forEach((flight, i) => {
      const run = runOf(flight.risers, flight.goingMm);
      if (broken && i < broken.flight) return;
      const from = broken?.flight === i ? Math.min(broken.alongMm, run) : 0;
      if (from < run) this.flight(flight, from, run);
    });
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
    const at = (x: number, y: number) => onFlight(flight, along + x, y);
    this.line('stairBreak', [
      at(-half, -w * 1.08),
      at(-half * 0.2, -w * 0.12),
      at(-half * 1.1, -w * 0.02),
      at(half * 1.1, w * 0.02),
      at(half * 0.2, w * 0.12),
      at(half, w * 1.08),
    ]);
  }

  /** Up along the middle of the flight, a dot where one starts. */
  private arrow(flight: Flight, to: number): void {
    const size = Math.min(ARROW_MM * this.view.scale, flight.widthMm / 3);
    const tip = Math.max(to - size * 0.4, size);
    const start = onFlight(flight, -flight.goingMm * 0.3, 0);
    const id = this.stair.stair;
    this.line('stairArrow', [start, onFlight(flight, tip, 0)]);
    this.primitives.push(
      { type: 'circle', style: 'stairArrow', id, at: start, radiusMm: size * 0.18 },
      {
        type: 'path',
        style: 'stairArrow',
        id,
        points: [
          onFlight(flight, tip - size, size * 0.36),
          onFlight(flight, tip, 0),
          onFlight(flight, tip - size, -size * 0.36),
        ],
        closed: false,
      },
    );
  }

  private area(style: 'stairSeen' | 'stairAbove' | 'stairUnsolved', ring: Ring): void {
    this.primitives.push({ type: 'area', style, id: this.stair.stair, rings: [ring] });
  }

  private line(style: 'stairTread' | 'stairBreak' | 'stairArrow' | 'stairUnsolved', points: readonly Point[]): void {
    this.primitives.push({ type: 'path', style, id: this.stair.stair, points, closed: false });
  }
}

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
