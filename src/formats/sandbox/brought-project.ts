import type { Rec } from '@/core/model/kinds';
import { recordsById } from '@/core/model/framework';
import { done, refuse, type Result } from '@/core/model/result';
import type { KeptView } from '@/core/views/named-view';
import { readSpineFile } from '../json/spine-file';
import type { AboutProject } from '../project-file/project-file';
import { readProjectFile } from '../project-file/read';
import { isA, pictureType } from './file-type';
import { redrawn } from './picture';

/**
 * What somebody brought to make a project of: a framework alone, or a project with its log. Of the latter the log's lines and
 * the files' bytes come beside, one after the other.
 */
export type BroughtProject =
  | { name: string; records: Record<string, Rec> }
  | { about: AboutProject; views: KeptView[]; rowsBytes: number; fileBytes: number[] };

/** Reads what was brought, whichever it is. */
export async function broughtProject(
  name: string,
  bytes: Uint8Array,
): Promise<Result<{ json: BroughtProject; file?: Uint8Array }>> {
  if (!isA('zip', bytes)) {
    const framework = readSpineFile(new TextDecoder().decode(bytes));
    if (!framework.ok) return framework;
    return done({ json: { name: name.replace(/(\.spine)?\.json$/i, ''), records: recordsById(framework.value) } });
  }
  const project = readProjectFile(bytes);
  if (!project.ok) return project;
  const { about, rows, views, files } = project.value;
  const lines = Buffer.from(rows.map((row) => JSON.stringify(row)).join('\n'));
  const contents = about.files.map(({ sha256 }) => files.get(sha256)!);
  // Pictures go to browsers as they are: each must be one that can be drawn.
  for (const picture of contents.filter(pictureType)) {
    const drawn = await redrawn(picture);
    if (!drawn.ok) return refuse(`A picture of this project cannot be shown: ${drawn.refusal.message}`);
  }
  return done({
    json: { about, views, rowsBytes: lines.length, fileBytes: contents.map(({ length }) => length) },
    file: Buffer.concat([lines, ...contents]),
  });
}
