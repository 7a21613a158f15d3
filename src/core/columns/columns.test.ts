import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, SMALL_TOWER, step, afterFrom } from '../testing/given';
import { chooseCrossings } from './choose-crossings';
import { nearestCrossing } from './nearest-crossing';
import { sectionArea, sectionRing, sectionWords } from './section-shape';
import { ringArea } from '../geometry/polygon';
import type { EndGiven } from '../levels/end-input';

const bare = given([
  ...SMALL_TOWER,
  ['floors.add', { name: 'Plate', outline: { type: 'gridOffset', offsetMm: 300 }, thicknessMm: 250 }],
]);
const square = { shape: 'rectangle' as const, widthMm: 500, depthMm: 500 };
const after = afterFrom(bare);
const piecesOf = (framework = bare, mark = 'X1') => solve(framework).columns.filter((piece) => piece.mark === mark);

describe('placing', () => {
  it('at the crossings of chosen lines takes each crossing once and says which it leaves', () => {
    const lines = (...labels: string[]) =>
      solve(bare)
        .lines.filter(({ label }) => labels.includes(label!))
        .map(({ id }) => id);
    const some = after('columns.placeAtCrossings', { lines: ['1', '2', 'A'], section: square });
    expect(recordsOf(some, 'columnStack')).toHaveLength(2);
    const choice = chooseCrossings(some, lines('1', '2', 'A', 'B'));
    expect(choice.taken.map(({ label }) => label).sort()).toEqual(['B-1', 'B-2']);
    expect(choice.refused).toEqual([
      { label: 'A-1', reason: 'a column stands there already' },
      { label: 'A-2', reason: 'a column stands there already' },
    ]);
    expect(refusal(some, 'columns.placeAtCrossings', { lines: ['1', '2', 'A'], section: square })).toMatch(/every one/);
    expect(refusal(bare, 'columns.placeAtCrossings', { lines: ['1', '2'], section: square })).toMatch(
      /both directions/,
    );
    expect(refusal(bare, 'columns.placeAtCrossings', { lines: ['1', 'Q'], section: square })).toMatch(
      /no grid line named Q/,
    );
  });

  it('leaves minor lines out of "all", and takes them when they are chosen', () => {
    const minor = after('grids.splitBay', { line: '2', suffix: '.1' });
    expect(
      recordsOf(after('columns.placeAtCrossings', { lines: 'all', section: square }, minor), 'columnStack'),
    ).toHaveLength(15);
    expect(
      solve(after('columns.placeAtCrossings', { lines: ['1.1', 'B'], section: square }, minor)).columns[0]!.mark,
    ).toBe('B-1.1');
  });

  it('at a point, from the zero or from a crossing, with a mark of its own or the crossing’s', () => {
    const free = after('columns.place', { place: '3.6m,3300', section: { shape: 'circle', diameterMm: 400 } });
    expect(piecesOf(free)[0]).toMatchObject({
      at: { x: 3600, y: 3300 },
      section: { shape: 'circle', diameterMm: 400 },
    });
    const near = after('columns.place', { place: 'C-4 + 1200,300', section: square });
    expect(piecesOf(near, 'C-4')[0]!.at).toEqual({ x: 19200, y: 14700 });
    expect(refusal(bare, 'columns.place', { place: 'Z-9', section: square })).toMatch(/no crossing named Z-9/);
    expect(refusal(bare, 'columns.place', { place: '0,0', section: { ...square, widthMm: 10 } })).toMatch(/50/);
  });
});

describe('spans', () => {
  const from = (startsAt: EndGiven, stopsAt: EndGiven) =>
    after('columns.place', { place: '3000,3000', section: square, startsAt, stopsAt });

  it('run from a level, one of its faces and a distance, cut into storeys between SSL and soffit', () => {
    const pieces = piecesOf(from({ level: '00' }, { level: '02' }));
    expect(pieces.map(({ bottomMm, topMm }) => [bottomMm, topMm])).toEqual([
      [-100, 5050],
      [5300, 9850],
    ]);
    expect(pieces.map(({ volumeMm3 }) => volumeMm3)).toEqual([0.25e6 * 5150, 0.25e6 * 4550]);
    const odd = piecesOf(
      from({ level: '00', face: 'FFL', offsetMm: 400 }, { level: '01', face: 'FFL', offsetMm: 900 }),
    );
    expect(odd.map(({ bottomMm, topMm }) => [bottomMm, topMm])).toEqual([
      [400, 5050],
      [5300, 6300],
    ]);
  });

  it('follow their levels when these move, and say so when they end up standing nowhere', () => {
    const moved = after(
      'levels.setHeight',
      { level: '00', heightMm: 6000, mode: 'push' },
      from({ level: '00' }, { level: '01' }),
    );
    expect(piecesOf(moved).map(({ topMm }) => topMm)).toEqual([5650]);
    const upside = solve(from({ level: '02' }, { level: '01' }));
    expect(upside.columns).toEqual([]);
    expect(upside.findings.map(({ rule, severity }) => [rule, severity])).toEqual([['span.upsideDown', 'error']]);
  });

  it('refuse a level of another building', () => {
    const two = given(
      [
        ['buildings.add', { name: 'Annex' }],
        ['levels.setUp', { building: 'Annex', above: '3m' }],
      ],
      bare,
    );
    const annex = recordsOf(two, 'level').find(({ building, name }) => {
      const record = two.records.get(building);
      return record?.kind === 'building' && record.name === 'Annex' && name === '00';
    })!;
    expect(
      refusal(two, 'columns.place', { building: 'Hall', place: '0,0', section: square, startsAt: { level: annex.id } }),
    ).toMatch(/of another building/);
  });
});

describe('changing', () => {
  const tower = given(FURNISHED);
  it('section, turn, place, span and mark; what is not named stays', () => {
    const changed = after(
      'columns.change',
      { column: 'B-2', section: { shape: 'circle', diameterMm: 600 }, turnDeg: 15, name: 'K1' },
      tower,
    );
    const piece = piecesOf(changed, 'K1')[0]!;
    expect(piece).toMatchObject({ turnDeg: 15, at: { x: 7200, y: 6600 }, section: { diameterMm: 600 } });
    expect(piecesOf(changed, 'K1')).toHaveLength(7);
    expect(step(tower, 'columns.change', { column: 'B-2', turnDeg: 15 }).sentence).toBe(
      'Column stack B-2: place changed',
    );
  });
  it('by moving and deleting things chosen together', () => {
    const ids = recordsOf(tower, 'columnStack')
      .slice(0, 2)
      .map(({ id }) => id);
    const moved = solve(after('elements.move', { ids, xMm: '25cm', yMm: -100 }, tower));
    const was = new Map(solve(tower).columns.map((piece) => [piece.stack, piece.at]));
    for (const id of ids) {
      expect(moved.columns.find(({ stack }) => stack === id)!.at).toEqual({
        x: was.get(id)!.x + 250,
        y: was.get(id)!.y - 100,
      });
    }
    expect(recordsOf(after('elements.remove', { ids }, tower), 'columnStack')).toHaveLength(13);
    expect(refusal(tower, 'elements.remove', { ids: [levelId(tower, '01')] })).toMatch(/height strip/);
    expect(refusal(tower, 'elements.move', { ids: [recordsOf(tower, 'floorPlate')[0]!.id], xMm: 1, yMm: 1 })).toMatch(
      /follows its grid lines/,
    );
  });
});

describe('sections', () => {
  it('have their areas, and rings of the same', () => {
    const circle = { shape: 'circle' as const, diameterMm: 550 } as const;
    expect(sectionArea({ shape: 'rectangle', widthMm: 300, depthMm: 600 })).toBe(180000);
    expect(sectionArea(circle)).toBeCloseTo(237582.94, 1);
    expect(ringArea(sectionRing(circle, { x: 5, y: 5 }, 0)) / sectionArea(circle)).toBeCloseTo(1, 7);
    expect(ringArea(sectionRing({ shape: 'rectangle', widthMm: 300, depthMm: 600 }, { x: 9, y: 9 }, 13.1))).toBeCloseTo(
      180000,
      1,
    );
    expect([sectionWords(circle), sectionWords({ shape: 'rectangle', widthMm: 300, depthMm: 600 })]).toEqual([
      '⌀550',
      '300 × 600',
    ]);
  });
  it('are found nearest to a point only within a distance', () => {
    const building = recordsOf(bare, 'building')[0]!.id;
    expect(nearestCrossing(bare, building, { xMm: 7260, yMm: 6580 }, 300)).toMatchObject({
      label: 'B-2',
      shift: { x: 60, y: -20 },
    });
    expect(nearestCrossing(bare, building, { xMm: 3600, yMm: 3300 }, 300)).toBeNull();
  });
});

describe('columns on grids of other shapes', () => {
  const fan = given([
    ...SMALL_TOWER.filter(([name]) => !name.startsWith('grids')),
    ['grids.addRadial', { angles: '3@20', radii: '8000 4000' }],
  ]);

  it('are held to a ring by a face, as far from the centre as asked', () => {
    for (const [face, away] of [
      ['left', 8000 - 250],
      ['right', 8000 + 250],
      ['centre', 8000],
    ] as const) {
      const held = after('columns.place', { place: 'A-2', section: square, flush: [{ line: 'A', face }] }, fan);
      const { at } = solve(held).columns[0]!;
      // The ray's direction is the column's own: its reach along it is half its depth.
      expect(Math.hypot(at.x, at.y)).toBeCloseTo(away, 4);
    }
  });

  it('are counted at the crossings that are, not at those of lines that stop part way', () => {
    const uneven = given([
      ...SMALL_TOWER.filter(([name]) => !name.startsWith('grids')),
      ['grids.add', { baysA: '3@6000', farBaysA: '2@9000', baysB: '2@7500' }],
    ]);
    const ids = (...labels: string[]) =>
      solve(uneven)
        .lines.filter(({ label }) => labels.includes(label!))
        .map(({ id }) => id);
    const labelled = (...labels: string[]) =>
      chooseCrossings(uneven, ids(...labels))
        .taken.map(({ label }) => label)
        .sort();
    expect(labelled('2', 'A', 'B', 'C')).toEqual(['A-2', 'B-2']);
    expect(labelled('3', 'A', 'B', 'C')).toEqual(['B-3', 'C-3']);
    expect(labelled('1', 'A', 'B', 'C')).toEqual(['A-1', 'B-1', 'C-1']);
  });

  it('stand at crossings of two systems of one building', () => {
    const two = given(
      [
        [
          'grids.add',
          { name: 'Cross', baysA: '6000', baysB: '3000', labelsA: { first: '11' }, labelsB: { first: 'P' } },
        ],
      ],
      fan,
    );
    const ids = solve(two)
      .lines.filter(({ label }) => label === 'A' || label === 'P')
      .map(({ id }) => id);
    // Ring A of 8 m about the corner of the other grid meets its line P, along x, at 8 m.
    expect(chooseCrossings(two, ids).taken.map(({ at }) => [at.x, at.y])).toEqual([[8000, 0]]);
  });
});

describe('columns of a drawing taken a second time', () => {
  const section = { shape: 'rectangle' as const, widthMm: 500, depthMm: 400 };
  const drawn = [0, 7200, 14_400].map((xMm) => ({ xMm, yMm: 0, section }));
  const take = (columns: readonly (object | undefined)[], more: object = {}) =>
    ['columns.take', { columns, ...more }] as never;
  const taken = given([take(drawn)], bare);
  const count = (framework: Framework) => recordsOf(framework, 'columnStack').length;

  it('are refused where all stand there, and only what is new is added', () => {
    expect(refusal(taken, 'columns.take', { columns: drawn })).toBe('All 3 columns stand there already');
    const more = step(taken, 'columns.take', { columns: [...drawn, { xMm: 3000, yMm: 3000, section }] });
    expect([count(more.after), more.sentence]).toEqual([4, '1 columns taken from a drawing, 3 left as they stand']);
    // Turned by a quarter with its sizes exchanged it is the same column.
    const turned = { xMm: 0, yMm: 0, turnDeg: 90, section: { ...section, widthMm: 400, depthMm: 500 } };
    expect(refusal(taken, 'columns.take', { columns: [turned] })).toMatch(/All 1 columns/);
  });

  it('are asked about where they stand off or have another section: kept, or changed to the drawing', () => {
    const other = [
      { ...drawn[0], xMm: 40 },
      { ...drawn[1], section: { ...section, widthMm: 600 } },
      drawn[2],
      { xMm: 3000, yMm: 3000, section },
    ];
    expect(refusal(taken, 'columns.take', { columns: other })).toBe(
      'Of 4 columns 1 stands there already, 1 stands up to 40 mm off, 1 has another section, 1 is new. Say what becomes of those that differ: keep them, or change them to the drawing',
    );
    const kept = given([take(other, { existing: 'keep' })], taken);
    const places = (framework: Framework) =>
      solve(framework)
        .columns.filter(({ level }) => level === solve(framework).levels[0]!.id)
        .map(({ at, section: { ...size } }) => [at.x, at.y, 'widthMm' in size ? size.widthMm : 0])
        .sort((a, b) => a[0]! - b[0]!);
    expect(places(kept)).toEqual([
      [0, 0, 500],
      [3000, 3000, 500],
      [7200, 0, 500],
      [14_400, 0, 500],
    ]);
    const changed = given([take(other, { existing: 'change' })], taken);
    expect(places(changed)).toEqual([
      [40, 0, 500],
      [3000, 3000, 500],
      [7200, 0, 600],
      [14_400, 0, 500],
    ]);
  });
});
