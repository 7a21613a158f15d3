import { eq, lte, sql } from 'drizzle-orm';
import { z } from 'zod';
import { smallElevation, type SmallElevation } from '@/core/drawing/small-elevation';
import { recordsOf, type Framework } from '@/core/model/framework';
import { solve } from '@/core/solving/solve';
import { frameworkAt, LogFault } from '../changes/head';
import { database } from '../db/connection';
import { project, projectSummary } from '../db/schema';

const payloadSchema = z.object({ projectId: z.uuid() });

const NOTHING: SmallElevation = { width: 240, height: 150, ground: null, paths: {} };

/** Works out what the list of projects shows of one at its head: its buildings, and a small elevation of them. */
export async function writeSummary(payload: unknown): Promise<void> {
  const { projectId } = payloadSchema.parse(payload);
  // Asked for a moment ago, and gone for good since.
  const [there] = await database().select({ seq: project.headSeq }).from(project).where(eq(project.id, projectId));
  if (!there) return;
  const { seq } = there;
  // Of a damaged log the last good state, as one sees it who opens the project.
  const framework = await frameworkAt(database(), projectId, seq).catch((error: unknown) => {
    if (error instanceof LogFault) return error.good.framework;
    throw error;
  });
  const values = { seq, buildings: buildingsOf(framework), elevation: elevationOf(framework) };
  await database()
    .insert(projectSummary)
    .values({ projectId, ...values })
    .onConflictDoUpdate({
      target: projectSummary.projectId,
      set: values,
      setWhere: lte(projectSummary.seq, sql`excluded.seq`),
    });
}

function buildingsOf(framework: Framework): { name: string; levels: number }[] {
  const levels = recordsOf(framework, 'level');
  return recordsOf(framework, 'building')
    .map(({ id, name }) => ({ name, levels: levels.filter(({ building }) => building === id).length }))
    .sort((a, b) => b.levels - a.levels || (a.name < b.name ? -1 : 1));
}

/** One that cannot be worked out has no picture; it can be opened all the same. */
function elevationOf(framework: Framework): SmallElevation {
  try {
    return smallElevation(solve(framework));
  } catch {
    return NOTHING;
  }
}
