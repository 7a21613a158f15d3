import { solve } from '../solving/solve';
import { FURNISHED, given, step } from '../testing/given';
import { drawSection } from './draw-section';
import { elevationPlane, planeAlong, type SectionPlane } from './section-plane';
import type { Primitive } from './drawing';

const tower = given(FURNISHED);
const solved = solve(tower);
const building = solved.buildings[0]!.id;
const drawn = (plane: SectionPlane, from = solved, scale = 200): Primitive[] =>
  drawSection(from, { building, plane, scale, writeLength: String, writeElevation: (mm) => `${mm}` }).primitives;
const ofStyle = (primitives: readonly Primitive[], style: string) => primitives.filter((each) => each.style === style);
const spanOf = (primitive: Primitive): [number, number] => {
  const xs = primitive.type === 'area' ? primitive.rings[0]!.map(({ x }) => x) : [];
  return [Math.min(...xs), Math.max(...xs)];
};
const line = (label: string) => solved.lines.find((each) => each.label === label)!;
/** Plate: x −300 … 25500, y −300 … 14700. Shaft S1: x 2000 … 4400, y 1500 … 4500. */
const across = (y: number): SectionPlane => ({ from: { x: 0, y }, to: { x: 1000, y }, isCut: true });

describe('a section', () => {
  it('cuts each slab along its line, and leaves out what the shaft takes', () => {
    const cut = ofStyle(drawn(across(3000)), 'slabCut');
    // Two slabs and the raft whole, six slabs in two.
    expect(cut).toHaveLength(3 + 6 * 2);
    expect(new Set(cut.map((each) => spanOf(each).join('…')))).toEqual(
      new Set(['-300…25500', '-300…2000', '4400…25500']),
    );
    expect(ofStyle(drawn(across(10_000)), 'slabCut')).toHaveLength(9);
    expect(ofStyle(drawn(across(15_000)), 'slabCut')).toHaveLength(0);
  });

  it('shows the shaft it passes through from where it starts to where it stops', () => {
    const [shaft] = ofStyle(drawn(across(3000)), 'shaftClosed');
    expect(shaft).toMatchObject({
      rings: [
        [
          { x: 2000, y: -7500 },
          { x: 4400, y: -7500 },
          { x: 4400, y: 21600 },
          { x: 2000, y: 21600 },
        ],
      ],
    });
    expect(ofStyle(drawn(across(10_000)), 'shaftClosed')).toEqual([]);
  });

  it('along a grid line cuts the columns on it and sees those beyond, none behind', () => {
    const along = drawn(planeAlong(line('B')));
    expect(ofStyle(along, 'columnCut')).toHaveLength(5 * 7);
    expect(ofStyle(along, 'columnSeen')).toHaveLength(5 * 7);
    const last = drawn(planeAlong(line('C')));
    expect([ofStyle(last, 'columnCut').length, ofStyle(last, 'columnSeen').length]).toEqual([35, 0]);
    const round = step(tower, 'columns.place', {
      place: '3000,6700',
      section: { shape: 'circle', diameterMm: 600 },
    }).after;
    const [x0, x1] = spanOf(
      ofStyle(drawn(planeAlong(line('B')), solve(round)), 'columnCut').find(
        ({ id }) => !solved.columns.some(({ stack }) => stack === id),
      )!,
    );
    // A circle of radius 300 cut 100 off its middle: chord 2·√(300² − 100²) = 565.7; the ring has 32 sides.
    expect(x1 - x0).toBeGreaterThan(560);
    expect(x1 - x0).toBeLessThan(566);
  });

  it('has the grid lines that cross it, in order, with their bays, and a mark per level', () => {
    const along = drawn(across(3000));
    const texts = (style: string) => ofStyle(along, style).flatMap((each) => (each.type === 'text' ? each.text : []));
    expect(texts('bubbleText')).toEqual(['1', '2', '3', '4', '5']);
    expect(texts('dimensionText').slice(0, 4)).toEqual(['7200', '7200', '3600', '7200']);
    expect(texts('levelText')).toEqual([
      'B2  -7500',
      'B1  -3900',
      '00  0',
      '01  5400',
      '02  10200',
      '03  15000',
      '04  18300',
      'RF  21600',
    ]);
    expect(drawn({ from: { x: 0, y: 0 }, to: { x: 0, y: 0 }, isCut: true })).toEqual([]);
  });

  it('of a tower turned by 13.1° along one of its lines is the same as of the one that stands straight', () => {
    const turned = solve(step(tower, 'grids.change', { turnDeg: 13.1, xMm: 5000, yMm: -2000 }).after);
    const spans = (from: typeof solved) => {
      const along = from.lines.find((each) => each.label === 'B')!;
      return ofStyle(drawn(planeAlong(along), from), 'slabCut').map((each) => spanOf(each).map((x) => x.toFixed(2)));
    };
    expect(spans(turned)).toEqual(spans(solved));
  });
});

describe('an elevation', () => {
  it('cuts nothing and shows every slab edge and the columns in front, from each side with its own grid lines', () => {
    for (const [side, labels] of [
      ['south', '12345'],
      ['north', '54321'],
      ['east', 'ABC'],
      ['west', 'CBA'],
    ] as const) {
      const seen = drawn(elevationPlane(solved, building, side)!);
      expect([ofStyle(seen, 'slabCut').length, ofStyle(seen, 'columnCut').length]).toEqual([0, 0]);
      // Seven storeys of as many columns as there are lines; the others stand behind those.
      expect([ofStyle(seen, 'slabSeen').length, ofStyle(seen, 'columnSeen').length]).toEqual([9, 7 * labels.length]);
      const bubbles = ofStyle(seen, 'bubbleText').map((each) => (each.type === 'text' ? each.text : ''));
      expect(bubbles.join('')).toBe(labels);
    }
  });

  it('keeps level marks apart at any scale', () => {
    const close = solve(step(tower, 'levels.insert', { level: '01', heightMm: 200, mode: 'only', name: 'N' }).after);
    for (const scale of [50, 200, 1000]) {
      const marks = ofStyle(drawn(elevationPlane(close, building, 'south')!, close, scale), 'levelText');
      const ys = marks.flatMap((each) => (each.type === 'text' ? each.at.y : [])).sort((a, b) => a - b);
      for (const [i, y] of ys.entries()) if (i > 0) expect(y - ys[i - 1]!).toBeGreaterThan(2.7 * scale);
    }
  });

  it('marks only every so many of a hundred storeys when the drawing is small, its ends always', () => {
    const tall = solve(
      given([
        ['buildings.add', { name: 'Tall' }],
        ['levels.setUp', { above: '100@3.6m' }],
        ['grids.add', { baysA: '20@3m', baysB: '4@7m' }],
      ]),
    );
    const of = tall.buildings[0]!.id;
    const plane = elevationPlane(tall, of, 'south')!;
    const texts = (scale: number, style: string) =>
      ofStyle(
        drawSection(tall, { building: of, plane, scale, writeLength: String, writeElevation: String }).primitives,
        style,
      ).map((each) => (each.type === 'text' ? each.text : ''));
    expect(texts(200, 'levelText')).toHaveLength(101);
    const few = texts(3000, 'levelText');
    expect(few.length).toBeLessThan(60);
    expect([few[0], few.at(-1)]).toEqual(['00  0', 'RF  360000']);
    const bubbles = texts(3000, 'bubbleText');
    expect([bubbles[0], bubbles.at(-1), bubbles.length < 21]).toEqual(['1', '21', true]);
  });

  it('looks at a building that is a ramp alone, as wide as that', () => {
    const ramp = given([
      ['buildings.add', { name: 'Yard' }],
      ['levels.setUp', { above: '3m' }],
      ['ramps.add', { place: '2000,0', startsAt: { level: '00' }, stopsAt: { level: '00', offsetMm: 300 } }],
    ]);
    const there = solve(ramp);
    // 3.6 m along x at 1:12, 1.5 m wide, a metre beside it on every side.
    expect(elevationPlane(there, there.buildings[0]!.id, 'south')).toMatchObject({
      from: { x: 1000, y: -1750 },
      to: { x: 6600, y: -1750 },
    });
  });
});
