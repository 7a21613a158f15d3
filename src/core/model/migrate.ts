import type { Json } from './json';

/** Version of records as written today. Raised whenever a record kind changes shape. */
export const FILE_VERSION = 1;

type Step = (record: Record<string, Json>) => Record<string, Json>;

/** Per record kind: the steps from version n to n + 1, at index n − 1. None yet: version 1 is the first. */
const STEPS: Record<string, Step[]> = {};

/** A record written in an older version, as it is written today. Fields nobody knows are kept. */
export function upcast(record: Record<string, unknown>, version: number): Record<string, unknown> {
  const steps = STEPS[String(record.kind)] ?? [];
  return steps.slice(version - 1).reduce((old, step) => step(old), record as Record<string, Json>);
}
