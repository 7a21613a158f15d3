import { parseLengthIn } from '../dimensions/resolve-length';
import { parseBays } from '../units/parse-bays';
import { EMPTY_FRAMEWORK, recordsOf, type Framework } from '../model/framework';
import { readEntry } from '../entry/read-entry';
import { solve } from '../solving/solve';
import { step } from './given';
import type { LengthUnit } from '../units/length-units';

/** One building, typed by a person in feet and by one in millimetres: each line twice. */
const TYPED: [feet: string, metric: string][] = [
  [
    `grid 2@24' 11'-9 3/4" 3@23'-7 1/2" by 21'-8" 2@25'-7 1/16" turned 6.1`,
    'grid 2@7315.2mm 3600.45mm 3@7200.9mm by 6604mm 2@7799.3875mm turned 6.1',
  ],
  [`set out 8 1/4" inside A,D named Face`, 'set out 209.55 inside A,D named Face'],
  [
    `columns at A,D x 1-6 1'-7 11/16"x1'-4" interior on Face A,Face D`,
    'columns at A,D x 1-6 500.0625x406.4 interior on Face A,Face D',
  ],
  [`floor grid + 11 13/16" 9 7/8" thick`, 'floor grid + 300.0375 250.825 thick'],
  [`shaft B-3 + 2',4' 7'-10 1/2"x8'-10" lift named L1`, 'shaft B-3 + 609.6,1219.2 2400.3x2692.4 lift named L1'],
  [`level 01 to 18'-0 5/8"`, 'level 01 to 5502.275'],
  [`split bay 5 at 9'-10" as .1`, 'split bay 5 at 2997.2 as .1'],
];

function built(column: 0 | 1, unit: LengthUnit): Framework {
  const start = [
    ['buildings.add', { name: 'House' }],
    ['levels.setUp', { above: [5486.4, 4876.8, 3352.8, 3352.8], below: [3962.4] }],
  ] as const;
  const begun = start.reduce<Framework>(
    (now, [name, input], i) => step(now, name, input, String(i)).after,
    EMPTY_FRAMEWORK,
  );
  return TYPED.reduce<Framework>((now, lines, i) => {
    const entered = readEntry(lines[column], { framework: now, building: recordsOf(now, 'building')[0]!.id, unit });
    if (!entered.ok) throw new Error(`${lines[column]}: ${entered.refusal.message}`);
    return step(now, entered.value.command, entered.value.input, `line ${i}`).after;
  }, begun);
}

/** Every number of a value with where it stands, ids left out. */
function numbersOf(value: unknown, path = ''): [string, number][] {
  if (typeof value === 'number') return [[path, value]];
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([key, field]) => numbersOf(field, `${path}.${key}`));
}

describe('the same building typed in feet and inches and in millimetres', () => {
  const [feet, metric] = [built(0, 'ft'), built(1, 'mm')];

  it('has the same inputs to a millionth of a millimetre', () => {
    const inputs = (framework: Framework) =>
      [...framework.records.values()]
        .map(({ id: _, ...record }) => numbersOf(record))
        .sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1))
        .flat();
    const [a, b] = [inputs(feet), inputs(metric)];
    expect(a.map(([path]) => path)).toEqual(b.map(([path]) => path));
    a.forEach(([path, value], i) => expect([path, Math.abs(value - b[i]![1]) <= 1e-6]).toEqual([path, true]));
    expect(a.length).toBeGreaterThan(120);
  });

  it('has the same polygons, columns and crossings to 2/1000 of a millimetre', () => {
    const derived = (framework: Framework) => {
      const solved = solve(framework);
      return [
        ...Object.values(solved.profiles).flatMap(({ regions }) => numbersOf(regions)),
        ...solved.columns.flatMap(({ at, bottomMm, topMm }) => numbersOf([at, bottomMm, topMm])),
        ...solved.crossings.flatMap(({ at }) => numbersOf(at)),
      ]
        .map(([, value]) => value)
        .sort((p, q) => p - q);
    };
    const [a, b] = [derived(feet), derived(metric)];
    expect(a).toHaveLength(b.length);
    a.forEach((value, i) => expect(Math.abs(value - b[i]!)).toBeLessThan(2e-3));
  });
});

it('takes both in one project and one line: feet beside metres, whatever the field’s unit', () => {
  const mm = (text: string, unit: LengthUnit) => {
    const parsed = parseLengthIn(EMPTY_FRAMEWORK, text, { unit });
    return parsed.ok ? parsed.value.mm : null;
  };
  expect([mm(`11'-4" + 2m`, 'mm'), mm(`11'-4" + 2m`, 'ft')]).toEqual([5454.4, 5454.4]);
  const bays = parseBays(`2@24' 3.6m 11'-9 3/4"`, { unit: 'mm' });
  expect(bays.ok && bays.value.baysMm).toEqual([7315.2, 7315.2, 3600, 3600.45]);
});
