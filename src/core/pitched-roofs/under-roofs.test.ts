import { recordsOf, type Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { volumeOfSlant } from '../slants/slant';
import { solve } from '../solving/solve';
import { afterFrom, given } from '../testing/given';

const rectangle = (place: string, widthMm: number, depthMm: number) => ({
  type: 'rectangle' as const,
  place,
  widthMm,
  depthMm,
});
/**
 * A house of 10 by 8 m inside, walls of 200, two storeys of 3 m and an attic at RF with a floor; over it a saddle of 45° whose underside begins
 * at RF over the walls' outside: half of its depth, 4200, higher in the middle.
 */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '2@3m', buildUpMm: 0 }],
  [
    'walls.add',
    {
      name: 'W',
      use: 'exterior',
      type: { name: 'Block', layers: [{ name: 'block', thicknessMm: 200, core: true }] },
      place: '0,0',
      points: [
        { xMm: 0, yMm: 0 },
        { xMm: 10_400, yMm: 0 },
        { xMm: 10_400, yMm: 8400 },
        { xMm: 0, yMm: 8400 },
      ],
      closed: true,
      on: 'outside',
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
  ['floors.add', { name: 'F', outline: rectangle('0,0', 10_400, 8400) }],
  [
    'pitchedRoofs.add',
    {
      name: 'R',
      slope: 45,
      overhangMm: 400,
      edges: [
        { edge: 1, is: 'gable' },
        { edge: 3, is: 'gable' },
      ],
    },
  ],
  ['pitchedRoofs.trimWalls', { roof: 'R' }],
]);
const after = afterFrom(house);
const found = (framework: Framework, rule: string) => solve(framework).findings.filter((each) => each.rule === rule);
const mended = (framework: Framework, rule: string) => {
  const { command, input } = found(framework, rule)[0]!.fixes[0]!;
  return after(command, input, framework);
};

describe('columns under a pitched roof', () => {
  const column = (stopsAt: object) =>
    after('columns.place', {
      place: '5200,2200',
      section: { shape: 'rectangle', widthMm: 400, depthMm: 400 },
      startsAt: { level: 'RF', face: 'SSL' },
      stopsAt: { level: 'RF', ...stopsAt },
    });
  const topOf = (framework: Framework) => Math.max(...solve(framework).columns.map(({ topMm }) => topMm));

  it('end at its underside where that is lowest over them', () => {
    // The low side of its section lies 2000 in from the outside: the underside is 2000 over RF there.
    expect(topOf(column({ face: 'roof' }))).toBeCloseTo(6000 + 2000, 3);
    expect(topOf(column({ face: 'roof', offsetMm: -50 }))).toBeCloseTo(6000 + 1950, 3);
  });
  it('go no higher than it, whatever is typed', () => {
    expect(topOf(column({ face: 'FFL', offsetMm: 3500 }))).toBeCloseTo(6000 + 2000, 3);
    expect(topOf(column({ face: 'FFL', offsetMm: 1500 }))).toBe(7500);
  });
  it('follow its slope', () => {
    const flatter = after('pitchedRoofs.change', { roof: 'R', slope: '1:2' }, column({ face: 'roof' }));
    expect(topOf(flatter)).toBeCloseTo(6000 + 1000, 3);
  });
});

describe('rooms under a pitched roof', () => {
  const attic = after(
    'walls.add',
    {
      name: 'P',
      use: 'interior',
      type: { name: 'Stud', layers: [{ name: 'stud', thicknessMm: 100, core: true }] },
      place: '0,0',
      points: [
        { xMm: 5200, yMm: 200 },
        { xMm: 5200, yMm: 8200 },
      ],
      startsAt: { level: 'RF' },
      stopsAt: { level: 'RF', face: 'roof' },
    },
    house,
  );
  it('tell what of them is 1.5 and 2.3 m high and more', () => {
    const rooms = reportOf(attic, solve(attic)).rooms.filter(({ level }) => level === 'RF');
    if (rooms.length === 0) throw new Error('no rooms in the attic');
    // Two rooms of 4950 by 8000; 1500 high from 1500 in from the outside of the walls on both sides.
    for (const { areaM2, over1500M2, over2300M2 } of rooms) {
      expect(areaM2).toBeCloseTo(4.95 * 8, 3);
      expect(over1500M2).toBeCloseTo(4.95 * (8.4 - 3), 3);
      expect(over2300M2).toBeCloseTo(4.95 * (8.4 - 4.6), 3);
    }
    const below = reportOf(attic, solve(attic)).rooms.filter(({ level }) => level === '00');
    for (const { over1500M2 } of below) expect(over1500M2).toBeUndefined();
  });
});

describe('a stair under a slope', () => {
  it('has the headroom that the underside of the roof leaves over it', () => {
    const stair = after('stairs.add', {
      name: 'ST',
      well: { type: 'rectangle', place: '6000,400', widthMm: 2600, depthMm: 5200 },
      startsAt: { level: '01' },
      stopsAt: { level: 'RF' },
    });
    const [solved] = solve(stair).stairs;
    const headroom = solved!.storeys.find(({ headroom: each }) => each)!.headroom!;
    expect(headroom.under).toBe('the roof');
    // Nothing over it is lower than the underside at the place it is told of.
    const { at, lowMm, mm } = headroom;
    expect(mm).toBeCloseTo(6000 + Math.min(at.y, 8400 - at.y) - lowMm, 0);
    expect(found(stair, 'stair.headroom')).toHaveLength(1);
  });
});

describe('a stair that goes out over a roof', () => {
  // A level over the eaves' level, that the roof lies below at the stair's head and above at its half landing.
  const higher = given([
    ['buildings.add', { name: 'House' }],
    ['levels.setUp', { above: '2@3m', buildUpMm: 0 }],
    ['floors.add', { name: 'F', outline: rectangle('0,0', 10_400, 8400), levels: { at: ['01'] } }],
    ['pitchedRoofs.add', { name: 'R', outline: rectangle('0,0', 10_400, 8400), eavesAt: { level: '01' }, slope: 45 }],
  ]);
  const well = { type: 'rectangle' as const, place: '4000,400', widthMm: 2600, depthMm: 5200 };
  const climbed = (framework: Framework, input: object = {}) =>
    after('stairs.add', { name: 'ST', well, startsAt: { level: '01' }, stopsAt: { level: 'RF' }, ...input }, framework);
  const volume = (framework: Framework) =>
    solve(framework)
      .assemblies.filter(({ kind }) => kind === 'pitchedRoof')
      .flatMap(({ parts }) => parts.flatMap(({ slants }) => slants))
      .reduce((sum, slant) => sum + volumeOfSlant(slant), 0) / 1e9;
  const through = climbed(higher);

  it('opens it over its whole well', () => {
    // 300 mm square to the slope.
    expect(volume(higher) - volume(through)).toBeCloseTo(2.6 * 5.2 * 0.3 * Math.SQRT2, 4);
  });
  it('has no headroom to keep under it', () => {
    expect(found(through, 'stair.headroom')).toEqual([]);
    for (const { headroom } of solve(through).stairs[0]!.storeys) expect(headroom?.under).not.toBe('the roof');
  });
  it('closes it again, and stands under it, where the roof goes up', () => {
    const raised = after('pitchedRoofs.change', { roof: 'R', eavesAt: { level: '01', offsetMm: 2600 } }, through);
    expect(volume(raised)).toBeCloseTo(volume(higher), 6);
    expect(solve(raised).stairs[0]!.storeys.find(({ headroom }) => headroom)!.headroom!.under).toBe('the roof');
  });
});

describe('what is wrong with a roof by itself', () => {
  it('an attic lower than its budget asks is found, and its eaves are raised by what is missing', () => {
    const asked = after('levels.setBudget', { level: 'RF', targetMm: 4500 });
    expect(found(asked, 'pitchedRoof.lowAttic')).toHaveLength(1);
    const raised = mended(asked, 'pitchedRoof.lowAttic');
    expect(found(raised, 'pitchedRoof.lowAttic')).toEqual([]);
    // 4200 of 4500 are there.
    expect(recordsOf(raised, 'pitchedRoof')[0]!.eavesAt.offsetMm).toBe(300);
    expect(found(house, 'pitchedRoof.lowAttic')).toEqual([]);
  });
  it('edges without an overhang are found where no wall goes up beside them', () => {
    const bare = after('pitchedRoofs.change', { roof: 'R', overhangMm: 0 });
    expect(found(bare, 'pitchedRoof.bareEdge')).toHaveLength(1);
    expect(found(mended(bare, 'pitchedRoof.bareEdge'), 'pitchedRoof.bareEdge')).toEqual([]);
    const over = after('pitchedRoofs.trimWalls', { roof: 'R', walls: ['W'], overMm: 300 }, bare);
    expect(found(over, 'pitchedRoof.bareEdge')).toEqual([]);
  });
});
