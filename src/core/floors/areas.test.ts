import fc from 'fast-check';
import polygonClipping, { type Pair, type Polygon } from 'polygon-clipping';
import { ringArea, type Ring } from '../geometry/polygon';
import { solve } from '../solving/solve';
import { given, SMALL_TOWER } from '../testing/given';
import type { Step } from '../commands/command-inputs';

/** Area of rings of another library, outer ones less their holes, by the shoelace formula. */
const areaOf = (polygons: readonly Polygon[]): number => {
  const shoelace = (ring: readonly Pair[]) =>
    Math.abs(ring.slice(1).reduce((sum, [x, y], i) => sum + ring[i]![0] * y - x * ring[i]![1], 0)) / 2;
  return polygons.reduce((sum, [outer, ...holes]) => {
    return sum + shoelace(outer!) - holes.reduce((less, hole) => less + shoelace(hole), 0);
  }, 0);
};
const polygonOf = (ring: Ring): Polygon => {
  const pairs = ring.map(({ x, y }): Pair => [x, y]);
  return [[...pairs, pairs[0]!]];
};

const hole = fc.record({
  x: fc.integer({ min: -2000, max: 26_000 }),
  y: fc.integer({ min: -2000, max: 15_000 }),
  widthMm: fc.integer({ min: 300, max: 9000 }),
  depthMm: fc.integer({ min: 300, max: 9000 }),
  turnDeg: fc.constantFrom(0, 0, 0, 6.1, 30, 45),
});

describe('net and holes', () => {
  it('add up to the shoelace area of the outline, the net by a second polygon library', () => {
    fc.assert(
      fc.property(fc.array(hole, { minLength: 1, maxLength: 7 }), (holes) => {
        const framework = given([
          ...SMALL_TOWER,
          ['floors.add', { name: 'Plate', outline: { type: 'gridOffset', offsetMm: 300 } }],
          ...holes.map(({ x, y, ...size }, i): Step => [
            'shafts.add',
            { name: `H${i}`, outline: { type: 'rectangle', place: `${x},${y}`, ...size } },
          ]),
        ]);
        const solved = solve(framework);
        const level = solved.levels.find(({ name }) => name === '01')!.id;
        const piece = solved.floors.find((each) => each.level === level)!;
        const rings = piece.holes.map(({ ring }) => polygonOf(ring));
        const gross = ringArea(piece.outline);
        const outline = polygonOf(piece.outline);
        const net = rings.length > 0 ? areaOf(polygonClipping.difference(outline, ...rings)) : gross;
        const within =
          rings.length > 0
            ? areaOf(polygonClipping.intersection(outline, polygonClipping.union(rings[0]!, ...rings.slice(1))))
            : 0;
        // To a square centimetre of 387 m²: one library works on whole micrometres.
        expect(Math.abs(solved.profiles[piece.profile]!.areaMm2 - net)).toBeLessThan(100);
        expect(Math.abs(net + within - gross)).toBeLessThan(100);
      }),
      { numRuns: 60 },
    );
  });
});
