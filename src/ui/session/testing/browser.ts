import type { Remote } from 'comlink';
import { EMPTY_FRAMEWORK } from '@/core/model/framework';
import { deltaOf } from '@/core/solving/solved-delta';
import { Solver } from '@/core/solving/solve';
import type { SolveWorker } from '@/workers/solve.worker';
import type { Send } from '../server';
import type { Solving, SolvingWorker } from '../solve-host';
import type { Channel, Surroundings } from '../surroundings';
import { solvingWorker } from './solving-worker';

type Held = (() => Promise<unknown>) | ((lock: null) => Promise<unknown>);

interface Asked {
  name: string;
  begin: () => void;
  lose: () => void;
}

/** Locks of one browser, by name: one holder each, the others in turn; a lock can be taken over. */
class Locks {
  private readonly held = new Map<string, Asked>();
  private readonly pending: Asked[] = [];

  request(name: string, given: LockOptions | Held, callback?: Held): Promise<unknown> {
    const options = typeof given === 'function' ? {} : given;
    const work = (typeof given === 'function' ? given : callback!) as () => Promise<unknown>;
    return new Promise((resolve, reject) => {
      const asked: Asked = {
        name,
        begin: () => {
          this.held.set(name, asked);
          Promise.resolve(work())
            .then(resolve, reject)
            .finally(() => this.release(asked));
        },
        lose: () => reject(new DOMException('Taken over', 'AbortError')),
      };
      options.signal?.addEventListener('abort', () => {
        const at = this.pending.indexOf(asked);
        if (at >= 0) this.pending.splice(at, 1)[0]!.lose();
      });
      const holder = this.held.get(name);
      if (holder && !options.steal) return void this.pending.push(asked);
      holder?.lose();
      asked.begin();
    });
  }

  query(): Promise<{ held: { name: string }[]; pending: { name: string }[] }> {
    return Promise.resolve({ held: [...this.held.values()], pending: [...this.pending] });
  }

  /** Everything a tab held or waited for goes with it. */
  drop(owned: ReadonlySet<string>): void {
    for (const name of owned) {
      const holder = this.held.get(name);
      if (holder) this.release(holder);
    }
  }

  private release(asked: Asked): void {
    if (this.held.get(asked.name) !== asked) return;
    this.held.delete(asked.name);
    const at = this.pending.findIndex(({ name }) => name === asked.name);
    if (at >= 0) this.pending.splice(at, 1)[0]!.begin();
  }
}

/** A worker that answers at once that there is nothing. */
const idleWorker = (): SolvingWorker<Solving> => {
  const nothing = deltaOf(null, new Solver().solve(EMPTY_FRAMEWORK));
  const answer = () => Promise.resolve(nothing);
  const remote: Solving = {
    reset: answer,
    update: answer,
    tryOut: () => Promise.resolve(null),
    more: () => Promise.resolve({ delta: nothing, isWhole: true }),
    bringsAbout: () => Promise.resolve([]),
    cores: () => Promise.reject(new Error('Nothing is proposed here')),
  };
  return { remote, end: () => undefined, onBroken: () => undefined };
};

/** A browser in this process: what its tabs share, without a page. `send` is its way to the server. */
export class Browser {
  readonly kept = new Map<string, string>();
  private readonly locks = new Locks();
  private readonly channels = new Set<Channel>();
  /** How many solves to come throw. */
  failingSolves = 0;
  /** Nothing is kept: the disk is full, or keeping is forbidden. */
  keepsNothing = false;

  constructor(
    readonly send: Send,
    /** Without it nothing is solved: for trials of everything else. */
    private readonly solves = true,
  ) {}

  private readonly mayFail = async (): Promise<void> => {
    if (this.failingSolves === 0) return;
    this.failingSolves -= 1;
    return Promise.reject(new Error('Thrown on purpose'));
  };

  /** A tab's surroundings, and how to end the tab without letting it do anything more. */
  tab(): { around: Surroundings; page: EventTarget; crash: () => void } {
    const page = new EventTarget();
    const gone = new AbortController();
    const owned = new Set<string>();
    const own = new Set<Channel>();
    const send: Send = (url, init) =>
      gone.signal.aborted
        ? new Promise(() => {})
        : this.send(url, { ...init, signal: AbortSignal.any([gone.signal, ...(init?.signal ? [init.signal] : [])]) });
    const { kept } = this;
    const storage = {
      get length() {
        return kept.size;
      },
      key: (i: number) => [...kept.keys()][i] ?? null,
      getItem: (key: string) => kept.get(key) ?? null,
      removeItem: (key: string) => void (gone.signal.aborted || kept.delete(key)),
      setItem: (key: string, value: string) => {
        if (this.keepsNothing) throw new DOMException('Full', 'QuotaExceededError');
        if (!gone.signal.aborted) kept.set(key, value);
      },
    };
    const around: Surroundings = {
      send,
      storage,
      page,
      locks: {
        query: () => this.locks.query(),
        request: (name: string, ...rest: [LockOptions | Held, Held?]) => {
          owned.add(name);
          return this.locks.request(name, ...rest);
        },
      } as unknown as LockManager,
      channel: () => {
        const channel: Channel = {
          onmessage: null,
          close: () => this.channels.delete(channel),
          postMessage: (data: unknown) => {
            for (const other of this.channels)
              if (other !== channel && !gone.signal.aborted)
                queueMicrotask(() => other.onmessage?.call(other as BroadcastChannel, { data } as MessageEvent));
          },
        };
        this.channels.add(channel);
        own.add(channel);
        return channel;
      },
      makeWorker: () =>
        (this.solves ? solvingWorker(this.mayFail) : idleWorker()) as unknown as SolvingWorker<Remote<SolveWorker>>,
    };
    const crash = () => {
      gone.abort();
      for (const channel of own) this.channels.delete(channel);
      this.locks.drop(owned);
    };
    return { around, page, crash };
  }
}
