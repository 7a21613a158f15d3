import { createHash } from 'node:crypto';
import { unzipSync } from 'fflate';
import type { z } from 'zod';
import { apply, type Changes } from '@/core/model/changes';
import { EMPTY_FRAMEWORK, frameworkHash, type Framework } from '@/core/model/framework';
import { calledIn } from '@/core/commands/refer';
import { faultAfter } from '@/core/kinds/integrity';
import { FILE_VERSION, upcastChanges } from '@/core/kinds/migrate';
import { done, refuse, type Result } from '@/core/model/result';
import type { KeptView } from '@/core/views/named-view';
import { aboutSchema, ENTRIES, MOST, rowSchema, viewsSchema, type AboutProject, type LogRow } from './project-file';

/** A project's file, read and held together. */
export interface ReadProject {
  about: AboutProject;
  rows: LogRow[];
  views: KeptView[];
  /** What it lays under plans, by SHA-256. */
  files: Map<string, Uint8Array>;
}

class Damaged extends Error {}

const sha256Of = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/** Reads a project's file. One that is damaged, newer or does not add up to its own fingerprint is refused in words. */
export function readProjectFile(bytes: Uint8Array): Result<ReadProject> {
  try {
    return done(read(bytes));
  } catch (error) {
    return refuse(error instanceof Damaged ? error.message : 'This is no project file, or it is damaged');
  }
}

function read(bytes: Uint8Array): ReadProject {
  let fileCount = 0;
  let size = 0;
  const entries = unzipSync(bytes, {
    filter: ({ name, originalSize }) => {
      const isFile = name.startsWith(ENTRIES.files);
      if (isFile) fileCount += 1;
      size += originalSize;
      const most = isFile ? MOST.fileBytes : MOST.logBytes;
      if (fileCount > MOST.files || originalSize > most || size > MOST.allBytes)
        throw new Damaged('This project file holds more than can be taken in');
      return isFile || name === ENTRIES.about || name === ENTRIES.log || name === ENTRIES.views;
    },
  });
  const text = (name: string): string => {
    const entry = entries[name];
    if (!entry) throw new Damaged('This is no project file, or a part of it is missing');
    return new TextDecoder('utf-8', { fatal: true }).decode(entry);
  };
  const about = readAbout(text(ENTRIES.about));
  const rows = text(ENTRIES.log)
    .split('\n')
    .filter((line) => line !== '')
    .map((line, i) => checked(rowSchema, line, `Change ${i + 1} of its log`) as unknown as LogRow);
  requireLog(about, rows);
  if (sha256Of(entries[ENTRIES.log]!) !== about.logSha256)
    throw new Damaged('This project file is damaged. Its log is not what it was');
  const views = entries[ENTRIES.views] ? checked(viewsSchema, text(ENTRIES.views), 'The list of its views') : [];
  return { about, rows, views, files: filesOf(about, entries) };
}

function readAbout(text: string): AboutProject {
  const json = JSON.parse(text) as { format?: unknown; version?: unknown };
  if (json.format === 'spine-project' && typeof json.version === 'number' && json.version > 1)
    throw new Damaged('This project file was written by a newer version of the program. Update this one to read it');
  return checked(aboutSchema, text, 'What it says of itself');
}

function checked<T>(schema: z.ZodType<T>, text: string, what: string): T {
  const found = schema.safeParse(JSON.parse(text));
  if (found.success) return found.data;
  const { path, message } = found.error.issues[0]!;
  throw new Damaged(`This project file is damaged. ${what} cannot be read (${path.join(' ') || 'whole'}: ${message})`);
}

/** Its changes follow one another, are somebody's, and lead to the framework the file says it holds. */
function requireLog({ headSeq, hash, schemaVersion: version, people }: AboutProject, rows: readonly LogRow[]): void {
  if (rows.length !== headSeq) throw new Damaged('This project file is damaged. Changes are missing from its log');
  let framework: Framework = EMPTY_FRAMEWORK;
  const seen = new Set<string>();
  for (const [i, { seq, commandId, person, schemaVersion, changes }] of rows.entries()) {
    if (schemaVersion > FILE_VERSION)
      throw new Damaged('This project file was written by a newer version of the program. Update this one to read it');
    if (seq !== i + 1 || person >= people.length || seen.has(commandId))
      throw new Damaged(`This project file is damaged. Change ${i + 1} of its log is out of place`);
    seen.add(commandId);
    const { records } = framework;
    framework = applied(
      framework,
      upcastChanges(changes, schemaVersion, (id) => records.get(id)?.kind),
      seq,
    );
  }
  const all: Changes = { added: [...framework.records.values()], patched: [], removed: [] };
  const fault = faultAfter(framework, all, null, calledIn);
  if (fault) throw new Damaged(`This project file does not hold together: ${fault.message}`);
  if (version === FILE_VERSION && frameworkHash(framework) !== hash)
    throw new Damaged('This project file is damaged. Its changes do not lead to the framework it says it holds');
}

function applied(framework: Framework, changes: Changes, seq: number): Framework {
  try {
    return apply(framework, changes);
  } catch {
    throw new Damaged(`This project file is damaged. Change ${seq} of its log does not fit the one before`);
  }
}

function filesOf({ files }: AboutProject, entries: Record<string, Uint8Array>): Map<string, Uint8Array> {
  const found = new Map<string, Uint8Array>();
  for (const { sha256, name } of files) {
    const bytes = entries[`${ENTRIES.files}${sha256}`];
    if (!bytes || sha256Of(bytes) !== sha256)
      throw new Damaged(`This project file is damaged. ${name} is missing from it, or is not what it was`);
    found.set(sha256, bytes);
  }
  return found;
}
