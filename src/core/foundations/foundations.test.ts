import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, refusal, afterFrom } from '../testing/given';

const tower = given(FURNISHED.filter(([name]) => name !== 'foundations.add'));
const after = afterFrom(tower);
const pieces = (framework: Framework) => solve(framework).foundations;
const findings = (framework: Framework) =>
  solve(framework).findings.filter(({ rule }) => rule === 'level.noFoundation');

describe('a raft', () => {
  it('lies under the lowest slab with that slab’s outline, and follows it', () => {
    const [raft, more] = pieces(after('foundations.add', { form: 'raft', thicknessMm: '800 mm' }));
    expect(more).toBeUndefined();
    // B2: FFL −7500, build-up 100, slab 250.
    expect([raft!.topMm, raft!.bottomMm]).toEqual([-7850, -8650]);
    // 25.8 × 15 m: the grid with 300 round it.
    expect(raft!.volumeMm3).toBe(25_800 * 15_000 * 800);
    const wider = given(
      [
        ['foundations.add', { form: 'raft' }],
        ['floors.change', { floor: 'Plate', outline: { type: 'gridOffset', offsetMm: 500 } }],
      ],
      tower,
    );
    expect(pieces(wider)[0]!.volumeMm3).toBe(26_200 * 15_400 * 800);
  });
  it('may have an outline of its own, the ground’s modulus and the directions it is held in', () => {
    const outline = { type: 'rectangle' as const, place: '-1000,-1000', widthMm: 30_000, depthMm: 20_000 };
    const made = after('foundations.add', {
      form: 'raft',
      outline,
      subgradeKnM3: 20_000,
      top: { level: 'B2', face: 'SSL' },
    });
    expect(pieces(made)[0]).toMatchObject({ topMm: -7600, grossMm3: 30_000 * 20_000 * 800 });
    const held = after('foundations.change', { foundation: 'F1', restrained: { x: true, y: true, z: true } }, made);
    expect(recordsOf(held, 'foundation')[0]).toMatchObject({
      subgradeKnM3: 20_000,
      restrained: { x: true, y: true, z: true },
    });
    expect(refusal(made, 'foundations.change', { foundation: 'F1', thicknessMm: 10 })).toMatch(
      /The thickness must be at least/,
    );
    const raft = after('foundations.add', { form: 'raft' });
    expect(refusal(raft, 'foundations.add', { form: 'raft' })).toMatch(/F1 lies under the lowest floor already/);
  });
  it('without a floor to follow is a finding', () => {
    const raft = after('foundations.add', { form: 'raft' });
    const off = after('floors.change', { floor: 'Plate', levels: { range: ['00', 'RF'] } }, raft);
    expect(solve(off).findings.map(({ message }) => message)).toContain(
      'No floor lies over raft F1 to take its outline from. Draw its outline',
    );
  });
});

describe('pads and strips', () => {
  it('stand under each column that begins lowest, follow it, and go with it', () => {
    const pads = after('foundations.add', { form: 'pads', widthMm: 1800, depthMm: 2400, thicknessMm: 500 });
    expect(pieces(pads)).toHaveLength(recordsOf(tower, 'columnStack').length);
    expect(pieces(pads)[0]!.volumeMm3).toBe(1800 * 2400 * 500);
    const [first, ...rest] = recordsOf(pads, 'columnStack');
    const gone = after('elements.remove', { ids: [first!.id] }, pads);
    expect(pieces(gone)).toHaveLength(rest.length);
    const none = after('elements.remove', { ids: rest.map(({ id }) => id) }, gone);
    expect(recordsOf(none, 'foundation')).toEqual([]);
    expect(refusal(pads, 'foundations.add', { form: 'pads' })).toMatch(/without a pad/);
  });
  it('run under walls about the middle of what carries', () => {
    const walled = after('walls.add', {
      type: { name: 'T', layers: [{ name: 'concrete', thicknessMm: 200, core: true }] },
      points: [
        { xMm: 0, yMm: 5000 },
        { xMm: 4000, yMm: 5000 },
      ],
      startsAt: { level: 'B2' },
    });
    const [strip] = pieces(after('foundations.add', { form: 'strips', widthMm: 900, thicknessMm: 400 }, walled));
    expect(strip!.volumeMm3).toBe(4000 * 900 * 400);
    const ys = strip!.rings[0]!.map(({ y }) => y);
    expect([Math.min(...ys), Math.max(...ys)]).toEqual([4550, 5450]);
    expect(refusal(walled, 'foundations.add', { form: 'strips', under: ['W9'] })).toMatch(/no wall named W9/);
  });
});

describe('a lowest level that nothing founds', () => {
  it('is a finding as soon as columns or walls stand on it; either fix takes it away', () => {
    const [finding] = findings(tower);
    expect(finding!.message).toMatch(/^Nothing founds level B2, the lowest, where column stack/);
    expect(finding!.fixes).toHaveLength(2);
    for (const { command, input } of finding!.fixes) expect(findings(after(command, input))).toEqual([]);
  });
  it('is none where nothing stands yet', () => {
    expect(findings(given(FURNISHED.slice(0, 4)))).toEqual([]);
  });
});

it('foundations are left behind when a storey is carried', () => {
  const raft = after('foundations.add', { form: 'raft' });
  const low = after('carry.to', { ids: recordsOf(raft, 'columnStack').map(({ id }) => id), topmost: '00' }, raft);
  const carried = after('carry.storeys', { from: '00', to: '02' }, low);
  expect(recordsOf(carried, 'foundation')).toEqual(recordsOf(raft, 'foundation'));
});

describe('what the lowest level stands on', () => {
  it('is asked for anew when a basement comes under a raft: it can be brought down', () => {
    const raft = after('foundations.add', { form: 'raft', name: 'F1' });
    expect(findings(raft)).toEqual([]);
    const deeper = given(
      [
        ['levels.insert', { level: 'B2', side: 'below', heightMm: 3000, mode: 'only', name: 'B3' }],
        ['floors.change', { floor: 'Plate', levels: { range: ['B3', 'RF'] } }],
        ['carry.storeys', { from: 'B2', to: 'B3' }],
      ],
      raft,
    );
    const [found] = findings(deeper);
    expect(found!.message).toMatch(/Nothing founds level B3, the lowest, where column stack .* and \d+ more stand/);
    expect(found!.fixes[0]!.words).toBe('Bring raft F1 down under level B3');
    const { command, input } = found!.fixes[0]!;
    const mended = given([[command, input] as never], deeper);
    expect(findings(mended)).toEqual([]);
    expect(pieces(mended)[0]!.topMm).toBe(-10_850);
  });

  it('is asked for for each column without a pad, and for walls that bear', () => {
    const columns = recordsOf(tower, 'columnStack').map(({ id }) => id);
    const pads = after('foundations.add', { form: 'pads', under: columns.slice(1) });
    expect(findings(pads)[0]!.message).toMatch(/where column stack [A-Z]-\d stands\. Add/);
    const bearing = (use: 'core' | 'interior') =>
      given(
        [
          ['foundations.add', { form: 'pads' }],
          [
            'walls.add',
            {
              name: 'K',
              use,
              type: { name: 'T', layers: [{ name: 'concrete', thicknessMm: 200, core: true }] },
              points: [
                { xMm: 9000, yMm: 9000 },
                { xMm: 12_000, yMm: 9000 },
              ],
              startsAt: { level: 'B2' },
            },
          ],
        ],
        tower,
      );
    expect(findings(bearing('core'))[0]!.message).toMatch(/where wall K stands/);
    expect(findings(bearing('interior'))).toEqual([]);
  });
});
