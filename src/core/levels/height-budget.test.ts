import { solve } from '../solving/solve';
import { FURNISHED, given, refusal, step } from '../testing/given';

const zones = { beamMm: 400, servicesMm: '350', ceilingMm: `2"` };
const tower = step(given(FURNISHED), 'levels.setBudget', { ...zones, targetMm: 2700 }).after;
const budgetOf = (name: string, framework = tower) => {
  const solved = solve(framework);
  return solved.budgets.find(({ level }) => level === solved.levels.find((each) => each.name === name)!.id)!;
};
const low = (framework = tower) =>
  solve(framework)
    .findings.filter(({ rule }) => rule === 'level.lowClear')
    .map(({ message }) => message);

describe('the height budget', () => {
  it('is what the storey has less build-up, slab, beam, services and ceiling of the floor above', () => {
    expect(budgetOf('01')).toMatchObject({
      storeyMm: 4800,
      buildUpMm: 100,
      slabMm: 250,
      beamMm: 400,
      servicesMm: 350,
      ceilingMm: 50.8,
      clearMm: 4800 - 100 - 250 - 400 - 350 - 50.8,
      targetMm: 2700,
    });
    // The roof has no build-up; the topmost level has no storey.
    expect(budgetOf('04')).toMatchObject({ buildUpMm: 0, clearMm: 3300 - 250 - 800.8 });
    expect(solve(tower).budgets).toHaveLength(7);
    for (const { storeyMm, clearMm, ...rest } of solve(tower).budgets) {
      expect(clearMm + rest.ceilingMm + rest.servicesMm + rest.beamMm + rest.slabMm + rest.buildUpMm).toBeCloseTo(
        storeyMm,
        6,
      );
    }
  });

  it('finds the storeys under their target, with the least change that would do', () => {
    expect(low().sort()).toEqual([
      'Storey 03 has 2149.2 mm clear, 550.8 mm under the 2700 mm wanted. Raise the level above by 550.8 mm, or thin a zone',
      'Storey 04 has 2249.2 mm clear, 450.8 mm under the 2700 mm wanted. Raise the level above by 450.8 mm, or thin a zone',
      'Storey B2 has 2449.2 mm clear, 250.8 mm under the 2700 mm wanted. Raise the level above by 250.8 mm, or thin a zone',
    ]);
    const raised = step(tower, 'levels.setHeight', { level: '03', heightMm: 3300 + 550.8 }).after;
    expect(low(raised)).toHaveLength(2);
    const deep = step(tower, 'levels.setBudget', { level: '03', servicesMm: 3000 }).after;
    expect(low(deep).some((message) => /^The zones of storey 03 are 500.8 mm more than its height/.test(message))).toBe(
      true,
    );
  });

  it('follows the slab, the levels and named dimensions; a level’s own zone can be given back', () => {
    const thick = step(tower, 'floors.change', { floor: 'Plate', thicknessMm: 400 }).after;
    expect(budgetOf('01', thick).clearMm).toBe(budgetOf('01').clearMm - 150);
    const own = given(
      [
        ['dimensions.define', { name: 'deep', value: 900 }],
        ['levels.setBudget', { level: '01', beamMm: 'deep' }],
      ],
      tower,
    );
    expect(budgetOf('01', own).beamMm).toBe(900);
    expect(budgetOf('02', own).beamMm).toBe(400);
    expect(budgetOf('01', step(own, 'dimensions.define', { name: 'deep', value: 700 }).after).beamMm).toBe(700);
    expect(budgetOf('01', step(own, 'levels.setBudget', { level: '01', beamMm: null }).after).beamMm).toBe(400);
    expect(low(step(tower, 'levels.setBudget', { targetMm: null }).after)).toEqual([]);
    expect(refusal(tower, 'levels.setBudget', { beamMm: -1 })).toMatch(/The beam must be at least 0 mm/);
  });
});
