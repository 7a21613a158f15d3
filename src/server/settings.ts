import { z } from 'zod';

const settingsSchema = z.object({
  /** The database, as the app's role. */
  DATABASE_URL: z.string().min(1, 'DATABASE_URL is missing: start the program with npm start'),
  /** The database, as the owner of the schema: for migrations and for the process for long work. */
  OWNER_DATABASE_URL: z
    .string()
    .optional()
    .transform((url) => (url === '' ? undefined : url)),
  AUTH_SECRET: z.string().min(16),
  /** The address people open, as their browser shows it. */
  APP_URL: z
    .url({ protocol: /^https?$/, error: 'APP_URL is an address like https://spine.example.org' })
    .default('http://127.0.0.1:3000'),
  /** Addresses of proxies whose word about the sender is believed, parted by commas. */
  TRUSTED_PROXIES: z.string().default(''),
  /** Who may make an account: anybody, who is invited, or nobody. */
  SIGN_UP: z.enum(['open', 'invited', 'off']).default('open'),
  /** On only when `npm start` or the tests turn it on. */
  DEMO_MODE: z.enum(['0', '1']).default('0'),
  DEMO_PASSWORD: z.string().min(12).optional(),
  /** Off in browser tests, which sign in often. */
  AUTH_RATE_LIMIT: z.enum(['0', '1']).default('1'),
  /** Who asks for the figures from elsewhere than this machine must say this. */
  METRICS_TOKEN: z.string().min(16).optional(),
  /** Folder of this installation's data: its free room is watched. */
  SPINE_DATA: z.string().default('.data'),
});

export type Settings = z.infer<typeof settingsSchema>;

let read: Settings | undefined;

/** Settings from the environment, read when first needed. */
export const settings = (): Settings => (read ??= settingsSchema.parse(process.env));
