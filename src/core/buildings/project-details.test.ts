import { settingOutPlan } from '../drawing/setting-out-plan';
import { EMPTY_FRAMEWORK, frameworkHash, recordsOf } from '../model/framework';
import { upcast } from '../kinds/migrate';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, step } from '../testing/given';

const detailsOf = (framework: ReturnType<typeof given>) => recordsOf(framework, 'project')[0]!.details;

describe('what a project says of itself', () => {
  const named = given([['project.start', { name: 'Yard' }]]);

  it('is changed field by field, emptied with null, and begins with nothing', () => {
    expect(detailsOf(named)).toBeNull();
    const first = step(named, 'project.describe', { code: 'TY-04', client: 'Trust' }).after;
    expect(detailsOf(first)).toEqual({ code: 'TY-04', client: 'Trust', address: null, rules: null });
    const second = step(first, 'project.describe', { client: null, rules: 'general' }).after;
    expect(detailsOf(second)).toEqual({ code: 'TY-04', client: null, address: null, rules: 'general' });
  });

  it('can be said before the project has a name, and refuses what no title block holds', () => {
    expect(detailsOf(step(EMPTY_FRAMEWORK, 'project.describe', { code: 'A' }).after)!.code).toBe('A');
    expect(refusal(named, 'project.describe', { code: 'x'.repeat(31) })).toMatch(/30/);
    expect(refusal(named, 'project.describe', { rules: 'strictest' })).toMatch(/rule set named strictest/);
  });

  it('is empty in files of older versions, which open to the same framework as before', () => {
    const { details, ...older } = recordsOf(named, 'project')[0]!;
    expect(details).toBeNull();
    const opened = upcast(older, 6);
    expect(frameworkHash({ records: new Map([[older.id, opened as never]]) })).toBe(frameworkHash(named));
    expect(upcast({ ...older, details: { code: 'kept' } }, 6).details).toEqual({ code: 'kept' });
  });

  it('stands in the title of a sheet', () => {
    const tower = given(FURNISHED);
    const titleWith = (details: Parameters<typeof settingOutPlan>[2]['details']) =>
      settingOutPlan(solve(tower), 'Yard', {
        level: levelId(tower, '01'),
        scale: 100,
        details,
        writeLength: String,
        writeElevation: String,
      })!.title;
    expect(titleWith(null)).toMatchObject({ project: 'Yard', client: '' });
    const details = { code: 'TY-04', client: 'Trust', address: '4 Slipway Lane', rules: null };
    expect(titleWith(details)).toMatchObject({ project: 'TY-04 Yard', client: 'Trust, 4 Slipway Lane' });
    expect(titleWith({ ...details, client: null }).client).toBe('4 Slipway Lane');
  });
});
