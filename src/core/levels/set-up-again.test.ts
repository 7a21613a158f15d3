import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, step, afterFrom } from '../testing/given';
import { drawPlan } from '../drawing/draw-plan';
import { levelDifferences } from './level-differences';
import { limitsOf, storeyAreas } from './limits';

const tower = given(FURNISHED);
const building = recordsOf(tower, 'building')[0]!.id;
const after = afterFrom(tower);
const levels = (framework: Framework) => solve(framework).levels.map(({ name, fflMm }) => `${name} ${fflMm}`);

describe('setting up again', () => {
  const input = { above: '6m 2@4.8m 3@3.3m', below: '3.9m 3.6m 3m', again: true };

  it('is refused without saying so, and shows what would change first', () => {
    expect(refusal(tower, 'levels.setUp', { above: '6m' })).toMatch(/again/);
    const planned = step(tower, 'levels.setUp', input);
    const list = levelDifferences(tower, planned.after, building).map(({ name, fromMm, toMm }) => [name, fromMm, toMm]);
    expect(list).toEqual([
      ['RF', 21_600, 25_500],
      ['05', null, 22_200],
      ['04', 18_300, 18_900],
      ['03', 15_000, 15_600],
      ['02', 10_200, 10_800],
      ['01', 5400, 6000],
      ['B3', null, -10_500],
    ]);
  });

  it('keeps the ids of levels in their order, so what stands on them follows; a new basement leaves the ground at zero', () => {
    const again = after('levels.setUp', input);
    expect(levelId(again, '03')).toBe(levelId(tower, '03'));
    expect(levelId(again, 'RF')).toBe(levelId(tower, 'RF'));
    expect(solve(again).columns.filter(({ mark }) => mark === 'A-1')).toHaveLength(8);
    expect(levels(again)[3]).toBe('00 0');
  });

  it('takes levels out, moving what ended there, and leaves locked ones alone', () => {
    const fewer = after('levels.setUp', { above: '5.4m 2@4.8m', below: '3.9m', again: true });
    expect(levels(fewer)).toEqual(['B1 -3900', '00 0', '01 5400', '02 10200', 'RF 15000']);
    expect(solve(fewer).findings).toEqual([]);
    const locked = after('levels.change', { level: '01', locked: true });
    expect(refusal(locked, 'levels.setUp', input)).toMatch(/locked/);
    const renamed = given(
      [
        ['levels.rename', { level: '01', name: 'GAL' }],
        ['levels.change', { level: 'GAL', locked: true }],
      ],
      tower,
    );
    expect(levels(after('levels.setUp', { above: '5.4m 3@4m', again: true }, renamed))).toEqual([
      '00 0',
      'GAL 5400',
      '02 9400',
      '03 13400',
      'RF 17400',
    ]);
  });

  it('keeps a mezzanine and a datum above the storey they stand over', () => {
    const with2 = given(
      [
        [
          'levels.take',
          {
            rows: [
              { name: 'MZ', fflMm: 8000, levelKind: 'mezzanine' },
              { name: 'TOP', fflMm: 22_700, levelKind: 'datum' },
            ],
          },
        ],
      ],
      tower,
    );
    const again = after('levels.setUp', input, with2);
    expect(levels(again)).toEqual(expect.arrayContaining(['MZ 8600', 'TOP 26600']));
  });
});

describe('a mezzanine', () => {
  const extent = { type: 'rectangle' as const, place: 'A-1 + -300,-300', widthMm: 8000, depthMm: 15_000 };
  const withMezzanine = given(
    [
      ['levels.take', { rows: [{ name: 'MZ', fflMm: 2900, levelKind: 'mezzanine', buildUpMm: 80 }] }],
      ['levels.change', { level: 'MZ', extent }],
      ['floors.add', { name: 'Gallery', outline: extent, levels: { at: ['MZ'] }, thicknessMm: 220 }],
    ],
    tower,
  );

  it('parts the columns within its extent, and others run past it', () => {
    const pieces = (mark: string) =>
      solve(withMezzanine)
        .columns.filter((piece) => piece.mark === mark && piece.bottomMm >= -100 && piece.topMm <= 5050)
        .map(({ bottomMm, topMm }) => [bottomMm, topMm]);
    expect(pieces('B-2')).toEqual([
      [-100, 2600],
      [2820, 5050],
    ]);
    expect(pieces('B-4')).toEqual([[-100, 5050]]);
  });

  it('is dashed in the plan of the storey it hangs in, and in its own', () => {
    const solved = solve(withMezzanine);
    const dashed = (level: string) =>
      drawPlan(solved, {
        building,
        level: levelId(withMezzanine, level),
        scale: 200,
        cutAboveMm: 1200,
        writeLength: String,
      }).primitives.filter(({ id }) => id === levelId(withMezzanine, 'MZ')).length;
    expect([dashed('00'), dashed('MZ'), dashed('01')]).toEqual([1, 1, 0]);
  });

  it('has a slab that shafts cut, and an extent only while it is one', () => {
    const slab = solve(withMezzanine).floors.find(({ name }) => name === 'Gallery')!;
    expect(slab.cutBy).toHaveLength(1);
    expect(solve(withMezzanine).levels.find(({ name }) => name === 'MZ')!.extent).toHaveLength(4);
    expect(refusal(tower, 'levels.change', { level: '01', extent })).toMatch(/mezzanine/);
  });
});

describe('limits', () => {
  it('are the overall height, the highest floor in use, and the areas', () => {
    const solved = solve(tower);
    const limits = limitsOf(solved, building)!;
    expect([limits.overallMm, limits.top, limits.occupiedMm, limits.occupied]).toEqual([21_600, 'RF', 18_300, '04']);
    // Plate 25.8 × 15.0 m, shaft 2.4 × 3.0 m.
    const here = storeyAreas(solved, building).get(levelId(tower, '01'))!;
    expect([here.toOuterFaces, here.toSlabEdges, here.slabs]).toEqual([
      25_800 * 15_000,
      25_800 * 15_000,
      25_800 * 15_000 - 2400 * 3000,
    ]);
    // Seven floors; the roof is none.
    expect(limits.areas.toSlabEdges).toBe(7 * 25_800 * 15_000);
    const plant = after('levels.change', { level: '04', levelKind: 'plant' });
    expect(limitsOf(solve(plant), building)!.occupied).toBe('03');
  });
});
