import { METRIC, IMPERIAL } from '@/core/units/format-length';
import type { Framework } from '@/core/model/framework';
import { solve } from '@/core/solving/solve';
import { given, SMALL_TOWER, step } from '@/core/testing/given';
import { dragLine } from './drag-line';

const tower = given(SMALL_TOWER);
const idOf = (framework: Framework, label: string) => solve(framework).lines.find((line) => line.label === label)!.id;
const drag = (framework: Framework, id: string, from: [number, number], to: [number, number], display = METRIC) =>
  dragLine(framework, id, { x: from[0], y: from[1] }, { x: to[0], y: to[1] }, 'push', display);

describe('dragging a line', () => {
  it('moves it across itself only, in round steps of the person’s unit', () => {
    const two = idOf(tower, '2');
    expect(drag(tower, two, [7200, 0], [7777, 4000])).toMatchObject({
      edit: { command: 'grids.moveLine', input: { byMm: 600, mode: 'push' } },
      curve: { from: { x: 7800 }, to: { x: 7800 } },
    });
    const inches = drag(tower, two, [7200, 0], [7260, 0], IMPERIAL)!;
    expect(inches.edit.input.byMm).toBeCloseTo(2 * 25.4, 9);
    expect(drag(tower, two, [7200, 0], [7210, 9000])).toBeNull();
    expect(drag(tower, 'no line', [0, 0], [900, 0])).toBeNull();
  });

  it('counts the way the lines count, in a grid counted from another corner too', () => {
    const flipped = given([
      ...SMALL_TOWER.filter(([name]) => !name.startsWith('grids')),
      ['grids.add', { baysA: '2@6000', baysB: '6000', waysOf: { a: -1, b: 1 } }],
    ]);
    const dragged = drag(flipped, idOf(flipped, '2'), [-6000, 0], [-6500, 0])!;
    expect(dragged.edit.input.byMm).toBe(500);
    const after = step(flipped, dragged.edit.command, dragged.edit.input).after;
    expect(solve(after).lines.find(({ label }) => label === '2')!.ends[0].x).toBe(-6500);
  });

  it('turns a ray, grows a ring and moves a setting-out line away from its source', () => {
    const radial = given([
      ...SMALL_TOWER.filter(([name]) => !name.startsWith('grids')),
      ['grids.addRadial', { angles: '3@30', radii: '8000 4000' }],
      ['settingOut.add', { lines: ['1'], offsetMm: 300, name: 'P' }],
    ]);
    const turned = drag(radial, idOf(radial, '2'), [8000, 4600], [8000, 6000])!;
    expect(turned.edit).toMatchObject({ input: { byDeg: 7 } });
    expect(step(radial, turned.edit.command, turned.edit.input).after).toBeDefined();
    expect(drag(radial, idOf(radial, 'B'), [12_000, 0], [12_730, 0])!.edit.input.byMm).toBe(750);
    const setOut = solve(radial).settingOut[0]!.id;
    const moved = drag(radial, setOut, [9000, 300], [9000, 520])!;
    expect(moved).toMatchObject({ edit: { command: 'settingOut.move', input: { byMm: 200 } } });
    expect(solve(step(radial, moved.edit.command, moved.edit.input).after).settingOut[0]!.offsetMm).toBe(500);
  });
});
