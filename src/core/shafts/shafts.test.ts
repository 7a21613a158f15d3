import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, refusal, step } from '../testing/given';

const tower = given(FURNISHED.filter(([name]) => name !== 'shafts.add'));
const outline = { type: 'rectangle' as const, place: 'A-1 + 2000,1500', widthMm: 2000, depthMm: 2500 };
const withShaft = (input: Record<string, unknown> = {}) =>
  step(tower, 'shafts.add', { name: 'S', outline, ...input }).after;
/** Names of the levels whose slab is cut. */
const cuts = (framework = withShaft()) => {
  const solved = solve(framework);
  return solved.shafts[0]!.cuts.map(({ level }) => solved.levels.find(({ id }) => id === level)!.name).join(' ');
};
const misses = (framework = withShaft()) => {
  const solved = solve(framework);
  return solved.shafts[0]!.misses.map(
    ({ level, byMm, way }) => `${solved.levels.find(({ id }) => id === level)!.name} ${byMm} ${way}`,
  );
};

describe('which slabs a shaft cuts', () => {
  it('all between its ends; those at its ends only when the plain choices say so', () => {
    expect(cuts()).toBe('B1 00 01 02 03 04');
    expect(cuts(withShaft({ opensFoot: true }))).toBe('B2 B1 00 01 02 03 04');
    expect(cuts(withShaft({ opensHead: true }))).toBe('B1 00 01 02 03 04 RF');
    expect(misses()).toEqual([]);
  });

  it('part of the building: from FFL of one level to SSL of another', () => {
    const part = { startsAt: { level: '00' }, stopsAt: { level: '03' } };
    expect(cuts(withShaft(part))).toBe('01 02');
    expect(cuts(withShaft({ ...part, opensFoot: true, opensHead: true }))).toBe('00 01 02 03');
    expect(misses(withShaft(part))).toEqual([]);
  });

  it('every face of a level can be its end, and a distance from it', () => {
    const stops = (face: string, offsetMm = 0) =>
      withShaft({ startsAt: { level: '00' }, stopsAt: { level: '03', face, offsetMm } });
    expect(cuts(stops('FFL'))).toBe('01 02');
    expect(cuts(stops('soffit'))).toBe('01 02');
    expect(cuts(stops('FFL', 1100))).toBe('01 02 03');
    expect(misses(stops('FFL', 1100))).toEqual([]);
  });

  it('one that enters a slab without passing it, or stops a little short, is said to miss it and by how much', () => {
    const stops = (offsetMm: number) =>
      withShaft({ startsAt: { level: '00' }, stopsAt: { level: '02', face: 'FFL', offsetMm } });
    // Level 03: FFL 4800 above 02, SSL 100 lower, slab 250 thick.
    expect(misses(stops(4800 - 100 - 250 - 25))).toEqual(['03 275 short']);
    expect(misses(stops(4800 - 100 - 125))).toEqual(['03 125 short']);
    expect(misses(stops(4800 - 100 - 250 - 301))).toEqual([]);
    expect(cuts(stops(4800 - 100))).toBe('01 02 03');
    const starts = withShaft({ startsAt: { level: '01', face: 'SSL', offsetMm: 40 }, stopsAt: { level: '04' } });
    expect(cuts(starts)).toBe('02 03');
  });

  it('beside a slab in plan it misses it by the gap, within a metre', () => {
    const beside = (x: number) =>
      step(tower, 'shafts.add', { name: 'S', outline: { ...outline, place: `${x},0` } }).after;
    expect(new Set(misses(beside(-2325)))).toEqual(
      new Set(['B1 25 beside', '00 25 beside', '01 25 beside', '02 25 beside', '03 25 beside', '04 25 beside']),
    );
    expect(misses(beside(-3400))).toEqual([]);
    expect(cuts(beside(-1000))).toBe('B1 00 01 02 03 04');
  });

  it('follows: a level raised, inserted or removed changes the cuts and nobody edits a hole', () => {
    expect(
      cuts(step(withShaft(), 'levels.insert', { level: '01', heightMm: 2400, mode: 'only', name: 'N' }).after),
    ).toBe('B1 00 01 N 02 03 04');
    expect(cuts(step(withShaft(), 'levels.remove', { level: '02' }).after)).toBe('B1 00 01 03 04');
    const fixed = withShaft({ startsAt: { level: '00' }, stopsAt: { level: '00', face: 'FFL', offsetMm: 5600 } });
    expect(cuts(fixed)).toBe('01');
    const raised = step(fixed, 'levels.setElevation', { level: '01', fflMm: 5900, mode: 'push' }).after;
    expect([cuts(raised), misses(raised)]).toEqual(['', ['01 200 short']]);
  });
});

describe('adding and changing', () => {
  it('gives names in order, refuses one twice, and keeps what is not changed', () => {
    const two = [1, 2].reduce(
      (now) => step(now, 'shafts.add', { outline: { ...outline, place: 'A-2 + 1000,1000' } }).after,
      tower,
    );
    expect(
      recordsOf(two, 'shaft')
        .map(({ name }) => name)
        .sort(),
    ).toEqual(['S1', 'S2']);
    expect(refusal(two, 'shafts.change', { shaft: 'S2', name: 'S1' })).toMatch(/S1 already/);
    expect(refusal(two, 'shafts.add', { name: 'S1', outline })).toMatch(/S1 already/);
    expect(refusal(tower, 'shafts.add', { outline: { type: 'gridOffset' } })).toMatch(
      /rectangle, a circle or a polygon/,
    );
    const changed = step(two, 'shafts.change', { shaft: 'S2', purpose: 'lift', stopsAt: { level: '03', face: 'FFL' } });
    expect(changed.sentence).toBe('Shaft S2: purpose, span changed');
    expect(recordsOf(changed.after, 'shaft').find(({ name }) => name === 'S2')).toMatchObject({
      purpose: 'lift',
      opensHead: false,
    });
  });

  it('turned and held to a crossing it moves with the grid', () => {
    const turned = step(withShaft({ outline: { ...outline, turnDeg: 30 } }), 'grids.change', {
      xMm: 5000,
      turnDeg: 6.1,
    }).after;
    const ring = solve(turned).shafts[0]!.ring;
    const [s, c] = [Math.sin((6.1 * Math.PI) / 180), Math.cos((6.1 * Math.PI) / 180)];
    expect(
      ring.some(({ x, y }) => Math.hypot(x - (5000 + 2000 * c - 1500 * s), y - (2000 * s + 1500 * c)) < 1e-5),
    ).toBe(true);
  });

  it('that stops below where it starts cuts nothing and is a finding', () => {
    const solved = solve(withShaft({ startsAt: { level: '03' }, stopsAt: { level: '01' } }));
    expect(solved.shafts[0]!.cuts).toEqual([]);
    expect(solved.findings.map(({ rule }) => rule)).toEqual(['span.upsideDown']);
  });
});
