import { touchedIds, type Changes } from '../model/changes';
import { fieldWords } from '../model/field-words';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Kind, Rec } from '../model/kinds';
import { mmOf } from '../dimensions/resolve-length';
import { formatMm } from '../units/format-length';
import { dimensionsUsed, type Length } from '../units/parse-length';
import { boundsText, isWithin } from './bounds';
import type { Bounds } from './marks';
import { recordKindOf, referencesOf, walkOfKind, wordOf } from './records';

/** What a record is called in a framework. */
export type CalledIn = (framework: Framework, record: Rec) => string;

/** Faults one message names; of the rest it says how many. */
const NAMED = 3;

interface Fault {
  record: Rec;
  field: string;
  length: Length;
  mm: number;
  bounds: Bounds;
}

/**
 * What breaks a limit after changes, in words; null if nothing does. Limits hold for what a record comes to, whatever brings it
 * about: lengths that name a dimension are looked at where that changed. `before`: the framework the changes were made in.
 */
export function limitBroken(
  framework: Framework,
  changes: Changes,
  before: Framework | null,
  calledIn: CalledIn,
): string | null {
  const said = (record: Rec) => calledIn(framework, record);
  const touched = new Set(touchedIds(changes));
  const looked = withThoseOf(framework, touched);
  return (
    lengthBroken(framework, looked, touched, said) ??
    recordBroken(framework, looked, said) ??
    nameTaken(framework, touched) ??
    buildingBroken(framework, looked, touched, before)
  );
}

/** Records touched, and those whose lengths name a dimension that was touched, or that hangs on one. */
function withThoseOf(framework: Framework, touched: ReadonlySet<Id>): readonly Rec[] {
  const changed = new Set([...touched].filter((id) => framework.records.get(id)?.kind === 'dimension'));
  if (changed.size > 0) {
    const dimensions = recordsOf(framework, 'dimension');
    for (let known = -1; known !== changed.size;) {
      known = changed.size;
      for (const { id, value } of dimensions)
        if (dimensionsUsed(value).some((used) => changed.has(used))) changed.add(id);
    }
  }
  const all = changed.size > 0 ? framework.records.keys() : touched;
  return [...all].flatMap((id) => {
    const record = framework.records.get(id);
    if (!record) return [];
    return touched.has(id) || referencesOf(record).some((reference) => changed.has(reference.id)) ? [record] : [];
  });
}

function lengthBroken(
  framework: Framework,
  looked: readonly Rec[],
  touched: ReadonlySet<Id>,
  called: (record: Rec) => string,
): string | null {
  const faults: Fault[] = [];
  for (const record of looked)
    walkOfKind(record.kind)?.see(record, (mark, value, path) => {
      if (mark.is !== 'within') return;
      const mm = mmOf(framework, value as Length);
      if (isWithin(mm, mark.bounds)) return;
      const field = fieldWords(path.split('.').at(-1)!);
      faults.push({ record, field, length: value as Length, mm, bounds: mark.bounds });
    });
  const [first] = faults;
  if (!first) return null;
  const causes = causesOf(framework, first.length);
  const cause = causes.find(({ id }) => touched.has(id));
  const by = causes.map(({ name }) => `dimension ${name}`).join(' and ');
  // A whole file touches all of it: then the thing is at fault as much as the dimension.
  if (!cause || touched.has(first.record.id))
    return `The ${first.field} of ${called(first.record)} must be ${boundsText(first.bounds)}; it would be ${formatMm(first.mm)}${by && `, by ${by}`}`;
  const parts = faults.slice(0, NAMED).map(({ record, field, mm, bounds }, i) => {
    const limit = isWithin(mm, { ...bounds, atMostMm: Infinity }) ? { atMostMm: bounds.atMostMm! } : without(bounds);
    return `${called(record)} ${i === 0 ? 'would have ' : ''}a ${field} of ${formatMm(mm)} (${boundsText(limit)})`;
  });
  const rest = faults.length - parts.length;
  return `Dimension ${cause.name} cannot be ${formatMm(mmOf(framework, cause.value))}: ${parts.join(', ')}${rest > 0 ? ` and ${rest} more` : ''}`;
}

const without = ({ atMostMm: _, ...bounds }: Bounds): Bounds => bounds;

/** The dimensions a length is worked out from, those they hang on among them. */
function causesOf(framework: Framework, length: Length) {
  const found = new Map<Id, { id: Id; name: string; value: Length }>();
  const visit = (each: Length) => {
    for (const id of dimensionsUsed(each)) {
      const record = framework.records.get(id);
      if (record?.kind !== 'dimension' || found.has(id)) continue;
      found.set(id, record);
      visit(record.value);
    }
  };
  visit(length);
  return [...found.values()];
}

function recordBroken(framework: Framework, looked: readonly Rec[], called: (record: Rec) => string): string | null {
  const mm = (length: Length) => mmOf(framework, length);
  for (const record of looked) {
    const fault = recordKindOf(record.kind)?.limits?.ofOne?.(record, mm);
    if (fault) return `${called(record)}: ${fault}`;
  }
  return null;
}

function nameTaken(framework: Framework, touched: ReadonlySet<Id>): string | null {
  const kinds = new Map<Kind, Set<Id>>();
  for (const id of touched) {
    const kind = framework.records.get(id)?.kind;
    if (kind && recordKindOf(kind)?.named) kinds.set(kind, (kinds.get(kind) ?? new Set<Id>()).add(id));
  }
  for (const [kind, ids] of kinds) {
    const isInBuilding = recordKindOf(kind)!.named === 'in its building';
    const known = new Map<string, Rec>();
    for (const record of recordsOf(framework, kind)) {
      const key = `${isInBuilding && 'building' in record ? record.building : ''}/${'name' in record ? record.name : ''}`;
      const other = known.get(key);
      if (other && (ids.has(record.id) || ids.has(other.id)))
        return `There is a ${wordOf(kind)} named ${'name' in record ? record.name : ''} already. Choose another name`;
      known.set(key, record);
    }
  }
  return null;
}

/** What all things of a kind in a building have to keep to: the order of its levels. */
function buildingBroken(
  framework: Framework,
  looked: readonly Rec[],
  touched: ReadonlySet<Id>,
  before: Framework | null,
): string | null {
  const seen = new Set<string>();
  for (const record of looked) {
    const check = recordKindOf(record.kind)?.limits?.inBuilding;
    if (!check || !('building' in record) || seen.has(`${record.kind} ${record.building}`)) continue;
    seen.add(`${record.kind} ${record.building}`);
    const ofBuilding = (of: Framework) =>
      recordsOf(of, record.kind).filter((each) => 'building' in each && each.building === record.building);
    const was = before && { records: ofBuilding(before), mm: (length: Length) => mmOf(before, length) };
    const fault = check(ofBuilding(framework), (length) => mmOf(framework, length), was);
    if (!fault) continue;
    const cause = touched.has(record.id)
      ? undefined
      : [...touched].map((id) => framework.records.get(id)).find((each) => each?.kind === 'dimension');
    return cause?.kind === 'dimension'
      ? `Dimension ${cause.name} cannot be ${formatMm(mmOf(framework, cause.value))}: ${fault}`
      : fault;
  }
  return null;
}
