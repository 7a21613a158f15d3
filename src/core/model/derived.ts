import type { Derivation, Framework } from './framework';

const known = new WeakMap<Framework, Map<Derivation<unknown>, Map<string, unknown>>>();

/**
 * A value worked out from a framework once, and once for each key. A framework that is read by a pass remembers it itself, by what
 * it was worked out from; any other one for as long as there is the framework.
 */
export function derived<T>(
  name: string,
  work: (framework: Framework, key: string) => T,
): (framework: Framework, key?: string) => T {
  const derivation: Derivation<T> = { name, work };
  return (framework, key = '') => {
    if (framework.reading) return framework.reading.derived(derivation, key);
    let all = known.get(framework);
    if (!all) known.set(framework, (all = new Map()));
    let values = all.get(derivation);
    if (!values) all.set(derivation, (values = new Map()));
    if (!values.has(key)) values.set(key, work(framework, key));
    return values.get(key) as T;
  };
}
