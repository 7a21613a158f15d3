import { wrap, type Remote } from 'comlink';
import type { SolveWorker } from '@/workers/solve.worker';
import type { Send } from './server';
import type { SolvingWorker } from './solve-host';

/** Something that passes messages between the tabs of a browser. */
export type Channel = Pick<BroadcastChannel, 'postMessage' | 'close' | 'onmessage'>;

/** What a session needs of the browser it runs in. Tests and trials give their own in its place. */
export interface Surroundings {
  send: Send;
  /** What outlives a tab. */
  storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;
  /** Held as long as a tab lives. */
  locks: Pick<LockManager, 'request' | 'query'>;
  channel: (name: string) => Channel;
  /** Told when the connection is back, and when the page is left. */
  page: Pick<EventTarget, 'addEventListener' | 'removeEventListener'>;
  makeWorker: () => SolvingWorker<Remote<SolveWorker>>;
}

const makeWorker = (): SolvingWorker<Remote<SolveWorker>> => {
  const raw = new Worker(new URL('../../workers/solve.worker.ts', import.meta.url), { type: 'module' });
  return {
    remote: wrap<SolveWorker>(raw),
    end: () => raw.terminate(),
    onBroken: (tell) => {
      raw.onerror = ({ message }) => tell(new Error(message || 'The worker broke down'));
      raw.onmessageerror = () => tell(new Error('The worker’s answer could not be read'));
    },
  };
};

/** The browser itself. */
export const browserSurroundings = (): Surroundings => ({
  send: (url, init) => fetch(url, init),
  storage: localStorage,
  locks: navigator.locks,
  channel: (name) => new BroadcastChannel(name),
  page: window,
  makeWorker,
});
