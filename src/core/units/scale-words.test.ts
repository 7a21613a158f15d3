import { scaleWords } from './scale-words';

it.each([
  [100, 'metric', '1 : 100'],
  [48, 'imperial', `1/4" = 1'-0"`],
  [96, 'imperial', `1/8" = 1'-0"`],
  [192, 'imperial', `1/16" = 1'-0"`],
  [64, 'imperial', `3/16" = 1'-0"`],
  [8, 'imperial', `1 1/2" = 1'-0"`],
  [12, 'imperial', `1" = 1'-0"`],
  [480, 'imperial', `1" = 40'-0"`],
  [100, 'imperial', '1 : 100'],
] as const)('a scale of 1 : %d in %s units is spoken of as it is on drawings there', (scale, system, words) => {
  expect(scaleWords(scale, system)).toBe(words);
});
