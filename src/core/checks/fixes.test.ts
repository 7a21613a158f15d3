import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, step } from '../testing/given';
import type { Rule } from './rules';
import type { CommandInputs, Step } from '../commands/command-inputs';
import type { OutlineInput } from '../outlines/outline-input';

type Steps = readonly Step[];

const layers = (thicknessMm: number) => [{ name: 'concrete', thicknessMm, core: true }];
const corners = (text: string) =>
  text.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) }));
const well = (place: string) => ({ type: 'rectangle' as const, place, widthMm: 2700, depthMm: 5600 });
const square = { shape: 'rectangle' as const, widthMm: 400, depthMm: 400 };
const wall = (name: string, points: string, more: Partial<CommandInputs['walls.add']> = {}): Step => [
  'walls.add',
  {
    name,
    type: { name: `T${name}`, layers: layers(200) },
    points: corners(points),
    startsAt: { level: 'B2' },
    ...more,
  },
];
const rectangle = (place: string, widthMm: number, depthMm: number) => ({
  type: 'rectangle' as const,
  place,
  widthMm,
  depthMm,
});
const shaft = (name: string, outline: OutlineInput, more: Partial<CommandInputs['shafts.add']> = {}): Step => [
  'shafts.add',
  { name, outline, ...more },
];
/** Shaft S1 stands at x 2000 … 4400, y 1500 … 4500; the slab from −300 to 25500 and 14700; columns 500 square. */
const ENCLOSED: Steps = [
  wall('C', '1900,1400 4500,1400 4500,4600 1900,4600', {
    closed: true,
    use: 'core',
    startsAt: { level: 'B2' },
    stopsAt: { level: 'RF', face: 'soffit' },
    passesClearMm: 0,
  }),
];
const START = given(FURNISHED);
const clean = given(ENCLOSED, START);

/** What makes each finding appear, one of its kind; its first fix must take it away. */
const CASES: [rule: Rule, steps: Steps, from?: Framework][] = [
  ['level.noFoundation', [], given(FURNISHED.slice(0, -1))],
  ['foundation.inRaft', [['foundations.add', { form: 'pads', thicknessMm: 200 }]]],
  ['level.lowClear', [['levels.setBudget', { level: '01', targetMm: 4600 }]]],
  ['level.closerThanSlab', [['levels.setHeight', { level: '02', heightMm: 320, mode: 'push' }]]],
  ['level.noSlab', [['floors.change', { floor: 'Plate', levels: { range: ['B2', '04'] } }]]],
  ['grid.duplicateLabel', [['grids.relabel', { line: '5', label: 'A' }]]],
  ['grid.closeLines', [['grids.splitBay', { line: '3', atMm: 200 }]]],
  ['column.insideShaft', [['columns.place', { place: '4500,3000', section: square }]]],
  ['column.insideStair', [['stairs.add', { well: well('7300,6700') }]]],
  [
    'column.inOpening',
    [
      wall('W', '3000,9000 9000,9000'),
      ['walls.addOpening', { wall: 'W', opening: 'door', alongMm: 2000, widthMm: 1000 }],
      ['columns.place', { place: '5500,9000', section: square }],
    ],
  ],
  [
    'column.overVoid',
    [
      ['columns.place', { place: '10000,10000', section: square }],
      ['floors.except', { floor: 'Plate', level: '02', voids: [rectangle('9000,9000', 3000, 3000)] }],
    ],
  ],
  ['column.outsideSlab', [['columns.place', { place: '-200,3000', section: square }]]],
  [
    'column.standsOnNothing',
    [
      ['floors.except', { floor: 'Plate', level: '02', outline: rectangle('0,0', 9000, 14000) }],
      ['columns.place', { place: '20000,10000', section: square, startsAt: { level: '02' } }],
    ],
  ],
  [
    'column.stopsShort',
    [
      [
        'columns.place',
        { place: '10000,10000', section: square, stopsAt: { level: '02', face: 'soffit', offsetMm: -40 } },
      ],
    ],
  ],
  ['column.offCrossing', [['columns.change', { column: 'B-2', place: 'B-2 + 12,9' }]]],
  ['column.outOfPlumb', [['columns.except', { columns: ['B-2'], level: '02', upwards: true, xMm: 300 }]]],
  [
    'column.largerAbove',
    [
      [
        'columns.except',
        { columns: ['B-2'], level: '02', upwards: true, section: { shape: 'rectangle', widthMm: 700, depthMm: 700 } },
      ],
    ],
  ],
  ['column.transfer', [['columns.except', { columns: ['B-2'], level: '01', leftOut: true }]]],
  [
    'column.nothing',
    [
      [
        'columns.change',
        { column: 'B-2', startsAt: { level: 'RF' }, stopsAt: { level: 'RF', face: 'SSL', offsetMm: 0.5 } },
      ],
    ],
  ],
  [
    'shaft.missesSlab',
    [['shafts.change', { shaft: 'S1', stopsAt: { level: '03', face: 'soffit', offsetMm: -25 } }]],
    START,
  ],
  ['shaft.missesSlab', [shaft('S2', rectangle('-1500,3000', 1175, 1000))], START],
  [
    'floor.barsWall',
    [wall('K', '15000,2000 18000,2000', { use: 'core', stopsAt: { level: 'RF', face: 'soffit' } })],
    START,
  ],
  ['shaft.overlapsShaft', [shaft('S2', rectangle('4000,2000', 1500, 1500))], START],
  ['shaft.inWall', [wall('W', '4350,0 4350,9000')], START],
  ['shaft.notEnclosed', [['carry.to', { ids: ['C'], topmost: '02' }]]],
  [
    'shaft.jumps',
    [['shafts.except', { shaft: 'S1', level: '02', upwards: true, outline: rectangle('3000,1500', 2400, 3000) }]],
    START,
  ],
  ['stair.well', [['stairs.add', { well: well('9000,7500'), widthMm: 1400 }]]],
  [
    'stair.unsolved',
    [
      ['stairs.add', { well: rectangle('9000,8000', 2500, 5200) }],
      ['levels.setHeight', { level: '01', heightMm: 7000, mode: 'push' }],
    ],
  ],
  [
    'stair.headroom',
    [
      ['stairs.add', { well: well('9000,7500') }],
      ['levels.insert', { level: '00', side: 'above', heightMm: 1800, mode: 'only', name: 'M' }],
      ['levels.change', { level: 'M', levelKind: 'mezzanine' }],
      ['floors.add', { name: 'Shelf', outline: rectangle('8500,7000', 9000, 6500), levels: { at: ['M'] } }],
    ],
  ],
  [
    'floor.zoneFree',
    [
      [
        'floors.setZone',
        { floor: 'Plate', name: 'Pit', outline: rectangle('9000,7500', 3000, 3000), shiftMm: -900, levels: ['02'] },
      ],
    ],
  ],
  [
    'floor.free',
    [
      ['levels.insert', { level: '00', side: 'above', heightMm: 2700, mode: 'only', name: 'M' }],
      ['levels.change', { level: 'M', levelKind: 'mezzanine' }],
      ['floors.add', { name: 'Shelf', outline: rectangle('9000,8000', 3000, 3000), levels: { at: ['M'] } }],
    ],
  ],
  [
    'floor.nothingLeft',
    [['floors.except', { floor: 'Plate', level: '02', voids: [rectangle('-400,-400', 30_000, 20_000)] }]],
  ],
  ['stair.offSlab', [['stairs.add', { well: well('9000,-400') }]]],
  ['storey.noStair', [['stairs.add', { well: well('9000,7500'), stopsAt: { level: '03' } }]]],
  [
    'room.twice',
    [
      wall('R', '8000,1000 13000,1000 13000,6000 8000,6000', { closed: true }),
      ['rooms.add', { level: 'B2', place: '9000,2000', name: 'One' }],
      ['rooms.add', { level: 'B2', place: '10000,3000', name: 'Two' }],
    ],
  ],
  ['room.open', [wall('R', '8000,1000 13000,1000'), ['rooms.add', { level: 'B2', place: '9000,2000', name: 'One' }]]],
  [
    'wall.onNothing',
    [
      ['floors.add', { name: 'Deck', outline: rectangle('26000,0', 4000, 4000), levels: { at: ['00'] } }],
      wall('W', '27000,500 27000,3000', { startsAt: { level: '01' } }),
    ],
  ],
  ['wall.partlyOnNothing', [wall('W', '23000,9000 27500,9000', { startsAt: { level: '01' } })]],
  [
    'wall.opening',
    [
      wall('W', '8000,9000 13000,9000', { startsAt: { level: '03' } }),
      ['walls.addOpening', { wall: 'W', opening: 'window', alongMm: 500, heightMm: 1800, sillMm: 900 }],
      ['levels.setHeight', { level: '03', heightMm: 2600, mode: 'push' }],
    ],
  ],
  ['wall.topShort', [wall('W', '8000,9000 13000,9000', { stopsAt: { level: 'B1', face: 'soffit', offsetMm: -25 } })]],
  ['wall.within', [wall('W', '8000,9000 13000,9000'), wall('V', '9000,9000 12000,9000')]],
  [
    'space.shared',
    [
      [
        'floors.add',
        { name: 'Deck', outline: rectangle('24000,1000', 4000, 3000), thicknessMm: 200, levels: { at: ['02'] } },
      ],
    ],
  ],
  [
    'space.shared',
    [
      wall('W', '8000,9000 13000,9000', {
        startsAt: { level: '00', face: 'SSL', offsetMm: -150 },
        stopsAt: { level: '01' },
      }),
    ],
  ],
  [
    'space.shared',
    [
      ['columns.place', { place: '10000,3000', section: square, name: 'X' }],
      ['columns.place', { place: '10200,3000', section: square, name: 'Y' }],
    ],
  ],
  [
    'wall.loopGap',
    [wall('E1', '8000,9000 10000,9000', { use: 'exterior' }), wall('E2', '10030,9000 13000,9000', { use: 'exterior' })],
  ],
  [
    'wall.clearWidth',
    [
      wall('P', '8000,8000 13000,8000'),
      wall('Q', '8000,9800 13000,9800'),
      ['walls.holdClear', { walls: ['P', 'Q'], widthMm: 1500 }],
      ['elements.move', { ids: ['Q'], xMm: 0, yMm: 40 }],
    ],
  ],
  [
    'floor.gapToWall',
    [
      wall('E', '30000,0 36000,0 36000,6000 30000,6000', {
        closed: true,
        use: 'exterior',
        on: 'outside',
        startsAt: { level: 'B2' },
        stopsAt: { level: 'RF' },
      }),
      ['floors.add', { name: 'Hut', outline: rectangle('30225,225', 5550, 5550) }],
    ],
  ],
  ['floor.holeOverEdge', [shaft('S2', rectangle('24000,5000', 2000, 2000))]],
  ['span.upsideDown', [['shafts.change', { shaft: 'S1', startsAt: { level: '03' }, stopsAt: { level: '01' } }]], START],
];

/** Names of walls in the steps stand for their ids. */
function made(steps: Steps, from: Framework): Framework {
  return steps.reduce((framework, [name, input]) => {
    if (!('ids' in input) || !input.ids) return step(framework, name, input).after;
    const { ids } = input;
    const named = recordsOf(framework, 'wall').filter((each) => ids.includes(each.name));
    return step(framework, name, { ...input, ids: named.map(({ id }) => id) }).after;
  }, from);
}

const found = (framework: Framework, rule: Rule) => solve(framework).findings.filter((each) => each.rule === rule);

it('a column in the midst of a hall is left out there, not moved', () => {
  const hall = made(
    [
      shaft('Hall', rectangle('6000,5000', 9000, 9000), {
        purpose: 'void',
        startsAt: { level: '01' },
        stopsAt: { level: '02' },
      }),
    ],
    clean,
  );
  const words = found(hall, 'column.insideShaft').map(({ fixes }) => fixes[0]!.words);
  expect(words).toContain('Leave column B-2 out at level 01');
});

it('a clean framework has none', () => {
  expect(solve(START).findings).toEqual([]);
  expect(solve(clean).findings).toEqual([]);
});

describe.each(CASES)('%s', (rule, steps, from = clean) => {
  const wrong = made(steps, from);
  it('appears', () => {
    expect(found(from, rule).length === 0 || steps.length === 0).toBe(true);
    const [first] = found(wrong, rule);
    expect(first).toBeDefined();
    expect(first!.message).toMatch(/\. [A-Z][^.]*$/);
  });
  it('goes with its fix, which is a command like any other', () => {
    let now = wrong;
    for (let rounds = 0; found(now, rule).length > 0; rounds += 1) {
      const { fixes, message } = found(now, rule)[0]!;
      if (!fixes[0] || rounds > 12) throw new Error(`Not mended: ${message}`);
      now = step(now, fixes[0].command, fixes[0].input, `${rounds}`).after;
    }
    expect(found(now, rule)).toEqual([]);
  });
});
