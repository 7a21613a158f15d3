import { database } from '../db/connection';
import { audit } from '../db/schema';
import { log } from '../log';

/** One line of the audit list. It says who, what and where, and holds no contents. */
export interface Audited {
  event: string;
  userId: string | null;
  projectId: string | null;
  /** Whom it was done to, and what of it, in a word or two. */
  aboutId?: string | null;
  detail?: string;
  requestId: string;
  address: string;
  route: string;
  status: number;
}

/** Writes a line into the audit list. That it cannot be written is logged and stops nobody. */
export function writeAudit(line: Audited): Promise<void> {
  return database()
    .insert(audit)
    .values(line)
    .then(
      () => undefined,
      (error: unknown) => log.error({ id: line.requestId, code: codeOf(error) }, 'the audit list could not be written'),
    );
}

/** A database error's code; its text may hold what somebody typed. */
export const codeOf = (error: unknown): string => {
  const cause = (error as { cause?: unknown } | null)?.cause ?? error;
  return String((cause as { code?: unknown } | null)?.code ?? (error as Error | null)?.name ?? 'unknown');
};
