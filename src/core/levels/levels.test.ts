import fc from 'fast-check';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, SMALL_TOWER, step, afterFrom } from '../testing/given';
import { fittingName, freeName, nextName, numbersWithout } from './names';
import { removalPreview } from './remove-level';
import { levelById, levelsOf } from './resolve-levels';
import type { CommandInputs } from '../commands/command-inputs';

const bare = given(SMALL_TOWER);
const furnished = given(FURNISHED);

/** Names and elevations, lowest first. */
const heights = (framework: Framework): Record<string, number> =>
  Object.fromEntries(
    levelsOf(framework, recordsOf(framework, 'building')[0]!.id).map(({ record, fflMm }) => [record.name, fflMm]),
  );
const after = afterFrom(bare);

describe('setting up', () => {
  it('gives counts and heights above and below ground their names and elevations', () => {
    expect(heights(bare)).toEqual({
      B2: -7500,
      B1: -3900,
      '00': 0,
      '01': 5400,
      '02': 10200,
      '03': 15000,
      '04': 18300,
      RF: 21600,
    });
    expect(solve(bare).levels.map(({ storeyHeightMm }) => storeyHeightMm)).toEqual([
      3600,
      3900,
      5400,
      4800,
      4800,
      3300,
      3300,
      null,
    ]);
    expect(levelById(bare, levelId(bare, 'B1'))!.record.levelKind).toBe('basement');
  });

  it('passes over skipped numbers and follows naming patterns', () => {
    const made = given([
      ['buildings.add', { name: 'Skips' }],
      [
        'levels.setUp',
        {
          above: '14@3m',
          below: '2@3m',
          skip: [13],
          groundMm: '1.2m',
          names: { basement: 'U{n}', ground: 'G', upper: 'L{n}', roof: 'Top' },
        },
      ],
    ]);
    const names = Object.keys(heights(made));
    expect(names.slice(0, 3)).toEqual(['U2', 'U1', 'G']);
    expect(names).not.toContain('L13');
    expect(names.slice(-3)).toEqual(['L12', 'L14', 'Top']);
    expect(heights(made)).toMatchObject({ G: 1200, L1: 4200, U1: -1800 });
    expect(numbersWithout(4, [2, 3])).toEqual([1, 4, 5, 6]);
  });

  it('is refused for a building that has levels, for no height and for running elevations', () => {
    expect(refusal(bare, 'levels.setUp', { above: '3m' })).toMatch(/has levels already/);
    const empty = given([['buildings.add', { name: 'E' }]]);
    expect(refusal(empty, 'levels.setUp', { above: '' })).toMatch(/ground floor at least/);
    expect(refusal(empty, 'levels.setUp', { above: '0 3000 6000' })).toMatch(/not running elevations/);
    expect(refusal(empty, 'levels.setUp', { above: '2@-3m' })).toMatch(/above/);
  });
});

describe('moving a level', () => {
  it('with push takes everything above along, and below ground everything below', () => {
    expect(heights(after('levels.setElevation', { level: '01', fflMm: '5.55m', mode: 'push' }))).toMatchObject({
      '00': 0,
      '01': 5550,
      '02': 10350,
      RF: 21750,
      B1: -3900,
    });
    expect(heights(after('levels.setElevation', { level: 'B1', fflMm: -4200, mode: 'push' }))).toMatchObject({
      B2: -7800,
      B1: -4200,
      '00': 0,
      RF: 21600,
    });
  });

  it('with only this leaves every other level where it is', () => {
    for (const [level, fflMm] of [
      ['01', 5550],
      ['B1', -4200],
      ['00', 300],
      ['RF', 22000],
    ] as const) {
      expect(heights(after('levels.setElevation', { level, fflMm, mode: 'only' }))).toEqual({
        ...heights(bare),
        [level]: fflMm,
      });
    }
  });

  it('never moves a locked level, and never lets two change places or meet', () => {
    const locked = after('levels.change', { level: '03', locked: true });
    expect(refusal(locked, 'levels.setElevation', { level: '01', fflMm: 5550, mode: 'push' })).toMatch(/03 is locked/);
    expect(heights(after('levels.setElevation', { level: '01', fflMm: 5550, mode: 'only' }, locked))['01']).toBe(5550);
    expect(refusal(bare, 'levels.setElevation', { level: '01', fflMm: 10200, mode: 'only' })).toMatch(/one height/);
    expect(refusal(bare, 'levels.setElevation', { level: '01', fflMm: 10500, mode: 'only' })).toMatch(/would pass/);
  });

  it('by a storey height: push moves what is above, only this takes it from the storey above', () => {
    expect(heights(after('levels.setHeight', { level: '01', heightMm: `16'`, mode: 'push' }))).toMatchObject({
      '02': 10276.8,
      RF: 21676.8,
    });
    expect(heights(after('levels.setHeight', { level: '01', heightMm: 5000, mode: 'only' }))).toMatchObject({
      '02': 10400,
      '03': 15000,
    });
    expect(heights(after('levels.setHeight', { level: 'B2', heightMm: 4000, mode: 'push' }))).toMatchObject({
      B2: -7900,
      B1: -3900,
    });
    expect(refusal(bare, 'levels.setHeight', { level: 'RF', heightMm: 3000 })).toMatch(/no storey above level RF/);
  });

  it('push and push back gives the same heights, whatever the level and distance', () => {
    const names = Object.keys(heights(bare));
    fc.assert(
      fc.property(fc.constantFrom(...names), fc.integer({ min: -64 * 2000, max: 64 * 2000 }), (level, n) => {
        const from = heights(bare)[level]!;
        const there = step(bare, 'levels.setElevation', { level, fflMm: from + n / 64, mode: 'push' }).after;
        const back = step(there, 'levels.setElevation', { level, fflMm: from, mode: 'push' }).after;
        expect(heights(back)).toEqual(heights(bare));
      }),
    );
  });
});

describe('inserting', () => {
  it('between two levels moves nothing, or pushes the others by the height of the new storey', () => {
    expect(heights(after('levels.insert', { level: '01', heightMm: '2.4m', mode: 'only', name: '01M' }))).toEqual({
      ...heights(bare),
      '01M': 7800,
    });
    const pushed = heights(after('levels.insert', { level: '01', heightMm: 3000, mode: 'push', name: 'N' }));
    expect(pushed).toMatchObject({ '01': 5400, N: 10200, '02': 13200, RF: 24600, B2: -7500 });
    const below = heights(after('levels.insert', { level: 'B1', heightMm: 3000, mode: 'push', name: 'N' }));
    expect(below).toMatchObject({ '00': 0, RF: 21600 });
  });

  it('above the top and below the bottom carries the numbering on', () => {
    expect(heights(after('levels.insert', { level: 'B2', side: 'below', heightMm: 3000 }))).toMatchObject({
      B3: -10500,
    });
    // The roof stays over all: what is put above it goes in under it.
    const more = after('levels.insert', { level: 'RF', heightMm: 3000, mode: 'only' });
    expect(heights(more)).toEqual({ ...heights(bare), '05': 21600, RF: 24600 });
    expect(heights(after('levels.insertMany', { level: 'RF', heights: '3m 4m', mode: 'only' }))).toMatchObject({
      '05': 21600,
      '06': 24600,
      RF: 28600,
    });
    expect(heights(after('levels.insert', { level: '00', side: 'below', heightMm: 3000 }))).toHaveProperty('B1a');
    // Over a datum that lies above the roof there is no storey either.
    const datum = given(
      [
        ['levels.insert', { level: '04', heightMm: 1000, name: 'PP', mode: 'only' }],
        ['levels.change', { level: 'PP', levelKind: 'datum' }],
        ['levels.setElevation', { level: 'PP', fflMm: 22_800, mode: 'only' }],
      ],
      bare,
    );
    expect(heights(after('levels.insert', { level: 'PP', heightMm: 3000 }, datum))).toMatchObject({
      '05': 21600,
      RF: 24600,
      PP: 25800,
    });
    expect(refusal(bare, 'levels.insert', { level: '01', heightMm: 6000, mode: 'only' })).toMatch(/4800 high/);
    expect([nextName('L09'), nextName('RF'), freeName('01', new Set(['01', '01a']))]).toEqual(['L10', 'RF+', '01b']);
  });

  it('gives names that fit: numbers go on, skipped ones are taken up, letters come between', () => {
    const at = (name: string, isBasement = false) => ({ name, isBasement });
    const fits = (below: string | null, above: string | null, taken: string) =>
      fittingName(
        below === null ? null : at(below, below.startsWith('B')),
        above === null ? null : at(above, above.startsWith('B')),
        new Set(taken.split(' ')),
      );
    expect([
      fits('01', '02', '01 02'),
      fits('01a', '02', '01 01a 02'),
      fits('12', '14', '12 14'),
      fits('04', 'RF', '04 RF'),
      fits('B3', 'B1', 'B1 B3'),
      fits('B2', 'B1', 'B1 B2'),
      fits('B1', '00', 'B1 00'),
      fits(null, '00', '00 01'),
      fits(null, 'B2', 'B1 B2'),
      fits('L09', null, 'L08 L09'),
      fits('Top', null, '03 04 Top'),
      fits('Top', null, 'Low Top'),
    ]).toEqual(['01a', '01b', '13', '05', 'B2', 'B2a', 'B1a', 'B1', 'B3', 'L10', '05', 'Top+']);
  });

  it('puts the new level under whatever runs past it: columns, typical floors and shafts', () => {
    const solved = solve(after('levels.insert', { level: '01', heightMm: 2400, mode: 'only', name: 'N' }, furnished));
    const id = solved.levels.find(({ name }) => name === 'N')!.id;
    expect(solved.floors.filter(({ level }) => level === id)).toHaveLength(1);
    expect(solved.columns.filter(({ level }) => level === id)).toHaveLength(15);
    expect(solved.shafts[0]!.cuts.some(({ level }) => level === id)).toBe(true);
  });
});

describe('several at once', () => {
  it('are inserted between two levels, the rest pushed by all their heights', () => {
    const more = heights(after('levels.insertMany', { level: '02', heights: '2@3.6m 3m' }));
    expect(Object.values(more)).toEqual([-7500, -3900, 0, 5400, 10200, 15000, 18600, 22200, 25200, 28500, 31800]);
    const down = heights(after('levels.insertMany', { level: 'B2', side: 'below', heights: '2@3m' }));
    expect(down).toMatchObject({ B3: -10500, B4: -13500, B2: -7500, '00': 0 });
    expect(refusal(bare, 'levels.insertMany', { level: '02', heights: '' })).toMatch(/height for each/);
    const locked = after('levels.change', { level: 'RF', locked: true });
    expect(refusal(locked, 'levels.insertMany', { level: '02', heights: '3m' })).toMatch(/RF is locked/);
  });

  it('come from a copy at a distance, with what the level is, and nothing moves', () => {
    const copied = after('levels.copy', { level: 'RF', byMm: 3300, count: 3 });
    expect(heights(copied)).toEqual({ ...heights(bare), '05': 24900, '06': 28200, '07': 31500 });
    const roofs = recordsOf(copied, 'level').filter(({ levelKind }) => levelKind === 'roof');
    expect(roofs.map(({ name }) => name)).toEqual(['07']);
    expect(heights(after('levels.copy', { level: '01', byMm: -1200 }))).toMatchObject({ '00a': 4200, '01': 5400 });
    expect(refusal(bare, 'levels.copy', { level: '01', byMm: 4800 })).toMatch(/02 stands at \+10.200/);
    expect(refusal(bare, 'levels.copy', { level: '01', byMm: 0 })).toMatch(/same place/);
  });

  it('come from a storey split into equal parts', () => {
    expect(heights(after('levels.split', { level: '00', parts: 3 }))).toEqual({
      ...heights(bare),
      '00a': 1800,
      '00b': 3600,
    });
    expect(step(bare, 'levels.split', { level: '00', parts: 2 }).sentence).toBe('Storey 00 split into 2 of 2700 mm');
    expect(refusal(bare, 'levels.split', { level: 'RF' })).toMatch(/no storey/);
  });

  it('are named anew by pattern, past skipped numbers; locked ones keep theirs', () => {
    const messy = given(
      [
        ['levels.rename', { level: '02', name: 'Hall' }],
        ['levels.change', { level: 'Hall', locked: true }],
        ['levels.insert', { level: '00', heightMm: 2000, mode: 'only' }],
      ],
      bare,
    );
    const names = Object.keys(
      heights(
        after(
          'levels.renumber',
          { names: { basement: 'U{n}', ground: 'G', upper: 'L{nn}', roof: 'Top' }, skip: [4] },
          messy,
        ),
      ),
    );
    expect(names).toEqual(['U2', 'U1', 'G', 'L01', 'L02', 'Hall', 'L05', 'L06', 'Top']);
    const clash = after('levels.change', { level: '03', locked: true });
    expect(
      refusal(clash, 'levels.renumber', { names: { basement: 'B{n}', ground: '00', upper: '{nn}', roof: '03' } }),
    ).toMatch(/Two levels would be named 03/);
  });
});

describe('a table of levels edited in one act', () => {
  it('takes names, uses, kinds, build-ups and elevations, in whatever order they pass one another', () => {
    const edited = after('levels.editTable', {
      rows: [
        { level: '01', fflMm: 11000, name: 'L1' },
        { level: '02', fflMm: '15.5m', title: 'Gallery', buildUpMm: 120 },
        { level: '03', fflMm: 18800 },
        { level: '04', fflMm: 21000, levelKind: 'plant' },
        { level: 'RF', fflMm: 24000 },
      ],
    });
    expect(heights(edited)).toEqual({
      B2: -7500,
      B1: -3900,
      '00': 0,
      L1: 11000,
      '02': 15500,
      '03': 18800,
      '04': 21000,
      RF: 24000,
    });
    expect(edited.records.get(levelId(edited, '02'))).toMatchObject({ title: 'Gallery', buildUpMm: 120 });
  });
  it('takes storey heights with everything beyond moving along', () => {
    const rows = [
      { level: '00', heightMm: 6000 },
      { level: '01', heightMm: 4000 },
      { level: 'B2', heightMm: 3000 },
    ];
    expect(heights(after('levels.editTable', { rows }))).toMatchObject({
      B2: -6900,
      B1: -3900,
      '00': 0,
      '01': 6000,
      '02': 10000,
      RF: 21400,
    });
  });
  it('is refused whole when any row cannot be', () => {
    const rows = (row: Record<string, unknown>) => ({ rows: [{ level: '00', title: 'X' }, row] });
    expect(refusal(bare, 'levels.editTable', rows({ level: '01', name: '02' }))).toMatch(
      /Two levels would be named 02/,
    );
    expect(refusal(bare, 'levels.editTable', rows({ level: '01', fflMm: 10200 }))).toMatch(/one height/);
    expect(refusal(bare, 'levels.editTable', rows({ level: 'RF', heightMm: 3000 }))).toMatch(/no storey above/);
    expect(refusal(bare, 'levels.editTable', rows({ level: '01', buildUpMm: 5000 }))).toMatch(/2000/);
  });
});

describe('removing', () => {
  it('leaves every other level at its height, whichever goes', () => {
    for (const name of Object.keys(heights(bare))) {
      const { [name]: _, ...rest } = heights(bare);
      expect(heights(after('levels.remove', { level: name }))).toEqual(rest);
    }
  });

  it('says beforehand what starts, stops or is served there', () => {
    const lines = removalPreview(furnished, levelById(furnished, levelId(furnished, 'B2'))!);
    expect(lines).toHaveLength(18);
    expect(lines).toEqual(
      expect.arrayContaining(['shaft S1 starts here', 'column stack C-5 starts here', 'foundation F1 is held to it']),
    );
  });

  it('takes ends to the next level, keeps their height, or deletes what ended there, as chosen', () => {
    const spans = (ends: CommandInputs['levels.remove']['ends']) => {
      const solved = solve(after('levels.remove', { level: 'RF', ends }, furnished));
      return solved.shafts.map(({ topMm }) => topMm);
    };
    expect(spans('nextLevel')).toEqual([18200]);
    expect(spans('keepHeight')).toEqual([21500]);
    expect(spans('delete')).toEqual([]);
    const locked = after('levels.change', { level: '02', locked: true });
    expect(refusal(locked, 'levels.remove', { level: '02' })).toMatch(/locked/);
  });
});

type Rows = CommandInputs['levels.take']['rows'];

describe('a level table', () => {
  it('changes nothing that it has no column for', () => {
    const bare = rows.map(({ name, fflMm }) => ({ name, fflMm, kindIfNew: 'storey' as const }));
    const empty = given([['buildings.add', { name: 'T' }]]);
    const first = given(
      [
        ['levels.rename', { level: '01', title: 'Hall' }],
        ['levels.change', { level: '01', buildUpMm: 150 }],
      ],
      step(empty, 'levels.take', { rows }).after,
    );
    const again = step(first, 'levels.take', { rows: bare }).after;
    expect(again.records).toEqual(first.records);
    // An SSL means the FFL a build-up above it, the level's own where the table says none.
    const ssl = step(first, 'levels.take', { rows: [{ name: '01', sslMm: 4000 }] }).after;
    expect(solve(ssl).levels.find(({ name }) => name === '01')).toMatchObject({ fflMm: 4150, sslMm: 4000 });
  });
  const rows: (Rows[number] & { fflMm: number })[] = [
    { name: 'B1', fflMm: -3000, levelKind: 'basement' },
    { name: '00', fflMm: 0 },
    { name: 'Pool', fflMm: 2000, levelKind: 'mezzanine' },
    { name: '01', fflMm: 4000 },
    { name: 'RF', fflMm: 8000, levelKind: 'roof' },
    { name: 'PP', fflMm: 9200, levelKind: 'datum' },
  ];
  it('sets levels up, and taken again moves those of the same name, which keep their ids', () => {
    const empty = given([['buildings.add', { name: 'T' }]]);
    const first = step(empty, 'levels.take', { rows }).after;
    const solved = solve(first);
    expect(solved.levels.map(({ storeyHeightMm }) => storeyHeightMm)).toEqual([3000, 4000, null, 4000, null, null]);
    const again = step(first, 'levels.take', { rows: rows.map((row) => ({ ...row, fflMm: row.fflMm * 1.1 })) }).after;
    expect(levelId(again, 'RF')).toBe(levelId(first, 'RF'));
    expect(heights(again)).toMatchObject({ RF: 8800, PP: 10120 });
    const raised = step(first, 'levels.setElevation', { level: 'RF', fflMm: 8500, mode: 'push' }).after;
    expect(heights(raised)).toMatchObject({ PP: 9700, Pool: 2000 });
    expect(refusal(first, 'levels.take', { rows: [{ name: '01' }] })).toMatch(
      /Level 01: say either its FFL or its SSL/,
    );
    expect(refusal(first, 'levels.take', { rows: [rows[0], rows[0]] })).toMatch(/Two levels would be named B1/);
  });
});
