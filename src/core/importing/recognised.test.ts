import fc from 'fast-check';
import { sectionRing, type SectionMm } from '../columns/section-shape';
import { distance, dot, minus, plus, times, turned, type Point } from '../geometry/point';
import { ringArea } from '../geometry/polygon';
import { gridsOf } from '../grids/resolve-grids';
import { recordsOf } from '../model/framework';
import type { Result } from '../model/result';
import { given } from '../testing/given';
import { MM_PER_UNIT, type LengthUnit } from '../units/length-units';
import { recogniseColumns } from './recognise-columns';
import { gridInput, recogniseGrid } from './recognise-grid';
import type { Sheet } from './sheet';

function taken<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.refusal.message);
  return result.value;
}
const sums = (bays: readonly number[]): number[] =>
  [0, ...bays].map((_, i) => bays.slice(0, i).reduce((sum, bay) => sum + bay, 0));

/** A grid as somebody drew it: lines of `a` side by side along its turned x axis, of `b` along y, labels in bubbles. */
interface Drawn {
  bays: { a: number[]; b: number[] };
  /** From the labels' beginning: along the axis or against it. */
  ways: { a: 1 | -1; b: 1 | -1 };
  turnDeg: number;
  at: Point;
  unit: LengthUnit;
  /** Where each line is cut in two, of its length; and which end has the bubble. */
  cuts: number[];
  isAtEnd: boolean;
}

const bays = fc.array(
  fc.integer({ min: 40, max: 480 }).map((step) => step * 25),
  { minLength: 1, maxLength: 9 },
);
const way = fc.constantFrom<1 | -1>(1, -1);
const place = fc.record({ x: fc.integer({ min: -400, max: 400 }), y: fc.integer({ min: -400, max: 400 }) });
const drawnGrids: fc.Arbitrary<Drawn> = fc.record({
  bays: fc.record({ a: bays, b: bays }),
  ways: fc.record({ a: way, b: way }),
  turnDeg: fc.integer({ min: -440, max: 440 }).map((tenth) => tenth / 10),
  at: place.map(({ x, y }) => ({ x: x * 1000, y: y * 1000 })),
  unit: fc.constantFrom<LengthUnit>('mm', 'cm', 'm', 'inch', 'ft'),
  cuts: fc.array(fc.double({ min: 0.1, max: 0.9, noNaN: true }), { minLength: 20, maxLength: 20 }),
  isAtEnd: fc.boolean(),
});
const NUMBERS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '10'];
const LETTERS = ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', 'J', 'K'];
const BUBBLE_MM = 400;

/** From the grid's own axes to where it is drawn, mm. */
const putBy =
  ({ turnDeg, at }: Pick<Drawn, 'turnDeg' | 'at'>) =>
  (point: Point): Point =>
    plus(at, turned(point, turnDeg));

/** Lines by label, each from its first to its last end, mm. */
function linesOf(drawn: Drawn): Map<string, [Point, Point]> {
  const { bays: of, ways } = drawn;
  const put = putBy(drawn);
  const [xs, ys] = [sums(of.a).map((x) => x * ways.a), sums(of.b).map((y) => y * ways.b)];
  const span = (values: number[]): [number, number] => [Math.min(...values) - 2000, Math.max(...values) + 2000];
  const [[left, right], [low, high]] = [span(xs), span(ys)];
  return new Map([
    ...xs.map((x, i) => [NUMBERS[i]!, [put({ x, y: low }), put({ x, y: high })]] as [string, [Point, Point]]),
    ...ys.map((y, i) => [LETTERS[i]!, [put({ x: left, y }), put({ x: right, y })]] as [string, [Point, Point]]),
  ]);
}

function sheetOf(drawn: Drawn): Sheet {
  const scale = 1 / MM_PER_UNIT[drawn.unit];
  const sheet: Sheet = { unit: drawn.unit, lines: [], circles: [], texts: [], curves: [], outlines: [] };
  let count = 0;
  for (const [text, ends] of linesOf(drawn)) {
    const [a, b] = drawn.isAtEnd ? [...ends].reverse() : ends;
    const cut = plus(a!, times(minus(b!, a!), drawn.cuts[count++ % 20]!));
    const bubble = plus(a!, times(minus(a!, b!), BUBBLE_MM / distance(a!, b!)));
    const [from, to, between, at] = [a!, b!, cut, bubble].map((point) => times(point, scale));
    // In two pieces, drawn against one another.
    sheet.lines.push({ a: from!, b: between!, layer: 'grid' }, { a: to!, b: between!, layer: 'grid' });
    sheet.circles.push({ at: at!, radius: BUBBLE_MM * scale, layer: 'grid', block: null });
    sheet.texts.push({ at: at!, text: ` ${text} `, height: 250 * scale, layer: 'grid' });
  }
  return sheet;
}

/** How far a place lies from the line through two. */
function besideMm(point: Point, [a, b]: readonly [Point, Point]): number {
  const along = times(minus(b, a), 1 / distance(a, b));
  return Math.abs(dot(minus(point, a), { x: -along.y, y: along.x }));
}

describe('a grid in somebody’s drawing', () => {
  it('is found with its bays, labels and turn, in any unit, in pieces, and counted from either side', () => {
    fc.assert(
      fc.property(drawnGrids, (drawn) => {
        const grid = taken(recogniseGrid(sheetOf(drawn)));
        expect(grid.a.baysMm).toEqual(drawn.bays.a.map((bay) => expect.closeTo(bay, 2)));
        expect(grid.b.baysMm).toEqual(drawn.bays.b.map((bay) => expect.closeTo(bay, 2)));
        expect([grid.a.labels, grid.b.labels]).toEqual([
          NUMBERS.slice(0, drawn.bays.a.length + 1),
          LETTERS.slice(0, drawn.bays.b.length + 1),
        ]);
        expect([grid.a.way, grid.b.way]).toEqual([drawn.ways.a, drawn.ways.b]);
        expect(grid.turnDeg).toBeCloseTo(drawn.turnDeg, 5);
        expect([grid.joinedPieces, grid.ignoredLines, grid.unit]).toEqual([
          grid.a.labels.length + grid.b.labels.length,
          0,
          drawn.unit,
        ]);
      }),
      { numRuns: 200 },
    );
  });

  it('is, once taken, where it was drawn: each of our lines lies on the line of its label', () => {
    fc.assert(
      fc.property(drawnGrids, (drawn) => {
        const framework = given([
          ['buildings.add', { name: 'Hall' }],
          ['levels.setUp', { above: '3@4m' }],
          ['grids.add', gridInput(taken(recogniseGrid(sheetOf(drawn))))],
        ]);
        const [ours] = gridsOf(framework);
        const theirs = linesOf(drawn);
        const lines = [...ours!.a, ...ours!.b];
        expect(lines.map(({ label }) => label).sort()).toEqual([...theirs.keys()].sort());
        for (const { label, ends } of lines)
          for (const end of ends) expect(besideMm(end, theirs.get(label!)!)).toBeLessThan(0.05);
      }),
      { numRuns: 60 },
    );
  });

  it('is not disturbed by short ticks, leaders and walls of other directions', () => {
    fc.assert(
      fc.property(drawnGrids, fc.array(place, { maxLength: 8 }), (drawn, ticks) => {
        const sheet = sheetOf(drawn);
        const scale = 1 / MM_PER_UNIT[drawn.unit];
        const put = putBy(drawn);
        const short = ticks.flatMap(({ x, y }) => [
          { a: put({ x: x * 10, y: y * 10 + 7.5 }), b: put({ x: x * 10 + 300, y: y * 10 + 7.5 }) },
          { a: put({ x: x * 10, y: y * 10 }), b: put({ x: x * 10 + 250, y: y * 10 + 250 }) },
        ]);
        const lines = short.map(({ a, b }) => ({ a: times(a, scale), b: times(b, scale), layer: 'notes' }));
        const [clean, full] = [sheet, { ...sheet, lines: [...lines, ...sheet.lines] }].map((each) =>
          taken(recogniseGrid(each)),
        );
        for (const direction of ['a', 'b'] as const) {
          expect(full![direction].labels).toEqual(clean![direction].labels);
          expect(full![direction].baysMm).toEqual(clean![direction].baysMm.map((bay) => expect.closeTo(bay, 2)));
        }
        expect([full!.joinedPieces, full!.ignoredLines]).toEqual([clean!.joinedPieces, lines.length]);
      }),
      { numRuns: 100 },
    );
  });

  it('goes over gaps that are drawn in its lines, and leaves out what stands far from them in one line', () => {
    const drawn: Drawn = {
      bays: { a: [8000], b: [6000] },
      ways: { a: 1, b: 1 },
      turnDeg: 0,
      at: { x: 0, y: 0 },
      unit: 'mm',
      cuts: Array<number>(20).fill(0.5),
      isAtEnd: true,
    };
    const sheet = sheetOf(drawn);
    const line = (ax: number, bx: number, y: number) => ({ a: { x: ax, y }, b: { x: bx, y }, layer: 'grid' });
    // B runs from -2000 to 10,000 but over a yard; beyond its bubble a tick.
    const broken = [
      ...sheet.lines.filter(({ a, b }) => !(a.y === 6000 && b.y === 6000)),
      line(-2000, 2500, 6000),
      line(5500, 10_000, 6000),
      line(13_000, 13_300, 6000),
    ];
    const grid = taken(recogniseGrid({ ...sheet, lines: broken }));
    expect([grid.b.labels, grid.b.baysMm, grid.joinedPieces, grid.ignoredLines]).toEqual([['A', 'B'], [6000], 4, 1]);
  });

  it('says where a line lies out of all bounds, and what is missing', () => {
    const line = (ax: number, ay: number, bx: number, by: number) => ({
      a: { x: ax, y: ay },
      b: { x: bx, y: by },
      layer: '0',
    });
    const sheet = (...lines: Sheet['lines']): Sheet => ({
      unit: 'mm',
      lines,
      circles: [],
      texts: [],
      curves: [],
      outlines: [],
    });
    const why = (each: Sheet) => {
      const result = recogniseGrid(each);
      return result.ok ? 'taken' : result.refusal.message;
    };
    const upright = [0, 6000].map((x) => line(x, 0, x, 9000));
    expect(why(sheet(...upright, line(0, 0, Infinity, 0)))).toMatch(/lies further out than 1000 km/);
    expect(why(sheet(...upright, line(0, 0, 9000, 0)))).toMatch(/Fewer than two grid lines/);
    expect(why(sheet(...upright, line(0, 0, 9000, 90)))).toMatch(/No two directions/);
    expect(why(sheet(...upright, line(0, 0, 9000, 0), line(0, 5000, 9000, 5000)))).toBe('taken');
  });

  it('that has no labels is counted from its left and its bottom', () => {
    const drawn: Drawn = {
      bays: { a: [6000, 7500], b: [5000] },
      ways: { a: 1, b: 1 },
      turnDeg: 12,
      at: { x: 3000, y: -8000 },
      unit: 'm',
      cuts: Array<number>(20).fill(0.5),
      isAtEnd: false,
    };
    const grid = taken(recogniseGrid({ ...sheetOf(drawn), texts: [] }));
    expect([grid.a.labels, grid.b.labels]).toEqual([
      [null, null, null],
      [null, null],
    ]);
    expect([grid.a.baysMm, grid.b.baysMm]).toEqual([[6000, 7500], [5000]]);
    expect(distance(grid.origin, drawn.at)).toBeLessThan(0.01);
  });
});

const sections: fc.Arbitrary<SectionMm> = fc.oneof(
  fc.record({
    shape: fc.constant('rectangle' as const),
    widthMm: fc.integer({ min: 200, max: 900 }),
    depthMm: fc.integer({ min: 200, max: 900 }),
  }),
  fc.record({ shape: fc.constant('circle' as const), diameterMm: fc.integer({ min: 200, max: 900 }) }),
  fc.record({
    shape: fc.constant('I' as const),
    widthMm: fc.integer({ min: 180, max: 400 }),
    depthMm: fc.integer({ min: 180, max: 700 }),
    webMm: fc.integer({ min: 8, max: 30 }),
    flangeMm: fc.integer({ min: 10, max: 40 }),
  }),
);

describe('columns in somebody’s drawing', () => {
  const columns = fc.array(
    fc.record({
      section: sections,
      at: place.map(({ x, y }) => ({ x: x * 100, y: y * 100 })),
      turnDeg: fc.integer({ min: -180, max: 180 }),
      isReversed: fc.boolean(),
      first: fc.nat(11),
    }),
    { minLength: 1, maxLength: 8 },
  );

  it('are laid over our grid by its labels and stand as drawn, wherever the drawing lies and however it is turned', () => {
    const ours = { a: [7200, 6000, 7200], b: [6600, 7800] };
    const framework = given([
      ['buildings.add', { name: 'Hall' }],
      ['levels.setUp', { above: '3@4m' }],
      ['grids.add', { baysA: ours.a, baysB: ours.b, xMm: 12_000, yMm: -4000, turnDeg: 20 }],
    ]);
    const building = recordsOf(framework, 'building')[0]!.id;
    const ourPut = putBy({ turnDeg: 20, at: { x: 12_000, y: -4000 } });
    fc.assert(
      fc.property(drawnGrids, columns, ({ turnDeg, at, unit, cuts, isAtEnd }, stood) => {
        const drawn: Drawn = { bays: ours, ways: { a: 1, b: 1 }, turnDeg, at, unit, cuts, isAtEnd };
        const sheet = sheetOf(drawn);
        const scale = 1 / MM_PER_UNIT[unit];
        const put = putBy(drawn);
        for (const { section, at: own, turnDeg: turn, isReversed, first } of stood) {
          if (section.shape === 'circle') {
            sheet.circles.push({
              at: times(put(own), scale),
              radius: (section.diameterMm / 2) * scale,
              layer: 'columns',
              block: null,
            });
            continue;
          }
          const ring = sectionRing(section, put(own), turn + turnDeg).map((corner) => times(corner, scale));
          const from = first % ring.length;
          const corners = [...ring.slice(from), ...ring.slice(0, from)];
          sheet.outlines.push({
            corners: isReversed ? [...corners].reverse() : corners,
            layer: 'columns',
            block: null,
          });
        }
        const read = taken(recogniseColumns(framework, building, sheet));
        expect(read.registeredBy).toEqual({ labels: ['1', 'A'] });
        expect([read.unclear, read.columns.length]).toEqual([0, stood.length]);
        const found = new Set<number>();
        for (const { section, at: own, turnDeg: turn } of stood) {
          const should = sectionRing(section, ourPut(own), turn + 20);
          const i = read.columns.findIndex(
            (column, k) =>
              !found.has(k) && isSameRing(should, sectionRing(column.section, placeOf(column), column.turnDeg)),
          );
          expect([section, i]).not.toEqual([section, -1]);
          found.add(i);
        }
      }),
      { numRuns: 120 },
    );
  });

  const placeOf = ({ xMm, yMm }: { xMm: number; yMm: number }): Point => ({ x: xMm, y: yMm });
  /** Every corner of one lies on a corner of the other, and they are as large. */
  function isSameRing(a: readonly Point[], b: readonly Point[]): boolean {
    return (
      a.length === b.length &&
      Math.abs(Math.abs(ringArea(a)) - Math.abs(ringArea(b))) < 20 &&
      a.every((corner) => b.some((other) => distance(corner, other) < 0.1))
    );
  }

  it('have turns that are told once: a rectangle within a quarter of a turn, an I within a half', () => {
    const framework = given([
      ['buildings.add', { name: 'Hall' }],
      ['levels.setUp', { above: '4m' }],
      ['grids.add', { baysA: [6000], baysB: [6000] }],
    ]);
    const building = recordsOf(framework, 'building')[0]!.id;
    const told = (section: SectionMm, turnDeg: number) => {
      const corners = [...sectionRing(section, { x: 0, y: 0 }, turnDeg)];
      const sheet: Sheet = {
        unit: 'mm',
        lines: [],
        circles: [],
        texts: [],
        curves: [],
        outlines: [{ corners, layer: 'columns', block: null }],
      };
      const [column] = taken(recogniseColumns(framework, building, sheet)).columns;
      return [column!.turnDeg, 'widthMm' in column!.section && column!.section.widthMm];
    };
    const box: SectionMm = { shape: 'rectangle', widthMm: 300, depthMm: 700 };
    const steel: SectionMm = { shape: 'I', widthMm: 300, depthMm: 500, webMm: 12, flangeMm: 20 };
    expect([-45, 45, 135, 225].map((deg) => told(box, deg))).toEqual([
      [45, 700],
      [45, 300],
      [45, 700],
      [45, 300],
    ]);
    expect([0, 30, 60, 90, 120, 150, 180].map((deg) => told(box, deg))).toEqual([
      [0, 300],
      [30, 300],
      [-30, 700],
      [0, 700],
      [30, 700],
      [-30, 300],
      [0, 300],
    ]);
    expect([0, 60, 90, 120, 180].map((deg) => told(steel, deg))).toEqual([
      [0, 300],
      [60, 300],
      [90, 300],
      [-60, 300],
      [0, 300],
    ]);
  });
});
