import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { database } from './db/connection';
import { account, session, user, verification } from './db/schema';
import { settings } from './settings';

function make() {
  const { AUTH_SECRET, APP_URL, AUTH_RATE_LIMIT } = settings();
  return betterAuth({
    database: drizzleAdapter(database(), { provider: 'pg', schema: { user, session, account, verification } }),
    secret: AUTH_SECRET,
    baseURL: APP_URL,
    trustedOrigins: [APP_URL, APP_URL.replace('127.0.0.1', 'localhost')],
    emailAndPassword: { enabled: true, minPasswordLength: 10 },
    rateLimit: { enabled: AUTH_RATE_LIMIT === '1' },
    telemetry: { enabled: false },
  });
}

let made: ReturnType<typeof make> | undefined;

/** Sign-in: e-mail and password, sessions in the database. */
export const auth = (): ReturnType<typeof make> => (made ??= make());
