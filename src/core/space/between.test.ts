import type { Step } from '../commands/command-inputs';
import { solve } from '../solving/solve';
import { given, step } from '../testing/given';

const square = { type: 'rectangle' as const, place: '0,0', widthMm: 9000, depthMm: 9000 };
/** Two buildings of three storeys, East beside West at a distance; walls 400, floors 250. */
const pair = (xMm: number, zeroMm = 0, more: Step[] = []) =>
  given([
    ['buildings.add', { name: 'West' }],
    ['buildings.add', { name: 'East', xMm, zeroMm }],
    ['carry.wholeBuilding', { building: 'West', storeys: '3@3.3m', outline: square, raft: false }],
    ['carry.wholeBuilding', { building: 'East', storeys: '3@3.3m', outline: square, raft: false }],
    ...more,
  ]);
const found = (framework: ReturnType<typeof pair>) =>
  solve(framework)
    .findings.filter(({ rule }) => rule === 'space.shared')
    .map(({ message }) => message);

describe('two buildings', () => {
  it('side by side, or sharing one party wall at any heights, have nothing in the same space', () => {
    expect(found(pair(9000))).toEqual([]);
    for (const zeroMm of [0, 500, -700]) {
      const party = step(pair(9000, zeroMm), 'walls.makeParty', { walls: ['W1', 'W2'] }).after;
      expect(found(party)).toEqual([]);
    }
  });

  it('whose walls run into one another are told with both names and the volume', () => {
    const [message, ...more] = found(pair(8900));
    expect(more).toEqual([]);
    // 100 mm of 9 m, from the lowest underside at −350 to the top: soffit of the roof at 9650 beside the slab to 9900.
    expect(message).toMatch(
      /^Exterior wall W\d of building (West|East) and exterior wall W\d of building (West|East) are in the same space at (8950|50), 4500 mm/,
    );
    expect(Number(/([\d.]+) m³/.exec(message!)![1])).toBeCloseTo(0.1 * 9 * (9.9 + 0.35), 2);
  });

  it('turned or lifted are compared where they really are', () => {
    expect(found(pair(8900, 20_000))).toEqual([]);
    const turned = pair(18_000, 0, [['buildings.change', { building: 'East', turnDeg: 90 }]]);
    // Turned about its zero it lies from 9000 to 18 000: side by side again.
    expect(found(turned)).toEqual([]);
    const into = pair(17_900, 0, [['buildings.change', { building: 'East', turnDeg: 90 }]]);
    expect(found(into)).toHaveLength(1);
  });

  it('in one another’s place are told once', () => {
    const columns: Step[] = ['West', 'East'].flatMap((building): Step[] =>
      [2000, 4000, 6000, 8000].flatMap((x) => [
        [
          'columns.place',
          {
            building,
            place: `${x},${x}`,
            section: { shape: 'rectangle', widthMm: 600, depthMm: 600 },
            name: `${building} ${x}`,
          },
        ],
      ]),
    );
    const [message, ...more] = found(pair(0, 0, columns));
    expect(more).toEqual([]);
    expect(message).toMatch(
      /^Buildings (West and East|East and West) are in the same space: \d+ pairs of things, [\d.]+ m³\. Move one/,
    );
  });
});
