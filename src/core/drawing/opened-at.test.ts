import { FURNISHED, given, levelId } from '../testing/given';
import { solve } from '../solving/solve';
import { openedAt } from './opened-at';

it('the building opened at a level keeps what stands at it and under it, cut off at the storey’s ceiling', () => {
  const tower = given(
    [
      [
        'walls.add',
        {
          name: 'Core',
          use: 'core',
          type: { name: 'T', layers: [{ name: 'concrete', thicknessMm: 200, core: true }] },
          points: [
            { xMm: 0, yMm: 0 },
            { xMm: 4000, yMm: 0 },
          ],
          startsAt: { level: 'B2' },
          stopsAt: { level: 'RF' },
          passesClearMm: 0,
        },
      ],
      ['ceilings.add', { outline: { type: 'rectangle', place: '1000,1000', widthMm: 3000, depthMm: 3000 } }],
      ['stairs.add', { well: { type: 'rectangle', place: '8000,1000', widthMm: 2700, depthMm: 5600 } }],
    ],
    given(FURNISHED),
  );
  const solved = solve(tower);
  const opened = openedAt(solved, levelId(tower, '01'));
  const names = new Map(solved.levels.map(({ id, name }) => [id, name]));
  expect([...new Set(opened.columns.map(({ level }) => names.get(level)))]).toEqual(['B2', 'B1', '00', '01']);
  expect(opened.floors.map(({ level }) => names.get(level))).toEqual(['B2', 'B1', '00', '01']);
  expect(opened.stairs[0]!.storeys.map(({ level }) => names.get(level))).toEqual(['B2', 'B1', '00', '01']);
  expect(opened.ceilings.map(({ level }) => names.get(level))).toEqual(['B2', 'B1', '00']);
  // Level 02 stands at 10.2 m.
  expect(opened.walls[0]!.slices.at(-1)!.topMm).toBe(10_200);
  expect(opened.shafts[0]!.stages.at(-1)!.topMm).toBe(10_200);
  expect(openedAt(solved, 'nothing')).toBe(solved);
});
