import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { runCommand } from '../changes/run-command';
import { closeDatabase, database } from '../db/connection';
import { membership, session, user } from '../db/schema';
import { createProject } from '../projects/projects';
import { setMember } from '../testing/people';
import { eventStream } from './events';
import { tellHere } from './here';
import { hub } from './hub';

// What is committed before the hub hears is told by heads alone.
beforeAll(async () => {
  for (let i = 0; i < 100 && !hub().hears(); i += 1) await new Promise((done) => setTimeout(done, 50));
});

afterAll(async () => {
  await hub().close();
  await closeDatabase();
});

async function signedIn(): Promise<{ id: string; token: string }> {
  const id = randomUUID();
  const token = randomUUID();
  await database()
    .insert(user)
    .values({ id, name: 'Ada', email: `${id}@test.example` });
  await database()
    .insert(session)
    .values({ id: randomUUID(), token, userId: id, expiresAt: new Date(Date.now() + 60_000) });
  return { id, token };
}

/** Reads a stream's events, one after the other; null when it has ended. */
function listen(userId: string, token: string) {
  const stop = new AbortController();
  const reader = eventStream(userId, token, stop.signal).getReader();
  const decoder = new TextDecoder();
  const next = async (): Promise<{ event: string; data: Record<string, unknown> } | null> => {
    const { value, done } = await reader.read();
    if (done) return null;
    const [, event, data] = /^event: (\w+)\ndata: (.*)\n\n$/s.exec(decoder.decode(value))!;
    return { event: event!, data: JSON.parse(data!) as Record<string, unknown> };
  };
  /** Reads on until something is told, and answers it. The beginning may be told twice, as listening begins. */
  const until = async (event: string, fits: (data: Record<string, unknown>) => boolean = () => true) => {
    for (;;) {
      const told = await next();
      if (!told) throw new Error('The stream ended');
      if (told.event === event && fits(told.data)) return told.data;
      if (told.event === 'heads') for (const project of Object.keys(told.data)) expect(known).toContain(project);
      else if (told.event !== 'out') expect(known).toContain(told.data.projectId);
    }
  };
  /** Projects the stream may speak of. */
  const known: string[] = [];
  return { next, until, known, stop: () => stop.abort() };
}

const rename = (projectId: string, userId: string, name: string, userName?: string) =>
  runCommand({ projectId, userId, userName, commandId: randomUUID(), command: 'project.start', input: { name } });

describe('the live stream', () => {
  it('begins with numbers and roles of all one’s projects, and tells each commit in them with what it changed', async () => {
    const me = await signedIn();
    const [mine, also] = [await createProject(me.id, 'Mine', 'A'), await createProject(me.id, 'Also', 'B')];
    const stream = listen(me.id, me.token);
    stream.known.push(mine, also);
    expect(await stream.next()).toEqual({
      event: 'heads',
      data: { [mine]: { seq: 2, role: 'owner' }, [also]: { seq: 2, role: 'owner' } },
    });
    // As this process remembers it, and as it reads it where another has committed.
    for (const [name, userName, seq] of [
      ['Renamed', 'Ada', 3],
      ['Again', undefined, 4],
    ] as const) {
      await rename(mine, me.id, name, userName);
      // How the projects began may be told late.
      const isIt = ({ projectId, change }: Record<string, unknown>) =>
        projectId === mine && (change as { seq: number }).seq >= 3;
      expect(await stream.until('change', isIt)).toMatchObject({
        projectId: mine,
        change: {
          seq,
          author: 'Ada',
          authorId: me.id,
          command: 'project.start',
          changes: { patched: [{ fields: { name: [expect.any(String), name] } }] },
        },
      });
    }
    stream.stop();
    while (await stream.next());
  });

  it('tells who looks where in one’s projects, to who is there and to who comes later, until they go', async () => {
    const [me, ada] = [await signedIn(), await signedIn()];
    const [mine, secret] = [await createProject(me.id, 'Mine', 'A'), await createProject(ada.id, 'Secret', 'B')];
    await setMember(mine, ada.id, 'viewer');
    const first = listen(me.id, me.token);
    first.known.push(mine);
    await first.until('heads');
    const place = { building: null, level: null, view: 'plan', selection: [] };
    const here = { projectId: mine, tab: randomUUID(), userId: ada.id, name: 'Ada', place };
    await tellHere({ ...here, projectId: secret, tab: randomUUID() });
    await tellHere(here);
    expect(await first.until('here')).toEqual(here);
    const later = listen(me.id, me.token);
    later.known.push(mine);
    expect(await later.until('here')).toEqual(here);
    // Out of the project is gone from it, though her tab says nothing.
    await database()
      .delete(membership)
      .where(and(eq(membership.projectId, mine), eq(membership.userId, ada.id)));
    expect(await first.until('here')).toEqual({ ...here, place: null });
    const last = listen(me.id, me.token);
    last.known.push(mine);
    await last.until('heads');
    await tellHere({ ...here, tab: 'after' });
    expect((await last.until('here')).tab).toBe('after');
    for (const stream of [first, later, last]) stream.stop();
  });

  it('says nothing of projects one is not a member of, and tells at once when that or one’s role changes', async () => {
    const [me, other] = [await signedIn(), await signedIn()];
    const [mine, theirs] = [await createProject(me.id, 'Mine', 'A'), await createProject(other.id, 'Theirs', 'B')];
    const stream = listen(me.id, me.token);
    stream.known.push(mine);
    await stream.until('heads');
    await rename(theirs, other.id, 'Secret');
    stream.known.push(theirs);
    await setMember(theirs, me.id, 'viewer');
    await stream.until('heads', (heads) => JSON.stringify(heads[theirs]) === '{"seq":3,"role":"viewer"}');
    await rename(theirs, other.id, 'Shared');
    expect(await stream.until('change')).toMatchObject({ projectId: theirs });
    await setMember(theirs, me.id, 'designer');
    await stream.until('heads', (heads) => (heads[theirs] as { role: string }).role === 'designer');
    await database()
      .delete(membership)
      .where(and(eq(membership.projectId, theirs), eq(membership.userId, me.id)));
    await stream.until('heads', (heads) => !(theirs in heads));
    stream.stop();
  });

  it('sends only the number of a change too large to send along', async () => {
    const me = await signedIn();
    const mine = await createProject(me.id, 'Mine', 'A');
    const stream = listen(me.id, me.token);
    stream.known.push(mine);
    await stream.until('heads');
    const input = { above: Array.from({ length: 300 }, () => 3000), below: [] };
    await runCommand({ projectId: mine, userId: me.id, commandId: randomUUID(), command: 'levels.setUp', input });
    expect(await stream.until('head')).toEqual({ projectId: mine, seq: 3 });
    stream.stop();
  });

  it('ends as its session does, and says so', async () => {
    const me = await signedIn();
    const mine = await createProject(me.id, 'Mine', 'A');
    const stream = listen(me.id, me.token);
    stream.known.push(mine);
    await stream.until('heads');
    await database().delete(session).where(eq(session.token, me.token));
    await stream.until('out');
    expect(await stream.next()).toBeNull();
    const again = listen(me.id, me.token);
    expect([(await again.next())!.event, await again.next()]).toEqual(['out', null]);
  });

  it('is opened so many times by one person and no more', async () => {
    const me = await signedIn();
    const streams = Array.from({ length: 16 }, () => listen(me.id, me.token));
    expect(() => listen(me.id, me.token)).toThrow('too many browsers');
    for (const stream of streams) stream.stop();
    listen(me.id, me.token).stop();
  });
});
