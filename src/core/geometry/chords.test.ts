import { chords } from './chords';
import { distance } from './point';

const lShape = [
  { x: 0, y: 0 },
  { x: 5, y: 0 },
  { x: 5, y: 2 },
  { x: 2, y: 2 },
  { x: 2, y: 5 },
  { x: 0, y: 5 },
];
const lengths = (ring: typeof lShape, from: [number, number], to: [number, number]) =>
  chords(ring, { x: from[0], y: from[1] }, { x: to[0], y: to[1] }).map(([a, b]) => distance(a, b));

describe('the chords of a ring', () => {
  it('are what of a straight lies within it, in stretches', () => {
    expect(lengths(lShape, [0, 1], [5, 1])).toEqual([5]);
    // From corner to corner of the box of an L only its two arms are met.
    expect(lengths(lShape, [0, 0], [5, 5])[0]).toBeCloseTo(2 * Math.SQRT2, 9);
    const across = lengths(lShape, [5, 0], [0, 5]);
    expect(across.reduce((sum, each) => sum + each, 0)).toBeCloseTo(4 * Math.SQRT2, 9);
    expect(lengths(lShape, [3, 3], [5, 5])).toEqual([]);
  });

  it('end where the straight does', () => {
    expect(lengths(lShape, [1, 1], [4, 1])).toEqual([3]);
  });
});
