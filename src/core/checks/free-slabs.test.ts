import type { CommandInputs, Step } from '../commands/command-inputs';
import { solve } from '../solving/solve';
import { corners, rectangle, WALL_200 } from '../testing/drawn';
import { given } from '../testing/given';

/** Three storeys of 4 m with slabs of 10 × 10 m. */
const house = given([
  ['buildings.add', { name: 'Hall' }],
  ['levels.setUp', { above: '3@4000' }],
  ['floors.add', { name: 'Plate', outline: rectangle('0,0', 10_000, 10_000) }],
]);
const MEZZANINE: Step[] = [
  ['levels.insert', { level: '01', heightMm: 2500, mode: 'only', name: 'M' }],
  ['levels.change', { level: 'M', levelKind: 'mezzanine', extent: rectangle('1000,1000', 3000, 4000) }],
];
const shelf = (outline = rectangle('0,0', 10_000, 10_000)): Step => [
  'floors.add',
  { name: 'Shelf', outline, levels: { at: ['M'] } },
];
const pit = (shiftMm: number): Step => [
  'floors.setZone',
  { floor: 'Plate', name: 'Pit', outline: rectangle('2000,2000', 3000, 3000), shiftMm, levels: ['01'] },
];
const column = (place: string): Step => [
  'columns.place',
  {
    place,
    section: { shape: 'rectangle', widthMm: 300, depthMm: 300 },
    startsAt: { level: '01' },
    stopsAt: { level: '02' },
  },
];

function solved(...steps: Step[]) {
  const all = solve(given(steps, house));
  const nameOf = new Map(all.levels.map(({ id, name }) => [id, name]));
  const slabs = all.floors.map(({ level, name, zone, volumeMm3 }) => {
    return `${nameOf.get(level)} ${zone?.name ?? name} ${(volumeMm3 / 1e9).toFixed(3)}`;
  });
  return { all, slabs, rules: all.findings.map(({ rule }) => rule) };
}

describe('a plate on a mezzanine', () => {
  it('is no more than lies in the extent of its level, in as many parts as that is', () => {
    expect(solved(...MEZZANINE, shelf()).slabs).toContain('M Shelf 3.000');
    // A plate like a U, of which two legs of 1 × 2 m reach into the extent.
    const points = corners('1000,3000 2000,3000 2000,6000 3000,6000 3000,3000 4000,3000 4000,7000 1000,7000');
    const u: CommandInputs['floors.add'] = { name: 'U', outline: { type: 'polygon', points }, levels: { at: ['M'] } };
    const { all } = solved(...MEZZANINE, ['floors.add', u]);
    const legs = all.floors.filter(({ name }) => name === 'U').map(({ volumeMm3 }) => volumeMm3 / 250);
    expect(legs).toEqual([2e6, 2e6]);
    // Both hang free, and that is said once; with a hole over one of them something of the plate is left.
    const free = all.findings.filter(({ rule }) => rule === 'floor.free');
    expect(free).toHaveLength(1);
    const eaten: Step = ['floors.except', { floor: 'U', level: 'M', voids: [rectangle('900,2900', 1200, 2200)] }];
    const left = solved(...MEZZANINE, ['floors.add', u], eaten);
    expect(left.rules).not.toContain('floor.nothingLeft');
    expect(left.all.floors.filter(({ name }) => name === 'U')).toHaveLength(1);
  });

  it('hangs free until something carries it there', () => {
    expect(solved(...MEZZANINE, shelf()).rules).toContain('floor.free');
    expect(solved(...MEZZANINE, shelf(), column('2000,2000')).rules).not.toContain('floor.free');
    expect(solved(...MEZZANINE, shelf(), column('8000,8000')).rules).toContain('floor.free');
  });

  it('is open over all of the well of a stair that runs past it', () => {
    const wide: Step = ['levels.change', { level: 'M', extent: null }];
    const stair: Step = ['stairs.add', { well: rectangle('3000,3000', 2700, 5600) }];
    const { slabs } = solved(...MEZZANINE, wide, shelf(), stair);
    expect(slabs).toContain(`M Shelf ${((100 - 2.7 * 5.6) * 0.25).toFixed(3)}`);
  });
});

describe('a zone of a floor', () => {
  it('apart from its plate in height is found, unless walls or columns stand under its edge', () => {
    // The slab is 250 thick: a step of 240 still laps it by 10.
    expect(solved(pit(-240)).rules).toEqual([]);
    const { all } = solved(pit(-900));
    expect(all.findings.map(({ message }) => message)).toEqual([
      'Zone Pit of Plate hangs free at level 01: between it and its plate are 650 mm in height, and nothing stands under it. Lay it higher, or stand walls under its edge',
    ]);
    const under: Step = [
      'walls.add',
      {
        type: WALL_200,
        points: [
          { xMm: 2100, yMm: 1000 },
          { xMm: 2100, yMm: 6000 },
        ],
        startsAt: { level: '00' },
      },
    ];
    expect(solved(pit(-900), under).rules).not.toContain('floor.zoneFree');
  });
});

describe('a slab of which nothing is left', () => {
  it('is found, and no slab of no volume is told', () => {
    const eaten: Step = [
      'floors.except',
      { floor: 'Plate', level: '01', voids: [rectangle('-100,-100', 10_200, 10_200)] },
    ];
    const { rules, slabs } = solved(eaten);
    expect(rules).toEqual(['floor.nothingLeft']);
    expect(slabs).toEqual(['00 Plate 25.000', '02 Plate 25.000', 'RF Plate 25.000']);
  });
});

describe('a shaft that only touches a slab', () => {
  it.each(['10000,2000', '10000,10000', '-2000,-2000'])('at %s cuts nothing, and is found', (place) => {
    const { all, slabs } = solved(['shafts.add', { name: 'S1', outline: rectangle(place, 2000, 2000) }]);
    expect(all.shafts[0]!.cuts).toEqual([]);
    expect(slabs).toContain('01 Plate 25.000');
    expect(all.floors.every(({ holes }) => holes.length === 0)).toBe(true);
    expect(new Set(all.findings.map(({ message }) => message.replace(/ at level.*/, '')))).toEqual(
      new Set(['Shaft S1 only touches the slab Plate']),
    );
  });
});
