import type { Sent } from '../model/command-inputs';
import type { EntryContext } from './entry-context';

/** A command with its input, as typed in one line. */
export type Entered = Sent;

/** One way of typing a command. */
export interface Form {
  /** How it is typed, with what varies in capitals. */
  pattern: string;
  example: string;
  title: string;
  /** Words it begins with, for completion. */
  words: string;
  /** Matches a whole line of this form. */
  matches: RegExp;
  read: (parts: Record<string, string | undefined>, context: EntryContext) => Entered;
}
