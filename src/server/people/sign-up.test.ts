import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { closeDatabase, database } from '../db/connection';
import { user } from '../db/schema';
import type { Entered } from '../entry/entry';
import { createProject } from '../projects/projects';
import { settings } from '../settings';
import { newPerson, PASSWORD } from '../testing/people';
import { invite } from './invitations';
import { isFresh, makeFirstKeeper } from './keeper';
import { signInOrOut } from './sign-in';

afterAll(closeDatabase);
const before = settings().SIGN_UP;
afterEach(() => {
  settings().SIGN_UP = before;
});

/** Makes an account as the page asks for one; answers the status, or the refusal. */
async function signUp(more: object = {}): Promise<number | string> {
  const body = { name: 'Kit', email: `${randomUUID()}@test.example`, password: PASSWORD, ...more };
  const bytes = Buffer.from(JSON.stringify(body));
  const request = new Request(`${settings().APP_URL}/api/auth/sign-up/email`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: settings().APP_URL },
    body: bytes,
  });
  const params = { all: 'sign-up/email' };
  const entered = { request, bytes, params, address: '127.0.0.9', requestId: 'test' } as unknown as Entered;
  return signInOrOut(entered).then(
    ({ status }) => status,
    (error: Error) => error.message,
  );
}

describe('making an account', () => {
  it('is open to all, to who is invited, or to nobody', async () => {
    const orla = await newPerson('Orla');
    const projectId = await createProject(orla.id, 'House', 'Hall');
    const wanted = { email: 'kit@test.example', role: 'viewer' as const, disciplines: [], days: 1 };
    const { link } = await invite(projectId, { ...orla, role: 'owner' }, wanted);
    const invitation = link.split('#')[1];
    expect(await signUp()).toBe(200);
    settings().SIGN_UP = 'invited';
    expect(await signUp()).toMatch(/^Accounts are made by invitation here/);
    expect(await signUp({ invitation: 'x'.repeat(43) })).toMatch(/^Accounts are made by invitation here/);
    // An invitation lets one make an account, and is still there to join with.
    expect([await signUp({ invitation }), await signUp({ invitation })]).toEqual([200, 200]);
    settings().SIGN_UP = 'off';
    expect(await signUp({ invitation })).toMatch(/^No accounts are made here/);
  });

  it('refuses passwords that are guessed, however it is open', async () => {
    expect(await signUp({ password: 'password12' })).toBe(400);
  });

  it('makes one keeper, however many come first', async () => {
    await newPerson('First');
    expect(await isFresh()).toBe(false);
    await Promise.all([makeFirstKeeper(), makeFirstKeeper(), makeFirstKeeper()]);
    expect(await database().select().from(user).where(eq(user.isKeeper, true))).toHaveLength(1);
  });
});
