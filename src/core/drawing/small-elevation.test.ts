import { EMPTY_FRAMEWORK } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given } from '../testing/given';
import { smallElevation } from './small-elevation';

/** The rectangles of a path: left, top, width and height. */
const boxes = (path: string) =>
  [...path.matchAll(/M([\d.-]+) ([\d.-]+)h([\d.-]+)v([\d.-]+)h/g)].map(([, ...numbers]) => numbers.map(Number));

describe('a small elevation', () => {
  const tower = given(FURNISHED);

  it('has each slab at its height, to one scale, and the ground where the building’s zero is', () => {
    const solved = solve(tower);
    const { paths, ground, width, height } = smallElevation(solved);
    const slabs = boxes(paths.floors!);
    expect(slabs).toHaveLength(new Set(solved.floors.map(({ topMm }) => topMm)).size);
    const tops = [...new Set(solved.floors.map(({ topMm }) => topMm))].sort((a, b) => b - a);
    const drawn = slabs.map(([, top]) => top!).sort((a, b) => a - b);
    // The spacing of what is drawn is that of the heights, to a tenth of the frame's unit.
    const scale = (drawn.at(-1)! - drawn[0]!) / (tops[0]! - tops.at(-1)!);
    for (const [i, top] of tops.entries()) expect(drawn[i]! - drawn[0]!).toBeCloseTo((tops[0]! - top) * scale, 0);
    // 25.8 m between the outer lines and 300 outside them: the slab is as wide as that at the same scale.
    expect(slabs[0]![2]! / scale).toBeCloseTo(25_800, -3);
    expect(ground).toBeCloseTo(drawn[0]! + (tops[0]! - 0) * scale, 0);
    for (const [x, y, w, h] of slabs) expect(x! >= 0 && y! >= 0 && x! + w! <= width && y! + h! <= height).toBe(true);
  });

  it('draws what stands behind one another once, and nothing of an empty framework', () => {
    const { paths } = smallElevation(solve(tower));
    // Five lines of three columns behind one another, on each of the storeys.
    expect(new Set(boxes(paths.columns!).map(([x]) => x)).size).toBe(5);
    expect(smallElevation(solve(EMPTY_FRAMEWORK))).toMatchObject({ ground: null, paths: {} });
  });
});
