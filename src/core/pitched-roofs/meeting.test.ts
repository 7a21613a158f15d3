import type { Step } from '../commands/command-inputs';
import type { Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { assembliesOf } from '../slants/assembly';
import { heightOnSlant } from '../slants/slant';
import { solve } from '../solving/solve';
import { given } from '../testing/given';
import { numbersFrom } from '../testing/random-commands';

const rectangle = (place: string, widthMm: number, depthMm: number) => ({
  type: 'rectangle' as const,
  place,
  widthMm,
  depthMm,
});
const gables = (...edges: number[]) => edges.map((edge) => ({ edge, is: 'gable' as const }));
const START: Step[] = [
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m' }],
];
const roof = (name: string, outline: object, more: object = {}): Step => [
  'pitchedRoofs.add',
  { name, outline, eavesAt: { level: 'RF' }, overhangMm: 0, slope: 45, ...more } as never,
];
const rows = (framework: Framework) => reportOf(framework, solve(framework)).roofs;
const sum = (framework: Framework, key: 'areaM2' | 'valleysM' | 'ridgesM' | 'eavesM' | 'volumeM3') =>
  rows(framework).reduce((all, each) => all + each[key], 0);

describe('a wing whose roof runs into that of the house', () => {
  // The house 12 by 8 m along x, the wing 6 m wide out to y = 14; both saddles of 45° from one eaves.
  const two = given([
    ...START,
    roof('Main', rectangle('0,0', 12_000, 8000), { edges: gables(1, 3) }),
    roof('Wing', rectangle('3000,4000', 6000, 10_000), { edges: gables(0, 2) }),
  ]);
  const outline = {
    type: 'polygon' as const,
    place: '0,0',
    points: [
      [0, 0],
      [12_000, 0],
      [12_000, 8000],
      [9000, 8000],
      [9000, 14_000],
      [3000, 14_000],
      [3000, 8000],
      [0, 8000],
    ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! })),
  };
  const one = given([...START, roof('T', outline, { edges: gables(1, 4, 7) })]);

  it('meets it in two valleys, and is with it what one roof over both would be', () => {
    for (const key of ['areaM2', 'valleysM', 'ridgesM', 'eavesM', 'volumeM3'] as const)
      expect(sum(two, key)).toBeCloseTo(sum(one, key), 3);
    // Each valley rises 3000 over 3000 across and 3000 along.
    expect(sum(two, 'valleysM')).toBeCloseTo(2 * 3 * Math.sqrt(3), 3);
  });

  it('leaves each place one roof, the highest there', () => {
    const random = numbersFrom(3);
    const all = assembliesOf(solve(two).assemblies, 'pitchedRoof').flatMap(({ parts }) =>
      parts.flatMap(({ slants }) => slants),
    );
    const [single] = assembliesOf(solve(one).assemblies, 'pitchedRoof');
    const under = single!.parts.flatMap(({ slants }) => slants);
    for (let i = 0; i < 400; i += 1) {
      const at = { x: random() * 12_000, y: random() * 14_000 };
      const [here, there] = [all, under].map((slants) => slants.flatMap((slant) => heightOnSlant(slant, at) ?? []));
      expect(here!.length > 0).toBe(there!.length > 0);
      for (const mm of here!) expect(mm).toBeCloseTo(there![0]!, 0);
    }
  });

  it('stands by itself where the two do not touch', () => {
    const apart = given([
      ...START,
      roof('Main', rectangle('0,0', 12_000, 8000), { edges: gables(1, 3) }),
      roof('Shed', rectangle('20000,0', 4000, 4000)),
    ]);
    expect(rows(apart).map(({ valleysM }) => valleysM)).toEqual([0, 0]);
    expect(
      rows(apart)
        .map(({ footprintM2 }) => footprintM2)
        .sort(),
    ).toEqual([16, 96]);
  });
});

it('of any two roofs the highest is left, and together they cover what either covers', () => {
  const random = numbersFrom(11);
  const between = (low: number, high: number) => Math.round((low + random() * (high - low)) / 100) * 100;
  for (let run = 0; run < 25; run += 1) {
    const steps = ['A', 'B'].map((name) =>
      roof(name, rectangle(`${between(0, 6000)},${between(0, 6000)}`, between(4000, 12_000), between(4000, 12_000)), {
        slope: between(2000, 5500) / 100,
        eavesAt: { level: 'RF', offsetMm: between(0, 900) },
        edges: gables(...[[], [0], [1, 3]][run % 3]!),
      }),
    );
    const both = given([...START, ...steps]);
    const alone = steps.map((each) => given([...START, each]));
    const slantsOf = (framework: Framework) =>
      assembliesOf(solve(framework).assemblies, 'pitchedRoof').flatMap(({ parts }) =>
        parts.flatMap(({ slants }) => slants),
      );
    const [now, a, b] = [both, ...alone].map(slantsOf);
    for (let i = 0; i < 60; i += 1) {
      const at = { x: random() * 18_000, y: random() * 18_000 };
      const heights = (slants: typeof now) => slants!.flatMap((slant) => heightOnSlant(slant, at) ?? []);
      const wanted = [...heights(a), ...heights(b)];
      if (wanted.length === 0) expect(heights(now)).toEqual([]);
      else for (const mm of heights(now)) expect(Math.abs(mm - Math.max(...wanted))).toBeLessThan(0.5);
    }
  }
});

describe('roofs side by side that fall to one another', () => {
  // Each one slope of 20°, its foot along a side, upright on the other three.
  const mono = (name: string, x: number, foot: 1 | 3, overhangMm: number) =>
    roof(name, rectangle(`${x},0`, 5000, 12_000), {
      slope: 20,
      overhangMm,
      edges: gables(...[0, 1, 2, 3].filter((edge) => edge !== foot)),
    });

  it('are a butterfly: two slopes down to a valley as long as they are', () => {
    const butterfly = given([...START, mono('Left', 0, 1, 300), mono('Right', 5000, 3, 300)]);
    // With 300 of overhang at both ends.
    expect(sum(butterfly, 'valleysM')).toBeCloseTo(12.6, 3);
    expect(rows(butterfly).map(({ form }) => form)).toEqual(['mono', 'mono']);
    // All of it but what they hang over one another: 10.6 by 12.6 m in plan.
    expect(sum(butterfly, 'areaM2') * Math.cos((20 * Math.PI) / 180)).toBeCloseTo(10.6 * 12.6, 2);
  });

  it('are a saw-tooth: slopes of one way, each from its foot to the upright of the next', () => {
    const saw = given([...START, mono('1', 0, 1, 0), mono('2', 5000, 1, 0), mono('3', 10_000, 1, 0)]);
    expect(sum(saw, 'areaM2') * Math.cos((20 * Math.PI) / 180)).toBeCloseTo(15 * 12, 3);
    expect(rows(saw).map(({ eavesM }) => eavesM)).toEqual([12, 12, 12]);
  });
});
