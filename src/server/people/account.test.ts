import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { runCommand } from '../changes/run-command';
import { readHistory } from '../changes/read-changes';
import { closeDatabase, database } from '../db/connection';
import { account, membership, session, user } from '../db/schema';
import { deleteProject } from '../projects/deleted-projects';
import { createProject } from '../projects/projects';
import { newPerson, PASSWORD, setMember, signInAgain } from '../testing/people';
import {
  browserIn,
  changeEmail,
  changePassword,
  deleteAccount,
  rename,
  signInsOf,
  signOutAt,
  signOutEverywhere,
} from './account';
import { replacePassword, sendPasswordLink } from './forgotten-password';
import { readOutbox } from './outbox';
import { isPassword } from './stored-password';

afterAll(closeDatabase);

const HERE = '127.0.0.9';

/** A person who is signed in at a second place. */
async function twice() {
  const ada = await newPerson('Ada');
  const elsewhere = randomUUID();
  await signInAgain({ id: ada.id, token: elsewhere });
  const places = async () =>
    (await database().select({ token: session.token }).from(session).where(eq(session.userId, ada.id))).map(
      ({ token }) => token,
    );
  return { ada, elsewhere, places };
}

describe('an account', () => {
  it('takes another name, and another e-mail for who knows the password', async () => {
    const { ada } = await twice();
    await rename(ada, 'Ada Vale');
    const other = await newPerson('Other');
    await expect(changeEmail(ada, HERE, 'new@test.example', 'wrong')).rejects.toThrow('That is not your password');
    await expect(changeEmail(ada, HERE, other.email, PASSWORD)).rejects.toThrow('Somebody has an account');
    const email = `${randomUUID()}@test.example`;
    await changeEmail(ada, HERE, email, PASSWORD);
    const [row] = await database().select().from(user).where(eq(user.id, ada.id));
    expect(row).toMatchObject({ name: 'Ada Vale', email });
  });

  it('takes another password for who knows the old one, and is signed out everywhere else', async () => {
    const { ada, places } = await twice();
    const next = 'another lintel 0815 soffit';
    await expect(changePassword(ada, HERE, { password: 'wrong', next })).rejects.toThrow('not your password');
    await expect(changePassword(ada, HERE, { password: PASSWORD, next: 'password12' })).rejects.toThrow('common');
    expect(await places()).toHaveLength(2);
    await changePassword(ada, HERE, { password: PASSWORD, next });
    expect(await places()).toEqual([ada.token]);
    expect([await isPassword(database(), ada.id, PASSWORD), await isPassword(database(), ada.id, next)]).toEqual([
      false,
      true,
    ]);
  });

  it('lists where it is signed in, and ends one place or all', async () => {
    const { ada, elsewhere, places } = await twice();
    const listed = await signInsOf(ada);
    expect(listed.map(({ isThis }) => isThis).sort()).toEqual([false, true]);
    await signOutAt(ada, listed.find(({ isThis }) => !isThis)!.id);
    expect(await places()).not.toContain(elsewhere);
    const stranger = await newPerson('Stranger');
    await expect(signOutAt(stranger, listed.find(({ isThis }) => isThis)!.id)).rejects.toThrow('ended already');
    expect(await places()).toEqual([ada.token]);
    await signOutEverywhere(ada);
    expect(await places()).toEqual([]);
  });

  it('is deleted by who knows the password, and leaves a neutral name at what was done with it', async () => {
    const { ada, places } = await twice();
    const own = await createProject(ada.id, 'Mine', 'Hall');
    const orla = await newPerson('Orla');
    const shared = await createProject(orla.id, 'Shared', 'Hall');
    await setMember(shared, ada.id, 'designer');
    const sent = { projectId: shared, userId: ada.id, commandId: randomUUID() };
    await runCommand({ ...sent, command: 'project.start', input: { name: 'Renamed' } });
    await expect(deleteAccount(ada, HERE, 'wrong')).rejects.toThrow('not your password');
    await expect(deleteAccount(ada, HERE, PASSWORD)).rejects.toThrow('You are the only owner of Mine');
    await deleteProject(own, ada.id, 'Mine');
    await deleteAccount(ada, HERE, PASSWORD);
    expect(await places()).toEqual([]);
    expect(await database().select().from(account).where(eq(account.userId, ada.id))).toEqual([]);
    expect(await database().select().from(membership).where(eq(membership.userId, ada.id))).toEqual([]);
    const { history } = await readHistory(shared);
    expect(history[0]).toMatchObject({ author: 'Former member', sentence: 'Project named Renamed' });
    const [row] = await database().select().from(user).where(eq(user.id, ada.id));
    expect(JSON.stringify(row)).not.toContain('Ada');
    expect(row!.email).not.toBe(ada.email);
  });
});

describe('a forgotten password', () => {
  const linkFor = async (email: string) => (await readOutbox()).find(({ to }) => to === email)?.link ?? null;

  it('is replaced once by the link in the outbox, and every place is signed out', async () => {
    const { ada, places } = await twice();
    await sendPasswordLink(ada.email, HERE);
    await sendPasswordLink(ada.email, HERE);
    const token = (await linkFor(ada.email))!.split('#')[1]!;
    await expect(replacePassword(token, 'short')).rejects.toThrow('at least 10');
    const next = 'a third cornice 2718 plinth';
    await replacePassword(token, next);
    expect(await places()).toEqual([]);
    expect(await isPassword(database(), ada.id, next)).toBe(true);
    await expect(replacePassword(token, next)).rejects.toThrow('used or is too old');
    // The other link that was on its way is spent as well, and neither can be read any more.
    expect((await readOutbox()).filter(({ to }) => to === ada.email).map(({ link }) => link)).toEqual([null, null]);
  });

  it('says nothing of whether there is such an account', async () => {
    await sendPasswordLink('nobody-at-all@test.example', HERE);
    expect(await linkFor('nobody-at-all@test.example')).toBeNull();
    await expect(replacePassword('x'.repeat(43), PASSWORD)).rejects.toThrow('used or is too old');
  });
});

it('a browser is named in words', () => {
  const said = 'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/156.0.0.0 Safari/537.36';
  expect([browserIn(said), browserIn('curl/8'), browserIn('')]).toEqual([
    'Chromium on Linux',
    'Another program',
    'Another program',
  ]);
});
