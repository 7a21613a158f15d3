import { given, SMALL_TOWER, step } from '../testing/given';
import { COMMANDS } from './commands';
import { fixBy } from '../checks/finding';
import type { Sent } from './command-inputs';

/**
 * What the compiler refuses is a test too: each line marked as an expected error fails the type check when it is an error no more.
 */
describe('what is sent', () => {
  const tower = given(SMALL_TOWER);

  it('cannot name a command that is not there, nor a field or a word that it does not take', () => {
    // @ts-expect-error There is no such command.
    expect(() => step(tower, 'levels.renam', { level: '01', title: 'Hall' })).toThrow(/no command named/);
    // @ts-expect-error There is no such field.
    expect(() => step(tower, 'levels.rename', { level: '01', titel: 'Hall' })).toThrow(/titel/);
    // @ts-expect-error There is no such word.
    expect(() => step(tower, 'levels.insert', { level: '01', side: 'beside', heightMm: 3000 })).toThrow(/side/);
    // @ts-expect-error A stored length is no input: what names dimensions is typed.
    expect(() => step(tower, 'levels.setHeight', { level: '01', heightMm: { expr: '3 m' } })).toThrow();
    // @ts-expect-error The input is another command's.
    const mixed: Sent = { command: 'levels.rename', input: { line: '1', label: 'X' } };
    // @ts-expect-error A fix is a command too.
    expect(fixBy('Rename it', 'levels.rename', { line: '1' }).command).toBe(mixed.command);
  });

  it('is told apart by its name: no two commands have one', () => {
    expect(new Set(COMMANDS.map(({ name }) => name)).size).toBe(COMMANDS.length);
  });
});
