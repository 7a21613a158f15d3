import { randomUUID } from 'node:crypto';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { eq } from 'drizzle-orm';
import { frameworkHash } from '@/core/model/framework';
import type { Json } from '@/core/model/json';
import { FURNISHED } from '@/core/testing/given';
import { TIDEWATER_YARD } from '@/demo/tidewater-yard';
import { broughtProject } from '@/formats/sandbox/brought-project';
import { replayAll } from '../changes/head';
import { readHeadSeq, readHistory } from '../changes/read-changes';
import { runCommand } from '../changes/run-command';
import { closeDatabase, database } from '../db/connection';
import { blob, membership, user } from '../db/schema';
import { newPerson, setMember } from '../testing/people';
import { copyProject } from './copy-project';
import { keepFile } from './files';
import { keepOwnView, ownViews } from './own-views';
import { exportProject, importProject } from './project-file';
import { createProject, runAll } from './projects';

afterAll(closeDatabase);

const DRAWING = strToU8('0\nSECTION\n0\nENDSEC\n0\nEOF\n');

/** A furnished project of two, with something under a plan and a kept view. */
async function tower() {
  const [orla, ada] = [await newPerson('Orla'), await newPerson('Ada')];
  const projectId = await createProject(orla.id, 'Tower', 'House');
  await setMember(projectId, ada.id, 'designer');
  const send = async (userId: string, command: string, input: Json) => {
    const outcome = await runCommand({ projectId, userId, commandId: randomUUID(), command, input });
    if (outcome.kind !== 'done') throw new Error(JSON.stringify(outcome));
  };
  for (const [i, [command, input]] of FURNISHED.slice(1).entries())
    await send(i % 2 === 0 ? ada.id : orla.id, command, input as Json);
  const sha256 = await keepFile(projectId, 'site.dxf', DRAWING);
  await send(ada.id, 'underlays.add', {
    name: 'Site',
    sha256,
    content: 'drawing',
    width: 100,
    height: 100,
    mmPerUnit: 1,
  });
  const framework = await replayAll(database(), projectId, await readHeadSeq(projectId));
  const building = [...framework.records.values()].find(({ kind }) => kind === 'building')!.id;
  const part = { lowest: null, topmost: null, without: [], crop: null };
  await keepOwnView(projectId, orla.id, {
    building,
    name: 'Mine',
    tab: 'plan',
    level: null,
    hidden: [],
    ghosts: [],
    part,
  });
  return { projectId, orla, ada };
}

const exported = async (projectId: string, userId: string): Promise<Uint8Array> =>
  new Uint8Array(await (await exportProject(projectId, userId)).arrayBuffer());

const hashOf = async (projectId: string): Promise<string> =>
  frameworkHash(await replayAll(database(), projectId, await readHeadSeq(projectId)));

/** Who did what and when, as far as a copy can have it. */
const told = async (projectId: string) =>
  (await readHistory(projectId)).history.map(({ seq, commandId, command, sentence, author, at }) => ({
    seq,
    commandId,
    command,
    sentence,
    author,
    at,
  }));

const filesOf = async (projectId: string) =>
  (await database().select().from(blob).where(eq(blob.projectId, projectId))).map(({ sha256, name, bytes }) => ({
    sha256,
    name,
    bytes: Buffer.from(bytes).toString('hex'),
  }));

const asker = (person: { id: string; name: string }) => ({
  person,
  signal: new AbortController().signal,
  request: new Request('http://127.0.0.1/'),
});

describe('a project as one file', () => {
  it('comes back with the same framework, history, files and views, for somebody else too', async () => {
    const { projectId, orla, ada } = await tower();
    const file = await exported(projectId, orla.id);
    const { id } = await importProject(asker(orla), 'tower.spine.zip', file);
    expect(await hashOf(id)).toBe(await hashOf(projectId));
    expect(await told(id)).toEqual(await told(projectId));
    expect(await filesOf(id)).toEqual(await filesOf(projectId));
    expect(await ownViews(id, orla.id)).toEqual(await ownViews(projectId, orla.id));
    expect(await database().select().from(membership).where(eq(membership.projectId, id))).toMatchObject([
      { userId: orla.id, role: 'owner' },
    ]);
    // Only who takes it in is known in it: the other is a name that nobody signs in with.
    const authors = new Set((await readHistory(id)).history.map(({ authorId }) => authorId));
    expect(authors.has(orla.id)).toBe(true);
    expect(authors.has(ada.id)).toBe(false);
    const [ghost] = [...authors].filter((each) => each !== orla.id);
    const [row] = await database().select().from(user).where(eq(user.id, ghost!));
    expect(row).toMatchObject({ name: 'Ada', isGone: true });
    const stranger = await newPerson('Stranger');
    const theirs = await importProject(asker(stranger), 'tower.spine.zip', file);
    expect(await told(theirs.id)).toEqual(await told(projectId));
    expect((await readHistory(theirs.id)).history.some(({ authorId }) => authorId === orla.id)).toBe(false);
  });

  it('comes back the same for the demo as well', async () => {
    const orla = await newPerson('Orla');
    const projectId = await createProject(orla.id, 'Tidewater Yard', 'Hall house');
    // Its first two steps name the project and its first building.
    const steps = TIDEWATER_YARD.slice(2).map(({ command, input }) => ({ command, input: input as Json }));
    await database().transaction((tx) => runAll(tx, projectId, orla.id, steps));
    const { id } = await importProject(asker(orla), 'demo.spine.zip', await exported(projectId, orla.id));
    expect(await hashOf(id)).toBe(await hashOf(projectId));
    expect(await told(id)).toEqual(await told(projectId));
  });

  it('tells nobody’s e-mail or account', async () => {
    const { projectId, orla, ada } = await tower();
    const text = Object.values(unzipSync(await exported(projectId, orla.id)))
      .map((bytes) => Buffer.from(bytes).toString())
      .join();
    for (const { id, email } of [orla, ada]) {
      expect(text).not.toContain(id);
      expect(text).not.toContain(email);
    }
  });

  it('is refused in words when anything of it is missing, altered or from a newer program', async () => {
    const { projectId, orla } = await tower();
    const entries = unzipSync(await exported(projectId, orla.id));
    const lines = Buffer.from(entries['log.jsonl']!).toString().trimEnd().split('\n');
    const about = JSON.parse(Buffer.from(entries['project.json']!).toString()) as Record<string, unknown>;
    const [file] = Object.keys(entries).filter((name) => name.startsWith('files/'));
    const withLog = (changed: string[]) => ({ ...entries, 'log.jsonl': strToU8(changed.join('\n')) });
    const withAbout = (more: object) => ({
      ...entries,
      'project.json': strToU8(JSON.stringify({ ...about, ...more })),
    });
    const without = (name: string) => Object.fromEntries(Object.entries(entries).filter(([key]) => key !== name));
    const bad: [Record<string, Uint8Array>, string][] = [
      [without('log.jsonl'), 'a part of it is missing'],
      [without(file!), 'site.dxf is missing'],
      [{ ...entries, [file!]: strToU8('other') }, 'is not what it was'],
      [withLog(lines.slice(0, -1)), 'Changes are missing'],
      [withLog([lines[1]!, lines[0]!, ...lines.slice(2)]), 'out of place'],
      [withLog([...lines.slice(0, -1), lines.at(-1)!.replace('"Site"', '"Side"')]), 'log is not what it was'],
      [withLog([...lines.slice(0, -1), lines.at(-1)!.replaceAll('"Site"', '"Side"')]), 'do not lead to the framework'],
      [withLog([...lines.slice(0, -1), '{"seq":1}']), 'cannot be read'],
      [withAbout({ version: 2 }), 'newer version'],
      [withAbout({ people: [] }), 'out of place'],
      [withAbout({ hash: 'x' }), 'do not lead to the framework'],
      [withAbout({ logSha256: '0'.repeat(64) }), 'log is not what it was'],
    ];
    for (const [changed, words] of bad) {
      const read = await broughtProject('a.zip', zipSync(changed));
      expect(read.ok ? 'taken' : read.refusal.message).toContain(words);
    }
    const before = await database().select().from(membership).where(eq(membership.userId, orla.id));
    await expect(importProject(asker(orla), 'a.zip', zipSync(withAbout({ hash: 'x' })))).rejects.toThrow('do not lead');
    expect(await database().select().from(membership).where(eq(membership.userId, orla.id))).toEqual(before);
  });
});

describe('a framework file', () => {
  it('becomes a project; a damaged one is refused in words', async () => {
    const { projectId, orla } = await tower();
    const framework = await replayAll(database(), projectId, await readHeadSeq(projectId));
    const { writeSpineFile } = await import('@/core/kinds/spine-text');
    const text = writeSpineFile(framework);
    const { id, name } = await importProject(asker(orla), 'tower.spine.json', strToU8(text));
    expect(name).toBe('Tower');
    expect(await hashOf(id)).toBe(await hashOf(projectId));
    const damaged = text.replace('"kind":"building"', '"kind":"bilding"');
    await expect(importProject(asker(orla), 'tower.spine.json', strToU8(damaged))).rejects.toThrow(/damaged|hold/);
    await expect(importProject(asker(orla), 'x.json', strToU8('hello'))).rejects.toThrow('does not hold JSON');
  });
});

describe('a copy of a project', () => {
  it('has its log and what is asked for, under its own name, and goes its own way', async () => {
    const { projectId, orla, ada } = await tower();
    const before = await hashOf(projectId);
    const plain = await copyProject(projectId, orla.id, { name: 'Tower', people: false, files: false });
    expect(await hashOf(plain)).toBe(before);
    expect(await told(plain)).toEqual(await told(projectId));
    expect(await filesOf(plain)).toEqual([]);
    const members = (of: string) => database().select().from(membership).where(eq(membership.projectId, of));
    expect(await members(plain)).toMatchObject([{ userId: orla.id, role: 'owner' }]);
    const whole = await copyProject(projectId, ada.id, { name: 'Tower, copy', people: true, files: true });
    expect(await filesOf(whole)).toEqual(await filesOf(projectId));
    expect(new Map((await members(whole)).map(({ userId, role }) => [userId, role]))).toEqual(
      new Map([
        [ada.id, 'owner'],
        [orla.id, 'owner'],
      ]),
    );
    expect((await readHistory(whole)).history[0]!.sentence).toBe('Project named Tower, copy');
    expect(await ownViews(whole, orla.id)).toHaveLength(1);
    expect(await hashOf(projectId)).toBe(before);
  });
});
