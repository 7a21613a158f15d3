import fc from 'fast-check';
import { STAIR_RULES, type RuleSet } from './rule-sets';
import { stairCandidates, type StairAsked, type StairCandidate } from './stair-candidates';
import { STAIR_FORMS, type StairForm } from './stair-form';

const solved = (form: StairForm, heightMm: number, rules: RuleSet, more: Partial<StairAsked> = {}) =>
  stairCandidates({ form, heightMm, well: null, widthMm: 1000, rules: STAIR_RULES[rules], ...more });
const well = (lengthMm: number, widthMm: number) => ({ lengthMm, widthMm });
const short = ({ risers, goingMm, flights, wellMm }: StairCandidate) => ({ risers, goingMm, flights, wellMm });

describe('a storey climbed in a form, by hand', () => {
  it.each([
    // 2750 / 14 = 196.4; 630 − 392.9 = 237; 6 treads each way and the corner.
    ['quarterLanding', 2750, 'private', {}, { risers: 14, goingMm: 237, flights: [7, 7], wellMm: [2422, 2422] }],
    // The same with a going of 245: 6 · 245 + 1000.
    [
      'quarterLanding',
      2750,
      'private',
      { goingMm: 245 },
      { risers: 14, goingMm: 245, flights: [7, 7], wellMm: [2470, 2470] },
    ],
    // 5400 / 178 = 30.3, so 31 of 174.2; 630 − 348.4 = 282; 15 · 282 + 1219 = 5449 of 5600.
    [
      'halfLanding',
      5400,
      'public',
      { widthMm: 1250, well: well(5600, 2700) },
      { risers: 31, goingMm: 282, flights: [16, 15] },
    ],
    [
      'halfLanding',
      3300,
      'public',
      { widthMm: 1150, well: well(5200, 2500) },
      { risers: 19, goingMm: 283, flights: [10, 9] },
    ],
    // 11 ft 4 in: 3454.4 / 20 = 172.72; 630 − 345.44 = 285 (284.56).
    ['halfLanding', 3454.4, 'public', {}, { risers: 20, goingMm: 285, flights: [10, 10], wellMm: [3565, 2200] }],
    // 12 risers at most in a flight, so a straight one climbs 2040 at most.
    [
      'straightLanding',
      3300,
      'general',
      { widthMm: 1200 },
      { risers: 20, goingMm: 300, flights: [10, 10], wellMm: [6600, 1200] },
    ],
    // 22 of 163.6, 303: 7 treads · 303 = 2121 of 2200 across.
    ['threeFlight', 3600, 'general', { well: well(4200, 4200) }, { risers: 22, goingMm: 303, flights: [8, 7, 7] }],
    // (2000 − 150) / 2 = 925 wide, measured in the middle at 537.5: 3377 round. Over the first treads lies the platform, 925 deep:
    // (3377 − 925) · 200 / (2000 + 50) = 239.
    ['spiral', 2800, 'private', { widthMm: null, well: well(2000, 2000) }, { risers: 14, goingMm: 230, flights: [14] }],
    // 20 treads · 287 and a platform of 1200 are 6940 round; or the platform over treads, 1200 + 287 · (2032 + 50) / 171.4 = 4686
    // round, 745.8 from the middle: 440.8 to the narrow end, so 2 · (440.8 + 1200).
    ['circular', 3600, 'public', { widthMm: 1200 }, { risers: 21, goingMm: 287, flights: [21], wellMm: [3282, 3282] }],
  ] as const)('%s of %s, %s', (form, height, rules, more, best) => {
    const [first] = solved(form, height, rules, more);
    expect(short(first!)).toMatchObject(best);
    expect(first!.verdict).toBe('ok');
  });

  it('is not climbed where no count and no deal would do', () => {
    expect(solved('straight', 3300, 'general')).toEqual([]);
    expect(solved('halfLanding', 5400, 'public', { widthMm: 1250, well: well(5000, 2700) })).toEqual([]);
    expect(solved('halfLanding', 3000, 'private', { widthMm: 1000, well: well(4000, 1900) })).toEqual([]);
    expect(solved('spiral', 3300, 'public', { widthMm: null, well: well(1600, 1600) })).toEqual([]);
  });

  it('with winders narrow ends and the walking line are as deep as the rule set asks', () => {
    for (const form of ['quarterWinders', 'halfWinders'] as const) {
      const turn = form === 'quarterWinders' ? Math.PI / 2 : Math.PI;
      for (const { flights, goingMm, wellMm } of solved(form, 2700, 'private', { widthMm: 900 }).slice(0, 100)) {
        const [before, tapered, after] = flights as [number, number, number];
        // What the well leaves round the newel: lengthwise behind the longer flight.
        const longer = form === 'quarterWinders' ? before : Math.max(before, after - 1);
        const inner = wellMm[0] - longer * goingMm - 900;
        expect((turn * inner) / tapered).toBeGreaterThan(50 - 1e-6);
        expect((turn * (inner + 450)) / tapered).toBeGreaterThan(goingMm - 1e-6);
      }
    }
  });

  it('risers and going that are typed are judged, with each limit they break and its source', () => {
    const [judged] = solved('straight', 3000, 'private', { risers: 12, goingMm: 210 });
    expect(judged).toMatchObject({ risers: 12, riserMm: 250, goingMm: 210 });
    expect(judged!.verdict).toEqual([
      'riser 250 over 220 (Public guidance on stairs: private)',
      'going 210 under 220 (Public guidance on stairs: private)',
      '2 risers and a going 710 over 700 (Public guidance on stairs: private)',
      'pitch 50 over 42 (Public guidance on stairs: private)',
    ]);
    expect(solved('straight', 3000, 'private', { risers: 15 })[0]!.verdict).toBe('ok');
  });
});

/** What is a stair in a form, written down without the solver: the well it fills for a deal and a going, in millimetres. */
const FILLS: Partial<
  Record<StairForm, (flights: number[], going: number, w: number, landing: number) => [number, number]>
> = {
  straight: ([n], g, w) => [(n! - 1) * g, w],
  straightLanding: ([a, b], g, w, l) => [(a! + b! - 2) * g + l, w],
  quarterLanding: ([a, b], g, w) => [(a! - 1) * g + w, (b! - 1) * g + w],
  halfLanding: ([a, b], g, w, l) => [(Math.max(a!, b!) - 1) * g + l, 2 * w],
  threeFlight: ([a, b, c], g, w) => [(Math.max(a!, c!) - 1) * g + w, (b! - 1) * g + 2 * w],
  fourFlight: ([a, b, c, d], g, w) => [(Math.max(a!, c!) - 1) * g + 2 * w, (Math.max(b!, d!) - 1) * g + 2 * w],
};
const PARTS: Partial<Record<StairForm, number>> = {
  straight: 1,
  straightLanding: 2,
  quarterLanding: 2,
  halfLanding: 2,
  threeFlight: 3,
  fourFlight: 4,
};

/** Nearest to the pace that any count, deal and whole going in a well comes; null where none is allowed. Tries them all. */
function byForce(
  form: StairForm,
  height: number,
  [length, width]: [number, number],
  w: number,
  name: RuleSet,
): number | null {
  const r = STAIR_RULES[name];
  const landing = Math.min(w, r.landingCapMm ?? w);
  const parts = PARTS[form]!;
  let best: number | null = null;
  const tryDeal = (flights: number[], going: number, riser: number) => {
    if (
      flights.some(
        (each) =>
          (r.risersMost !== null && each > r.risersMost) ||
          (r.flightRiseMost !== null && each * riser > r.flightRiseMost),
      )
    )
      return;
    const [needL, needW] = FILLS[form]!(flights, going, w, landing);
    if (needL > length + 1e-6 || needW > width + 1e-6) return;
    const miss = Math.abs(2 * riser + going - 630);
    if (best === null || miss < best) best = miss;
  };
  const deal = (left: number, flights: number[], going: number, riser: number): void => {
    if (flights.length === parts - 1) return tryDeal([...flights, left], going, riser);
    for (let here = 1; here < left; here += 1) deal(left - here, [...flights, here], going, riser);
  };
  for (let n = 2; n <= 80; n += 1) {
    const riser = height / n;
    if (riser < r.riserMm.least || riser > r.riserMm.most) continue;
    for (let going = 200; going <= 460; going += 1) {
      if (going < r.goingMm.least || (r.goingMm.most !== null && going > r.goingMm.most)) continue;
      const pace = 2 * riser + going;
      if (r.pace.isLimit && (pace < r.pace.least || pace > r.pace.most)) continue;
      if (r.pitchMostDeg !== null && riser / going > Math.tan((r.pitchMostDeg * Math.PI) / 180) + 1e-9) continue;
      deal(n, [], going, riser);
    }
  }
  return best;
}

describe('against a search of everything', () => {
  const cases = fc.record({
    form: fc.constantFrom(
      ...(['straight', 'straightLanding', 'quarterLanding', 'halfLanding', 'threeFlight'] as const),
    ),
    height: fc.integer({ min: 700, max: 3600 }),
    length: fc.integer({ min: 1500, max: 7000 }),
    width: fc.integer({ min: 900, max: 5000 }),
    flight: fc.integer({ min: 800, max: 1400 }),
    rules: fc.constantFrom(...(['public', 'general', 'private'] as const)),
  });
  it('none better exists, and where it says none exists, none does', () => {
    fc.assert(
      fc.property(cases, ({ form, height, length, width, flight, rules }) => {
        const forced = byForce(form, height, [length, width], flight, rules);
        const [best] = solved(form, height, rules, { widthMm: flight, well: well(length, width) });
        if (forced === null) return expect(best).toBeUndefined();
        expect(Math.abs(best!.paceMm - 630)).toBeLessThanOrEqual(forced + 0.5 + 1e-5);
      }),
      { numRuns: 150, seed: 3 },
    );
  });

  it('four flights too', () => {
    for (const [height, side, flight] of [
      [3000, 3200, 900],
      [3000, 2600, 900],
      [4200, 4200, 1000],
      [2400, 2500, 800],
    ] as const) {
      const forced = byForce('fourFlight', height, [side, side], flight, 'private');
      const [best] = solved('fourFlight', height, 'private', { widthMm: flight, well: well(side, side) });
      if (forced === null) expect(best).toBeUndefined();
      else expect(Math.abs(best!.paceMm - 630)).toBeLessThanOrEqual(forced + 0.5 + 1e-5);
    }
  });
});

describe('laws of every form', () => {
  const asked = fc.record({
    form: fc.constantFrom(...STAIR_FORMS),
    height: fc.integer({ min: 2400, max: 12_000 }),
    flight: fc.integer({ min: 700, max: 1600 }),
    rules: fc.constantFrom(...(['public', 'general', 'private'] as const)),
  });
  it('risers add up to the storey, goings are whole, and the well it asks for is one it stands in as well', () => {
    fc.assert(
      fc.property(asked, ({ form, height, flight, rules }) => {
        const found = solved(form, height, rules, { widthMm: flight });
        for (const each of found.slice(0, 8)) {
          expect(each.flights.reduce((sum, n) => sum + n, 0)).toBe(each.risers);
          expect(each.riserMm * each.risers).toBeCloseTo(height, 3);
          expect(Number.isInteger(each.goingMm)).toBe(true);
          const [lengthMm, widthMm] = each.wellMm;
          const again = solved(form, height, rules, { widthMm: flight, well: { lengthMm, widthMm } });
          expect(
            again.some(
              ({ risers, goingMm, flights }) =>
                risers === each.risers && goingMm === each.goingMm && flights.join() === each.flights.join(),
            ),
          ).toBe(true);
          // In a shorter one it does not.
          const shorter = solved(form, height, rules, {
            widthMm: flight,
            well: { lengthMm: lengthMm - 2, widthMm: form === 'spiral' || form === 'circular' ? widthMm - 2 : widthMm },
          });
          const isThere = shorter.some(
            ({ risers, goingMm, flights }) =>
              risers === each.risers && goingMm === each.goingMm && flights.join() === each.flights.join(),
          );
          if (form !== 'spiral' && form !== 'circular') expect(isThere).toBe(false);
        }
      }),
      { numRuns: 60, seed: 5 },
    );
  });

  it('the best comes first: nearest to the pace, fewest risers, flights most alike', () => {
    const found = solved('quarterLanding', 3000, 'private');
    const onPace = found.filter(({ paceMm }) => Math.abs(paceMm - 630) <= 0.5 + 1e-6);
    expect(found.slice(0, onPace.length)).toEqual(onPace);
    expect(onPace.map(({ risers }) => risers)).toEqual([...onPace.map(({ risers }) => risers)].sort((a, b) => a - b));
    expect(found[0]!.flights[0]! - found[0]!.flights[1]!).toBeLessThanOrEqual(1);
  });
});
