import { recordsOf, type Framework } from '@/core/model/framework';
import { resolvePlace } from '@/core/outlines/resolve-place';
import { given } from '@/core/testing/given';
import { numbersFrom } from '@/core/testing/random-commands';
import { IMPERIAL, METRIC } from '@/core/units/format-length';
import { placeAsHeld, readPlaceText, writePlace } from './place-text';

const framework = given([
  ['buildings.add', { name: 'Hall' }],
  ['levels.setUp', { above: '2@3500' }],
  ['grids.add', { baysA: '3@8000', baysB: '2@6000' }],
]);
const building = recordsOf(framework, 'building')[0]!.id;
/** A column placed where a text says, and where it stands. */
function placed(text: string): {
  after: Framework;
  at: { x: number; y: number };
  held: (imperial?: boolean) => string;
} {
  const after = given(
    [['columns.place', { place: text, name: 'C', section: { shape: 'circle', diameterMm: 400 } }]],
    framework,
  );
  const { place } = recordsOf(after, 'columnStack')[0]!;
  const held = (imperial = false) => placeAsHeld(after, building, place, imperial ? IMPERIAL : METRIC);
  return { after, at: resolvePlace(after, place).at, held };
}

describe('a point for a field', () => {
  it('is told from the nearest crossing, by its name alone where it is there', () => {
    expect(writePlace(framework, building, 8000, 6000, METRIC)).toBe('B-2');
    expect(writePlace(framework, building, 8150, 5900, METRIC)).toBe('B-2 + 150,-100');
    expect(writePlace(framework, building, 8304.8, 6000, IMPERIAL)).toMatch(/^B-2 \+ 1'/);
  });

  it('is told from the building’s zero where no crossing is near', () => {
    expect(writePlace(framework, building, 90_000, -40_000, METRIC)).toBe('90000,-40000');
  });
});

describe('what is typed', () => {
  it('is read in the person’s unit and said in both', () => {
    const metric = readPlaceText('1200, 300', METRIC);
    expect(metric).toEqual({ ok: true, value: { input: '1200mm,300mm', words: '= 1200, 300 mm' } });
    const feet = readPlaceText("4',1'", IMPERIAL);
    if (!feet.ok) throw new Error(feet.refusal.message);
    expect(feet.value.input).toBe('1219.2mm,304.8mm');
    expect(feet.value.words).toBe('= 1219.2, 304.8 mm = 4\'-0", 1\'-0"');
    // A bare number is feet for who works in feet.
    expect(readPlaceText('4,1', IMPERIAL)).toMatchObject({ ok: true, value: { input: '1219.2mm,304.8mm' } });
  });

  it('may be a crossing, or so far from one', () => {
    expect(readPlaceText('B-2', METRIC)).toEqual({ ok: true, value: { input: 'B-2', words: 'from crossing B-2' } });
    expect(readPlaceText('B-2 + 150,-100', METRIC)).toMatchObject({ ok: true, value: { input: 'B-2 + 150mm,-100mm' } });
  });

  it('is refused in words where it is no point', () => {
    const read = readPlaceText('somewhere over there', METRIC);
    expect(read.ok).toBe(false);
    expect(readPlaceText('1200', METRIC).ok).toBe(false);
  });
});

describe('a place that is held', () => {
  it('reads as it was given: at a crossing, beside one, from zero', () => {
    expect(placed('B-2').held()).toBe('B-2');
    expect(placed('B-2 + 400,-250').held()).toBe('B-2 + 400,-250');
    expect(placed('B-2 + 0,300').held()).toBe('B-2 + 0,300');
    // Near a crossing, and yet not held by it.
    expect(placed('8010,6000').held()).toBe('8010,6000');
  });

  it('typed again as it reads it stands where it stood, in both units', () => {
    const random = numbersFrom(23);
    for (let i = 0; i < 40; i += 1) {
      const [x, y] = [Math.floor(random() * 40_000), Math.floor(random() * 20_000) - 4000];
      const crossing = `${'ABC'[Math.floor(random() * 3)]}-${1 + Math.floor(random() * 4)}`;
      const text = random() < 0.5 ? `${x},${y}` : `${crossing} + ${x % 900},${y % 700}`;
      const first = placed(text);
      for (const imperial of [false, true]) {
        const read = readPlaceText(first.held(imperial), imperial ? IMPERIAL : METRIC);
        if (!read.ok) throw new Error(`${text}: ${read.refusal.message}`);
        const { at } = placed(read.value.input);
        // A fraction of an inch is as near as feet are written.
        const within = imperial ? 25.4 / 64 + 1e-6 : 1e-3;
        expect(Math.abs(at.x - first.at.x)).toBeLessThan(within);
        expect(Math.abs(at.y - first.at.y)).toBeLessThan(within);
      }
    }
  });
});
