/** Anything JSON can hold. Framework records hold nothing else. */
export type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/**
 * The one spelling of a JSON value: keys sorted, −0 as 0, fields that are undefined left out. Equal values
 * have equal spellings in every engine.
 */
export function canonicalJson(value: unknown): string {
  if (value === null || typeof value === 'boolean' || typeof value === 'string') return JSON.stringify(value);
  if (typeof value === 'number') {
    if (!Number.isFinite(value)) throw new Error('A number that is not finite cannot be stored');
    return JSON.stringify(value === 0 ? 0 : value);
  }
  if (Array.isArray(value)) return `[${value.map(canonicalJson).join(',')}]`;
  const entries = Object.entries(value as Record<string, unknown>)
    .filter(([, field]) => field !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${entries.map(([key, field]) => `${JSON.stringify(key)}:${canonicalJson(field)}`).join(',')}}`;
}

/** True if two JSON values have the same spelling. */
export function sameJson(a: unknown, b: unknown): boolean {
  return a === b || canonicalJson(a) === canonicalJson(b);
}
