import { getAllAttributesForEntity } from '@ifc-lite/parser';
import * as WebIfc from 'web-ifc';
import type { Framework } from '@/core/model/framework';
import { ringArea } from '@/core/geometry/polygon';
import { solve } from '@/core/solving/solve';
import { flightProfile } from '@/core/stairs/flight-profile';
import type { Solved } from '@/core/solving/solved';
import { FURNISHED, given, step, stepsOf } from '@/core/testing/given';
import { ENTITIES, type EntityName } from './entities';
import { STARTING_TYPES } from '@/core/walls/wall-type';
import { TIDEWATER_YARD } from '@/demo/tidewater-yard';
import { globalIdOf } from './global-id';
import { StepLines, stepReal, stepText } from './step';
import { faultsOf, readLines } from './testing/check-ifc';
import { measured } from './testing/measured';
import { writeIfc } from './write';

const AT = new Date('2026-01-15T10:00:00Z');

/** A tower turned on its site, with round columns, a turned grid, a part-way shaft and names beyond ASCII. */
const framework = given([
  ...FURNISHED,
  ['project.start', { name: "Tidewater 'Yard' ∅ 🎵" }],
  ['buildings.change', { zeroMm: 600, xMm: 12000, yMm: -4000, turnDeg: 12 }],
  ['grids.change', { turnDeg: 6.1 }],
  [
    'columns.place',
    { place: 'B-2 + 1500,900', section: { shape: 'circle', diameterMm: 550 }, stopsAt: { level: '03' } },
  ],
  [
    'shafts.add',
    {
      name: 'Wet',
      purpose: 'wet',
      outline: { type: 'rectangle', place: 'B-3 + 1000,1000', widthMm: 900, depthMm: 600, turnDeg: 30 },
      startsAt: { level: '01' },
      opensHead: true,
    },
  ],
  [
    'stairs.add',
    { name: 'ST1', well: { type: 'rectangle', place: 'B-3 + 500,1900', widthMm: 2700, depthMm: 5600 }, entry: 2 },
  ],
  [
    'shafts.except',
    {
      shaft: 'S1',
      level: '03',
      upwards: true,
      outline: { type: 'rectangle', place: 'A-1 + 2000,1500', widthMm: 1200, depthMm: 1500 },
    },
  ],
  [
    'floors.except',
    { floor: 'Plate', level: '02', voids: [{ type: 'circle', place: 'A-4 + 1500,2500', diameterMm: 2200 }] },
  ],
  [
    'floors.setZone',
    {
      floor: 'Plate',
      name: 'Low',
      outline: { type: 'rectangle', place: 'A-1 + 1000,500', widthMm: 3000, depthMm: 2500 },
      levels: ['02', '03'],
      shiftMm: -80,
      thicknessMm: 200,
    },
  ],
  [
    'ceilings.add',
    {
      outline: { type: 'rectangle', place: 'A-1 + 1500,1000', widthMm: 4000, depthMm: 3000 },
      levels: { at: ['01', '02'] },
      heightMm: 2600,
    },
  ],
  ['foundations.add', { form: 'pads', widthMm: 1500, depthMm: 1800, subgradeKnM3: 20_000 }],
]);
const solved = solve(framework);
const text = writeIfc(framework, solved, AT);

/** Grids of every shape, a movement joint, I-shapes, heads, size steps and survey coordinates. */
const shapes = given(
  [
    ['project.setSurvey', { eastingMm: '412345.6m', northingMm: '98765.4m', heightMm: '12.3m', trueNorthDeg: 6.1 }],
    ['grids.addJoint', { line: '3', gapMm: 60 }],
    [
      'grids.addRadial',
      { name: 'Fan', angles: '3@15', radii: '8m 2@4m', xMm: 60_000, labelsA: { first: '31' }, labelsB: { first: 'R' } },
    ],
    [
      'grids.addRadial',
      { name: 'Round', angles: '6@60', radii: '5m', xMm: 90_000, labelsA: { first: '41' }, labelsB: { first: 'V' } },
    ],
    [
      'grids.addFree',
      {
        lines: [
          { path: { x0Mm: 0, y0Mm: -5000, x1Mm: 20_000, y1Mm: 18_000 }, label: 'F1' },
          { path: { xMm: 0, yMm: 0, radiusMm: 9000, fromDeg: 0, sweepDeg: 90 }, label: 'F2' },
        ],
      },
    ],
    [
      'columns.change',
      {
        column: 'B-2',
        section: { shape: 'I', widthMm: 300, depthMm: 300, webMm: 11, flangeMm: 19 },
        material: 'steel',
      },
    ],
    [
      'columns.except',
      { columns: ['A-1'], level: '02', upwards: true, section: { shape: 'rectangle', widthMm: 400, depthMm: 400 } },
    ],
    ['columns.setBlocks', { columns: ['C-4'], head: { widthMm: 1200, depthMm: 1200, heightMm: 300 } }],
  ],
  given([...FURNISHED, ['project.start', { name: 'Shapes' }]]),
);
const shapesSolved = solve(shapes);
const shapesText = writeIfc(shapes, shapesSolved, AT);

describe.each([
  ['a turned tower', text],
  ['grids and columns of every shape', shapesText],
])('every line of the file of %s, against the schema', (_, file) => {
  const lines = readLines(file);
  it('fits the schema: attributes, what they refer to, words, reals, GlobalIds of their own', () => {
    expect(lines.size).toBeGreaterThan(1000);
    expect(faultsOf(file)).toEqual([]);
  });

  it('names the schema’s own attributes, in the schema’s order', () => {
    for (const entity of Object.keys(ENTITIES) as EntityName[]) {
      expect([entity, ...Object.keys(ENTITIES[entity])]).toEqual([
        entity,
        ...getAllAttributesForEntity(entity).map(({ name }) => name),
      ]);
    }
  });

  it('is the same from export to export, and an edited framework keeps the GlobalIds of what stayed', () => {
    expect(writeIfc(framework, solve(framework), AT)).toBe(text);
    const edited = step(framework, 'levels.setElevation', { level: '01', fflMm: 5550, mode: 'push' }).after;
    const ids = (file: string) => new Set(file.match(/=IFC(COLUMN|SLAB|BUILDINGSTOREY|GRID|SPACE)\('[^']+'/g));
    const [was, is] = [ids(text), ids(writeIfc(edited, solve(edited), AT))];
    expect(is).toEqual(was);
  });
});

it('has GlobalIds of their own in the demo too, and where one cutter opens a slab twice', () => {
  const demo = given(stepsOf(TIDEWATER_YARD));
  // The walls of a core that run past a slab leave an opening for each stretch of them.
  const twice = given([
    ['buildings.add', { name: 'U' }],
    ['levels.setUp', { above: '3m 3m' }],
    ['floors.add', { name: 'P', outline: { type: 'rectangle', place: '-2000,2000', widthMm: 12000, depthMm: 6000 } }],
    [
      'walls.add',
      {
        points: [0, 4000, 4000, 0].map((xMm, i) => ({ xMm, yMm: i < 2 ? 3000 : 6000 })),
        use: 'core',
        type: STARTING_TYPES.find(({ name }) => name === 'Core 250')!,
        startsAt: { level: '00' },
        stopsAt: { level: 'RF' },
        passesClearMm: 20,
      },
    ],
  ]);
  const holes = solve(twice).floors.map((floor) => floor.holes.filter(({ by }) => by !== null).length);
  expect(Math.max(...holes)).toBeGreaterThan(1);
  for (const each of [demo, twice]) {
    const ids = [...writeIfc(each, solve(each), AT).matchAll(/=IFC[A-Z]+\('([0-3][0-9A-Za-z_$]{21})'/g)].map(
      ([, id]) => id!,
    );
    expect(ids.length).toBeGreaterThan(20);
    expect(ids.filter((id, i) => ids.indexOf(id) !== i)).toEqual([]);
  }
});

describe('read by another program', () => {
  const api = new WebIfc.IfcAPI();
  let model = -1;
  beforeAll(async () => {
    await api.Init();
    model = api.OpenModel(new TextEncoder().encode(text), { CIRCLE_SEGMENTS: 120 });
  });
  afterAll(() => api.CloseModel(model));

  const all = (type: number): Record<string, unknown>[] => {
    const ids = api.GetLineIDsWithType(model, type);
    return Array.from({ length: ids.size() }, (_, i) => api.GetLine(model, ids.get(i)) as Record<string, unknown>);
  };
  const nameOf = (line: Record<string, unknown>) => (line.Name as { value: string } | null)?.value ?? '';

  it('has the storeys, columns, slabs, openings, spaces and axes of the framework', () => {
    const count = (type: number) => all(type).length;
    expect(count(WebIfc.IFCBUILDINGSTOREY)).toBe(solved.levels.length);
    expect(count(WebIfc.IFCCOLUMN)).toBe(solved.columns.length);
    const landings = solved.stairs.flatMap(({ storeys }) => storeys.flatMap((storey) => storey.landings));
    const rafts = solved.foundations.filter(({ form }) => form === 'raft');
    expect(count(WebIfc.IFCSLAB)).toBe(solved.floors.length + landings.length + rafts.length);
    expect(count(WebIfc.IFCFOOTING)).toBe(solved.foundations.length - rafts.length);
    const cuts = [...solved.shafts, ...solved.stairs].reduce((sum, cutter) => sum + cutter.cuts.length, 0);
    const zones = solved.floors.filter(({ zone }) => zone);
    // Holes of the plates, the void among them; each zone opens its plate, and shaft S1 the zones too.
    const inZones = zones.reduce((sum, { holes }) => sum + holes.length, 0);
    expect([zones.length, inZones]).toEqual([2, 2]);
    expect(count(WebIfc.IFCOPENINGELEMENT)).toBe(cuts + 1 + zones.length + inZones);
    expect(count(WebIfc.IFCCOVERING)).toBe(2);
    expect(count(WebIfc.IFCSTAIR)).toBe(landings.length);
    expect(count(WebIfc.IFCSTAIRFLIGHT)).toBe(landings.length * 2);
    // A space for each storey that a shaft passes, from FFL to FFL.
    const ffls = solved.levels.filter(({ bounding }) => bounding).map(({ fflMm }) => fflMm);
    const passed = solved.shafts.map(
      ({ bottomMm, topMm }) =>
        ffls.filter((ffl, i) => (i === 0 || ffl < topMm - 1) && (ffls[i + 1] ?? Infinity) > bottomMm + 1).length,
    );
    expect(count(WebIfc.IFCSPACE)).toBe(passed.reduce((sum, storeys) => sum + storeys, 0));
    expect(count(WebIfc.IFCGRIDAXIS)).toBe(solved.lines.length);
    expect(nameOf(all(WebIfc.IFCPROJECT)[0]!)).toBe("Tidewater 'Yard' ∅ 🎵");
    const storeys = all(WebIfc.IFCBUILDINGSTOREY).map((line) => [
      nameOf(line),
      (line.Elevation as { value: number }).value,
    ]);
    expect(storeys).toEqual(solved.levels.map(({ name, fflMm }) => [name, fflMm]));
  });

  /** Volume and box of a product's meshes, in metres as that program gives them. */
  const measure = (id: number) => measured(api, model, id);

  /** A point of the building in that program's axes: metres, y up, z towards the south. */
  function placed(world: Solved, at: { x: number; y: number }, z: number): number[] {
    const { at: origin, turnDeg, zeroMm } = world.buildings[0]!;
    const [s, c] = [Math.sin((turnDeg * Math.PI) / 180), Math.cos((turnDeg * Math.PI) / 180)];
    return [origin.x + at.x * c - at.y * s, z + zeroMm, -(origin.y + at.x * s + at.y * c)].map((mm) => mm / 1000);
  }

  it('has columns of the volumes and at the places and heights solved', () => {
    const ids = api.GetLineIDsWithType(model, WebIfc.IFCCOLUMN);
    const byKey = new Map(solved.columns.map((piece) => [`${piece.stack} ${piece.bottomMm}`, piece]));
    for (let i = 0; i < ids.size(); i += 1) {
      const { volume, low, high } = measure(ids.get(i));
      const bottomMm = Math.round((low[1]! * 1000 - 600) * 1000) / 1000;
      const { Tag } = api.GetLine(model, ids.get(i)) as { Tag: { value: string } };
      const piece = byKey.get(`${Tag.value} ${bottomMm}`);
      expect(piece).toBeDefined();
      // That program draws circles as polygons: of many sides they come near.
      const slack = piece!.section.shape === 'circle' ? 1e-3 : 1e-4;
      expect(Math.abs(volume / (piece!.volumeMm3 / 1e9) - 1)).toBeLessThan(slack);
      const [x, top, z] = placed(solved, piece!.at, piece!.topMm);
      expect(Math.abs((low[0]! + high[0]!) / 2 - x!)).toBeLessThan(0.02);
      expect(Math.abs((low[2]! + high[2]!) / 2 - z!)).toBeLessThan(0.02);
      expect(high[1]).toBeCloseTo(top!, 4);
    }
  });

  it('has the raft and the pads of the volumes solved, with what is known of the ground', () => {
    const volumes = [WebIfc.IFCSLAB, WebIfc.IFCFOOTING].flatMap((type) => {
      const ids = api.GetLineIDsWithType(model, type);
      return Array.from({ length: ids.size() }, (_, i) => ids.get(i))
        .filter((id) => /^F\d$/.test(nameOf(api.GetLine(model, id))))
        .map((id) => measure(id).volume);
    });
    // What each is by itself: pads in a raft are counted once in the quantities, not in the solids.
    const expected = solved.foundations.map(({ grossMm3 }) => grossMm3 / 1e9);
    expect(volumes.sort().map((m3) => m3.toFixed(3))).toEqual(expected.sort().map((m3) => m3.toFixed(3)));
    expect(new Set(solved.foundations.map(({ form }) => form))).toEqual(new Set(['raft', 'pads']));
    const sets = all(WebIfc.IFCPROPERTYSET).filter((line) => nameOf(line) === 'Foundation');
    expect(sets).toHaveLength(solved.foundations.length);
  });

  it('has ceilings of the volumes solved, under their slabs', () => {
    const ids = api.GetLineIDsWithType(model, WebIfc.IFCCOVERING);
    solved.ceilings.forEach(({ volumeMm3, bottomMm }, i) => {
      const { volume, low } = measure(ids.get(i));
      expect(volume).toBeCloseTo(volumeMm3 / 1e9, 4);
      // The shaft passes it.
      expect(volume).toBeLessThan(4 * 3 * 0.05);
      expect(low[1]).toBeCloseTo((bottomMm + 600) / 1000, 4);
    });
  });

  it('has slabs of the net volumes solved, their openings cut out', () => {
    const ids = api.GetLineIDsWithType(model, WebIfc.IFCSLAB);
    const levelName = new Map(solved.levels.map(({ id, name }) => [id, name]));
    const net = new Map(
      solved.floors.map((piece) => [
        `${piece.name} ${levelName.get(piece.level)}${piece.zone ? ` ${piece.zone.name}` : ''}`,
        piece,
      ]),
    );
    const holes = new Set<number>();
    for (let i = 0; i < ids.size(); i += 1) {
      const { volume, high } = measure(ids.get(i));
      const piece = net.get(nameOf(api.GetLine(model, ids.get(i))));
      // Landings of stairs are slabs too.
      if (!piece) continue;
      expect(Math.abs(volume / (piece.volumeMm3 / 1e9) - 1)).toBeLessThan(1e-4);
      expect(high[1]).toBeCloseTo((piece.topMm + 600) / 1000, 4);
      holes.add(piece.cutBy.length);
    }
    expect(holes).toEqual(new Set([0, 1, 2, 3]));
  });

  it('has flights and landings of the volumes solved, from floor to floor, and spaces set back with their shaft', () => {
    const ids = api.GetLineIDsWithType(model, WebIfc.IFCSTAIR);
    expect(ids.size()).toBeGreaterThan(5);
    const flights = api.GetLineIDsWithType(model, WebIfc.IFCSTAIRFLIGHT);
    const wanted = solved.stairs.flatMap(({ storeys, ...stair }) =>
      storeys.flatMap(({ flights: own }) => own.map((flight) => ({ stair, flight }))),
    );
    for (let i = 0; i < flights.size(); i += 1) {
      const line = api.GetLine(model, flights.get(i)) as { NumberOfRisers: { value: number } };
      const { stair, flight } = wanted[i]!;
      const { volume, low, high } = measure(flights.get(i));
      expect(line.NumberOfRisers.value).toBe(flight.risers);
      expect(volume).toBeCloseTo((ringArea(flightProfile(stair, flight)) * flight.widthMm) / 1e9, 4);
      // Up to its topmost tread, a riser under where it arrives; that program's second axis points up.
      expect(high[1]).toBeCloseTo((600 + flight.bottomMm + (flight.risers - 1) * flight.riserMm) / 1000, 4);
      expect(low[1]).toBeGreaterThan((flight.bottomMm - 300) / 1000);
    }
    const spaces = api.GetLineIDsWithType(model, WebIfc.IFCSPACE);
    const taken = new Map<string, number>();
    for (let i = 0; i < spaces.size(); i += 1) {
      const name = nameOf(api.GetLine(model, spaces.get(i)) as Record<string, unknown>);
      taken.set(name, (taken.get(name) ?? 0) + measure(spaces.get(i)).volume);
    }
    for (const { name, stages } of solved.shafts) {
      const volume = stages.reduce((sum, { ring, topMm, bottomMm }) => sum + ringArea(ring) * (topMm - bottomMm), 0);
      expect(taken.get(name)).toBeCloseTo(volume / 1e9, 3);
    }
    expect(solved.shafts.some(({ stages }) => stages.length === 2)).toBe(true);
  });

  it('has the common property sets and base quantities of each element', () => {
    const sets = new Map<string, number>();
    for (const line of [...all(WebIfc.IFCPROPERTYSET), ...all(WebIfc.IFCELEMENTQUANTITY)]) {
      sets.set(nameOf(line), (sets.get(nameOf(line)) ?? 0) + 1);
    }
    expect(sets.get('Pset_ColumnCommon')).toBe(solved.columns.length);
    expect(sets.get('Qto_ColumnBaseQuantities')).toBe(solved.columns.length);
    expect(sets.get('Pset_SlabCommon')).toBe(solved.floors.length);
    // The raft has base quantities of a slab too.
    expect(sets.get('Qto_SlabBaseQuantities')).toBe(solved.floors.length + all(WebIfc.IFCSTAIR).length + 1);
    const volumes = all(WebIfc.IFCQUANTITYVOLUME).map((line) => (line.VolumeValue as { value: number }).value);
    for (const { volumeMm3 } of solved.floors) {
      expect(volumes.some((volume) => Math.abs(volume - volumeMm3 / 1e9) < 1e-9)).toBe(true);
    }
  });
});

describe('grids and columns of every shape, read by another program', () => {
  const api = new WebIfc.IfcAPI();
  let model = -1;
  beforeAll(async () => {
    await api.Init();
    model = api.OpenModel(new TextEncoder().encode(shapesText));
  });
  afterAll(() => api.CloseModel(model));
  const all = (type: number): Record<string, { value: unknown } & Record<string, unknown>>[] => {
    const ids = api.GetLineIDsWithType(model, type);
    return Array.from({ length: ids.size() }, (_, i) => api.GetLine(model, ids.get(i), true));
  };

  it('has an axis per line, rings as arcs of their radius, whole ones as circles', () => {
    expect(all(WebIfc.IFCGRIDAXIS)).toHaveLength(shapesSolved.lines.length);
    const kinds = all(WebIfc.IFCGRID).map((grid) => grid.PredefinedType!.value);
    expect(kinds.sort()).toEqual(['IRREGULAR', 'RADIAL', 'RADIAL', 'RECTANGULAR']);
    const radii = all(WebIfc.IFCCIRCLE).map(({ Radius }) => Radius!.value as number);
    expect(radii.sort((a, b) => a - b)).toEqual([5000, 8000, 9000, 12_000, 16_000]);
    expect(all(WebIfc.IFCTRIMMEDCURVE)).toHaveLength(4);
  });

  it('stands in the survey: eastings, northings, height, true north', () => {
    const [conversion] = all(WebIfc.IFCMAPCONVERSION);
    const number = (name: string) => conversion![name]!.value as number;
    expect([number('Eastings'), number('Northings'), number('OrthogonalHeight'), number('Scale')]).toEqual([
      412_345.6, 98_765.4, 12.3, 0.001,
    ]);
    // True north is 6.1° counter-clockwise of up: up lies 6.1° east of north, so does x lie south of east.
    expect(number('XAxisAbscissa')).toBeCloseTo(Math.cos((6.1 * Math.PI) / 180), 12);
    expect(number('XAxisOrdinate')).toBeCloseTo(-Math.sin((6.1 * Math.PI) / 180), 12);
  });

  it('has I-shapes, heads, and slabs parted by the joint with the volume solved', () => {
    expect(all(WebIfc.IFCISHAPEPROFILEDEF)).toHaveLength(1);
    const heads = all(WebIfc.IFCCOLUMN).filter(({ ObjectType }) => ObjectType!.value === 'Column head');
    expect(heads).toHaveLength(shapesSolved.blocks.filter(({ block }) => block === 'head').length);
    expect(all(WebIfc.IFCBUILDINGELEMENTPROXY)).toEqual([]);
    const joints = all(WebIfc.IFCOPENINGELEMENT).filter(({ Name }) => Name!.value === 'Movement joint');
    expect(joints).toHaveLength(shapesSolved.floors.length);
    const sections = all(WebIfc.IFCCOLUMN).filter(({ Name }) => Name!.value === 'A-1');
    expect(new Set(sections.map(({ ObjectType }) => ObjectType!.value))).toEqual(new Set(['500 × 500', '400 × 400']));
  });
});

describe('the writer of lines', () => {
  it.each([
    [0, '0.'],
    [-0, '0.'],
    [12, '12.'],
    [-3.5, '-3.5'],
    [1e-5, '0.00001'],
    [1e-7, '1.E-7'],
    [2.5e-9, '2.5E-9'],
    [1e21, '1.E21'],
  ])('writes %s as %s', (value, real) => expect(stepReal(value)).toBe(real));
  it.each([
    ["Jan's", "'Jan''s'"],
    ['a\\b', "'a\\\\b'"],
    ['é', "'\\X2\\00E9\\X0\\'"],
    ['🎵', "'\\X4\\0001F3B5\\X0\\'"],
  ])('writes %s as %s', (value, quoted) => expect(stepText(value)).toBe(quoted));

  it('refuses what the schema would not take', () => {
    const file = new StepLines();
    expect(() => stepReal(Number.NaN)).toThrow(/not finite/);
    expect(() => file.add('IFCGRIDAXIS', { SameSense: true })).toThrow(/AxisCurve is required/);
    expect(() => file.add('IFCDIRECTION', { DirectionRatios: [Number.POSITIVE_INFINITY] })).toThrow(/not finite/);
    expect(() => file.add('IFCPOLYLINE', { Points: [] })).toThrow(/empty list/);
    expect(() => file.add('IFCPOLYLINE', { Points: [{ line: 7 }] })).toThrow(/refers to nothing/);
    expect(() => file.add('IFCSIUNIT', { UnitType: 'MASSUNIT', Name: 'METRE' })).toThrow(/cannot be MASSUNIT/);
  });

  it('folds an id into the 22 characters of a GlobalId, all bits kept', () => {
    expect(globalIdOf('00000000-0000-0000-0000-000000000000')).toBe('0'.repeat(22));
    expect(globalIdOf('ffffffff-ffff-ffff-ffff-ffffffffffff')).toBe(`3${'$'.repeat(21)}`);
    expect(globalIdOf('00000000-0000-0000-0000-000000000041')).toBe(`${'0'.repeat(20)}11`);
  });
});

it('writes a project with nothing in it, and one with levels only', () => {
  const empty: Framework = given([['project.start', { name: 'Empty' }]]);
  expect(readLines(writeIfc(empty, solve(empty), AT)).size).toBeGreaterThan(5);
  const levels = given([
    ['buildings.add', { name: 'L' }],
    ['levels.setUp', { above: '3m' }],
  ]);
  expect(writeIfc(levels, solve(levels), AT)).toMatch(/IFCBUILDINGSTOREY/);
});

it('writes several buildings, each with its own storeys, height and turn on the site', () => {
  const two = given(
    [
      ['buildings.add', { name: 'Annex', zeroMm: 600, xMm: 40000, turnDeg: 5.7 }],
      ['levels.setUp', { building: 'Annex', above: '2@4m' }],
    ],
    given(FURNISHED),
  );
  const file = writeIfc(two, solve(two), AT);
  expect(file.match(/=IFCBUILDING\(/g)).toHaveLength(2);
  expect(file.match(/=IFCBUILDINGSTOREY\(/g)).toHaveLength(8 + 3);
  const sites = [...readLines(file).values()].filter(
    ({ entity, args }) => entity === 'IFCRELAGGREGATES' && Array.isArray(args[5]) && args[5].length === 2,
  );
  expect(sites).toHaveLength(1);
  expect(file).toContain("'Annex'");
  expect(file).toMatch(/IFCCARTESIANPOINT\(\(40000\.,0\.,600\.\)\)/);
});
