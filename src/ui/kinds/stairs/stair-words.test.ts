import { entryChoices } from './stair-words';

const words = (ring: readonly (readonly [number, number])[]) =>
  entryChoices(ring.map(([x, y]) => ({ x, y }))).map(([, each]) => each);

it('sides of a well are called by where they lie, and numbered where two lie alike', () => {
  expect(
    words([
      [0, 0],
      [5, 0],
      [5, 4],
      [0, 4],
    ]),
  ).toEqual(['the lower side', 'the right side', 'the upper side', 'the left side']);
  expect(
    words([
      [0, 0],
      [6000, -500],
      [7500, 3500],
      [4000, 7000],
      [-500, 5000],
    ]),
  ).toEqual(['the lower side', 'the right side', 'the upper right side', 'the upper left side', 'the left side']);
  expect(
    words([
      [0, 0],
      [4, 0],
      [8, 1],
      [4, 6],
    ]),
  ).toEqual(['the lower side 1', 'the lower side 2', 'the upper right side', 'the upper left side']);
  expect(entryChoices(null)).toEqual([['0', 'the lower side']]);
});
