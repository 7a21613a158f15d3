import { z } from 'zod';
import { directionDeg } from '../geometry/trig';
import { defineRows, mm, row, rounded } from '../report/rows';
import { assembliesOf } from '../slants/assembly';

/** Its rows in the report. */
export const fallRows = defineRows({
  key: 'fallLayers',
  row: z.strictObject({
    ...row,
    name: z.string(),
    level: z.string(),
    slopeRatio: z.number().describe('Run per rise of every face'),
    leastMm: mm.describe('Thickness where water leaves'),
    mostMm: mm.describe('Thickness where it is thickest'),
    areaM2: z.number().describe('In plan'),
    volumeM3: z.number(),
    faces: z.array(
      z.strictObject({
        fallDeg: z.number().describe('Which way it falls, counter-clockwise from the right'),
        areaM2: z.number(),
      }),
    ),
    outlets: z.number().describe('That lie on it'),
    edges: z.number().describe('That it falls to'),
    kerbsM: z.number().describe('Round openings'),
    hasWayOut: z.boolean().describe('Whether water can leave from everywhere'),
  }),
  rows: ({ assemblies }, { level }) =>
    assembliesOf(assemblies, 'fallLayer').map(({ thing, building, name, level: at, info }) => ({
      id: thing,
      building,
      name,
      level: level(at),
      slopeRatio: info.slopeRatio,
      leastMm: info.leastMm,
      mostMm: info.mostMm,
      areaM2: rounded(info.areaMm2 / 1e6, 6),
      volumeM3: rounded(info.volumeMm3 / 1e9, 6),
      faces: info.faces.map(({ uphill, areaMm2 }) => ({
        fallDeg: rounded(directionDeg(-uphill.y, -uphill.x), 6),
        areaM2: rounded(areaMm2 / 1e6, 6),
      })),
      outlets: info.outlets.length,
      edges: info.edges.length,
      kerbsM: rounded(info.kerbsMm / 1000, 6),
      hasWayOut: info.ponds.length === 0,
    })),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    fallLayers: typeof fallRows;
  }
}
