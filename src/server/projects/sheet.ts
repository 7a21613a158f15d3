import { settingOutPlan } from '@/core/drawing/setting-out-plan';
import { recordsOf } from '@/core/model/framework';
import { solve } from '@/core/solving/solve';
import { formatElevation, formatLength, IMPERIAL, METRIC } from '@/core/units/format-length';
import { writeDxf } from '@/formats/dxf/write';
import { writePdf } from '@/formats/pdf/write';
import { writeSvg } from '@/formats/svg/write';
import { database } from '../db/connection';
import { RequestRefused } from '../entry/refusal';
import { frameworkAt } from '../changes/head';
import { readHeadSeq } from '../changes/read-changes';

export const SHEET_FORMATS = ['pdf', 'svg', 'dxf'] as const;
type SheetFormat = (typeof SHEET_FORMATS)[number];

const TYPES: Record<SheetFormat, string> = { pdf: 'application/pdf', svg: 'image/svg+xml', dxf: 'application/dxf' };

/** The setting-out plan of a level as a file, drawn from the project's head. */
export async function makeSheet(
  projectId: string,
  { level, scale, format, units }: { level: string; scale: number; format: SheetFormat; units: 'metric' | 'imperial' },
): Promise<{ bytes: Uint8Array; type: string; name: string }> {
  const framework = await frameworkAt(database(), projectId, await readHeadSeq(projectId));
  const solved = solve(framework);
  const shown = solved.levels.find(({ id }) => id === level);
  if (!shown) throw new RequestRefused(404, 'That level is not there any more. Choose another');
  const [project] = recordsOf(framework, 'project');
  const display = units === 'imperial' ? IMPERIAL : METRIC;
  const plan = settingOutPlan(solved, project?.name ?? 'Project', {
    level,
    scale,
    writeLength: (mm) => formatLength(mm, display),
    writeElevation: (mm) => formatElevation(mm, display),
  });
  if (!plan)
    throw new RequestRefused(
      422,
      `There is nothing to draw at level ${shown.name}, or no sheet up to A0 holds it at 1 : ${scale}. Choose a smaller scale`,
    );
  const bytes =
    format === 'pdf'
      ? await writePdf(plan, new Date())
      : new TextEncoder().encode(format === 'svg' ? writeSvg(plan) : writeDxf(plan.drawing));
  return { bytes, type: TYPES[format], name: `setting-out-${shown.name}-1-${scale}.${format}` };
}
