import fc from 'fast-check';
import { leftDistance } from '../geometry/curve';
import { ringArea } from '../geometry/polygon';
import { sectionRing } from '../columns/section-shape';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, SMALL_TOWER, afterFrom } from '../testing/given';

const bare = given(SMALL_TOWER);
const after = afterFrom(bare);
const lines = (framework: Framework) =>
  solve(framework)
    .settingOut.map(({ name, ends }) => [name, ends[0].x, ends[0].y] as const)
    .sort(([p], [q]) => (p < q ? -1 : 1));
const at = (framework: Framework, mark: string) => solve(framework).columns.find((piece) => piece.mark === mark)!.at;
const section = { shape: 'rectangle' as const, widthMm: 600, depthMm: 400 };

describe('setting-out lines', () => {
  it('are offset to one or both sides of several lines in one act, and named', () => {
    const inside = after('settingOut.add', { lines: ['A', 'C'], offsetMm: 210, side: 'interior' });
    expect(lines(inside).map(([name, , y]) => [name, y])).toEqual([
      ['S1', 210],
      ['S2', 14_400 - 210],
    ]);
    const both = after('settingOut.add', { lines: ['2'], offsetMm: '15cm', side: 'both', name: 'Face' });
    expect(lines(both).map(([name, x]) => [name, x])).toEqual([
      ['Face 2', 7350],
      ['Face 21', 7050],
    ]);
    expect(refusal(both, 'settingOut.add', { lines: ['3'], offsetMm: 10, name: 'Face 2' })).toMatch(/already/);
  });

  it('follow their source, from one to the next, and turn with the grid', () => {
    const chain = given(
      [
        ['settingOut.add', { lines: ['2'], offsetMm: 500, name: 'P' }],
        ['settingOut.add', { lines: ['P'], offsetMm: 100, name: 'Q' }],
      ],
      bare,
    );
    expect(lines(after('grids.setBay', { line: '2', bayMm: 8000 }, chain)).map(([, x]) => x)).toEqual([8500, 8600]);
    expect(lines(after('grids.change', { turnDeg: 90 }, chain)).map(([, , y]) => y)).toEqual([7700, 7800]);
    expect(refusal(chain, 'settingOut.change', { line: 'P', name: 'A' })).toMatch(/already/);
  });

  it('are locked against moving, and go with their source; what was held to them stays', () => {
    const locked = after('settingOut.add', { lines: ['2'], offsetMm: 500, name: 'P', locked: true });
    expect(refusal(locked, 'settingOut.move', { line: 'P', byMm: 50 })).toMatch(/locked/);
    expect(refusal(locked, 'settingOut.remove', { lines: ['P'] })).toMatch(/locked/);
    const held = after('columns.place', { place: 'B-2', section, flush: [{ line: 'P', face: 'left' }] }, locked);
    const was = at(held, 'B-2');
    const gone = after('grids.removeLine', { line: '2' }, held);
    expect(recordsOf(gone, 'settingOutLine')).toEqual([]);
    expect(at(gone, 'B-2')).toEqual(was);
    expect(recordsOf(gone, 'columnStack')[0]!.holds).toEqual([]);
  });

  it('name crossings with grid lines for places', () => {
    const named = after('settingOut.add', { lines: ['2'], offsetMm: 500, name: 'P' });
    const placed = after('columns.place', { place: 'P-B + 100,0', section }, named);
    expect(solve(placed).columns[0]!.at).toEqual({ x: 7800, y: 6600 });
  });
});

describe('columns held to a line', () => {
  const set = after('settingOut.add', { lines: ['A', 'C'], offsetMm: 210, side: 'interior' });

  it('stand with their interior face on the setting-out line of their own grid line', () => {
    const placed = after(
      'columns.placeAtCrossings',
      { lines: ['A', 'C', '1', '2'], section, flush: [{ line: 'S1' }, { line: 'S2' }] },
      set,
    );
    // Depth 400: centres 200 outwards of the lines at 210 and 14190.
    expect([at(placed, 'A-1').y, at(placed, 'C-2').y]).toEqual([10, 14_390]);
    const moved = after('settingOut.change', { line: 'S1', offsetMm: 300 }, placed);
    expect(at(moved, 'A-2')).toEqual({ x: 7200, y: 100 });
    const deeper = after('columns.change', { column: 'A-2', section: { ...section, depthMm: 1000 } }, placed);
    expect(at(deeper, 'A-2').y).toBe(210 - 500);
    expect(refusal(set, 'columns.placeAtCrossings', { lines: ['B', '1'], section, flush: [{ line: 'S1' }] })).toMatch(
      /None of these crossings/,
    );
  });

  it('touch two lines at once, however the grid and the column are turned', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(0, 5.7, 13.1, 47),
        fc.integer({ min: 0, max: 89 }),
        fc.constantFrom('left', 'right', 'centre'),
        fc.constantFrom('left', 'right', 'centre'),
        (gridTurn, turnDeg, p, q) => {
          const placed = given(
            [
              ['grids.change', { turnDeg: gridTurn }],
              [
                'columns.place',
                {
                  place: 'B-2',
                  section,
                  turnDeg,
                  flush: [
                    { line: '2', face: p, offsetMm: 50 },
                    { line: 'B', face: q },
                  ],
                },
              ],
            ],
            bare,
          );
          const solved = solve(placed);
          const piece = solved.columns[0]!;
          const ring = sectionRing(piece.section, piece.at, piece.turnDeg);
          for (const [label, side, offset] of [
            ['2', p, 50],
            ['B', q, 0],
          ] as const) {
            const { curve } = solved.lines.find((line) => line.label === label)!;
            const off = ring.map((corner) => leftDistance(curve, corner) - offset);
            const [least, most] = [Math.min(...off), Math.max(...off)];
            if (side === 'left') expect(least).toBeCloseTo(0, 4);
            if (side === 'right') expect(most).toBeCloseTo(0, 4);
            if (side === 'centre') expect(least + most).toBeCloseTo(0, 4);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('lines set out from edges', () => {
  const built = given(
    [
      ['floors.add', { name: 'Plate', outline: { type: 'gridOffset', offsetMm: 300 }, thicknessMm: 250 }],
      [
        'shafts.add',
        { name: 'L1', outline: { type: 'rectangle', place: 'A-1 + 2000,1500', widthMm: 2400, depthMm: 3000 } },
      ],
    ],
    bare,
  );
  const id = (kind: 'floorPlate' | 'shaft') => recordsOf(built, kind)[0]!.id;

  it('run outwards or inwards of a slab or shaft and follow it', () => {
    const out = after(
      'settingOut.add',
      { edges: [{ of: id('shaft'), edge: 0 }], offsetMm: 200, name: 'Lining' },
      built,
    );
    // Edge 0 of the shaft is its lower one, at y 1500; outwards is down.
    expect(lines(out)).toEqual([['Lining', 2000, 1300]]);
    expect(solve(out).settingOut[0]!.from).toBe('L1 edge 1');
    const moved = after('elements.move', { ids: [id('shaft')], xMm: 0, yMm: 700 }, out);
    expect(lines(moved)).toEqual([['Lining', 2000, 2000]]);
    const both = after(
      'settingOut.add',
      { edges: [{ of: id('floorPlate'), edge: 1 }], offsetMm: 150, side: 'both' },
      built,
    );
    expect(lines(both).map(([, x]) => x)).toEqual([25_650, 25_350]);
    const chain = after('settingOut.add', { lines: ['Lining'], offsetMm: 50, name: 'Finish' }, out);
    expect(lines(chain).map(([name, , y]) => [name, y])).toEqual([
      ['Finish', 1250],
      ['Lining', 1300],
    ]);
  });

  it('hold columns by a face, and keep their source from being deleted', () => {
    const out = after(
      'settingOut.add',
      { edges: [{ of: id('floorPlate'), edge: 1 }], offsetMm: -100, name: 'In' },
      built,
    );
    const held = after('columns.place', { place: 'B-5', section, flush: [{ line: 'In', face: 'left' }] }, out);
    // The slab's right edge is at 25500; the column, 600 wide, stands inside the line at 25400.
    expect(at(held, 'B-5')).toEqual({ x: 25_100, y: 6600 });
    const wider = after('floors.change', { floor: 'Plate', outline: { type: 'gridOffset', offsetMm: 500 } }, held);
    expect(at(wider, 'B-5').x).toBe(25_300);
    expect(refusal(out, 'elements.remove', { ids: [id('floorPlate')] })).toMatch(/hangs on it/);
    expect(refusal(built, 'settingOut.add', { edges: [{ of: id('shaft'), edge: 9 }], offsetMm: 1 })).toMatch(
      /not there/,
    );
    expect(refusal(built, 'settingOut.add', { offsetMm: 1 })).toMatch(/Choose a line or an edge/);
  });

  it('run off a column’s face, and carry the edges of slabs and shafts that follow it', () => {
    const placed = after('columns.place', { place: 'B-2', section }, built);
    const stack = recordsOf(placed, 'columnStack')[0]!.id;
    // Faces count from the lower one: the second looks right.
    const centre = at(placed, 'B-2');
    const out = after('settingOut.add', { edges: [{ of: stack, edge: 1 }], offsetMm: 400, name: 'Clear' }, placed);
    expect(solve(out).settingOut[0]).toMatchObject({ from: 'column B-2 face 2', ends: [{ x: centre.x + 700 }, {}] });
    const edges = [{ line: 'Clear' }, { line: 'B', offsetMm: -100 }, { line: '3' }, { line: 'A', offsetMm: -100 }];
    const shaft = after('shafts.add', { name: 'Beside', outline: { type: 'lines', edges } }, out);
    const left = (framework: Framework) =>
      Math.min(
        ...solve(framework)
          .shafts.find(({ name }) => name === 'Beside')!
          .ring.map(({ x }) => x),
      );
    expect(left(shaft)).toBe(centre.x + 700);
    const thicker = after(
      'columns.change',
      { column: stack, section: { shape: 'rectangle', widthMm: 900, depthMm: 500 } },
      shaft,
    );
    expect(left(thicker)).toBe(centre.x + 850);
    expect(refusal(shaft, 'settingOut.remove', { lines: ['Clear'] })).toMatch(/edge of shaft Beside/);
  });

  it('run off a face of a wall and follow it', () => {
    const points = [
      { xMm: 1000, yMm: 10_000 },
      { xMm: 9000, yMm: 10_000 },
    ];
    const layers = [{ name: 'concrete', thicknessMm: 200, core: true }];
    const walled = after(
      'walls.add',
      { name: 'W', type: { name: 'T', layers }, points, startsAt: { level: '00' } },
      built,
    );
    const wall = recordsOf(walled, 'wall')[0]!.id;
    const faces = [0, 1, 2, 3].map((edge) => ({ of: wall, edge }));
    const out = after('settingOut.add', { edges: faces, offsetMm: 300, name: 'Off' }, walled);
    const ends = solve(out).settingOut.flatMap((line) => line.ends);
    // Outwards of its four faces: 100 of wall and 300 beside its middle line, 300 beyond its ends.
    expect([Math.min(...ends.map(({ y }) => y)), Math.max(...ends.map(({ y }) => y))]).toEqual([9600, 10_400]);
    expect([Math.min(...ends.map(({ x }) => x)), Math.max(...ends.map(({ x }) => x))]).toEqual([700, 9300]);
    const moved = after('elements.move', { ids: [wall], xMm: 0, yMm: 500 }, out);
    expect(Math.max(...solve(moved).settingOut.flatMap((line) => line.ends.map(({ y }) => y)))).toBe(10_900);
    expect(refusal(out, 'elements.remove', { ids: [wall] })).toMatch(/hangs on it/);
  });

  it('never let a thing hang on itself', () => {
    const out = after(
      'settingOut.add',
      { edges: [{ of: id('shaft'), edge: 0 }], offsetMm: 200, name: 'Lining' },
      built,
    );
    const edges = [{ line: 'Lining' }, { line: '2' }, { line: 'B' }, { line: '1' }];
    expect(refusal(out, 'shafts.change', { shaft: 'L1', outline: { type: 'lines', edges } })).toMatch(
      /in a circle: .*Lining/,
    );
  });
});

describe('edges held to lines', () => {
  it('make a slab whose edges follow grid and setting-out lines, each at its own distance outwards', () => {
    const set = after('settingOut.add', { lines: ['5'], offsetMm: 1200, name: 'Front' });
    const edges = [
      { line: 'A', offsetMm: 300 },
      { line: 'Front' },
      { line: 'C', offsetMm: -100 },
      { line: '1', offsetMm: 200 },
    ];
    const floor = after('floors.add', { outline: { type: 'lines', edges }, thicknessMm: 200 }, set);
    const area = (framework: Framework) => ringArea(solve(framework).floors[0]!.outline);
    // x: −200 … 25200 + 1200; y: −300 … 14400 − 100.
    expect(area(floor)).toBe(26_600 * 14_600);
    expect(area(after('settingOut.change', { line: 'Front', offsetMm: 2200 }, floor))).toBe(27_600 * 14_600);
    expect(refusal(floor, 'settingOut.remove', { lines: ['Front'] })).toMatch(/edge of/);
    // The other way round it is the same slab.
    const reversed = after('floors.add', { outline: { type: 'lines', edges: [...edges].reverse() } }, set);
    expect(area(reversed)).toBe(26_600 * 14_600);
    expect(refusal(set, 'floors.add', { outline: { type: 'lines', edges: edges.slice(0, 3) } })).toMatch(
      /encloses nothing/,
    );
  });

  it('hold a shaft to three rays or rings by true arcs', () => {
    const radial = given(
      [['grids.addRadial', { angles: '2@30', radii: '8000 4000' }]],
      given(SMALL_TOWER.filter(([name]) => !name.startsWith('grids'))),
    );
    const shaft = after(
      'shafts.add',
      { outline: { type: 'lines', edges: [{ line: '1' }, { line: 'B' }, { line: '2' }, { line: 'A' }] } },
      radial,
    );
    const exact = (Math.PI / 12) * (12_000 ** 2 - 8000 ** 2);
    expect(ringArea(solve(shaft).shafts[0]!.ring) / exact).toBeCloseTo(1, 3);
  });
});

describe('columns along a line', () => {
  it('stand at a spacing from where the line begins, and follow it', () => {
    const along = after('columns.placeAlong', { line: 'A', spacingMm: 5000, section });
    expect(
      solve(along)
        .columns.filter(({ level }) => level === levelId(along, '00'))
        .map((p) => p.at.x)
        .sort((p, q) => p - q),
    ).toEqual([0, 5000, 10_000, 15_000, 20_000, 25_000]);
    const moved = after('grids.moveLine', { line: 'A', byMm: 400 }, along);
    expect(solve(moved).columns.every(({ at: { y } }) => y === 400)).toBe(true);
    const counted = after('columns.placeAlong', { line: 'A', spacingMm: 3000, fromMm: 1500, count: 3, section });
    expect(
      recordsOf(counted, 'columnStack')
        .map(({ name }) => name)
        .sort(),
    ).toEqual(['X1', 'X2', 'X3']);
    const beside = given(FURNISHED);
    expect(refusal(beside, 'columns.placeAlong', { line: 'A', spacingMm: 7200, count: 2, section })).toMatch(
      /every one/,
    );
  });
});
