import { settingOutPlan } from '@/core/drawing/setting-out-plan';
import { recordsOf, type Framework } from '@/core/model/framework';
import { refuse, type Result } from '@/core/model/result';
import { solve } from '@/core/solving/solve';
import { formatElevation, formatLength, IMPERIAL, METRIC } from '@/core/units/format-length';
import { scaleWords } from '@/core/units/scale-words';
import { writeDxf } from '../dxf/write';
import { writePdf } from '../pdf/write';
import { writeSvg } from '../svg/write';
import type { SheetFormat } from './sheet-formats';

export interface SheetWanted {
  level: string;
  scale: number;
  format: SheetFormat;
  units: 'metric' | 'imperial';
  /** When it is made, ISO 8601: it stands in the file. */
  at: string;
}

const TYPES: Record<SheetFormat, string> = { pdf: 'application/pdf', svg: 'image/svg+xml', dxf: 'application/dxf' };

/** The setting-out plan of a level as a file, with its media type and name. `tell` hears which part has begun. */
export async function makeSheet(
  framework: Framework,
  { level, scale, format, units, at }: SheetWanted,
  tell: (part: string) => void = () => undefined,
): Promise<Result<{ bytes: Uint8Array; type: string; name: string }>> {
  tell('Working out the building');
  const solved = solve(framework);
  const shown = solved.levels.find(({ id }) => id === level);
  if (!shown) return refuse('That level is not there any more. Choose another');
  tell('Drawing the sheet');
  const [project] = recordsOf(framework, 'project');
  const display = units === 'imperial' ? IMPERIAL : METRIC;
  const plan = settingOutPlan(solved, project?.name ?? 'Project', {
    level,
    scale,
    system: units,
    details: project?.details,
    writeLength: (mm) => formatLength(mm, display),
    writeElevation: (mm) => formatElevation(mm, display),
  });
  if (!plan)
    return refuse(
      `There is nothing to draw at level ${shown.name}, or no sheet up to A0 holds it at ${scaleWords(scale, units)}. Choose a smaller scale`,
    );
  const bytes =
    format === 'pdf'
      ? await writePdf(plan, new Date(at))
      : new TextEncoder().encode(format === 'svg' ? writeSvg(plan) : writeDxf(plan.drawing));
  return { ok: true, value: { bytes, type: TYPES[format], name: `setting-out-${shown.name}-1-${scale}.${format}` } };
}
