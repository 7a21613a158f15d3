import { compareColumns } from '@/core/columns/compare-columns';
import { recogniseColumns } from '@/core/importing/recognise-columns';
import { gridInput, recogniseGrid } from '@/core/importing/recognise-grid';
import { sheetOfBuilding, type Sheet } from '@/core/importing/sheet';
import { recordsOf, type Framework } from '@/core/model/framework';
import type { Result } from '@/core/model/result';
import { solve } from '@/core/solving/solve';
import { given } from '@/core/testing/given';
import { readSheetIfc } from './read-sheet';
import { writeIfc } from './write';

const take = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(result.refusal.message);
  return result.value;
};
const said = (text: string) => {
  const result = readSheetIfc(text);
  return result.ok ? 'read' : result.refusal.message;
};

const I = { shape: 'I', widthMm: 300, depthMm: 310, webMm: 11, flangeMm: 19 } as const;
const yard = given([
  ['buildings.add', { name: 'North', xMm: 3000, yMm: 8000, turnDeg: 30 }],
  ['levels.setUp', { above: '3@3.5m' }],
  ['grids.add', { baysA: '6000 7250 3125.5', baysB: '2@5400' }],
  ['columns.place', { place: 'A-1', section: { shape: 'rectangle', widthMm: 400, depthMm: 600 }, turnDeg: 20 }],
  ['columns.place', { place: 'B-2', section: { shape: 'circle', diameterMm: 550 } }],
  ['columns.place', { place: 'A-3', section: I, material: 'steel' }],
  ['columns.place', { place: 'C-4', section: I, turnDeg: 90, material: 'steel' }],
  ['columns.place', { place: '1234.5,-777.25', section: I, turnDeg: -33, material: 'steel' }],
]);
const fileOf = (framework: Framework) => writeIfc(framework, solve(framework), new Date('2026-01-15T10:00:00Z'));
const sheet = take(readSheetIfc(fileOf(yard)));
const lines = (framework: Framework) =>
  solve(framework)
    .lines.map(({ label, curve }) => [label, curve])
    .sort(([a], [b]) => ((a as string) < (b as string) ? -1 : 1));

describe('grids and columns read from an IFC file', () => {
  it('a grid comes back line by line, at its bays, labels, place and turn', () => {
    const grid = take(recogniseGrid(sheet));
    expect([grid.a.labels, grid.b.labels]).toEqual([
      ['1', '2', '3', '4'],
      ['A', 'B', 'C'],
    ]);
    expect([grid.a.baysMm, grid.b.baysMm]).toEqual([
      [6000, 7250, 3125.5],
      [5400, 5400],
    ]);
    const fresh = given([
      ['buildings.add', { name: 'North' }],
      ['levels.setUp', { above: '3@3.5m' }],
      ['grids.add', gridInput(grid)],
    ]);
    // The same axes through the same crossings; how far lines run on past them is the grid's own.
    expect(lines(fresh).map(([label]) => label)).toEqual(lines(yard).map(([label]) => label));
    expect(solve(fresh).crossings.map(({ at }) => at)).toEqual(solve(yard).crossings.map(({ at }) => at));
  });

  it('columns come back once each, at their places, sections and turns to a tenth of a millimetre', () => {
    const [building] = recordsOf(yard, 'building');
    const read = take(recogniseColumns(yard, building!.id, sheet));
    expect([read.columns.length, read.unclear, read.registeredBy]).toEqual([5, 0, { labels: ['1', 'A'] }]);
    const compared = compareColumns(yard, building!.id, read.columns);
    expect(compared.same).toHaveLength(5);
    expect(Math.max(...compared.same.map(({ byMm }) => byMm))).toBeLessThan(0.1);
    // And with nothing there, they make the same columns.
    const bare = given([
      ['buildings.add', { name: 'North' }],
      ['levels.setUp', { above: '3@3.5m' }],
      ['columns.take', { columns: read.columns }],
    ]);
    const stood = (framework: Framework) =>
      solve(framework)
        .columns.map(({ at, section, bottomMm }) =>
          [at.x.toFixed(1), at.y.toFixed(1), bottomMm, section.shape].join(' '),
        )
        .sort();
    expect(stood(bare)).toEqual(stood(yard));
  });

  it('each building of a file has its own, in its own axes', () => {
    const two = given(
      [
        ['buildings.add', { name: 'South', xMm: 40_000 }],
        ['levels.setUp', { building: 'South', above: '1@4m' }],
        ['grids.add', { building: 'South', baysA: '9000', baysB: '4000' }],
        ['columns.place', { building: 'South', place: '100,200', section: { shape: 'circle', diameterMm: 300 } }],
      ],
      yard,
    );
    const both = take(readSheetIfc(fileOf(two)));
    const own = sheetOfBuilding(both, 'South');
    expect(take(recogniseGrid(own)).a.baysMm).toEqual([9000]);
    expect(own.circles).toEqual([
      { at: { x: expect.closeTo(100, 6), y: expect.closeTo(200, 6) }, radius: 150, layer: 'Columns', block: null },
    ]);
    const plain = ({ parts: _, ...rest }: Sheet) => rest;
    expect(plain(sheetOfBuilding(both, 'North'))).toEqual(plain(sheet));
    // Whoever's building has another name is shown all of it.
    expect(sheetOfBuilding(both, 'West').lines).toHaveLength(7 + 4);
  });

  it('of other programs: mapped shapes, indexed outlines, lines cut by parameter, in metres', () => {
    const text = `ISO-10303-21;
DATA;
#1=IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.);
#2=IFCCARTESIANPOINT((0.,0.,0.));
#3=IFCCARTESIANPOINT((5.,7.,1.));
#4=IFCDIRECTION((0.,0.,1.));
#5=IFCDIRECTION((0.,1.,0.));
#6=IFCAXIS2PLACEMENT3D(#3,#4,#5);
#7=IFCLOCALPLACEMENT($,#6);
#8=IFCBUILDING('b',$,'B',$,$,$,$,$,.ELEMENT.,$,$,$);
#10=IFCCARTESIANPOINTLIST2D(((0.,0.),(0.4,0.),(0.4,0.2),(0.,0.2)));
#11=IFCINDEXEDPOLYCURVE(#10,(IFCLINEINDEX((1,2,3)),IFCLINEINDEX((3,4,1))),.F.);
#12=IFCARBITRARYCLOSEDPROFILEDEF(.AREA.,$,#11);
#13=IFCEXTRUDEDAREASOLID(#12,$,#4,3.);
#14=IFCSHAPEREPRESENTATION($,'Body','SweptSolid',(#13));
#15=IFCAXIS2PLACEMENT3D(#2,$,$);
#16=IFCREPRESENTATIONMAP(#15,#14);
#17=IFCCARTESIANTRANSFORMATIONOPERATOR3D($,$,#2,1.,$);
#18=IFCMAPPEDITEM(#16,#17);
#19=IFCSHAPEREPRESENTATION($,'Body','MappedRepresentation',(#18));
#20=IFCPRODUCTDEFINITIONSHAPE($,$,(#19));
#21=IFCCOLUMN('c',$,'C1',$,$,#7,#20,$,.COLUMN.);
#30=IFCCARTESIANPOINT((1.,2.));
#31=IFCDIRECTION((2.,0.));
#32=IFCVECTOR(#31,0.5);
#33=IFCLINE(#30,#32);
#34=IFCTRIMMEDCURVE(#33,(IFCPARAMETERVALUE(0.)),(IFCPARAMETERVALUE(8.)),.T.,.PARAMETER.);
#35=IFCGRIDAXIS('X',#34,.T.);
#36=IFCGRID('g',$,'G',$,$,$,$,(#35),$,$,$);
ENDSEC;`;
    const read = take(readSheetIfc(text));
    expect(read.unit).toBe('m');
    expect(read.lines).toEqual([{ a: { x: 1, y: 2 }, b: { x: 5, y: 2 }, layer: 'Grid lines' }]);
    expect(read.texts.map(({ text }) => text)).toEqual(['X', 'X']);
    // A quarter turn about (5, 7).
    const corners = [
      [5, 7],
      [5, 7.4],
      [4.8, 7.4],
      [4.8, 7],
    ].map(([x, y]) => ({ x: expect.closeTo(x!, 9), y: expect.closeTo(y!, 9) }));
    expect(read.outlines).toEqual([{ corners, layer: 'Columns', block: null }]);
  });

  it('are refused in words, or read, however the file is damaged', () => {
    expect(said('PK')).toMatch(/not an IFC file/);
    expect(said('ISO-10303-21;\nDATA;\nENDSEC;')).toMatch(/no grid with straight axes and no column/);
    const whole = fileOf(yard);
    for (let i = 1; i < 60; i += 1) {
      const at = (i * 7919) % whole.length;
      expect(typeof readSheetIfc(`${whole.slice(0, at)}${'~9-(#,'[i % 6]}${whole.slice(at + 1)}`).ok).toBe('boolean');
      expect(typeof readSheetIfc(whole.slice(0, at)).ok).toBe('boolean');
    }
    // A placement that leads back to itself.
    const round = "ISO-10303-21;\n#1=IFCLOCALPLACEMENT(#1,$);\n#2=IFCBUILDING('b',$,'B',$,$,#1);\n";
    expect(said(round)).toMatch(/no grid/);
  });
});
