import { refuse, type Result } from '@/core/model/result';
import type { LengthUnit } from '@/core/units/length-units';
import type { ExportWanted } from '../handing-over/make-export';
import type { SheetWanted } from '../sheet/make-sheet';
import { isA } from './file-type';
import type { Made } from './made';

/** Inputs of the jobs, by name. The bytes of the file they read come beside. */
export interface JobInputs {
  /** A drawing (DXF), or the grids and columns of an IFC file, as the shapes it holds. */
  drawing: Record<string, never>;
  /** A level table: CSV, XLSX or the storeys of an IFC file, by its name's ending. */
  levels: { name: string; unit?: LengthUnit };
  /** A file of bay presets. */
  presets: Record<string, never>;
  /** A picture, drawn anew: nothing of the original but its pixels is passed on. */
  picture: Record<string, never>;
  /** A page of a PDF as a picture. */
  pdfPage: { page: number };
  /** A project with its log, or a framework alone, that somebody brought to make a project of. */
  project: { name: string };
  /** The setting-out plan of a level. The bytes are the framework's records. */
  sheet: SheetWanted;
  /** IFC, the report or a table, worked out from the framework, whose records the bytes are. */
  export: ExportWanted;
}
export type JobName = keyof JobInputs;

const made = <T>(result: Result<T>): Result<Made> => (result.ok ? { ok: true, value: { json: result.value } } : result);

/** Hears in words which part of a job has begun. */
export type TellPart = (part: string) => void;

const frameworkIn = async (bytes: Uint8Array) => (await import('../json/record-lines')).frameworkOfLines(bytes);

/** A file as an answer: its media type and name as JSON, its bytes beside. */
const madeFile = (result: Result<{ bytes: Uint8Array; type: string; name: string }>): Result<Made> => {
  if (!result.ok) return refuse(result.refusal.message);
  const { bytes, ...rest } = result.value;
  return { ok: true, value: { json: rest, file: bytes } };
};

/**
 * Heavy work and everything that reads what others wrote. It runs in processes of its own: see `pool.ts`. A job's program is
 * read when the job comes, so that a process is ready soon.
 */
export const JOBS: {
  [N in JobName]: (input: JobInputs[N], bytes: Uint8Array, tell: TellPart) => Promise<Result<Made>> | Result<Made>;
} = {
  drawing: async (_, bytes) =>
    isA('step', bytes)
      ? made((await import('../ifc/read-sheet')).readSheetIfc(new TextDecoder().decode(bytes)))
      : made((await import('../dxf/read')).readDxf(Buffer.from(bytes))),
  levels: async ({ name, unit }, bytes) => {
    if (/\.xlsx$/i.test(name)) return made(await (await import('../xlsx/read-levels')).readLevelsXlsx(bytes, { unit }));
    const text = new TextDecoder().decode(bytes);
    if (/\.ifc$/i.test(name)) return made((await import('../ifc/read-levels')).readLevelsIfc(text, { unit }));
    return made((await import('../csv/read-levels')).readLevelsCsv(text, { unit }));
  },
  presets: async (_, bytes) =>
    made((await import('../json/read-presets')).readPresets(new TextDecoder().decode(bytes))),
  picture: async (_, bytes) => (await import('./picture')).redrawn(bytes),
  pdfPage: async ({ page }, bytes) => (await import('./pdf-page')).pdfPage(bytes, page),
  project: async ({ name }, bytes) => (await import('./brought-project')).broughtProject(name, bytes),
  sheet: async (wanted, bytes, tell) => {
    const { makeSheet } = await import('../sheet/make-sheet');
    return madeFile(await makeSheet(await frameworkIn(bytes), wanted, tell));
  },
  export: async (wanted, bytes, tell) => {
    const { makeExport } = await import('../handing-over/make-export');
    return madeFile(await makeExport(await frameworkIn(bytes), wanted, tell));
  },
};

/** Jobs on our own framework; all others read what somebody brought. */
export const OWN_WORK: ReadonlySet<JobName> = new Set<JobName>(['sheet', 'export']);
