import { and, eq } from 'drizzle-orm';
import { isA, pictureType } from '@/formats/sandbox/file-type';
import { database } from '../db/connection';
import { blob } from '../db/schema';
import { PlainAnswer } from '../entry/plain-answer';
import { RequestRefused } from '../entry/refusal';
import { inPool, jsonOfAnswer, wrapped, type Asker } from '../pool';
import { keepFile } from './files';

/** What is answered of a picture: its size in pixels, and of a page of a PDF how large one is on paper. */
interface PictureSaid {
  width: number;
  height: number;
  mmPerPx?: number;
  pageCount?: number;
}

/**
 * Keeps a picture, a page of a PDF or a drawing that somebody brought, once per contents. Pictures are kept as they are drawn
 * anew, so that no browser ever opens what a stranger wrote.
 */
export async function takeUnderlay(
  asker: Asker,
  projectId: string,
  name: string,
  bytes: Uint8Array,
  page: number,
): Promise<PlainAnswer> {
  // What says it is one is read as one, and refused as one.
  if (isA('pdf', bytes) || /\.pdf$/i.test(name))
    return takePicture(projectId, name, await inPool(asker, 'pdfPage', { page }, bytes));
  if (pictureType(bytes) || /\.(png|jpe?g)$/i.test(name))
    return takePicture(projectId, name, await inPool(asker, 'picture', {}, bytes));
  const drawing = await inPool(asker, 'drawing', {}, bytes);
  const sha256 = await keepFile(projectId, name, bytes);
  return wrapped({ sha256, content: 'drawing' }, 'sheet', drawing);
}

async function takePicture(projectId: string, name: string, answer: Awaited<ReturnType<typeof inPool>>) {
  const { width, height, mmPerPx, pageCount } = jsonOfAnswer<PictureSaid>(answer);
  const sha256 = await keepFile(projectId, name, answer.file!);
  return PlainAnswer.json({ sha256, content: 'picture', width, height, mmPerPx, pageCount });
}

/** Reads a drawing that somebody brought and keeps it; answers what it holds. */
export async function takeDrawing(
  asker: Asker,
  projectId: string,
  name: string,
  bytes: Uint8Array,
): Promise<PlainAnswer> {
  const drawing = await inPool(asker, 'drawing', {}, bytes);
  await keepFile(projectId, name, bytes);
  return wrapped({}, 'sheet', drawing);
}

/** A file of a project, by contents: a picture as it is kept, a drawing as the shapes it holds. */
export async function underlayFile(asker: Asker, projectId: string, sha256: string): Promise<Response> {
  const [found] = await database()
    .select({ bytes: blob.bytes })
    .from(blob)
    .where(and(eq(blob.projectId, projectId), eq(blob.sha256, sha256)));
  if (!found) throw new RequestRefused(404, 'That file is not in this project');
  const type = pictureType(found.bytes);
  const response = type
    ? new Response(Buffer.from(found.bytes), { headers: { 'content-type': type } })
    : wrapped({}, 'sheet', await inPool(asker, 'drawing', {}, found.bytes)).asResponse();
  // Contents never change under their own digest.
  response.headers.set('cache-control', 'private, max-age=31536000, immutable');
  return response;
}
