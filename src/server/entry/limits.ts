import { createHash } from 'node:crypto';
import { RateLimiterPostgres } from 'rate-limiter-flexible';
import { databasePool } from '../db/connection';
import { RequestRefused } from './refusal';

const DAY_S = 86_400;
const HOUR_S = 3_600;

/** Wrong tries after which an account, or an address, has to wait; each further one doubles the wait. */
const FREE_TRIES = { account: 5, address: 20 };
const FIRST_WAIT_S = 15;
const LONGEST_WAIT_S = HOUR_S;
/** Links for a new password that may be asked for from one address in an hour. */
const LINKS_AN_HOUR = 20;
/** Accounts that may be made from one address in an hour. */
const SIGN_UPS_AN_HOUR = 20;

type About = keyof typeof FREE_TRIES;

interface Limiters {
  /** Wrong tries within a day. */
  failures: RateLimiterPostgres;
  /** Who has to wait. */
  waits: RateLimiterPostgres;
  signUps: RateLimiterPostgres;
  links: RateLimiterPostgres;
}

const holder = globalThis as typeof globalThis & { spineLimiters?: Limiters };

/** Counted in the database: all processes count together, and a restart forgets nothing. */
function limiters(): Limiters {
  if (!holder.spineLimiters) {
    const make = (keyPrefix: string, points: number, duration: number) =>
      new RateLimiterPostgres({
        storeClient: databasePool(),
        tableName: 'rate_limit',
        tableCreated: true,
        // The nightly sweep removes what is over.
        clearExpiredByTimeout: false,
        keyPrefix,
        points,
        duration,
      });
    holder.spineLimiters = {
      failures: make('failed', 1_000_000, DAY_S),
      waits: make('waits', 1, LONGEST_WAIT_S),
      signUps: make('signs-up', SIGN_UPS_AN_HOUR, HOUR_S),
      links: make('links', LINKS_AN_HOUR, HOUR_S),
    };
  }
  return holder.spineLimiters;
}

/** Neither an e-mail nor an address is written down in the clear. */
const keyOf = (about: About, who: string): string =>
  `${about}:${createHash('sha256').update(who.trim().toLowerCase()).digest('base64url')}`;

const mustWait = (seconds: number): RequestRefused =>
  new RequestRefused(
    429,
    `Too many tries. Wait ${seconds < 90 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`} and try again`,
    {},
    { 'retry-after': String(seconds) },
  );

/** Refuses a try while its account or its address has to wait. */
export async function requireNoWait(account: string, address: string): Promise<void> {
  for (const key of [keyOf('account', account), keyOf('address', address)]) {
    const found = await limiters().waits.get(key);
    if (found && found.consumedPoints > 1) throw mustWait(Math.max(1, Math.ceil(found.msBeforeNext / 1000)));
  }
}

/** Counts a wrong try; after the free ones account and address have to wait, longer each time. */
export async function countWrongTry(account: string, address: string): Promise<void> {
  for (const [about, who] of [
    ['account', account],
    ['address', address],
  ] as const) {
    const key = keyOf(about, who);
    const { consumedPoints } = await limiters().failures.penalty(key);
    const over = consumedPoints - FREE_TRIES[about];
    if (over < 0) continue;
    await limiters().waits.block(key, Math.min(LONGEST_WAIT_S, FIRST_WAIT_S * 2 ** Math.min(over, 20)));
  }
}

/** Forgets the wrong tries of an account that was signed in to. Those of the address stay. */
export async function forgetWrongTries(account: string): Promise<void> {
  await limiters().failures.delete(keyOf('account', account));
}

/** Refuses more accounts from an address than anybody makes. */
export async function countSignUp(address: string): Promise<void> {
  const { consumedPoints, msBeforeNext } = await limiters().signUps.penalty(keyOf('address', address));
  if (consumedPoints > SIGN_UPS_AN_HOUR) throw mustWait(Math.ceil(msBeforeNext / 1000));
}

/** Refuses more links for new passwords to an address than anybody needs. */
export async function countLink(address: string): Promise<void> {
  const { consumedPoints, msBeforeNext } = await limiters().links.penalty(keyOf('address', address));
  if (consumedPoints > LINKS_AN_HOUR) throw mustWait(Math.ceil(msBeforeNext / 1000));
}
