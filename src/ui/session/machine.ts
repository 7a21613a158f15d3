import { laterAuthorAmong } from '@/core/history/undo';
import type { LoggedChange } from '@/core/history/entry';
import { apply, isEmpty } from '@/core/model/changes';
import type { Planned } from '@/core/commands/command';
import { plan, recalledBy } from '@/core/commands/commands';
import type { Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import { done, refuse, type Result } from '@/core/model/result';
import { mayChange, unsent, type Effect, type Pending, type SessionEvent, type SessionState } from './session-state';
import { undoTarget, type Undoable } from './undo-target';

/** Own edits that can be taken back: more than anybody undoes, few enough to keep. */
const MOST_OWN = 200;
/** An edit the server breaks on this often is not sent by itself again. */
const MOST_BROKEN = 3;
const LONGEST_PAUSE_MS = 30_000;

/** A command planned on what is seen; an undo with what it takes back, whether that was sent or not. */
export function planHere(state: SessionState, command: string, input: unknown, commandId: Id): Result<Planned> {
  return planOn(state.view, state, command, input, commandId);
}

function planOn(
  framework: Framework,
  { own, lately, planned }: Pick<SessionState, 'own' | 'lately' | 'planned'>,
  command: string,
  input: unknown,
  commandId: Id,
): Result<Planned> {
  return plan(framework, command, input, commandId, (target) => {
    const committed = own.find((entry) => entry.commandId === target);
    const found = planned.get(target) ?? committed;
    if (!found) return refuse('What was to be undone is not there any more');
    const later = lately.filter(({ seq }) => seq > (committed?.seq ?? Infinity));
    return done({ changes: found.changes, sentence: found.sentence, laterAuthor: laterAuthorAmong(later) });
  });
}

/** The edit that undo would take back now, or that redo would do again. */
export function nextUndo(state: SessionState, again: boolean): Undoable | undefined {
  const here = state.pending
    .filter(({ commandId }) => !state.own.some((entry) => entry.commandId === commandId))
    .map(({ commandId, command, input, sentence }) => ({
      commandId,
      command,
      target: recalledBy(command, input),
      sentence,
      authorId: state.personId,
    }));
  return undoTarget([...state.own, ...here].reverse(), state.personId, again);
}

/** The state after an event, and what must be done. Pure: the same state and event give the same. */
export function step(before: SessionState, event: SessionEvent): { state: SessionState; effects: Effect[] } {
  const effects: Effect[] = [];
  let state = react(before, event, effects);
  if (kept(state) !== kept(before)) effects.unshift({ do: 'keep', edits: unsent(state).map(plain) });
  state = ask(state, effects);
  return { state, effects };
}

const kept = (state: SessionState): string =>
  unsent(state)
    .map(({ commandId }) => commandId)
    .join();

const plain = ({ commandId, command, input, digest, madeAt, sentence }: Pending): Pending => ({
  commandId,
  command,
  input,
  digest,
  madeAt,
  sentence,
});

function react(state: SessionState, event: SessionEvent, effects: Effect[]): SessionState {
  switch (event.type) {
    case 'opened': {
      const { seq, framework, personId, role, own, readOnly = null, archived = false } = event;
      const opened = { opened: true, failure: null, personId, role, signedIn: true, answered: true, failures: 0 };
      return replan({ ...state, ...opened, base: framework, baseSeq: seq, headSeq: seq, own, readOnly, archived });
    }
    case 'couldNotOpen':
      return { ...state, failure: event.message };
    case 'ownRead': {
      const newer = state.own.filter(({ seq }) => !event.own.some((entry) => entry.seq === seq));
      return { ...state, own: bounded([...event.own, ...newer].sort((a, b) => a.seq - b.seq)) };
    }
    case 'restored': {
      const known = new Set(state.pending.map(({ commandId }) => commandId));
      const byId = new Map(event.edits.map((edit) => [edit.commandId, edit]));
      const edits = [...byId.values()].filter(({ commandId }) => !known.has(commandId)).map(waitingEdit);
      // What is on its way stays in front.
      const onItsWay = state.asking?.what === 'send' ? 1 : 0;
      const pending = [...state.pending.slice(0, onItsWay), ...edits, ...state.pending.slice(onItsWay)];
      return replan({ ...state, pending });
    }
    case 'edited': {
      const { edit, planned } = event;
      return {
        ...state,
        pending: [...state.pending, waitingEdit(edit)],
        view: planned.after,
        planned: new Map(state.planned).set(edit.commandId, planned),
      };
    }
    case 'acknowledged':
      return acknowledged(answeredNow(state), event);
    case 'refused':
      return refused({ ...state, asking: null }, state.asking, event, effects);
    case 'missedRead':
      return missedRead(answeredNow(state), event.changes);
    case 'told': {
      const { change } = event;
      const heard = { ...state, headSeq: Math.max(state.headSeq, change.seq) };
      return change.seq === state.baseSeq + 1 ? takeIn(heard, [change]) : heard;
    }
    case 'heads': {
      if (event.seq === null || event.role === null) return { ...state, role: null };
      const headSeq = Math.max(state.headSeq, event.seq);
      return { ...state, role: event.role, headSeq, archived: event.archived ?? state.archived };
    }
    case 'live':
      return event.live ? speaksAgain(state) : { ...state, live: false };
    case 'signedOut':
      return { ...state, signedIn: false };
    case 'signedIn':
      return { ...state, signedIn: true, waiting: false, failures: 0, answered: true };
    case 'waited':
      return { ...state, waiting: false };
    case 'tryAgain':
      return { ...state, stuck: null, broken: 0, waiting: false };
    case 'takeBack': {
      if (state.asking?.what === 'send' && state.asking.commandId === event.commandId) return state;
      const pending = state.pending.filter(({ commandId }) => commandId !== event.commandId);
      const stuck = state.stuck?.commandId === event.commandId ? null : state.stuck;
      return replan({ ...state, pending, stuck, broken: stuck ? state.broken : 0 });
    }
  }
}

/** A stream that speaks again is a reason to ask at once, also with what the server had broken on before it was away. */
const speaksAgain = (state: SessionState): SessionState => ({
  ...state,
  live: true,
  waiting: false,
  ...(state.live === false && state.broken >= MOST_BROKEN ? { stuck: null, broken: 0 } : {}),
});

const waitingEdit = (edit: Pending) => ({ ...edit, acknowledgedAs: null });

const bounded = (own: LoggedChange[]): LoggedChange[] => own.slice(-MOST_OWN);

const answeredNow = (state: SessionState): SessionState => ({
  ...state,
  asking: null,
  answered: true,
  failures: 0,
  broken: 0,
  waiting: false,
});

function acknowledged(
  state: SessionState,
  { commandId, seq, changes, entry }: Extract<SessionEvent, { type: 'acknowledged' }>,
): SessionState {
  const headSeq = Math.max(state.headSeq, seq);
  if (entry && seq === state.baseSeq + 1) return takeIn({ ...state, headSeq }, [entry]);
  // It changed nothing, or has come by the stream before its answer did.
  if (isEmpty(changes) || seq <= state.baseSeq)
    return replan({
      ...state,
      headSeq,
      pending: state.pending.filter((waiting) => waiting.commandId !== commandId),
    });
  const pending = state.pending.map((waiting) =>
    waiting.commandId === commandId ? { ...waiting, acknowledgedAs: seq } : waiting,
  );
  return { ...state, headSeq, pending };
}

function missedRead(state: SessionState, changes: readonly LoggedChange[]): SessionState {
  // An answer without the next number tells that the head heard of is not to be had: what was answered holds.
  if (!changes.some(({ seq }) => seq === state.baseSeq + 1)) return { ...state, headSeq: state.baseSeq };
  return takeIn(state, changes);
}

/** Takes committed changes into the base, in order, and plans what is pending anew on top. */
function takeIn(state: SessionState, committed: readonly LoggedChange[]): SessionState {
  let { base, baseSeq } = state;
  const own = [...state.own];
  const lately = [...state.lately];
  const done = new Set<Id>();
  for (const change of committed) {
    if (change.seq !== baseSeq + 1) continue;
    base = apply(base, change.changes);
    baseSeq = change.seq;
    done.add(change.commandId);
    lately.push(change);
    if (change.authorId === state.personId) own.push(change);
  }
  const pending = state.pending.filter(
    ({ commandId, acknowledgedAs }) => !done.has(commandId) && (acknowledgedAs ?? Infinity) > baseSeq,
  );
  return replan({
    ...state,
    base,
    baseSeq,
    headSeq: Math.max(state.headSeq, baseSeq),
    own: bounded(own),
    lately: bounded(lately),
    pending,
  });
}

/**
 * Plans what is pending on the base. An edit that does not fit any more is not shown, but it stays and is sent: the
 * server has the last word about it.
 */
function replan(state: SessionState): SessionState {
  const planned = new Map<Id, Planned>();
  let view = state.base;
  for (const { commandId, command, input } of state.pending) {
    const again = planOn(view, { own: state.own, lately: state.lately, planned }, command, input, commandId);
    if (!again.ok) continue;
    planned.set(commandId, again.value);
    view = again.value.after;
  }
  return { ...state, view, planned };
}

/** A request that was not done. Only what is refused for itself leaves the list. */
function refused(
  state: SessionState,
  asked: SessionState['asking'],
  event: Extract<SessionEvent, { type: 'refused' }>,
  effects: Effect[],
): SessionState {
  const { status, message } = event;
  const sent =
    asked?.what === 'send' ? state.pending.find(({ commandId }) => commandId === asked.commandId) : undefined;
  if (status === 401) return { ...state, answered: true, signedIn: false };
  if (status === 404) return { ...state, answered: true, role: null };
  if (event.archived) return { ...state, answered: true, archived: true };
  if (status === 403) return { ...state, answered: true, role: event.role === undefined ? 'viewer' : event.role };
  if (sent && (status === 409 || status === 422)) {
    effects.push({
      do: 'say',
      message: status === 409 ? message : `Not saved: “${sent.sentence}”. ${message}`,
      ...(status === 409 ? { again: plain(sent) } : {}),
    });
    const pending = state.pending.filter((waiting) => waiting !== sent);
    return replan({
      ...answeredNow(state),
      pending,
      headSeq: Math.max(state.headSeq, event.headSeq ?? 0),
    });
  }
  if (sent && (status === 400 || status === 413 || status === 415))
    return { ...state, answered: true, stuck: { commandId: sent.commandId, message } };
  // No answer, too many requests, or a server in trouble: kept, and asked again after a growing pause.
  const isBroken = sent !== undefined && status >= 500 && status !== 503;
  const broken = isBroken ? state.broken + 1 : state.broken;
  if (sent && broken >= MOST_BROKEN)
    return { ...state, answered: true, broken, stuck: { commandId: sent.commandId, message } };
  const failures = state.failures + 1;
  const pauseMs = Math.min(LONGEST_PAUSE_MS, 1000 * 2 ** Math.min(failures - 1, 10));
  effects.push({ do: 'wait', ms: Math.max(pauseMs, event.retryAfterMs ?? 0) });
  return { ...state, answered: false, waiting: true, failures, broken };
}

/** Asks for what comes next, if anything does and nothing stands in the way. */
function ask(state: SessionState, effects: Effect[]): SessionState {
  if (!state.opened || state.failure !== null || !state.signedIn || state.role === null) return state;
  if (state.readOnly !== null) return state;
  if (state.asking || state.waiting) return state;
  if (state.headSeq > state.baseSeq) {
    effects.push({ do: 'readMissed', since: state.baseSeq });
    return { ...state, asking: { what: 'missed' } };
  }
  const next = unsent(state)[0];
  // What a lost answer was about has come by the stream meanwhile: nothing is left unanswered.
  if (!next) return state.answered ? state : { ...state, answered: true, failures: 0 };
  if (state.stuck || state.archived || !mayChange(state.role)) return state;
  effects.push({ do: 'send', edit: plain(next) });
  return { ...state, asking: { what: 'send', commandId: next.commandId } };
}
