import { rampCandidates } from './ramp-candidates';
import { RAMP_RULES } from './ramp-rules';

const best = (riseMm: number, rules: keyof typeof RAMP_RULES, runMm?: number) =>
  rampCandidates({ riseMm, rules: RAMP_RULES[rules], runMm })[0];

describe('a ramp for a rise, by hand', () => {
  it.each([
    // One threshold: up at 1:14, down at 1:12.
    [310, 'general', { runMm: 4340, slopeRatio: 14, landings: 0 }],
    [-180, 'public', { riseMm: -180, runMm: 2160, slopeRatio: 12, landings: 0 }],
    // A rise of 480 is over 333: 1:20.
    [480, 'sliding', { runMm: 9600, slopeRatio: 20, landings: 0 }],
    [166, 'sliding', { runMm: 1992, slopeRatio: 12 }],
    [333, 'sliding', { runMm: 4995, slopeRatio: 15 }],
    // 1600 in three flights of 533: 12 · 1600 and two landings of 1525.
    [1600, 'public', { runMm: 22_250, flights: 3, landings: 2, landingMm: 1525 }],
    // 9 m at 1:14 climb 642: 1000 takes two flights of 7 m.
    [1000, 'general', { runMm: 15_500, flights: 2, flightRunMm: 7000 }],
  ] as const)('%s, %s', (rise, rules, expected) => {
    expect(best(rise, rules)).toMatchObject({ ...expected, verdict: 'ok' });
  });

  it('in a run is as steep as that makes it, with the limits it breaks', () => {
    expect(best(310, 'general', 4340)).toMatchObject({ slopeRatio: 14, verdict: 'ok' });
    expect(best(310, 'general', 6200)).toMatchObject({ slopeRatio: 20, landings: 0, verdict: 'ok' });
    expect(best(310, 'public', 3000)).toMatchObject({
      slopeRatio: 9.677419,
      verdict: ['slope 1:9.7 steeper than 1:12 (International model building code: ramps)'],
    });
    // One flight would be too long: with a landing it is not.
    expect(best(900, 'general', 18_000)).toMatchObject({ flights: 2, flightRunMm: 8250, verdict: 'ok' });
  });

  it('as long as it must be is within its rules, and a hair shorter is not', () => {
    for (const rules of ['public', 'general', 'sliding'] as const)
      for (let rise = 40; rise <= 3000; rise += 37) {
        const ramp = best(rise, rules)!;
        const { flights, landings, landingMm, runMm } = ramp;
        expect(flights * ramp.flightRiseMm).toBeCloseTo(rise, 3);
        expect(runMm).toBeCloseTo(flights * ramp.flightRunMm + landings * landingMm, 3);
        const same = (run: number) =>
          rampCandidates({ riseMm: rise, rules: RAMP_RULES[rules], runMm: run }).find(
            (each) => each.flights === flights,
          )!;
        expect(same(runMm + 0.001).verdict).toBe('ok');
        expect(same(runMm * 0.99).verdict).not.toBe('ok');
      }
  });

  it('for no rise there is none', () => {
    expect(rampCandidates({ riseMm: 0, rules: RAMP_RULES.public })).toEqual([]);
  });
});
