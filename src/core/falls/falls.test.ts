import { recordsOf, type Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { assembliesOf } from '../slants/assembly';
import { volumeOfSlant } from '../slants/slant';
import { solve } from '../solving/solve';
import { afterFrom, given, refusal } from '../testing/given';

const outline = (widthMm: number, depthMm: number) => ({ type: 'rectangle' as const, place: '0,0', widthMm, depthMm });
/** Walls 400 thick about what is 18 by 42 m clear inside. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['carry.wholeBuilding', { storeys: '2@3m', outline: outline(18_800, 42_800) }],
  ['roofs.addFlat', { parapet: { heightMm: 500 } }],
]);
const after = afterFrom(house);
const falls = after('fallLayers.add', { slope: '2 %', leastMm: 60, outlets: ['9400,10900', '9400,31900'] });
const made = (framework: Framework) => assembliesOf(solve(framework).assemblies, 'fallLayer')[0]!;
const found = (framework: Framework) => solve(framework).findings;
const rules = (framework: Framework) => found(framework).map(({ rule }) => rule);
const mend = (framework: Framework, rule: string, nth = 0) => {
  const { command, input } = found(framework).find((each) => each.rule === rule)!.fixes[nth]!;
  return after(command, input, framework);
};

describe('a flat roof of 18 × 42 m with falls of 2 % to two outlets', () => {
  it('has the thicknesses, areas and volume worked out by hand', () => {
    const { info, parts } = made(falls);
    // The farthest place lies 10.5 m along from an outlet.
    expect([info.leastMm, info.mostMm]).toEqual([60, 270]);
    expect(info.areaMm2 / 1e6).toBeCloseTo(18 * 42, 6);
    // 60 mm all over; over that two of each: across 2 · 9³ / 3, along that and 18 · (10.5² - 9²) / 2.
    const over = 2 * ((2 * (2 * 9 ** 3)) / 3 + 2 * ((2 * 9 ** 3) / 3 + 9 * (10.5 ** 2 - 81)));
    expect(info.volumeMm3 / 1e9).toBeCloseTo(0.06 * 18 * 42 + 0.02 * over, 4);
    expect(parts[0]!.slants.reduce((sum, slant) => sum + volumeOfSlant(slant), 0)).toBe(info.volumeMm3);
    expect(rules(falls)).toEqual([]);
  });

  it('stands in the report, and its faces among those of the roof', () => {
    const report = reportOf(falls, solve(falls));
    expect(report.fallLayers).toMatchObject([
      { name: 'FL1', level: 'RF', slopeRatio: 50, leastMm: 60, mostMm: 270, areaM2: 756, outlets: 2, hasWayOut: true },
    ]);
    expect(report.fallLayers[0]!.faces.map(({ areaM2 }) => areaM2).sort()).toEqual([
      108, 108, 108, 108, 81, 81, 81, 81,
    ]);
    const [roof] = report.roofs;
    expect(roof).toMatchObject({ form: 'flat', ridgeMm: 6270 });
    expect(roof!.faces).toHaveLength(8);
    for (const { slopeDeg } of roof!.faces) expect(slopeDeg).toBeCloseTo((Math.atan(0.02) * 180) / Math.PI, 5);
  });

  it('follows its walls', () => {
    const points = [
      [0, 0],
      [22_800, 0],
      [22_800, 42_800],
      [0, 42_800],
    ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! }));
    const wider = after('walls.change', { wall: 'W1', points }, falls);
    // Now 22 m wide: 13 m from an outlet across.
    expect(made(wider).info.mostMm).toBe(60 + 13_000 / 50);
  });
});

describe('what is wrong with falls', () => {
  it('a roof within a parapet that has none is found, and laid to falls', () => {
    expect(rules(house)).toEqual(['falls.none']);
    const laid = mend(house, 'falls.none');
    expect(rules(laid)).toEqual([]);
    // Two outlets along it, a quarter from its ends.
    expect(made(laid).info.outlets.map(({ at }) => [at.x, at.y])).toEqual([
      [9400, 380 + (42_800 - 760) / 4],
      [9400, 380 + (3 * (42_800 - 760)) / 4],
    ]);
  });

  it('a parapet too low over them is found; raising it, falling less, or asking less mends it', () => {
    const low = after('roofs.change', { roof: 'R1', parapet: { heightMm: 350 } }, falls);
    expect(rules(low)).toEqual(['falls.lowUpstand']);
    for (const nth of [0, 1, 2]) expect(rules(mend(low, 'falls.lowUpstand', nth))).toEqual([]);
    // 80 of 150 are there: 70 more.
    expect(recordsOf(mend(low, 'falls.lowUpstand'), 'roof')[0]!.parapet!.heightMm).toBe(420);
  });

  it('an outlet beside the roof is found, and brought onto it', () => {
    const astray = after('fallLayers.moveOutlet', { fallLayer: 'FL1', outlet: 1, place: '40000,20000' }, falls);
    expect(rules(astray)).toContain('falls.astray');
    expect(rules(mend(astray, 'falls.astray'))).not.toContain('falls.astray');
    expect(made(mend(astray, 'falls.astray', 1)).info.outlets).toHaveLength(1);
    // With its only one beside it there are no falls to speak of.
    const lost = after('fallLayers.removeOutlet', { fallLayer: 'FL1', outlet: 0 }, astray);
    expect(rules(lost)).toContain('falls.unsolved');
    expect(made(mend(lost, 'falls.unsolved')).info.outlets).toHaveLength(1);
  });

  it('falling to an edge behind a parapet water has no way out; outlets there mend it', () => {
    const shut = after('fallLayers.add', { outlets: [], edges: [{ edge: 0 }] });
    expect(rules(shut)).toEqual(expect.arrayContaining(['falls.noWayOut']));
    expect(rules(mend(shut, 'falls.noWayOut'))).not.toContain('falls.noWayOut');
    // Without a parapet it runs off, into a gutter.
    const bare = after('roofs.change', { roof: 'R1', face: 'outside', parapet: null }, shut);
    expect(rules(bare)).not.toContain('falls.noWayOut');
    const gutter = after('fallLayers.change', { fallLayer: 'FL1', edges: [{ edge: 0, gutter: {} }] }, bare);
    expect(made(gutter).parts.map(({ name }) => name)).toEqual(['falls', 'gutters']);
    // 2 % over the whole depth.
    expect(made(bare).info.mostMm).toBe(40 + 42_800 / 50);
  });

  it('an opening has a kerb as high as asked over what lies highest at it', () => {
    const opened = after(
      'shafts.add',
      {
        name: 'S1',
        purpose: 'void',
        stopsAt: { level: 'RF', offsetMm: 500 },
        outline: { type: 'rectangle', place: '4000,4000', widthMm: 2000, depthMm: 1000 },
      },
      falls,
    );
    const { info, parts, level } = made(opened);
    expect(info.kerbsMm).toBe(6000);
    const kerbs = parts.find(({ name }) => name === 'kerbs')!.slants.flat();
    const top = solve(opened).floors.find((piece) => piece.level === level)!.topMm;
    // Its outside corner at 3900, 3900 lies 7 m from the outlet along, 5.5 across.
    for (const { topMm } of kerbs) expect(topMm - top).toBeCloseTo(60 + 7000 / 50 + 150, 6);
    expect(info.areaMm2 / 1e6).toBeCloseTo(18 * 42 - 2.2 * 1.2, 6);
  });
});

describe('a terrace on a floor below', () => {
  const set = given([
    ['buildings.add', { name: 'House' }],
    ['levels.setUp', { above: '2@3m' }],
    ['floors.add', { name: 'Low', outline: outline(10_000, 12_000), levels: { at: ['00', '01'] } }],
    ['floors.add', { name: 'High', outline: outline(10_000, 8000), levels: { at: ['RF'] } }],
  ]);
  it('lies on what no higher floor covers, and falls to its edge', () => {
    const terrace = afterFrom(set)('fallLayers.add', {
      on: 'Low',
      level: '01',
      outlets: [],
      edges: [{ edge: 2, gutter: {} }],
    });
    const { info } = made(terrace);
    expect(info.areaMm2).toBe(10_000 * 4000);
    expect(info.mostMm).toBe(40 + 4000 / 50);
    expect(info.ponds).toEqual([]);
  });
});

describe('what is refused', () => {
  it('says what and what to do', () => {
    expect(refusal(house, 'fallLayers.add', {})).toMatch(/place an outlet, or choose an edge/);
    expect(refusal(house, 'fallLayers.add', { edges: [{ edge: 4 }] })).toMatch(/has 4 edges.*no edge 4/);
    expect(refusal(falls, 'fallLayers.change', { fallLayer: 'FL1', edges: [{ edge: 7 }] })).toMatch(/no edge 7/);
    expect(refusal(house, 'fallLayers.add', { slope: '30 %', outlets: ['9000,9000'] })).toMatch(/is no fall/);
    expect(refusal(house, 'fallLayers.add', { on: 'Nothing', outlets: ['9000,9000'] })).toMatch(
      /no roof or floor "Nothing"/,
    );
    expect(refusal(falls, 'fallLayers.moveOutlet', { fallLayer: 'FL1', outlet: 5, place: '0,0' })).toMatch(
      /no outlet 6/,
    );
    const one = after('fallLayers.removeOutlet', { fallLayer: 'FL1', outlet: 0 }, falls);
    expect(refusal(one, 'fallLayers.removeOutlet', { fallLayer: 'FL1', outlet: 0 })).toMatch(/needs an outlet/);
  });
});
