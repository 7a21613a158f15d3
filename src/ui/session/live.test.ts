import type { Told } from './live';
import { listenLive } from './live';
import { Browser } from './testing/browser';
import { ModelServer } from './testing/model-server';
import { START } from './testing/start';

const closers: (() => void)[] = [];
beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  for (const close of closers.splice(0)) close();
  jest.useRealTimers();
});

function begun() {
  const at = new ModelServer(START);
  at.roles.set('ada', 'designer');
  at.signedIn.add('ada');
  const browser = new Browser(at.sendAs('ada'));
  /** One more tab of the browser that listens. */
  const tab = (isAsleep = false) => {
    const { around, page, crash } = browser.tab();
    // It passes on nothing, and yet keeps its lock.
    if (isAsleep) around.channel = () => ({ onmessage: null, close: () => {}, postMessage: () => {} });
    const heard: Told[] = [];
    const close = listenLive(around, (told) => heard.push(told));
    closers.push(close);
    const last = (event: Told['event']) => heard.filter((told) => told.event === event).at(-1)?.data;
    return { heard, last, close, crash, page };
  };
  return { at, tab };
}
const pass = (ms = 20) => jest.advanceTimersByTimeAsync(ms);

describe('tabs of one browser', () => {
  it('share one stream, and all hear where projects stand', async () => {
    const { at, tab } = begun();
    const tabs = [tab(), tab(), tab()];
    await pass();
    expect(at.opened).toBe(1);
    at.tellHeads('ada');
    await pass();
    for (const { last } of tabs) {
      expect(last('live')).toBe(true);
      expect(last('heads')).toEqual({ project: { seq: 0, role: 'designer' } });
    }
  });

  it('a tab that comes later is told what was told before', async () => {
    const { tab } = begun();
    tab();
    await pass();
    const later = tab();
    await pass();
    expect(later.heard.map(({ event }) => event)).toEqual(expect.arrayContaining(['live', 'heads']));
  });

  it('hand the stream on where the one that keeps it closes', async () => {
    const { at, tab } = begun();
    const [first, second] = [tab(), tab()];
    await pass();
    first.close();
    await pass();
    expect(at.opened).toBe(2);
    at.roles.set('ada', 'viewer');
    at.tellHeads('ada');
    await pass();
    expect(second.last('heads')).toEqual({ project: { seq: 0, role: 'viewer' } });
  });

  it('take the stream over from one that is asleep', async () => {
    const { at, tab } = begun();
    tab(true);
    await pass();
    const { last } = tab();
    await pass(30_000);
    expect(last('live')).toBe(false);
    await pass(15_000);
    expect(last('live')).toBe(true);
    expect(at.opened).toBeGreaterThanOrEqual(2);
  });

  it('take the stream over from one that is gone without a word', async () => {
    const { at, tab } = begun();
    const [first, second] = [tab(), tab()];
    await pass();
    first.crash();
    await pass(100_000);
    expect(at.opened).toBeGreaterThanOrEqual(2);
    at.roles.set('ada', 'viewer');
    at.tellHeads('ada');
    await pass(1000);
    expect(second.last('heads')).toEqual({ project: { seq: 0, role: 'viewer' } });
    expect(second.last('live')).toBe(true);
  });
});

describe('a stream', () => {
  it('that ends is opened again, and what is told meanwhile is that nothing is live', async () => {
    const { at, tab } = begun();
    const { heard, last } = tab();
    await pass();
    at.dropStreams();
    await pass();
    expect(last('live')).toBe(false);
    await pass(2500);
    expect(at.opened).toBe(2);
    expect(last('live')).toBe(true);
    expect(heard.filter(({ event }) => event === 'heads')).toHaveLength(2);
  });

  it('is tried less and less often while the server is away, and at once when the connection is back', async () => {
    const { at, tab } = begun();
    const { page, last } = tab();
    await pass();
    at.isAway = true;
    at.dropStreams();
    // Pauses of 1, 2, 4, 8, 16 and then 30 seconds.
    await pass(40_000);
    expect(last('live')).toBe(false);
    at.isAway = false;
    expect(at.opened).toBe(1);
    page.dispatchEvent(new Event('online'));
    await pass();
    expect(at.opened).toBe(2);
    expect(last('live')).toBe(true);
  });

  it('that says nothing any more is given up and opened again', async () => {
    const { at, tab } = begun();
    const { last } = tab();
    await pass();
    at.isSilent = true;
    await pass(25_500);
    expect(last('live')).toBe(false);
    at.isSilent = false;
    await pass(5000);
    expect(at.opened).toBeGreaterThanOrEqual(2);
    expect(last('live')).toBe(true);
  });

  it('that says one is signed out says so once, and not that one is live', async () => {
    const { at, tab } = begun();
    const { heard, last } = tab();
    await pass();
    at.signOut('ada');
    await pass();
    expect(heard.filter(({ event }) => event === 'out').length).toBeGreaterThanOrEqual(1);
    expect(last('live')).toBe(false);
    at.signedIn.add('ada');
    await pass(40_000);
    expect(last('live')).toBe(true);
  });

  it('is not listened to once it is closed', async () => {
    const { at, tab } = begun();
    const { heard, close } = tab();
    await pass();
    close();
    const count = heard.length;
    at.tellHeads('ada');
    at.dropStreams();
    await pass(60_000);
    expect(heard).toHaveLength(count);
    expect(at.opened).toBe(1);
  });
});
