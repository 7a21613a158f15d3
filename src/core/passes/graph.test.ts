import { numbersFrom } from '../testing/random-commands';
import type { Framework } from '../model/framework';
import { recordsOf } from '../model/framework';
import type { Rec } from '../model/kinds';
import { Graph } from './graph';
import { definePass, type Context, type Pass } from './pass';

const dimension = (id: string, value: number): Rec => ({ kind: 'dimension', id, name: id, value, note: '' }) as Rec;
const framework = (values: Record<string, number>): Framework => ({
  records: new Map(Object.entries(values).map(([id, value]) => [id, dimension(id, value)])),
});
/** The same with some values changed, gone (null) or new; records that stay are the same objects. */
function changed({ records }: Framework, by: Record<string, number | null>): Framework {
  const next = new Map(records);
  for (const [id, value] of Object.entries(by))
    if (value === null) next.delete(id);
    else next.set(id, dimension(id, value));
  return { records: next };
}
const valueOf = ({ framework: { records } }: Context, id: string): number =>
  (records.get(id) as { value?: number } | undefined)?.value ?? 0;

describe('passes', () => {
  const parity = definePass({ name: 'parity', scope: 'thing', run: (cx, id) => valueOf(cx, id) % 2 });
  const words = definePass({
    name: 'words',
    scope: 'thing',
    run: (cx, id) => ({ says: cx.get(parity, id) === 0 ? 'even' : 'odd' }),
  });
  const all = definePass({
    name: 'all',
    scope: 'project',
    run: (cx) => recordsOf(cx.framework, 'dimension').map(({ id }) => cx.get(words, id)),
  });

  it('run again only where something they read changed, and an equal result wakes nobody', () => {
    const graph = new Graph();
    const first = framework({ a: 1, b: 2 });
    expect(graph.solve(first, all).value).toEqual([{ says: 'odd' }, { says: 'even' }]);
    expect([...graph.runs]).toEqual([
      ['all', 1],
      ['words', 2],
      ['parity', 2],
    ]);
    const before = graph.solve(first, all).value;
    const after = graph.solve(changed(first, { a: 3 }), all).value;
    expect(after).toBe(before);
    expect(graph.runs.get('parity')).toBe(3);
    expect(graph.runs.get('words')).toBe(2);
    const odd = graph.solve(changed(first, { a: 3, b: 5 }), all).value;
    expect(odd).toEqual([{ says: 'odd' }, { says: 'odd' }]);
    expect(odd[0]).toBe(before[0]);
    expect(graph.runs.get('words')).toBe(3);
  });

  it('forget results that nothing reads any more', () => {
    const graph = new Graph();
    const first = framework({ a: 1, b: 2 });
    graph.solve(first, all);
    graph.solve(changed(first, { a: null }), all);
    const runs = graph.runs.get('parity')!;
    // What is forgotten is worked out anew when it comes back; the other is still known.
    graph.solve(first, all);
    expect(graph.runs.get('parity')).toBe(runs + 1);
  });

  it('may read one thing at one time and another at another', () => {
    const graph = new Graph();
    const choosing = definePass({
      name: 'choosing',
      scope: 'project',
      run: (cx) => valueOf(cx, valueOf(cx, 'which') === 0 ? 'a' : 'b'),
    });
    const first = framework({ which: 0, a: 10, b: 20 });
    expect(graph.solve(first, choosing).value).toBe(10);
    const runs = () => graph.runs.get('choosing');
    graph.solve(changed(first, { b: 21 }), choosing);
    expect(runs()).toBe(1);
    const other = changed(first, { which: 1, b: 21 });
    expect(graph.solve(other, choosing).value).toBe(21);
    graph.solve(changed(other, { a: 11 }), choosing);
    expect(runs()).toBe(2);
  });

  it('that throw are told with what they are about, and are well again once they do not throw', () => {
    const graph = new Graph();
    const fragile = definePass<number>({
      name: 'fragile',
      scope: 'thing',
      run: (cx, id) => {
        const value = valueOf(cx, id);
        if (value < 0) throw new Error('Broken on purpose');
        return value;
      },
      failing: (_, id) => ({ value: 0, what: `Thing ${id}`, building: '', about: [id] }),
    });
    const sum = definePass({ name: 'sum', scope: 'project', run: (cx) => cx.get(fragile, 'a') + cx.get(fragile, 'b') });
    const first = framework({ a: 1, b: 2 });
    const broken = changed(first, { a: -1 });
    expect(graph.solve(broken, sum)).toMatchObject({ value: 2, failures: [{ what: 'Thing a', about: ['a'] }] });
    expect(graph.solve(first, sum)).toEqual({ value: 3, failures: [] });
    expect(graph.solve(broken, sum).failures).toHaveLength(1);
  });

  it('pass on what they throw where nobody says what is there instead', () => {
    const graph = new Graph();
    const inner: Pass<number> = definePass({
      name: 'inner',
      scope: 'thing',
      run: (cx, id) => {
        if (valueOf(cx, id) < 0) throw new Error(`${id} is below nothing`);
        return valueOf(cx, id);
      },
    });
    const outer = definePass({ name: 'outer', scope: 'project', run: (cx) => cx.get(inner, 'a') });
    const first = framework({ a: -1 });
    expect(() => graph.solve(first, outer)).toThrow('a is below nothing');
    expect(graph.solve(changed(first, { a: 4 }), outer).value).toBe(4);
  });

  it('that come to read themselves say so', () => {
    const circle: Pass<number> = definePass({
      name: 'circle',
      scope: 'project',
      run: (cx): number => cx.get(circle, ''),
    });
    expect(() => new Graph().solve(framework({}), circle)).toThrow(/worked out from itself/);
  });
});

it('gives what a graph from nothing gives, whatever was read before: 300 random changes under passes that choose what they read', () => {
  const random = numbersFrom(7);
  const ids = Array.from({ length: 12 }, (_, i) => `d${i}`);
  // Layers of passes, each of which reads things below it that depend on values.
  const layers: Pass<number>[] = [];
  for (let depth = 0; depth < 5; depth += 1) {
    const below = layers.at(-1);
    layers.push(
      definePass({
        name: `layer ${depth}`,
        scope: 'thing',
        run: (cx, id): number => {
          const own = valueOf(cx, id);
          if (!below) return Math.floor(own / 3);
          const other = ids[(Math.abs(own) + depth) % ids.length]!;
          const value = cx.get(below, id) + (own % 2 === 0 ? cx.get(below, other) : 0);
          if (value % 7 === 6) throw new Error('Broken on purpose');
          return value % 50;
        },
        failing: (_, id) => ({ value: -1, what: id, building: '', about: [id] }),
      }),
    );
  }
  const root = definePass({
    name: 'root',
    scope: 'project',
    run: (cx) => recordsOf(cx.framework, 'dimension').map(({ id }) => cx.get(layers.at(-1)!, id)),
  });
  const graph = new Graph();
  let now = framework(Object.fromEntries(ids.map((id, i) => [id, i])));
  for (let step = 0; step < 300; step += 1) {
    const id = ids[Math.floor(random() * ids.length)]!;
    const isGone = now.records.has(id) && random() < 0.2;
    now = changed(now, { [id]: isGone ? null : Math.floor(random() * 40) });
    const [kept, cold] = [graph.solve(now, root), new Graph().solve(now, root)];
    expect(kept.value).toEqual(cold.value);
    const told = ({ failures }: typeof kept) => failures.map(({ what, pass }) => `${pass} ${what}`).sort();
    expect(told(kept)).toEqual(told(cold));
  }
});
