import type { Id } from '@/core/model/ids';
import type { EditMark, Other, Project, ProjectStore } from './project';
import type { Here, Place } from '@/core/people/told';

/** A tab that is silent for longer is gone. */
const SILENT_MS = 45_000;
/** Where one looks is told so long after it changed, and so often though it did not. */
const SETTLED_MS = 400;
const REFRESH_MS = 20_000;
/** Chosen things that are told of. */
const MOST_CHOSEN = 20;
/** Who comes anew is told where the others look, by each after a moment of their own. */
const ANSWER_MS = 1500;
/** For so long another's edit is marked where it happened. */
const MARKED_MS = 6000;

/** The others after somebody was heard, without who is gone. One person is there once, where they were last. */
export function heardOther(others: readonly Other[], here: Here, me: string, now: number): Other[] {
  const rest = others.filter(({ tab, heardAt }) => tab !== here.tab && now - heardAt < SILENT_MS);
  if (!here.place || here.userId === me) return rest;
  const { tab, userId, name, place } = here;
  return [...rest, { tab, userId, name, place, heardAt: now }];
}

/** Each person once, as they were heard last, by name. */
export function eachOnce(others: readonly Other[]): Other[] {
  const latest = new Map<string, Other>();
  for (const other of others) {
    const known = latest.get(other.userId);
    if (!known || known.heardAt <= other.heardAt) latest.set(other.userId, other);
  }
  return [...latest.values()].sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
}

/** Marks another's edit in a store, and takes the mark away again. */
export function markEdit(store: ProjectStore, name: string, ids: readonly Id[]): void {
  const mark: EditMark = { name, ids: new Set(ids), until: Date.now() + MARKED_MS };
  store.setState(({ editMarks }) => ({ editMarks: [...editMarks, mark] }));
  setTimeout(() => {
    store.setState(({ editMarks }) => ({ editMarks: editMarks.filter((each) => each !== mark) }));
  }, MARKED_MS);
}

const placeOf = ({ building, level, tab, selection }: Project): Place => ({
  building,
  level,
  view: tab,
  selection: selection.slice(0, MOST_CHOSEN),
});

/**
 * Tells the others where this tab looks: a moment after it changed, now and then though it did not, and when it closes.
 * Answers how to stop, and how to tell it to somebody who came anew. That it cannot be told is no trouble: the others see
 * who is gone.
 */
export function tellWhereOneLooks(
  store: ProjectStore,
  tab: string,
  tell: (told: { tab: string; place: Place | null }, isLast: boolean) => void,
): { stop: () => void; tellAgain: () => void } {
  let told = '';
  let timer: ReturnType<typeof setTimeout> | undefined;
  const say = () => {
    const state = store.getState();
    if (state.status !== 'ready' || state.role === null || state.phase === 'signedOut') return;
    const place = placeOf(state);
    told = JSON.stringify(place);
    tell({ tab, place }, false);
  };
  const stopWatching = store.subscribe((state) => {
    if (state.status !== 'ready' || JSON.stringify(placeOf(state)) === told) return;
    clearTimeout(timer);
    timer = setTimeout(say, SETTLED_MS);
  });
  const refresh = setInterval(() => {
    say();
    // Who crashed is forgotten though nobody else says anything.
    const now = Date.now();
    store.setState(({ others }) => ({ others: others.filter(({ heardAt }) => now - heardAt < SILENT_MS) }));
  }, REFRESH_MS);
  const leave = () => tell({ tab, place: null }, true);
  window.addEventListener('pagehide', leave);
  const stop = () => {
    stopWatching();
    clearTimeout(timer);
    clearInterval(refresh);
    window.removeEventListener('pagehide', leave);
    leave();
  };
  const tellAgain = () => {
    clearTimeout(timer);
    timer = setTimeout(say, Math.random() * ANSWER_MS);
  };
  return { stop, tellAgain };
}
