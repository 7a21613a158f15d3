import { z } from 'zod';
import { defineRows, mm, row } from '../report/rows';
import { assembliesOf } from '../slants/assembly';
import { RAMP_FORMS } from './ramp';

/** Its rows in the report. */
export const rampRows = defineRows({
  key: 'ramps',
  row: z.strictObject({
    ...row,
    name: z.string(),
    form: z.enum(RAMP_FORMS),
    level: z.string().describe('Level it starts at'),
    riseMm: mm.describe('Below zero where it goes down'),
    runMm: mm.describe('Along its middle, landings included'),
    slopeRatio: z.number().describe('Run per rise of its flights, along its middle'),
    innerRatio: z.number().describe('The same at its inner edge'),
    outerRatio: z.number().describe('The same at its outer edge'),
    widthMm: mm,
    landings: z.number(),
    verdict: z
      .union([z.literal('ok'), z.array(z.string())])
      .describe('`ok`, or the limits broken, each with its source'),
  }),
  rows: ({ assemblies }, { level }) =>
    assembliesOf(assemblies, 'ramp').map(({ thing, building, name, level: at, info }) => {
      const { form, riseMm, runMm, slopeRatio, innerRatio, outerRatio, widthMm, landings, verdict } = info;
      return {
        id: thing,
        building,
        name,
        form,
        level: level(at),
        riseMm,
        runMm,
        slopeRatio,
        innerRatio,
        outerRatio,
        widthMm,
        landings,
        verdict: verdict === 'ok' ? verdict : [...verdict],
      };
    }),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    ramps: typeof rampRows;
  }
}
