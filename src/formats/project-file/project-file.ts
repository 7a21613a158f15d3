import { z } from 'zod';
import { textSchema } from '@/core/model/fields';
import { idSchema } from '@/core/model/ids';
import type { Changes } from '@/core/model/changes';
import { INVITERS } from '@/core/people/powers';
import { keptViewSchema } from '@/core/views/named-view';

/**
 * A project as one file: a ZIP that holds `project.json` (what it is), `log.jsonl` (every change, one a line), `views.json`
 * (the views who took it out keeps for themselves) and `files/` with everything laid under plans, named by SHA-256.
 */
const PROJECT_FILE_VERSION = 1;
export const ENTRIES = { about: 'project.json', log: 'log.jsonl', views: 'views.json', files: 'files/' } as const;

/** Most there may be of what a file holds. */
export const MOST = {
  rows: 1_000_000,
  people: 2000,
  files: 2000,
  fileBytes: 60_000_000,
  logBytes: 200_000_000,
  allBytes: 300_000_000,
};

const sha256Schema = z.string().regex(/^[0-9a-f]{64}$/);

export const aboutSchema = z.object({
  format: z.literal('spine-project'),
  version: z.literal(PROJECT_FILE_VERSION),
  name: textSchema(120),
  /** Number of the last change, and the fingerprint of the framework it leads to, as records of that version. */
  headSeq: z.number().int().min(0).max(MOST.rows),
  hash: z.string().max(64),
  schemaVersion: z.number().int().min(1),
  /** Of the log's bytes: records of an older version have another fingerprint today. */
  logSha256: sha256Schema,
  units: z.enum(['metric', 'imperial']),
  disciplines: z.array(textSchema(40)).max(30),
  inviters: z.enum(INVITERS),
  /** Who made the changes, in the order the log counts them; a digest tells who of them takes it in. */
  people: z.array(z.object({ name: textSchema(80), digest: z.string().max(64) })).max(MOST.people),
  files: z.array(z.object({ sha256: sha256Schema, name: z.string().max(200) })).max(MOST.files),
});
export type AboutProject = z.infer<typeof aboutSchema>;

const recordSchema = z.looseObject({ kind: z.string().max(60), id: idSchema });

/** A change as the file's log has it; `person` counts the people. */
export const rowSchema = z.object({
  seq: z.number().int().positive(),
  commandId: z.uuid(),
  person: z.number().int().min(0),
  command: z.string().min(1).max(60),
  input: z.json(),
  sentence: z.string().max(2000),
  changes: z.object({
    added: z.array(recordSchema),
    patched: z.array(z.object({ id: idSchema, fields: z.record(z.string().max(200), z.tuple([z.json(), z.json()])) })),
    removed: z.array(recordSchema),
  }),
  schemaVersion: z.number().int().min(1),
  at: z.iso.datetime(),
});
export type LogRow = Omit<z.infer<typeof rowSchema>, 'changes'> & { changes: Changes };

export const viewsSchema = z.array(keptViewSchema).max(500);
