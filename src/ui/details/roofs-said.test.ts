import { carryBoard } from '@/core/carrying/board';
import { consequences } from '@/core/carrying/consequences';
import { recordsOf, type Framework } from '@/core/model/framework';
import type { Kind } from '@/core/model/kinds';
import { solve } from '@/core/solving/solve';
import { afterFrom, given } from '@/core/testing/given';
import { METRIC } from '@/core/units/format-length';
import { sayThing } from './sentence';

/** A house of 12 by 9 m with an attic under a saddle of 45°, and beside it a flat roof with falls. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m', buildUpMm: 0 }],
  [
    'walls.add',
    {
      name: 'W1',
      use: 'exterior',
      type: { name: 'Brick 300', layers: [{ name: 'brick', thicknessMm: 300, core: true }] },
      place: '0,0',
      points: [
        { xMm: 0, yMm: 0 },
        { xMm: 12_000, yMm: 0 },
        { xMm: 12_000, yMm: 9000 },
        { xMm: 0, yMm: 9000 },
      ],
      closed: true,
      on: 'outside',
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
  ['floors.add', { name: 'Attic', outline: { type: 'walls', walls: ['W1'], face: 'inside' }, levels: { at: ['RF'] } }],
  [
    'pitchedRoofs.add',
    {
      name: 'PR1',
      slope: 45,
      edges: [
        { edge: 1, is: 'gable' },
        { edge: 3, is: 'gable' },
      ],
    },
  ],
  ['pitchedRoofs.trimWalls', { roof: 'PR1' }],
  ['roofOpenings.add', { name: 'D1', roof: 'PR1', edge: 0, alongMm: 4000, widthMm: 1800, heightMm: 1100 }],
  ['roofOpenings.add', { name: 'D2', roof: 'PR1', edge: 2, alongMm: 4000, is: 'window' }],
  ['ceilings.add', { name: 'C', heightMm: 2400, thicknessMm: 60, alongRoof: true }],
  [
    'floors.add',
    {
      name: 'Flat',
      outline: { type: 'rectangle', place: '20000,0', widthMm: 8000, depthMm: 6000 },
      levels: { at: ['RF'] },
    },
  ],
  ['fallLayers.add', { name: 'FL1', on: 'Flat', level: 'RF', outlets: ['24000,3000'] }],
]);
const after = afterFrom(house);
const say = (framework: Framework, kind: Kind, name: string) => {
  const record = recordsOf(framework, kind).find((each) => 'name' in each && each.name === name)!;
  return sayThing(framework, solve(framework), record.id, METRIC)!;
};

describe('what one reads of roofs first', () => {
  it('is how falls lie, how thick they are, and whether water leaves', () => {
    expect(say(house, 'fallLayer', 'FL1')).toMatchObject({
      title: 'Layer of falls FL1',
      // 4 m along from the outlet at most: 80 at 2 %.
      sentence: 'At level RF, 2 % (1:50) to one outlet: 40 thick there, 120 where it is thickest; 48.0 m².',
    });
    const shut = after('shafts.add', {
      name: 'Yard',
      purpose: 'void',
      stopsAt: { level: 'RF', offsetMm: 500 },
      outline: {
        type: 'polygon',
        place: '25000,1000',
        points: [
          [0, 0],
          [2000, 0],
          [2000, 500],
          [500, 500],
          [500, 3500],
          [2000, 3500],
          [2000, 4000],
          [0, 4000],
        ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! })),
      },
    });
    expect(say(shut, 'fallLayer', 'FL1').sentence).toMatch(/Water has no way out somewhere\.$/);
  });

  it('is what a dormer is and how high it comes out, and how much glass it has', () => {
    const dormer = say(house, 'roofOpening', 'D1');
    expect(dormer.title).toBe('Dormer D1');
    expect(dormer.sentence).toMatch(
      /^On roof PR1, dormer, saddle roof, \d+ over the roof at its front, highest at \+\d/,
    );
    const window = say(house, 'roofOpening', 'D2');
    expect(window.title).toBe('Roof window D2');
    // 900 by 1400.
    expect(window.sentence).toMatch(/up; 1\.3 m² of glass\.$/);
  });

  it('is whether a wall goes up to a roof, or over it, and whether a ceiling meets one', () => {
    expect(say(house, 'wall', 'W1').sentence).toMatch(/from 00 to the roof\.$/);
    const over = after('pitchedRoofs.trimWalls', { roof: 'PR1', walls: ['W1'], overMm: 300 });
    expect(say(over, 'wall', 'W1').sentence).toMatch(/to 300 over the roof\.$/);
    expect(say(house, 'ceiling', 'C').sentence).toMatch(/In one place it meets a roof\.$/);
  });
});

describe('what an edit brings about for roofs', () => {
  const compared = (framework: Framework) =>
    consequences({ framework: house, solved: solve(house) }, { framework, solved: solve(framework) }, METRIC).map(
      ({ words }) => words,
    );
  it('says how thick falls are and how high dormers come out now', () => {
    const steeper = after('fallLayers.change', { fallLayer: 'FL1', slope: '3 %' });
    expect(compared(steeper)).toContain('Layer of falls FL1: 120 → 160 at its thickest, 48.0 m²');
    const raised = after('levels.setHeight', { level: '00', heightMm: 3200, mode: 'push' });
    expect(
      compared(raised).filter((words) => /^Roof opening D1: \+[\d.]+ → \+[\d.]+ at its highest$/.test(words)),
    ).toHaveLength(1);
  });
});

it('roofs stand on the carry board at the levels they lie at', () => {
  const [building] = recordsOf(house, 'building');
  const board = carryBoard(house, solve(house), building!.id);
  const roof = board.columns.find(({ kind }) => kind === 'pitchedRoof')!;
  const names = new Map(board.levels.map(({ id, name }) => [id, name]));
  expect([...roof.cells.keys()].map((id) => names.get(id))).toEqual(['RF']);
});
