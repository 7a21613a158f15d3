import type { Step } from '../commands/command-inputs';
import { contains, ringArea } from '../geometry/polygon';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { given, levelId, refusal, step } from '../testing/given';
import { briefSchema, coreStair, wantedOf } from './brief';
import { coreProposals } from './propose';
import { STAIR_RULES } from '../stairs/rule-sets';

/** Storeys of 4.2 and 3.3 m under a roof, a floor of 30 × 24 m. */
const HOUSE: Step[] = [
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '4.2m 3@3.3m', below: '3.6m' }],
  ['floors.add', { outline: { type: 'rectangle', place: '0,0', widthMm: 30_000, depthMm: 24_000 }, thicknessMm: 200 }],
];
const house = given(HOUSE);
const building = recordsOf(house, 'building')[0]!.id;
const brief = briefSchema.parse({
  lifts: { count: 2 },
  stairs: { count: 2 },
  services: [{ purpose: 'wet', widthMm: 1500, depthMm: 800 }],
});
const asked = (widthMm: number, depthMm: number, own = brief) => ({
  building,
  widthMm,
  depthMm,
  brief: own,
  rules: 'public',
  from: null,
  to: null,
});
const at = { place: '9000,6000' } as const;

describe('the proposer of cores', () => {
  it('gives every stair of a core the least well in which all its storeys are climbed', () => {
    const { stair } = coreStair(brief.stairs, [4200, 3300], STAIR_RULES.public);
    const own = coreStair(brief.stairs, [4200], STAIR_RULES.public).stair!;
    expect(stair).toEqual(own);
    // 4200 in 24 risers of 175: flights of 12, 11 goings of 279 at least, and a landing 1200 deep before and after.
    expect(stair!.wellLengthMm).toBe(Math.ceil((11 * 279 + 1200) / 50) * 50 + 1200);
    expect(stair!.wellWidthMm).toBe(2500);
    expect(coreStair(brief.stairs, [150], STAIR_RULES.public)).toEqual({ stair: null, failsAtMm: 150 });
  });

  it('offers arrangements best first, with fewer banks of lifts and stairs apart', () => {
    const { proposals, refused, served } = coreProposals(house, asked(16_000, 12_000));
    expect(refused).toBeNull();
    expect(served.map(({ record }) => record.name)).toEqual(['B1', '00', '01', '02', '03']);
    expect(proposals.length).toBeGreaterThan(5);
    expect(proposals[0]!.banks).toBe(1);
    const apart = proposals.filter(({ banks }) => banks === 1).map(({ stairsApartMm }) => Math.round(stairsApartMm));
    expect(apart).toEqual([...apart].sort((a, b) => b - a));
  });

  it('says why nothing fits and the least enlargement: with it something does, with 10 mm less nothing', () => {
    const { proposals, refused, enlarged } = coreProposals(house, asked(8000, 8000));
    expect(proposals).toEqual([]);
    expect(refused).toMatch(/^What is asked for does not fit into 8000 mm by 8000 mm. With a core .* it does$/);
    const { widthMm, depthMm } = enlarged!;
    expect(coreProposals(house, asked(widthMm, depthMm)).proposals.length).toBeGreaterThan(0);
    for (const [w, d] of [
      [widthMm - (widthMm > 8000 ? 10 : 0), depthMm - (widthMm > 8000 ? 0 : 10)],
      [widthMm, depthMm - (depthMm > 8000 ? 10 : 0)],
    ] as const)
      if (w !== widthMm || d !== depthMm) expect(coreProposals(house, asked(w, d)).proposals).toEqual([]);
    expect(
      coreProposals(house, asked(9000, 9000, briefSchema.parse({ lifts: { count: 0 }, stairs: { count: 0 } }))).refused,
    ).toMatch(/Say what the core is to hold/);
    expect(
      coreProposals(house, asked(9000, 9000, briefSchema.parse({ lifts: { count: 8 }, stairs: { count: 2 } }))).refused,
    ).toMatch(/at most 9/);
  });

  it('builds each arrangement so that it works: stairs climbed, lifts with pit, overrun and doors, nothing in anything’s way', () => {
    const { proposals } = coreProposals(house, asked(16_000, 12_000));
    proposals.slice(0, 6).forEach((_, choice) => {
      const made = step(house, 'cores.build', {
        name: 'K',
        ...at,
        widthMm: 16_000,
        depthMm: 12_000,
        brief,
        choice,
      }).after;
      const solved = solve(made);
      const about = solved.findings.filter(
        ({ rule }) => !['escape.deadEnd', 'level.noFoundation', 'guard.drop'].includes(rule),
      );
      expect([choice, about.map(({ message }) => message)]).toEqual([choice, []]);
      expect(solved.stairs.flatMap(({ storeys }) => storeys.map(({ steps }) => steps !== null))).toEqual(
        Array(8).fill(true),
      );
      expect(solved.shafts.map(({ purpose }) => purpose).sort()).toEqual(['lift', 'lift', 'wet']);
      const core = recordsOf(made, 'core')[0]!;
      const parts = recordsOf(made, 'wall').length + 3 + 2;
      expect(core.members).toHaveLength(parts);
      // Both stairs lead out, through the lobby and its opening in the core's wall.
      const floor = solved.waysOut.find(({ level }) => level === levelId(made, '02'))!;
      expect(floor.stairs.map(({ to }) => to)).toEqual([levelId(made, '00'), levelId(made, '00')]);
      const outside = floor.rooms.find(({ ring }) => contains(ring, { x: 1000, y: 1000 }));
      if (floor.rooms.length > 1 && outside) expect(outside.mm).not.toBeNull();
    });
  });

  it('builds the same turned about its corner', () => {
    const straight = step(house, 'cores.build', { name: 'K', ...at, widthMm: 16_000, depthMm: 12_000, brief }).after;
    const turned = step(house, 'cores.build', {
      name: 'K',
      place: '22000,4000',
      widthMm: 16_000,
      depthMm: 12_000,
      turnDeg: 90,
      brief,
    }).after;
    const areas = (framework: Framework) =>
      solve(framework)
        .shafts.map(({ ring }) => Math.round(Math.abs(ringArea(ring))))
        .sort();
    expect(areas(turned)).toEqual(areas(straight));
    expect(solve(turned).stairs.map(({ storeys }) => storeys.map(({ steps }) => steps?.count))).toEqual(
      solve(straight).stairs.map(({ storeys }) => storeys.map(({ steps }) => steps?.count)),
    );
    expect(solve(turned).findings.filter(({ rule }) => rule.startsWith('lift.') || rule.startsWith('stair.'))).toEqual(
      [],
    );
  });

  it('refuses in words what cannot be built', () => {
    const build = (input: object) =>
      refusal(house, 'cores.build', { ...at, brief, widthMm: 16_000, depthMm: 12_000, ...input });
    expect(build({ widthMm: 6000, depthMm: 6000 })).toMatch(/does not fit into 6000 mm by 6000 mm/);
    expect(build({ choice: 50 })).toMatch(/There are \d+ arrangements. Choose one of them/);
    expect(build({ rules: 'strict' })).toMatch(/no rule set named strict/);
    expect(build({ startsAt: '02', stopsAt: '02' })).toMatch(/two levels at least/);
  });

  it('arranges ways that all have their doors on their own front', () => {
    const { wanted } = wantedOf(brief, coreStair(brief.stairs, [3300], STAIR_RULES.public).stair);
    for (const { ways } of wanted)
      for (const { frontMm, door } of ways) {
        expect(door[0]).toBeGreaterThanOrEqual(0);
        expect(door[1]).toBeLessThanOrEqual(frontMm);
      }
  });
});
