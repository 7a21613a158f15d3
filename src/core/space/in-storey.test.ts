import type { SpaceSolid } from '../kinds/in-space';
import { numbersFrom } from '../testing/random-commands';
import { bandOf, inStorey, onFloor, partIn, partOf, reaches, textOf, type Part } from './in-storey';

const shape = { number: 7, regions: [], box: { minX: 0, minY: 0, maxX: 1, maxY: 1 } };
const solid = (bottomMm: number, topMm: number, more: Partial<SpaceSolid> = {}): SpaceSolid => ({
  thing: 'w',
  name: 'W',
  level: 'L9',
  rank: 'interior wall',
  shape,
  bottomMm,
  topMm,
  ...more,
});
const part = (bottomMm: number, topMm: number): Part => partOf({}, solid(bottomMm, topMm), null);
/** A storey of 3.5 m, from 100 under its FFL. */
const HEIGHTS = [-100, 3400] as const;

it('the band of a height is the last that begins at it or under it, the lowest goes down without end', () => {
  const random = numbersFrom(3);
  for (let round = 0; round < 200; round += 1) {
    const starts = Array.from({ length: 1 + Math.floor(random() * 9) }, () => Math.floor(random() * 50) * 100);
    starts.sort((a, b) => a - b);
    const mm = Math.floor(random() * 60) * 100 - 500;
    const last = starts.reduce((band, start, i) => (start <= mm ? i : band), 0);
    expect(starts[bandOf(starts, mm)]).toBe(starts[last]);
  }
});

describe('a solid in a storey', () => {
  it('is what of it lies there, and how far it goes on', () => {
    const found = inStorey(solid(-2000, 3000), 'L1', 500, HEIGHTS, null);
    expect(found.solid).toMatchObject({ level: 'L1', bottomMm: -100, topMm: 3400 });
    expect(found).toMatchObject({ lowMm: -1500, highMm: 3500, part: null });
  });

  it('that goes on far is told no farther than a few metres out of it', () => {
    const [near, far] = [12_000, 90_000].map((mm) => inStorey(solid(-mm, mm), 'L1', 0, HEIGHTS, null));
    expect(near).toEqual(far);
    expect(far).toMatchObject({ lowMm: -6100, highMm: 9400 });
  });

  it('that only touches it has no height there', () => {
    const found = inStorey(solid(3400, 6000), 'L1', 0, HEIGHTS, null);
    expect(found.solid).toMatchObject({ bottomMm: 0, topMm: 0 });
    expect(found).toMatchObject({ lowMm: 3400, highMm: 6000 });
  });

  it('is told by a text that differs where anything of it does', () => {
    const text = (each: SpaceSolid, upMm = 0) => inStorey(each, null, upMm, HEIGHTS, null).text;
    const same = text(solid(0, 3000));
    expect(text(solid(-50, 2950), 50)).toBe(same);
    for (const other of [
      solid(0, 3001),
      solid(1, 3000),
      solid(0, 3000, { thing: 'v' }),
      solid(0, 3000, { rank: 'core wall' }),
      solid(0, 3000, { shape: { ...shape, number: 8 } }),
    ])
      expect(text(other)).not.toBe(same);
  });
});

describe('what stands on a floor', () => {
  it('reaches into a storey where some of it lies there', () => {
    expect(reaches(solid(0, 3000), 0, HEIGHTS)).toBe(true);
    expect(reaches(solid(0, 3000), -3100, HEIGHTS)).toBe(true);
    expect(reaches(solid(0, 3000), -3101, HEIGHTS)).toBe(false);
    // It begins where the storey ends.
    expect(reaches(solid(0, 3000), 3400, HEIGHTS)).toBe(false);
    expect(reaches(solid(0, 3000), 3399, HEIGHTS)).toBe(true);
  });

  it('is one object for one place, and another for another', () => {
    const wall = part(0, 3000);
    const [once, again] = [partIn(wall, 'L1', 0, HEIGHTS), partIn(wall, 'L1', 0, [-100, 3400])];
    expect(again).toBe(once);
    expect(partIn(wall, 'L2', 0, HEIGHTS)).not.toBe(once);
    expect(partIn(wall, 'L1', 10, HEIGHTS)).not.toBe(once);
    expect(partIn(wall, 'L1', 0, [-100, 2800]).solid.topMm).toBe(2800);
    // After many other places it is made anew, and the same.
    for (let i = 0; i < 200; i += 1) partIn(wall, `M${i}`, 0, HEIGHTS);
    expect(partIn(wall, 'L1', 0, HEIGHTS)).toEqual(once);
  });

  it('is worked out once for all storeys that have the same list between the same heights', () => {
    const list = [part(0, 3000), part(0, 5000), part(3400, 4000)];
    const numbers = new Map<string, number>();
    const numberOf = (text: string) => {
      const number = numbers.get(text) ?? numbers.size;
      numbers.set(text, number);
      return number;
    };
    const first = onFloor(list, HEIGHTS, numberOf);
    expect(onFloor(list, [-100, 3400], numberOf)).toBe(first);
    // The last of them lies over the storey. No level is named: it is that of each storey.
    expect(first.found.map(({ solid: { level, topMm } }) => [level, topMm])).toEqual([
      [null, 3000],
      [null, 3400],
    ]);
    const other = onFloor([...list], HEIGHTS, numberOf);
    expect(other).not.toBe(first);
    expect(other.number).toBe(first.number);
    expect(onFloor(list, [-100, 3000], numberOf).number).not.toBe(first.number);
    expect(textOf(first.found)).toBe(textOf(other.found));
  });
});
