import { EventSourceParserStream } from 'eventsource-parser/stream';
import type { LoggedChange } from '@/core/history/entry';
import type { Role } from '@/core/people/powers';
import type { Here } from '@/core/people/told';
import type { Surroundings } from './surroundings';

/** Where a person's projects stand, by id, and what they may do there. */
export type Heads = Record<string, { seq: number; role: Role; archived?: boolean }>;

/** What the live stream tells. */
export type Told =
  | { event: 'heads'; data: Heads }
  | { event: 'change'; data: { projectId: string; change: LoggedChange } }
  | { event: 'head'; data: { projectId: string; seq: number } }
  | { event: 'here'; data: Here }
  | { event: 'out'; data: null }
  | { event: 'live'; data: boolean };

const CHANNEL = 'spine-live';
/** The server speaks every ten seconds; longer silence than this is a stream that hangs. */
const SILENCE_MS = 25_000;
/** A tab that passes on nothing for this long is asleep: another takes the stream over. */
const ASLEEP_MS = 40_000;
const LONGEST_PAUSE_MS = 30_000;

type LiveSurroundings = Pick<Surroundings, 'send' | 'locks' | 'channel' | 'page'>;

type FromTab = Told | { event: 'joined'; data: null };

/**
 * Listens to the live stream. All tabs of a browser share one: the tab that holds the lock keeps the stream and
 * passes on what it hears; when it closes or falls asleep another takes over. A browser allows six streams to one
 * address, so a stream per tab would leave the seventh tab without any connection.
 */
export function listenLive(around: LiveSurroundings, hear: (told: Told) => void): () => void {
  const channel = around.channel(CHANNEL);
  let stop = new AbortController();
  let isLeading = false;
  let isClosed = false;
  let lastHeard = Date.now();
  let latest: Heads | null = null;
  const here = new Map<string, Here>();
  let isLive = false;
  const note = (told: Told) => {
    lastHeard = Date.now();
    if (told.event === 'heads') latest = told.data;
    if (told.event === 'here') {
      if (told.data.place) here.set(told.data.tab, told.data);
      else here.delete(told.data.tab);
    }
    if (told.event === 'live') isLive = told.data;
    hear(told);
  };
  channel.onmessage = ({ data }: MessageEvent<FromTab>) => {
    if (data.event !== 'joined') note(data);
    else if (isLeading && isLive && latest) {
      channel.postMessage({ event: 'live', data: true } satisfies FromTab);
      channel.postMessage({ event: 'heads', data: latest } satisfies FromTab);
      for (const data of here.values()) channel.postMessage({ event: 'here', data } satisfies FromTab);
    }
  };
  const lead = async (steal: boolean): Promise<void> => {
    stop = new AbortController();
    const { signal } = stop;
    const options = steal ? { steal: true } : { signal };
    await around.locks.request(CHANNEL, options, async () => {
      isLeading = true;
      await readForGood(around, signal, (told) => {
        note(told);
        channel.postMessage(told satisfies FromTab);
      });
    });
  };
  const takePart = (steal: boolean): void => {
    lead(steal).catch(() => {
      // The lock was taken over, or waiting for it was given up.
      isLeading = false;
      stop.abort();
      if (!isClosed) takePart(false);
    });
  };
  const watch = setInterval(() => {
    if (isLeading || Date.now() - lastHeard < SILENCE_MS) return;
    hear({ event: 'live', data: false });
    if (Date.now() - lastHeard < ASLEEP_MS) return;
    lastHeard = Date.now();
    stop.abort();
    takePart(true);
  }, 2_000);
  takePart(false);
  channel.postMessage({ event: 'joined', data: null } satisfies FromTab);
  return () => {
    isClosed = true;
    clearInterval(watch);
    stop.abort();
    channel.close();
  };
}

/** Reads the stream, opening it again with growing pauses, until it is told to stop. */
async function readForGood(around: LiveSurroundings, signal: AbortSignal, tell: (told: Told) => void): Promise<void> {
  for (let failures = 0; !signal.aborted; failures += 1) {
    const outcome = await readOnce(around, signal, (told) => {
      failures = 0;
      tell({ event: 'live', data: true });
      tell(told);
    });
    if (signal.aborted) return;
    if (outcome === 'signedOut') tell({ event: 'out', data: null });
    tell({ event: 'live', data: false });
    await pause(Math.min(LONGEST_PAUSE_MS, 1000 * 2 ** Math.min(failures, 5)), around.page, signal);
  }
}

/** Reads one stream to its end; it is given up when it says nothing for too long. */
async function readOnce(
  { send }: LiveSurroundings,
  signal: AbortSignal,
  tell: (told: Told) => void,
): Promise<'ended' | 'signedOut'> {
  const silence = new AbortController();
  let watch = setTimeout(() => silence.abort(), SILENCE_MS);
  try {
    const response = await send('/api/events', { signal: AbortSignal.any([signal, silence.signal]) });
    if (response.status === 401) return 'signedOut';
    if (!response.ok || !response.body) return 'ended';
    const events = response.body
      .pipeThrough(new TextDecoderStream())
      .pipeThrough(new EventSourceParserStream())
      .getReader();
    for (;;) {
      const { value, done } = await events.read();
      if (done) return 'ended';
      clearTimeout(watch);
      watch = setTimeout(() => silence.abort(), SILENCE_MS);
      const told = { event: value.event, data: JSON.parse(value.data) as unknown } as Told;
      if (told.event === 'out') return 'signedOut';
      tell(told);
    }
  } catch {
    return 'ended';
  } finally {
    clearTimeout(watch);
  }
}

/** Waits, or as long as nothing says that the connection is back. */
const pause = (ms: number, page: Surroundings['page'], signal: AbortSignal): Promise<void> =>
  new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      page.removeEventListener('online', done);
      signal.removeEventListener('abort', done);
      resolve();
    };
    const timer = setTimeout(done, ms);
    page.addEventListener('online', done);
    signal.addEventListener('abort', done);
  });
