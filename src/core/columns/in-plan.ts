import type { InPlan } from '../kinds/kind';
import type { ColumnStack } from './column';
import { freeMarks } from './column-input';
import { copyStack } from './copy-stack';
import { mirrorStack } from './mirror-stack';
import { turnStack } from './turn-stack';

/** On a crossing a column takes its mark from there; elsewhere it has one of its own. */
export const columnsInPlan: InPlan<ColumnStack> = {
  follows: () => null,
  renewed: (edit, copy) => ({ ...copy, name: copy.place.lines ? null : freeMarks(edit.framework)() }),
  mirrored: mirrorStack,
  turned: turnStack,
  copied: copyStack,
  // One that got its mark from its crossing keeps it.
};
