import fc from 'fast-check';
import { UNDO } from '@/core/history/undo-command';
import type { HistoryEntry } from '@/core/history/entry';
import { undoTarget } from './undo-target';

/** A history written oldest first, as `id:author` or `id:author>target` for an undo; answered latest first. */
const history = (...entries: string[]): HistoryEntry[] =>
  entries
    .map((entry, i): HistoryEntry => {
      const [, commandId, authorId, target] = /^(\w+):(\w+)(?:>(\w+))?$/.exec(entry)!;
      return {
        seq: i + 1,
        commandId: commandId!,
        authorId: authorId!,
        author: authorId!,
        command: target ? UNDO : 'levels.rename',
        target: target ?? null,
        sentence: commandId!,
        at: '',
      };
    })
    .reverse();
const undo = (...entries: string[]) => undoTarget(history(...entries), 'me', false)?.commandId;
const redo = (...entries: string[]) => undoTarget(history(...entries), 'me', true)?.commandId;

describe('what undo takes back', () => {
  it('is one’s own last change, whatever others did since', () => {
    expect(undo()).toBeUndefined();
    expect(undo('a:me', 'b:me', 'c:you')).toBe('b');
    expect(undo('a:you')).toBeUndefined();
  });
  it('goes further back with each undo', () => {
    expect(undo('a:me', 'b:me', 'u:me>b')).toBe('a');
    expect(undo('a:me', 'b:me', 'u:me>b', 'v:me>a')).toBeUndefined();
  });
  it('is what was redone, once it was', () => {
    expect(undo('a:me', 'u:me>a', 'r:me>u')).toBe('r');
    expect(undo('a:me', 'u:me>a', 'r:me>u', 'w:me>r')).toBeUndefined();
  });
});

describe('what redo takes back', () => {
  it('is the last undo, as long as nothing new was done', () => {
    expect(redo('a:me')).toBeUndefined();
    expect(redo('a:me', 'u:me>a')).toBe('u');
    expect(redo('a:me', 'u:me>a', 'b:me')).toBeUndefined();
    expect(redo('a:me', 'u:me>a', 'b:you')).toBe('u');
    expect(redo('a:me', 'b:me', 'u:me>b', 'v:me>a')).toBe('v');
    expect(redo('a:me', 'u:me>a', 'r:me>u')).toBeUndefined();
  });
});

it('as many undos as there were changes bring everything back, and as many redos do it all again', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 8 }), (count) => {
      const entries = Array.from({ length: count }, (_, i) => `c${i}:me`);
      for (let i = 0; i < count; i += 1) entries.push(`u${i}:me>${undo(...entries)!}`);
      expect(undo(...entries)).toBeUndefined();
      expect(redo(...entries)).toBe(`u${count - 1}`);
      entries.push(`r:me>${redo(...entries)!}`);
      expect(undo(...entries)).toBe('r');
    }),
  );
});
