import { z } from 'zod';
import type { Bounds } from '../kinds/marks';
import { lengthWithin } from '../model/fields';

/** Zones under the slab above, and the clear height wanted. */
export const BUDGET_ZONES = ['beamMm', 'servicesMm', 'ceilingMm', 'targetMm'] as const;
export type BudgetZone = (typeof BUDGET_ZONES)[number];

export const ZONE: Bounds = { atLeastMm: 0, atMostMm: 20_000 };

/** Zones as typed: for a building the typical ones, for a level those that differ there. */
export const budgetSchema = z.object({
  beamMm: lengthWithin(ZONE).nullable(),
  servicesMm: lengthWithin(ZONE).nullable(),
  ceilingMm: lengthWithin(ZONE).nullable(),
  targetMm: lengthWithin(ZONE).nullable(),
});
export type Budget = z.infer<typeof budgetSchema>;

export const NO_BUDGET: Budget = { beamMm: null, servicesMm: null, ceilingMm: null, targetMm: null };
