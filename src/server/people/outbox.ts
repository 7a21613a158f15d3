import { desc, eq } from 'drizzle-orm';
import { settings } from '../settings';
import { database, type Database, type Transaction } from '../db/connection';
import { outbox, user } from '../db/schema';
import { hashOfToken, linkTo, newToken, seal, unseal } from './links';

/** Mails the page shows, the latest first. */
const MOST_SHOWN = 200;

interface Mail {
  to: string;
  subject: string;
  /** Plain text; `[link]` stands where the link goes. */
  body: string;
}

/** A mail as the outbox page shows it. */
export interface ShownMail extends Mail {
  id: number;
  at: string;
  /** Null once it was used or taken back. */
  link: string | null;
}

/** Puts a mail with a new link into the outbox, which stands in for e-mail. Answers the link, and the hash to keep. */
export async function sendLink(
  db: Database | Transaction,
  page: 'join' | 'password',
  { to, subject, body }: Mail,
): Promise<{ link: string; tokenHash: string }> {
  const token = newToken();
  const [link, tokenHash] = [linkTo(page, token), hashOfToken(token)];
  await db.insert(outbox).values({ toEmail: to, subject, body, tokenHash, sealedLink: seal(link) });
  return { link, tokenHash };
}

/** Takes the link out of its mail: it was used, or is valid no more. */
export async function forgetLink(db: Database | Transaction, tokenHash: string): Promise<void> {
  await db.update(outbox).set({ sealedLink: null }).where(eq(outbox.tokenHash, tokenHash));
}

/** Who may read other people's mail: who looks after this place, and anybody where it is a demo. */
export async function mayReadOutbox(person: { id: string } | null): Promise<boolean> {
  if (settings().DEMO_MODE === '1') return true;
  if (!person) return false;
  const [row] = await database().select({ isKeeper: user.isKeeper }).from(user).where(eq(user.id, person.id));
  return row?.isKeeper ?? false;
}

/** The mails that would have been sent. */
export async function readOutbox(): Promise<ShownMail[]> {
  const rows = await database().select().from(outbox).orderBy(desc(outbox.id)).limit(MOST_SHOWN);
  return rows.map(({ id, at, toEmail, subject, body, sealedLink }) => ({
    id,
    at: at.toISOString(),
    to: toEmail,
    subject,
    body,
    link: sealedLink === null ? null : unseal(sealedLink),
  }));
}
