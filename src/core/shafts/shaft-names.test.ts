import { recordsOf } from '../model/framework';
import { given, refusal, step, SMALL_TOWER } from '../testing/given';

const outline = { type: 'rectangle' as const, place: 'A-1 + 2000,1500', widthMm: 2400, depthMm: 3000 };
const tower = given([...SMALL_TOWER, ['settingOut.add', { lines: ['A'], offsetMm: 210 }]]);
const names = (framework: typeof tower, kind: 'shaft' | 'settingOutLine') =>
  recordsOf(framework, kind)
    .map(({ name }) => name)
    .sort();

describe('a shaft and a setting-out line', () => {
  it('never get one name by themselves, whichever comes first', () => {
    const shaft = step(tower, 'shafts.add', { outline }).after;
    expect([names(shaft, 'settingOutLine'), names(shaft, 'shaft')]).toEqual([['S1'], ['S2']]);
    const line = step(shaft, 'settingOut.add', { lines: ['B'], offsetMm: 210 }).after;
    expect(names(line, 'settingOutLine')).toEqual(['S1', 'S3']);
  });

  it('are never given one name: what has it is said', () => {
    expect(refusal(tower, 'shafts.add', { name: 'S1', outline })).toBe(
      'There is a setting-out line named S1 already. Choose another name',
    );
    const both = step(tower, 'shafts.add', { name: 'Lift', outline }).after;
    expect(refusal(both, 'shafts.change', { shaft: 'Lift', name: 'S1' })).toMatch(/setting-out line named S1/);
    expect(refusal(both, 'settingOut.change', { line: 'S1', name: 'Lift' })).toMatch(/line or shaft named Lift/);
    expect(refusal(both, 'settingOut.add', { lines: ['2'], offsetMm: 10, name: 'Lift' })).toMatch(
      /line or shaft named/,
    );
  });

  it('keeps its own name when the rest of it is changed', () => {
    const shaft = step(tower, 'shafts.add', { outline }).after;
    expect(names(step(shaft, 'shafts.change', { shaft: 'S2', name: 'S2', purpose: 'lift' }).after, 'shaft')).toEqual([
      'S2',
    ]);
  });
});
