import { recordsOf, type Framework } from '../model/framework';
import type { LengthUnit } from '../units/length-units';
import { solve } from '../solving/solve';
import { given, SMALL_TOWER, step } from '../testing/given';
import { FORMS } from './forms';
import { completions, readEntry } from './read-entry';

const bare = given([...SMALL_TOWER, ['dimensions.define', { name: 'typical', value: 3300 }]]);
const read = (line: string, unit: LengthUnit = 'mm', framework = bare) =>
  readEntry(line, { framework, building: recordsOf(framework, 'building')[0]!.id, unit });
/** Types lines one after the other and answers what they say for the history. */
const typed = (lines: string[], start = bare): [Framework, string[]] =>
  lines.reduce<[Framework, string[]]>(
    ([framework, said], line) => {
      const entered = read(line, 'mm', framework);
      if (!entered.ok) throw new Error(`${line}: ${entered.refusal.message}`);
      const planned = step(framework, entered.value.command, entered.value.input, line);
      return [planned.after, [...said, planned.sentence]];
    },
    [start, []],
  );
const message = (line: string) => {
  const entered = read(line);
  return entered.ok ? 'read' : entered.refusal.message;
};

describe('lines that are typed', () => {
  it('do what the examples of the forms say, each of them', () => {
    const [wide] = typed(
      ['bays across 5@7200', 'bays up 3@6m', 'column A-1 500x500', 'column B-2 500x500'],
      given(SMALL_TOWER),
    );
    const [radial] = typed(['radial 6@15 radii 8m'], given(SMALL_TOWER.filter(([name]) => !name.startsWith('grids'))));
    const [walled] = typed(['wall 01: A-1; 6m e'], wide);
    const [furnished] = typed(['shaft B-3 + 600,1200 2400x2700 lift named S1', 'floor grid + 300'], wide);
    const plate = recordsOf(furnished, 'floorPlate')[0]!.id;
    const [whole] = typed(['whole building on 0,0 12mx9m'], wide);
    const two = typed(['building Annex at 12m,0 zero 600', 'whole building 3@3.3m on 0,0 9mx9m in Annex'], whole)[0];
    const starts: Record<string, Framework> = {
      'turn ray': radial!,
      'carry storey': walled!,
      'party wall': two,
      'flat roof': whole!,
      'pitched roof': whole!,
      falls: whole!,
      'core of': furnished!,
      'guard opening of ST1': typed(['stair 2000,2000 2600x5600 private'], wide)[0],
      'handrail ST1': typed(['stair 2000,2000 2600x5600 private'], wide)[0],
      void: given([['floors.change', { floor: plate, name: 'Plate' }]], furnished),
      zone: given([['floors.change', { floor: plate, name: 'Plate' }]], furnished),
    };
    for (const { example } of FORMS) {
      const start = Object.entries(starts).find(([words]) => example.startsWith(words))?.[1] ?? wide;
      const [after, said] = typed([example], start);
      expect([example, after === start, said[0]!.length > 5]).toEqual([example, false, true]);
    }
  });

  it('are read by one form each, so that their order does not matter', () => {
    const read = FORMS.map(({ example }) =>
      FORMS.filter(({ matches }) => matches.test(example)).map(({ words }) => words),
    );
    expect(read).toEqual(FORMS.map(({ words }) => [words]));
  });

  it.each<[string[], unknown]>([
    [['levels 2 @ 3.6m above 02'], ['2 levels inserted above 02']],
    [['level 01 to 5.55m'], ['Level 01 raised 150 mm to +5.550, pushing the levels beyond']],
    [['level 01 to 5400 + 150 only'], ['Level 01 raised 150 mm to +5.550, only this level']],
    [['storey 00 typical + 2m'], ['Storey 00 made 5300 mm high']],
    [['split storey 00 in 3'], ['Storey 00 split into 3 of 1800 mm']],
    [['NAME LEVEL rf Top'], ['Level RF is now Top']],
    [
      ['bays across 5@8100', 'line 3 by -600 only'],
      ['Bays typed anew: 5@8100 mm', expect.stringContaining('Grid line 3 moved')],
    ],
    [
      ['split bay C at 2.6m as .1', 'label B.1 as K'],
      ['Bay before grid line C split', 'Grid line B.1 is now K'],
    ],
    [['columns at A-C x 1-5 500x500'], ['15 columns placed at crossings']],
    [['columns at A,C x 2 round 550 from 00 to 02'], ['2 columns placed at crossings']],
    [['column B-2 + 1m,0.5m round 400'], ['Column B-2 placed']],
    [['floor grid + 300 250 thick from 00 to 03'], ['Floor plate added']],
    [
      ['floor grid + 300', 'shaft B-3 + 600,1200 2.4m x 2700 lift named L1 from B2 to 04'],
      ['Floor plate added', 'Shaft L1 added'],
    ],
    [
      ['set out 210 inside A,C', 'columns at A,C x 1-5 600x400 interior on S1,S2'],
      ['2 setting-out lines at 210 mm', '10 columns placed at crossings'],
    ],
    [
      ['grid 3@6m by 2@7.5m opposite 2@9m by 5m 10m labels 11 by R down at 60m,0'],
      ['Grid added: 3@6000 mm by 2@7500 mm'],
    ],
    [['column B-2 I 300x300x11x19', 'size B-2 I 200x200x9x15 from 02 up'], expect.anything()],
    [
      ['ceiling 2.6m clear', 'ceiling 2400 clear 40 thick'],
      ['Ceiling CE1 hung', 'Ceiling CE2 hung'],
    ],
    [
      ['beam along A between 1 and 2 300mm wide 450 deep', 'downstand from A-2 to B-2 200mm deep at 02'],
      ['Beam BM1 added', 'Downstand BM2 added'],
    ],
    [['dimension clear = typical - 450'], ['Dimension clear is {typical} - 450']],
  ])('%j', (lines, said) => {
    const [, sentences] = typed(lines);
    expect(sentences.map((sentence) => sentence.replace(/\{[^}]+\}/, '{typical}').replace('450mm', '450'))).toEqual(
      said,
    );
  });

  it('hang a ceiling in the rooms whose numbers are named, and lay a part of a floor lower', () => {
    const [walled] = typed(['whole building on 0,0 12mx9m'], given(SMALL_TOWER));
    const roomed = given([['rooms.add', { level: '00', place: '3000,3000', name: 'Hall', number: '00.01' }]], walled);
    const [hung] = typed(['ceiling 2.4m clear in 00.01 30 thick'], roomed);
    const [room] = recordsOf(hung, 'room');
    expect(recordsOf(hung, 'ceiling')[0]).toMatchObject({ heightMm: 2400, thicknessMm: 30, rooms: [room!.id] });
    const name = recordsOf(walled, 'floorPlate')[0]!.name;
    const [zoned] = typed([`zone ${name} -60 at 01: 1m,1m; 3m e; 2m n; 3m w`], walled);
    expect(
      solve(zoned)
        .floors.filter(({ zone }) => zone)
        .map(({ zone }) => zone!.stepMm),
    ).toEqual([-60]);
  });

  it('take bare numbers in the person’s unit', () => {
    const feet = read('column 10,20 round 1.5', 'ft');
    if (!feet.ok) throw new Error(feet.refusal.message);
    const after = step(bare, feet.value.command, feet.value.input).after;
    expect(solve(after).columns[0]).toMatchObject({ at: { x: 3048, y: 6096 }, section: { diameterMm: 457.2 } });
  });
});

describe('lines that cannot be read', () => {
  it.each<[string, RegExp]>([
    ['', /Type a command/],
    ['fly away', /no command that begins "fly"/],
    ['levels', /Go on like: levels 9 @ 3.3m above 02/],
    ['level 99 to 3m', /no level named 99/],
    ['storey 00 high', /"high": There is no dimension named/],
    ['columns at A-1 x 2 500x500', /do not run the same way/],
    ['size Z-9 400x400 at 02', /no one column with the mark Z-9/],
    ['radial 40@15 radii 8m', /more than a full turn/],
    ['columns along Q every 3m 400x400', /no one line named Q/],
    ['free line Q-9 to A-1', /no crossing named Q-9/],
    ['column A-1 I 300x300', /no section/],
    ['columns at A-Q x 2 500x500', /no grid line labelled Q/],
    ['carry Q7 to 02', /no one thing named Q7/],
    ['carry storey 00 to 02 only roofs', /"roofs" is not carried. Say one of columns/],
    ['wall 01: A-1; 6m up', /A step is a length with/],
    ['split sto', /Go on like: split storey/],
  ])('%s', (line, says) => expect(message(line)).toMatch(says));

  it('are completed from their first words', () => {
    const patterns = (line: string) => completions(line).map(({ words }) => words);
    expect(patterns('')).toHaveLength(FORMS.length);
    expect(patterns('lev')).toEqual(['levels', 'level to']);
    expect(patterns('split b')).toEqual(['split bay']);
    expect(patterns('col')).toEqual(['columns along', 'columns at', 'column', 'column heads']);
    expect(patterns('set o')).toEqual(['set out']);
    expect(patterns('zzz')).toEqual([]);
  });
});
