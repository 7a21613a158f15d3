import { z } from 'zod';
import { defineRows, mm, row, rounded } from '../report/rows';
import { assembliesOf } from '../slants/assembly';

/** Its rows in the report: one for each level a guard is at. */
export const guardRows = defineRows({
  key: 'guards',
  row: z.strictObject({
    ...row,
    name: z.string(),
    is: z.enum(['guard', 'handrail']),
    level: z.string(),
    lengthM: z.number().describe('Along its top rail'),
    heightMm: mm,
    posts: z.number().describe('Its own: one that stands where two runs meet counts once'),
  }),
  rows: ({ assemblies }, { level }) =>
    assembliesOf(assemblies, 'guard').map(({ thing, building, name, level: at, info }) => ({
      id: thing,
      building,
      name,
      is: info.is,
      level: level(at),
      lengthM: rounded(info.lengthMm / 1000, 6),
      heightMm: info.heightMm,
      posts: info.posts,
    })),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    guards: typeof guardRows;
  }
}
