import type { Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { assembliesOf } from '../slants/assembly';
import { heightOnSlant, volumeOfSlant } from '../slants/slant';
import { solve } from '../solving/solve';
import { afterFrom, given, refusal } from '../testing/given';
import { numbersFrom } from '../testing/random-commands';

/** A saddle roof of 45° over 12 by 10 m: plumb layers 300 thick, no overhang, so that its top is 300 over its eaves at its edge. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m' }],
  [
    'pitchedRoofs.add',
    {
      name: 'R',
      outline: { type: 'rectangle', place: '0,0', widthMm: 12_000, depthMm: 10_000 },
      eavesAt: { level: 'RF' },
      overhangMm: 0,
      slope: 45,
      measured: 'plumb',
      layers: [{ name: 'all', thicknessMm: 300 }],
      edges: [
        { edge: 1, is: 'gable' },
        { edge: 3, is: 'gable' },
      ],
    },
  ],
]);
const after = afterFrom(house);
const made = (framework: Framework) => assembliesOf(solve(framework).assemblies, 'roofOpening')[0]!;
const roofOf = (framework: Framework) => assembliesOf(solve(framework).assemblies, 'pitchedRoof')[0]!;
const volumeOf = (slants: Parameters<typeof volumeOfSlant>[0][]) =>
  slants.reduce((sum, each) => sum + volumeOfSlant(each), 0);
const rules = (framework: Framework) => solve(framework).findings.map(({ rule }) => rule);
const SIZES = { roof: 'R', edge: 0, alongMm: 6000, upMm: 1000, widthMm: 2000, heightMm: 1000 };
const saddle = after('roofOpenings.add', { ...SIZES, slope: 45, overhangMm: 0 });

describe('a dormer with a saddle roof, worked out by hand', () => {
  it('opens the roof as far up as it comes out of it', () => {
    // At its sides 1000 of height are 1000 of run; its ridge is 1000 higher and reaches 1000 further up.
    const { info, topMm } = made(saddle);
    expect(info.hole).toEqual([
      { x: 5000, y: 1000 },
      { x: 7000, y: 1000 },
      { x: 7000, y: 2000 },
      { x: 6000, y: 3000 },
      { x: 5000, y: 2000 },
    ]);
    // The roof's top is 3300 at its edge, 4300 at the front of the dormer; eaves 1000 and ridge 2000 over that.
    expect([info.frontMm, topMm]).toEqual([4300, 6300]);
    const before = volumeOf(roofOf(house).parts.flatMap(({ slants }) => slants));
    const now = volumeOf(roofOf(saddle).parts.flatMap(({ slants }) => slants));
    expect((before - now) / 1e9).toBeCloseTo((2 * 1 + 1) * 0.3, 5);
  });

  it('has its own roof meet the other one along its valleys, and its walls end under it', () => {
    const { parts } = made(saddle);
    const roof = parts.find(({ name }) => name === 'roof')!;
    const main = roofOf(house).parts.flatMap(({ slants }) => slants);
    const at = (slants: typeof main, point: { x: number; y: number }) =>
      slants.flatMap((each) => heightOnSlant(each, point) ?? [])[0]!;
    for (const t of [0.05, 0.3, 0.6, 0.95]) {
      const valley = { x: 5000 + 1000 * t, y: 2000 + 1000 * t };
      expect(at(roof.slants as never, valley)).toBeCloseTo(at(main, valley), 1);
    }
    const walls = parts.find(({ name }) => name === 'walls')!;
    for (const corner of walls.slants.flat())
      expect(corner.topMm).toBeLessThanOrEqual(at(roof.slants as never, corner) - 200 + 0.1);
    // Glass from 120 over the roof to 80 under the walls' top, within jambs of 150 beside cheeks of 150.
    expect(made(saddle).info.glass).toEqual({ wideMm: 2000 - 600, highMm: 1000 - 200 - 80 - 120 });
  });

  it('follows its roof, and goes with it', () => {
    const steeper = after('pitchedRoofs.change', { roof: 'R', slope: 60 }, saddle);
    expect(made(steeper).info.hole[2]!.y).toBeCloseTo(1000 + 1000 / Math.tan(Math.PI / 3), 3);
    expect(
      made(after('pitchedRoofs.change', { roof: 'R', eavesAt: { level: 'RF', offsetMm: 500 } }, saddle)).topMm,
    ).toBe(6800);
  });

  it('stands in the report', () => {
    expect(reportOf(saddle, solve(saddle)).roofOpenings).toMatchObject([
      { name: 'RO1', roof: 'R', is: 'saddle', frontMm: 4300, topMm: 6300, openM2: 3, glassM2: 0.84 },
    ]);
  });
});

it('a window lies in its face: so long along the slope', () => {
  const window = after('roofOpenings.add', { ...SIZES, is: 'window' });
  const { info } = made(window);
  expect(info.hole[2]!.y - 1000).toBeCloseTo(1000 / Math.SQRT2, 6);
  expect(info.glass).toEqual({ wideMm: 2000, highMm: 1000 });
});

it('a dormer with one slope reaches as far up as its roof is less steep', () => {
  const { info } = made(after('roofOpenings.add', { ...SIZES, is: 'slope', slope: 0 }));
  expect(info.hole[2]!.y).toBeCloseTo(2000, 6);
  const steep = Math.tan((20 * Math.PI) / 180);
  const sloped = made(after('roofOpenings.add', { ...SIZES, is: 'slope', slope: 20 }));
  expect(sloped.info.hole[2]!.y).toBeCloseTo(1000 + 1000 / (1 - steep), 5);
});

describe('what cannot be', () => {
  it('is refused in words', () => {
    expect(refusal(house, 'roofOpenings.add', { ...SIZES, alongMm: 500 })).toMatch(/does not lie within its face/);
    expect(refusal(house, 'roofOpenings.add', { ...SIZES, edge: 1 })).toMatch(/lies in no face/);
    expect(refusal(house, 'roofOpenings.add', { ...SIZES, is: 'slope', slope: 45 })).toMatch(/as steep as the roof/);
    expect(refusal(house, 'roofOpenings.add', { ...SIZES, slope: 'steep' })).toMatch(/no slope of a dormer/);
  });

  it('is found where the roof changed, and mended by the least change that fits', () => {
    const flatter = after('pitchedRoofs.change', { roof: 'R', slope: 15 }, saddle);
    expect(rules(flatter)).toContain('roofOpening.unsolved');
    const { command, input } = solve(flatter).findings.find(({ rule }) => rule === 'roofOpening.unsolved')!.fixes[0]!;
    const mended = after(command, input, flatter);
    expect(rules(mended)).not.toContain('roofOpening.unsolved');
    // Neither lower nor narrower alone will do: both, and two more millimetres of each will not.
    const { widthMm, heightMm } = input as { widthMm: number; heightMm: number };
    const higher = { opening: 'RO1', widthMm: widthMm + 3, heightMm: heightMm + 3 };
    expect(refusal(flatter, 'roofOpenings.change', higher)).toMatch(/does not lie within its face/);
  });
});

it('whatever its sizes, its roof lies over the other one all over its hole, and nothing of the other is left there', () => {
  const random = numbersFrom(7);
  const between = (low: number, high: number) => Math.round(low + random() * (high - low));
  let count = 0;
  for (let run = 0; run < 60; run += 1) {
    const input = {
      ...SIZES,
      is: (['slope', 'saddle'] as const)[run % 2]!,
      alongMm: between(2000, 10_000),
      upMm: between(200, 2500),
      widthMm: between(800, 4000),
      heightMm: between(500, 2000),
      slope: between(0, 50),
    };
    let framework: Framework;
    try {
      framework = after('roofOpenings.add', input);
    } catch (error) {
      // What does not fit is refused; anything else is a fault.
      expect(String(error)).toMatch(/refused/);
      continue;
    }
    count += 1;
    const { info, parts } = made(framework);
    const own = parts.find(({ name }) => name === 'roof')!.slants;
    const [left, right] = [roofOf(house), roofOf(framework)].map(({ parts: each }) =>
      each.flatMap(({ slants }) => slants),
    );
    const middle = info.hole.reduce((sum, { x, y }) => ({ x: sum.x + x, y: sum.y + y }), { x: 0, y: 0 });
    const inside = { x: middle.x / info.hole.length, y: middle.y / info.hole.length };
    for (const corner of info.hole) {
      const at = { x: corner.x + (inside.x - corner.x) * 0.02, y: corner.y + (inside.y - corner.y) * 0.02 };
      const high = own.flatMap((each) => heightOnSlant(each, at) ?? [])[0]!;
      expect(high).toBeGreaterThan(left!.flatMap((each) => heightOnSlant(each, at) ?? [])[0]! - 0.5);
      expect(right!.flatMap((each) => heightOnSlant(each, at) ?? [])).toEqual([]);
    }
  }
  expect(count).toBeGreaterThan(20);
});
