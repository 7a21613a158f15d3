import * as WebIfc from 'web-ifc';
import { assembliesOf } from '@/core/slants/assembly';
import { volumeOfSlant } from '@/core/slants/slant';
import { solve } from '@/core/solving/solve';
import { bodiesOf, volumeOf } from '@/core/stairs/stair-bodies';
import { STAIR_FORMS } from '@/core/stairs/stair-form';
import { given } from '@/core/testing/given';
import { faultsOf } from './testing/check-ifc';
import { measured } from './testing/measured';
import { writeIfc } from './write';

/** A stair of every form, every second between stringers, a ramp of every form, an apron, and guards. */
const framework = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '2@3m' }],
  ['floors.add', { outline: { type: 'rectangle', place: '-60m,-60m', widthMm: 200_000, depthMm: 200_000 } }],
  ...STAIR_FORMS.map(
    (form, i) =>
      [
        'stairs.add',
        {
          name: `T${i}`,
          form,
          rules: 'private',
          begin: { place: `${i * 8}m,0`, towardsDeg: 90 },
          carriedBy: i % 2 === 0 ? 'stringers' : 'waist',
          hasOpenRisers: i % 4 === 0,
        },
      ] as const,
  ),
  ...(['straight', 'quarter', 'switchback', 'circular'] as const).map(
    (form, i) =>
      [
        'ramps.add',
        {
          name: `R${i}`,
          form,
          place: `${i * 25 - 40}m,-50m`,
          towardsDeg: 90,
          startsAt: { level: '00' },
          stopsAt: { level: '00', offsetMm: 900 },
        },
      ] as const,
  ),
  [
    'slopedFloors.add',
    {
      corners: [
        { xMm: 0, yMm: 30_000, heightMm: -310 },
        { xMm: 4000, yMm: 30_000, heightMm: 180 },
        { xMm: 4000, yMm: 34_000 },
        { xMm: 0, yMm: 34_000 },
      ],
    },
  ],
  ['guards.add', { along: { of: 'stair', stair: 'T2' } }],
]);
const solved = solve(framework);
const text = writeIfc(framework, solved, new Date('2026-01-15T10:00:00Z'));

describe('what leans, as another program reads it', () => {
  const api = new WebIfc.IfcAPI();
  let model = -1;
  beforeAll(async () => {
    await api.Init();
    model = api.OpenModel(new TextEncoder().encode(text), { COORDINATE_TO_ORIGIN: false });
  });
  afterAll(() => api.CloseModel(model));

  /** Cubic metres of all elements of a class, by their meshes. */
  function volumeOfClass(type: number): number {
    const ids = api.GetLineIDsWithType(model, type);
    let sum = 0;
    for (let i = 0; i < ids.size(); i += 1) sum += measured(api, model, ids.get(i)).volume;
    return sum;
  }

  it('has no fault against the schema', () => {
    expect(faultsOf(text)).toEqual([]);
  });

  it('has ramps, guards, sloped floors and flights of the volumes solved', () => {
    const leaning = (kind: 'ramp' | 'guard', part: (name: string) => boolean = () => true) =>
      assembliesOf(solved.assemblies, kind).reduce(
        (sum, { parts }) =>
          sum +
          parts
            .filter(({ name }) => part(name))
            .flatMap(({ slants }) => slants)
            .reduce((own, slant) => own + volumeOfSlant(slant) / 1e9, 0),
        0,
      );
    expect(volumeOfClass(WebIfc.IFCRAMPFLIGHT) / leaning('ramp', (name) => !name.startsWith('landing'))).toBeCloseTo(
      1,
      3,
    );
    expect(volumeOfClass(WebIfc.IFCRAILING) / leaning('guard')).toBeCloseTo(1, 3);
    const flights = solved.stairs
      .flatMap((stair) => stair.storeys.flatMap((storey) => bodiesOf(stair, { ...storey, landings: [] })))
      .reduce((sum, body) => sum + volumeOf(body), 0);
    expect(volumeOfClass(WebIfc.IFCSTAIRFLIGHT) / flights).toBeCloseTo(1, 3);
  });
});
