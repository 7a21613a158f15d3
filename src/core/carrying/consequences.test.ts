import { solve } from '../solving/solve';
import { FURNISHED, given, step } from '../testing/given';
import { METRIC } from '../units/format-length';
import { consequences } from './consequences';

it('tells which slabs a shaft cuts no more, and how the area of floors changes with it', () => {
  const before = given(FURNISHED);
  const { after } = step(before, 'shafts.change', {
    shaft: 'S1',
    stopsAt: { level: '02', face: 'FFL', offsetMm: 1000 },
  });
  const words = consequences(
    { framework: before, solved: solve(before) },
    { framework: after, solved: solve(after) },
    METRIC,
  ).map((each) => each.words);
  expect(words).toContain('Shaft S1 cuts 03, 04 no more');
  // Two holes of 2.4 by 3 m are closed.
  expect(words.find((each) => each.startsWith('Net area of floors'))).toBeDefined();
});
