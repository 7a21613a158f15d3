import { piecesOf, piecesSchema, type Pieces } from '@/core/elements/pieces';
import { offeredInPlan } from '@/core/elements/in-plan';
import type { Project } from '../session/project';

/** Kept in the browser, so that it can be put into another project, in another tab. */
const KEY = 'spine-taken';

/** Takes along what is chosen, to be put in elsewhere; answers why not, or null. */
export function take({ framework, selection, level, say }: Project): string | null {
  const ids = selection.filter((id) => framework.records.has(id));
  if (ids.length === 0 || !level) return 'Choose what is to be taken along first';
  if (!offeredInPlan(framework, ids).copy)
    return 'Not all that is chosen can be copied. Choose things that stand by themselves';
  const pieces = piecesSchema.safeParse(piecesOf(framework, ids, level));
  if (!pieces.success) return pieces.error.issues[0]!.message;
  try {
    localStorage.setItem(KEY, JSON.stringify(pieces.data));
    const n = pieces.data.pieces.length;
    say(
      `${n === 1 ? 'One thing is' : `${n} things are`} taken along. Ctrl+V puts ${n === 1 ? 'it' : 'them'} in, here or elsewhere`,
      'done',
    );
    return null;
  } catch {
    // The browser keeps no more, or nothing at all.
    return 'This browser cannot keep that much. Choose less';
  }
}

/** What was taken along last; null: nothing that can be read. */
export function taken(): Pieces | null {
  try {
    const read = piecesSchema.safeParse(JSON.parse(localStorage.getItem(KEY) ?? 'null'));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** Begins to put in what was taken along; answers why not, or null. */
export function beginPaste({ set, building, beside }: Project): string | null {
  if (!building || !taken()) return 'Nothing was taken along yet. Choose things and press Ctrl+C';
  // Points are pressed in the plan.
  set({
    act: { act: 'paste', ids: [] },
    ...(beside === 'plan' ? {} : { tab: 'plan' as const }),
    selection: [],
    step: null,
    busy: null,
    ghost: null,
  });
  return null;
}
