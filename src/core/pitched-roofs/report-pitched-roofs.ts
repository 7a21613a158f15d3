import { z } from 'zod';
import { ringArea } from '../geometry/polygon';
import { cosDeg } from '../geometry/trig';
import { recordsOf } from '../model/framework';
import { defineRows, mm, row, rounded, type RowsAt } from '../report/rows';
import type { LineKind } from '../roof-planes/skeleton';
import { slopeOfRun } from '../roof-planes/slopes';
import { assembliesOf, type Assembly } from '../slants/assembly';
import type { Solved } from '../solving/solved';
import { quantiseMm } from '../units/length-units';
import { isFoot } from './foot';
import { PITCHED_FORMS } from './solve-pitched-roof';

const metres = z.number();
/** Rows of all roofs in the report, flat ones among them. */
export const roofRows = defineRows({
  key: 'roofs',
  row: z.strictObject({
    ...row,
    name: z.string(),
    level: z.string(),
    form: z.enum(['flat', ...PITCHED_FORMS]),
    footprintM2: z.number().describe('In plan, without its overhang'),
    areaM2: z.number().describe('Of its faces themselves'),
    ridgeMm: mm.describe('The height of its top where it is highest'),
    eavesMm: mm.describe('The height of its underside over the edge of what it stands on'),
    faces: z.array(z.strictObject({ slopeDeg: z.number(), areaM2: z.number() })),
    ridgesM: metres,
    hipsM: metres,
    valleysM: metres,
    eavesM: metres.describe('Edges that slope; gables and edges against walls are none'),
    vergesM: metres,
    abutmentsM: metres.describe('Where it lies against higher walls'),
    volumeM3: z.number().describe('Under its top, over the height of its edge'),
    over1500M2: z.number().describe('In plan, where the height under it from the level of its eaves is 1.5 m and more'),
    over2300M2: z.number().describe('The same at 2.3 m'),
  }),
  rows: (solved, at) => [...flat(solved, at), ...pitched(solved, at)],
});

const pitched = ({ assemblies }: Solved, { level }: RowsAt) =>
  assembliesOf(assemblies, 'pitchedRoof').map(({ thing, building, name, level: of, info }) => {
    const long = lengthsOf(info);
    return {
      id: thing,
      building,
      name,
      level: level(of),
      form: info.form,
      footprintM2: rounded(info.footprintMm2 / 1e6, 6),
      areaM2: rounded(info.areaMm2 / 1e6, 6),
      ridgeMm: info.ridgeMm,
      eavesMm: info.eavesMm,
      faces: info.faces.map(({ runPerRise, areaMm2 }) => ({
        slopeDeg: rounded(slopeOfRun(runPerRise), 6),
        areaM2: rounded(areaMm2 / 1e6, 6),
      })),
      ridgesM: long('ridge'),
      hipsM: long('hip'),
      valleysM: long('valley'),
      eavesM: long('eaves'),
      vergesM: long('verge'),
      abutmentsM: long('abutment'),
      volumeM3: rounded(info.volumeMm3 / 1e9, 6),
      over1500M2: rounded(info.over1500Mm2 / 1e6, 6),
      over2300M2: rounded(info.over2300Mm2 / 1e6, 6),
    };
  });

/** How long its lines of a sort are together, metres. Eaves are those of edges that slope. */
export function lengthsOf({ lines, faces }: Assembly<'pitchedRoof'>['info']): (is: LineKind) => number {
  return (is) => {
    const sum = lines
      .filter((line) => line.is === is && (is !== 'eaves' || isFoot(line, faces)))
      .reduce((all, { from, to }) => {
        const [x, y, z] = [from.x - to.x, from.y - to.y, from.z - to.z];
        return all + Math.sqrt(x * x + y * y + z * z);
      }, 0);
    return rounded(sum / 1000, 6);
  };
}

const flat = ({ floors, levels, assemblies }: Solved, { framework, level }: RowsAt) =>
  recordsOf(framework, 'roof').flatMap(({ id, building, name, level: at }) => {
    const slabs = floors.filter(({ plate }) => plate === id);
    if (slabs.length === 0) return [];
    const areaM2 = rounded(slabs.reduce((sum, { outline }) => sum + Math.abs(ringArea(outline)), 0) / 1e6, 6);
    const topMm = Math.max(...slabs.map((slab) => slab.topMm));
    const fflMm = levels.find((each) => each.id === at)?.fflMm ?? topMm;
    const falls = assembliesOf(assemblies, 'fallLayer').filter(({ info }) => info.slab === id);
    const faces = falls.flatMap(({ info }) =>
      info.faces.map(({ areaMm2 }) => {
        const slopeDeg = slopeOfRun(info.slopeRatio);
        return { slopeDeg: rounded(slopeDeg, 6), areaM2: rounded(areaMm2 / 1e6 / cosDeg(slopeDeg), 6) };
      }),
    );
    return [
      {
        id,
        building,
        name,
        level: level(at),
        form: 'flat' as const,
        footprintM2: areaM2,
        areaM2,
        ridgeMm: Math.max(fflMm, ...falls.map(({ info }) => quantiseMm(topMm + info.mostMm))),
        eavesMm: fflMm,
        faces: faces.length > 0 ? faces : [{ slopeDeg: 0, areaM2 }],
        ridgesM: 0,
        hipsM: 0,
        valleysM: 0,
        eavesM: 0,
        vergesM: 0,
        abutmentsM: 0,
        volumeM3: 0,
        over1500M2: 0,
        over2300M2: 0,
      },
    ];
  });

declare module '../report/rows' {
  interface RowsOfKinds {
    roofs: typeof roofRows;
  }
}
