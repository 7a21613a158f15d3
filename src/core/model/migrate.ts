import { PLAIN_STACK } from '../columns/column';
import { PLAIN_LINE } from '../grids/grid';
import type { Changes } from './changes';
import type { Json } from './json';
import type { Rec } from './record';

/** Version of records as written today. Raised whenever a record kind changes shape. */
export const FILE_VERSION = 7;

type Step = (record: Record<string, Json>) => Record<string, Json>;

/** From version 2 levels and buildings have a height budget, none to begin with. */
const withBudget: Step = (record) => ({ budget: null, ...record });

const asBefore: Step = (record) => record;

/** From version 3 grids are rectangular, radial or free, and lines and columns may differ by level. */
const withShape: Step = (record) => ({
  shape: 'rectangular',
  headsAt: { a: 'last', b: 'first' },
  fromLevel: null,
  toLevel: null,
  ...record,
});
const withSurvey: Step = (record) => ({ survey: null, ...record });
const withExtent: Step = (record) => ({ extent: null, ...record });
const withLineFields: Step = (record) => ({ ...PLAIN_LINE, ...record });
const withStackFields: Step = (record) => ({ ...(PLAIN_STACK as unknown as Record<string, Json>), ...record });

/** From version 4 floors and shafts may differ by level. */
const withExceptions: Step = (record) => ({ exceptions: [], ...record });

/** From version 5 walls may differ by level and be shared by two buildings. */
const withSharing: Step = (record) => ({ exceptions: [], sharedWith: null, ...record });

/** From version 6 floor plates have zones. */
const withZones: Step = (record) => ({ zones: [], ...record });

/** From version 6 kept views say which part of the buildings they show. */
const withPart: Step = (record) => ({
  part: { lowest: null, topmost: null, without: [], crop: null },
  ...record,
});

/** From version 7 the project says its code, client, address and rule set. */
const withDetails: Step = (record) => ({ details: null, ...record });

/** Per record kind: the steps from version n to n + 1, at index n − 1. Kinds without steps have not changed. */
const STEPS: Record<string, Step[]> = {
  project: [asBefore, withSurvey, asBefore, asBefore, asBefore, withDetails],
  level: [withBudget, withExtent],
  building: [withBudget],
  gridSystem: [asBefore, withShape],
  gridLine: [asBefore, withLineFields],
  columnStack: [asBefore, withStackFields],
  floorPlate: [asBefore, asBefore, withExceptions, asBefore, withZones],
  shaft: [asBefore, asBefore, withExceptions],
  namedView: [asBefore, asBefore, asBefore, asBefore, withPart],
  wall: [asBefore, asBefore, asBefore, withSharing],
};

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
