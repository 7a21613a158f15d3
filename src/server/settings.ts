import { z } from 'zod';

const settingsSchema = z.object({
  DATABASE_URL: z.string().min(1, 'DATABASE_URL is missing: start the program with npm start'),
  AUTH_SECRET: z.string().min(16),
  APP_URL: z.string().default('http://127.0.0.1:3000'),
  /** On only when `npm start` or the tests turn it on. */
  DEMO_MODE: z.enum(['0', '1']).default('0'),
  DEMO_PASSWORD: z.string().min(12).optional(),
  /** Off in browser tests, which sign in often. */
  AUTH_RATE_LIMIT: z.enum(['0', '1']).default('1'),
});

export type Settings = z.infer<typeof settingsSchema>;

/** Settings from the environment, read when first needed. */
export const settings = (): Settings => settingsSchema.parse(process.env);
