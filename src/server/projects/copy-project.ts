import { randomUUID } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import { database } from '../db/connection';
import { membership, project } from '../db/schema';
import { runAll } from './projects';

/**
 * A copy of a project with its whole log, owned by who makes it; with its people, or without; with what is laid under plans,
 * or without. All of it, or nothing; nothing before its last change ever changes, so nobody else is kept waiting.
 */
export function copyProject(
  projectId: string,
  userId: string,
  { name, people, files }: { name: string; people: boolean; files: boolean },
): Promise<string> {
  const id = randomUUID();
  return database().transaction(async (tx) => {
    await tx.execute(sql`set local statement_timeout = '60s'`);
    const [row] = await tx.select().from(project).where(eq(project.id, projectId));
    if (!row) throw new Error('The project is gone');
    const { headSeq, units, disciplines, inviters } = row;
    await tx.insert(project).values({ id, name: row.name, headSeq, units, disciplines, inviters });
    await tx.insert(membership).values({ projectId: id, userId, role: 'owner' });
    await tx.execute(sql`
      insert into change (project_id, seq, command_id, author_id, command, input, sentence, changes, schema_version, at)
      select ${id}, seq, command_id, author_id, command, input, sentence, changes, schema_version, at
      from change where project_id = ${projectId} and seq <= ${headSeq}`);
    if (files)
      await tx.execute(sql`
        insert into blob (project_id, sha256, name, bytes) select ${id}, sha256, name, bytes
        from blob where project_id = ${projectId}`);
    if (people)
      await tx.execute(sql`
        insert into membership (project_id, user_id, role, disciplines) select ${id}, user_id, role, disciplines
        from membership where project_id = ${projectId} and user_id <> ${userId}`);
    await tx.execute(sql`
      insert into own_view (project_id, user_id, name, view) select ${id}, user_id, name, view
      from own_view where project_id = ${projectId}
        and user_id in (select user_id from membership where project_id = ${id})`);
    if (name !== row.name) await runAll(tx, id, userId, [{ command: 'project.start', input: { name } }]);
    return id;
  });
}
