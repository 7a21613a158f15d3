import { GROWN, leastGrowth, nearestHeight } from './least-change';
import { STAIR_RULES } from './rule-sets';
import { stairCandidates, type StairAsked } from './stair-candidates';

/**
 * An independent search, which imports nothing of the solver: limits typed again from their tables, every count of
 * risers, every way to deal them, every whole millimetre of going.
 */
const TABLES = {
  public: { riser: [102, 178], going: [279, 1000], pace: null, pitch: null, perFlight: null, rise: 3658 },
  general: { riser: [150, 170], going: [250, 400], pace: [550, 700], pitch: null, perFlight: 12, rise: null },
  private: { riser: [150, 220], going: [220, 300], pace: [550, 700], pitch: 42, perFlight: 36, rise: null },
} as const;
type Table = keyof typeof TABLES;
const LANDING_CAP = { public: 1219, general: Infinity, private: Infinity };

/** Least distance of 2R + G from 630 over all that is allowed; null when nothing is. */
function search(table: Table, height: number, run: number, mostRisers = 120): number | null {
  const { riser, going, pace, pitch, perFlight, rise } = TABLES[table];
  let best: number | null = null;
  for (let n = 2; n <= mostRisers; n += 1) {
    const r = height / n;
    if (r < riser[0] - 1e-9 || r > riser[1] + 1e-9) continue;
    for (let first = 1; first < n; first += 1) {
      const longer = Math.max(first, n - first);
      if (perFlight !== null && longer > perFlight) continue;
      if (rise !== null && longer * r > rise + 1e-6) continue;
      for (let g = going[0]; g <= going[1]; g += 1) {
        if ((longer - 1) * g > run + 1e-6) break;
        const sum = 2 * r + g;
        if (pace && (sum < pace[0] - 1e-9 || sum > pace[1] + 1e-9)) continue;
        if (pitch !== null && r / g > Math.tan((pitch * Math.PI) / 180) + 1e-12) continue;
        const miss = Math.abs(sum - 630);
        if (best === null || miss < best) best = miss;
      }
    }
  }
  return best;
}

const WELLS = [
  { width: 2500, length: 5200 },
  { width: 2700, length: 5600 },
];
const HEIGHTS = [2700, 3300, 3900, 4800, 5400];
const EYE = 100;

/** What a well leaves for the flights, with the floors' landing outside it or inside. */
function runIn(table: Table, well: (typeof WELLS)[number], isLandingInside: boolean): number {
  const width = (well.width - EYE) / 2;
  const landing = Math.min(width, LANDING_CAP[table]);
  return well.length - landing - (isLandingInside ? width : 0);
}

/** A half turn whose flights have such a run: flights and landing of a metre, which no rule set asks to be less or more. */
const inRun = (heightMm: number, run: number, table: Table): StairAsked => ({
  form: 'halfLanding',
  heightMm,
  well: { lengthMm: run + 1000, widthMm: 2000 + EYE },
  widthMm: 1000,
  rules: STAIR_RULES[table],
});

describe.each(Object.keys(TABLES) as Table[])('steps after the rule set "%s"', (table) => {
  for (const well of WELLS) {
    for (const height of HEIGHTS) {
      for (const isLandingInside of [false, true]) {
        const where = `${height} in ${well.width} × ${well.length}, landing ${isLandingInside ? 'inside' : 'outside'}`;
        it(`${where}: none better exists, and nothing is refused that can be done`, () => {
          const run = runIn(table, well, isLandingInside);
          const [steps = null] = stairCandidates(inRun(height, run, table));
          const best = search(table, height, run);
          if (best === null) return expect(steps).toBeNull();
          expect(steps).not.toBeNull();
          const { risers: count, riserMm, goingMm, flights } = steps!;
          expect(flights[0]! + flights[1]!).toBe(count);
          expect(riserMm * count).toBeCloseTo(height, 4);
          const miss = Math.abs(2 * riserMm + goingMm - 630);
          // Goings are whole millimetres: half of one is no difference, and of equals the fewest risers are taken.
          expect(miss).toBeLessThanOrEqual(best + 0.5 + 1e-6);
          expect(search(table, height, run, count - 1) ?? Infinity).toBeGreaterThan(best + 0.5);
          expect((Math.max(...flights) - 1) * goingMm).toBeLessThanOrEqual(run + 1e-6);
        });
      }
    }
  }

  it('a storey of 7 m in the short well: refused with the least run that would do, or climbed within the limits', () => {
    const run = runIn(table, WELLS[0]!, false);
    const asked = inRun(7000, run, table);
    const [steps, best] = [stairCandidates(asked)[0], search(table, 7000, run)];
    expect(steps === undefined).toBe(best === null);
    if (steps) return;
    const by = leastGrowth(asked, GROWN.longerWell);
    if (by === null) {
      // No well would do; another height does.
      for (const longer of [run * 2, run * 10]) expect(search(table, 7000, longer)).toBeNull();
    } else {
      expect(search(table, 7000, run + by)).not.toBeNull();
      expect(search(table, 7000, run + by - 1)).toBeNull();
      expect(stairCandidates(inRun(7000, run + by, table))).not.toEqual([]);
    }
    const height = nearestHeight(asked)!;
    expect(search(table, height, run)).not.toBeNull();
    for (let off = 10; off < Math.abs(height - 7000); off += 10) {
      expect([search(table, 7000 - off, run), search(table, 7000 + off, run)]).toEqual([null, null]);
    }
  });
});
