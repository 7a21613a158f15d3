import { z } from 'zod';
import { defineRows, mm, row, rounded } from '../report/rows';

/** Levels in the report, each with how one gets out of it. */
export const waysOutRows = defineRows({
  key: 'waysOut',
  row: z.strictObject({
    ...row,
    level: z.string(),
    isExit: z.boolean().describe('It has a way out of the building'),
    stairs: z.array(
      z.strictObject({
        name: z.string(),
        to: z.string().nullable().describe('The level with a way out it leads to; null: it ends short of one'),
        onBy: z.string().nullable().describe('The stair one goes on by, where it ends short'),
        widthMm: mm,
      }),
    ),
    people: z.number().describe('By what its rooms are for; indicative'),
    neededMm: mm.describe('Width they need of stairs, or of doors at a level with a way out'),
    givenMm: mm.describe('Width there is of them'),
    narrowestMm: mm.nullable().describe('The narrowest stair or door on a way'),
    travelMm: mm.nullable().describe('From the farthest place of any room to the nearest of them'),
    deadEndMm: mm.nullable().describe('The farthest one walks before ways to two of them part'),
    rooms: z.array(
      z.strictObject({
        number: z.string(),
        name: z.string(),
        travelMm: mm.nullable().describe('Null where no way leads out of it'),
        deadEndMm: mm.nullable(),
        to: z.string(),
      }),
    ),
  }),
  rows: (solved, { level }) => {
    const whole = (value: number | null) => value && rounded(value, 0);
    return solved.waysOut.map((ways) => ({
      id: ways.level,
      building: ways.building,
      level: level(ways.level),
      isExit: ways.isExit,
      stairs: ways.stairs.map(({ name, to, onBy, widthMm }) => ({
        name,
        to: to && level(to),
        onBy: onBy?.name ?? null,
        widthMm,
      })),
      people: ways.people,
      neededMm: rounded(ways.neededMm, 1),
      givenMm: ways.givenMm,
      narrowestMm: ways.narrowestMm,
      travelMm: whole(ways.travelMm),
      deadEndMm: whole(ways.deadEndMm),
      rooms: ways.rooms
        .filter(({ room }) => room !== null)
        .map((each) => ({
          number: each.number,
          name: each.name,
          travelMm: whole(each.mm),
          deadEndMm: whole(each.deadEndMm),
          to: each.to,
        })),
    }));
  },
});

declare module '../report/rows' {
  interface RowsOfKinds {
    waysOut: typeof waysOutRows;
  }
}
