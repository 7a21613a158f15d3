import type { Sheet } from '@/core/importing/sheet';
import { MM_PER_UNIT } from '@/core/units/length-units';
import type { ProjectSession } from '../session/project-session';
import type { CommandInputs } from '@/core/commands/command-inputs';

/** A file as the command for laying it under takes it. */
export interface Brought {
  file: Omit<CommandInputs['underlays.replace'], 'underlay'>;
  mmPerUnit: number;
  /** What its own size is called: on paper, or in the drawing's unit. */
  words: string;
  /** True where the size is known and need not be typed. */
  isToScale: boolean;
}

/** Brings a picture, a page of a PDF or a DXF drawing to the server, which reads it, and works out its size. */
export async function bringUnderlay(
  session: ProjectSession,
  file: File,
  page: number,
  paperScale: number,
  signal: AbortSignal,
  tell: (words: string) => void,
): Promise<Brought> {
  const taken = await session.server.takeUnderlay(file, page, signal, tell);
  if (taken.content === 'drawing') {
    const box = boxOfSheet(taken.sheet);
    return {
      file: { sha256: taken.sha256, content: 'drawing', ...box },
      mmPerUnit: MM_PER_UNIT[taken.sheet.unit ?? 'mm'],
      words: taken.sheet.unit ? `in ${taken.sheet.unit}` : 'the file does not say its unit: taken as millimetres',
      isToScale: true,
    };
  }
  const { sha256, width, height, mmPerPx, pageCount } = taken;
  const picture = { sha256, content: 'picture' as const, width, height };
  return mmPerPx === undefined
    ? { file: picture, mmPerUnit: 20_000 / width, words: `${width} × ${height} pixels`, isToScale: false }
    : {
        file: picture,
        mmPerUnit: mmPerPx * paperScale,
        words: `page ${page} of ${pageCount}, at 1 : ${paperScale}`,
        isToScale: true,
      };
}

function boxOfSheet(sheet: Sheet): { u0: number; v0: number; width: number; height: number } {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  const reach = ({ x, y }: { x: number; y: number }, by = 0) => {
    [x0, y0] = [Math.min(x0, x - by), Math.min(y0, y - by)];
    [x1, y1] = [Math.max(x1, x + by), Math.max(y1, y + by)];
  };
  for (const { a, b } of sheet.lines) [a, b].forEach((point) => reach(point));
  for (const { at, radius } of sheet.circles) reach(at, radius);
  for (const { points } of sheet.curves) points.forEach((point) => reach(point));
  for (const { corners } of sheet.outlines) corners.forEach((point) => reach(point));
  for (const { at } of sheet.texts) reach(at);
  return { u0: x0, v0: y0, width: Math.max(1e-6, x1 - x0), height: Math.max(1e-6, y1 - y0) };
}
