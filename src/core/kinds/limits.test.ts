import { everyCommand } from '../testing/every-command';
import { FURNISHED, given, levelId, refusal, step } from '../testing/given';
import { numbersFrom } from '../testing/random-commands';
import { RICH, square } from '../testing/rich';
import { IS_SOAK, SOAK_MS } from '../testing/soak';
import { calledIn } from '../commands/refer';
import { plan } from '../commands/commands';
import { derivedCommandId, type Id } from '../model/ids';
import { apply, NO_CHANGES, type Changes } from '../model/changes';
import { fieldWords } from '../model/field-words';
import { recordsOf, type Framework } from '../model/framework';
import type { Kind, Rec } from '../model/kinds';
import { mmOf } from '../dimensions/resolve-length';
import { reportOf } from '../report/report';
import { solve, Solver } from '../solving/solve';
import type { Length } from '../units/parse-length';
import { isWithin } from './bounds';
import { faultAfter } from './integrity';
import { called, RECORD_KINDS, walkOfKind } from './records';
import { walkOf } from './walk';

const tower = given(
  [
    ['dimensions.define', { name: 'w', value: 250 }],
    ['dimensions.define', { name: 'wide', value: '2 * w' }],
    ['floors.change', { floor: 'Plate', thicknessMm: 'w' }],
    ['columns.change', { column: 'B-2', section: { shape: 'rectangle', widthMm: 'wide', depthMm: 500 } }],
  ],
  given(FURNISHED),
);
const set = (value: number | string, framework = tower, name = 'w') =>
  refusal(framework, 'dimensions.define', { name, value });
const fault = (framework: Framework, changes: Changes) =>
  faultAfter(apply(framework, changes), changes, framework, calledIn)?.message ?? null;
const changed = (id: Id, path: string, from: unknown, to: unknown): Changes => ({
  ...NO_CHANGES,
  patched: [{ id, fields: { [path]: [from, to] as never } }],
});

describe('a limit holds whatever a length is worked out from', () => {
  it('a dimension that would break one is refused with all it would do, straight or by another dimension', () => {
    expect(set(-500)).toBe(
      'Dimension w cannot be −500 mm: floor plate Plate would have a thickness of −500 mm (at least 20 mm), column stack B-2 a width of −1000 mm (at least 50 mm)',
    );
    expect(set(19)).toMatch(/floor plate Plate would have a thickness of 19 mm .*column stack B-2 a width of 38 mm/);
    expect(set(10_001)).toMatch(/Plate would have a thickness of 10001 mm \(at most 10000 mm\)/);
    expect(solve(step(tower, 'dimensions.define', { name: 'w', value: '1"' }).after).floors[0]!.thicknessMm).toBe(25.4);
  });

  it('of ten things three are named and the others counted', () => {
    const columns = given(
      [['columns.change', { columns: ['A-1', 'A-2', 'A-3', 'B-1'], section: { shape: 'circle', diameterMm: 'w' } }]],
      tower,
    );
    expect(set(0, columns)).toMatch(/^(.*, ){2}.* and \d+ more$/);
  });

  it('storeys keep their order and stand apart', () => {
    const storeys = given([['levels.setHeight', { level: '02', heightMm: '13 * w + 50', mode: 'push' }]], tower);
    expect(set('-3m', storeys)).toMatch(/thickness of −3000 mm/);
    const high = given(
      [
        ['dimensions.define', { name: 'h', value: 3300 }],
        ['levels.setHeight', { level: '02', heightMm: 'h', mode: 'push' }],
      ],
      tower,
    );
    expect(set(-3000, high, 'h')).toBe(
      'Dimension h cannot be −3000 mm: Level 03 would pass level 02. Levels keep their order',
    );
    expect(set(0, high, 'h')).toMatch(/h cannot be 0 mm: Levels 0[23] and 0[23] would stand at one height/);
    expect(
      solve(step(high, 'dimensions.define', { name: 'h', value: 3000 }).after).levels.map(({ fflMm }) => fflMm),
    ).toEqual([-7500, -3900, 0, 5400, 10_200, 13_200, 16_500, 19_800]);
  });

  it('sizes that hang on each other fit each other', () => {
    const framework = given(
      [
        ['dimensions.define', { name: 'web', value: 12 }],
        [
          'columns.change',
          { column: 'B-2', section: { shape: 'I', widthMm: 300, depthMm: 300, webMm: 'web', flangeMm: 20 } },
        ],
      ],
      tower,
    );
    expect(set(310, framework, 'web')).toMatch(/column stack B-2: its web would be thicker than its section is wide/i);
  });

  it('a file is held to them as well, with the dimension that is to blame', () => {
    const plate = recordsOf(tower, 'floorPlate')[0]!;
    const w = recordsOf(tower, 'dimension').find(({ name }) => name === 'w')!;
    const records = new Map(tower.records).set(w.id, { ...w, value: -500 });
    const all: Changes = { ...NO_CHANGES, added: [...records.values()] };
    expect(faultAfter({ records }, all)?.message).toMatch(
      /The (width of column stack B-2|thickness of floor plate Plate) must be at least .*; it would be −.*, by dimension w/,
    );
    const bare = new Map(tower.records).set(plate.id, { ...plate, thicknessMm: -1 });
    expect(faultAfter({ records: bare }, { ...NO_CHANGES, added: [...bare.values()] })?.message).toBe(
      'The thickness of floor plate Plate must be at least 20 mm and at most 10000 mm; it would be −1 mm',
    );
    const level = tower.records.get(levelId(tower, '03'))!;
    const low = new Map(tower.records).set(level.id, { ...level, heightMm: -3000 } as Rec);
    expect(faultAfter({ records: low }, { ...NO_CHANGES, added: [...low.values()] })?.message).toMatch(/Level 0\d/);
  });

  it('names are one thing’s own, in the building or the project', () => {
    const level = tower.records.get(levelId(tower, '03'))!;
    expect(fault(tower, changed(level.id, 'name', '03', '02'))).toBe(
      'There is a level named 02 already. Choose another name',
    );
    const shaft = recordsOf(tower, 'shaft')[0]!;
    const other = { ...shaft, id: '00000000-0000-4000-8000-000000000001' };
    const added: Changes = { ...NO_CHANGES, added: [other] };
    expect(fault(tower, added)).toMatch(/There is a shaft named S1 already/);
    const two = given(
      [
        ['buildings.add', { name: 'Two' }],
        ['levels.setUp', { building: 'Two', above: '3m' }],
      ],
      tower,
    );
    expect(recordsOf(two, 'level').filter(({ name }) => name === '00')).toHaveLength(2);
  });
});

/** Lengths that may be anything: where something stands, how far something is off, heights held in order as a whole. */
const FREE: readonly [Kind | '*', RegExp][] = [
  ['*', /(^|\.)(place|from|to)\.[xy]Mm$|points\.[xy]Mm$|Outline|outline|well|extent/],
  ['*', /(startsAt|stopsAt|baseAt|eavesAt|top)\.offsetMm$/],
  ['project', /^survey\./],
  ['building', /^[xy]Mm$/],
  ['level', /^heightMm$/],
  ['gridSystem', /^[xy]Mm$/],
  ['gridLine', /^path\.[xy][01]?Mm$/],
  ['columnStack', /^(holds\.offsetMm|exceptions\.[xy]Mm)$/],
  ['dimension', /^value$/],
];

it('every length of every kind has limits, or is known to need none', () => {
  const found: string[] = [];
  for (const { kind, schema } of RECORD_KINDS) {
    const [lengths, limited] = [new Set<string>(), new Set<string>()];
    for (const record of [...rich.records.values()].filter((each) => each.kind === kind))
      walkOf(schema)?.see(record, (mark, _, path) => {
        if (mark.is === 'length') lengths.add(path);
        if (mark.is === 'within') limited.add(path);
      });
    for (const path of lengths)
      if (!limited.has(path) && !FREE.some(([of, free]) => (of === '*' || of === kind) && free.test(path)))
        found.push(`${kind} ${path}`);
  }
  expect(found).toEqual([]);
});

const rich = given([...RICH, ['ceilings.add', { building: 'West', outline: square(3000), heightMm: 2500 }]]);

/** Every bounded length of a framework with what it may be. */
function limitsIn(framework: Framework) {
  return [...framework.records.values()].flatMap((record) => {
    const found: { record: Rec; path: string; field: string; mm: number; outside: number[] }[] = [];
    walkOfKind(record.kind)?.see(record, (mark, value, path) => {
      if (mark.is !== 'within') return;
      const { atLeastMm, moreThanMm, atMostMm } = mark.bounds;
      const below = moreThanMm ?? (atLeastMm === undefined ? [] : atLeastMm - 1);
      found.push({
        record,
        path,
        field: fieldWords(path.split('.').at(-1)!),
        mm: mmOf(framework, value as Length),
        outside: [below, atMostMm === undefined ? [] : atMostMm + 1].flat(),
      });
    });
    return found;
  });
}

it('every bounded length of every kind is refused outside its limits, by its thing and its field', () => {
  const plain = limitsIn(rich).filter(({ path, record }) => typeof (record as never)[path] === 'number');
  expect(new Set(plain.map(({ record, path }) => `${record.kind} ${path}`)).size).toBeGreaterThan(20);
  for (const { record, path, field, mm, outside } of plain)
    for (const value of outside) {
      const said = fault(rich, changed(record.id, path, mm, value));
      expect([called(record), path, said]).toEqual([
        called(record),
        path,
        expect.stringContaining(`The ${field} of ${called(record)} must be`),
      ]);
    }
});

/** A framework in which every length, wherever it stands, is a dimension of its own. */
function allNamed(framework: Framework): Framework {
  const records = new Map<Id, Rec>();
  let n = 0;
  for (const record of framework.records.values()) {
    const next = walkOfKind(record.kind)?.change(record, (mark, value) => {
      if (mark.is !== 'length' || typeof value !== 'number' || record.kind === 'dimension') return undefined;
      const id = derivedCommandId('dimension', String((n += 1)));
      records.set(id, { kind: 'dimension', id, name: `n${n}`, value, note: null });
      return { expr: `{${id}}` };
    });
    records.set(record.id, (next ?? record) as Rec);
  }
  return { records };
}

/** Sizes and counts in a report that are no size, with where they stand. */
function faultsIn(value: unknown, path: string): string[] {
  if (typeof value === 'number') {
    if (!Number.isFinite(value)) return [`${path} is ${value}`];
    const isSize = /(thickness|width|depth|storeyHeight|diameter|perimeter|going|riser)M+m?$|(volumeM3|areaM2)$/i.test(
      path,
    );
    // What is all in others' space owns none of its own: that is a finding.
    const least = /\.volumeM3$/.test(path) ? -Number.MIN_VALUE : 0;
    return isSize && value <= least ? [`${path} is ${value}`] : [];
  }
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([key, each]) => faultsIn(each, `${path}.${key}`));
}

const wrongIn = (framework: Framework, solver: Solver): string[] => {
  const report = reportOf(framework, solver.solve(framework));
  const order = report.levels
    .filter(({ kind }) => kind !== 'datum' && kind !== 'mezzanine')
    .flatMap((level, i, all) =>
      i > 0 && all[i - 1]!.building === level.building && level.fflMm - all[i - 1]!.fflMm < 1
        ? [`order of ${level.name}`]
        : [],
    );
  const found = new Set(solver.solve(framework).findings.flatMap(({ about }) => about));
  const eaten = [...report.columns, ...report.walls, ...report.floors, ...report.ceilings, ...report.foundations]
    .filter(({ id, volumeM3 }) => volumeM3 === 0 && !found.has(id))
    .map(({ id }) => `${id} has no space of its own and nothing says so`);
  return [...faultsIn(report, ''), ...order, ...eaten];
};

describe('no report ever holds a size, an area or an order that is none', () => {
  it(
    'whatever the dimensions of every kind are set to',
    () => {
      const random = numbersFrom(29);
      const solver = new Solver();
      let framework = allNamed(rich);
      const dimensions = recordsOf(framework, 'dimension');
      expect(dimensions.length).toBeGreaterThan(200);
      const counts = { taken: 0, refused: 0 };
      for (let i = 0; i < (IS_SOAK ? 3000 : 250); i += 1) {
        const { name, value } = dimensions[Math.floor(random() * dimensions.length)]!;
        const was = typeof value === 'number' ? value : 0;
        // Now and then near what it was, so that most stays whole.
        const mm = random() < 0.5 ? was * (0.5 + random()) : (random() - 0.4) * 12_000;
        const planned = plan(
          framework,
          'dimensions.define',
          { name, value: mm },
          derivedCommandId('limits', String(i)),
        );
        counts[planned.ok ? 'taken' : 'refused'] += 1;
        if (!planned.ok) continue;
        framework = planned.value.after;
        if (i % 4 === 0) expect([i, name, mm, wrongIn(framework, solver)]).toEqual([i, name, mm, []]);
      }
      expect(Math.min(counts.taken, counts.refused)).toBeGreaterThan(25);
    },
    SOAK_MS,
  );

  it(
    'whatever commands are taken',
    () => {
      const solver = new Solver();
      let n = 0;
      everyCommand(17, IS_SOAK ? 20 : 2, 30, ({ name, after }) => {
        n += 1;
        for (const { record, path, mm } of n % 5 === 0 ? limitsIn(after) : [])
          expect([name, called(record), path, mm, isWithin(mm, boundsAt(record, path))]).toEqual([
            name,
            called(record),
            path,
            mm,
            true,
          ]);
        if (n % 4 === 0) expect([name, n, wrongIn(after, solver)]).toEqual([name, n, []]);
      });
      expect(n).toBeGreaterThan(200);
    },
    SOAK_MS,
  );
});

function boundsAt(record: Rec, wanted: string) {
  let found = {};
  walkOfKind(record.kind)?.see(record, (mark, _, path) => {
    if (mark.is === 'within' && path === wanted) found = mark.bounds;
  });
  return found;
}
