import { refuseNow } from '../commands/length-input';
import { axisLine, axisLines, type AxisLine } from '../grids/axis-lines';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { heldLine } from './held-line';

/** A line to hold a face to, by id, label or name. */
export function heldReferred(framework: Framework, ref: string, building: Id): AxisLine {
  const byId = heldLine(framework, ref);
  if (byId) return byId;
  const all = [
    ...axisLines(framework).values(),
    ...recordsOf(framework, 'settingOutLine').flatMap(({ id }) =>
      axisLine(framework, id) ? [] : (heldLine(framework, id) ?? []),
    ),
  ].filter((line) => line.building === building && line.label === ref);
  if (all.length === 1) return all[0]!;
  return refuseNow(
    all.length === 0
      ? `There is no grid or setting-out line named ${ref}`
      : `There are ${all.length} lines named ${ref}. Say which one by its id`,
  );
}
