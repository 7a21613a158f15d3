import { reuse, reuseGathered } from './reuse';

class Path {
  constructor(
    readonly points: readonly number[],
    readonly side: number,
  ) {}
}

describe('what is used again', () => {
  it('is the value before where all of it is equal', () => {
    const before = { a: [1, { b: 2 }], m: new Map([['x', [1]]]), s: new Set([1, 2]), p: new Path([1], 1) };
    const after = { a: [1, { b: 2 }], m: new Map([['x', [1]]]), s: new Set([1, 2]), p: new Path([1], 1) };
    expect(reuse(before, after)).toBe(before);
  });

  it('is every part that is equal where something differs', () => {
    const before = { same: { b: [1, 2] }, other: [{ x: 1 }, { x: 2 }], path: new Path([1], 1) };
    const after = { same: { b: [1, 2] }, other: [{ x: 1 }, { x: 3 }], path: new Path([1], -1) };
    const now = reuse(before, after);
    expect(now).toEqual(after);
    expect(now.same).toBe(before.same);
    expect(now.other[0]).toBe(before.other[0]);
    expect(now.path).toBe(after.path);
  });

  it.each([
    ['a field more', { a: 1 }, { a: 1, b: undefined }],
    ['a field less', { a: 1, b: 2 }, { a: 1 }],
    ['another order of a list', [1, 2], [2, 1]],
    [
      'another order of a map',
      new Map([
        [1, 1],
        [2, 2],
      ]),
      new Map([
        [2, 2],
        [1, 1],
      ]),
    ],
    ['another order of a set', new Set([1, 2]), new Set([2, 1])],
    ['a list and an object', [], {}],
    ['a longer list', [1], [1, 2]],
    ['nothing before', null, { a: 1 }],
    ['nothing after', { a: 1 }, null],
  ])('is not what differs by %s', (_, before: unknown, after: unknown) => {
    expect(reuse(before, after)).not.toBe(before);
    expect(reuse(before, after)).toEqual(after);
  });

  it('of what is only gathered is told by what it holds, and not by what is in that', () => {
    const [a, b] = [{ x: 1 }, { x: 2 }];
    const before = [a, b];
    expect(reuseGathered(before, [a, b])).toBe(before);
    expect(reuseGathered(before, [a, { x: 2 }])).not.toBe(before);
    const map = new Map([
      ['one', [a]],
      ['two', [b]],
    ]);
    expect(reuseGathered(map, new Map([...map].map(([key, list]) => [key, [...list]])))).toBe(map);
    const other = reuseGathered(
      map,
      new Map([
        ['one', [a]],
        ['two', [a, b]],
      ]),
    );
    expect(other).not.toBe(map);
    expect(other.get('one')).toBe(map.get('one'));
  });
});
