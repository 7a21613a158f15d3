import type { HistoryEntry } from './server';

/** Name of the command that takes an earlier one back. */
export const UNDO = 'history.undo';

/** The person's last change that is not undone, or their last undo that is not redone. History comes latest first. */
export function undoTarget(
  history: readonly HistoryEntry[],
  personId: string,
  again: boolean,
): HistoryEntry | undefined {
  const takenBack = new Set(history.flatMap(({ command, target }) => (command === UNDO && target ? [target] : [])));
  const own = history.filter(({ authorId, commandId }) => authorId === personId && !takenBack.has(commandId));
  if (!again) return own.find((entry) => !isUndo(entry, history));
  const last = own[0];
  return last && isUndo(last, history) ? last : undefined;
}

/** True if an entry took something back; an undo of an undo did it again, and so on in turn. */
function isUndo(entry: HistoryEntry, history: readonly HistoryEntry[]): boolean {
  if (entry.command !== UNDO) return false;
  const target = history.find(({ commandId }) => commandId === entry.target);
  return !target || !isUndo(target, history);
}
