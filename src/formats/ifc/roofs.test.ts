import * as WebIfc from 'web-ifc';
import { reportOf } from '@/core/report/report';
import { assembliesOf, type AssemblyKind } from '@/core/slants/assembly';
import { volumeOfSlant } from '@/core/slants/slant';
import { solve } from '@/core/solving/solve';
import { given } from '@/core/testing/given';
import { faultsOf } from './testing/check-ifc';
import { measured } from './testing/measured';
import { writeIfc } from './write';

/** A house with gables, a shaft out through its roof, a window in a gable, its walls up to the roof. */
const framework = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m 3m' }],
  [
    'walls.add',
    {
      name: 'W1',
      use: 'exterior',
      type: { name: 'Brick 300', layers: [{ name: 'brick', thicknessMm: 300, core: true }] },
      place: '0,0',
      points: [
        { xMm: 0, yMm: 0 },
        { xMm: 10_000, yMm: 0 },
        { xMm: 10_000, yMm: 6000 },
        { xMm: 0, yMm: 6000 },
      ],
      closed: true,
      on: 'outside',
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
  [
    'pitchedRoofs.add',
    {
      name: 'PR1',
      slope: 40,
      edges: [
        { edge: 1, is: 'gable' },
        { edge: 3, is: 'gable', upper: { aboveMm: 1500, slope: 50 } },
      ],
    },
  ],
  ['pitchedRoofs.trimWalls', { roof: 'PR1' }],
  [
    'shafts.add',
    {
      name: 'S1',
      outline: { type: 'rectangle', place: '4000,2000', widthMm: 900, depthMm: 900 },
      stopsAt: { level: 'RF', offsetMm: 5000 },
    },
  ],
]);

/** Volumes of classes as another program reads them from a file, m³. */
async function readVolumes(text: string, ...types: number[]): Promise<number[]> {
  const api = new WebIfc.IfcAPI();
  await api.Init();
  const model = api.OpenModel(new TextEncoder().encode(text), { COORDINATE_TO_ORIGIN: false });
  const volumes = types.map((type) => {
    const ids = api.GetLineIDsWithType(model, type);
    let sum = 0;
    for (let i = 0; i < ids.size(); i += 1) sum += measured(api, model, ids.get(i)).volume;
    return sum;
  });
  api.CloseModel(model);
  return volumes;
}

it('a roof is a whole of slabs with their slopes, walls under it have their true tops, as another program reads them', async () => {
  const solved = solve(framework);
  const text = writeIfc(framework, solved, new Date('2026-01-15T10:00:00Z'));
  expect(faultsOf(text)).toEqual([]);
  expect(text.match(/=IFCROOF\(/g)).toHaveLength(1);
  // Its slabs are of one type, with the layers from the outside inwards.
  expect(
    text.match(/IFCSLABTYPE\([^)]*'Roof of Tiles on battens 80, Rafters with insulation 200, Lining 20'/g),
  ).toHaveLength(1);
  const layers = [...text.matchAll(/IFCMATERIALLAYER\([^,]*,([\d.]+),/g)].map(([, mm]) => Number(mm));
  expect(layers).toEqual(expect.arrayContaining([80, 200, 20]));
  const [slabs, walls] = await readVolumes(text, WebIfc.IFCSLAB, WebIfc.IFCWALL);
  const roof = assembliesOf(solved.assemblies, 'pitchedRoof')[0]!.parts.flatMap(({ slants }) => slants);
  expect(slabs! / (roof.reduce((sum, slant) => sum + volumeOfSlant(slant), 0) / 1e9)).toBeCloseTo(1, 3);
  const own = reportOf(framework, solved).walls.reduce((sum, { volumeM3 }) => sum + volumeM3, 0);
  expect(walls! / own).toBeCloseTo(1, 3);
});

/** A house with a dormer, a roof window, boards at its edges and a ceiling along its roof; beside it a flat roof with falls and a gutter. */
const furnished = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3m', buildUpMm: 0 }],
  [
    'walls.add',
    {
      name: 'W1',
      use: 'exterior',
      type: { name: 'Brick 300', layers: [{ name: 'brick', thicknessMm: 300, core: true }] },
      place: '0,0',
      points: [
        { xMm: 0, yMm: 0 },
        { xMm: 12_000, yMm: 0 },
        { xMm: 12_000, yMm: 9000 },
        { xMm: 0, yMm: 9000 },
      ],
      closed: true,
      on: 'outside',
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
  ['floors.add', { name: 'Attic', outline: { type: 'walls', walls: ['W1'], face: 'inside' }, levels: { at: ['RF'] } }],
  [
    'pitchedRoofs.add',
    {
      name: 'PR1',
      slope: 45,
      eavesCut: 'square',
      fascia: { heightMm: 220 },
      soffitMm: 20,
      edges: [
        { edge: 1, is: 'gable' },
        { edge: 3, is: 'gable' },
      ],
    },
  ],
  ['pitchedRoofs.trimWalls', { roof: 'PR1' }],
  ['roofOpenings.add', { roof: 'PR1', edge: 0, alongMm: 4000, widthMm: 1800, heightMm: 1100 }],
  ['roofOpenings.add', { roof: 'PR1', edge: 2, alongMm: 4000, is: 'window' }],
  ['ceilings.add', { name: 'C', heightMm: 2400, thicknessMm: 60, alongRoof: true }],
  [
    'floors.add',
    {
      name: 'Flat',
      outline: { type: 'rectangle', place: '20000,0', widthMm: 8000, depthMm: 6000 },
      levels: { at: ['RF'] },
    },
  ],
  ['fallLayers.add', { on: 'Flat', level: 'RF', outlets: ['22000,3000'], edges: [{ edge: 0, gutter: {} }] }],
]);

it('falls, gutters, dormers, boards and ceilings along a roof have the volumes solved, as another program reads them', async () => {
  const solved = solve(furnished);
  const text = writeIfc(furnished, solved, new Date('2026-01-15T10:00:00Z'));
  expect(faultsOf(text)).toEqual([]);
  // Where eaves cut square run out to nothing no side is without area.
  const loops = [...text.matchAll(/IFCPOLYLOOP\(\(([^)]*)\)\)/g)].map(([, points]) => points!.split(','));
  expect(loops.filter((points) => new Set(points).size < points.length)).toEqual([]);
  const volume = (kind: AssemblyKind, part: RegExp = /./) =>
    assembliesOf(solved.assemblies, kind)
      .flatMap(({ parts }) => parts)
      .filter(({ name }) => part.test(name))
      .flatMap(({ slants }) => slants)
      .reduce((sum, slant) => sum + volumeOfSlant(slant) / 1e9, 0);
  const [coverings, windows, slabs] = await readVolumes(text, WebIfc.IFCCOVERING, WebIfc.IFCWINDOW, WebIfc.IFCSLAB);
  const flat = solved.ceilings.reduce((sum, { volumeMm3 }) => sum + volumeMm3 / 1e9, 0);
  const covering = volume('fallLayer') + volume('pitchedRoof', /fascia|soffit/) + volume('roofCeiling') + flat;
  expect(coverings! / covering).toBeCloseTo(1, 3);
  expect(windows! / volume('roofOpening', /glass/)).toBeCloseTo(1, 3);
  const floors = solved.floors.reduce((sum, { volumeMm3 }) => sum + volumeMm3 / 1e9, 0);
  expect(slabs! / (volume('pitchedRoof', /face/) + floors)).toBeCloseTo(1, 3);
});
