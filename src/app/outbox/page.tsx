import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { mayReadOutbox, readOutbox } from '@/server/people/outbox';
import { whoIsSignedIn } from '@/server/people/signed-in';
import { Outbox } from '@/ui/people/outbox';

export const dynamic = 'force-dynamic';

/** The mails that stand in for e-mail. */
export default async function OutboxPage() {
  if (!(await mayReadOutbox(await whoIsSignedIn(await headers())))) notFound();
  return <Outbox mails={await readOutbox()} />;
}
