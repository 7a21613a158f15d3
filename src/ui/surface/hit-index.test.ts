import { drawPlan } from '@/core/drawing/draw-plan';
import { drawSection } from '@/core/drawing/draw-section';
import { elevationPlane } from '@/core/drawing/section-plane';
import { recordsOf } from '@/core/model/framework';
import { solve } from '@/core/solving/solve';
import { FURNISHED, given, levelId } from '@/core/testing/given';
import { hitIndex } from './hit-index';

const tower = given(FURNISHED);
const solved = solve(tower);
const building = solved.buildings[0]!.id;
const plan = hitIndex(
  drawPlan(solved, { building, level: levelId(tower, '01'), scale: 200, cutAboveMm: 1200, writeLength: String }),
);
const kind = (id: string | null): string => {
  const record = id === null ? undefined : tower.records.get(id);
  if (!record) return 'nothing';
  return record.kind === 'gridLine' ? `line ${solved.lines.find((line) => line.id === id)!.label}` : record.kind;
};
const at = (x: number, y: number, reach = 50) => kind(plan.at({ x, y }, reach));

describe('pointing at things in a plan', () => {
  it('finds the small before the large: columns, heads, shafts, lines, then the floor', () => {
    expect(at(0, 0)).toBe('columnStack');
    expect(at(3000, 3000)).toBe('shaft');
    expect(at(7200, 3000)).toBe('line 2');
    expect(at(10_000, 3000)).toBe('floorPlate');
    expect(at(-9_000, -9_000)).toBe('nothing');
  });

  it('reaches as far as the pointer is wide', () => {
    expect([at(7300, 3000, 50), at(7300, 3000, 150)]).toEqual(['floorPlate', 'line 2']);
    expect([at(10_000, 14_800, 50), at(10_000, 14_800, 500)]).toEqual(['nothing', 'line C']);
  });

  it('finds a line by its head and its label', () => {
    const line = solved.lines.find(({ label }) => label === '3')!;
    const head = Math.max(...line.ends.map(({ y }) => y)) + 3600;
    expect(at(14_400, head)).toBe('line 3');
  });

  it('finds all that lies under a point, each once, in the order it is pressed for', () => {
    const all = plan.allAt({ x: 0, y: 0 }, 50).map(kind);
    expect(all[0]).toBe('columnStack');
    expect(all).toEqual(expect.arrayContaining(['line 1', 'line A', 'floorPlate']));
    expect(new Set(all).size).toBe(all.length);
  });

  it('finds what a window holds wholly, and nothing that stands out of it', () => {
    const within = (x0: number, y0: number, x1: number, y1: number) =>
      plan.within({ x: x0, y: y0 }, { x: x1, y: y1 }).map(kind).sort();
    expect(within(-500, -500, 500, 7000)).toEqual(['columnStack', 'columnStack']);
    // Through the middle of a column: it stands out.
    expect(within(0, -500, 500, 500)).toEqual([]);
    expect(plan.touched({ x: 0, y: -500 }, { x: 500, y: 500 }).map(kind)).toEqual(['columnStack']);
    expect(within(-20_000, -20_000, 60_000, 40_000)).toEqual(expect.arrayContaining(['floorPlate', 'line 3', 'shaft']));
  });

  it('finds all columns and shafts a window touches, and nothing else', () => {
    const within = (x0: number, y0: number, x1: number, y1: number) =>
      plan.touched({ x: x0, y: y0 }, { x: x1, y: y1 }).map(kind).sort();
    expect(within(-500, -500, 7500, 7000)).toEqual([
      'columnStack',
      'columnStack',
      'columnStack',
      'columnStack',
      'shaft',
    ]);
    expect(within(7500, 7000, -500, -500)).toHaveLength(5);
    expect(within(8000, 1000, 9000, 2000)).toEqual([]);
    expect(hitIndex({ primitives: [], marks: [], box: null }).at({ x: 0, y: 0 }, 10)).toBeNull();
  });
});

it('a level is found in an elevation anywhere along its mark', () => {
  const drawing = drawSection(solved, {
    building,
    plane: elevationPlane(solved, building, 'south')!,
    scale: 200,
    writeLength: String,
    writeElevation: String,
  });
  const hits = hitIndex(drawing);
  const level = recordsOf(tower, 'level').find(({ name }) => name === '02')!;
  const mark = drawing.primitives.find(
    (each) => each.type === 'text' && each.style === 'levelText' && each.id === level.id,
  )!;
  if (mark.type !== 'text') throw new Error('no mark');
  for (const part of [0.05, 0.5, 0.95]) {
    const x = mark.at.x + mark.text.length * mark.heightMm * 0.62 * part;
    expect(hits.at({ x, y: mark.at.y }, 20)).toBe(level.id);
  }
});

it('finds a thin wall that stands on a grid line from a little beside it, and the line where the wall is not', () => {
  const walled = given(
    [
      [
        'walls.add',
        {
          name: 'Thin',
          type: { name: 'T', layers: [{ name: 'studs', thicknessMm: 100, core: true }] },
          points: [
            { xMm: 7200, yMm: 1000 },
            { xMm: 7200, yMm: 5000 },
          ],
          startsAt: { level: '01' },
        },
      ],
    ],
    tower,
  );
  const drawn = drawPlan(solve(walled), {
    building,
    level: levelId(walled, '01'),
    scale: 300,
    cutAboveMm: 1200,
    writeLength: String,
  });
  const found = (x: number, y: number) => {
    const record = walled.records.get(hitIndex(drawn).at({ x, y }, 400)!);
    return record?.kind;
  };
  expect([found(7200, 3000), found(7400, 3000), found(7550, 3000), found(7200, 9000)]).toEqual([
    'wall',
    'wall',
    'gridLine',
    'gridLine',
  ]);
});
