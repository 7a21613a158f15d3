import { plan } from '@/core/commands/commands';
import { levelDifferences } from '@/core/levels/level-differences';
import { recordsOf, type Framework } from '@/core/model/framework';
import { derivedCommandId } from '@/core/model/ids';
import { solve } from '@/core/solving/solve';
import { FURNISHED, given, levelId as levelsNamed, refusal, step } from '@/core/testing/given';
import { readLevelsIfc } from './read-levels';
import { writeIfc } from './write';

const tower = step(given(FURNISHED), 'levels.rename', { level: '02', title: "Gallery 'Süd' 🎵" }).after;
const file = writeIfc(tower, solve(tower), new Date('2026-01-15T10:00:00Z'));
const read = (text: string, choice = {}) => {
  const table = readLevelsIfc(text, choice);
  return table.ok ? table.value : table.refusal.message;
};
const storey = (args: string) =>
  `ISO-10303-21;\nDATA;\n#1=IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.);\n#2=IFCBUILDINGSTOREY(${args});\nENDSEC;`;

describe('levels read from an IFC file', () => {
  it('are those of a file we wrote, with names and heights', () => {
    const table = read(file);
    if (typeof table === 'string') throw new Error(table);
    expect(table.rows.map(({ name, title, fflMm }) => [name, title, fflMm])).toEqual(
      solve(tower).levels.map(({ name, title, fflMm }) => [name, title, fflMm]),
    );
    const fresh = given([['buildings.add', { name: 'New' }]]);
    const taken = plan(fresh, 'levels.take', { rows: table.rows }, derivedCommandId('ifc', 'levels'));
    expect(taken.ok && solve(taken.value.after).levels).toHaveLength(8);
  });

  it('come back with the kinds and build-ups of a file we wrote, so that taking them again changes nothing', () => {
    const table = read(file);
    if (typeof table === 'string') throw new Error(table);
    const [building] = recordsOf(tower, 'building');
    const again = step(tower, 'levels.take', { rows: table.rows }).after;
    expect(levelDifferences(tower, again, building!.id)).toEqual([]);
    expect(solve(tower).levels.some(({ fflMm, sslMm, levelKind }) => fflMm > sslMm && levelKind === 'basement')).toBe(
      true,
    );
  });

  it('of several buildings come back as those buildings, levels that are only heights among them', () => {
    const two = given(
      [
        ['buildings.add', { name: 'Annex', zeroMm: 600, xMm: 40_000 }],
        ['levels.setUp', { building: 'Annex', above: '2@4m', buildUpMm: 80 }],
        ['levels.insert', { level: levelsNamed(tower, '01'), heightMm: 1200, mode: 'only', name: 'D' }],
        ['levels.change', { level: 'D', levelKind: 'datum' }],
      ],
      tower,
    );
    const ifc = writeIfc(two, solve(two), new Date('2026-01-15T10:00:00Z'));
    // A datum level is no storey.
    expect(ifc.match(/=IFCBUILDINGSTOREY\(/g)).toHaveLength(8 + 3);
    const table = read(ifc);
    if (typeof table === 'string') throw new Error(table);
    const levels = (framework: Framework) => {
      const nameOf = new Map(recordsOf(framework, 'building').map(({ id, name }) => [id, name]));
      return solve(framework)
        .levels.map(({ building, name, levelKind, fflMm, sslMm }) => [
          nameOf.get(building),
          name,
          levelKind,
          fflMm,
          sslMm,
        ])
        .sort();
    };
    const fresh = given([['levels.take', { rows: table.rows }]]);
    expect(levels(fresh)).toEqual(levels(two));
    // Into one of them go its own, into another none.
    const [annex] = [given([['buildings.add', { name: 'Annex' }]])];
    expect(levels(given([['levels.take', { building: 'Annex', rows: table.rows }]], annex))).toEqual(
      levels(two).filter(([building]) => building === 'Annex'),
    );
    const other = given([['buildings.add', { name: 'Other' }]]);
    expect(refusal(other, 'levels.take', { building: 'Other', rows: table.rows })).toMatch(/none of Other/);
  });

  it('are read in the time of the file’s length, however it is damaged', () => {
    const begin = 'ISO-10303-21;\nDATA;\n';
    for (const damaged of [
      `${begin}#1=IFCBUILDINGSTOREY(${"'".repeat(1400)}`,
      `${begin}#1=IFCBUILDINGSTOREY(${"''a".repeat(470)}(;`,
      `${begin}#1=IFCBUILDINGSTOREY(${'('.repeat(200_000)};`,
      `${begin}${'#1=IFCSIUNIT(;'.repeat(100_000)}`,
      `${begin}${';'.repeat(1_000_000)}`,
      `${begin}${'/*'.repeat(500_000)}`,
      file.slice(0, file.length / 2),
    ])
      expect(typeof read(damaged) === 'string' || damaged === file.slice(0, file.length / 2)).toBe(true);
    const quoted = storey("'0',$,'a;)''/*',$,$,$,$,$,.ELEMENT.,3.");
    expect(read(quoted)).toMatchObject({ rows: [{ name: "a;)'/*", fflMm: 3000 }] });
  });

  it('are read in metres, feet and inches, by the long name where there is no short one', () => {
    const metres = read(storey("'0',$,'L 1',$,$,$,$,'Hall, east',.ELEMENT.,5.4"));
    expect(metres).toMatchObject({ rows: [{ name: 'L 1', title: 'Hall, east', fflMm: 5400 }] });
    expect(read(storey("'0',$,$,$,$,$,$,'Attic',.ELEMENT.,$"))).toMatchObject({ rows: [{ name: 'Attic', fflMm: 0 }] });
    const feet = storey("'0',$,'2',$,$,$,$,$,.ELEMENT.,10.").replace(
      'IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)',
      "IFCCONVERSIONBASEDUNIT(#9,.LENGTHUNIT.,'FOOT',#8)",
    );
    expect(read(feet)).toMatchObject({ rows: [{ fflMm: 3048 }] });
  });

  it('are refused in words where the file says too little', () => {
    expect(read('PK')).toMatch(/not an IFC file/);
    expect(read('ISO-10303-21;\nDATA;\nENDSEC;')).toMatch(/no building storeys/);
    const unitless = storey("'0',$,'A',$,$,$,$,$,.ELEMENT.,3.").replace(/#1=.*\n/, '');
    expect(read(unitless)).toMatch(/does not say its unit/);
    expect(read(unitless, { unit: 'mm' })).toMatchObject({ rows: [{ fflMm: 3 }] });
  });
});
