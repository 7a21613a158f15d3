import type { Framework } from '../model/framework';
import type { Solved } from '../solving/solved';
import { kindOf } from '../kinds/registry';
import { facet } from '../kinds/kind';
import type { ViewKind } from '../kinds/view-kinds';
import type { Drawing, Primitive } from './drawing';
import { drawPlan } from './draw-plan';
import type { PlanView } from './plan-view';

/** Styles that belong to grids and are of no record of their own. */
const OF_GRIDS: ReadonlySet<string> = new Set([
  'gridLine',
  'gridLineMinor',
  'bubble',
  'bubbleText',
  'dimension',
  'dimensionTick',
  'dimensionText',
]);

/** The kind a primitive is shown or hidden as; null: always shown. */
function viewKindOf(framework: Framework, { id, style }: Primitive): ViewKind | null {
  if (OF_GRIDS.has(style)) return 'grids';
  const record = id === null ? undefined : framework.records.get(id);
  return record ? (facet(kindOf(record).shownAs)?.kind ?? null) : null;
}

/** Whether a primitive is of a kind that is shown. */
export const isShown =
  (framework: Framework, hidden: ReadonlySet<ViewKind>) =>
  (primitive: Primitive): boolean => {
    const kind = viewKindOf(framework, primitive);
    return kind === null || !hidden.has(kind);
  };

/** A drawing without what is hidden. Its box stays, so that hiding moves nothing. */
export function withoutKinds(framework: Framework, drawing: Drawing, hidden: ReadonlySet<ViewKind>): Drawing {
  if (hidden.size === 0) return drawing;
  const shows = isShown(framework, hidden);
  return {
    ...drawing,
    primitives: drawing.primitives.filter(shows),
    marks: hidden.has('grids') ? [] : drawing.marks,
  };
}

/** What stands on the levels below and above, to be shown faint under a plan: no grids, no words, no slabs filled. */
export function ghostsOf(
  framework: Framework,
  solved: Solved,
  view: PlanView,
  wanted: readonly ('below' | 'above')[],
  hidden: ReadonlySet<ViewKind>,
): Primitive[] {
  const levels = solved.levels.filter((level) => level.building === view.building && level.bounding);
  const at = levels.findIndex(({ id }) => id === view.level);
  return wanted.flatMap((which) => {
    const level = at < 0 ? undefined : levels[at + (which === 'above' ? 1 : -1)];
    if (!level) return [];
    return drawPlan(solved, { ...view, level: level.id }).primitives.flatMap((primitive): Primitive[] => {
      const kind = viewKindOf(framework, primitive);
      if (kind === null || kind === 'grids' || kind === 'rooms' || hidden.has(kind) || primitive.type === 'text')
        return [];
      // The edge of the other slab, not its face.
      return primitive.type === 'area' && (primitive.style === 'floor' || primitive.style === 'floorZone')
        ? [{ ...primitive, style: 'slabSeen' }]
        : [primitive];
    });
  });
}
