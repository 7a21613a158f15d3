import type { LoggedChange } from '@/core/history/entry';
import type { Changes } from '@/core/model/changes';
import type { Planned } from '@/core/commands/command';
import { EMPTY_FRAMEWORK, type Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import type { Json } from '@/core/model/json';
import { may, type Role } from '@/core/people/powers';

/** An edit made here that the server has not answered for. It is what is kept in the browser. */
export interface Pending {
  commandId: Id;
  command: string;
  input: Json;
  digest: string;
  /** Number of the framework it was made on. */
  madeAt: number;
  /** What it was, in words, for who must decide about it. */
  sentence: string;
}

/** What a session is in. Each has its words in the top line. */
export type Phase =
  'opening' | 'current' | 'sending' | 'catchingUp' | 'offline' | 'signedOut' | 'outOfProject' | 'stuck' | 'failed';

/** Why nothing is sent: an edit that can never be saved as it is. */
interface Stuck {
  commandId: Id;
  message: string;
}

/** One open project in one tab, as a value. Nothing here reads a clock or asks a server: see `machine.ts`. */
export interface SessionState {
  opened: boolean;
  failure: string | null;
  personId: string;
  role: Role | null;
  /** Why nothing can be changed here by anybody: the log is damaged, and this is its last good state. */
  readOnly: string | null;
  /** It is put away: nobody changes it until an owner takes it out again. */
  archived: boolean;
  signedIn: boolean;
  /** The live stream speaks, here or in the tab that holds it; null until the first word. */
  live: boolean | null;
  /** The last request was answered. */
  answered: boolean;
  /** Nothing is asked before a timer has run out. */
  waiting: boolean;
  /** Requests in a row that were not answered, or by a server in trouble. */
  failures: number;
  /** How often the server broke on the oldest edit. */
  broken: number;
  stuck: Stuck | null;
  /** The request on its way. One at a time, so that edits are committed in the order they were made. */
  asking: { what: 'send'; commandId: Id } | { what: 'missed' } | null;
  /** What the server has, as far as it is known here, and the highest number heard of. */
  base: Framework;
  baseSeq: number;
  headSeq: number;
  /** Oldest first. One that is acknowledged stays until its change has come, so that nothing flickers. */
  pending: readonly (Pending & { acknowledgedAs: number | null })[];
  /** Base with all pending edits that fit it. */
  view: Framework;
  /** This person's committed edits, oldest first: what undo takes back. */
  own: readonly LoggedChange[];
  /** What was committed lately, by anybody, oldest first: who stands in the way of an undo. */
  lately: readonly LoggedChange[];
  /** What each pending edit changes in the view, for undoing it before it is sent. */
  planned: ReadonlyMap<Id, Planned>;
}

export type SessionEvent =
  | {
      type: 'opened';
      seq: number;
      framework: Framework;
      personId: string;
      role: Role;
      own: readonly LoggedChange[];
      readOnly?: string;
      archived?: boolean;
    }
  | { type: 'couldNotOpen'; message: string }
  | { type: 'ownRead'; own: readonly LoggedChange[] }
  | { type: 'restored'; edits: readonly Pending[] }
  | { type: 'edited'; edit: Pending; planned: Planned }
  | { type: 'acknowledged'; commandId: Id; seq: number; changes: Changes; entry: LoggedChange | null }
  | {
      type: 'refused';
      status: number;
      message: string;
      headSeq?: number;
      retryAfterMs?: number;
      role?: Role | null;
      archived?: boolean;
    }
  | { type: 'missedRead'; changes: readonly LoggedChange[] }
  | { type: 'told'; change: LoggedChange }
  | { type: 'heads'; seq: number | null; role: Role | null; archived?: boolean }
  | { type: 'live'; live: boolean }
  | { type: 'signedOut' }
  | { type: 'signedIn' }
  | { type: 'waited' }
  | { type: 'tryAgain' }
  | { type: 'takeBack'; commandId: Id };

/** What the driver must do after a step. */
export type Effect =
  | { do: 'send'; edit: Pending }
  | { do: 'readMissed'; since: number }
  | { do: 'wait'; ms: number }
  | { do: 'keep'; edits: readonly Pending[] }
  | { do: 'say'; message: string; again?: Pending };

export const CLOSED: SessionState = {
  opened: false,
  failure: null,
  personId: '',
  role: null,
  readOnly: null,
  archived: false,
  signedIn: true,
  live: null,
  answered: true,
  waiting: false,
  failures: 0,
  broken: 0,
  stuck: null,
  asking: null,
  base: EMPTY_FRAMEWORK,
  baseSeq: 0,
  headSeq: 0,
  pending: [],
  view: EMPTY_FRAMEWORK,
  own: [],
  lately: [],
  planned: new Map(),
};

export const mayChange = (role: Role | null): boolean => role !== null && may(role, 'edit');

/** Edits that the server has not acknowledged. */
export const unsent = (state: SessionState): readonly Pending[] =>
  state.pending.filter(({ acknowledgedAs }) => acknowledgedAs === null);

/** What the session is in. Of several troubles the one a person must act on comes first. */
export function phaseOf(state: SessionState): Phase {
  if (state.failure !== null) return 'failed';
  if (!state.opened) return 'opening';
  if (!state.signedIn) return 'signedOut';
  const mayNotSend = !mayChange(state.role) || state.archived;
  if (state.role === null || state.readOnly !== null || (mayNotSend && unsent(state).length > 0)) return 'outOfProject';
  if (state.stuck) return 'stuck';
  if (!state.answered || state.live === false) return 'offline';
  if (state.pending.length > 0) return 'sending';
  return state.headSeq > state.baseSeq || state.live === null ? 'catchingUp' : 'current';
}
