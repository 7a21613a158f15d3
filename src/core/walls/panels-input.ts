import { z } from 'zod';
import { LengthReader, lengthInputSchema } from '../commands/length-input';
import type { Framework } from '../model/framework';
import { PANEL_BOUNDS, type Wall } from './wall';

/** The panels of a glazed wall in a command's input. */
export const panelsInputSchema = z.strictObject({
  /** So wide at most. */
  moduleMm: lengthInputSchema.default(1500),
  memberMm: lengthInputSchema.default(60),
  /** Members stand where grid lines cross it, in place of evenly. */
  onGrid: z.boolean().default(false),
});

export function readPanels(
  framework: Framework,
  panels: z.infer<typeof panelsInputSchema> | null | undefined,
): Wall['panels'] | undefined {
  if (!panels) return panels;
  const reader = new LengthReader(framework);
  return {
    moduleMm: reader.read(panels.moduleMm, 'moduleMm', PANEL_BOUNDS.moduleMm).stored,
    memberMm: reader.read(panels.memberMm, 'memberMm', PANEL_BOUNDS.memberMm).stored,
    onGrid: panels.onGrid,
  };
}
