import fc from 'fast-check';
import { firstLength, usualMm } from './first-length';
import { IMPERIAL, METRIC } from './format-length';
import { parseLength } from './parse-length';

it.each([
  [20, `3/4"`],
  [50, `2"`],
  [250, `10"`],
  [300, `1'`],
  [900, `3'`],
  [1100, `3'-6"`],
  [6000, `20'`],
])('a field that begins with %d mm begins in feet with %s', (mm, text) => {
  const read = (words: string) => {
    const parsed = parseLength(words, { unit: 'ft' });
    return parsed.ok ? parsed.value : null;
  };
  expect(read(firstLength(mm, IMPERIAL))).toEqual(read(text));
  expect(firstLength(mm, METRIC)).toBe(String(mm));
});

it('is never far from what is usual in metres', () => {
  fc.assert(
    fc.property(fc.integer({ min: 20, max: 30_000 }), (mm) => {
      expect(Math.abs(usualMm(mm, IMPERIAL) - mm)).toBeLessThanOrEqual(Math.max(13, 0.07 * mm));
    }),
  );
});
