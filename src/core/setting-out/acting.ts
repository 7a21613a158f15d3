import { actingOn } from '../columns/acting-place';
import type { ColumnStack } from '../columns/column';
import type { Framework } from '../model/framework';
import type { ResolvedPlace } from '../outlines/resolve-place';
import { heldLine } from './held-line';

/** Where a stack stands with its first section, held to lines of every kind. */
export const acting = (framework: Framework, stack: ColumnStack): ResolvedPlace => actingOn(framework, stack, heldLine);
