import { z } from 'zod';
import { lengthSchema } from '../model/fields';

/** Zones under the slab above, and the clear height wanted. */
export const BUDGET_ZONES = ['beamMm', 'servicesMm', 'ceilingMm', 'targetMm'] as const;
export type BudgetZone = (typeof BUDGET_ZONES)[number];

/** Zones as typed: for a building the typical ones, for a level those that differ there. */
export const budgetSchema = z.object({
  beamMm: lengthSchema.nullable(),
  servicesMm: lengthSchema.nullable(),
  ceilingMm: lengthSchema.nullable(),
  targetMm: lengthSchema.nullable(),
});
export type Budget = z.infer<typeof budgetSchema>;

export const NO_BUDGET: Budget = { beamMm: null, servicesMm: null, ceilingMm: null, targetMm: null };
