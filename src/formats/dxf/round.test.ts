import fc from 'fast-check';
import { sectionRing, type SectionMm } from '@/core/columns/section-shape';
import { drawPlan } from '@/core/drawing/draw-plan';
import { distance } from '@/core/geometry/point';
import { gridsOf } from '@/core/grids/resolve-grids';
import { recogniseColumns } from '@/core/importing/recognise-columns';
import { gridInput, recogniseGrid } from '@/core/importing/recognise-grid';
import { recordsOf } from '@/core/model/framework';
import type { Result } from '@/core/model/result';
import { solve } from '@/core/solving/solve';
import { given } from '@/core/testing/given';
import { formatElevation, formatLength } from '@/core/units/format-length';
import { readDxf } from './read';
import { writeDxf } from './write';

function taken<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.refusal.message);
  return result.value;
}

const bays = fc
  .array(fc.integer({ min: 80, max: 400 }), { minLength: 1, maxLength: 7 })
  .map((list) => list.map((step) => step * 25));
const sections: fc.Arbitrary<SectionMm> = fc.oneof(
  fc.record({
    shape: fc.constant('rectangle' as const),
    widthMm: fc.integer({ min: 200, max: 800 }),
    depthMm: fc.integer({ min: 200, max: 800 }),
  }),
  fc.record({ shape: fc.constant('circle' as const), diameterMm: fc.integer({ min: 200, max: 800 }) }),
);
const way = fc.constantFrom<1 | -1>(1, -1);
const frameworks = fc
  .record({
    a: bays,
    b: bays,
    ways: fc.record({ a: way, b: way }),
    turnDeg: fc.integer({ min: -440, max: 440 }).map((tenth) => tenth / 10),
    x: fc.integer({ min: -50, max: 50 }),
    y: fc.integer({ min: -50, max: 50 }),
    first: fc.constantFrom('A', 'C', 'H'),
    section: sections,
    bubble: fc.constantFrom('circle' as const, 'hexagon' as const, 'square' as const),
    headsAt: fc.constantFrom('first' as const, 'last' as const, 'both' as const),
  })
  .map(({ a, b, ways, turnDeg, x, y, first, section, bubble, headsAt }) => ({
    bays: { a, b },
    framework: given([
      ['buildings.add', { name: 'Hall' }],
      ['levels.setUp', { above: '2@4m' }],
      [
        'grids.add',
        { baysA: a, baysB: b, waysOf: ways, turnDeg, xMm: x * 100, yMm: y * 100, labelsB: { first, skip: 'IO' } },
      ],
      ['grids.change', { bubble, headsA: headsAt, headsB: headsAt }],
      ['columns.placeAtCrossings', { lines: 'all', section }],
    ]),
  }));

describe('a plan of ours that comes back as a drawing', () => {
  it('holds our grid and our columns: the same lines at the same places, the same sections, laid over ours by labels', () => {
    fc.assert(
      fc.property(frameworks, ({ framework, bays: typed }) => {
        const solved = solve(framework);
        const [building] = recordsOf(framework, 'building');
        const drawing = drawPlan(solved, {
          building: building!.id,
          level: solved.levels[0]!.id,
          scale: 100,
          cutAboveMm: 1200,
          writeLength: formatLength,
          writeElevation: formatElevation,
        });
        const sheet = taken(readDxf(Buffer.from(writeDxf(drawing))));
        const grid = taken(recogniseGrid(sheet));
        const [ours] = gridsOf(framework);
        for (const direction of ['a', 'b'] as const) {
          expect(grid[direction].baysMm).toEqual(typed[direction].map((bay) => expect.closeTo(bay, 2)));
          expect(grid[direction].labels).toEqual(ours![direction].map(({ label }) => label));
        }
        const again = gridsOf(
          given([
            ['buildings.add', { name: 'Again' }],
            ['levels.setUp', { above: '2@4m' }],
            ['grids.add', gridInput(grid)],
          ]),
        )[0]!;
        expect(distance(again.origin, ours!.origin)).toBeLessThan(0.05);
        const read = taken(recogniseColumns(framework, building!.id, sheet));
        expect(read.registeredBy).not.toBeNull();
        const stood = solved.columns.filter((piece) => piece.level === solved.levels[0]!.id);
        expect(read.columns).toHaveLength(stood.length);
        for (const { at, turnDeg, section } of stood) {
          const found = read.columns.filter(({ xMm, yMm }) => distance(at, { x: xMm, y: yMm }) < 0.1);
          const corners = sectionRing(section, at, turnDeg);
          expect(found.map((column) => column.section.shape)).toEqual([section.shape]);
          // Turned as it may be told, its corners are where ours are.
          for (const corner of sectionRing(found[0]!.section, at, found[0]!.turnDeg))
            expect(Math.min(...corners.map((own) => distance(own, corner)))).toBeLessThan(0.1);
        }
      }),
      { numRuns: 40 },
    );
  });
});
