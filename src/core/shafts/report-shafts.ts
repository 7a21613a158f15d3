import { z } from 'zod';
import type { Id } from '../model/ids';
import { bounds, ringArea, type Ring } from '../geometry/polygon';
import { quantiseMm } from '../units/length-units';
import { defineRows, mm, rounded, row } from '../report/rows';

function middleOf(ring: Ring): { xMm: number; yMm: number } {
  const { minX, minY, maxX, maxY } = bounds(ring);
  return { xMm: quantiseMm((minX + maxX) / 2), yMm: quantiseMm((minY + maxY) / 2) };
}

/** Its rows in the report. */
export const shaftRows = defineRows({
  key: 'shafts',
  row: z.strictObject({
    ...row,
    name: z.string(),
    purpose: z.string(),
    xMm: mm.describe('Middle of its outline at its foot, in the axes of the building'),
    yMm: mm,
    bottomMm: mm,
    topMm: mm,
    stages: z
      .array(
        z.strictObject({
          bottomMm: mm,
          topMm: mm,
          areaM2: z.number(),
          outline: z.array(z.strictObject({ xMm: mm, yMm: mm })),
        }),
      )
      .describe('From the foot up, one for each outline it has'),
    cuts: z.array(z.strictObject({ floor: z.string(), level: z.string() })),
    misses: z.array(z.strictObject({ floor: z.string(), level: z.string(), byMm: mm })),
    lift: z
      .strictObject({
        stops: z.array(z.string()).describe('Levels, from the lowest up'),
        doorWidthMm: mm,
        doorHeightMm: mm,
        pitMm: mm.describe('Under the floor of the lowest stop'),
        overrunMm: mm.describe('Over the floor of the highest stop'),
        carWidthMm: mm,
        carDepthMm: mm,
        persons: z.number(),
      })
      .nullable()
      .describe('Null where nothing is said of a lift'),
  }),
  rows: (solved, { level }) => {
    const plateName = new Map<Id, string>(solved.floors.map(({ plate, name }) => [plate, name]));
    return solved.shafts.map((shaft) => ({
      id: shaft.shaft,
      building: shaft.building,
      name: shaft.name,
      purpose: shaft.purpose,
      ...middleOf(shaft.ring),
      bottomMm: shaft.bottomMm,
      topMm: shaft.topMm,
      stages: shaft.stages.map(({ ring, bottomMm, topMm }) => ({
        bottomMm,
        topMm,
        areaM2: rounded(Math.abs(ringArea(ring)) / 1e6, 6),
        outline: ring.map(({ x, y }) => ({ xMm: x, yMm: y })),
      })),
      cuts: shaft.cuts.map((cut) => ({ floor: plateName.get(cut.plate) ?? '', level: level(cut.level) })),
      misses: shaft.misses.map((miss) => ({
        floor: plateName.get(miss.plate) ?? '',
        level: level(miss.level),
        byMm: miss.byMm,
      })),
      lift: shaft.lift && { ...shaft.lift, stops: shaft.lift.stops.map(level) },
    }));
  },
});

declare module '../report/rows' {
  interface RowsOfKinds {
    shafts: typeof shaftRows;
  }
}
