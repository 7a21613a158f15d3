import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { runCommand } from '../changes/run-command';
import { closeDatabase, database } from '../db/connection';
import { session, user } from '../db/schema';
import { createProject, setMember } from '../projects/projects';
import { eventStream } from './events';
import { hub } from './hub';

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
  const next = async (): Promise<{ event: string; data: Record<string, number> } | null> => {
    const { value, done } = await reader.read();
    if (done) return null;
    const [, event, data] = /^event: (\w+)\ndata: (.*)\n\n$/s.exec(decoder.decode(value))!;
    return { event: event!, data: JSON.parse(data!) as Record<string, number> };
  };
  /** Reads on until these heads are told. Commits of other tests only make the stream tell its own heads again. */
  const until = async (heads: Record<string, number>): Promise<void> => {
    for (;;) {
      const told = await next();
      if (!told) throw new Error('The stream ended');
      if (JSON.stringify(Object.entries(told.data).sort()) === JSON.stringify(Object.entries(heads).sort())) return;
      for (const project of Object.keys(told.data)) expect(known).toContain(project);
    }
  };
  /** Projects the stream may speak of. */
  const known: string[] = [];
  return { next, until, known, stop: () => stop.abort() };
}

const rename = (projectId: string, userId: string, name: string) =>
  runCommand({ projectId, userId, commandId: randomUUID(), command: 'project.start', input: { name } });

describe('the live stream', () => {
  it('begins with the heads of all one’s projects, and tells each commit in them at once', async () => {
    const me = await signedIn();
    const [mine, also] = [await createProject(me.id, 'Mine', 'A'), await createProject(me.id, 'Also', 'B')];
    const stream = listen(me.id, me.token);
    stream.known.push(mine, also);
    expect(await stream.next()).toEqual({ event: 'head', data: { [mine]: 2, [also]: 2 } });
    await rename(mine, me.id, 'Renamed');
    await stream.until({ [mine]: 3 });
    stream.stop();
    while (await stream.next());
  });

  it('says nothing of projects one is not a member of, and begins to when one becomes a member', async () => {
    const [me, other] = [await signedIn(), await signedIn()];
    const [mine, theirs] = [await createProject(me.id, 'Mine', 'A'), await createProject(other.id, 'Theirs', 'B')];
    const stream = listen(me.id, me.token);
    stream.known.push(mine);
    expect(await stream.next()).toEqual({ event: 'head', data: { [mine]: 2 } });
    await rename(theirs, other.id, 'Secret');
    // A commit elsewhere only makes the stream read its own heads anew.
    await stream.until({ [mine]: 2 });
    stream.known.push(theirs);
    await setMember(theirs, me.id, 'viewer');
    await rename(theirs, other.id, 'Shared');
    await stream.until({ [mine]: 2, [theirs]: 4 });
    stream.stop();
  });

  it('ends when its session does', async () => {
    const me = await signedIn();
    await createProject(me.id, 'Mine', 'A');
    await database().delete(session).where(eq(session.token, me.token));
    const stream = listen(me.id, me.token);
    expect(await stream.next()).toBeNull();
  });
});
