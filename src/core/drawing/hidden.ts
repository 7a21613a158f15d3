import { lessRegions, sharedByRegions, type Region } from '../geometry/boolean';
import { bounds, counterClockwise, ringArea, type Box, type Ring } from '../geometry/polygon';
import type { Primitive } from './drawing';
import { STYLES } from './styles';

/** An area as a view has it, with how far before or behind the others it is, mm. */
export type Area = Extract<Primitive, { type: 'area' }>;

/** What is in front is looked for in squares of this size, mm. */
const CELL_MM = 3000;
/** Less of an area than this is not seen, mm². */
const LEAST_MM2 = 50;
/** What laps over by less than this only touches, mm. */
const TOUCH_MM = 0.01;

interface Before {
  region: Region;
  box: Box;
  isBox: boolean;
}

const isDeep = (primitive: Primitive): primitive is Area =>
  primitive.type === 'area' && primitive.depthMm !== undefined;

/** What was worked out of a state for a view: it is the same however large the view is drawn. */
const KEPT = new WeakMap<object, Map<string, Area[]>>();

/**
 * What is seen of what a view draws: areas from the nearest to the farthest, each without what lies before it. Those that say no depth, and
 * lines and words, are seen whole and lie over all. The farthest come first, so that they may be painted one over the other as well.
 * `of` and `view`: the state the primitives are drawn from, and how, where it is worth keeping.
 */
export function withoutHidden(primitives: readonly Primitive[], of?: object, view = ''): Primitive[] {
  const others = primitives.filter((primitive) => !isDeep(primitive));
  const work = () => seenOf(primitives.filter(isDeep));
  if (!of) return [...work(), ...others];
  const views = KEPT.get(of) ?? new Map<string, Area[]>();
  KEPT.set(of, views);
  const areas = views.get(view) ?? work();
  views.set(view, areas);
  return [...areas, ...others];
}

function seenOf(areas: readonly Area[]): Area[] {
  const front = new Front();
  const glass = new Front();
  return (
    areas
      .map((area, i) => ({ area, i }))
      // Of two at one depth the one that was drawn later lies over the other.
      .sort((a, b) => a.area.depthMm! - b.area.depthMm! || b.i - a.i)
      .flatMap(({ area }) => {
        const left = front.seenOf(area);
        // A glazed wall behind glass is seen as such; all else is thin behind it.
        const seen = area.style === 'glassSeen' || glass.isEmpty ? left : left.flatMap((each) => glass.parted(each));
        if (area.glass) glass.add(area);
        else if (STYLES[area.style].screen.fill !== null) front.add(area);
        return seen;
      })
      .reverse()
  );
}

class Front {
  private readonly cells = new Map<number, Before[]>();

  add({ rings }: Area): void {
    // All go round one way: what laps over twice is there once.
    const ring = counterClockwise(rings[0]!);
    const box = bounds(ring);
    const holes = rings.slice(1);
    const before: Before = {
      region: { outer: ring, holes: [...holes] },
      box,
      isBox: holes.length === 0 && isBox(ring, box),
    };
    for (const cell of cellsOf(box)) {
      const list = this.cells.get(cell);
      if (list) list.push(before);
      else this.cells.set(cell, [before]);
    }
  }

  get isEmpty(): boolean {
    return this.cells.size === 0;
  }

  /** An area in two: what lies behind none of these as it is, what lies behind them thin. */
  parted(area: Area): Area[] {
    const [ring, ...holes] = area.rings;
    const box = bounds(ring!);
    const before = this.lapping(box);
    if (before.length === 0) return [area];
    const behind = sharedByRegions(
      [{ outer: ring!, holes: [...holes] }],
      before.map(({ region }) => region),
    ).regions.filter(({ outer }) => Math.abs(ringArea(outer)) > LEAST_MM2);
    if (behind.length === 0) return [area];
    const style = STYLES[area.style].screen.fill === null ? 'lineThroughGlass' : 'throughGlass';
    const beside = lessRegions(
      { outer: ring!, holes: [...holes] },
      before.map(({ region }) => region),
    ).regions.filter(({ outer }) => Math.abs(ringArea(outer)) > LEAST_MM2);
    return [
      ...beside.map(({ outer, holes: open }): Area => ({ ...area, rings: [outer, ...open] })),
      ...behind.map(({ outer, holes: open }): Area => ({ ...area, style, rings: [outer, ...open] })),
    ];
  }

  private lapping(box: Box): Before[] {
    const lapping = new Set<Before>();
    for (const cell of cellsOf(box))
      for (const before of this.cells.get(cell) ?? []) if (laps(before.box, box)) lapping.add(before);
    return [...lapping];
  }

  seenOf(area: Area): Area[] {
    const ring = area.rings[0]!;
    const box = bounds(ring);
    // What covers all of it lies over its first corner too: most of what is hidden is found so.
    const first = this.cells.get(cellAt(box.minX, box.minY)) ?? [];
    if (first.some((before) => before.isBox && covers(before.box, box))) return [];
    const lapping = this.lapping(box);
    if (lapping.length === 0) return [plain(area, area.rings)];
    const { regions } = lessRegions(
      { outer: ring, holes: area.rings.slice(1) },
      lapping.map(({ region }) => region),
    );
    return regions
      .filter(({ outer }) => Math.abs(ringArea(outer)) > LEAST_MM2)
      .map(({ outer, holes }) => plain(area, [outer, ...holes]));
  }
}

/** As it is drawn: how deep it lies is told no more. */
const plain = ({ depthMm: _, glass: __, ...area }: Area, rings: readonly Ring[]): Area => ({ ...area, rings });

const cellOf = (mm: number): number => Math.floor(mm / CELL_MM);
/** A square by one number: as far as a building reaches. */
const numberOf = (x: number, y: number): number => x * 1e6 + y;
const cellAt = (x: number, y: number): number => numberOf(cellOf(x), cellOf(y));

function* cellsOf({ minX, minY, maxX, maxY }: Box): Generator<number> {
  for (let x = cellOf(minX); x <= cellOf(maxX); x += 1)
    for (let y = cellOf(minY); y <= cellOf(maxY); y += 1) yield numberOf(x, y);
}

const laps = (a: Box, b: Box): boolean =>
  a.minX < b.maxX - TOUCH_MM && b.minX < a.maxX - TOUCH_MM && a.minY < b.maxY - TOUCH_MM && b.minY < a.maxY - TOUCH_MM;

const covers = (a: Box, b: Box): boolean =>
  a.minX <= b.minX + TOUCH_MM &&
  a.minY <= b.minY + TOUCH_MM &&
  a.maxX >= b.maxX - TOUCH_MM &&
  a.maxY >= b.maxY - TOUCH_MM;

/** Whether a ring fills its box. */
const isBox = (ring: Ring, { minX, minY, maxX, maxY }: Box): boolean =>
  ring.length === 4 && Math.abs(Math.abs(ringArea(ring)) - (maxX - minX) * (maxY - minY)) < 1;
