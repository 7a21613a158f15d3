import type { z } from 'zod';
import { marksOf, type Mark } from './marks';

/** Answered in place of a value that goes: from a list or a field that may be empty; else what holds it goes. */
export const GONE = Symbol('gone');

/** Answered in place of a value whose whole record goes. */
export const RECORD_GONE = Symbol('record gone');

type Gone = typeof GONE | typeof RECORD_GONE;
export type Seen = (mark: Mark, value: unknown, path: string) => void;
/** What a marked value is to be instead; undefined: as it is, and what is inside it is asked about. */
export type Changed = (mark: Mark, value: unknown, path: string) => unknown;

/** A way through values of one schema, to all that is marked in it. */
export interface Walk {
  /** Tells of every marked value, the outer before the inner ones, with its dotted path; positions in lists left out. */
  see: (value: unknown, seen: Seen, path?: string) => void;
  /** The value with its marked parts changed; the same object where nothing changed. */
  change: (value: unknown, changed: Changed, path?: string) => unknown;
}

type Fields = Record<string, unknown>;
type Schema = z.ZodType & { def: Definition };
interface Definition {
  type: string;
  shape?: Record<string, Schema>;
  element?: Schema;
  innerType?: Schema;
  items?: readonly Schema[];
  options?: readonly Schema[];
  discriminator?: string;
}

const isFields = (value: unknown): value is Fields =>
  value !== null && typeof value === 'object' && !Array.isArray(value);
const isGone = (value: unknown): value is Gone => value === GONE || value === RECORD_GONE;
const below = (path: string, key: string): string => (path === '' ? key : `${path}.${key}`);

const known = new WeakMap<z.ZodType, Walk | null>();

/** The way through a schema; null where nothing in it is marked. */
export function walkOf(schema: z.ZodType): Walk | null {
  let walk = known.get(schema);
  if (walk === undefined) known.set(schema, (walk = withMarks(marksOf(schema), inside(schema as Schema))));
  return walk;
}

function withMarks(marks: readonly Mark[], inner: Walk | null): Walk | null {
  if (marks.length === 0) return inner;
  const isNeeded = marks.some(({ is }) => is === 'needed');
  return {
    see: (value, seen, path = '') => {
      for (const mark of marks) seen(mark, value, path);
      inner?.see(value, seen, path);
    },
    change: (value, changed, path = '') => {
      let next = value;
      for (const mark of marks) {
        const other = changed(mark, next, path);
        if (isGone(other)) return other;
        if (other !== undefined) next = other;
      }
      // What has been put in its place is as it is to be.
      if (next === value && inner) next = inner.change(value, changed, path);
      return isNeeded && Array.isArray(next) && next.length === 0 && next !== value ? GONE : next;
    },
  };
}

function inside({ def }: Schema): Walk | null {
  switch (def.type) {
    case 'object':
      return objectWalk(def.shape!);
    case 'array':
      return listWalk(walkOf(def.element!));
    case 'tuple':
      return tupleWalk(def.items!.map(walkOf));
    case 'nullable':
    case 'optional':
      return emptyWalk(walkOf(def.innerType!), def.type === 'nullable' ? null : undefined);
    case 'default':
    case 'readonly':
      return walkOf(def.innerType!);
    case 'union':
      return def.discriminator === undefined ? eitherWalk(def.options!) : choiceWalk(def.discriminator, def.options!);
    default:
      return null;
  }
}

function objectWalk(shape: Record<string, Schema>): Walk | null {
  const fields = Object.entries(shape).flatMap(([key, schema]): [string, Walk][] => {
    const walk = walkOf(schema);
    return walk ? [[key, walk]] : [];
  });
  if (fields.length === 0) return null;
  return {
    see: (value, seen, path = '') => {
      if (isFields(value))
        for (const [key, walk] of fields) if (key in value) walk.see(value[key], seen, below(path, key));
    },
    change: (value, changed, path = '') => {
      if (!isFields(value)) return value;
      let next = value;
      for (const [key, walk] of fields) {
        if (!(key in value)) continue;
        const other = walk.change(value[key], changed, below(path, key));
        if (isGone(other)) return other;
        if (other === value[key]) continue;
        next = { ...next, [key]: other };
        if (other === undefined) delete next[key];
      }
      return next;
    },
  };
}

function listWalk(element: Walk | null): Walk | null {
  if (!element) return null;
  return {
    see: (value, seen, path = '') => {
      if (Array.isArray(value)) for (const each of value) element.see(each, seen, path);
    },
    change: (value, changed, path = '') => {
      if (!Array.isArray(value)) return value;
      const next = value.map((each) => element.change(each, changed, path));
      if (next.includes(RECORD_GONE)) return RECORD_GONE;
      const left = next.filter((each) => each !== GONE);
      return left.length === value.length && left.every((each, i) => each === value[i]) ? value : left;
    },
  };
}

function tupleWalk(items: readonly (Walk | null)[]): Walk | null {
  if (items.every((item) => item === null)) return null;
  return {
    see: (value, seen, path = '') => {
      if (Array.isArray(value)) items.forEach((item, i) => item?.see(value[i], seen, path));
    },
    change: (value, changed, path = '') => {
      if (!Array.isArray(value)) return value;
      const next = value.map((each, i) => items[i]?.change(each, changed, path) ?? (each as unknown));
      return next.find(isGone) ?? (next.every((each, i) => each === value[i]) ? value : next);
    },
  };
}

/** What may be empty: where what is in it goes, it is. */
function emptyWalk(walk: Walk | null, empty: null | undefined): Walk | null {
  if (!walk) return null;
  return {
    see: (value, seen, path = '') => {
      if (value !== null && value !== undefined) walk.see(value, seen, path);
    },
    change: (value, changed, path = '') => {
      if (value === null || value === undefined) return value;
      const next = walk.change(value, changed, path);
      return next === GONE ? empty : next;
    },
  };
}

/** Several shapes that tell themselves apart: each way passes by what is not of its shape, and texts by those of others. */
function eitherWalk(options: readonly Schema[]): Walk | null {
  const walks = options.flatMap((schema) => {
    const walk = walkOf(schema);
    return walk
      ? [{ walk, is: (value: unknown) => schema.def.type !== 'string' || schema.safeParse(value).success }]
      : [];
  });
  if (walks.length === 0) return null;
  return {
    see: (value, seen, path = '') => {
      for (const { walk, is } of walks) if (is(value)) walk.see(value, seen, path);
    },
    change: (value, changed, path = '') => {
      for (const { walk, is } of walks) {
        if (!is(value)) continue;
        const next = walk.change(value, changed, path);
        if (next !== value) return next;
      }
      return value;
    },
  };
}

function choiceWalk(discriminator: string, options: readonly Schema[]): Walk | null {
  const walks = new Map<unknown, Walk>();
  for (const option of options) {
    const walk = walkOf(option);
    const names = (option.def.shape![discriminator] as Schema & { def: { values?: unknown[] } }).def.values ?? [];
    if (walk) for (const name of names) walks.set(name, walk);
  }
  if (walks.size === 0) return null;
  const of = (value: unknown) => (isFields(value) ? walks.get(value[discriminator]) : undefined);
  return {
    see: (value, seen, path = '') => of(value)?.see(value, seen, path),
    change: (value, changed, path = '') => of(value)?.change(value, changed, path) ?? value,
  };
}
