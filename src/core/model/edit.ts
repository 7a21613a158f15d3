import { quantiseMm } from '../units/length-units';
import { difference, type Changes } from './changes';
import { recordOf, type Framework } from './framework';
import type { Id } from './ids';
import type { Json } from './json';
import type { Kind, Rec, RecordOf } from './kinds';

/** A framework being changed by one command. Nothing outside sees it until {@link Edit.changes} is taken. */
export class Edit {
  private readonly records: Map<Id, Rec>;

  constructor(
    readonly before: Framework,
    readonly newId: () => Id,
  ) {
    this.records = new Map(before.records);
  }

  /** The framework as edited so far. */
  get framework(): Framework {
    return { records: new Map(this.records) };
  }

  add<K extends Kind>(record: Omit<RecordOf<K>, 'id'> & { kind: K }): RecordOf<K> {
    const full = quantised({ ...record, id: this.newId() }) as unknown as RecordOf<K>;
    this.records.set(full.id, full);
    return full;
  }

  set<K extends Kind>(kind: K, id: Id, fields: Partial<RecordOf<K>>): void {
    const record = recordOf({ records: this.records }, kind, id);
    if (!record) throw new Error(`There is no ${kind} ${id}`);
    const given = Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));
    this.records.set(id, quantised({ ...record, ...given }) as unknown as Rec);
  }

  /** Goes on from a framework that another command made of this one. */
  take(after: Framework): void {
    this.records.clear();
    for (const [id, record] of after.records) this.records.set(id, record);
  }

  /** Puts a record in the place of the one with its id. */
  replace(record: Rec): void {
    if (!this.records.has(record.id)) throw new Error(`There is no record ${record.id}`);
    this.records.set(record.id, quantised(record) as unknown as Rec);
  }

  remove(id: Id): void {
    this.records.delete(id);
  }

  has(id: Id): boolean {
    return this.records.has(id);
  }

  all(): IterableIterator<Rec> {
    return this.records.values();
  }

  changes(): Changes {
    return difference(this.before, { records: this.records });
  }
}

/** Every number of a record at the model's grain. */
function quantised(value: unknown): Json {
  if (typeof value === 'number') return quantiseMm(value);
  if (Array.isArray(value)) return value.map(quantised);
  if (value !== null && typeof value === 'object') {
    return Object.fromEntries(
      Object.entries(value)
        .filter(([, field]) => field !== undefined)
        .map(([key, field]) => [key, quantised(field)]),
    );
  }
  return value as Json;
}
