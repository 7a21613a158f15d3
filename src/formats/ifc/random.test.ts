import * as WebIfc from 'web-ifc';
import type { Step } from '@/core/commands/command-inputs';
import type { Framework } from '@/core/model/framework';
import { solve } from '@/core/solving/solve';
import { given, stepsOf } from '@/core/testing/given';
import { randomRun } from '@/core/testing/random-commands';
import { RICH } from '@/core/testing/rich';
import { TIDEWATER_YARD } from '@/demo/tidewater-yard';
import { faultsOf, quantitiesOf, readLines, solidsOf } from './testing/check-ifc';
import { writeIfc } from './write';

const AT = new Date('2026-01-15T10:00:00Z');
const fileOf = (framework: Framework) => writeIfc(framework, solve(framework), AT);

/** Lengths, areas and volumes that are none; and solids of none. */
function noneIn(file: string): string[] {
  const lines = readLines(file);
  // A wall all within others has a net volume of nothing, and is found.
  const quantities = quantitiesOf(lines).filter(
    ({ name, value }) => !(value > 0) && !(name === "'NetVolume'" && value === 0),
  );
  const solids = [...solidsOf(lines).values()].filter(({ volumeM3 }) => !(volumeM3 > 0));
  return [...quantities.map(({ name, value }) => `${name} ${value}`), ...solids.map(({ entity }) => entity)];
}

describe('files of 200 random frameworks', () => {
  it.each(Array.from({ length: 20 }, (_, i) => i * 10))(
    'from seed %i on fit the schema and hold no size of none',
    (from) => {
      for (let seed = from; seed < from + 10; seed += 1) {
        const file = fileOf(randomRun(seed, 24).end);
        expect([seed, ...faultsOf(file)]).toEqual([seed]);
        expect([seed, ...noneIn(file)]).toEqual([seed]);
      }
    },
  );
});

const WALLED: Step[] = [
  [
    'walls.add',
    {
      building: 'West',
      name: 'Glass',
      use: 'glazed',
      type: { name: 'Glazed 120', layers: [{ name: 'glass', thicknessMm: 120, core: true }] },
      points: [
        { xMm: 0, yMm: 30_000 },
        { xMm: 7000, yMm: 30_000 },
        { xMm: 7000, yMm: 34_000 },
      ],
      startsAt: { level: '00' },
      stopsAt: { level: '02', face: 'soffit' },
    },
  ],
  ['walls.addOpening', { wall: 'Glass', opening: 'door', alongMm: 2000, widthMm: 1200, at: ['00'] }],
];

describe.each([
  ['the demo', () => given(stepsOf(TIDEWATER_YARD))],
  ['a thing of every kind', () => given([...RICH, ...WALLED])],
  ['a random framework', () => randomRun(7, 60).end],
])('%s, by two readers', (_, made) => {
  const framework = made();
  const solved = solve(framework);
  const file = writeIfc(framework, solved, AT);
  const lines = readLines(file);
  const solids = solidsOf(lines);

  it('fits the schema', () => {
    expect(faultsOf(file)).toEqual([]);
    expect(noneIn(file)).toEqual([]);
  });

  it('has the volumes that were worked out, sort by sort', () => {
    const total = (...entities: string[]) =>
      [...solids.values()].reduce((sum, { entity, volumeM3 }) => sum + (entities.includes(entity) ? volumeM3 : 0), 0);
    const sum = (mm3: readonly number[]) => mm3.reduce((all, each) => all + each, 0) / 1e9;
    const walls = solved.walls.filter(({ use }) => use !== 'glazed');
    expect(total('IFCWALL')).toBeCloseTo(sum(walls.map(({ grossMm3 }) => grossMm3)), 3);
    // Panels and members are all of a glazed wall, its openings left out.
    const glazed = solved.walls.filter(({ use }) => use === 'glazed').flatMap(({ slices }) => slices);
    const mm3 = glazed.map(({ profile, bottomMm, topMm }) => solved.profiles[profile]!.areaMm2 * (topMm - bottomMm));
    expect(total('IFCPLATE', 'IFCMEMBER')).toBeCloseTo(sum(mm3), 3);
    expect(total('IFCCOVERING')).toBeCloseTo(sum(solved.ceilings.map(({ grossMm3 }) => grossMm3)), 3);
  });

  it('is read by another program with the same volumes', async () => {
    const api = new WebIfc.IfcAPI();
    await api.Init();
    const model = api.OpenModel(new TextEncoder().encode(file), { CIRCLE_SEGMENTS: 120 });
    const wrong: string[] = [];
    let compared = 0;
    for (const [line, { entity, volumeM3, voids }] of solids) {
      if (entity === 'IFCOPENINGELEMENT' || voids > 0) continue;
      const theirs = volumeOf(api, model, line);
      compared += 1;
      if (Math.abs(theirs - volumeM3) > 2e-3 * volumeM3 + 1e-6) wrong.push(`#${line} ${entity} ${volumeM3} ${theirs}`);
    }
    api.CloseModel(model);
    expect(wrong).toEqual([]);
    expect(compared).toBeGreaterThan(20);
  });
});

/** The volume another program gives a product, m³. */
function volumeOf(api: WebIfc.IfcAPI, model: number, line: number): number {
  const mesh = api.GetFlatMesh(model, line);
  let volume = 0;
  for (let g = 0; g < mesh.geometries.size(); g += 1) {
    const placed = mesh.geometries.get(g);
    const geometry = api.GetGeometry(model, placed.geometryExpressID);
    const vertices = api.GetVertexArray(geometry.GetVertexData(), geometry.GetVertexDataSize());
    const indices = api.GetIndexArray(geometry.GetIndexData(), geometry.GetIndexDataSize());
    const corner = (i: number) => [vertices[6 * i]!, vertices[6 * i + 1]!, vertices[6 * i + 2]!] as const;
    let own = 0;
    for (let i = 0; i < indices.length; i += 3) {
      const [a, b, c] = [corner(indices[i]!), corner(indices[i + 1]!), corner(indices[i + 2]!)];
      own +=
        (a[0] * (b[1] * c[2] - b[2] * c[1]) + a[1] * (b[2] * c[0] - b[0] * c[2]) + a[2] * (b[0] * c[1] - b[1] * c[0])) /
        6;
    }
    // What is given is in metres, or in millimetres with a scale of a thousandth.
    const m = placed.flatTransformation;
    const scale = Math.hypot(m[0]!, m[1]!, m[2]!);
    volume += Math.abs(own) * scale ** 3;
    geometry.delete();
  }
  return volume;
}
