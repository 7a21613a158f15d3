import { solve } from '@/core/solving/solve';
import { given, step } from '@/core/testing/given';
import { readFileSync } from 'node:fs';
import { readLevelsCsv } from './read-levels';

const rows = (text: string, unit?: 'mm' | 'm' | 'ft') => {
  const table = readLevelsCsv(text, { unit });
  if (!table.ok) throw new Error(table.refusal.message);
  const fresh = given([['buildings.add', { name: 'New' }]]);
  const levels = solve(step(fresh, 'levels.take', { rows: table.value.rows }).after).levels;
  return table.value.rows.map(({ name }) => {
    const { fflMm, sslMm, levelKind } = levels.find((level) => level.name === name)!;
    return [name, fflMm, Math.round((fflMm - sslMm) * 1e6) / 1e6, levelKind];
  });
};
const message = (text: string) => {
  const table = readLevelsCsv(text);
  return table.ok ? 'taken' : table.refusal.message;
};

describe('level tables as people send them', () => {
  it('the sample: short name, use, FFL in metres', () => {
    const table = readLevelsCsv(readFileSync('e2e/fixtures/levels.csv', 'utf8'));
    if (!table.ok) throw new Error(table.refusal.message);
    expect(table.value.rows).toHaveLength(17);
    expect(table.value.rows[0]).toMatchObject({ name: 'B2', fflMm: -7500, levelKind: 'basement' });
    expect(table.value.rows.find(({ name }) => name === 'RF')).toMatchObject({ fflMm: 48600, levelKind: 'roof' });
    expect(table.value.rows.find(({ name }) => name === 'PP')).toMatchObject({ levelKind: 'datum' });
  });

  it.each<[string, string, unknown[]]>([
    ['millimetres by size', 'Level,Elevation\n00,0\n01,5400\n', ['01', 5400, 0, 'storey']],
    ['metres by size', 'Level,Elevation\n00,0\n01,5.4\n', ['01', 5400, 0, 'storey']],
    ['semicolons and decimal commas', 'Storey;FFL [m]\nEG;0,00\n1OG;+5,40\n', ['1OG', 5400, 0, 'storey']],
    [
      'tabs, another order and SSL beside FFL',
      'FFL mm\tSSL mm\tID\n0\t-100\tG\n4000\t3850\tL1\n',
      ['L1', 4000, 150, 'storey'],
    ],
    [
      'SSL and build-up only',
      'Name,Top of slab (mm),Build-up (mm)\nG,-100,100\nL1,3900,100\n',
      ['L1', 4000, 100, 'storey'],
    ],
    ['thousands parted by commas', 'Level,Elevation (mm)\nG,0\nL1,"4,200"\n', ['L1', 4200, 0, 'storey']],
    [
      'thousands parted by points',
      'Level;Elevation (mm);Build-up [mm]\nG;0;90\nL1;-12.600;90\n',
      ['L1', -12_600, 90, 'storey'],
    ],
    ['thousands and decimals', 'Level;FFL [mm]\nG;±0,0\nL1;+4.200,5\nL2;1.012.600,0\n', ['L2', 1_012_600, 0, 'storey']],
    ['decimals of a millimetre', 'Level;FFL [mm]\nG;0\nL1;4200,125\n', ['L1', 4200.125, 0, 'storey']],
    ['less than a millimetre', 'Level;FFL [mm]\nG;0.125\nL1;4200\n', ['L1', 4200, 0, 'storey']],
    ['apostrophes between thousands', "Level;FFL [mm]\nG;0\nL1;12'600\n", ['L1', 12_600, 0, 'storey']],
    ['metres with three decimals', 'Level;FFL [m]\nG;0,000\nL1;4,200\n', ['L1', 4200, 0, 'storey']],
    ['feet and inches', `Level,Elevation (ft)\nG,0\nL1,"13'-1 1/2"""\n`, ['L1', 4000.5, 0, 'storey']],
    ['kinds in words', 'Name,Elevation (m),Type\nG,0,Storey\nT,4,Roof level\n', ['T', 4000, 0, 'roof']],
    [
      'a byte order mark, blank lines and a title row',
      '\uFEFFLevels\n\nLevel,Height (m)\nG,0\n\nL1,4\n\n',
      ['L1', 4000, 0, 'storey'],
    ],
  ])('%s', (_, text, last) => expect(rows(text).at(-1)).toEqual(last));

  it('in the unit the person says where the table does not', () => {
    expect(rows('Level,Elevation\nG,0\nL1,12\n', 'ft').at(-1)).toEqual(['L1', 3657.6, 0, 'storey']);
  });
});

describe('tables that cannot be', () => {
  it.each([
    ['', /empty/],
    ['Level,Elevation\n', /no level/],
    ['Colour,Weight\nred,4\n', /levels' names/],
    ['Level,Use\nG,hall\n', /No column with elevations/],
    ['Level,Elevation\nG,0\nG,4000\n', /Rows 2 and 3 both name level G/],
    ['Level,Elevation\nG,zero\n', /Row 2, Elevation: "zero" is not a length/],
    ['Level,Elevation\n,4000\n', /Row 2: the level has no name/],
    ['Level,Elevation\nG,\n', /Row 2: level G has no elevation/],
    ['Level,Elevation (m)\nG,40000\n', /cannot be/],
    ['Level,Elevation,Build-up (mm)\nG,0,2500\n', /build-up of 2500/],
    ['a\u0000b,c\n', /not a text file/],
    ['Level,Elevation\nThe level with a long name,1\n', /too long for a level's name/],
  ])('%j', (text, says) => expect(message(text)).toMatch(says));
});
