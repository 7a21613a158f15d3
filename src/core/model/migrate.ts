import type { Changes } from './changes';
import type { Json } from './json';
import type { Rec } from './record';

/** Version of records as written today. Raised whenever a record kind changes shape. */
export const FILE_VERSION = 2;

type Step = (record: Record<string, Json>) => Record<string, Json>;

/** From version 2 levels and buildings have a height budget, none to begin with. */
const withBudget: Step = (record) => ({ budget: null, ...record });

/** Per record kind: the steps from version n to n + 1, at index n − 1. Kinds without steps have not changed. */
const STEPS: Record<string, Step[]> = { level: [withBudget], building: [withBudget] };

/** A record written in an older version, as it is written today. Fields nobody knows are kept. */
export function upcast(record: Record<string, unknown>, version: number): Record<string, unknown> {
  const steps = STEPS[String(record.kind)] ?? [];
  return steps.slice(version - 1).reduce((old, step) => step(old), record as Record<string, Json>);
}

/** Changes logged in an older version, as they would be logged today. Fields that were patched keep their names. */
export function upcastChanges(changes: Changes, version: number): Changes {
  if (version >= FILE_VERSION) return changes;
  const all = (records: Rec[]) =>
    records.map((record) => upcast(record as unknown as Record<string, unknown>, version) as unknown as Rec);
  return { added: all(changes.added), patched: changes.patched, removed: all(changes.removed) };
}
