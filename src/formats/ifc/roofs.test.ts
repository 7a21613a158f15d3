import * as WebIfc from 'web-ifc';
import { reportOf } from '@/core/report/report';
import { assembliesOf } from '@/core/slants/assembly';
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

it('a roof is a whole of slabs with their slopes, walls under it have their true tops, as another program reads them', async () => {
  const solved = solve(framework);
  const text = writeIfc(framework, solved, new Date('2026-01-15T10:00:00Z'));
  expect(faultsOf(text)).toEqual([]);
  expect(text.match(/=IFCROOF\(/g)).toHaveLength(1);
  const api = new WebIfc.IfcAPI();
  await api.Init();
  const model = api.OpenModel(new TextEncoder().encode(text), { COORDINATE_TO_ORIGIN: false });
  const volumeOf = (type: number) => {
    const ids = api.GetLineIDsWithType(model, type);
    let sum = 0;
    for (let i = 0; i < ids.size(); i += 1) sum += measured(api, model, ids.get(i)).volume;
    return sum;
  };
  const roof = assembliesOf(solved.assemblies, 'pitchedRoof')[0]!.parts.flatMap(({ slants }) => slants);
  expect(volumeOf(WebIfc.IFCSLAB) / (roof.reduce((sum, slant) => sum + volumeOfSlant(slant), 0) / 1e9)).toBeCloseTo(
    1,
    3,
  );
  const walls = reportOf(framework, solved).walls.reduce((sum, { volumeM3 }) => sum + volumeM3, 0);
  expect(volumeOf(WebIfc.IFCWALL) / walls).toBeCloseTo(1, 3);
  api.CloseModel(model);
});
