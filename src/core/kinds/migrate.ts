import type { Changes, Patch } from '../model/changes';
import type { Id } from '../model/ids';
import type { Json } from '../model/json';
import type { Rec } from '../model/kinds';
import type { Migration } from './record-kind';
import { RECORD_KINDS, recordKindOf } from './records';

/** Version of records as written today. Raised whenever a kind of record changes shape. */
export const FILE_VERSION = 13;

type Fields = Record<string, Json>;

const stepsOf = (kind: string, version: number): readonly Migration[] =>
  (recordKindOf(kind)?.migrations ?? []).filter(({ to }) => to > version);

/** A record written in an older version, as it is written today. Fields nobody knows are kept. */
export function upcast(record: Record<string, unknown>, version: number): Record<string, unknown> {
  let now = record as Fields;
  for (const { record: step, renamed = {} } of stepsOf(String(record.kind), version)) {
    for (const [from, to] of Object.entries(renamed)) now = withRenamed(now, from.split('.'), to) as Fields;
    if (step) now = step(now);
  }
  return now;
}

/**
 * Changes logged in an older version, as they would be logged today. `kindOf` tells the kind of a record that is patched: that
 * of the framework the changes are applied to.
 */
export function upcastChanges(changes: Changes, version: number, kindOf: (id: Id) => string | undefined): Changes {
  if (version >= FILE_VERSION) return changes;
  const all = (records: Rec[]) =>
    records.map((record) => upcast(record as unknown as Record<string, unknown>, version) as unknown as Rec);
  return {
    added: all(changes.added),
    patched: changes.patched.map((patch) => upcastPatch(patch, stepsOf(kindOf(patch.id) ?? '', version))),
    removed: all(changes.removed),
  };
}

/** True if what a patch says may have another name today, whatever kind its record is of. */
export function mayBeRenamed(patch: Patch, version: number): boolean {
  const old = RECORD_KINDS.flatMap(({ migrations }: { migrations: readonly Migration[] }) =>
    migrations.flatMap(({ to, renamed = {} }) => (to > version ? Object.keys(renamed) : [])),
  );
  const holds = (outer: string, inner: string) => inner === outer || inner.startsWith(`${outer}.`);
  return Object.keys(patch.fields).some((path) => old.some((from) => holds(path, from) || holds(from, path)));
}

function upcastPatch(patch: Patch, steps: readonly Migration[]): Patch {
  let fields = Object.entries(patch.fields);
  for (const { renamed = {} } of steps)
    for (const [from, to] of Object.entries(renamed))
      fields = fields.map(([path, [before, after]]) => {
        if (path === from || path.startsWith(`${from}.`)) {
          const parent = from.split('.').slice(0, -1);
          return [[...parent, to].join('.') + path.slice(from.length), [before, after]];
        }
        if (!from.startsWith(`${path}.`)) return [path, [before, after]];
        // What holds the field was put in place as a whole.
        const inside = from.slice(path.length + 1).split('.');
        return [path, [withRenamed(before, inside, to), withRenamed(after, inside, to)]];
      });
  return steps.length === 0 ? patch : { id: patch.id, fields: Object.fromEntries(fields) };
}

/** A value in which a field has another name; through lists, in each of their entries. */
function withRenamed(value: Json, [key, ...rest]: readonly string[], to: string): Json {
  if (Array.isArray(value)) return value.map((each) => withRenamed(each, [key!, ...rest], to));
  if (value === null || typeof value !== 'object' || !Object.hasOwn(value, key!)) return value;
  if (rest.length > 0) return { ...value, [key!]: withRenamed(value[key!]!, rest, to) };
  const { [key!]: named, ...others } = value;
  return { ...others, [to]: named! };
}
