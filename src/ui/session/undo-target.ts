import { UNDO } from '@/core/history/undo-command';
import type { HistoryEntry } from '@/core/history/entry';

/** As much of an edit as tells whether it can be taken back. */
export type Undoable = Pick<HistoryEntry, 'commandId' | 'command' | 'target' | 'sentence' | 'authorId'>;

/** The person's last change that is not undone, or their last undo that is not redone. History comes latest first. */
export function undoTarget<T extends Undoable>(history: readonly T[], personId: string, again: boolean): T | undefined {
  const takenBack = new Set(history.flatMap(({ command, target }) => (command === UNDO && target ? [target] : [])));
  const own = history.filter(({ authorId, commandId }) => authorId === personId && !takenBack.has(commandId));
  if (!again) return own.find((entry) => !isUndo(entry, history));
  const last = own[0];
  return last && isUndo(last, history) ? last : undefined;
}

/** True if an entry took something back; an undo of an undo did it again, and so on in turn. */
function isUndo(entry: Undoable, history: readonly Undoable[]): boolean {
  if (entry.command !== UNDO) return false;
  const target = history.find(({ commandId }) => commandId === entry.target);
  return !target || !isUndo(target, history);
}
