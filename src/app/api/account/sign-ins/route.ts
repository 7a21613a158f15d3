import { guarded } from '@/server/entry/entry';
import { signOutAt, signOutEverywhere } from '@/server/people/account';

/** Signs oneself out at the place that is named, or everywhere. */
export const DELETE = guarded('DELETE /api/account/sign-ins', async ({ person, query }) => {
  if (query.id === undefined) await signOutEverywhere(person);
  else await signOutAt(person, query.id);
  return Response.json({ signedOut: true });
});
