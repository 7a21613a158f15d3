import fc from 'fast-check';
import { distanceToSegment } from '../geometry/polygon';
import { cross, distance, dot, minus, type Point } from '../geometry/point';
import { recordsOf } from '../model/framework';
import { parsePath } from '../outlines/typed-path';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, step } from '../testing/given';
import { WALL_200 } from '../testing/drawn';
import { formatForEntry, formatLength, IMPERIAL, METRIC } from '../units/format-length';
import { besideOf } from './beside';
import { pathStep } from './path-step';
import { planMarks } from './plan-marks';
import { solidRing } from './solid-ring';
import { freePoint, heldSnaps, snapsAt, type Drawn, type Writing } from './snaps';
import { lengthAndWay, typedPoint } from './typed-point';

const tower = given(
  [
    [
      'walls.add',
      {
        name: 'W1',
        type: WALL_200,
        on: 'centre',
        points: [
          { xMm: 9000, yMm: 9000 },
          { xMm: 15_000, yMm: 12_000 },
        ],
        startsAt: { level: '01' },
        stopsAt: { level: '02', face: 'soffit' },
      },
    ],
  ],
  given(FURNISHED),
);
const solved = solve(tower);
const building = solved.buildings[0]!.id;
const marks = planMarks(solved, building, levelId(tower, '01'));
const MM: Writing = { stepMm: 50, write: (mm) => formatLength(mm, METRIC) };
const INCHES: Writing = { stepMm: 25.4, write: (mm) => formatLength(mm, IMPERIAL) };
const drawing = (corners: Point[], more: Partial<Drawn> = {}): Drawn => ({
  corners,
  mayClose: true,
  hints: { points: [], edges: [] },
  ...more,
});
const at = (x: number, y: number, reach = 300, drawn?: Drawn) => snapsAt(marks, { x, y }, reach, MM, drawn)[0]!;

describe('what a pointer is taken to', () => {
  it('is the crossing within reach, said by its label, and what is nearer than it', () => {
    expect(at(7350, 6500)).toMatchObject({ at: { x: 7200, y: 6600 }, words: 'crossing B-2' });
    expect(at(4450, 4420)).toMatchObject({ at: { x: 4400, y: 4500 }, words: 'corner of shaft S1' });
    expect(at(7350, 6500, 100).words).not.toContain('crossing');
  });

  it('is only what stands at the level', () => {
    const above = planMarks(solved, building, levelId(tower, '03'));
    expect(marks.points.some(({ words }) => words.includes('wall W1'))).toBe(true);
    expect(above.points.some(({ words }) => words.includes('wall W1'))).toBe(false);
  });

  it('is an end, a corner, a middle or a face of a wall, and the faces lie where the wall is', () => {
    const words = (x: number, y: number) => at(x, y, 120).words;
    expect(words(9000, 9000)).toBe('end of wall W1');
    expect(words(15_000, 12_000)).toBe('end of wall W1');
    // Its way is (2, 1) / √5: a face lies 100 to its left.
    const left = { x: -1 / Math.sqrt(5), y: 2 / Math.sqrt(5) };
    expect(words(12_000 + 100 * left.x, 10_500 + 100 * left.y)).toBe('middle of wall W1');
    expect(words(10_400 + 105 * left.x, 9700 + 105 * left.y)).toMatch(/^face of wall W1, \d+ from its end$/);
  });

  it('said to lie on an edge, lies on it to a millionth of a millimetre, at a round length from its end', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        (t, off) => {
          for (const edge of marks.edges.filter(({ words }) => words === 'face of wall W1')) {
            if (edge.curve.kind !== 'segment') continue;
            const { from, to } = edge.curve;
            const long = distance(from, to);
            if (long < 1000) continue;
            const way = { x: (to.x - from.x) / long, y: (to.y - from.y) / long };
            const point = {
              x: from.x + (to.x - from.x) * t - way.y * off,
              y: from.y + (to.y - from.y) * t + way.x * off,
            };
            const found = snapsAt(marks, point, 100, MM).find(({ words }) => words.startsWith('face of wall W1'));
            if (!found) continue;
            expect(distanceToSegment(found.at, from, to)).toBeLessThan(2e-6);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is square to the last piece, straight on, as long as the last, or level with the first corner', () => {
    const far = { x: 40_000, y: 60_000 };
    const from = (...shifts: [number, number][]) => shifts.map(([x, y]) => ({ x: far.x + x, y: far.y + y }));
    const words = (x: number, y: number, drawn: Drawn) => at(far.x + x, far.y + y, 60, drawn);
    const bent = drawing(from([0, 0], [3000, 1000]));
    // Square to (3, 1): the way (−1, 3).
    const square = words(3000 - 1000, 1000 + 3010, bent);
    expect(square.words).toContain('square to the last');
    expect(dot(minus(square.at, bent.corners[1]!), { x: 3, y: 1 })).toBeCloseTo(0, 2);
    // √10 · 1000 long, as the piece before.
    expect(square.words).toMatch(/^as long as the last/);
    expect(distance(square.at, bent.corners[1]!)).toBeCloseTo(Math.sqrt(10) * 1000, 3);
    const straight = words(6000, 2010, bent);
    expect(straight.words).toContain('straight on');
    const three = drawing(from([0, 0], [4000, 0], [4000, 2500]));
    expect(words(20, 2520, three)).toMatchObject({ at: { x: far.x, y: far.y + 2500 } });
    expect(words(20, 30, three)).toMatchObject({ at: far, closes: true });
    expect(words(20, 30, { ...three, mayClose: false }).closes).toBeUndefined();
  });

  it('is the foot of the perpendicular from the last corner', () => {
    const from = { x: 10_000, y: 14_000 };
    const foot = snapsAt(marks, { x: 11_850, y: 10_480 }, 200, MM, drawing([from])).find(({ words }) =>
      words.startsWith('perpendicular to face of wall W1'),
    );
    expect(foot).toBeDefined();
    expect(dot(minus(foot!.at, from), { x: 2, y: 1 })).toBeCloseTo(0, 2);
  });

  it('is parallel to an edge that was rested on, and level with a point that was', () => {
    const from = { x: 40_000, y: 60_000 };
    const edge = marks.edges.find(({ words }) => words === 'face of wall W1')!;
    const point = { at: { x: 50_000, y: 70_000 }, words: 'corner of X' };
    const hints = { points: [point], edges: [edge] };
    const parallel = at(42_000, 61_010, 60, drawing([from], { hints }));
    expect(parallel.words).toContain('parallel to face of wall W1');
    expect(cross(minus(parallel.at, from), { x: 2, y: 1 })).toBeCloseTo(0, 1);
    const level = at(45_000, 70_020, 60, drawing([], { hints }));
    expect([level.words, level.at.y]).toEqual(['level with corner of X', 70_000]);
  });

  it('is else told from the two nearest lines of the setting-out, in round steps from both', () => {
    const free = freePoint(marks, { x: 8130, y: 8020 }, MM);
    // From 2 at 7200 and from B at 6600.
    expect(free).toMatchObject({ isFree: true, at: { x: 8150, y: 8000 } });
    expect(free.words.split(', ').sort()).toEqual(['1400 from B', '950 from 2']);
    const inches = freePoint(marks, { x: 8130, y: 8020 }, INCHES);
    expect((inches.at.x - 7200) / 25.4).toBeCloseTo(Math.round((inches.at.x - 7200) / 25.4), 6);
    // On a line itself, from the next one across it.
    expect(at(7230, 8020, 60)).toMatchObject({ at: { x: 7200, y: 8000 }, words: 'line 2, 1400 from B' });
    const bare = freePoint({ points: [], edges: [] }, { x: 1024, y: -37 }, MM);
    expect(bare).toMatchObject({ at: { x: 1000, y: -50 }, words: '1000, −50' });
  });

  it('keeps to a held direction: where an edge crosses it, level with a mark, or at a round length', () => {
    const from = { x: 9300, y: 7200 };
    const up = { x: 0, y: 1 };
    const held = (x: number, y: number) => heldSnaps(marks, from, up, { x, y }, 200, MM)[0]!;
    const meets = held(9500, 9050);
    expect(meets).toMatchObject({ words: 'face of wall W1' });
    expect(meets.at.x).toBe(9300);
    expect(held(7250, 6500 + 13_200).at.x).toBe(9300);
    expect(held(20_000, 8033)).toMatchObject({ at: { x: 9300, y: 8050 }, isFree: true });
    // A direction has a sense.
    expect(held(9300, 3000).at).toEqual(from);
  });
});

describe('what is typed at the pointer', () => {
  const typed = (
    text: string,
    more: { direction?: string; from?: Point | null; pointer?: Point; held?: Point | null; turnDeg?: number } = {},
    unit: 'mm' | 'ft' = 'mm',
  ) => {
    const {
      direction = '',
      from = { x: 1000, y: 2000 },
      pointer = { x: 4000, y: 2000 },
      held = null,
      turnDeg = 0,
    } = more;
    const read = typedPoint(tower, building, marks, text, direction, { from, pointer, held, turnDeg }, { unit });
    return read.ok ? read.value : read.refusal.message;
  };

  it('is a length the way one points, along what is held, or in a direction typed after Tab', () => {
    expect(typed('4500')).toEqual({ x: 5500, y: 2000 });
    expect(typed('3.45m-325')).toEqual({ x: 1000 + 3125, y: 2000 });
    expect(typed("11'4", {}, 'ft')).toEqual({ x: 1000 + 136 * 25.4, y: 2000 });
    expect(typed('4500', { held: { x: 0, y: 1 }, pointer: { x: 4000, y: 1000 } })).toEqual({ x: 1000, y: 6500 });
    expect(typed('1000', { direction: '90' })).toEqual({ x: 1000, y: 3000 });
    expect(typed('1000', { pointer: { x: 1000, y: 2000 } })).toMatch(/Point where it goes/);
  });

  it('is a shift, a step, a length at an angle or a crossing, along the axes of the path', () => {
    expect(typed('1200,300')).toEqual({ x: 2200, y: 2300 });
    expect(typed('1200 w')).toEqual({ x: -200, y: 2000 });
    expect(typed('B-2')).toEqual({ x: 7200, y: 6600 });
    const turned = typed('1000 e', { turnDeg: 90 });
    expect(turned).toEqual({ x: 1000, y: 3000 });
  });

  it('is so far from two lines, on the side of each where one points', () => {
    expect(typed('600 from B, 1200 from 2', { pointer: { x: 8000, y: 6000 } })).toEqual({ x: 8400, y: 6000 });
    expect(typed('600 from B, 1200 from 2', { from: null, pointer: { x: 7000, y: 7000 } })).toEqual({
      x: 6000,
      y: 7200,
    });
    expect(typed('600 from 1, 1200 from 2')).toMatch(/parallel/);
    expect(typed('600 from Q, 1200 from 2')).toMatch(/No straight line is named Q/);
  });

  it('is a place where nothing is drawn yet', () => {
    expect(typed('A-1', { from: null })).toEqual({ x: 0, y: 0 });
    expect(typed('3600,2400', { from: null })).toEqual({ x: 3600, y: 2400 });
    expect(typed('nonsense', { from: null })).toMatch(/^Type a place/);
    expect(typed('nonsense')).toMatch(/^Type a length/);
  });
});

describe('a path drawn corner by corner', () => {
  it('is the same as the path typed: each step written reads as the corner it was drawn to', () => {
    const mm = fc.integer({ min: -20_000_000, max: 20_000_000 }).map((value) => value / 1000);
    fc.assert(
      fc.property(
        fc.array(fc.record({ x: mm, y: mm }), { minLength: 2, maxLength: 8 }),
        fc.constantFrom(METRIC, IMPERIAL),
        (points, display) => {
          const write = (value: number) => formatForEntry(value, display).replace(/\s+/g, ' ');
          const unit = display === METRIC ? 'mm' : 'ft';
          let text = `${write(points[0]!.x)},${write(points[0]!.y)}`;
          const drawn = points.filter((point, i) => i === 0 || distance(point, points[i - 1]!) > 1);
          drawn.slice(1).forEach((point, i) => (text += `; ${pathStep(drawn[i]!, point, 0, write)}`));
          const read = parsePath(tower, building, text, { unit });
          if (!read.ok) throw new Error(`${text}: ${read.refusal.message}`);
          expect(read.value.corners).toHaveLength(drawn.length);
          read.value.corners.forEach((corner, i) => expect(distance(corner, drawn[i]!)).toBeLessThan(1e-4));
        },
      ),
      { numRuns: 100 },
    );
  });

  it('goes along the axes of its first place, however that is turned', () => {
    const turned = given([
      ['buildings.add', { name: 'T' }],
      ['levels.setUp', { above: '2@3m' }],
      ['grids.add', { baysA: '2@6000', baysB: '2@5000', turnDeg: 30 }],
    ]);
    const [own] = recordsOf(turned, 'building');
    const write = (value: number) => formatForEntry(value, METRIC);
    const to = { x: 3000 * Math.cos(Math.PI / 6), y: 1500 };
    const step = pathStep({ x: 0, y: 0 }, to, 30, write);
    const read = parsePath(turned, own!.id, `A-1; ${step}`, { unit: 'mm' });
    expect(read.ok && distance(read.value.corners[1]!, to)).toBeLessThan(1e-5);
    expect(read.ok && read.value.turnDeg).toBe(30);
  });

  it('says how long each piece is and which way it goes', () => {
    expect(lengthAndWay({ x: 0, y: 0 }, { x: 0, y: -2000 })).toEqual({ lengthMm: 2000, deg: 270 });
    expect(lengthAndWay({ x: 0, y: 0 }, { x: 3000, y: 3000 }).deg).toBe(45);
  });
});

it('a face draws from further off than the core face behind it, which is in reach all the same', () => {
  const partition = given(
    [
      [
        'walls.add',
        {
          name: 'P',
          type: {
            name: 'T2',
            layers: [
              { name: 'board', thicknessMm: 25 },
              { name: 'studs', thicknessMm: 100, core: true },
              { name: 'board', thicknessMm: 25 },
            ],
          },
          on: 'centre',
          points: [
            { xMm: 8000, yMm: 8000 },
            { xMm: 14_000, yMm: 8000 },
          ],
          startsAt: { level: '01' },
          stopsAt: { level: '02', face: 'soffit' },
        },
      ],
    ],
    given(FURNISHED),
  );
  const found = snapsAt(planMarks(solve(partition), building, levelId(partition, '01')), { x: 9310, y: 8060 }, 150, MM);
  const words = found.map((snap) => snap.words).filter((each) => each.includes('face of wall P'));
  // 15 from the face at 8075, 10 from the core face at 8050.
  expect(words[0]).toMatch(/^face of wall P/);
  expect(words.some((each) => each.startsWith('core face of wall P'))).toBe(true);
});

describe('how far a thing is from what stands next to it', () => {
  const beside = (kind: 'columnStack' | 'shaft', name: string) => {
    const id =
      kind === 'shaft'
        ? recordsOf(tower, 'shaft').find((each) => each.name === name)!.id
        : solved.columns.find(({ mark }) => mark === name)!.stack;
    const solid = solidRing(solved, id, levelId(tower, '01'))!;
    return besideOf(marks, id, solid.ring, solid.ways).map(({ mm, words }) => `${mm} ${words}`);
  };

  it('each way to the nearest side or line, from the middle of its side', () => {
    // Shaft S1 stands at x 2000 … 4400, y 1500 … 4500, between lines 1 and 2 at 0 and 7200 and A and B at 0 and 6600.
    expect(beside('shaft', 'S1').sort()).toEqual(['1500 line A', '2000 line 1', '2100 line B', '2800 line 2']);
  });

  it('not to itself, and not to what only ends beside it', () => {
    const own = beside('columnStack', 'B-2');
    expect(own.some((words) => words.includes('column B-2'))).toBe(false);
    // 500 square at 7200, 6600: the next column east at 14400.
    expect(own).toContain('6700 face of column B-3');
  });

  it('and moved by what is typed it stands just so far', () => {
    const id = recordsOf(tower, 'shaft').find(({ name }) => name === 'S1')!.id;
    const level = levelId(tower, '01');
    const at = (framework: typeof tower) => {
      const now = solve(framework);
      const solid = solidRing(now, id, level)!;
      return besideOf(planMarks(now, building, level), id, solid.ring, solid.ways);
    };
    const east = at(tower).find(({ words }) => words === 'line 2')!;
    const by = { x: east.way.x * (east.mm - 2440), y: east.way.y * (east.mm - 2440) };
    const { after } = step(tower, 'elements.move', { ids: [id], xMm: by.x, yMm: by.y });
    expect(at(after).find(({ words }) => words === 'line 2')!.mm).toBeCloseTo(2440, 6);
  });
});
