import { intersection } from '../geometry/boolean';
import { sharedArea } from '../geometry/convex-clip';
import { distance, type Point } from '../geometry/point';
import { contains, distanceToSegment, ringArea, ringsMeet, type Ring } from '../geometry/polygon';

/** How a column stands to a slab edge in plan. */
export interface Standing {
  /** Its centre is on the slab. */
  isOn: boolean;
  /** Area of its section on the slab, mm². */
  shareMm2: number;
}

/**
 * What is true in plan whatever the heights are: a level that moves asks nothing new. Facts belong to rings. Rings with equal
 * corners are made one object, for as long as anything holds it, and a ring that nothing holds is forgotten with all that was known
 * of it, so a fact can never be out of date.
 */
export class PlanFacts {
  private readonly rings = new Map<string, WeakRef<Ring>>();
  private readonly gone = new FinalizationRegistry((text: string) => {
    if (!this.rings.get(text)?.deref()) this.rings.delete(text);
  });
  private readonly texts = new WeakMap<Ring, string>();
  private readonly numbers = new WeakMap<Ring, number>();
  private numbered = 0;
  private readonly standings = new WeakMap<Ring, WeakMap<Ring, Standing>>();
  private readonly shares = new WeakMap<Ring, WeakMap<Ring, number>>();
  private readonly leavings = new WeakMap<Ring, WeakMap<Ring, boolean>>();
  private readonly gaps = new WeakMap<Ring, WeakMap<Ring, number>>();
  private readonly clippings = new WeakMap<Ring, WeakMap<Ring, readonly Ring[]>>();
  private readonly meetings = new WeakMap<Ring, WeakMap<Ring, boolean>>();

  /** The one ring with these corners. */
  one(ring: Ring): Ring {
    if (this.texts.has(ring)) return ring;
    const text = ring.map(({ x, y }) => `${x},${y}`).join(' ');
    const same = this.rings.get(text)?.deref();
    if (same) return same;
    this.rings.set(text, new WeakRef(ring));
    this.gone.register(ring, text);
    this.texts.set(ring, text);
    return ring;
  }

  /** A number for a ring, the same for equal rings for as long as one of them is held. It means nothing else. */
  numberOf(ring: Ring): number {
    const same = this.one(ring);
    let number = this.numbers.get(same);
    if (number === undefined) this.numbers.set(same, (number = this.numbered += 1));
    return number;
  }

  /** A ring's corners as text: equal rings have equal texts. */
  textOf(ring: Ring): string {
    return this.texts.get(ring) ?? this.textOf(this.one(ring));
  }

  /** How a column's ring about its centre stands to a slab edge. Both rings come from {@link one}. */
  standing(column: Ring, centre: Point, edge: Ring): Standing {
    return remembered(this.standings, column, edge, () => standingOf(column, centre, edge));
  }

  /** What two rings share, mm²; worked out by `work` where it is not known. Both rings come from {@link one}. */
  shared(a: Ring, b: Ring, work: () => number): number {
    return remembered(this.shares, a, b, work);
  }

  /** True if a ring leaves another one, worked out in the same way. */
  leaves(a: Ring, b: Ring, work: () => boolean): boolean {
    return remembered(this.leavings, a, b, work);
  }

  /** Least distance between two rings, mm, in the same way. */
  gap(a: Ring, b: Ring, work: () => number): number {
    return remembered(this.gaps, a, b, work);
  }

  /** The parts of a ring that lie within another one. Both rings come from {@link one}. */
  clipped(a: Ring, b: Ring): readonly Ring[] {
    const parts = remembered(this.clippings, a, b, () => intersection(a, b).regions.map(({ outer }) => outer));
    return parts.map((part) => this.one(part));
  }

  /** True if two rings share some area or touch. Both rings come from {@link one}. */
  meet(a: Ring, b: Ring): boolean {
    return remembered(this.meetings, a, b, () => ringsMeet(b, a));
  }
}

function remembered<T>(facts: WeakMap<Ring, WeakMap<Ring, T>>, a: Ring, b: Ring, work: () => T): T {
  let ofA = facts.get(a);
  if (!ofA) facts.set(a, (ofA = new WeakMap()));
  let fact = ofA.get(b);
  if (fact === undefined) ofA.set(b, (fact = work()));
  return fact;
}

function standingOf(column: Ring, centre: Point, edge: Ring): Standing {
  const isOn = contains(edge, centre);
  const area = ringArea(column);
  const reach = column.reduce((most, point) => Math.max(most, distance(point, centre)), 0);
  const isClear = edge.every((point, i) => distanceToSegment(centre, point, edge[(i + 1) % edge.length]!) > reach);
  // Clear of the edge it is wholly on or wholly off; only over the edge the shared area has to be worked out.
  const shareMm2 = isClear ? (isOn ? area : 0) : Math.min(area, sharedArea(column, edge));
  return { isOn, shareMm2 };
}
