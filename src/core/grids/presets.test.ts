import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { given, refusal, SMALL_TOWER, afterFrom } from '../testing/given';
import { presetFileSchema, writePresets } from './preset';
import { presetOf } from './preset-commands';

const tower = given(SMALL_TOWER);
const after = afterFrom(tower);

describe('presets of bays', () => {
  it('are kept from a grid, written to a file, read back the same and make the same grid', () => {
    const uneven = after('grids.setBays', { direction: 'a', bays: '3@6000', farBays: '2@9000' });
    const kept = after('presets.save', { name: 'Hall' }, uneven);
    const preset = presetOf(uneven, undefined, 'Hall');
    expect([preset.baysA, preset.farBaysA, preset.farBaysB]).toEqual([[6000, 6000, 6000], [9000, 9000], null]);
    const read = presetFileSchema.parse(JSON.parse(writePresets([preset])));
    expect(read.presets).toEqual([preset]);
    const elsewhere = after('presets.take', { presets: read.presets });
    expect(recordsOf(elsewhere, 'bayPreset')[0]).toMatchObject(preset);
    expect(recordsOf(kept, 'bayPreset')[0]).toMatchObject(preset);
    const empty = given(SMALL_TOWER.filter(([name]) => !name.startsWith('grids')));
    const { name: _, farBaysB: _far, farBaysA, ...alike } = preset;
    const input = { ...alike, farBaysA: farBaysA! };
    const places = (framework: Framework) => solve(framework).crossings.map(({ at, label }) => ({ at, label }));
    expect(places(after('grids.add', input, empty))).toEqual(places(uneven));
  });

  it('of the same name are replaced, and removed by name', () => {
    const once = after('presets.save', { name: 'Hall' });
    const twice = after('presets.save', { name: 'Hall' }, after('grids.setBay', { line: '2', bayMm: 5000 }, once));
    expect(recordsOf(twice, 'bayPreset').map(({ baysA }) => baysA[0])).toEqual([5000]);
    expect(recordsOf(after('presets.remove', { name: 'Hall' }, twice), 'bayPreset')).toEqual([]);
    expect(refusal(tower, 'presets.remove', { name: 'Hall' })).toMatch(/no preset/);
  });

  it('in a file of another kind are refused in words', () => {
    expect(presetFileSchema.safeParse({ format: 'x', version: 1, presets: [] }).error?.issues[0]?.message).toMatch(
      /not a file of bay presets/,
    );
    expect(presetFileSchema.safeParse({ format: 'spine-bay-presets', version: 2, presets: [] }).success).toBe(false);
  });
});
