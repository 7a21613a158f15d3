import { eq } from 'drizzle-orm';
import type { Project } from '@/core/buildings/building';
import { ruleChoices } from '@/core/rule-sets/rules-in';
import { recordsOf } from '@/core/model/framework';
import { DISCIPLINES, type Inviters } from '@/core/people/powers';
import { frameworkAt } from '../changes/head';
import { readHeadSeq } from '../changes/read-changes';
import { database } from '../db/connection';
import { project } from '../db/schema';
import { RequestRefused } from '../entry/refusal';
import { runAll } from './projects';
import { tellMembers } from './tell-members';

/** What an owner sets about a project beside its framework. */
export interface ProjectSettings {
  units: 'metric' | 'imperial';
  disciplines: string[];
  inviters: Inviters;
}

/** A project's name and settings, for who is a member of it. */
export async function projectOf(projectId: string): Promise<ProjectSettings & { name: string; archived: boolean }> {
  const [row] = await database().select().from(project).where(eq(project.id, projectId));
  if (!row) throw new RequestRefused(404, 'There is no such project, or you are not a member of it');
  const { name, units, inviters, archivedAt } = row;
  const disciplines = row.disciplines.length > 0 ? row.disciplines : [...DISCIPLINES];
  return { name, units, disciplines, inviters, archived: archivedAt !== null };
}

/** What can be changed of a project: its settings, whether it is put away, and what its framework says of it. */
export interface ProjectChange extends Partial<ProjectSettings> {
  archived?: boolean;
  name?: string;
  details?: NonNullable<Project['details']>;
}

/**
 * Changes a project, all of it or nothing; everybody who has it open is told. What is in the framework is changed by
 * commands, so that it is in the history: before it is put away, and after it is taken out again.
 */
export async function changeProject(projectId: string, userId: string, to: ProjectChange): Promise<void> {
  const { archived, name, details, ...settings } = to;
  await database().transaction(async (tx) => {
    const set = (values: Partial<typeof project.$inferInsert>) =>
      tx.update(project).set(values).where(eq(project.id, projectId));
    if (archived === false) await set({ archivedAt: null });
    await runAll(tx, projectId, userId, [
      ...(name === undefined ? [] : [{ command: 'project.start', input: { name } }]),
      ...(details === undefined ? [] : [{ command: 'project.describe', input: details }]),
    ]);
    if (Object.keys(settings).length > 0) await set(settings);
    if (archived) await set({ archivedAt: new Date() });
    if (archived !== undefined) await tellMembers(tx, projectId);
  });
}

/** What the framework says of its project, beside its name, and the rule sets there are to choose from. */
export async function detailsOf(
  projectId: string,
): Promise<{ details: NonNullable<Project['details']>; ruleChoices: [string, string][] }> {
  const framework = await frameworkAt(database(), projectId, await readHeadSeq(projectId));
  const none = { code: null, client: null, address: null, rules: null };
  return { details: recordsOf(framework, 'project')[0]?.details ?? none, ruleChoices: ruleChoices(framework) };
}
