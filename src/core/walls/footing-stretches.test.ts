import fc from 'fast-check';
import { gapsBetween, type Stretch } from './footing';

describe('what is left of a length between stretches', () => {
  it.each<[Stretch[], Stretch[]]>([
    [[], [[0, 1000]]],
    [[[0, 1000]], []],
    [
      [[200, 400]],
      [
        [0, 200],
        [400, 1000],
      ],
    ],
    // Out of order, overlapping, one within another; a joint of 50 is none.
    [
      [
        [600, 1000],
        [0, 300],
        [100, 200],
        [300, 550],
      ],
      [],
    ],
    [
      [[100, 900]],
      [
        [0, 100],
        [900, 1000],
      ],
    ],
    [[[101, 1000]], [[0, 101]]],
    [[[99, 1000]], []],
  ])('%j', (stretches, gaps) => expect(gapsBetween(1000, stretches, 100)).toEqual(gaps));

  it('lies where no stretch is, and with the stretches covers all but what is too little', () => {
    const stretch = fc
      .tuple(fc.integer({ min: 0, max: 900 }), fc.integer({ min: 1, max: 300 }))
      .map(([from, size]): Stretch => [from, Math.min(1000, from + size)]);
    fc.assert(
      fc.property(fc.array(stretch, { maxLength: 8 }), (stretches) => {
        const gaps = gapsBetween(1000, stretches, 1);
        // Millimetre by millimetre: its middle is in a stretch or in a gap, never in both.
        for (let mm = 0.5; mm < 1000; mm += 1) {
          const isIn = ([from, to]: Stretch) => mm > from && mm < to;
          expect(stretches.some(isIn)).toBe(!gaps.some(isIn));
        }
      }),
      { numRuns: 60 },
    );
  });
});
