import type { Changes } from '../model/changes';
import type { Id } from '../model/ids';

/** One line of a project's history: who did what and when. */
export interface HistoryEntry {
  seq: number;
  commandId: Id;
  command: string;
  /** Of an undo: the command it took back. */
  target: Id | null;
  sentence: string;
  author: string;
  authorId: string;
  /** ISO 8601. */
  at: string;
}

/** A line of the history with what it changed, as it is told to who has the project open. */
export interface LoggedChange extends HistoryEntry {
  changes: Changes;
}
