import type { ProjectStore } from '../session/store';
import { REMOVE } from '../acts/acts';
import { beginPaste, take } from '../acts/taken';
import { isTyping } from './is-typing';

/** True where text stands that was not taken yet: taking back is the field's own there. Elsewhere it takes back the last change. */
const hasTyped = (target: EventTarget | null): boolean =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement && target.type !== 'checkbox' && target.dataset.taken === undefined);

/** Keys that work anywhere in the workspace. Answers how to stop listening. */
export function listenToKeys(store: ProjectStore): () => void {
  const pressed = (event: KeyboardEvent) => {
    const state = store.getState();
    const withCommand = event.ctrlKey || event.metaKey;
    if (withCommand && event.key.toLowerCase() === 'z' && !hasTyped(event.target)) {
      event.preventDefault();
      undo(store, event.shiftKey);
    } else if (isTyping(event.target)) return;
    else if (withCommand && !event.shiftKey && !event.altKey && 'cxv'.includes(event.key.toLowerCase())) {
      if (carry(store, event.key.toLowerCase())) event.preventDefault();
    } else if (event.key === 'Escape') stepBack(store);
    else if (event.key === '?') {
      // Or it would be typed into the field that takes the focus.
      event.preventDefault();
      store.setState({ isHelpOpen: true });
    } else if (event.key === 'Delete' && state.selection.length > 0) removeSelection(store);
    else if ((event.key === 'ContextMenu' || (event.key === 'F10' && event.shiftKey)) && state.selection.length > 0) {
      event.preventDefault();
      store.setState({ menu: middleOf(event.target) });
    } else if (NUDGES[event.key] && isOverPlan(event.target) && !withCommand && !event.altKey) {
      if (nudge(store, NUDGES[event.key]!, event.shiftKey)) event.preventDefault();
    } else if (event.key === 'PageUp' || event.key === 'PageDown') {
      event.preventDefault();
      changeLevel(store, event.key === 'PageUp' ? 1 : -1);
    }
  };
  window.addEventListener('keydown', pressed);
  return () => window.removeEventListener('keydown', pressed);
}

const NUDGES: Record<string, readonly [east: number, north: number]> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** Arrows belong to what has the focus, unless that is the plan or nothing. */
const isOverPlan = (target: EventTarget | null): boolean =>
  target === document.body || (target instanceof Element && target.closest('[data-plan]') !== null);

/** Where a list of acts opens from the keyboard: at what has the focus, or in the middle of the views. */
function middleOf(target: EventTarget | null): { x: number; y: number } {
  const inFocus = target instanceof Element && target !== document.body ? target : document.querySelector('main');
  const { left, top, width, height } = (inFocus ?? document.body).getBoundingClientRect();
  return { x: left + width / 2, y: top + height / 2 };
}

/** Moves what is chosen a step: 10 mm or half an inch, ten and twelve times as far with Shift. Answers whether anything was chosen. */
function nudge(store: ProjectStore, [east, north]: readonly [number, number], far: boolean): boolean {
  const { selection, tab, beside, busy, mayEdit, display, run, say } = store.getState();
  if (selection.length === 0 || busy || !mayEdit || (tab !== 'plan' && beside !== 'plan')) return false;
  const step = display.system === 'imperial' ? (far ? 152.4 : 12.7) : far ? 100 : 10;
  const refusal = run('elements.move', { ids: selection, xMm: east * step, yMm: north * step });
  if (refusal) say(refusal);
  return true;
}

/** Takes along, takes away, puts in; false where that is left to the browser: text is chosen, or nothing to do it with. */
function carry(store: ProjectStore, key: string): boolean {
  const state = store.getState();
  if (!state.mayEdit || (key !== 'v' && (state.selection.length === 0 || !getSelection()?.isCollapsed))) return false;
  const refusal = key === 'v' ? beginPaste(state) : key === 'c' ? take(state) : (take(state) ?? REMOVE.act(state));
  if (refusal) state.say(refusal);
  return true;
}

/** Takes back the person's last change, or the last undo, and says which. */
export function undo(store: ProjectStore, again: boolean): void {
  const { session, mayEdit, say } = store.getState();
  const result = mayEdit ? session?.undo(again) : null;
  if (result) say(result.ok ? result.value.sentence : result.refusal.message, result.ok ? 'done' : 'trouble');
}

/** Esc goes one step back: the chosen lines, then the tool, then the selection. */
function stepBack(store: ProjectStore): void {
  const { busy, step, act } = store.getState();
  if (act) return store.setState({ act: null });
  if (busy?.with === 'lines' && busy.chosen.length > 0) store.setState({ busy: { with: 'lines', chosen: [] } });
  else if (busy && !step) store.setState({ busy: null });
  else if (step) store.setState({ step: null, busy: null, ghost: null });
  else store.setState({ selection: [] });
}

function removeSelection(store: ProjectStore): void {
  const refusal = REMOVE.act(store.getState());
  if (refusal) store.getState().say(refusal);
}

function changeLevel(store: ProjectStore, by: 1 | -1): void {
  const { solved, building, level } = store.getState();
  const levels = (solved?.levels ?? []).filter((candidate) => candidate.building === building && candidate.bounding);
  const next = levels[levels.findIndex(({ id }) => id === level) + by];
  if (next) store.setState({ level: next.id });
}
