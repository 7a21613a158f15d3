import { z } from 'zod';
import { LENGTH_UNITS } from '@/core/units/length-units';
import { guardedPlainly } from '../entry/entry';
import { PlainAnswer } from '../entry/plain-answer';
import { inPool, wrapped } from '../pool';
import { fileName } from './file-name';
import { importProject } from './project-file';
import { takeDrawing, takeUnderlay } from './underlays';

const levelsQuery = z.object({ unit: z.enum(LENGTH_UNITS).optional() });
const underlayQuery = z.object({ page: z.coerce.number().int().min(1).max(5000).default(1) });

/** Takes a drawing, keeps it, and answers what it holds. It is read in a process of its own. */
export const postDrawing = guardedPlainly('POST /api/projects/[projectId]/drawings', (entered) =>
  takeDrawing(entered, entered.projectId, fileName(entered.query.name, 'drawing.dxf'), entered.bytes),
);

/** Reads a level table somebody brought (CSV, XLSX, the storeys of an IFC file); keeps nothing of it. */
export const postLevels = guardedPlainly('POST /api/projects/[projectId]/levels', async (entered) => {
  const { unit } = levelsQuery.parse(entered.query);
  const name = fileName(entered.query.name, 'levels.csv');
  return wrapped({}, 'table', await inPool(entered, 'levels', { name, ...(unit ? { unit } : {}) }, entered.bytes));
});

/** Reads a file of bay presets somebody brought; keeps nothing of it. */
export const postPresets = guardedPlainly('POST /api/projects/[projectId]/presets', async (entered) =>
  wrapped({}, 'presets', await inPool(entered, 'presets', {}, entered.bytes)),
);

/** Takes a picture, a page of a PDF or a drawing to lay under a plan, keeps it, and answers what it is. */
export const postUnderlay = guardedPlainly('POST /api/projects/[projectId]/underlays', (entered) => {
  const { projectId, query, bytes } = entered;
  return takeUnderlay(entered, projectId, fileName(query.name, 'underlay'), bytes, underlayQuery.parse(query).page);
});

/** Makes a project of a file: a whole project, or a framework. */
export const postProject = guardedPlainly('POST /api/projects/bring', async (entered) => {
  const name = fileName(entered.query.name, 'framework.spine.json');
  return PlainAnswer.json(await importProject(entered, name, entered.bytes), 201);
});
