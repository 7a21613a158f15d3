import { z } from 'zod';
import { textSchema } from '@/core/model/fields';

/** An e-mail, as accounts have it: in small letters. */
export const emailSchema = z
  .string()
  .trim()
  .max(254)
  .transform((email) => email.toLowerCase())
  .pipe(z.email('That is no e-mail. It looks like name@example.org'));

/** What somebody types as a password: whether it may be one is asked elsewhere. */
export const typedPassword = z.string().max(200);

/** What members speak for, by name. */
export const disciplinesSchema = z.array(textSchema(40)).max(30);
