import { recordsOf, type Framework } from '../model/framework';
import { assembliesOf } from '../slants/assembly';
import { heightOnSlant } from '../slants/slant';
import { solve, Solver } from '../solving/solve';
import { hashOf } from '../model/hash';
import { afterFrom, given, refusal } from '../testing/given';
import { reportOf } from '../report/report';
import { wallKind } from '../walls/kind';
import { pitchedRoofKind } from './kind';
import { drawPlan } from '../drawing/draw-plan';

const after = afterFrom();
const type = { name: 'Brick 300', layers: [{ name: 'brick', thicknessMm: 300, core: true }] };
const corners = [
  [0, 0],
  [10_000, 0],
  [10_000, 6000],
  [0, 6000],
].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! }));
const ends = { startsAt: { level: '00' }, stopsAt: { level: 'RF' } };
/** A house of 10 by 6 with one wall round it, roofed at 45° with gables right and left: its underside at 6 m over the outside. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m 3m' }],
  [
    'walls.add',
    { name: 'W1', use: 'exterior', type, place: '0,0', points: corners, closed: true, on: 'outside', ...ends },
  ],
  [
    'pitchedRoofs.add',
    {
      name: 'PR1',
      slope: 45,
      overhangMm: 500,
      layers: [{ name: 'Deck', thicknessMm: 100 }],
      measured: 'plumb',
      edges: [
        { edge: 1, is: 'gable' },
        { edge: 3, is: 'gable' },
      ],
    },
  ],
]);
const trimmed = (framework: Framework) => after('pitchedRoofs.trimWalls', { roof: 'PR1' }, framework);
const tops = (framework: Framework) => assembliesOf(solve(framework).assemblies, 'wallTop');
const volume = (framework: Framework) => tops(framework).reduce((sum, { info }) => sum + info.volumeMm3, 0) / 1e9;

describe('walls that end at a roof', () => {
  it('go up to its underside: gables and what is over the plates, by hand', () => {
    expect(tops(house)).toEqual([]);
    const made = trimmed(house);
    const solved = solve(made);
    expect(Math.max(...solved.walls.map(({ topMm }) => topMm))).toBe(6000);
    // So deep into a gable wall its triangle is 9 m² less the square of the depth; over a plate it is as high as deep, mitred at both ends.
    const gable = 9 * 0.3 - 0.3 ** 3 / 3;
    const plate = (10 * 0.3 ** 2) / 2 - (2 * 0.3 ** 3) / 3;
    expect(volume(made)).toBeCloseTo(2 * (gable + plate), 5);
    const [top] = tops(made);
    expect(top).toMatchObject({ bottomMm: 6000, topMm: 9000 });
    // Its level part stands on the structural floor, 100 under the finished one.
    const rows = reportOf(made, solved).walls;
    expect(rows.at(-1)).toMatchObject({ name: 'W1', bottomMm: 6000, topMm: 9000, thicknessMm: 300 });
    expect(rows.reduce((sum, { volumeM3 }) => sum + volumeM3, 0)).toBeCloseTo(
      (16 * 2 - 1.2) * 0.3 * 6.1 + volume(made),
      4,
    );
    expect(solved.findings.map(({ rule }) => rule)).not.toContain('wall.topShort');
  });

  it('touch it everywhere and lie nowhere in it: looked at in many places', () => {
    const made = trimmed(house);
    const { assemblies } = solve(made);
    const roof = assembliesOf(assemblies, 'pitchedRoof')[0]!.parts.flatMap(({ slants }) => slants);
    const pieces = tops(made).flatMap(({ parts }) => parts.flatMap(({ slants }) => slants));
    let seen = 0;
    for (let x = 25; x < 10_000; x += 225)
      for (let y = 25; y < 6000; y += 225) {
        const [mine] = pieces.flatMap((piece) => heightOnSlant(piece, { x, y }) ?? []);
        if (mine === undefined) continue;
        seen += 1;
        const over = roof.flatMap((piece) => heightOnSlant(piece, { x, y }) ?? [])[0]! - 100;
        expect(Math.abs(over - mine)).toBeLessThan(0.01);
      }
    expect(seen).toBeGreaterThan(60);
  });

  it('are walls in 3D: they go and stay with walls, not with roofs', () => {
    const made = trimmed(house);
    const solved = solve(made);
    const { id } = solved.buildings[0]!;
    const [wall] = recordsOf(made, 'wall');
    const leaning = (kind: typeof wallKind | typeof pitchedRoofKind) =>
      ('none' in kind.solids ? [] : kind.solids.of(solved, id)).filter(({ form }) => 'slants' in form);
    expect(new Set(leaning(wallKind).map((each) => each.id))).toEqual(new Set([wall!.id]));
    // One for each straight part of it, both sides of a ridge together.
    expect(leaning(wallKind)).toHaveLength(4);
    expect(leaning(pitchedRoofKind).every((each) => each.id !== wall!.id)).toBe(true);
  });

  it('follow the roof: its slope, its level, its edges; and a wall that ends short of it keeps so far off', () => {
    const made = trimmed(house);
    const before = volume(made);
    const flat = after('pitchedRoofs.change', { roof: 'PR1', slope: '1:2' }, made);
    expect(volume(flat)).toBeCloseTo(before / 2, 1);
    const hip = after('pitchedRoofs.change', { roof: 'PR1', edges: [] }, made);
    expect(volume(hip)).toBeLessThan(before / 2);
    const higher = after(
      'levels.setHeight',
      { level: recordsOf(made, 'level').find(({ name }) => name === '01')!.id, heightMm: 3500 },
      made,
    );
    expect(volume(higher)).toBeCloseTo(before, 5);
    expect(tops(higher)[0]!.bottomMm).toBe(6500);
    const short = after('walls.change', { wall: 'W1', stopsAt: { level: 'RF', face: 'roof', offsetMm: -200 } }, made);
    expect(tops(short)[0]).toMatchObject({ bottomMm: 5800, topMm: 8800 });
  });

  it('have windows that reach into a gable left out of both parts', () => {
    const made = trimmed(house);
    // In the right gable, its middle at the ridge: 5500 to 6700, so 700 of it over the plate.
    const windowed = after(
      'walls.addOpening',
      {
        wall: 'W1',
        opening: 'window',
        alongMm: 10_000 + 2500,
        widthMm: 1000,
        sillMm: 2500,
        heightMm: 1200,
        at: ['01'],
      },
      made,
    );
    const { findings, walls } = solve(windowed);
    expect(findings.map(({ rule }) => rule)).not.toContain('wall.opening');
    expect(walls.flatMap(({ openings }) => openings)[0]).toMatchObject({ bottomMm: 5500, topMm: 6700 });
    expect(volume(made) - volume(windowed)).toBeCloseTo(0.3 * 1 * 0.7, 3);
  });

  it('have no window where the roof is lower than that: one of all storeys is not there, one asked for there is too high', () => {
    const made = trimmed(house);
    const lintel = {
      wall: 'W1',
      opening: 'window' as const,
      alongMm: 4000,
      widthMm: 1000,
      sillMm: 2500,
      heightMm: 1200,
    };
    // Over the front plate the roof begins at 6000: 5500 to 6700 has no room there.
    const all = solve(after('walls.addOpening', lintel, made));
    expect(all.walls.flatMap(({ openings }) => openings).every(({ topMm }) => topMm <= 6000)).toBe(true);
    const asked = solve(after('walls.addOpening', { ...lintel, at: ['01'] }, made));
    expect(asked.walls.flatMap(({ openings }) => openings)).toEqual([]);
    expect(asked.findings.map(({ rule }) => rule)).toContain('wall.opening');
  });

  it('are partitions too, and stand in plan where it cuts them', () => {
    const walled = after(
      'walls.add',
      {
        name: 'W2',
        use: 'interior',
        type: { name: 'Stud 100', layers: [{ name: 'stud', thicknessMm: 100, core: true }] },
        place: '5000,300',
        points: [
          { xMm: 0, yMm: 0 },
          { xMm: 0, yMm: 5400 },
        ],
        on: 'centre',
        startsAt: { level: 'RF' },
        stopsAt: { level: 'RF', face: 'roof' },
      },
      trimmed(house),
    );
    const own = tops(walled).find(({ name }) => name === 'W2')!;
    // Between the insides: 300 high at its ends, 3000 in its middle.
    expect(own.info.volumeMm3 / 1e9).toBeCloseTo(0.1 * (2 * ((0.3 + 3) / 2) * 2.7 - 5.4 * 0.3), 3);
    const solved = solve(walled);
    const level = solved.levels.find(({ name }) => name === 'RF')!;
    const plan = drawPlan(solved, {
      building: solved.buildings[0]!.id,
      level: level.id,
      scale: 100,
      cutAboveMm: 1200,
      writeLength: String,
    });
    const cut = plan.primitives.filter(({ id, style }) => id === own.thing && style === 'wallCut');
    expect(cut.length).toBeGreaterThan(0);
  });

  it('are asked for in words where none is there, and kept results are those of a solve that begins anew', () => {
    const bare = given([
      ['buildings.add', { name: 'House' }],
      ['levels.setUp', { above: '3m' }],
      ['pitchedRoofs.add', { outline: { type: 'rectangle', place: '0,0', widthMm: 8000, depthMm: 6000 } }],
    ]);
    expect(refusal(bare, 'pitchedRoofs.trimWalls', { roof: 'PR1' })).toMatch(/No wall under roof PR1/);
    expect(refusal(house, 'columns.add', {})).not.toBe('');
    const solver = new Solver();
    for (const framework of [
      house,
      trimmed(house),
      after('pitchedRoofs.change', { roof: 'PR1', slope: 30 }, trimmed(house)),
      house,
    ])
      expect(hashOf(solver.solve(framework))).toBe(hashOf(solve(framework)));
  });

  it('that leave a gap under a roof, or go up through it, are found, and end at it by a press', () => {
    const found = (framework: Framework, rule: string) =>
      solve(framework).findings.filter((each) => each.rule === rule);
    const [short] = found(house, 'pitchedRoof.wallShort');
    expect(short!.message).toMatch(/^Wall W1 stops up to 3000 mm under roof PR1/);
    const mended = after(short!.fixes[0]!.command, short!.fixes[0]!.input as never, house);
    expect(found(mended, 'pitchedRoof.wallShort')).toEqual([]);
    expect(volume(mended)).toBeCloseTo(volume(trimmed(house)), 6);
    const high = after('walls.change', { wall: 'W1', stopsAt: { level: 'RF', offsetMm: 700 } }, house);
    const [through] = found(high, 'pitchedRoof.wallThrough');
    expect(through!.message).toMatch(/goes 700 mm up through roof PR1/);
    expect(
      found(after(through!.fixes[0]!.command, through!.fixes[0]!.input as never, high), 'pitchedRoof.wallThrough'),
    ).toEqual([]);
    // A centimetre is none.
    const nearly = after('walls.change', { wall: 'W1', stopsAt: { level: 'RF', face: 'SSL', offsetMm: 9 } }, house);
    expect(found(nearly, 'pitchedRoof.wallThrough')).toEqual([]);
  });
});
