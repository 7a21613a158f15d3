import fc from 'fast-check';
import { groundsDigest } from '@/core/commands/command';
import { UNDO } from '@/core/history/undo-command';
import type { LoggedChange } from '@/core/history/entry';
import { apply } from '@/core/model/changes';
import { plan } from '@/core/commands/commands';
import { frameworkHash, recordsOf, type Framework } from '@/core/model/framework';
import { derivedCommandId } from '@/core/model/ids';
import { nextUndo, planHere, step } from './machine';
import {
  CLOSED,
  phaseOf,
  unsent,
  type Effect,
  type Pending,
  type SessionEvent,
  type SessionState,
} from './session-state';
import { START } from './testing/start';

/** A session driven by hand: events in, effects noted. */
function session(role: 'designer' | 'viewer' = 'designer') {
  let state: SessionState = CLOSED;
  const effects: Effect[] = [];
  let count = 0;
  const on = (event: SessionEvent) => {
    const next = step(state, event);
    state = next.state;
    effects.push(...next.effects);
    return next.effects;
  };
  const edit = (command: string, input: unknown): string => {
    const commandId = derivedCommandId('edit', String(count++));
    const planned = planHere(state, command, input, commandId);
    if (!planned.ok) throw new Error(planned.refusal.message);
    const { changes, sentence } = planned.value;
    const made = {
      commandId,
      command,
      input: input as never,
      digest: groundsDigest(changes),
      madeAt: state.baseSeq,
      sentence,
    };
    on({ type: 'edited', edit: made, planned: planned.value });
    return commandId;
  };
  on({ type: 'opened', seq: 3, framework: START, personId: 'me', role, own: [] });
  on({ type: 'live', live: true });
  return {
    on,
    edit,
    effects,
    title: (title: string) => edit('levels.rename', { level: '01', title }),
    undo: (again = false) => {
      const target = nextUndo(state, again);
      return target ? edit(UNDO, { target: target.commandId }) : null;
    },
    get state() {
      return state;
    },
    get phase() {
      return phaseOf(state);
    },
    get kept() {
      return unsent(state).map(({ commandId }) => commandId);
    },
    /** What the server's log would hold of an edit that is on its way. */
    entry: (commandId: string, seq = state.baseSeq + 1): LoggedChange => {
      const planned = state.planned.get(commandId)!;
      const { command, input } = state.pending.find((each) => each.commandId === commandId)!;
      const target = command === UNDO ? (input as { target: string }).target : null;
      const { changes, sentence } = planned;
      return { seq, commandId, command, target, sentence, changes, author: 'Me', authorId: 'me', at: '' };
    },
    acknowledge(commandId: string) {
      const entry = this.entry(commandId);
      return on({ type: 'acknowledged', commandId, seq: entry.seq, changes: entry.changes, entry });
    },
  };
}

const titleOf = (framework: Framework): string =>
  recordsOf(framework, 'level').find(({ name }) => name === '01')!.title;
const refused = (status: number, more: object = {}): SessionEvent => ({
  type: 'refused',
  status,
  message: 'No',
  ...more,
});

describe('an edit', () => {
  it('shows at once, is kept before anything else is done with it, and is sent', () => {
    const s = session();
    const before = s.effects.length;
    const id = s.title('Hall');
    expect(titleOf(s.state.view)).toBe('Hall');
    expect(s.effects.slice(before).map((effect) => effect.do)).toEqual(['keep', 'send']);
    expect(s.phase).toBe('sending');
    s.acknowledge(id);
    expect(s.phase).toBe('current');
    expect(s.effects.at(-1)).toEqual({ do: 'keep', edits: [] });
    expect(titleOf(s.state.base)).toBe('Hall');
  });

  it('waits for the one before it: they are committed in the order they were made', () => {
    const s = session();
    const [first] = [s.title('A'), s.title('B')];
    expect(s.effects.filter((effect) => effect.do === 'send')).toHaveLength(1);
    s.acknowledge(first);
    expect(s.effects.filter((effect) => effect.do === 'send')).toHaveLength(2);
  });

  it.each([401, 403, 404, 408, 429, 500, 502, 503, 0])('answered with %s stays kept', (status) => {
    const s = session();
    const ids = [s.title('A'), s.title('B')];
    s.on(refused(status));
    expect(s.kept).toEqual(ids);
    expect(titleOf(s.state.view)).toBe('B');
    expect(s.effects.filter((effect) => effect.do === 'send')).toHaveLength(1);
  });

  it.each([409, 422])('refused for itself with %s leaves the list and is told, and the next is sent', (status) => {
    const s = session();
    const [, second] = [s.title('A'), s.title('B')];
    const told = s.on(refused(status)).find((effect) => effect.do === 'say');
    expect(told).toMatchObject({ message: expect.stringContaining('No') });
    expect(told && 'again' in told).toBe(status === 409);
    expect(s.kept).toEqual([second]);
    expect(titleOf(s.state.view)).toBe('B');
    expect(s.effects.at(-1)).toMatchObject({ do: 'send', edit: { commandId: second } });
  });

  it('that was acknowledged under a later number stays in view until what came before it is read', () => {
    const s = session();
    const id = s.title('Mine');
    const { changes } = s.state.planned.get(id)!;
    s.on({ type: 'acknowledged', commandId: id, seq: 5, changes, entry: { ...s.entry(id), seq: 5 } });
    expect(titleOf(s.state.view)).toBe('Mine');
    expect(s.kept).toEqual([]);
    expect(s.effects.at(-1)).toEqual({ do: 'readMissed', since: 3 });
    const other = plan(s.state.base, 'levels.rename', { level: '02', title: 'Theirs' }, derivedCommandId('other'));
    if (!other.ok) throw new Error();
    const theirs = {
      ...s.entry(id),
      commandId: derivedCommandId('other'),
      authorId: 'you',
      changes: other.value.changes,
      seq: 4,
    };
    s.on({ type: 'missedRead', changes: [theirs, { ...s.entry(id), seq: 5 }] });
    expect([s.state.baseSeq, s.state.pending, titleOf(s.state.base)]).toEqual([5, [], 'Mine']);
    expect(s.phase).toBe('current');
  });

  it('heard of by the stream before its answer came is not doubled', () => {
    const s = session();
    const id = s.title('Mine');
    const entry = s.entry(id);
    s.on({ type: 'told', change: entry });
    expect([s.state.baseSeq, s.state.pending]).toEqual([4, []]);
    s.on({ type: 'acknowledged', commandId: id, seq: 4, changes: entry.changes, entry });
    expect([s.state.baseSeq, titleOf(s.state.view), s.phase]).toEqual([4, 'Mine', 'current']);
  });

  it('that does not fit any more after somebody else’s is not shown but still sent: the server has the last word', () => {
    const s = session();
    const id = s.edit('levels.rename', { level: '02', title: 'Mine' });
    const gone = plan(s.state.base, 'levels.remove', { level: '02' }, derivedCommandId('gone'));
    if (!gone.ok) throw new Error(gone.refusal.message);
    const theirs = {
      ...s.entry(id),
      commandId: derivedCommandId('gone'),
      authorId: 'you',
      changes: gone.value.changes,
    };
    s.on({ type: 'told', change: theirs });
    expect(recordsOf(s.state.view, 'level').some(({ title }) => title === 'Mine')).toBe(false);
    expect(s.kept).toEqual([id]);
    s.on(refused(422));
    expect(s.kept).toEqual([]);
  });
});

describe('the states', () => {
  it('says Saved only while the stream lives', () => {
    const s = session();
    expect(s.phase).toBe('current');
    s.on({ type: 'live', live: false });
    expect(s.phase).toBe('offline');
    s.on({ type: 'live', live: true });
    expect(s.phase).toBe('current');
    expect(phaseOf(CLOSED)).toBe('opening');
  });

  it('offline: pauses grow, and a stream that speaks again makes it try at once', () => {
    const s = session();
    s.title('A');
    const pauses: number[] = [];
    for (let i = 0; i < 8; i += 1) {
      for (const effect of s.on(refused(0))) if (effect.do === 'wait') pauses.push(effect.ms);
      s.on({ type: 'waited' });
    }
    expect(pauses).toEqual([1000, 2000, 4000, 8000, 16000, 30000, 30000, 30000]);
    s.on(refused(0));
    expect(s.phase).toBe('offline');
    expect(s.on({ type: 'live', live: true }).map((effect) => effect.do)).toEqual(['send']);
  });

  it('too many requests: it waits as long as it is told to', () => {
    const s = session();
    s.title('A');
    expect(s.on(refused(429, { retryAfterMs: 60_000 }))).toContainEqual({ do: 'wait', ms: 60_000 });
  });

  it('signed out: nothing is sent until the person has signed in again, then all of it', () => {
    const s = session();
    const ids = [s.title('A'), s.title('B'), s.title('C')];
    s.on(refused(401));
    expect([s.phase, s.kept]).toEqual(['signedOut', ids]);
    expect(s.on({ type: 'live', live: true })).toEqual([]);
    expect(s.on({ type: 'signedIn' }).map((effect) => effect.do)).toEqual(['send']);
    for (const id of ids) s.acknowledge(id);
    expect(s.phase).toBe('current');
  });

  it('out of the project: told by the stream, what was not sent is kept, and goes on once the role is back', () => {
    const s = session();
    const id = s.title('A');
    s.on({ type: 'heads', seq: null, role: null });
    expect(s.phase).toBe('outOfProject');
    s.on(refused(404));
    expect([s.phase, s.kept]).toEqual(['outOfProject', [id]]);
    s.on({ type: 'heads', seq: 3, role: 'viewer' });
    expect(s.phase).toBe('outOfProject');
    expect(s.on({ type: 'heads', seq: 3, role: 'designer' }).map((effect) => effect.do)).toEqual(['send']);
  });

  it('archived: nothing is sent or thrown away until it is taken out of the archive, whoever tells of it', () => {
    const archived = { type: 'refused', status: 423, message: 'Archived', archived: true } as const;
    const told = { type: 'heads', seq: 3, role: 'designer', archived: true } as const;
    for (const events of [[archived], [told, archived]]) {
      const s = session();
      const id = s.title('A');
      for (const event of events) s.on(event);
      expect([s.phase, s.kept]).toEqual(['outOfProject', [id]]);
      // The same role, still archived: nothing is tried again.
      expect(s.on(told)).toEqual([]);
      const effects = s.on({ ...told, archived: false });
      expect([effects.map((effect) => effect.do), s.phase]).toEqual([['send'], 'sending']);
    }
  });

  it('a role that was lowered while nothing is pending leaves a session that looks', () => {
    const s = session();
    s.on({ type: 'heads', seq: 3, role: 'viewer' });
    expect([s.phase, s.state.role]).toEqual(['current', 'viewer']);
  });

  it('stuck: an edit the server breaks on three times, or can never take, is not sent by itself again', () => {
    const s = session();
    const [first, second] = [s.title('A'), s.title('B')];
    for (let i = 0; i < 2; i += 1) {
      s.on(refused(500));
      expect(s.phase).toBe('offline');
      s.on({ type: 'waited' });
    }
    s.on(refused(500));
    expect([s.phase, s.state.stuck?.commandId, s.kept]).toEqual(['stuck', first, [first, second]]);
    expect(s.on({ type: 'live', live: true })).toEqual([]);
    expect(s.on({ type: 'takeBack', commandId: first! }).map((effect) => effect.do)).toEqual(['keep', 'send']);
    expect(titleOf(s.state.view)).toBe('B');
    const other = session();
    other.title('A');
    other.on(refused(413));
    expect(other.phase).toBe('stuck');
    expect(other.on({ type: 'tryAgain' }).map((effect) => effect.do)).toEqual(['send']);
  });

  it('a database that is away is no reason to give up on an edit', () => {
    const s = session();
    s.title('A');
    for (let i = 0; i < 10; i += 1) {
      s.on(refused(503));
      s.on({ type: 'waited' });
    }
    expect([s.phase, s.state.stuck]).toEqual(['offline', null]);
  });

  it('catching up: a head that was heard of is read, once', () => {
    const s = session();
    expect(s.on({ type: 'heads', seq: 9, role: 'designer' })).toEqual([{ do: 'readMissed', since: 3 }]);
    expect(s.phase).toBe('catchingUp');
    expect(s.on({ type: 'heads', seq: 10, role: 'designer' })).toEqual([]);
  });

  it('edits kept by a closed tab come before those of this one, and none twice', () => {
    const s = session();
    s.on({ type: 'live', live: false });
    const mine = s.title('Mine');
    const kept: Pending = {
      ...s.state.pending[0]!,
      commandId: derivedCommandId('kept'),
      input: { level: '01', title: 'Kept' },
    };
    s.on({ type: 'restored', edits: [kept, kept] });
    // The one on its way stays in front.
    expect(s.kept).toEqual([mine, kept.commandId]);
  });
});

describe('undo', () => {
  it('is a command like others: at once, offline, in the same queue', () => {
    const s = session();
    s.on({ type: 'live', live: false });
    const before = titleOf(s.state.view);
    const ids = [s.title('A'), s.title('B'), s.title('C')];
    const undone = [s.undo(), s.undo(), s.undo()];
    expect(titleOf(s.state.view)).toBe(before);
    expect(s.undo()).toBeNull();
    expect(s.kept).toEqual([...ids, ...undone]);
    expect(s.undo(true)).not.toBeNull();
    expect(titleOf(s.state.view)).toBe('A');
  });

  it('takes back what was committed before, and one’s own only', () => {
    const s = session();
    s.acknowledge(s.title('A'));
    const theirs = plan(s.state.base, 'levels.rename', { level: '02', title: 'Theirs' }, derivedCommandId('theirs'));
    if (!theirs.ok) throw new Error(theirs.refusal.message);
    const { changes, sentence } = theirs.value;
    const who = { author: 'You', authorId: 'you', at: '', target: null, command: 'levels.rename' };
    s.on({ type: 'told', change: { seq: 5, commandId: derivedCommandId('theirs'), changes, sentence, ...who } });
    s.undo();
    expect(s.state.pending.at(-1)).toMatchObject({ command: UNDO, sentence: expect.stringContaining('Undone') });
    expect([titleOf(s.state.view), recordsOf(s.state.view, 'level').some(({ title }) => title === 'Theirs')]).toEqual([
      '',
      true,
    ]);
  });

  it('over somebody else’s edit of the same field is refused, naming them', () => {
    const s = session();
    s.acknowledge(s.title('A'));
    const theirs = plan(s.state.base, 'levels.rename', { level: '01', title: 'T' }, derivedCommandId('theirs'));
    if (!theirs.ok) throw new Error(theirs.refusal.message);
    const { changes, sentence } = theirs.value;
    const who = { author: 'Bo Marsh', authorId: 'you', at: '', target: null, command: 'levels.rename' };
    s.on({ type: 'told', change: { seq: 5, commandId: derivedCommandId('theirs'), changes, sentence, ...who } });
    expect(() => s.undo()).toThrow('changed in the same place by Bo Marsh');
  });

  it('names what it would take back', () => {
    const s = session();
    expect(nextUndo(s.state, false)).toBeUndefined();
    s.title('A');
    expect(nextUndo(s.state, false)!.sentence).toContain('01');
    s.undo();
    expect([nextUndo(s.state, false), nextUndo(s.state, true)!.sentence.startsWith('Undone')]).toEqual([
      undefined,
      true,
    ]);
  });
});

/**
 * A server as bad as any: it loses requests before or after doing them, answers late, is in trouble, signs people out,
 * and tells what it committed by a stream that may be silent. What it acknowledges it has.
 */
class ModelServer {
  framework = START;
  log: LoggedChange[] = [];
  signedIn = true;

  take(edit: Pending, authorId: string): { status: number; seq: number } {
    const first = this.log.find(({ commandId }) => commandId === edit.commandId);
    if (first) return { status: 200, seq: first.seq };
    if (!this.signedIn) return { status: 401, seq: 0 };
    const { commandId, command, input } = edit;
    const planned = plan(this.framework, command, input, commandId);
    if (!planned.ok) return { status: 422, seq: 0 };
    if (groundsDigest(planned.value.changes) !== edit.digest) return { status: 409, seq: 0 };
    const seq = this.head + 1;
    const { changes, sentence, after } = planned.value;
    this.log.push({ seq, commandId, command, target: null, sentence, changes, author: authorId, authorId, at: '' });
    this.framework = after;
    return { status: 200, seq };
  }

  get head(): number {
    return 3 + this.log.length;
  }
}

it('against a server that loses, delays, repeats and refuses, every edit is committed once or told, and all end equal', () => {
  const act = fc.oneof(
    {
      weight: 4,
      arbitrary: fc.record({ act: fc.constant('edit' as const), level: fc.integer({ min: 0, max: 2 }), n: fc.nat(9) }),
    },
    {
      weight: 8,
      arbitrary: fc.record({
        act: fc.constant('answer' as const),
        how: fc.constantFrom('well', 'lostBefore', 'lostAfter', '503', '500', '429', 'signedOut'),
      }),
    },
    {
      weight: 2,
      arbitrary: fc.record({ act: fc.constant('other' as const), level: fc.integer({ min: 0, max: 2 }), n: fc.nat(9) }),
    },
    {
      weight: 2,
      arbitrary: fc.record({
        act: fc.constant('stream' as const),
        how: fc.constantFrom('tell', 'beat', 'lost', 'back'),
      }),
    },
    { weight: 2, arbitrary: fc.constant({ act: 'timer' as const }) },
    { weight: 1, arbitrary: fc.constant({ act: 'signIn' as const }) },
  );
  fc.assert(
    fc.property(fc.array(act, { minLength: 5, maxLength: 60 }), (acts) => {
      const server = new ModelServer();
      const s = session();
      const made: string[] = [];
      const refusedForItself = new Set<string>();
      /** The request that is on its way, as the driver would hold it. */
      let asked: Effect | null = null;
      let read = 0;
      const collect = () => {
        for (; read < s.effects.length; read += 1) {
          const effect = s.effects[read]!;
          if (effect.do === 'send' || effect.do === 'readMissed') {
            expect(asked).toBeNull();
            asked = effect;
          }
        }
      };
      const answer = (how: string) => {
        if (!asked) return;
        const request = asked;
        asked = null;
        const lost = refused(0);
        if (how === 'lostBefore') return s.on(lost);
        if (how === '503' || how === '500' || how === '429') return s.on(refused(Number(how)));
        if (how === 'signedOut') server.signedIn = false;
        if (request.do === 'readMissed') {
          if (!server.signedIn) return s.on(refused(401));
          return how === 'lostAfter'
            ? s.on(lost)
            : s.on({ type: 'missedRead', changes: server.log.slice(request.since - 3) });
        }
        if (request.do !== 'send') return;
        const { status, seq } = server.take(request.edit, 'me');
        if (how === 'lostAfter') return s.on(lost);
        if (status === 200) {
          const entry = server.log[seq - 4]!;
          return s.on({ type: 'acknowledged', commandId: entry.commandId, seq, changes: entry.changes, entry });
        }
        if (status !== 401) refusedForItself.add(request.edit.commandId);
        s.on({ ...refused(status), ...(status === 409 ? { headSeq: server.head } : {}) } as SessionEvent);
      };
      const other = (level: number, n: number) => {
        const commandId = derivedCommandId('other', String(server.log.length));
        const planned = plan(server.framework, 'levels.rename', { level: `0${level}`, title: `T${n}` }, commandId);
        if (!planned.ok) return;
        const input = { level: `0${level}`, title: `T${n}` };
        const signedIn = server.signedIn;
        server.signedIn = true;
        server.take(
          {
            commandId,
            command: 'levels.rename',
            input,
            digest: groundsDigest(planned.value.changes),
            madeAt: 0,
            sentence: '',
          },
          'you',
        );
        server.signedIn = signedIn;
      };
      for (const each of acts) {
        if (each.act === 'edit')
          made.push(s.edit('levels.rename', { level: `0${each.level}`, title: `M${each.n}${made.length}` }));
        else if (each.act === 'answer') answer(each.how);
        else if (each.act === 'other') other(each.level, each.n);
        else if (each.act === 'timer') s.on({ type: 'waited' });
        else if (each.act === 'signIn') {
          server.signedIn = true;
          s.on({ type: 'signedIn' });
        } else if (each.how === 'tell') {
          const next = server.log[s.state.baseSeq - 3];
          if (next) s.on({ type: 'told', change: next });
        } else if (each.how === 'beat') s.on({ type: 'heads', seq: server.head, role: 'designer' });
        else s.on({ type: 'live', live: each.how === 'back' });
        collect();
        // What is kept is just what is not acknowledged.
        const acknowledged = new Set(server.log.map(({ commandId }) => commandId));
        for (const id of made)
          expect(s.kept.includes(id) || acknowledged.has(id) || refusedForItself.has(id)).toBe(true);
      }
      // Everything comes back, and all is sent in the end.
      for (let i = 0; i < 400; i += 1) {
        server.signedIn = true;
        s.on({ type: 'signedIn' });
        s.on({ type: 'live', live: true });
        s.on({ type: 'waited' });
        if (s.phase === 'stuck') s.on({ type: 'tryAgain' });
        s.on({ type: 'heads', seq: server.head, role: 'designer' });
        collect();
        answer('well');
        collect();
        if (s.phase === 'current' && s.state.baseSeq === server.head) break;
      }
      expect([s.phase, s.kept]).toEqual(['current', []]);
      expect(frameworkHash(s.state.view)).toBe(frameworkHash(server.framework));
      const ids = server.log.map(({ commandId }) => commandId);
      expect(new Set(ids).size).toBe(ids.length);
      const mine = server.log.filter(({ authorId }) => authorId === 'me').map(({ commandId }) => commandId);
      expect(mine).toEqual(made.filter((id) => !refusedForItself.has(id)));
      expect(frameworkHash(server.log.reduce((framework, { changes }) => apply(framework, changes), START))).toBe(
        frameworkHash(server.framework),
      );
    }),
    { numRuns: 300 },
  );
});
