import { randomUUID } from 'node:crypto';
import { closeDatabase } from '../db/connection';
import { countSignUp, countWrongTry, forgetWrongTries, requireNoWait } from './limits';

afterAll(closeDatabase);

const waits = async (account: string, address: string): Promise<number> => {
  try {
    await requireNoWait(account, address);
    return 0;
  } catch (error) {
    return Number((error as { headers: Record<string, string> }).headers['retry-after']);
  }
};
const somebody = () => `${randomUUID()}@test.example`;

describe('wrong tries', () => {
  it('on one account make it wait, longer each time, from whatever address they come', async () => {
    const account = somebody();
    for (let i = 0; i < 4; i += 1) await countWrongTry(account, randomUUID());
    expect(await waits(account, randomUUID())).toBe(0);
    const seconds: number[] = [];
    for (let i = 0; i < 4; i += 1) {
      await countWrongTry(account, randomUUID());
      seconds.push(await waits(account.toUpperCase(), randomUUID()));
    }
    expect(seconds).toEqual([15, 30, 60, 120]);
    expect(await waits(somebody(), randomUUID())).toBe(0);
  });
  it('from one address make it wait, whatever accounts they are on', async () => {
    const address = randomUUID();
    for (let i = 0; i < 19; i += 1) await countWrongTry(somebody(), address);
    expect(await waits(somebody(), address)).toBe(0);
    await countWrongTry(somebody(), address);
    expect(await waits(somebody(), address)).toBe(15);
  });
  it('of an account are forgotten once it is signed in to', async () => {
    const account = somebody();
    for (let i = 0; i < 4; i += 1) await countWrongTry(account, randomUUID());
    await forgetWrongTries(account);
    for (let i = 0; i < 4; i += 1) await countWrongTry(account, randomUUID());
    expect(await waits(account, randomUUID())).toBe(0);
  });
});

it('nobody makes more than a few accounts an hour from one address', async () => {
  const address = randomUUID();
  for (let i = 0; i < 20; i += 1) await countSignUp(address);
  await expect(countSignUp(address)).rejects.toMatchObject({ status: 429 });
});
