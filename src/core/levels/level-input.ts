import { z } from 'zod';
import { EXTEND_KINDS } from '../carrying/keep-storeys';
import { refuseNow } from '../commands/length-input';
import { parseBaysIn } from '../dimensions/resolve-length';
import type { Framework } from '../model/framework';

/** What ends at a storey that is inserted and is to go on into it; the rest stays in the storeys it was in. */
export const extendSchema = z.array(z.enum(EXTEND_KINDS)).default([]);

export const modeSchema = z.enum(['push', 'only']).default('push');

/** Heights of storeys, one after the other: a list, or text like `5.4m, 4.8m, 9@3.3m`. */
export const heightsSchema = z.union([z.array(z.number().positive().max(1e6)).max(400), z.string().max(400)]);

/** Heights as millimetres; running elevations are refused. */
export function readHeights(framework: Framework, heights: z.infer<typeof heightsSchema>, field: string): number[] {
  if (typeof heights !== 'string') return heights;
  if (heights.trim() === '') return [];
  const parsed = parseBaysIn(framework, heights);
  if (!parsed.ok) refuseNow(`${field}: ${parsed.refusal.message}`, [field]);
  if (parsed.value.running) refuseNow(`${field}: type heights, not running elevations`, [field]);
  return parsed.value.baysMm;
}

/** Refuses if two levels would have one name. */
export function refuseIfTwice(names: readonly string[]): void {
  const twice = names.find((name, i) => names.indexOf(name) !== i);
  if (twice !== undefined) refuseNow(`Two levels would be named ${twice}. Give each its own name`, ['name']);
}
