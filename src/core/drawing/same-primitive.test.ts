import type { Primitive } from './drawing';
import { samePrimitive } from './same-primitive';

const at = (x: number) => ({ x, y: 2 });
const path = (x: number, closed = false): Primitive => ({
  type: 'path',
  style: 'wallCut',
  id: 'w',
  points: [at(0), at(x)],
  closed,
});
const area = (x: number, holes = 0): Primitive => ({
  type: 'area',
  style: 'floor',
  id: 'f',
  rings: [[at(0), at(x), { x: 3, y: 9 }], ...Array.from({ length: holes }, () => [at(1), at(2), { x: 1, y: 3 }])],
});
const text = (words: string): Primitive => ({
  type: 'text',
  style: 'roomText',
  id: null,
  at: at(1),
  text: words,
  heightMm: 3,
  turnDeg: 0,
});

it('what is drawn alike is the same, and anything that differs is not', () => {
  const all = [
    path(5),
    path(6),
    path(5, true),
    area(5),
    area(6),
    area(5, 1),
    text('a'),
    text('b'),
    { ...path(5), id: 'v' },
  ];
  all.forEach((one, i) => all.forEach((other, j) => expect(samePrimitive(one, structuredClone(other))).toBe(i === j)));
});
