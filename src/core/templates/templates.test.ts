import fc from 'fast-check';
import { plan } from '../commands/commands';
import { recordsOf, type Framework } from '../model/framework';
import { derivedCommandId } from '../model/ids';
import { solve } from '../solving/solve';
import { given } from '../testing/given';
import { templateWords } from './template-words';
import { beginsWith, templateSteps, TEMPLATES } from './templates';
import type { LengthSystem, Template } from './template';

const BUILDING = 'Quay house';
const SYSTEMS = ['metric', 'imperial'] as const;
const named = (key: string) => TEMPLATES.find((each) => each.key === key)!;

/** What a template makes with some of its numbers typed; throws with the words of what is refused. */
function made(template: Template, typed: Record<string, string> = {}, system: LengthSystem = 'metric'): Framework {
  const steps = templateSteps(template, typed, { building: BUILDING, system });
  if (!steps.ok) throw new Error(`${template.key}: ${steps.refusal.message}`);
  return steps.value.reduce(
    (framework, { command, input }, i) => {
      const planned = plan(framework, command, input, derivedCommandId(template.key, String(i)));
      if (!planned.ok) throw new Error(`${template.key} ${command}: ${planned.refusal.message}`);
      return planned.value.after;
    },
    given([['buildings.add', { name: BUILDING }]]),
  );
}
const refused = (template: Template, typed: Record<string, string>, system: LengthSystem = 'metric') => {
  const steps = templateSteps(template, typed, { building: BUILDING, system });
  return steps.ok ? null : steps.refusal;
};

describe.each(TEMPLATES.map((each) => [each.title, each] as const))('%s', (_, template) => {
  it.each(SYSTEMS)('begins with nothing to look at, in %s', (system) => {
    const solved = solve(made(template, {}, system));
    expect(solved.findings.map(({ message }) => message)).toEqual([]);
    expect(solved.levels.length).toBeGreaterThan(3);
  });

  it.each(SYSTEMS)('is what its fields show to begin with, in %s', (system) => {
    const site = { building: BUILDING, system };
    expect(templateSteps(template, beginsWith(template, system), site)).toEqual(templateSteps(template, {}, site));
  });

  it('has every part of space once, with whatever sizes are typed; what cannot be is refused beforehand', () => {
    const meters = (from: number, to: number) => fc.integer({ min: from * 10, max: to * 10 }).map((n) => `${n / 10}m`);
    const typed = fc.record(
      Object.fromEntries(
        template.numbers.map((number) => {
          const one = meters(
            number.atLeastMm / 1000 + 0.1,
            Math.min(number.atMostMm / 1000, number.atLeastMm / 1000 + 6),
          );
          const list = fc.array(one, { minLength: number.least ?? 1, maxLength: Math.min(number.most ?? 1, 7) });
          return [number.key, number.form === 'length' ? one : list.map((each) => each.join(' '))];
        }),
      ),
    );
    fc.assert(
      fc.property(typed, (numbers) => {
        if (refused(template, numbers)) return;
        const wrong = solve(made(template, numbers)).findings.filter(({ rule }) => /space|clash|barsWall/.test(rule));
        expect(wrong.map(({ message }) => message)).toEqual([]);
      }),
      { numRuns: 12, seed: 7 },
    );
  });
});

describe('what a template is made of', () => {
  it('a tower stands one bay back, its outer columns end under the podium’s roof', () => {
    const solved = solve(made(named('tower-on-podium'), { podium: '5m', tower: '3@3.5m', basements: '' }));
    expect(solved.levels.map(({ name }) => name)).toEqual(['00', '01', '02', '03', 'RF']);
    const at = (level: string) =>
      solved.columns.filter((piece) => piece.level === solved.levels.find(({ name }) => name === level)!.id);
    // 7 × 5 crossings less the one that the core takes; above, 5 × 3 less that one.
    expect([at('00').length, at('01').length]).toEqual([34, 14]);
    expect(recordsOf(made(named('tower-on-podium')), 'core')).toHaveLength(1);
  });

  it('a corridor of a slab block is as wide as typed, its flats have a door each', () => {
    const solved = solve(made(named('slab-block'), { corridor: '2.1m' }));
    const corridor = solved.rooms.filter(({ name }) => name === 'Corridor');
    expect(corridor).toHaveLength(7);
    // Between the outer walls of 400 the whole of 48.6 m long.
    for (const { netMm2 } of corridor) expect(netMm2).toBeCloseTo(2100 * (48_600 - 800), 0);
  });

  it('two houses share one wall, and the second stands as much higher as typed', () => {
    const framework = made(named('two-houses'), { higher: '600' });
    const solved = solve(framework);
    expect(recordsOf(framework, 'wall').filter(({ use }) => use === 'party')).toHaveLength(1);
    expect(solved.buildings.map(({ zeroMm }) => zeroMm).sort()).toEqual([0, 600]);
    expect(solved.findings.map(({ message }) => message)).toEqual([]);
    expect(templateWords(solved, 'metric')).toMatch(/^2 buildings · 3 storeys · 9000 from/);
  });
});

describe('what is typed', () => {
  it.each([
    ['tower-on-podium', { tower: '3@1m' }, 'Tower storeys: 2400 to 12000, not 1000', 'tower'],
    ['tower-on-podium', { across: '3@7.2m' }, 'Bays across: 4 to 16, not 3', 'across'],
    [
      'tower-on-podium',
      { across: '4@4m' },
      /The tower is these bays without the first and the last: 8 m. Its core/,
      'across',
    ],
    ['slab-block', { depth: 'wide' }, /^Depth, outside: /, 'depth'],
    ['slab-block', { corridor: '' }, 'Corridor, clear: type it first', 'corridor'],
    ['low-rise', { deep: '6m 5m' }, /The last bay holds the stair/, 'deep'],
    ['by-heights', { height: '3m' }, /asks for nothing named height/, 'height'],
  ] as const)('of %s: %o is refused in words', (key, typed, words, field) => {
    const refusal = refused(named(key), typed)!;
    expect(refusal.message).toMatch(words);
    expect(refusal.path).toEqual([field]);
  });

  it('is read in feet where people build in feet, and a basement may be left out', () => {
    const feet = solve(made(named('by-heights'), { storeys: "2@12'", basements: '' }, 'imperial'));
    expect(feet.levels.map(({ fflMm }) => fflMm)).toEqual([0, 3657.6, 7315.2]);
    expect(refused(named('by-heights'), { storeys: "2'" }, 'imperial')!.message).toMatch(/not 2'-0"/);
  });
});
