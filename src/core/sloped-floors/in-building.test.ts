import fc from 'fast-check';
import { recordsOf, type Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { assembliesOf } from '../slants/assembly';
import { volumeOfSlant } from '../slants/slant';
import { solve } from '../solving/solve';
import { afterFrom, given, refusal } from '../testing/given';

const after = afterFrom();
/** A house whose ground floor lies from 0 to 10 m each way. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3.6m' }],
  ['floors.add', { name: 'Plate', outline: { type: 'rectangle', place: '0,0', widthMm: 10_000, depthMm: 10_000 } }],
]);
const corner = (xMm: number, yMm: number, heightMm = 0) => ({ xMm, yMm, heightMm });
/** An apron before its south side: 2 m wide, up to the threshold. */
const apron = (deepMm: number, riseMm: number) => [
  corner(2000, -deepMm, -riseMm),
  corner(4000, -deepMm, -riseMm),
  corner(4000, 0),
  corner(2000, 0),
];
const of = (framework: Framework) => assembliesOf(solve(framework).assemblies, 'slopedFloor')[0]!;
const found = (framework: Framework, rule: string) => solve(framework).findings.filter((each) => each.rule === rule);
const fixed = (framework: Framework, rule: string) => {
  const { command, input } = found(framework, rule)[0]!.fixes[0]!;
  return after(command, input as never, framework);
};

it('is told face by face: how steep, which way it falls, how large', () => {
  const made = after('slopedFloors.add', { name: 'AP', corners: apron(4340, 310), rules: 'general' }, house);
  const [row] = reportOf(made, solve(made)).slopedFloors;
  // 310 over 4340 is 1:14; it falls to the south, square to the threshold; its face is a little longer than its plan.
  expect(row!.faces).toHaveLength(1);
  expect(row!.faces[0]!.slopeRatio).toBeCloseTo(14, 6);
  expect(row!.faces[0]!.fallDeg).toBe(270);
  expect(row!.faces[0]!.areaM2).toBeCloseTo(2 * Math.sqrt(4.34 ** 2 + 0.31 ** 2), 5);
  expect(row!.steepest).toBeCloseTo(14, 6);
  expect(found(made, 'slopedFloor.steep')).toEqual([]);
  // 2 m · 4.34 m, 200 thick upright.
  const volume = of(made)
    .parts.flatMap(({ slants }) => slants)
    .reduce((sum, slant) => sum + volumeOfSlant(slant), 0);
  expect(volume / 1e9).toBeCloseTo(2 * 4.34 * 0.2, 6);
});

it('that is too steep is made longer the way it falls, as little as will do', () => {
  const made = after('slopedFloors.add', { name: 'AP', corners: apron(2500, 310), rules: 'general' }, house);
  expect(found(made, 'slopedFloor.steep')[0]!.message).toMatch(/1:8.1 at its steepest.*1:14/);
  const mended = fixed(made, 'slopedFloor.steep');
  expect(found(mended, 'slopedFloor.steep')).toEqual([]);
  expect(Math.min(...of(mended).info.corners.map(({ y }) => y))).toBeCloseTo(-4340, 0);
});

it('is looked at along the way one goes and across it apart', () => {
  // 60 to the side over 2 m: 1:33, steeper than 1:48; along it 300 over 4.2 m.
  const tilted = [corner(2000, -4200, -300), corner(4000, -4200, -360), corner(4000, 0, -60), corner(2000, 0)];
  const made = after('slopedFloors.add', { name: 'AP', corners: tilted, rules: 'general', alongDeg: 90 }, house);
  expect(of(made).info).toMatchObject({ along: 14, across: 33.333333 });
  expect(found(made, 'slopedFloor.steep')).toEqual([]);
  const wider = fixed(made, 'slopedFloor.crossfall');
  expect(found(wider, 'slopedFloor.crossfall')).toEqual([]);
  expect(of(wider).info.across).toBeCloseTo(48, 2);
});

it('that does not meet the floor beside it has a step, or a gap', () => {
  const low = [corner(2000, -4000, -200), corner(4000, -4000, -200), corner(4000, 0, -40), corner(2000, 0)];
  const made = after('slopedFloors.add', { name: 'AP', corners: low, rules: 'general' }, house);
  expect(found(made, 'slopedFloor.step').map(({ message }) => message)).toEqual([
    "Corner 3 of sloped floor AP lies 40 mm under floor Plate: a step. Bring it to the floor's height",
  ]);
  expect(found(fixed(made, 'slopedFloor.step'), 'slopedFloor.step')).toEqual([]);
  const short = [corner(2000, -4000, -200), corner(4000, -4000, -200), corner(4000, -25), corner(2000, 0)];
  const gap = after('slopedFloors.add', { name: 'AP', corners: short, rules: 'general' }, house);
  expect(found(gap, 'slopedFloor.step')[0]!.message).toMatch(/stops 25 mm short of floor Plate/);
  expect(found(fixed(gap, 'slopedFloor.step'), 'slopedFloor.step')).toEqual([]);
});

it('an unsound outline is refused where it is typed, and found where a dimension makes it so', () => {
  const crossed = [corner(0, 0), corner(1000, 1000), corner(1000, 0), corner(0, 1000)];
  expect(refusal(house, 'slopedFloors.add', { corners: crossed })).toMatch(/cross one another/);
  const named = after('dimensions.define', { name: 'deep', value: 3000 }, house);
  const made = after(
    'slopedFloors.add',
    {
      name: 'AP',
      corners: [corner(0, 0), corner(2000, 0), corner(2000, 3000), { xMm: 'deep - 2000', yMm: 1500 }, corner(0, 3000)],
    },
    named,
  );
  const flat = after('dimensions.define', { name: 'deep', value: 9000 }, made);
  expect(recordsOf(fixed(flat, 'slopedFloor.unsound'), 'slopedFloor')).toEqual([]);
});

it('random aprons comply after they are made to, and not when made less', () => {
  const some = fc.record({
    rises: fc.array(fc.integer({ min: -250, max: 250 }), { minLength: 4, maxLength: 4 }),
    wide: fc.integer({ min: 15, max: 40 }),
    deep: fc.integer({ min: 10, max: 30 }),
    rules: fc.constantFrom('public' as const, 'general' as const),
  });
  let steep = 0;
  fc.assert(
    fc.property(some, ({ rises, wide, deep, rules }) => {
      const [a, b, c, d] = rises as [number, number, number, number];
      const [w, h] = [wide * 100, deep * 100];
      const corners = [corner(20_000, 0, a), corner(20_000 + w, 0, b), corner(20_000 + w, h, c), corner(20_000, h, d)];
      const made = after('slopedFloors.add', { name: 'AP', corners, rules }, house);
      const [one] = found(made, 'slopedFloor.steep');
      if (!one) return;
      steep += 1;
      const { input } = one.fixes[0]! as { input: { towardsDeg: number } };
      for (const towardsDeg of [0, 90, 180, 270, input.towardsDeg]) {
        let next: Framework;
        try {
          next = after('slopedFloors.comply', { slopedFloor: 'AP', towardsDeg }, made);
        } catch (refused) {
          expect(String(refused)).toMatch(/No length in that direction/);
          continue;
        }
        expect(found(next, 'slopedFloor.steep')).toEqual([]);
      }
    }),
    { numRuns: 60 },
  );
  expect(steep).toBeGreaterThan(15);
});

it('is mirrored and turned with the heights of its corners', () => {
  const made = after('slopedFloors.add', { name: 'AP', corners: apron(4340, 310), alongDeg: 90 }, house);
  const { id } = recordsOf(made, 'slopedFloor')[0]!;
  const mirrored = after('elements.mirror', { ids: [id], through: ['0,0', '1000,0'] }, made);
  const shapes = assembliesOf(solve(mirrored).assemblies, 'slopedFloor').map(({ info }) =>
    info.corners.map(({ x, y, z }) => `${x},${Math.abs(y)},${z}`).sort(),
  );
  for (const shape of shapes) expect(shape).toEqual(shapes[0]);
});
