import { recordsOf, type Framework } from '../model/framework';
import { drawPlan } from '../drawing/draw-plan';
import { reportOf } from '../report/report';
import { solve } from '../solving/solve';
import { given, refusal, afterFrom } from '../testing/given';

const corners = (text: string) =>
  text.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) }));
const layers = [{ name: 'concrete', thicknessMm: 200, core: true }];

/** Three storeys of one plan: 12 × 8 m outside, walls 200, divided at x = 6 m in the two lower ones. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3@3m' }],
  ['floors.add', { outline: { type: 'rectangle', widthMm: 12_000, depthMm: 8000 } }],
  ['foundations.add', { form: 'raft' }],
  [
    'walls.add',
    {
      name: 'Out',
      use: 'exterior',
      type: { name: 'T', layers },
      points: corners('0,0 12000,0 12000,8000 0,8000'),
      closed: true,
      on: 'outside',
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
  [
    'walls.add',
    {
      name: 'In',
      type: 'T',
      points: corners('6000,100 6000,7900'),
      startsAt: { level: '00' },
      stopsAt: { level: '02' },
    },
  ],
]);
const after = afterFrom(house);
const rooms = (framework: Framework) => {
  const solved = solve(framework);
  const names = new Map(solved.levels.map(({ id, name }) => [id, name]));
  return solved.rooms.map(({ level, name, netMm2, isCarried }) => [
    names.get(level)!,
    name,
    Math.round(netMm2) / 1e6,
    isCarried,
  ]);
};
const named = after('rooms.add', { level: '00', place: '2000,2000', name: 'Practice' });

describe('rooms', () => {
  it('are no gaps between walls: a closet of 0.36 m² is one, a duct of 0.16 m² is none', () => {
    const boxed = (clearMm: number) => {
      const [from, to] = [3000, 3000 + clearMm + 200];
      const points = corners(`${from},${from} ${to},${from} ${to},${to} ${from},${to}`);
      const box = { name: 'Box', type: 'T', points, closed: true, on: 'centre' as const };
      return after('walls.add', { ...box, startsAt: { level: '00' }, stopsAt: { level: '01' } });
    };
    const areas = (framework: Framework) =>
      rooms(framework).flatMap(([level, , area]) => (level === '00' ? [area] : []));
    expect(areas(boxed(600))).toContain(0.36);
    expect(areas(boxed(400))).not.toContain(0.16);
    expect(areas(boxed(400))).toHaveLength(2);
  });

  it('are the regions that walls close, joins and all, named where that was said', () => {
    expect(rooms(house)).toEqual([
      ['00', '', 5.7 * 7.6, false],
      ['00', '', 5.7 * 7.6, false],
      ['01', '', 5.7 * 7.6, false],
      ['01', '', 5.7 * 7.6, false],
      ['02', '', 11.6 * 7.6, false],
    ]);
    expect(solve(named).rooms.find(({ name }) => name === 'Practice')).toMatchObject({ number: '00.01' });
  });

  it('are carried up as long as the region is the same, and no further', () => {
    expect(rooms(named).filter(([, name]) => name === 'Practice')).toEqual([
      ['00', 'Practice', 5.7 * 7.6, false],
      ['01', 'Practice', 5.7 * 7.6, true],
    ]);
    const here = after('rooms.change', { room: '00.01', carriedUp: false }, named);
    expect(rooms(here).filter(([, name]) => name === 'Practice')).toHaveLength(1);
    const moved = after('walls.change', { wall: 'In', points: corners('7000,100 7000,7900') }, named);
    expect(rooms(moved).filter(([, name]) => name === 'Practice')).toHaveLength(2);
  });

  it('lose columns and open shafts from their net area, not doors', () => {
    const full = given(
      [
        ['columns.place', { place: '3000,3000', section: { shape: 'rectangle', widthMm: 500, depthMm: 400 } }],
        [
          'shafts.add',
          {
            outline: { type: 'rectangle', place: '1000,5000', widthMm: 1000, depthMm: 1500 },
            startsAt: { level: '00' },
            stopsAt: { level: '02', face: 'FFL' },
            opensFoot: true,
          },
        ],
        ['walls.addOpening', { wall: 'In', opening: 'door', alongMm: 2000 }],
      ],
      named,
    );
    const practice = rooms(full).filter(([, name]) => name === 'Practice');
    expect(practice.map(([level, , area]) => [level, area])).toEqual([
      ['00', expect.closeTo(5.7 * 7.6 - 0.2 - 1.5, 6)],
      ['01', expect.closeTo(5.7 * 7.6 - 0.2 - 1.5, 6)],
    ]);
  });

  it('are divided by a boundary line, which takes nothing that can be measured', () => {
    const divided = after('rooms.addBoundary', { level: '02', points: corners('0,4000 12000,4000') });
    expect(
      rooms(divided)
        .filter(([level]) => level === '02')
        .map(([, , area]) => area),
    ).toEqual([expect.closeTo(11.6 * 3.8, 2), expect.closeTo(11.6 * 3.8, 2)]);
  });

  it('show the line that divides them, at its level and at those that follow it, and nowhere else', () => {
    const divided = after('rooms.addBoundary', { level: '01', points: corners('0,4000 12000,4000') });
    const line = recordsOf(divided, 'boundaryLine')[0]!.id;
    const drawnAt = (framework: Framework) => {
      const solved = solve(framework);
      return solved.levels.flatMap(({ id, name, building }) => {
        const view = { building, level: id, scale: 100, cutAboveMm: 1200, writeLength: String };
        return drawPlan(solved, view).primitives.some((each) => each.id === line) ? [name] : [];
      });
    };
    expect(drawnAt(divided)).toEqual(['01']);
    const followed = after('typical.follow', { master: '01', levels: ['02'] }, divided);
    expect(drawnAt(followed)).toEqual(['01', '02']);
    expect(solve(divided).boundaries[0]!.points).toEqual([
      { x: 0, y: 4000 },
      { x: 12_000, y: 4000 },
    ]);
  });

  it('are divided elsewhere when a boundary line is moved, or on another level', () => {
    const divided = after('rooms.addBoundary', { level: '02', points: corners('0,4000 12000,4000') });
    const line = recordsOf(divided, 'boundaryLine')[0]!.id;
    const areas = (framework: Framework, at: string) =>
      rooms(framework)
        .flatMap(([level, , area]) => (level === at ? [Number(area)] : []))
        .sort((a, b) => a - b);
    const moved = after('rooms.changeBoundary', { line, points: corners('0,2200 12000,2200') }, divided);
    expect(areas(moved, '02').map((area) => Math.round(area))).toEqual([Math.round(11.6 * 2), Math.round(11.6 * 5.6)]);
    const lower = after('rooms.changeBoundary', { line, level: '01' }, divided);
    expect(areas(lower, '02')).toHaveLength(1);
    expect(areas(lower, '01')).toHaveLength(4);
    expect(refusal(divided, 'rooms.changeBoundary', { line: 'gone' })).toMatch(/no such boundary line/);
  });

  it('with no walls round them, or two names in one region, are findings', () => {
    const out = after('rooms.add', { level: '00', place: '20000,2000', name: 'Yard' });
    const rules = (framework: Framework) =>
      solve(framework)
        .findings.map(({ rule }) => rule)
        .filter((rule) => rule.startsWith('room.'));
    expect(rules(out)).toEqual(['room.open']);
    const twice = after('rooms.add', { level: '00', place: '1000,1000', name: 'Store' }, named);
    expect(rules(twice)).toEqual(['room.twice']);
    expect(refusal(named, 'rooms.add', { level: '00', place: '8000,1000', name: 'X', number: '00.01' })).toMatch(
      /already/,
    );
  });

  it('go with their level, and can be moved and deleted', () => {
    expect(recordsOf(after('levels.remove', { level: '00' }, named), 'room')).toHaveLength(0);
    const [room] = recordsOf(named, 'room');
    const moved = after('elements.move', { ids: [room!.id], xMm: 6000, yMm: 0 }, named);
    expect(solve(moved).rooms.find(({ name }) => name === 'Practice')!.at.x).toBe(8000);
    expect(recordsOf(after('elements.remove', { ids: [room!.id] }, named), 'room')).toEqual([]);
  });
});

it('loses the area of a column only at levels where it stands, though the walls are the same at all', () => {
  const tower = given([
    ['buildings.add', { name: 'House' }],
    ['levels.setUp', { above: '4@3m' }],
    ['floors.add', { name: 'Plate', outline: { type: 'rectangle', widthMm: 12_000, depthMm: 8000 } }],
    [
      'walls.add',
      {
        type: { name: 'T', layers },
        points: corners('0,0 6000,0 6000,5000 0,5000'),
        closed: true,
        on: 'inside',
        startsAt: { level: '00' },
        stopsAt: { level: 'RF' },
      },
    ],
    ['columns.place', { name: 'C', place: '3000,2500', section: { shape: 'rectangle', widthMm: 400, depthMm: 400 } }],
    ['columns.except', { columns: ['C'], level: '01', leftOut: true }],
  ]);
  const solved = solve(tower);
  const nets = solved.rooms.map(({ level, netMm2 }): [string, number] => [
    solved.levels.find(({ id }) => id === level)!.name,
    Math.round(netMm2),
  ]);
  const with400 = 6000 * 5000 - 400 * 400;
  expect(Object.fromEntries(nets)).toEqual({ '00': with400, '01': 6000 * 5000, '02': with400, '03': with400 });
});

describe('floor areas', () => {
  it('are gross to the outer faces of exterior walls, roofs apart, net within walls, and by use', () => {
    const solved = solve(after('rooms.change', { room: '00.01', use: 'office' }, named));
    const { areas } = reportOf(named, solved);
    // The plate is 12 × 8 m, the walls stand with their outside on its edge.
    expect(areas.map(({ level, grossM2, netM2 }) => [level, grossM2, netM2])).toEqual([
      ['00', 96, expect.closeTo(2 * 5.7 * 7.6, 6)],
      ['01', 96, expect.closeTo(2 * 5.7 * 7.6, 6)],
      ['02', 96, expect.closeTo(11.6 * 7.6, 6)],
    ]);
    expect(areas[0]!.byUse).toContainEqual({ use: 'office', areaM2: expect.closeTo(5.7 * 7.6, 6) });
    const out = after('walls.change', { wall: 'Out', points: corners('-200,-200 12200,-200 12200,8200 -200,8200') });
    expect(reportOf(out, solve(out)).areas[0]).toMatchObject({ grossM2: 104.16, slabEdgeM2: 96 });
  });
});
