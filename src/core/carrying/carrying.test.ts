import fc from 'fast-check';
import { frameworkHash, recordsOf, type Framework } from '../model/framework';
import { METRIC } from '../units/format-length';
import { solve } from '../solving/solve';
import { given, levelId, refusal, step, afterFrom } from '../testing/given';
import { carryBoard, onBoard } from './board';
import { standingIn } from './carry-commands';
import { consequences } from './consequences';
import type { CommandInputs, CommandName } from '../commands/command-inputs';

const corners = (text: string) =>
  text.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) }));
const layers = [{ name: 'concrete', thicknessMm: 250, core: true }];

/** Five storeys; everything stands in the ground floor, the shaft up to 02. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '5@3.3m' }],
  ['grids.add', { baysA: '3@6000', baysB: '2@6000' }],
  ['floors.add', { name: 'Plate', outline: { type: 'gridOffset', offsetMm: 400 }, levels: { range: ['00', '01'] } }],
  [
    'columns.placeAtCrossings',
    { lines: 'all', section: { shape: 'rectangle', widthMm: 400, depthMm: 400 }, stopsAt: { level: '01' } },
  ],
  [
    'shafts.add',
    {
      name: 'S1',
      outline: { type: 'rectangle', place: '1000,1000', widthMm: 1500, depthMm: 1500 },
      stopsAt: { level: '02', face: 'FFL' },
    },
  ],
  [
    'stairs.add',
    { well: { type: 'rectangle', place: '8000,1000', widthMm: 2600, depthMm: 5200 }, stopsAt: { level: '01' } },
  ],
  [
    'walls.add',
    {
      name: 'Out',
      use: 'exterior',
      type: { name: 'T', layers },
      points: corners('-400,-400 18400,-400 18400,12400 -400,12400'),
      closed: true,
      on: 'outside',
      startsAt: { level: '00' },
    },
  ],
  ['walls.add', { name: 'In', type: 'T', points: corners('0,8000 18000,8000'), startsAt: { level: '00' } }],
  ['walls.addOpening', { wall: 'Out', opening: 'window', alongMm: 2000 }],
  ['walls.addOpening', { wall: 'Out', opening: 'door', alongMm: 6000 }],
  ['walls.addOpening', { wall: 'In', opening: 'door', alongMm: 1000 }],
]);
const after = afterFrom(house);
const ids = (kind: 'columnStack' | 'shaft' | 'stair' | 'wall' | 'floorPlate') =>
  recordsOf(house, kind).map(({ id }) => id);
const storeysOf = (framework: Framework, name: string) => {
  const solved = solve(framework);
  const board = carryBoard(framework, solved, solved.buildings[0]!.id);
  const column = board.columns.find((each) => each.name === name)!;
  return board.levels
    .filter(({ id }) => column.cells.get(id)?.state === 'stands')
    .map((level) => level.name)
    .reverse();
};

describe('carrying a storey up', () => {
  it('takes all that ends in it, through all between, and counts it first', () => {
    expect([...standingIn(house, levelId(house, '00'))].sort()).toEqual([
      ['columns', 12],
      ['doors', 1],
      ['entranceDoors', 1],
      ['exteriorWalls', 1],
      ['floors', 1],
      ['interiorWalls', 1],
      ['shafts', 1],
      ['stairs', 1],
      ['windows', 1],
    ]);
    const carried = step(house, 'carry.storeys', { from: '00', to: '03' });
    expect(carried.sentence).toBe('17 things carried from level 00 to 03');
    const { after: up } = carried;
    expect(storeysOf(up, 'A-1')).toEqual(['00', '01', '02', '03']);
    expect(storeysOf(up, 'Out')).toEqual(['00', '01', '02', '03']);
    expect(storeysOf(up, 'ST1')).toEqual(['00', '01', '02', '03']);
    expect(storeysOf(up, 'Plate')).toEqual(['00', '01', '02', '03']);
    // From lower storeys of another height too: every piece at its own soffit.
    expect(solve(up).columns.filter(({ mark }) => mark === 'A-1')).toHaveLength(4);
  });

  it('leaves the entrance in its storey unless it is asked for', () => {
    const doors = (framework: Framework) =>
      solve(framework)
        .walls.flatMap(({ openings }) => openings)
        .filter(({ opening }) => opening === 'door')
        .map(({ name, level }) => `${name} ${recordsOf(framework, 'level').find(({ id }) => id === level)!.name}`)
        .sort();
    expect(doors(after('carry.storeys', { from: '00', to: '01' }))).toEqual(['D1 00', 'D2 00', 'D2 01']);
    const asked = after('carry.storeys', { from: '00', to: '01', kinds: ['exteriorWalls', 'entranceDoors'] });
    expect(doors(asked)).toEqual(['D1 00', 'D1 01', 'D2 00']);
  });

  it('leaves out what is not asked for: here interior doors stay where they were', () => {
    const kinds = ['exteriorWalls', 'interiorWalls', 'windows'] as const;
    const up = after('carry.storeys', { from: '00', to: '01', kinds });
    const openings = (level: string) =>
      solve(up)
        .walls.filter((piece) => piece.level === levelId(up, level))
        .flatMap((piece) => piece.openings.map(({ name }) => name))
        .sort();
    expect([openings('00'), openings('01')]).toEqual([['D1', 'D2', 'N1'], ['N1']]);
    expect(storeysOf(up, 'A-1')).toEqual(['00']);
  });

  it('twice never makes anything twice: it says there is nothing left to carry', () => {
    const up = after('carry.storeys', { from: '00', to: '02' });
    expect(refusal(up, 'carry.storeys', { from: '00', to: '02' })).toMatch(/runs on that far already/);
    expect(up.records.size).toBe(house.records.size);
  });

  it('and saying where it stood is where it was', () => {
    const all = ids('columnStack').concat(ids('stair'), ids('wall'));
    fc.assert(
      fc.property(fc.constantFrom('01', '02', '03', '04'), (to) => {
        const up = after('carry.storeys', {
          from: '00',
          to,
          kinds: ['columns', 'stairs', 'exteriorWalls', 'interiorWalls', 'doors', 'entranceDoors', 'windows'],
        });
        expect(frameworkHash(after('carry.to', { ids: all, lowest: '00', topmost: '00' }, up))).toBe(
          frameworkHash(house),
        );
      }),
    );
  });

  it('goes down as well, and refuses what cannot be', () => {
    const down = given(
      [['levels.insert', { level: '00', side: 'below', heightMm: 3000, name: 'B1', mode: 'push' }]],
      house,
    );
    expect(storeysOf(after('carry.storeys', { from: '00', to: 'B1' }, down), 'A-1')).toEqual(['B1', '00']);
    expect(refusal(house, 'carry.storeys', { from: '00', to: '00' })).toMatch(/the storey itself/);
    expect(refusal(house, 'carry.to', { ids: ids('shaft'), lowest: '03', topmost: '01' })).toMatch(/other way round/);
    expect(refusal(house, 'carry.to', { ids: [recordsOf(house, 'level')[0]!.id] })).toMatch(/not carried/);
  });
});

describe('the carry board', () => {
  const board = (framework: Framework) => {
    const solved = solve(framework);
    return carryBoard(framework, solved, solved.buildings[0]!.id);
  };
  const cell = (framework: Framework, name: string, level: string) =>
    board(framework)
      .columns.find((each) => each.name === name)!
      .cells.get(levelId(framework, level));

  it('has storeys from the top down against everything carried, kind by kind, S2 before S10', () => {
    const many = ['S10', 'S2'].reduce(
      (now, name) =>
        after('shafts.add', { name, outline: { type: 'circle', place: '3000,10000', diameterMm: 500 } }, now),
      house,
    );
    const { levels, columns } = board(many);
    expect(levels.map(({ name }) => name)).toEqual(['RF', '04', '03', '02', '01', '00']);
    expect(columns.slice(0, 4).map(({ name }) => name)).toEqual(['ST1', 'S1', 'S2', 'S10']);
    expect(columns.map(({ kind }) => kind).filter((kind, i, all) => all[i - 1] !== kind)).toEqual([
      'stair',
      'shaft',
      'wall',
      'columnStack',
      'floorPlate',
    ]);
  });

  it('says of each kind what can be done at one level, does it, and takes it back', () => {
    const up = after('carry.storeys', { from: '00', to: '04' });
    const whole = after(
      'ceilings.add',
      { outline: { type: 'rectangle', place: '9000,9000', widthMm: 2000, depthMm: 2000 }, heightMm: 2500 },
      up,
    );
    const { columns } = board(whole);
    const firsts = columns.filter(({ kind }, i) => columns.findIndex((each) => each.kind === kind) === i);
    const acted = firsts.flatMap(({ id, kind, name }) => {
      const record = whole.records.get(id)!;
      const middle = levelId(whole, '02');
      const cells = (framework: Framework) => board(framework).columns.find((each) => each.id === id)!.cells;
      const at = cells(whole).get(middle);
      return (at ? onBoard(kind)!.actions(record, middle, at) : []).map(({ sent }) => {
        const done = step(whole, sent.command, sent.input as never).after;
        const now = cells(done).get(middle)!;
        expect([name, now.differs]).toEqual([name, true]);
        const [back] = onBoard(kind)!.actions(done.records.get(id)!, middle, now);
        const undone = step(done, back!.sent.command, back!.sent.input as never).after;
        expect([name, cells(undone).get(middle)!.differs]).toEqual([name, false]);
        return kind;
      });
    });
    expect([...new Set(acted)].sort()).toEqual(['ceiling', 'columnStack', 'floorPlate', 'shaft']);
  });

  it('shows what is left out, what differs, what grows thinner, and where something is found', () => {
    const up = after('carry.storeys', { from: '00', to: '04' });
    const gap = after('columns.except', { columns: ['B-2'], level: '02', leftOut: true }, up);
    expect(cell(gap, 'B-2', '02')).toMatchObject({ state: 'leftOut', differs: true });
    expect(cell(gap, 'B-2', '03')!.finding).toBe('error');
    const thin = after(
      'columns.except',
      { columns: ['B-2'], level: '03', upwards: true, section: { shape: 'rectangle', widthMm: 300, depthMm: 300 } },
      up,
    );
    expect([cell(thin, 'B-2', '02')!.weight, cell(thin, 'B-2', '03')!.weight]).toEqual([1, 0.75]);
    expect(cell(thin, 'B-2', '03')!.differs).toBe(true);
    const slab = after('floors.except', { floor: 'Plate', level: '01', leftOut: true }, up);
    expect(cell(slab, 'Plate', '01')!.state).toBe('leftOut');
  });
});

describe('what an edit would bring about', () => {
  const of = <Name extends CommandName>(name: Name, input: CommandInputs[Name], framework: Framework = house) => {
    const changed = after(name, input, framework);
    return consequences(
      { framework, solved: solve(framework) },
      { framework: changed, solved: solve(changed) },
      METRIC,
    ).map(({ about, words }) => `${about}: ${words}`);
  };

  it('is said in words: levels, stairs, shafts, areas, findings that come and go', () => {
    expect(of('levels.setHeight', { level: '00', heightMm: 3450, mode: 'push' }).slice(0, 6)).toEqual([
      'levels: Level 01 +3.300 → +3.450',
      'levels: Level 02 +6.600 → +6.750',
      'levels: Level 03 +9.900 → +10.050',
      'levels: Level 04 +13.200 → +13.350',
      'levels: Level RF +16.500 → +16.650',
      'stairs: Stair ST1 from 00: 19 → 20 step risers of 172.5',
    ]);
    const up = of('carry.storeys', { from: '00', to: '01', kinds: ['floors', 'shafts', 'stairs'] });
    expect(up).toContain('stairs: Stair ST1 from 01: climbs it, 19 step risers of 173.7');
    const gone = of('elements.remove', { ids: ids('stair') });
    expect(gone).toContain('gone: Stair ST1 goes');
    expect(of('levels.setHeight', { level: '00', heightMm: 9000, mode: 'push' })).toEqual(
      expect.arrayContaining([
        'stairs: Stair ST1 from 00: cannot be climbed any more',
        expect.stringMatching(/^newFindings: Stair ST1 cannot climb 9000/),
      ]),
    );
  });

  it('of nothing is nothing', () => {
    expect(of('levels.rename', { level: '01', title: 'Offices' })).toEqual([]);
  });
});
