import { z } from 'zod';
import { textSchema } from '@/core/model/fields';
import { requirePerson } from '@/server/access';
import { handle, readJson } from '@/server/handle';
import { createProject, projectsOf } from '@/server/projects/projects';

const bodySchema = z.strictObject({ name: textSchema(120), building: textSchema(80).default('Main building') });

/** The person's projects. */
export const GET = (request: Request) =>
  handle(async () => {
    const person = await requirePerson(request.headers);
    return Response.json({ projects: await projectsOf(person.id) });
  });

/** Starts a project with one building. */
export const POST = (request: Request) =>
  handle(async () => {
    const person = await requirePerson(request.headers);
    const { name, building } = await readJson(request, bodySchema);
    return Response.json({ id: await createProject(person.id, name, building) }, { status: 201 });
  });
