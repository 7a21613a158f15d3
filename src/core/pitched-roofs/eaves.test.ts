import { recordsOf, type Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { assembliesOf } from '../slants/assembly';
import { volumeOfSlant } from '../slants/slant';
import { solve } from '../solving/solve';
import { afterFrom, given } from '../testing/given';

/** A saddle of 45° over 10 by 8 m with 500 of overhang, 200 thick square to the slope. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m' }],
  [
    'pitchedRoofs.add',
    {
      name: 'R',
      outline: { type: 'rectangle', place: '0,0', widthMm: 10_000, depthMm: 8000 },
      eavesAt: { level: 'RF' },
      overhangMm: 500,
      slope: 45,
      layers: [{ name: 'all', thicknessMm: 200 }],
      edges: [
        { edge: 1, is: 'gable' },
        { edge: 3, is: 'gable' },
      ],
    },
  ],
]);
const after = afterFrom(house);
const roofOf = (framework: Framework) => assembliesOf(solve(framework).assemblies, 'pitchedRoof')[0]!;
const volume = (framework: Framework, part: RegExp) =>
  roofOf(framework)
    .parts.filter(({ name }) => part.test(name))
    .flatMap(({ slants }) => slants)
    .reduce((sum, slant) => sum + volumeOfSlant(slant), 0);

it('eaves cut square lose a wedge along their edge, and nothing of their top', () => {
  const square = after('pitchedRoofs.change', { roof: 'R', eavesCut: 'square' });
  // Plumb 200 · √2 thick; the cut reaches 200 · sin 45° inwards: half of that rectangle along 11 m on both sides.
  const lost = (200 * Math.SQRT2 * 200 * Math.SQRT1_2) / 2;
  expect(volume(house, /face/) - volume(square, /face/)).toBeCloseTo(2 * 11_000 * lost, -4);
  expect(roofOf(square).info.areaMm2).toBe(roofOf(house).info.areaMm2);
});

it('boards along eaves and verges are as long as those, and lie outside the edge', () => {
  const boarded = after('pitchedRoofs.change', { roof: 'R', fascia: { heightMm: 220, thicknessMm: 25 } });
  // In plan 11 m along each eaves and 9 m along each gable.
  expect(volume(boarded, /fascia/)).toBeCloseTo((2 * 11_000 + 2 * 9000) * 220 * 25, -4);
  const [box, was] = [roofOf(boarded), roofOf(house)].map(({ ring }) => ring.map(({ x }) => x));
  expect(Math.min(...was!) - Math.min(...box!)).toBeCloseTo(25, 6);
});

it('boards under the eaves close the overhang, at the foot of the boards along them', () => {
  const closed = after('pitchedRoofs.change', { roof: 'R', fascia: {}, soffitMm: 20 });
  const soffit = roofOf(closed).parts.find(({ name }) => name === 'soffit')!;
  // Along both eaves from the edge to the wall; at their ends as far as the overhang of the gables, mitred.
  expect(volume(closed, /soffit/) / 20).toBeCloseTo((2 * 500 * (11_000 + 10_000)) / 2, -2);
  const { edgeMm } = roofOf(closed).info;
  for (const corner of soffit.slants.flat()) expect(corner.bottomMm).toBeCloseTo(edgeMm - 200, 3);
  // The walls under it go on to its underside, not to the boards.
  expect(recordsOf(closed, 'pitchedRoof')[0]).toMatchObject({
    soffitMm: 20,
    fascia: { heightMm: 200, thicknessMm: 25 },
  });
});

it('against a higher wall is an abutment, as long as its slopes there, and has no boards', () => {
  const against = after(
    'pitchedRoofs.setEdge',
    { roof: 'R', edge: 1, is: 'wall' },
    after('pitchedRoofs.change', { roof: 'R', fascia: { heightMm: 220, thicknessMm: 25 } }),
  );
  const [row] = reportOf(against, solve(against)).roofs;
  // Both slopes of 45° over 4.5 m of depth each; the gable at the other end has as much of verge.
  expect(row!.abutmentsM).toBeCloseTo(9 * Math.SQRT2, 3);
  expect(row!.vergesM).toBeCloseTo(9 * Math.SQRT2, 3);
  // It has no overhang at the wall: 10.5 m along each eaves, 9 m along the one gable.
  expect(volume(against, /fascia/)).toBeCloseTo((2 * 10_500 + 9000) * 220 * 25, -4);
});

it('a lean-to ends at the wall it leans on with an abutment as long as that', () => {
  const lean = after('pitchedRoofs.change', {
    roof: 'R',
    edges: [
      { edge: 1, is: 'gable' },
      { edge: 2, is: 'wall' },
      { edge: 3, is: 'gable' },
    ],
  });
  const [row] = reportOf(lean, solve(lean)).roofs;
  expect(row).toMatchObject({ form: 'mono', abutmentsM: 11, ridgesM: 0 });
});
