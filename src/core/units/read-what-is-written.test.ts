import fc from 'fast-check';
import { formatForEntry, formatForField, IMPERIAL, METRIC, type LengthDisplay } from './format-length';
import { quantiseMm, type LengthUnit } from './length-units';
import { formatBays, parseBays } from './parse-bays';
import { parseLength } from './parse-length';
import { parsePoint } from './parse-point';

const DISPLAYS: LengthDisplay[] = [
  METRIC,
  { system: 'metric', unit: 'm' },
  ...([2, 4, 8, 16, 32, 64] as const).map((denominator): LengthDisplay => ({ system: 'imperial', denominator })),
];
const unitOf = (display: LengthDisplay): LengthUnit => (display.system === 'imperial' ? 'ft' : 'mm');
/** Lengths as frameworks hold them: at the grain, whole millimetres, and sixty-fourths of an inch. */
const lengths = fc.oneof(
  fc.double({ min: -1e6, max: 1e6, noNaN: true }).map(quantiseMm),
  fc.integer({ min: -100_000, max: 100_000 }),
  fc.integer({ min: -100_000, max: 100_000 }).map((parts) => quantiseMm((parts * 25.4) / 64)),
);
const bays = fc.oneof(
  fc.integer({ min: 1, max: 20_000 }),
  fc.integer({ min: 1, max: 50_000 }).map((parts) => quantiseMm((parts * 25.4) / 64)),
  fc.double({ min: 0.01, max: 20_000, noNaN: true }).map(quantiseMm),
);

it.each(DISPLAYS)('a length written for a field reads back as the same length: %j', (display) => {
  fc.assert(
    fc.property(lengths, (mm) => {
      const read = parseLength(formatForEntry(mm, display), { unit: unitOf(display) });
      expect(read.ok && read.value.mm).toBe(mm === 0 ? 0 : mm);
    }),
    { numRuns: 500 },
  );
});

it.each(DISPLAYS)('a list of bays reads back as the same bays: %j', (display) => {
  fc.assert(
    fc.property(fc.array(bays, { minLength: 1, maxLength: 8 }), (list) => {
      const text = formatBays(list, (mm) => formatForEntry(mm, display));
      const read = parseBays(text, { unit: unitOf(display) });
      expect([text, read.ok && read.value.baysMm]).toEqual([text, list]);
    }),
    { numRuns: 500 },
  );
});

it.each(DISPLAYS)('a point reads back as the same point: %j', (display) => {
  fc.assert(
    fc.property(lengths, lengths, (x, y) => {
      const text = `B-3 + ${formatForEntry(x, display)},${formatForEntry(y, display)}`;
      const read = parsePoint(text, { unit: unitOf(display) });
      expect([text, read.ok && [read.value.crossing, read.value.xMm, read.value.yMm]]).toEqual([
        text,
        ['B-3', x === 0 ? 0 : x, y === 0 ? 0 : y],
      ]);
    }),
    { numRuns: 300 },
  );
});

it('what a field shows rounded it marks so, and shows nothing else so', () => {
  expect(formatForField(8700, IMPERIAL)).toEqual({ text: `≈ 28'-6 33/64"`, isRounded: true });
  expect(formatForField(2438.4, IMPERIAL)).toEqual({ text: `8'-0"`, isRounded: false });
  expect(formatForField(8700, METRIC)).toEqual({ text: '8700', isRounded: false });
  const typed = parseLength(`≈ 28'-7"`, { unit: 'ft' });
  expect(typed.ok && typed.value.mm).toBeCloseTo(343 * 25.4, 6);
});

it('bays typed in feet, and as they are often written, are understood', () => {
  for (const text of [`25' 20' 25'-6 1/2"`, `25' 20' 25'-6-1/2"`, `25'-0" 20'-0" 25'-6 1/2"`]) {
    const read = parseBays(text, { unit: 'ft' });
    expect([text, read.ok && read.value.baysMm]).toEqual([text, [7620, 6096, 25 * 304.8 + 6.5 * 25.4]]);
  }
});
