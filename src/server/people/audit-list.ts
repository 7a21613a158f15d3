import { sql } from 'drizzle-orm';
import { writeTableCsv } from '@/formats/csv/write-table';
import { database } from '../db/connection';
import type { AuditLine } from '@/core/people/told';

const PIECE = 100;
const MOST_TAKEN_OUT = 50_000;

interface Asked {
  event?: string;
  person?: string;
  from?: string;
  to?: string;
  /** Only what is older. */
  before?: string;
}

/** What happened around a project, latest first: a piece of it, and the events there are to choose from. */
export async function readAuditList(
  projectId: string,
  asked: Asked,
): Promise<{ lines: AuditLine[]; more: boolean; events: string[] }> {
  const lines = await read(projectId, asked, PIECE + 1);
  const { rows } = await database().execute<{ event: string }>(
    sql`select distinct event from (${allLines(projectId)}) as lines order by event`,
  );
  return { lines: lines.slice(0, PIECE), more: lines.length > PIECE, events: rows.map(({ event }) => event) };
}

/** The same as a table for another program. */
export async function auditCsv(projectId: string, asked: Asked): Promise<string> {
  const lines = await read(projectId, asked, MOST_TAKEN_OUT);
  return writeTableCsv({
    title: 'What happened',
    columns: ['when', 'who', 'what', 'whom', 'detail', 'from'].map((heading) => ({ heading, isNumber: false })),
    rows: lines.map(({ at, who, event, about, detail, address }) => [at, who, event, about, detail, address]),
  });
}

/**
 * Every line there is: what the audit list says of the project, when its members signed in, and how many edits each made on
 * a day.
 */
const allLines = (projectId: string) => sql`
  select at, event, user_id, about_id, detail, address from audit where project_id = ${projectId}
  union all
  select audit.at, event, audit.user_id, about_id, detail, address from audit
    join membership on membership.user_id = audit.user_id and membership.project_id = ${projectId}
    where audit.project_id is null and event = 'signed in' and audit.at >= membership.joined_at
  union all
  select max(at), 'edited', author_id, null, count(*)::text || case when count(*) = 1 then ' edit' else ' edits' end, ''
    from change where project_id = ${projectId} group by author_id, (at at time zone 'UTC')::date`;

async function read(projectId: string, { event, person, from, to, before }: Asked, most: number): Promise<AuditLine[]> {
  const wanted = [
    sql`true`,
    ...(event === undefined ? [] : [sql`event = ${event}`]),
    ...(person === undefined ? [] : [sql`(user_id = ${person} or about_id = ${person})`]),
    ...(from === undefined ? [] : [sql`lines.at >= ${from}::date`]),
    ...(to === undefined ? [] : [sql`lines.at < ${to}::date + 1`]),
    ...(before === undefined ? [] : [sql`lines.at < ${before}::timestamptz`]),
  ];
  const { rows } = await database().execute<Omit<AuditLine, 'at'> & { at: Date | string }>(sql`
    select lines.at, event, coalesce(by.name, '') as who, coalesce(whom.name, '') as about,
      coalesce(detail, '') as detail, address
    from (${allLines(projectId)}) as lines
    left join "user" as by on by.id = lines.user_id
    left join "user" as whom on whom.id = lines.about_id
    where ${sql.join(wanted, sql` and `)}
    order by lines.at desc limit ${most}`);
  return rows.map(({ at, ...line }) => ({ ...line, at: new Date(at).toISOString() }));
}
