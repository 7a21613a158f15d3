/** Heads of projects by id, as the live stream tells them. */
export type Heads = Record<string, number>;

const CHANNEL = 'spine-live';

/**
 * Listens to the live stream. All tabs of a browser share one: the tab that holds the lock keeps the stream and
 * passes on what it hears; when it closes, another takes the lock. A browser allows six streams to one address,
 * so a stream per tab would leave the seventh tab without any connection.
 */
export function listenToHeads(onHeads: (heads: Heads) => void, onTrouble: (isTrouble: boolean) => void): () => void {
  const channel = new BroadcastChannel(CHANNEL);
  const stop = new AbortController();
  let source: EventSource | null = null;
  let release = () => {};
  channel.onmessage = ({ data }: MessageEvent<Heads>) => onHeads(data);
  const lead = () =>
    new Promise<void>((resolve) => {
      release = resolve;
      if (stop.signal.aborted) return resolve();
      source = new EventSource('/api/events');
      source.addEventListener('head', ({ data }: MessageEvent<string>) => {
        const heads = JSON.parse(data) as Heads;
        onTrouble(false);
        onHeads(heads);
        channel.postMessage(heads);
      });
      source.addEventListener('error', () => onTrouble(true));
    });
  navigator.locks.request('spine-live', { signal: stop.signal }, lead).catch(() => undefined);
  return () => {
    stop.abort();
    source?.close();
    release();
    channel.close();
  };
}
