import { APIError, betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { createAuthMiddleware } from 'better-auth/api';
import { database } from '../db/connection';
import { account, session, user, verification } from '../db/schema';
import { ownOrigins } from '../entry/origin';
import { settings } from '../settings';
import { passwordFault } from './password';
import { personName } from './person-name';

/** Refuses names that are no names and passwords that are guessed, before an account is made. */
const beforeSignUp = createAuthMiddleware(async (context) => {
  if (context.path !== '/sign-up/email') return;
  const { name, email, password } = (context.body ?? {}) as Record<string, unknown>;
  const named = personName.safeParse(name);
  if (!named.success) throw new APIError('BAD_REQUEST', { message: named.error.issues[0]!.message });
  const fault = passwordFault(String(password ?? ''), [named.data, String(email ?? '')]);
  if (fault) throw new APIError('BAD_REQUEST', { message: fault });
});

function make() {
  const { AUTH_SECRET, APP_URL } = settings();
  return betterAuth({
    database: drizzleAdapter(database(), { provider: 'pg', schema: { user, session, account, verification } }),
    secret: AUTH_SECRET,
    baseURL: APP_URL,
    trustedOrigins: ownOrigins(),
    // Who may make an account is asked before it comes here.
    emailAndPassword: {
      enabled: true,
      minPasswordLength: 10,
      maxPasswordLength: 128,
    },
    hooks: { before: beforeSignUp },
    // Tries are counted over all processes by the entry.
    rateLimit: { enabled: false },
    advanced: { useSecureCookies: APP_URL.startsWith('https:'), ipAddress: { ipAddressHeaders: ['x-spine-address'] } },
    logger: { disabled: true },
    telemetry: { enabled: false },
  });
}

let made: ReturnType<typeof make> | undefined;

/** Sign-in: e-mail and password, sessions in the database. */
export const auth = (): ReturnType<typeof make> => (made ??= make());
