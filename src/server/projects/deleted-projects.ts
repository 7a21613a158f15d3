import { eq } from 'drizzle-orm';
import { database } from '../db/connection';
import { project } from '../db/schema';
import { RequestRefused } from '../entry/refusal';
import { tellMembers } from './tell-members';

/** Days for which a deleted project can be brought back. */
export const DELETED_DAYS = 30;

/** Deletes a project, for whoever types its name: for some days it can be brought back, then it is gone for good. */
export async function deleteProject(projectId: string, userId: string, typedName: string): Promise<void> {
  await database().transaction(async (tx) => {
    const [row] = await tx.select({ name: project.name }).from(project).where(eq(project.id, projectId)).for('update');
    if (row?.name.trim() !== typedName.trim())
      throw new RequestRefused(422, `That is not its name. Type ${row?.name ?? 'it'} to delete it`, { path: ['name'] });
    await tx.update(project).set({ deletedAt: new Date(), deletedBy: userId }).where(eq(project.id, projectId));
    await tellMembers(tx, projectId);
  });
}

/** Brings a deleted project back, with everybody who was in it. */
export async function restoreProject(projectId: string): Promise<void> {
  await database().transaction(async (tx) => {
    await tx.update(project).set({ deletedAt: null, deletedBy: null }).where(eq(project.id, projectId));
    await tellMembers(tx, projectId);
  });
}
