import type { Sent } from '../commands/command-inputs';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { LengthUnit } from '../units/length-units';

/** What a typed line is read against: the framework, the building it is about, and the unit of a bare number. */
export interface EntryContext {
  framework: Framework;
  building: Id;
  unit: LengthUnit;
}

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
