import { done, refuse, type Result } from '../model/result';
import { Unread } from './entry-context';
import type { Entered, Form, EntryContext } from '../kinds/form';
import { FORMS } from './forms';

/** Reads one typed line as a command. What cannot be read says which part, or which forms come near. */
export function readEntry(line: string, context: EntryContext): Result<Entered> {
  const text = line.trim().replace(/\s+/g, ' ');
  if (text === '') return refuse('Type a command, like level 02 to 10.35m', { at: 0 });
  const form = FORMS.find(({ matches }) => matches.test(text));
  if (!form) {
    const [near] = completions(text);
    return refuse(near ? `Go on like: ${near.example}` : `There is no command that begins "${text.split(' ')[0]}"`, {
      at: text.length,
    });
  }
  try {
    return done(form.read(form.matches.exec(text)!.groups ?? {}, context));
  } catch (error) {
    if (error instanceof Unread) return refuse(error.message, { at: 0 });
    throw error;
  }
}

/** Verbs whose forms part at their second word. */
const TWO_WORDS = new Set(['split', 'name', 'free', 'set', 'columns']);

/** Forms a line could become: all for an empty one, else those whose words begin as it does. */
export function completions(line: string): Form[] {
  const typed = line.trim().toLowerCase().replace(/\s+/g, ' ');
  if (typed === '') return [...FORMS];
  const [first, second] = typed.split(' ');
  return FORMS.filter(({ words }) => {
    const [verb, noun] = words.split(' ');
    if (second === undefined) return verb!.startsWith(first!);
    if (verb !== first && `${verb}s` !== first && verb !== `${first}s`) return false;
    return !TWO_WORDS.has(verb!) || noun!.startsWith(second);
  });
}
