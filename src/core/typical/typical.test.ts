import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { given, levelId, refusal, afterFrom } from '../testing/given';
import type { CommandInputs, CommandName } from '../commands/command-inputs';

const layers = [{ name: 'concrete', thicknessMm: 200, core: true }];
const corners = (text: string) =>
  text.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) }));

/** Six storeys; outer walls right up; at level 01 a dividing wall with a door, two rooms and a void in the floor. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '4m 2@3m 3.3m 2@3m' }],
  ['floors.add', { name: 'Plate', outline: { type: 'rectangle', widthMm: 12_000, depthMm: 8000 } }],
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
  ['walls.add', { name: 'In', type: 'T', points: corners('6000,100 6000,7900'), startsAt: { level: '01' } }],
  ['walls.addOpening', { wall: 'In', opening: 'door', alongMm: 1000 }],
  ['rooms.add', { level: '01', place: '3000,4000', name: 'Practice', carriedUp: false }],
  ['rooms.add', { level: '01', place: '9000,4000', name: 'Store', carriedUp: false }],
  ['floors.except', { floor: 'Plate', level: '01', voids: [{ type: 'circle', place: '3000,2000', diameterMm: 1500 }] }],
]);
const after = afterFrom(house);
const typical = after('typical.follow', { master: '01', levels: ['02', '03', '04'] });

/** What is at a level: inner walls with their heights, doors, named rooms, holes in the slab. */
function at(framework: Framework, name: string) {
  const solved = solve(framework);
  const id = levelId(framework, name);
  const inner = solved.walls.filter((piece) => piece.level === id && piece.name !== 'Out');
  return {
    walls: inner.map(({ bottomMm, topMm }) => topMm - bottomMm),
    doors: inner.flatMap(({ openings }) => openings).length,
    rooms: solved.rooms
      .filter(({ level, room }) => level === id && room !== null)
      .map((room) => room.name)
      .sort(),
    holes: solved.profiles[solved.floors.find(({ level }) => level === id)!.profile]!.holeCount,
  };
}

describe('levels that follow a master', () => {
  it('have its walls, doors, rooms and voids, each wall as high as its own storey asks', () => {
    expect(at(house, '02')).toEqual({ walls: [], doors: 0, rooms: [], holes: 0 });
    for (const [name, height] of [
      ['01', 2750],
      ['02', 2750],
      ['03', 3050],
      ['04', 2750],
    ] as const)
      expect(at(typical, name)).toEqual({ walls: [height], doors: 1, rooms: ['Practice', 'Store'], holes: 1 });
    expect(at(typical, '05').walls).toEqual([]);
  });

  it('follow an edit of the master, all of them', () => {
    const moved = after(
      'elements.move',
      { ids: [recordsOf(typical, 'wall').find(({ name }) => name === 'In')!.id], xMm: 500, yMm: 0 },
      typical,
    );
    const xs = solve(moved)
      .walls.filter(({ name }) => name === 'In')
      .map(({ strips }) => Math.min(...strips[0]!.map(({ x }) => x)));
    expect(xs).toEqual([6400, 6400, 6400, 6400]);
    const gone = after('walls.removeOpening', { wall: 'In', opening: 'D1' }, typical);
    expect(['01', '02', '03', '04'].map((name) => at(gone, name).doors)).toEqual([0, 0, 0, 0]);
  });

  it('keep what is their own: a wall left out, another void', () => {
    const without = after('walls.except', { wall: 'In', level: '03', leftOut: true }, typical);
    expect(['02', '03', '04'].map((name) => at(without, name).walls.length)).toEqual([1, 0, 1]);
    const closed = after('floors.except', { floor: 'Plate', level: '02', thicknessMm: 300, voids: [] }, typical);
    expect(['02', '03'].map((name) => at(closed, name).holes)).toEqual([0, 1]);
  });

  it('are typical to the polygon library too: more of them cost nothing', () => {
    const keys = (framework: Framework) => Object.keys(solve(framework).profiles).length;
    const two = after('typical.follow', { master: '01', levels: ['02'] });
    expect(keys(typical)).toBe(keys(two));
  });
});

it('a zone of the floor at the master is at the levels that follow, and stays at one that is released', () => {
  const outline = { type: 'rectangle' as const, place: '8000,1000', widthMm: 2000, depthMm: 2000 };
  const zoned = after('floors.setZone', { floor: 'Plate', outline, levels: ['01'], shiftMm: -50 }, typical);
  const at = (framework: Framework) => {
    const solved = solve(framework);
    const names = new Map(solved.levels.map(({ id, name }) => [id, name]));
    return solved.floors.flatMap(({ zone, level }) => (zone ? [names.get(level)] : []));
  };
  expect(at(zoned).sort()).toEqual(['01', '02', '03', '04']);
  const released = after('typical.release', { levels: ['03'] }, zoned);
  expect(at(released).sort()).toEqual(['01', '02', '03', '04']);
});

describe('what runs through levels that follow', () => {
  const column = {
    place: '3000,6000',
    section: { shape: 'rectangle' as const, widthMm: 400, depthMm: 400 },
    name: 'C',
  };
  const shaft = { name: 'S', outline: { type: 'rectangle' as const, place: '9000,3000', widthMm: 900, depthMm: 900 } };
  const through = after('shafts.add', shaft, after('columns.place', column, typical));
  const except = <Name extends CommandName>(name: Name, input: CommandInputs[Name], framework = through) =>
    after(name, input, framework);
  const standsAt = (framework: Framework) => {
    const solved = solve(framework);
    const names = new Map(solved.levels.map(({ id, name }) => [id, name]));
    return solved.columns.map(({ level }) => names.get(level));
  };
  const cutAt = (framework: Framework) => {
    const solved = solve(framework);
    const names = new Map(solved.levels.map(({ id, name }) => [id, name]));
    return solved.shafts[0]!.cuts.map(({ level }) => names.get(level));
  };

  it('differs at them as it does at the master only, but where they say so themselves', () => {
    const out = except('columns.except', { columns: ['C'], level: '01', leftOut: true });
    expect(standsAt(out)).toEqual(['00', '05']);
    const own = except('columns.except', { columns: ['C'], level: '03', leftOut: false, xMm: 50 }, out);
    expect(standsAt(own)).toEqual(['00', '03', '05']);
    expect(cutAt(through)).toEqual(['01', '02', '03', '04', '05']);
    expect(cutAt(except('shafts.except', { shaft: 'S', level: '01', slab: 'closed' }))).toEqual(['05']);
  });

  it('goes on growing upwards from its own level, whatever it follows', () => {
    const section = { shape: 'rectangle' as const, widthMm: 300, depthMm: 300 };
    const thin = except('columns.except', { columns: ['C'], level: '03', upwards: true, section });
    const sizes = solve(thin).columns.map((piece) => (piece.section.shape === 'rectangle' ? piece.section.widthMm : 0));
    expect(sizes).toEqual([400, 400, 400, 300, 300, 300]);
  });

  it('stays as it was at a level that is released', () => {
    const out = except('columns.except', { columns: ['C'], level: '01', leftOut: true });
    const released = except('typical.release', { levels: ['03'] }, out);
    expect(standsAt(released)).toEqual(['00', '05']);
    const back = except('columns.except', { columns: ['C'], level: '01', leftOut: false }, released);
    expect(standsAt(back)).toEqual(['00', '01', '02', '04', '05']);
  });
});

describe('joining and releasing', () => {
  it('a wall that stands there as the master’s does is not there twice', () => {
    const own = after('walls.add', {
      name: 'Same',
      type: 'T',
      points: corners('6000,7900 6000,100'),
      startsAt: { level: '02' },
    });
    expect(at(own, '02').walls).toHaveLength(1);
    const joined = after('typical.follow', { master: '01', levels: ['02'] }, own);
    expect(at(joined, '02').walls).toHaveLength(1);
    expect(
      recordsOf(joined, 'wall')
        .map(({ name }) => name)
        .sort(),
    ).toEqual(['In', 'Out']);
  });

  it('released, a level keeps what stood there as its own; the master’s edits reach it no more', () => {
    const free = after('typical.release', { levels: ['03'] }, typical);
    for (const name of ['01', '02', '03', '04']) expect(at(free, name)).toEqual(at(typical, name));
    const gone = after(
      'elements.remove',
      { ids: [recordsOf(free, 'wall').find(({ name }) => name === 'In')!.id] },
      free,
    );
    expect(['02', '03', '04'].map((name) => at(gone, name).walls.length)).toEqual([0, 1, 0]);
    const bare = after('typical.release', { levels: ['03'], keep: false }, typical);
    expect(at(bare, '03').walls).toEqual([]);
  });

  it('joins a level of another group to this one, and a level that goes leaves it', () => {
    const other = after('typical.follow', { master: '05', levels: ['02'] }, typical);
    expect(
      recordsOf(other, 'typical')
        .map(({ levels }) => levels.length)
        .sort(),
    ).toEqual([1, 2]);
    expect(at(other, '02').walls).toEqual([]);
    expect(recordsOf(after('levels.remove', { level: '03' }, typical), 'typical')[0]!.levels).toHaveLength(2);
    expect(refusal(typical, 'levels.remove', { level: '01' })).toMatch(/Other levels follow level 01/);
  });

  it('refuses a level that follows itself, the roof, and a chain', () => {
    expect(refusal(house, 'typical.follow', { master: '01', levels: ['01'] })).toMatch(/cannot follow itself/);
    expect(refusal(house, 'typical.follow', { master: '01', levels: ['RF'] })).toMatch(/no storey over it/);
    expect(refusal(typical, 'typical.follow', { master: '02', levels: ['05'] })).toMatch(
      /follows another level itself/,
    );
    expect(refusal(typical, 'typical.follow', { master: '05', levels: ['01'] })).toMatch(
      /Other levels follow level 01/,
    );
    expect(refusal(typical, 'typical.follow', { master: '01', levels: ['02'] })).toMatch(/follows it already/);
    expect(refusal(typical, 'typical.release', { levels: ['05'] })).toMatch(/follows no other/);
  });
});
