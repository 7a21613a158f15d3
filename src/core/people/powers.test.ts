import { may, mayNot, POWERS, powersOf, ROLES, type Power } from './powers';

const all = Object.keys(POWERS) as Power[];

describe('what each may do', () => {
  it('is more for each role than for the one after it', () => {
    for (const [i, role] of ROLES.slice(1).entries())
      for (const power of all) if (may(role, power)) expect([power, may(ROLES[i]!, power)]).toEqual([power, true]);
    expect(all.filter((power) => !may('owner', power, 'owners'))).toEqual([]);
    expect(all.filter((power) => may('viewer', power))).toEqual(['look']);
  });

  it('lets designers invite where the project says so', () => {
    expect([may('designer', 'invite', 'owners'), may('designer', 'invite', 'designers')]).toEqual([false, true]);
    expect(may('consultant', 'invite', 'designers')).toBe(false);
    expect(powersOf('designer', 'owners')).not.toContain(POWERS.invite.words);
  });

  it('is refused in words that say who could', () => {
    expect(mayNot('viewer', 'edit')).toBe('As viewer you can look and measure, but not change the framework');
    expect(mayNot('designer', 'people')).toBe('As designer you cannot change who is in the project. Ask an owner');
  });
});
