import { passwordFault } from './password';
import { personName } from './person-name';

describe('a password', () => {
  it.each([
    'aaaaaaaaaaaa',
    '1111111111',
    'abababababab',
    'password123',
    'qwertyuiop',
    'Passw0rd123',
    '1234567890',
    'letmein123',
  ])('%s is refused as guessed', (password) => expect(passwordFault(password, [])).toMatch(/guessed|repeats/));
  it('made of what others know of the person is refused', () => {
    expect(passwordFault('adavale2026', ['Ada Vale', 'adavale@example.org'])).toMatch(/guessed/);
  });
  it('of several words is taken', () => {
    for (const password of ['a long enough one', 'tide over granite yard', 'kV7#pQ2!mZ9x'])
      expect([password, passwordFault(password, ['Ada Vale'])]).toEqual([password, null]);
  });
  it('is neither too short nor too long, and can be typed', () => {
    expect(passwordFault('kV7#pQ2!m', [])).toMatch(/at least 10/);
    expect(passwordFault('kV7#pQ2!mZ9x'.repeat(20), [])).toMatch(/at most 128/);
    expect(passwordFault('kV7#pQ2!mZ9x\ud83d', [])).toMatch(/cannot be typed/);
  });
});

describe('a person’s name', () => {
  it('holds no half characters, control or direction marks', () => {
    for (const name of ['Ada\u202eelaV', 'Ada\ud83d', 'Ada\nVale', 'A\u200f', '\u2066Ada'])
      expect([name, personName.safeParse(name).success]).toEqual([name, false]);
    for (const name of ['Ada Vale', 'Zoë O’Neill-Smith', '山田 太郎', 'Ada 🏗', 'نور'])
      expect([name, personName.safeParse(name).success]).toEqual([name, true]);
  });
});
