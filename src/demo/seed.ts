import { randomUUID } from 'node:crypto';
import { count } from 'drizzle-orm';
import { auth } from '@/server/auth';
import { runCommand } from '@/server/changes/run-command';
import { closeDatabase, database } from '@/server/db/connection';
import { migrateDatabase } from '@/server/db/migrate';
import { membership, project, user } from '@/server/db/schema';
import { setMember } from '@/server/projects/projects';
import { settings } from '@/server/settings';
import { DEMO_PEOPLE } from '@/server/demo-people';
import { TIDEWATER_YARD } from './tidewater-yard';
import type { Json } from '@/core/model/json';

/** Makes the demo accounts with a password of this installation. */
async function addPeople(password: string): Promise<Map<string, string>> {
  const ids = new Map<string, string>();
  for (const { as, name, email } of DEMO_PEOPLE) {
    const made = await auth().api.signUpEmail({ body: { name, email, password } });
    ids.set(as, made.user.id);
  }
  return ids;
}

/** Brings the database to today's shape and, once, fills it with the demo project. */
async function main(): Promise<void> {
  await migrateDatabase();
  const { DEMO_MODE, DEMO_PASSWORD } = settings();
  const [people] = await database().select({ n: count() }).from(user);
  if (DEMO_MODE !== '1' || !DEMO_PASSWORD || (people?.n ?? 0) > 0) return;
  process.stderr.write('  Filling in the demo project, Tidewater Yard …\n');
  const ids = await addPeople(DEMO_PASSWORD);
  const projectId = randomUUID();
  const designer = ids.get('designer')!;
  await database().insert(project).values({ id: projectId, name: 'Tidewater Yard' });
  await database().insert(membership).values({ projectId, userId: designer, role: 'designer' });
  for (const { command, input } of TIDEWATER_YARD) {
    const outcome = await runCommand({
      projectId,
      userId: designer,
      commandId: randomUUID(),
      command,
      input: input as Json,
    });
    if (outcome.kind !== 'done') throw new Error(`The demo's ${command} was not done: ${JSON.stringify(outcome)}`);
  }
  await setMember(projectId, ids.get('consultant')!, 'consultant', 'structure');
  await setMember(projectId, ids.get('viewer')!, 'viewer');
}

main()
  .catch((error: unknown) => {
    process.stderr.write(`  Setting up the data failed: ${(error as Error).message}\n`);
    process.exitCode = 1;
  })
  .finally(() => void closeDatabase());
