import { z } from 'zod';
import { defineRows, mm, row } from '../report/rows';
import { quantiseMm } from '../units/length-units';
import type { SolvedStair, StairStorey } from './solved-stair';

/** What of a storey is not within the rule set: of its own the solver takes no step that is not. */
function verdictOf(
  { steps, headroom, broken }: StairStorey,
  { headroomMm, source, headroomSource }: SolvedStair['measuredBy'],
): 'ok' | string[] {
  if (!steps) return [`no count of step risers climbs it in its well (${source})`];
  const isLow = headroom && headroom.mm < headroomMm - 1e-3;
  const all = [
    ...broken,
    ...(isLow ? [`headroom ${Math.floor(headroom.mm)} under ${headroomMm} (${headroomSource})`] : []),
  ];
  return all.length === 0 ? 'ok' : all;
}

/** Its rows in the report. */
export const stairRows = defineRows({
  key: 'stairs',
  row: z.strictObject({
    ...row,
    name: z.string(),
    form: z.string().describe('Form of the stair, as `spine solve-stair` calls it'),
    level: z.string().describe('Level the storey starts at'),
    from: z.string().describe('The same'),
    to: z.string().describe('Level it arrives at'),
    heightMm: mm,
    risers: z.number().nullable().describe('Step risers; null where the storey cannot be climbed'),
    flights: z.array(z.number()).describe('Step risers of each flight'),
    riserMm: mm.nullable(),
    goingMm: mm.nullable(),
    paceMm: mm.nullable().describe('Two step risers and a going'),
    pitchDeg: z.number().nullable(),
    widthMm: mm.describe('Of a flight'),
    firstStructuralMm: mm.nullable().describe('First step riser from structure to structure'),
    lastStructuralMm: mm.nullable(),
    headroomMm: mm.nullable().describe('Least headroom; null where nothing is above'),
    verdict: z
      .union([z.literal('ok'), z.array(z.string())])
      .describe('`ok`, or the limits broken, each with its source'),
  }),
  rows: (solved, { level }) =>
    solved.stairs.flatMap(({ stair, building, name, form, measuredBy, flightWidthMm, storeys }) =>
      storeys.map((storey) => {
        const { level: at, upper, heightMm, steps, pitchDeg, firstStructuralMm, lastStructuralMm, headroom } = storey;
        return {
          id: stair,
          building,
          name,
          form,
          level: level(at),
          from: level(at),
          to: level(upper),
          heightMm,
          risers: steps?.count ?? null,
          flights: [...(steps?.flights ?? [])],
          riserMm: steps?.riserMm ?? null,
          goingMm: steps?.goingMm ?? null,
          paceMm: steps && quantiseMm((2 * heightMm) / steps.count + steps.goingMm),
          pitchDeg,
          widthMm: flightWidthMm,
          firstStructuralMm,
          lastStructuralMm,
          headroomMm: headroom?.mm ?? null,
          verdict: verdictOf(storey, measuredBy),
        };
      }),
    ),
});

declare module '../report/rows' {
  interface RowsOfKinds {
    stairs: typeof stairRows;
  }
}
