import { randomUUID } from 'node:crypto';
import type { Json } from '@/core/model/json';
import { ARCHIVED } from '@/core/people/powers';
import { runIn, type Ran } from '../changes/run-command';
import { database, type Transaction } from '../db/connection';
import { membership, project } from '../db/schema';
import { RequestRefused } from '../entry/refusal';
import { stepsOfTemplate, type AskedTemplate } from './from-template';

/** A new project with its first building, empty or made by a template, owned by the person; all of it, or nothing. */
export function createProject(
  userId: string,
  name: string,
  building: string,
  template?: AskedTemplate,
): Promise<string> {
  const steps = template ? stepsOfTemplate(template, building) : [];
  return database().transaction(async (tx) => {
    const id = randomUUID();
    await tx.insert(project).values({ id, name, ...(template ? { units: template.system } : {}) });
    await tx.insert(membership).values({ projectId: id, userId, role: 'owner' });
    await runAll(tx, id, userId, [
      { command: 'project.start', input: { name } },
      { command: 'buildings.add', input: { name: building } },
      ...steps,
    ]);
    return id;
  });
}

/** Runs commands one after the other in a transaction. One that is not done undoes all of it. */
export async function runAll(
  tx: Transaction,
  projectId: string,
  userId: string,
  steps: readonly { command: string; input: Json }[],
): Promise<void> {
  let head: Ran['head'] = null;
  for (const { command, input } of steps) {
    const sent = { projectId, userId, commandId: randomUUID(), command, input };
    const ran = await runIn(tx, sent, head);
    if (ran.outcome.kind === 'refused') throw new RequestRefused(422, ran.outcome.refusal.message);
    if (ran.outcome.kind === 'archived') throw new RequestRefused(423, ARCHIVED, { archived: true });
    if (ran.outcome.kind !== 'done') throw new Error(`The command ${command} was not done (${ran.outcome.kind})`);
    head = ran.head ?? head;
  }
}
