import { z } from 'zod';
import { guarded } from '@/server/entry/entry';
import { changeEmail, changePassword, deleteAccount, rename, signInsOf } from '@/server/people/account';
import { emailSchema, typedPassword } from '@/server/people/fields';
import { personName } from '@/server/people/person-name';

const changeSchema = z.union([
  z.strictObject({ name: personName }),
  z.strictObject({ email: emailSchema, password: typedPassword }),
  z.strictObject({ next: typedPassword, password: typedPassword }),
]);

/** One's own account, and where it is signed in. */
export const GET = guarded('GET /api/account', async ({ person }) => {
  const { name, email } = person;
  return Response.json({ name, email, signIns: await signInsOf(person) });
});

/** Changes one's own name, e-mail or password. */
export const PATCH = guarded('PATCH /api/account', async ({ person, json, address }) => {
  const change = json(changeSchema);
  if ('name' in change) await rename(person, change.name);
  else if ('email' in change) await changeEmail(person, address, change.email, change.password);
  else await changePassword(person, address, change);
  return Response.json({ changed: true });
});

/** Deletes one's own account. */
export const DELETE = guarded('DELETE /api/account', async ({ person, json, address }) => {
  await deleteAccount(person, address, json(z.strictObject({ password: typedPassword })).password);
  return Response.json({ deleted: true });
});
