import { apply } from '../model/changes';
import { EMPTY_FRAMEWORK } from '../model/framework';
import { hashOf } from '../model/hash';
import { polygonCalls } from '../geometry/boolean';
import { everyCommand } from '../testing/every-command';
import { FURNISHED, given, levelId, step } from '../testing/given';
import { IS_SOAK, SOAK_MS } from '../testing/soak';
import { randomRun } from '../testing/random-commands';
import { Solver, solve } from './solve';

describe('a furnished tower', () => {
  const tower = given(FURNISHED);
  const solved = solve(tower);
  const at = (name: string) => solved.levels.find((level) => level.name === name)!;

  it('stands each column from SSL to the soffit above, roof included', () => {
    const pieces = solved.columns.filter(({ mark }) => mark === 'A-1');
    expect(pieces).toHaveLength(7);
    for (const piece of pieces) {
      const i = solved.levels.findIndex(({ id }) => id === piece.level);
      expect(piece.bottomMm).toBe(solved.levels[i]!.sslMm);
      expect(piece.topMm).toBe(solved.levels[i + 1]!.sslMm - 250);
    }
    expect(pieces.at(-1)!.topMm).toBe(at('RF').sslMm - 250);
  });

  it('cuts the shaft through every slab between its ends and leaves foot and head closed', () => {
    const shaft = solved.shafts[0]!;
    const names = shaft.cuts.map(({ level }) => solved.levels.find(({ id }) => id === level)!.name);
    expect(names).toEqual(['B1', '00', '01', '02', '03', '04']);
    expect(shaft.misses).toEqual([]);
    const gross = 25800 * 15000;
    const area = (level: string) =>
      solved.profiles[solved.floors.find((floor) => floor.level === at(level).id)!.profile]!.areaMm2;
    expect(area('B2')).toBe(gross);
    expect(area('01')).toBe(gross - 2400 * 3000);
    expect(area('RF')).toBe(gross);
  });

  it('cuts typical floors once: two kinds of storey, two polygon operations', () => {
    polygonCalls.reset();
    new Solver().solve(tower, 'hold');
    expect(polygonCalls.read()).toBe(2);
  });

  it('touches no polygon when a level moves past no shaft end, and some when it does', () => {
    const solver = new Solver();
    solver.solve(tower, 'hold');
    polygonCalls.reset();
    solver.solve(step(tower, 'levels.setHeight', { level: '01', heightMm: 4950 }).after, 'hold');
    expect(polygonCalls.read()).toBe(0);
    const partWay = step(tower, 'shafts.add', {
      outline: { type: 'rectangle', place: 'A-2 + 1000,1000', widthMm: 1000, depthMm: 1000 },
      startsAt: { level: '02' },
      stopsAt: { level: '02', face: 'FFL', offsetMm: 3600 },
    }).after;
    polygonCalls.reset();
    solver.solve(partWay, 'hold');
    expect(polygonCalls.read()).toBe(0);
    solver.solve(step(partWay, 'levels.setHeight', { level: '02', heightMm: 3400 }).after, 'hold');
    expect(polygonCalls.read()).toBe(1);
  });

  it('says when a shaft stops an inch short, and by how much', () => {
    const short = step(tower, 'shafts.add', {
      name: 'Short',
      outline: { type: 'rectangle', place: 'A-2 + 1000,1000', widthMm: 1000, depthMm: 1000 },
      stopsAt: { level: '02', face: 'FFL', offsetMm: 4800 - 100 - 250 - 25 },
    }).after;
    const result = solve(short);
    const shaft = result.shafts.find(({ name }) => name === 'Short')!;
    expect(shaft.misses).toEqual([{ plate: expect.any(String), level: levelId(short, '03'), byMm: 275, way: 'short' }]);
    expect(result.findings.map(({ rule }) => rule)).toEqual(['shaft.missesSlab']);
  });

  it('says when a shaft runs beside a slab in plan', () => {
    const beside = step(tower, 'shafts.add', {
      name: 'Beside',
      outline: { type: 'rectangle', place: { lines: null, xMm: -1500, yMm: 0 }, widthMm: 1175, depthMm: 1000 },
    }).after;
    const shaft = solve(beside).shafts.find(({ name }) => name === 'Beside')!;
    expect(shaft.cuts).toEqual([]);
    expect(new Set(shaft.misses.map(({ byMm }) => byMm))).toEqual(new Set([25]));
  });

  it('opens the slab at the foot and through the roof when the plain choices say so', () => {
    const open = step(tower, 'shafts.change', { shaft: 'S1', opensFoot: true, opensHead: true }).after;
    expect(solve(open).shafts[0]!.cuts).toHaveLength(8);
  });

  it('finds columns in a shaft, columns off the slab and labels given twice', () => {
    const inShaft = step(tower, 'elements.move', { ids: [solved.shafts[0]!.shaft], xMm: -2000, yMm: -1500 }).after;
    const rules = solve(inShaft).findings.map(({ rule, severity }) => `${rule} ${severity}`);
    expect(new Set(rules)).toEqual(new Set(['column.insideShaft error']));
    const outside = step(tower, 'columns.place', {
      place: '-100,3000',
      section: { shape: 'rectangle', widthMm: 500, depthMm: 500 },
    }).after;
    const warnings = solve(outside).findings;
    expect(new Set(warnings.map(({ rule, severity }) => `${rule} ${severity}`))).toEqual(
      new Set(['column.outsideSlab warning']),
    );
    expect(warnings[0]!.message).toContain('10 % over the slab edge');
    const twice = step(tower, 'grids.relabel', { line: 'B', label: 'A' }).after;
    expect(solve(twice).findings.map(({ rule }) => rule)).toContain('grid.duplicateLabel');
  });
});

it(
  'gives, after each of random commands, the bytes of a solve from nothing',
  () => {
    const [seeds, length, every] = IS_SOAK ? [8, 500, 1] : [2, 250, 25];
    for (let seed = 0; seed < seeds; seed += 1) {
      const run = randomRun(seed, length);
      expect(run.steps.length).toBe(length);
      const solver = new Solver();
      let framework = EMPTY_FRAMEWORK;
      run.changes.forEach((changes, i) => {
        framework = apply(framework, changes);
        const kept = solver.solve(framework);
        if (i % every === 0) expect([i, hashOf(kept)]).toEqual([i, hashOf(solve(framework))]);
      });
      expect(hashOf(solver.solve(framework))).toBe(hashOf(solve(run.end)));
    }
  },
  SOAK_MS,
);

it(
  'gives the bytes of a solve from nothing after each command there is, and after it is taken back',
  () => {
    const solver = new Solver();
    let told = 0;
    everyCommand(17, IS_SOAK ? 12 : 2, 25, ({ name, before, after }) => {
      const [was, is] = [hashOf(solver.solve(before)), hashOf(solver.solve(after))];
      // The state before is that after the last one, which was compared.
      expect([name, is]).toEqual([name, hashOf(solve(after))]);
      expect([name, hashOf(solver.solve(before))]).toEqual([name, was]);
      told += 1;
    });
    expect(told).toBeGreaterThan(100);
  },
  SOAK_MS,
);
