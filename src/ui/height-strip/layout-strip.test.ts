import { solve } from '@/core/solving/solve';
import { FURNISHED, given } from '@/core/testing/given';
import { layStrip } from './layout-strip';

const lay = (framework = given(FURNISHED), roomPx = 640) => {
  const solved = solve(framework);
  return layStrip(solved, solved.buildings[0]!.id, roomPx);
};

describe('the height strip', () => {
  it('stands to scale in the room there is', () => {
    const { levels, scale, heightPx } = lay();
    expect(heightPx).toBe(640);
    for (const [i, { level, y }] of levels.entries()) {
      const below = levels[i - 1];
      if (below) expect(below.y - y).toBeCloseTo((level.fflMm - below.level.fflMm) * scale, 9);
    }
  });

  it('grows taller when storeys would be too thin to hit: 100 storeys stay usable', () => {
    const tall = given([
      ['buildings.add', { name: 'Tall' }],
      ['levels.setUp', { above: '100@3.3m' }],
    ]);
    const { levels, heightPx } = lay(tall);
    expect(heightPx).toBeGreaterThan(1500);
    for (const { y, isNamed } of levels) expect([y > 0 && y < heightPx, isNamed]).toEqual([true, true]);
  });

  it('sets the levels of the building beside to the same scale above the datum, with the step where they meet', () => {
    const two = given(
      [
        ['buildings.add', { name: 'Annex', zeroMm: 600, xMm: 40_000 }],
        ['levels.setUp', { building: 'Annex', above: '3@3.9m' }],
      ],
      given(FURNISHED),
    );
    const solved = solve(two);
    const annex = solved.buildings.find(({ name }) => name === 'Annex')!.id;
    const tower = solved.buildings.find(({ id }) => id !== annex)!.id;
    const { beside, levels, scale } = layStrip(solved, tower, 640, annex);
    const ground = beside.find(({ level }) => level.fflMm === 0)!;
    const own = levels.find(({ level }) => level.fflMm === 0)!;
    expect(own.y - ground.y).toBeCloseTo(600 * scale, 9);
    expect(ground.meets).toEqual({ y: expect.closeTo(own.y, 9), stepMm: 600 });
    expect(layStrip(solved, tower, 640).beside).toEqual([]);
  });

  it('leaves out names that would run into one another', () => {
    const close = given([['levels.insert', { level: '01', heightMm: 60, mode: 'only', name: 'N' }]], given(FURNISHED));
    expect(lay(close).levels.filter(({ isNamed }) => !isNamed)).toHaveLength(1);
  });

  it('has a bar per run of columns and per shaft, from where they start to where they stop', () => {
    const { bars, levels } = lay();
    expect(bars.map(({ label }) => label)).toEqual(['15 column stacks', 'Shaft S1']);
    const [b2, roof] = [levels[0]!, levels.at(-1)!];
    expect(bars[1]!.bottom).toBeCloseTo(b2.y, 6);
    expect(bars[1]!.top).toBeGreaterThanOrEqual(roof.y);
  });
});
