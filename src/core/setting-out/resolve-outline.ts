import type { Ring } from '../geometry/polygon';
import type { Framework } from '../model/framework';
import type { Outline } from '../outlines/outline';
import { outlineRing } from '../outlines/outline-ring';
import { heldLine } from './held-line';

/** An outline as a counter-clockwise ring in building axes, its edges on lines of every kind; null when unsound. */
export const resolveOutline = (framework: Framework, outline: Outline): Ring | null =>
  outlineRing(framework, outline, heldLine);
