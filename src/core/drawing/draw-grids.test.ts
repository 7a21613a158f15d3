import { distance } from '../geometry/point';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, SMALL_TOWER, afterFrom } from '../testing/given';
import { drawPlan } from './draw-plan';
import { drawSection } from './draw-section';
import type { Primitive } from './drawing';
import { HEAD_RADIUS } from './grid-heads';
import { elevationPlane } from './section-plane';

const tower = given(FURNISHED);
const after = afterFrom(tower);
const planOf = (framework: Framework, level = '01', scale = 200) => {
  const solved = solve(framework);
  const building = solved.buildings[0]!.id;
  return drawPlan(solved, { building, level: levelId(framework, level), scale, cutAboveMm: 1200, writeLength: String });
};
const ofStyle = (primitives: readonly Primitive[], style: string) => primitives.filter((each) => each.style === style);
const texts = (primitives: readonly Primitive[], style: string) =>
  ofStyle(primitives, style).flatMap((each) => (each.type === 'text' ? each.text : []));
const headAt = (primitives: readonly Primitive[], label: string) => {
  const text = ofStyle(primitives, 'bubbleText').find((each) => each.type === 'text' && each.text === label);
  return text?.type === 'text' ? text.at : null;
};
const lineId = (framework: Framework, label: string) => solve(framework).lines.find((line) => line.label === label)!.id;

describe('grid heads in plan', () => {
  it('are all readable in a crowded plan at 1 : 200, without anybody’s doing', () => {
    const crowded = given([
      ...SMALL_TOWER.filter(([name]) => !name.startsWith('grids')),
      ['grids.add', { baysA: '900 400 700 6000 500 350 350 6000 800', baysB: '600 450 7000 500 400 5000' }],
      [
        'grids.addRadial',
        {
          name: 'R',
          angles: '8@4',
          radii: '9000 700 600',
          xMm: 30_000,
          labelsA: { first: '21' },
          labelsB: { first: 'R' },
        },
      ],
      [
        'grids.addFree',
        {
          name: 'F',
          labelsA: { first: '51' },
          lines: [
            { path: { x0Mm: 0, y0Mm: -9000, x1Mm: 9000, y1Mm: 16_500 } },
            { path: { x0Mm: 500, y0Mm: -9000, x1Mm: 9500, y1Mm: 16_500 } },
          ],
        },
      ],
    ]);
    const { primitives } = planOf(crowded);
    const heads = ofStyle(primitives, 'bubble').flatMap((each) => (each.type === 'circle' ? each.at : []));
    expect(heads).toHaveLength(solve(crowded).lines.filter(({ label }) => label !== null).length);
    heads.forEach((a, i) =>
      heads.slice(i + 1).forEach((b) => expect(distance(a, b)).toBeGreaterThanOrEqual(2 * HEAD_RADIUS * 200 - 1e-6)),
    );
    expect(texts(primitives, 'bubbleText')).toEqual(expect.arrayContaining(['1', '9', '27', 'S', '51', '52']));
  });

  it('stand at both ends, one or none, in the shape of the system', () => {
    const both = planOf(after('grids.change', { headsA: 'both', headsB: 'none', bubble: 'hexagon' })).primitives;
    expect(texts(both, 'bubbleText')).toEqual([...'1234512345']);
    const [hexagon] = ofStyle(both, 'bubble');
    expect(hexagon?.type === 'area' && hexagon.rings[0]!.length).toBe(6);
    const one = planOf(after('grids.changeLines', { lines: ['2'], heads: 'none' })).primitives;
    expect(texts(one, 'bubbleText')).not.toContain('2');
  });

  it('are hidden, placed by hand or have a gap in one view, and stay so while others spread round them', () => {
    const building = recordsOf(tower, 'building')[0]!.id;
    const set = (input: Record<string, unknown>, framework = tower) =>
      after('views.setMark', { building, view: 'plan', of: lineId(framework, '2'), end: 1, ...input }, framework);
    expect(texts(planOf(set({ shown: false })).primitives, 'bubbleText')).not.toContain('2');
    const placed = set({ placed: { acrossMm: -1500, outMm: 9000 } });
    const line = solve(placed).lines.find(({ label }) => label === '2')!;
    expect(headAt(planOf(placed).primitives, '2')).toEqual({ x: line.ends[1].x + 1500, y: line.ends[1].y + 9000 });
    const own = after(
      'views.setMark',
      { building, view: `plan ${levelId(placed, '02')}`, of: line.id, end: 1, shown: false },
      placed,
    );
    expect(headAt(planOf(own, '02').primitives, '2')).toBeNull();
    expect(headAt(planOf(own, '01').primitives, '2')).not.toBeNull();
    const gapped = set({ end: 0, gap: { fromMm: 4000, toMm: 9000 } });
    const pieces = ofStyle(planOf(gapped).primitives, 'gridLine').filter(
      (each) => each.id === line.id && each.type === 'path' && each.points.length === 2,
    );
    expect(pieces).toHaveLength(3);
    expect(
      refusal(tower, 'views.setMark', { building, view: 'plan', of: line.id, gap: { fromMm: 0, toMm: 1e6 } }),
    ).toMatch(/within the line/);
    const cleared = after('views.clearMarks', { building, view: 'plan' }, placed);
    expect(recordsOf(cleared, 'viewMark')).toEqual([]);
    expect(recordsOf(after('grids.removeLine', { line: '2' }, placed), 'viewMark')).toEqual([]);
  });
});

describe('grids of other shapes in plan', () => {
  const radial = given([
    ...SMALL_TOWER.filter(([name]) => !name.startsWith('grids')),
    ['grids.addRadial', { angles: '30 2@15', radii: '8000 4000' }],
  ]);

  it('have true arcs, the angles between rays, radii and the bays of rings', () => {
    const { primitives } = planOf(radial);
    const arcs = ofStyle(primitives, 'gridLine').flatMap((each) => (each.type === 'arc' ? each.arc.radiusMm : []));
    expect(arcs).toEqual([8000, 12_000]);
    expect(texts(primitives, 'dimensionText')).toEqual(
      expect.arrayContaining(['30°', '15°', 'R 8000', 'R 12000', '4000']),
    );
  });

  it('with other bays on opposite sides are dimensioned on both', () => {
    const uneven = after('grids.setBays', { direction: 'a', bays: '3@8400', farBays: '12600 12600' });
    const dims = texts(planOf(uneven).primitives, 'dimensionText');
    expect(dims.filter((text) => text === '8400')).toHaveLength(3);
    expect(dims.filter((text) => text === '12600')).toHaveLength(2);
  });

  it('show a line only on its levels, and setting-out lines with their names', () => {
    const low = after('grids.changeLines', { lines: ['2'], toLevel: '00' });
    expect(texts(planOf(low, '01').primitives, 'bubbleText')).not.toContain('2');
    expect(texts(planOf(low, '00').primitives, 'bubbleText')).toContain('2');
    const set = after('settingOut.add', { lines: ['A'], offsetMm: 210, name: 'Front', toLevel: '01' });
    expect(texts(planOf(set, '01').primitives, 'settingOutText')).toEqual(['Front']);
    expect(texts(planOf(set, '02').primitives, 'settingOutText')).toEqual([]);
  });

  it('show heads of columns under the slab above as hidden', () => {
    const headed = after('columns.setBlocks', {
      columns: ['B-2'],
      head: { widthMm: 1200, depthMm: 1200, heightMm: 300 },
    });
    expect(ofStyle(planOf(headed, '01').primitives, 'columnHead')).toHaveLength(1);
    expect(ofStyle(planOf(headed, '04').primitives, 'columnHead')).toHaveLength(0);
  });
});

describe('sections of several buildings', () => {
  const both = given(
    [
      ['buildings.add', { name: 'Annex', zeroMm: 600, xMm: '30m' }],
      ['levels.setUp', { building: 'Annex', above: '4.8m 4.2m' }],
      ['grids.add', { building: 'Annex', name: 'G2', baysA: '2@6000', baysB: '6600' }],
      [
        'floors.add',
        {
          building: 'Annex',
          name: 'P2',
          outline: { type: 'gridOffset', system: 'G2', offsetMm: 200 },
          thicknessMm: 200,
        },
      ],
    ],
    tower,
  );
  const solved = solve(both);
  const hall = solved.buildings.find(({ name }) => name === 'Hall')!;
  const annex = solved.buildings.find(({ name }) => name === 'Annex')!;
  const draw = (marks: { left: string | null; right: string | null }) =>
    drawSection(solved, {
      building: hall.id,
      plane: elevationPlane(solved, hall.id, 'south')!,
      scale: 200,
      writeLength: String,
      writeElevation: String,
      marks,
    }).primitives;

  it('draw each where it stands, at its own height', () => {
    const slabs = ofStyle(draw({ left: null, right: hall.id }), 'slabSeen').flatMap((each) =>
      each.type === 'area' ? [each.rings[0]!] : [],
    );
    const lifted = slabs.filter((ring) => ring[0]!.x > 26_000);
    expect(lifted).toHaveLength(3);
    // SSL of the annex's ground floor: 600 − 100.
    expect(Math.min(...lifted.map((ring) => Math.max(...ring.map(({ y }) => y))))).toBe(500);
  });

  it('mark the levels of one building at each side, as chosen', () => {
    const at = (marks: { left: string | null; right: string | null }, style: string) =>
      texts(draw(marks), style).map((text) => text.split(' ')[0]);
    expect(at({ left: annex.id, right: hall.id }, 'levelTextLeft')).toEqual(['00', '01', 'RF']);
    expect(at({ left: annex.id, right: hall.id }, 'levelText')).toHaveLength(8);
    expect(at({ left: null, right: annex.id }, 'levelText')).toHaveLength(3);
    expect(at({ left: hall.id, right: null }, 'levelTextLeft')).toHaveLength(8);
  });
});
