import { carryBoard } from '../carrying/board';
import { consequences } from '../carrying/consequences';
import { standingIn } from '../carrying/carry-commands';
import { drawPlan } from '../drawing/draw-plan';
import { drawSection } from '../drawing/draw-section';
import { openedAt } from '../drawing/opened-at';
import { recordsOf, type Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { solve, Solver } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, afterFrom } from '../testing/given';
import { METRIC } from '../units/format-length';

/** Bays of 7200 and 3600 by 5400; columns of 500 square; slabs of 250; FFL 01 at +3.600 and more. */
const tower = given(FURNISHED);
const after = afterFrom(tower);
const beamed = after('beams.add', { name: 'BM1', line: 'A', between: ['1', '2'], widthMm: 300, depthMm: 450 });
const pieces = (framework: Framework) => solve(framework).bodies;
const rules = (framework: Framework) =>
  solve(framework)
    .findings.filter(({ rule }) => rule.startsWith('beam.'))
    .map(({ rule }) => rule);

describe('a beam', () => {
  it('hangs under the slab of each level, between the columns that carry it', () => {
    const solved = solve(beamed);
    for (const body of solved.bodies) {
      const level = solved.levels.find(({ id }) => id === body.level)!;
      expect([body.topMm, body.bottomMm]).toEqual([level.sslMm - 250, level.sslMm - 250 - 450]);
      // From column face to column face.
      expect(body.volumeMm3).toBeCloseTo((7200 - 500) * 300 * 450, 0);
    }
    expect(solved.bodies).toHaveLength(solved.levels.filter(({ bounding }) => bounding).length - 1);
  });

  it('follows its lines, and the levels it is pushed with', () => {
    const wider = after('grids.setBay', { line: '2', bayMm: 8000 }, beamed);
    const long = (framework: Framework) => Math.max(...pieces(framework).map(({ volumeMm3 }) => volumeMm3));
    expect(long(wider)).not.toBe(long(beamed));
    const pushed = after('levels.setHeight', { level: '01', heightMm: 4950, mode: 'push' }, beamed);
    const at = (framework: Framework, level: string) =>
      pieces(framework).find((body) => body.level === levelId(framework, level))!.topMm;
    expect(at(pushed, '03') - at(beamed, '03')).toBe(
      solve(pushed).levels.find(({ name }) => name === '03')!.fflMm -
        solve(beamed).levels.find(({ name }) => name === '03')!.fflMm,
    );
  });

  it('is deeper or left out at a level, and from there up', () => {
    const deeper = after('beams.except', { beam: 'BM1', level: '01', upwards: true, depthMm: 600 }, beamed);
    const out = after('beams.except', { beam: 'BM1', level: '02', leftOut: true }, deeper);
    const deep = new Map(pieces(out).map((body) => [body.level, body.topMm - body.bottomMm]));
    expect([deep.get(levelId(out, '00')), deep.get(levelId(out, '01')), deep.get(levelId(out, '02'))]).toEqual([
      450,
      600,
      undefined,
    ]);
    const board = carryBoard(out, solve(out), recordsOf(out, 'building')[0]!.id);
    const column = board.columns.find(({ name }) => name === 'BM1')!;
    expect(column.cells.get(levelId(out, '02'))).toMatchObject({ state: 'leftOut', differs: true });
    expect(column.cells.get(levelId(out, '03'))).toMatchObject({ state: 'stands' });
    expect(standingIn(out, levelId(out, '03')).get('beams')).toBe(1);
  });

  it('says which end rests on nothing, and is mended by the first fix', () => {
    const free = after('beams.add', { name: 'Free', from: 'A-1', to: 'A-1 + 6000,0', levels: { at: ['02'] } });
    const [found] = solve(free).findings.filter(({ rule }) => rule === 'beam.free');
    expect(found!.message).toBe(
      'The second end of beam Free rests on nothing at level 02. Bring it to a column, a wall or another beam',
    );
    const fix = found!.fixes[0]!;
    const mended = after(fix.command, fix.input, free);
    expect(rules(mended)).toEqual([]);
    expect(rules(after('beams.change', { beam: 'Free', form: 'downstand' }, free))).toEqual([]);
    // A beam may carry a beam.
    const carried = after('beams.add', { from: 'A-2', to: 'B-2', levels: { at: ['02'] } }, tower);
    const second = after(
      'beams.add',
      { from: 'A-2 + 0,2000', to: 'A-2 + 0,4000', levels: { at: ['02'] }, name: 'Second' },
      carried,
    );
    expect(rules(second)).toEqual([]);
  });

  it('says where no slab is over it, and where it leaves too little clear', () => {
    const beside = after('beams.add', { from: '-9000,0', to: '-5000,0', form: 'downstand', levels: { at: ['02'] } });
    expect(rules(beside)).toEqual(['beam.noSlab']);
    const wanted = after('levels.setBudget', { level: '01', targetMm: 4200 }, beamed);
    const low = solve(wanted).findings.filter(({ rule }) => rule === 'beam.low');
    // 4800 from floor to floor, build-up 100, slab 250, beam 450.
    expect(low.map(({ message }) => message)).toEqual([
      'Beam BM1 under level 02 leaves 4000 mm clear, 200 mm under the 4200 mm wanted. Make it less deep, or raise the level',
    ]);
    const fix = low[0]!.fixes[0]!;
    expect(rules(after(fix.command, fix.input, wanted))).toEqual([]);
  });

  it('takes the headroom of a stair under it', () => {
    const stair = {
      name: 'ST1',
      well: { type: 'rectangle' as const, place: 'A-1 + 2000,6200', widthMm: 2700, depthMm: 5600 },
      startsAt: { level: '00' },
      stopsAt: { level: '02' },
    };
    const stairs = after('stairs.add', stair);
    const low = after(
      'beams.add',
      { from: 'A-1 + 1000,7600', to: 'A-1 + 6000,7600', depthMm: 900, form: 'downstand' },
      stairs,
    );
    const least = (framework: Framework) =>
      Math.min(...solve(framework).stairs[0]!.storeys.flatMap(({ headroom }) => headroom?.mm ?? []));
    expect(least(low)).toBeLessThan(least(stairs));
    expect(solve(low).stairs[0]!.storeys.map(({ headroom }) => headroom?.under)).toContain('BM1');
  });

  it('stands dashed in the plan under it, cut in sections, in the report, and among what an edit brings about', () => {
    const solved = solve(beamed);
    const building = solved.buildings[0]!.id;
    const view = {
      building,
      level: levelId(beamed, '01'),
      scale: 100,
      cutAboveMm: 1200,
      writeLength: String,
      writeBay: String,
    };
    const over = drawPlan(solved, view as never).primitives.filter(({ style }) => style === 'bodyOver');
    expect(over.map(({ id }) => id)).toEqual([recordsOf(beamed, 'beam')[0]!.id]);
    const [body] = solved.bodies;
    const [x, y] = [(body!.ring[0]!.x + body!.ring[2]!.x) / 2, body!.ring[0]!.y];
    const section = drawSection(solved, {
      building,
      plane: { from: { x, y: y - 3000 }, to: { x, y: y + 3000 }, isCut: true },
      scale: 100,
      writeLength: String,
      writeElevation: String,
    } as never);
    const cut = section.primitives.filter(({ style }) => style === 'bodyCut');
    expect(cut).toHaveLength(solved.bodies.length);
    const report = reportOf(beamed, solved) as unknown as { beams: { name: string; level: string; depthMm: number }[] };
    expect(report.beams.map(({ level, depthMm }) => `${level} ${depthMm}`)).toContain('02 450');
    const words = consequences({ framework: tower, solved: solve(tower) }, { framework: beamed, solved }, METRIC).map(
      (each) => each.words,
    );
    expect(words).toContain(`0 beam pieces → ${solved.bodies.length}`);
  });

  it('is taken off with all that lies over a level, where the building is opened there', () => {
    const solved = solve(beamed);
    const opened = openedAt(solved, levelId(beamed, '01'));
    const names = (bodies: typeof solved.bodies) =>
      bodies.map(({ level }) => solved.levels.find(({ id }) => id === level)!.name);
    expect(names(solved.bodies)).toContain('02');
    expect(names(opened.bodies)).toEqual(['B1', '00', '01']);
  });

  it('is copied, mirrored, and let go of by lines that go', () => {
    const { id } = recordsOf(beamed, 'beam')[0]!;
    const copied = after('elements.copy', { ids: [id], by: [{ xMm: 0, yMm: 2000 }] }, beamed);
    expect(recordsOf(copied, 'beam').map(({ name }) => name)).toEqual(expect.arrayContaining(['BM1', 'BM2']));
    const ring = (framework: Framework, name: string) => pieces(framework).find((body) => body.name === name)!.ring;
    expect(ring(copied, 'BM2').map(({ y }) => y)).toEqual(ring(copied, 'BM1').map(({ y }) => y + 2000));
    const gone = after('grids.removeLine', { line: '2' }, beamed);
    expect(ring(gone, 'BM1')).toEqual(ring(beamed, 'BM1'));
    // A kept solve knows it too.
    const solver = new Solver();
    solver.solve(beamed);
    expect(solver.solve(copied)).toEqual(solve(copied));
  });

  it('is refused where it has no length, where its lines do not cross, and where only one end is said', () => {
    expect(refusal(tower, 'beams.add', { from: 'A-1', to: 'A-1' })).toMatch(/less than 100 mm apart/);
    expect(refusal(tower, 'beams.add', { line: 'A', between: ['1', 'B'] })).toMatch(/do not cross/);
    expect(refusal(tower, 'beams.add', { from: 'A-1' })).toMatch(/both ends/);
    expect(refusal(beamed, 'beams.add', { name: 'BM1', from: 'A-1', to: 'B-1' })).toMatch(/BM1/);
    expect(refusal(tower, 'beams.add', { from: 'A-1', to: 'B-1', depthMm: -5 })).toMatch(/depthMm|20/);
  });
});
