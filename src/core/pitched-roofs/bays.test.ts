import { upcast } from '../kinds/migrate';
import { recordsOf, type Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { assembliesOf } from '../slants/assembly';
import { heightOnSlant } from '../slants/slant';
import { solve } from '../solving/solve';
import { afterFrom, given } from '../testing/given';
import { numbersFrom } from '../testing/random-commands';

const rectangle = { type: 'rectangle' as const, place: '0,0', widthMm: 12_000, depthMm: 9000 };
const start = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m', buildUpMm: 0 }],
]);
const after = afterFrom(start);
const roofed = (more: object, framework?: Framework) =>
  after(
    'pitchedRoofs.add',
    { name: 'R', outline: rectangle, eavesAt: { level: 'RF' }, overhangMm: 0, slope: '1:2', ...more },
    framework,
  );
const row = (framework: Framework) => reportOf(framework, solve(framework)).roofs[0]!;
const slantsOf = (framework: Framework) =>
  assembliesOf(solve(framework).assemblies, 'pitchedRoof').flatMap(({ parts }) =>
    parts.flatMap(({ slants }) => slants),
  );
/** How much higher than the lowest of it the top of a roof is at a place. */
const heightsOf = (framework: Framework) => {
  const slants = slantsOf(framework);
  const low = Math.min(...slants.flatMap((slant) => slant.map(({ topMm }) => topMm)));
  return (x: number, y: number) => {
    const heights = slants.flatMap((slant) => heightOnSlant(slant, { x, y }) ?? []);
    return heights.length === 0 ? null : Math.max(...heights) - low;
  };
};
const sawtooth = { is: 'sawtooth' as const, along: 0, count: 3 };
const butterfly = { is: 'butterfly' as const, along: 0, count: 1 };
/** What a slope of 1:2 has more than its plan. */
const STEEP = Math.sqrt(5) / 2;

it('roofs written before there were bays have none', () => {
  expect(upcast({ kind: 'pitchedRoof', name: 'R' }, 12)).toEqual({ kind: 'pitchedRoof', name: 'R', bays: null });
});

describe('a saw-tooth by one edge', () => {
  const saw = roofed({ bays: sawtooth });
  it('rises from that edge in even bays, each to the upright of the next', () => {
    // Three bays of 3000, 1500 high.
    expect(row(saw)).toMatchObject({
      form: 'sawtooth',
      areaM2: expect.closeTo(12 * 9 * STEEP, 4),
      eavesM: 12,
      valleysM: 24,
      ridgesM: 24,
      vergesM: expect.closeTo(12 + 6 * 3 * STEEP, 4),
      volumeM3: expect.closeTo(12 * 9 * 0.75, 4),
    });
    for (const [y, mm] of [
      [100, 50],
      [2900, 1450],
      [3100, 50],
      [8900, 1450],
    ] as const)
      expect(heightsOf(saw)(5000, y)).toBeCloseTo(mm, 1);
  });
  it('goes on down over its overhang at its first foot, and up at its last', () => {
    const over = roofed({ bays: sawtooth, overhangMm: 400 });
    expect(row(over).areaM2).toBeCloseTo(12.8 * 9.8 * STEEP, 4);
    // 400 out is 200 lower than the first foot; the eaves stay where they are.
    expect(heightsOf(over)(5000, -399.9)).toBeCloseTo(0, 0);
    expect(heightsOf(over)(5000, 3100)).toBeCloseTo(250, 1);
    expect(heightsOf(over)(5000, 9399.9)).toBeCloseTo(1900, 0);
    expect(row(over).eavesMm).toBe(3000);
    expect(Math.min(...slantsOf(over).flatMap((slant) => slant.map(({ bottomMm }) => bottomMm)))).toBeCloseTo(2800, 1);
  });
  it('has its slopes as steep as a height that is held asks', () => {
    const held = roofed({ bays: sawtooth, ridgeMm: 1200 });
    expect(row(held).ridgeMm - row(held).eavesMm).toBeCloseTo(1200, 1);
    expect(row(held).faces.every(({ slopeDeg }) => slopeDeg < 26)).toBe(true);
  });
});

describe('a butterfly by one edge', () => {
  it('falls from both sides to a valley in its middle', () => {
    const made = roofed({ bays: butterfly });
    expect(row(made)).toMatchObject({
      form: 'butterfly',
      areaM2: expect.closeTo(12 * 9 * STEEP, 4),
      valleysM: 12,
      ridgesM: 0,
      eavesM: 0,
    });
    expect(heightsOf(made)(5000, 4500)).toBeCloseTo(0, 1);
    expect(heightsOf(made)(5000, 500)).toBeCloseTo(2000, 1);
    expect(heightsOf(made)(5000, 8500)).toBeCloseTo(2000, 1);
    // Its underside comes down to the eaves in the valley.
    expect(Math.min(...slantsOf(made).flatMap((slant) => slant.map(({ bottomMm }) => bottomMm)))).toBeCloseTo(3000, 1);
  });
  it('with several valleys has a ridge between each two', () => {
    expect(row(roofed({ bays: { ...butterfly, count: 3 } }))).toMatchObject({ valleysM: 36, ridgesM: 24 });
  });
  it('is refused where nothing lies over there, and changes nothing', () => {
    const points = [
      { xMm: 0, yMm: 0 },
      { xMm: 9000, yMm: 0 },
      { xMm: 0, yMm: 7000 },
    ];
    const outline = { type: 'polygon' as const, place: '0,0', points };
    expect(() => roofed({ outline, bays: butterfly })).toThrow('between two edges that run alongside');
    expect(() => roofed({ bays: { ...butterfly, along: 7 } })).toThrow('edge that is not there');
    expect(() => roofed({ bays: butterfly, edges: [{ edge: 1, slope: 30 }] })).toThrow(
      'slopes of a roof in bays are one',
    );
  });
});

it('bays cover any outline once, rise as they should everywhere, and mirrored outlines have mirrored roofs', () => {
  const gridded = given([['grids.add', { baysA: '2@6000', baysB: '2@6000' }]], start);
  const random = numbersFrom(17);
  const between = (low: number, high: number) => Math.round(low + random() * (high - low));
  for (let run = 0; run < 30; run += 1) {
    const [w, d, notch] = [between(6000, 15_000), between(6000, 15_000), between(1000, 4000)];
    const corners = [
      [0, 0],
      [w, 0],
      [w, d - notch],
      [w - notch, d - notch],
      [w - notch, d],
      [0, d],
    ] as const;
    const outline = { type: 'polygon' as const, place: '0,0', points: corners.map(([x, y]) => ({ xMm: x, yMm: y })) };
    const is = run % 2 === 0 ? ('sawtooth' as const) : ('butterfly' as const);
    const bays = { is, along: run % 3 === 0 ? 5 : 0, count: between(1, 4) };
    const made = roofed({ outline, bays }, gridded);
    // In the grid line at x = 6 m.
    const ids = [recordsOf(made, 'pitchedRoof')[0]!.id];
    const image = after('elements.mirror', { ids, line: '2', copies: false }, made);
    expect(row(made).areaM2).toBeCloseTo(row(made).footprintM2 * STEEP, 3);
    expect(row(image).areaM2).toBeCloseTo(row(made).areaM2, 3);
    const [height, mirrored] = [heightsOf(made), heightsOf(image)];
    const wide = (bays.along === 0 ? d : w) / bays.count;
    for (let i = 0; i < 40; i += 1) {
      const [x, y] = [random() * w, random() * d];
      const inNotch = x > w - notch && y > d - notch;
      // The sixth edge runs down the side at x = 0.
      const depth = ((bays.along === 0 ? y : x) % wide) / 2;
      const up = is === 'sawtooth' ? depth : Math.abs(depth - wide / 4);
      const [here, there] = [height(x, y), mirrored(12_000 - x, y)];
      if (here === null || there === null) expect(inNotch).toBe(true);
      else {
        expect(here).toBeCloseTo(up, 1);
        expect(there).toBeCloseTo(here, 1);
      }
    }
  }
});

it('a butterfly on walls of which none lies over there any more says so, and is mended', () => {
  const walls = after('walls.add', {
    name: 'W',
    use: 'exterior',
    type: { name: 'Block', layers: [{ name: 'block', thicknessMm: 200, core: true }] },
    place: '0,0',
    points: [
      [0, 0],
      [10_000, 0],
      [10_000, 7000],
      [0, 7000],
    ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! })),
    closed: true,
    startsAt: { level: '00' },
    stopsAt: { level: 'RF' },
  });
  const made = after('pitchedRoofs.add', { name: 'R', bays: butterfly, slope: 20, overhangMm: 300 }, walls);
  const found = (framework: Framework) =>
    solve(framework).findings.filter(({ rule }) => rule === 'pitchedRoof.unsolved');
  expect(found(made)).toEqual([]);
  const [wall] = recordsOf(made, 'wall');
  const skew = after('elements.moveCorner', { id: wall!.id, corner: 2, yMm: 900 }, made);
  const [finding] = found(skew);
  expect(finding?.message).toMatch(/between two edges that run alongside/);
  const fix = finding!.fixes.find(({ words }) => words.includes('without bays'))!;
  const mended = after(fix.command, fix.input, skew);
  expect(found(mended)).toEqual([]);
  expect(row(mended).form).not.toBe('butterfly');
});
