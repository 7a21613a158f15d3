import type { LengthDisplay } from '@/core/units/format-length';

/** Ends and edges are dragged in steps: 50 mm, or two inches. */
export const dragStep = (display: LengthDisplay): number => (display.system === 'imperial' ? 50.8 : 50);
