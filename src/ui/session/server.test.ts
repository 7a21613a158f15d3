import type { SentCommand } from './server';
import { serverFor, ServerRefused, type Send } from './server';

interface Asked {
  url: string;
  init: RequestInit;
}

/** A server that answers in turn what it is given, and keeps what it was asked. */
function answering(...answers: (Response | Error | ((asked: Asked) => Promise<Response>))[]) {
  const asked: Asked[] = [];
  const send: Send = (url, init) => {
    const one = { url: String(url), init: init ?? {} };
    asked.push(one);
    const answer = answers.shift();
    if (answer instanceof Error) return Promise.reject(answer);
    return typeof answer === 'function' ? answer(one) : Promise.resolve(answer ?? Response.json({}));
  };
  return { asked, server: serverFor('p1', send) };
}
const refusedBy = (work: Promise<unknown>): Promise<ServerRefused> =>
  work.then(
    () => Promise.reject(new Error('It was not refused')),
    (error: unknown) => error as ServerRefused,
  );
const COMMAND: SentCommand = { commandId: 'c', command: 'levels.rename', input: {}, baseSeq: 4, personId: 'ada' };
const never = () => new AbortController().signal;

describe('what the server answers', () => {
  it('is asked for in its project, and given back as it is', async () => {
    const { asked, server } = answering(
      Response.json({ seq: 5, changes: {}, sentence: 'Done' }),
      Response.json({ changes: [] }),
    );
    expect(await server.send(COMMAND)).toEqual({ seq: 5, changes: {}, sentence: 'Done' });
    await server.since(5);
    expect(asked.map(({ url }) => url)).toEqual(['/api/projects/p1/commands', '/api/projects/p1/changes?since=5']);
    expect(JSON.parse(asked[0]!.init.body as string)).toEqual(COMMAND);
  });

  it('is a refusal with its words, and what it says beside them', async () => {
    const body = {
      message: 'Somebody changed this meanwhile',
      headSeq: 9,
      role: 'viewer',
      archived: true,
      path: ['input', 0],
    };
    const { server } = answering(Response.json(body, { status: 409 }));
    const refusal = await refusedBy(server.send(COMMAND));
    expect(refusal).toBeInstanceOf(ServerRefused);
    expect([refusal.status, refusal.message]).toEqual([409, 'Somebody changed this meanwhile']);
    expect(refusal.more).toEqual({ headSeq: 9, role: 'viewer', archived: true, path: ['input', 0] });
  });

  it('says when to come again', async () => {
    const busy = () => Response.json({ message: 'Too many' }, { status: 429, headers: { 'retry-after': '3' } });
    const { server } = answering(busy());
    expect((await refusedBy(server.send(COMMAND))).more).toEqual({ retryAfterMs: 3000 });
  });

  it('is no answer where it breaks off, and no code where it cannot be read', async () => {
    const half = new Response('{"seq": 5, "chan', { status: 200 });
    const page = new Response('<html>Bad gateway</html>', { status: 502 });
    const { server } = answering(half, page);
    // As if it could not be reached: it is asked again.
    expect((await refusedBy(server.send(COMMAND))).status).toBe(0);
    const refusal = await refusedBy(server.send(COMMAND));
    expect([refusal.status, refusal.message]).toEqual([502, 'The server gave no readable answer. Try again']);
  });

  it('is missing where the server cannot be reached', async () => {
    const { server } = answering(new TypeError('fetch failed'));
    const refusal = await refusedBy(server.open());
    expect([refusal.status, refusal.message]).toEqual([0, 'The server cannot be reached']);
  });
});

describe('heavy work', () => {
  it('tells how far it is, by the name it was begun with, until it is done', async () => {
    jest.useFakeTimers();
    try {
      let finish: (response: Response) => void = () => {};
      const progress = [{ before: 2 }, { before: 0 }, { part: 'Drawing level 03' }, null];
      const asked: Asked[] = [];
      const send: Send = (url, init) => {
        asked.push({ url: String(url), init: init ?? {} });
        if (String(url).includes('/work/')) return Promise.resolve(Response.json({ progress: progress.shift() }));
        return new Promise((resolve) => (finish = resolve));
      };
      const told: string[] = [];
      const work = serverFor('p1', send).made('sheet', { level: 'L 1' }, never(), (words) => told.push(words));
      await jest.advanceTimersByTimeAsync(700 * 4 + 10);
      expect(told).toEqual(['Waiting: 2 before this one', 'Next in turn', 'Drawing level 03']);
      expect(asked[0]!.url).toBe('/api/projects/p1/sheet?level=L+1');
      const name = (asked[0]!.init.headers as Record<string, string>)['x-spine-work'];
      expect(asked.slice(1).map(({ url }) => url)).toEqual(Array(4).fill(`/api/projects/p1/work/${name}`));
      finish(new Response('%PDF', { headers: { 'content-disposition': 'attachment; filename="Tower%20A.pdf"' } }));
      const made = await work;
      expect([made.name, await made.blob.text()]).toEqual(['Tower A.pdf', '%PDF']);
      // Nobody asks any more.
      const count = asked.length;
      await jest.advanceTimersByTimeAsync(5000);
      expect(asked).toHaveLength(count);
    } finally {
      jest.useRealTimers();
    }
  });

  it('is cancelled in words, and changes nothing', async () => {
    const stop = new AbortController();
    const { server } = answering(({ init }) => {
      return new Promise((_, reject) => init.signal!.addEventListener('abort', () => reject(new Error('aborted'))));
    });
    const work = refusedBy(server.readLevels(new File(['a;1'], 'levels.csv'), 'mm', stop.signal));
    stop.abort();
    expect(await work).toMatchObject({ status: 0, message: 'Cancelled; nothing was changed' });
  });

  it('that fails says why, or that it could not be made', async () => {
    const { server } = answering(
      Response.json({ message: 'There is no level L9' }, { status: 422 }),
      new Response('', { status: 500 }),
    );
    expect(await refusedBy(server.made('export', { format: 'ifc' }, never()))).toMatchObject({
      message: 'There is no level L9',
    });
    const other = await refusedBy(server.made('export', { format: 'ifc' }, never()));
    expect([other.status, other.message]).toEqual([500, 'The file could not be made. Try again']);
  });

  it('takes a file as the bytes it is, with its name', async () => {
    const { asked, server } = answering(Response.json({ sheet: {} }), Response.json({ table: {} }));
    const file = new File([new Uint8Array([0, 1, 255])], 'grid & more.dxf');
    await server.readDrawing(file, never());
    await server.readLevels(file, 'ft', never());
    expect(asked.map(({ url }) => url)).toEqual([
      '/api/projects/p1/drawings?name=grid%20%26%20more.dxf',
      '/api/projects/p1/levels?name=grid%20%26%20more.dxf&unit=ft',
    ]);
    expect(asked[0]!.init.body).toBe(file);
    expect((asked[0]!.init.headers as Record<string, string>)['content-type']).toBe('application/octet-stream');
  });
});

it('the last word of a tab is sent though the page goes', async () => {
  const { asked, server } = answering(Response.json({ told: true }), Response.json({ told: true }));
  await server.tellHere({ tab: 't', place: null }, true);
  await server.tellHere({ tab: 't', place: null }, false);
  expect(asked.map(({ init }) => init.keepalive)).toEqual([true, false]);
});
