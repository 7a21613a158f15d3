import fc from 'fast-check';
import { ringArea } from '../geometry/polygon';
import { extended, leastExtension, notSteeperThan } from './comply';
import { slopedFaces, steepest, type HighCorner } from './faces';

const corners = (text: string): HighCorner[] =>
  text.split(' ').map((each) => {
    const [x, y, z] = each.split(',').map(Number);
    return { x: x!, y: y!, z: z! };
  });

describe('faces of a floor whose corners have heights', () => {
  it('are one where they lie on one plane, with its slope, fall and area', () => {
    // 310 up over 4340: 1:14, falling towards −y.
    const [only, ...more] = slopedFaces(corners('0,0,0 2000,0,0 2000,4340,310 0,4340,310'))!;
    expect(more).toEqual([]);
    expect(only).toMatchObject({ slopeRatio: 14, fallDeg: 270 });
    expect(only!.areaM2).toBeCloseTo(2 * Math.sqrt(4.34 ** 2 + 0.31 ** 2), 9);
    expect(slopedFaces(corners('0,0,5 2000,0,5 2000,4000,5 0,4000,5'))![0]).toMatchObject({
      slopeRatio: null,
      fallDeg: null,
      areaM2: 8,
    });
  });

  it('are laid so that the steepest is least steep', () => {
    // One corner of a square raised: split through the raised corner each half rises along one side only.
    const faces = slopedFaces(corners('0,0,0 3000,0,0 3000,3000,300 0,3000,0'))!;
    expect(faces).toHaveLength(2);
    expect(steepest(faces)).toBeCloseTo(10, 9);
    expect(faces.map(({ fallDeg }) => fallDeg).sort()).toEqual([180, 270]);
  });

  it('are none of an outline that crosses itself', () => {
    expect(slopedFaces(corners('0,0,0 2000,2000,0 2000,0,50 0,2000,0'))).toBeNull();
  });
});

/** A star-shaped outline with heights, some of its corners drawn in. */
const aprons = fc
  .array(fc.record({ far: fc.integer({ min: 2000, max: 6000 }), z: fc.integer({ min: -200, max: 200 }) }), {
    minLength: 3,
    maxLength: 9,
  })
  .map((list) =>
    list.map(({ far, z }, i): HighCorner => {
      const angle = (2 * Math.PI * i) / list.length;
      return { x: Math.round(far * Math.cos(angle)), y: Math.round(far * Math.sin(angle)), z };
    }),
  );

describe('laws of sloped floors', () => {
  it('faces cover the floor once, meet at whole edges, and rise as their corners say', () => {
    fc.assert(
      fc.property(aprons, (ring) => {
        const faces = slopedFaces(ring)!;
        const area = faces.reduce((sum, { points }) => sum + ringArea(points), 0);
        expect(area).toBeCloseTo(ringArea(ring), 3);
        const edges = new Map<string, number>();
        for (const { points } of faces)
          points.forEach((from, i) => {
            const to = points[(i + 1) % points.length]!;
            const name = [from, to]
              .map(({ x, y, z }) => `${x} ${y} ${z}`)
              .sort()
              .join(' to ');
            edges.set(name, (edges.get(name) ?? 0) + 1);
          });
        expect([...edges.values()].filter((count) => count === 1)).toHaveLength(ring.length);
        expect(Math.max(...edges.values())).toBeLessThanOrEqual(2);
      }),
      { numRuns: 100, seed: 11 },
    );
  });

  it('after the least extension a floor complies, and with 1 % less it does not', () => {
    let looked = 0;
    fc.assert(
      fc.property(aprons, fc.integer({ min: 8, max: 20 }), fc.integer({ min: 0, max: 359 }), (ring, ratio, deg) => {
        const way = { x: Math.cos((deg * Math.PI) / 180), y: Math.sin((deg * Math.PI) / 180) };
        const found = leastExtension(ring, way, notSteeperThan(ratio));
        if (!found || found.byMm === 0) return;
        looked += 1;
        expect(steepest(slopedFaces(found.corners)!) ?? Infinity).toBeGreaterThanOrEqual(ratio - 1e-9);
        const less = slopedFaces(extended(ring, way, found.byMm * 0.99 - 0.2));
        expect(less === null || (steepest(less) ?? Infinity) < ratio).toBe(true);
      }),
      { numRuns: 200, seed: 12 },
    );
    expect(looked).toBeGreaterThan(10);
  });

  it('an apron up to a threshold on one side and down on the other is cured by hand’s numbers', () => {
    // 310 up over 3 m is 1:9.7; at 1:14 it takes 4340.
    const up = leastExtension(corners('0,0,310 2000,0,310 2000,3000,0 0,3000,0'), { x: 0, y: 1 }, notSteeperThan(14))!;
    expect(up.byMm).toBeCloseTo(1340, 0);
    const down = leastExtension(
      corners('0,0,-180 2000,0,-180 2000,1500,0 0,1500,0'),
      { x: 0, y: 1 },
      notSteeperThan(12),
    )!;
    expect(down.byMm).toBeCloseTo(660, 0);
    expect(
      leastExtension(corners('0,0,310 2000,0,310 2000,3000,0 0,3000,0'), { x: 1, y: 0 }, notSteeperThan(14)),
    ).toBeNull();
  });
});
