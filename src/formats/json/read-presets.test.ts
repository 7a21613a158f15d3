import { writePresets } from '@/core/grids/preset';
import { readPresets } from './read-presets';

const rule = { first: '1', skip: '', prefix: '', suffix: '', descending: false };
const preset = {
  name: 'Short',
  baysA: [7200],
  baysB: [6600, 6600],
  farBaysA: null,
  farBaysB: null,
  waysOf: { a: 1 as const, b: -1 as const },
  labelsA: rule,
  labelsB: { ...rule, first: 'A' },
};
const text = writePresets([preset]);

it('presets come back as they were written', () => {
  expect(readPresets(text)).toEqual({ ok: true, value: [preset] });
});

it.each([
  ['nothing', /^This is no file of bay presets/],
  ['[1, 2]', /^This is no file of bay presets/],
  ['{"format":"spine-bay-presets","version":1}', /^This is no file of bay presets/],
  [text.replace('"version": 1', '"version": 2'), /newer version/],
  [text.replace('"baysA"', '"bays"'), /^Preset 1 of the file is damaged/],
  [text.replace('7200', '-7200'), /^Preset 1 of the file is damaged/],
])('what is none is refused in words: %s', (given, words) => {
  expect(readPresets(given)).toMatchObject({ ok: false, refusal: { message: expect.stringMatching(words) } });
});
