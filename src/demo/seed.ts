import { randomUUID } from 'node:crypto';
import { eq, inArray, sql } from 'drizzle-orm';
import type { Json } from '@/core/model/json';
import { closeDatabase, database, type Transaction } from '@/server/db/connection';
import { migrateDatabase, SETTING_UP_LOCK } from '@/server/db/migrate';
import { membership, project, user } from '@/server/db/schema';
import { DEMO_PEOPLE, type DemoPart } from '@/server/people/demo-people';
import { isPassword, setPassword } from '@/server/people/stored-password';
import { runAll } from '@/server/projects/projects';
import { settings } from '@/server/settings';
import { TIDEWATER_YARD } from './tidewater-yard';

/** The demo's people, made where they are not there, with this installation's password. */
async function demoPeople(tx: Transaction, password: string): Promise<Map<DemoPart, string>> {
  const emails = DEMO_PEOPLE.map(({ email }) => email);
  const there = await tx.select({ id: user.id, email: user.email }).from(user).where(inArray(user.email, emails));
  const ids = new Map<DemoPart, string>();
  for (const { as, name, email } of DEMO_PEOPLE) {
    const known = there.find((person) => person.email === email);
    const id = known?.id ?? randomUUID();
    if (!known) await tx.insert(user).values({ id, name, email });
    if (!(await isPassword(tx, id, password))) await setPassword(tx, id, password);
    ids.set(as, id);
  }
  return ids;
}

/** Fills in the demo: people and project, all of it or nothing, and once however often and by how many it is run. */
async function seed(password: string): Promise<void> {
  await database().transaction(async (tx) => {
    // A set-up that another start is at is waited for, however long it takes.
    await tx.execute(sql`set local statement_timeout = 0`);
    await tx.execute(sql`set local idle_in_transaction_session_timeout = 0`);
    await tx.execute(sql`select pg_advisory_xact_lock(${SETTING_UP_LOCK})`);
    const people = await demoPeople(tx, password);
    const designer = people.get('designer')!;
    const [known] = await tx.select().from(membership).where(eq(membership.userId, designer)).limit(1);
    if (known) return;
    await tx
      .update(user)
      .set({ isKeeper: true })
      .where(eq(user.id, people.get('owner')!));
    process.stderr.write('  Filling in the demo project, Tidewater Yard …\n');
    const projectId = randomUUID();
    await tx.insert(project).values({ id: projectId, name: 'Tidewater Yard' });
    await tx.insert(membership).values(
      DEMO_PEOPLE.map(({ as, role, disciplines }) => ({
        projectId,
        userId: people.get(as)!,
        role,
        disciplines: [...disciplines],
      })),
    );
    const steps = TIDEWATER_YARD.map(({ command, input }) => ({ command, input: input as Json }));
    await runAll(tx, projectId, designer, steps);
  });
}

/** Brings the database to today's shape and, while the demo mode is on, fills in the demo. */
async function main(): Promise<void> {
  await migrateDatabase();
  const { DEMO_MODE, DEMO_PASSWORD } = settings();
  if (DEMO_MODE === '1' && DEMO_PASSWORD) await seed(DEMO_PASSWORD);
}

main()
  .catch((error: unknown) => {
    const cause = (error as { cause?: Error }).cause;
    process.stderr.write(`  Setting up the data failed: ${(cause ?? (error as Error)).message}\n`);
    process.exitCode = 1;
  })
  .finally(() => void closeDatabase());
