import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, step } from '../testing/given';
import { mmOf } from './resolve-length';
import { lengthAsTyped, usesOf } from './uses';

const named = given(
  [
    ['dimensions.define', { name: 'slab', value: 250, note: 'typical' }],
    ['dimensions.define', { name: 'clear', value: '2.7m' }],
    ['dimensions.define', { name: 'typical', value: 'clear + slab + 350' }],
    ['levels.setHeight', { level: '03', heightMm: 'typical' }],
    ['floors.change', { floor: 'Plate', thicknessMm: 'slab' }],
    ['columns.change', { column: 'B-2', section: { shape: 'circle', diameterMm: '2*slab' } }],
  ],
  given(FURNISHED),
);
const dimension = (name: string) => recordsOf(named, 'dimension').find((each) => each.name === name)!;

it('a named dimension is worked out from others and changes all that uses it at once', () => {
  expect(mmOf(named, dimension('typical').value)).toBe(3300);
  const thick = step(named, 'dimensions.define', { name: 'slab', value: `12"` }).after;
  const solved = solve(thick);
  const at = (name: string) => solved.levels.find((level) => level.name === name)!;
  expect(at('03').storeyHeightMm).toBe(3354.8);
  expect(new Set(solved.floors.map(({ thicknessMm }) => thicknessMm))).toEqual(new Set([304.8]));
  expect(solved.columns.find(({ mark }) => mark === 'B-2')!.section).toEqual({ shape: 'circle', diameterMm: 609.6 });
});

it('says where it is used, and goes only when it is used nowhere', () => {
  const uses = (name: string) => usesOf(named, dimension(name).id).map(({ words }) => words);
  expect(uses('slab')).toEqual(['column stack B-2', 'floor plate Plate', 'named dimension typical']);
  expect(uses('typical')).toEqual(['level 04']);
  expect(refusal(named, 'dimensions.remove', { dimension: 'slab' })).toMatch(/cannot go/);
  const unused = step(named, 'dimensions.define', { name: 'spare', value: 1 }).after;
  expect(recordsOf(step(unused, 'dimensions.remove', { dimension: 'spare' }).after, 'dimension')).toHaveLength(3);
});

it('is shown by its name where it was typed, and stays when it is held from elsewhere', () => {
  expect(lengthAsTyped(named, dimension('typical').value)).toBe('clear + slab + 350mm');
  const level = recordsOf(named, 'level').find(({ id }) => id === levelId(named, '04'))!;
  expect(lengthAsTyped(named, level.heightMm)).toBe('typical');
  expect(lengthAsTyped(named, 250)).toBeNull();
});

it('a name that is a unit, or none at all, is refused', () => {
  expect(refusal(named, 'dimensions.define', { name: 'mm', value: 1 })).toMatch(/is a unit/);
  expect(refusal(named, 'dimensions.define', { name: '2nd', value: 1 })).toMatch(/starts with a letter/);
  expect(refusal(named, 'dimensions.define', { name: 'x', value: 'gone + 1' })).toMatch(/no dimension named "gone"/);
});

it('bays are worked out and named like any length, and follow the names', () => {
  const grid = given(
    [
      ['grids.add', { name: 'G', baysA: '2@typical typical/2+150 3600', baysB: "7'6 (36m - 600)/4" }],
      ['grids.setBays', { system: 'G', direction: 'b', bays: "7'6 3*slab" }],
    ],
    named,
  );
  const bays = (framework: typeof grid, direction: 'a' | 'b') => {
    const system = recordsOf(framework, 'gridSystem').find(({ name }) => name === 'G')!.id;
    return solve(framework)
      .lines.filter((line) => line.system === system && line.direction === direction)
      .map(({ offsetMm }) => offsetMm);
  };
  expect(bays(grid, 'a')).toEqual([0, 3300, 6600, 8400, 12_000]);
  expect(bays(grid, 'b')).toEqual([0, 2286, 3036]);
  const wider = step(grid, 'dimensions.define', { name: 'slab', value: 300 }).after;
  expect(bays(wider, 'a')).toEqual([0, 3350, 6700, 8525, 12_125]);
  expect(bays(wider, 'b')).toEqual([0, 2286, 3186]);
  expect(refusal(grid, 'grids.add', { baysA: 'gone', baysB: '5m' })).toMatch(/bays across.*no dimension named "gone"/i);
});
