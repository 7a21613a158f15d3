import { contains } from '../geometry/polygon';
import { recordsOf, type Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { assembliesOf } from '../slants/assembly';
import { volumeOfSlant } from '../slants/slant';
import { solve } from '../solving/solve';
import { afterFrom, given, refusal } from '../testing/given';

const after = afterFrom();
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m 3m' }],
]);
/** Upright 100: its top is so much over its underside everywhere. */
const THIN = { layers: [{ name: 'Deck', thicknessMm: 100 }], measured: 'plumb' };
const rectangle = { type: 'rectangle' as const, place: '0,0', widthMm: 10_000, depthMm: 6000 };
const roofed = (input: object, on: Framework = house) =>
  after(
    'pitchedRoofs.add',
    { name: 'PR1', outline: rectangle, slope: 45, overhangMm: 0, ...THIN, ...input } as never,
    on,
  );
const row = (framework: Framework) => reportOf(framework, solve(framework)).roofs[0]!;
const made = (framework: Framework) => assembliesOf(solve(framework).assemblies, 'pitchedRoof')[0]!;

/** Height as `a x + b y + c` over the corners of a face. */
function plane(points: readonly { x: number; y: number; z: number }[]): [number, number, number] {
  const [p, ...rest] = points;
  for (let i = 0; i + 1 < rest.length; i += 1) {
    const [q, r] = [rest[i]!, rest[i + 1]!];
    const area = (q.x - p!.x) * (r.y - p!.y) - (q.y - p!.y) * (r.x - p!.x);
    if (Math.abs(area) < 1e4) continue;
    const a = ((q.z - p!.z) * (r.y - p!.y) - (r.z - p!.z) * (q.y - p!.y)) / area;
    const b = ((r.z - p!.z) * (q.x - p!.x) - (q.z - p!.z) * (r.x - p!.x)) / area;
    return [a, b, p!.z - a * p!.x - b * p!.y];
  }
  throw new Error('A face without area');
}

describe('a pitched roof', () => {
  it('is reported with its form, areas, lengths and the space under it, worked out by hand', () => {
    // Hips of 3 √3, a ridge of 4 at 3 over its eaves; under it a prism of 4 and four corners: 9 · 4 + 2 · 6 · 3 · 3 / 3 = 72.
    expect(row(roofed({}))).toMatchObject({
      name: 'PR1',
      form: 'hip',
      footprintM2: 60,
      areaM2: expect.closeTo(60 * Math.SQRT2, 5),
      ridgeMm: 9100,
      eavesMm: 6000,
      ridgesM: 4,
      hipsM: expect.closeTo(12 * Math.sqrt(3), 5),
      valleysM: 0,
      eavesM: 32,
      vergesM: 0,
      volumeM3: expect.closeTo(72, 5),
    });
    const gables = [1, 3].map((edge) => ({ edge, is: 'gable' as const }));
    expect(row(roofed({ edges: gables }))).toMatchObject({
      form: 'saddle',
      eavesM: 20,
      vergesM: expect.closeTo(4 * 3 * Math.SQRT2, 5),
      volumeM3: expect.closeTo((6 * 3 * 10) / 2, 5),
    });
  });

  it('stands so high that its underside is at the eaves over the edge of what it stands on, and goes down over that', () => {
    const roof = made(roofed({ overhangMm: 500, eavesAt: { level: 'RF', offsetMm: 400 } }));
    expect(roof.info).toMatchObject({ eavesMm: 6400, edgeMm: 6000, ridgeMm: 9500 });
    expect(roof.info.areaMm2 / 1e6).toBeCloseTo(11 * 7 * Math.SQRT2, 5);
    // Of two slopes the gentler one is there; the steeper one is higher.
    const two = made(roofed({ overhangMm: 500, edges: [{ edge: 0, slope: '1:2' }] }));
    expect(two.info.edgeMm).toBeCloseTo(6000 - 250 + 100, 4);
    // An edge against a wall has nothing over it.
    const wall = made(roofed({ overhangMm: 500, edges: [{ edge: 2, is: 'wall' }] }));
    expect(Math.max(...wall.info.edge[0]!.map(({ y }) => y))).toBeCloseTo(6000, 6);
  });

  it('holds its ridge: slopes are as steep as that asks, also with two slopes', () => {
    const held = row(roofed({ ridgeMm: 2000, overhangMm: 300 }));
    expect(held.ridgeMm).toBeCloseTo(8000, 3);
    // 100 thick upright, 3 m to the ridge over the footprint: 1900 in 3000.
    expect(held.faces[0]!.slopeDeg).toBeCloseTo((Math.atan(1.9 / 3) * 180) / Math.PI, 4);
    const edges = [0, 1, 2, 3].map((edge) => ({ edge, slope: 70, upper: { aboveMm: 1200, slope: 30 } }));
    const mansard = row(roofed({ edges, ridgeMm: 2500 }));
    expect(mansard).toMatchObject({ form: 'mansard', ridgeMm: expect.closeTo(8500, 2) });
  });

  it('has pieces as thick square to its slope as its layers are, or upright', () => {
    const layers = [{ name: 'Deck', thicknessMm: 200 }];
    const volume = (measured: 'square' | 'plumb') =>
      made(roofed({ layers, measured }))
        .parts.flatMap(({ slants }) => slants)
        .reduce((sum, slant) => sum + volumeOfSlant(slant), 0) / 1e9;
    expect(volume('square')).toBeCloseTo(60 * Math.SQRT2 * 0.2, 5);
    expect(volume('plumb')).toBeCloseTo(60 * 0.2, 5);
  });

  it('stands on exterior walls, and follows them, its level and its edges', () => {
    const type = { name: 'Brick 300', layers: [{ name: 'brick', thicknessMm: 300, core: true }] };
    const points = [
      { xMm: 0, yMm: 0 },
      { xMm: 10_000, yMm: 0 },
      { xMm: 10_000, yMm: 6000 },
      { xMm: 0, yMm: 6000 },
    ];
    const walled = after(
      'walls.add',
      {
        name: 'W1',
        use: 'exterior',
        type,
        place: '0,0',
        points,
        closed: true,
        on: 'outside',
        startsAt: { level: '00' },
        stopsAt: { level: 'RF' },
      },
      house,
    );
    const roof = after('pitchedRoofs.add', { slope: 45, overhangMm: 500 }, walled);
    expect(row(roof)).toMatchObject({ footprintM2: 60, areaM2: expect.closeTo(77 * Math.SQRT2, 4) });
    const core = after('pitchedRoofs.change', { roof: 'PR1', face: 'inside' }, roof);
    expect(row(core).footprintM2).toBeCloseTo(9.4 * 5.4, 5);
    const higher = after('levels.setHeight', { level: '01', heightMm: 3500, mode: 'push' }, roof);
    expect(row(higher).ridgeMm - row(roof).ridgeMm).toBeCloseTo(500, 6);
    expect(refusal(house, 'pitchedRoofs.add', {})).toMatch(/No exterior wall reaches/);
  });

  it('takes an edge as gable, half-hip or with its own slope, and refuses what cannot be', () => {
    const plain = roofed({});
    const id = recordsOf(plain, 'pitchedRoof')[0]!.id;
    const gable = after('pitchedRoofs.setEdge', { roof: id, edge: 1, is: 'gable' }, plain);
    expect(row(gable)).toMatchObject({ form: 'mixed', ridgesM: 7 });
    const half = after(
      'pitchedRoofs.setEdge',
      { roof: id, edge: 1, is: 'gable', upper: { aboveMm: 2000, slope: 45 } },
      gable,
    );
    // 2000 over the eaves is 1900 over the edge of its top; from there the ridge is shortened by what is left of 3000.
    expect(row(half)).toMatchObject({ form: 'mixed', ridgesM: expect.closeTo(5.9, 5) });
    const again = after('pitchedRoofs.setEdge', { roof: id, edge: 1 }, half);
    expect(recordsOf(again, 'pitchedRoof')[0]!.edges).toEqual([]);
    expect(refusal(plain, 'pitchedRoofs.setEdge', { roof: id, edge: 4, is: 'gable' })).toMatch(/has 4 edges/);
    expect(refusal(plain, 'pitchedRoofs.change', { roof: id, slope: 'steep' })).toMatch(/no slope of a roof/);
    const all = [0, 1, 2, 3].map((edge) => ({ edge, is: 'gable' as const }));
    expect(refusal(plain, 'pitchedRoofs.change', { roof: id, edges: all })).toMatch(/No edge of the roof slopes/);
    expect(refusal(plain, 'pitchedRoofs.change', { roof: id, edges: [all[0], all[0]] })).toMatch(/twice/);
  });

  it('that can no longer be worked out is found, and its first fix mends it', () => {
    // A courtyard that comes to lie over its edge when the roof is moved back over it: by a named length.
    const named = after('dimensions.define', { name: 'wing', value: 10_000 }, house);
    const gables = [0, 2, 3].map((edge) => ({ edge, is: 'gable' as const }));
    const roof = after(
      'pitchedRoofs.add',
      {
        outline: { ...rectangle, widthMm: 'wing' },
        slope: 45,
        courtyards: [{ type: 'rectangle', place: '4000,2000', widthMm: 2000, depthMm: 2000 }],
        edges: gables,
      } as never,
      named,
    );
    const less = after('dimensions.define', { name: 'wing', value: 5000 }, roof);
    const [found] = solve(less).findings.filter(({ rule }) => rule === 'pitchedRoof.unsolved');
    expect(found!.message).toMatch(/crosses or touches itself/);
    expect(found!.fixes.at(-1)).toMatchObject({ command: 'elements.remove' });
    for (const { command, input } of found!.fixes) {
      const mended = after(command, input as never, less);
      expect(solve(mended).findings.map(({ rule }) => rule)).not.toContain('pitchedRoof.unsolved');
    }
    expect(found!.fixes[0]!.words).toBe('Roof its courtyards over');
    // A notch narrower than two overhangs.
    const notch = [
      [0, 0],
      [8000, 0],
      [8000, 6000],
      [4500, 6000],
      [4500, 2000],
      [4000, 2000],
      [4000, 6000],
      [0, 6000],
    ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! }));
    const narrow = { outline: { type: 'polygon' as const, points: notch }, slope: 40 };
    expect(refusal(house, 'pitchedRoofs.add', { ...narrow, overhangMm: 500 })).toMatch(/^With its overhang/);
    expect(row(after('pitchedRoofs.add', { ...narrow, overhangMm: 100 }, house)).faces.length).toBeGreaterThan(6);
  });

  it('mirrored keeps what is said of an edge at its image', () => {
    const base = given([['grids.add', { baysA: '2@6000', baysB: '2@6000' }]], house);
    for (const outline of [
      rectangle,
      {
        type: 'polygon' as const,
        place: '0,0',
        points: [
          [0, 0],
          [9000, 0],
          [9000, 4000],
          [4000, 4000],
          [4000, 8000],
          [0, 8000],
        ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! })),
      },
    ]) {
      const roof = roofed(
        {
          outline,
          edges: [
            { edge: 1, is: 'gable' },
            { edge: 0, slope: 30 },
          ],
        },
        base,
      );
      const over = after(
        'elements.mirror',
        { ids: [recordsOf(roof, 'pitchedRoof')[0]!.id], line: '2', copies: false },
        roof,
      );
      const told = (framework: Framework) => {
        const { faces, ridgesM, volumeM3 } = row(framework);
        return {
          ridgesM,
          volumeM3: expect.closeTo(volumeM3, 4) as number,
          slopes: faces.map(({ slopeDeg }) => slopeDeg).sort(),
        };
      };
      expect(row(over)).toMatchObject({
        ridgesM: expect.closeTo(row(roof).ridgesM, 4),
        volumeM3: expect.closeTo(row(roof).volumeM3, 4),
      });
      expect(told(over).slopes).toEqual(told(roof).slopes);
    }
  });

  it('tells where one can stand under it: 1.5 and 2.3 m over the level of its eaves', () => {
    const gables = [1, 3].map((edge) => ({ edge, is: 'gable' as const }));
    // A saddle of 45°: 1.5 m high from 1.5 m in, so 3 m of 6 wide; 2.3 m from 2.3 m in, 1.4 m.
    expect(row(roofed({ edges: gables }))).toMatchObject({
      over1500M2: expect.closeTo(30, 4),
      over2300M2: expect.closeTo(14, 4),
    });
    // A knee wall of a metre.
    const knee = row(roofed({ edges: gables, eavesAt: { level: 'RF', offsetMm: 1000 } }));
    expect(knee).toMatchObject({ over1500M2: expect.closeTo(50, 4), over2300M2: expect.closeTo(34, 4) });
  });

  it('is open where shafts go out through it, and closed again where they stop under it', () => {
    const solid = (framework: Framework) =>
      made(framework)
        .parts.flatMap(({ slants }) => slants)
        .reduce((sum, slant) => sum + volumeOfSlant(slant), 0) / 1e9;
    const roof = roofed({});
    const through = after(
      'shafts.add',
      {
        name: 'S1',
        outline: { type: 'rectangle', place: '4000,2000', widthMm: 1000, depthMm: 1500 },
        stopsAt: { level: 'RF', offsetMm: 4000 },
      },
      roof,
    );
    // 100 upright, over both faces of the ridge.
    expect(solid(roof) - solid(through)).toBeCloseTo(0.1 * 1.5, 5);
    expect(made(through).info.holes).toHaveLength(1);
    const under = after('shafts.change', { shaft: 'S1', stopsAt: { level: 'RF', offsetMm: 0 } }, through);
    expect(solid(under)).toBeCloseTo(solid(roof), 6);
    // An outline with a corner that points inwards.
    const bent = after(
      'shafts.change',
      {
        shaft: 'S1',
        outline: {
          type: 'polygon',
          points: [
            [4000, 1000],
            [6000, 1000],
            [6000, 2000],
            [5000, 2000],
            [5000, 4000],
            [4000, 4000],
          ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! })),
        },
      },
      through,
    );
    expect(solid(roof) - solid(bent)).toBeCloseTo(0.1 * (2 + 2), 5);
  });

  it('gets courtyards one by one, and none outside it or in another', () => {
    const square = (place: string, mm: number) => ({ ...rectangle, place, widthMm: mm, depthMm: mm });
    const court = (outline: object, on: Framework) =>
      after('pitchedRoofs.addCourtyard', { roof: 'PR1', outline } as never, on);
    const one = court(square('2000,2000', 2000), roofed({}));
    const two = court(square('6000,2000', 1000), one);
    expect(row(one).footprintM2).toBe(56);
    expect(row(two).footprintM2).toBe(55);
    // Every face slopes at 45°, those of the courtyards too.
    expect(row(two).areaM2).toBeCloseTo(55 * Math.SQRT2, 4);
    const refused = (outline: object) => refusal(two, 'pitchedRoofs.addCourtyard', { roof: 'PR1', outline } as never);
    expect(refused(square('20000,2000', 1000))).toMatch(/lies outside the outline/);
    expect(refused(square('2500,2500', 500))).toMatch(/within another/);
    expect(refused(square('3000,3000', 2000))).toMatch(/crosses or touches itself/);
  });

  it('has the space under it that a sampling finds, with mixed edges, a courtyard and an overhang', () => {
    const outline = {
      type: 'polygon' as const,
      points: [
        [0, 0],
        [12_000, 0],
        [12_000, 9000],
        [5000, 8000],
        [0, 11_000],
      ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! })),
    };
    const courtyards = [{ type: 'rectangle' as const, place: '4500,3000', widthMm: 2000, depthMm: 1500 }];
    const edges = [
      { edge: 1, is: 'gable' as const },
      { edge: 2, slope: 30 },
      { edge: 4, slope: 60, upper: { aboveMm: 900, slope: 25 } },
    ];
    const { info } = made(roofed({ outline, courtyards, edges, slope: 40, overhangMm: 300 }));
    const STEP = 50;
    let volume = 0;
    for (let x = -1000 + STEP / 2; x < 13_000; x += STEP)
      for (let y = -1000 + STEP / 2; y < 12_000; y += STEP) {
        const face = info.faces.find(({ points }) => contains(points, { x, y }));
        if (!face) continue;
        const [a, b, c] = plane(face.points);
        volume += (a * x + b * y + c - info.edgeMm) * STEP * STEP;
      }
    expect(Math.abs(volume / info.volumeMm3 - 1)).toBeLessThan(0.004);
  });

  it('goes on otherwise so far over the eaves, whatever its overhang; gables under hips all round stand on their eaves', () => {
    const two = [0, 1, 2, 3].map((edge) => ({ edge, slope: 60, upper: { aboveMm: 1500, slope: 30 } }));
    for (const overhangMm of [0, 400]) {
      const { info } = made(roofed({ edges: two, overhangMm }));
      const breaks = info.lines.filter(({ is }) => is === 'break').map(({ from }) => from.z);
      expect(breaks.length).toBeGreaterThan(0);
      for (const z of breaks) expect(z).toBeCloseTo(6000 + 1500, 4);
    }
    const half = [0, 1, 2, 3].map((edge) => ({ edge, is: 'gable' as const, upper: { aboveMm: 1000, slope: 45 } }));
    const { info } = made(roofed({ edges: half }));
    expect(info).toMatchObject({ eavesMm: 6000, edgeMm: 6100 });
    expect(info.ridgeMm).toBeCloseTo(6000 + 1000 + 3000, 4);
    // One that begins under the edge of the roof is all there is of that edge.
    const low = made(roofed({ edges: [{ edge: 0, slope: 70, upper: { aboveMm: 50, slope: 30 } }] }));
    expect(low.info.faces.filter(({ edge }) => edge === 0)).toHaveLength(1);
  });
});
