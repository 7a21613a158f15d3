import { z } from 'zod';
import { storeyAreas } from '../levels/limits';
import { everyFacet } from '../kinds/registry';
import { frameworkHash, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';
import type { Segment } from '../geometry/curve';
import { directionDeg } from '../geometry/trig';
import { mm, rounded, row, withinOneTurn, type RowsOfKinds } from './rows';

/** Rows of every kind that has some, each under its key. */
type KindRows = { [Key in keyof RowsOfKinds]: z.infer<RowsOfKinds[Key]['row']>[] };

/** What a solved framework says, in building axes and millimetres. The headless command prints it. */
export const reportSchema = z.strictObject({
  project: z.string(),
  hash: z.string().describe('SHA-256 of the framework'),
  buildings: z.array(
    z.strictObject({ id: z.string(), name: z.string(), zeroMm: mm, xMm: mm, yMm: mm, turnDeg: z.number() }),
  ),
  levels: z.array(
    z.strictObject({
      ...row,
      name: z.string(),
      title: z.string(),
      kind: z.string(),
      fflMm: mm,
      sslMm: mm,
      storeyHeightMm: mm.nullable().describe('null for the topmost storey level and for levels that bound no storey'),
    }),
  ),
  gridLines: z.array(
    z.strictObject({
      ...row,
      system: z.string(),
      label: z.string().nullable(),
      direction: z.enum(['a', 'b']),
      offsetMm: mm.describe("from the direction's first line"),
      angleDeg: z.number().nullable().describe('Of a straight line, from the x axis of the building; within one turn'),
      radiusMm: mm.nullable().describe('Of a ring or an arc'),
    }),
  ),
  crossings: z.array(
    z.strictObject({
      ...row,
      label: z.string().nullable(),
      nth: z.union([z.literal(1), z.literal(2)]).describe('2: the second place where a line meets an arc'),
      xMm: mm,
      yMm: mm,
    }),
  ),
  ...(Object.fromEntries(
    everyFacet('report')
      .flat()
      .map(({ key, row: one }) => [key, z.array(one)]),
  ) as {
    [Key in keyof RowsOfKinds]: z.ZodArray<RowsOfKinds[Key]['row']>;
  }),
  areas: z.array(
    z.strictObject({
      ...row,
      level: z.string(),
      grossM2: z
        .number()
        .describe('To the outer faces of exterior walls, or the slab’s edge where that is further out'),
      slabEdgeM2: z.number().describe('Slabs to their edges, holes counted'),
      slabM2: z.number().describe('Slabs without their holes'),
      netM2: z.number().describe('Within walls, without columns and shafts'),
      byUse: z.array(z.strictObject({ use: z.string(), areaM2: z.number() })),
    }),
  ),
  findings: z.array(
    z.strictObject({
      ...row,
      rule: z.string(),
      severity: z.enum(['error', 'warning']),
      level: z.string().nullable(),
      message: z.string(),
    }),
  ),
});
export type Report = z.infer<typeof reportSchema>;

const m2 = (mm2: number): number => rounded(mm2 / 1e6, 6);

/** Floor areas level by level, roofs apart. */
const areaRows = (solved: Solved, level: (id: Id) => string): Report['areas'] =>
  solved.buildings.flatMap(({ id: building }) => {
    const areas = storeyAreas(solved, building);
    return solved.levels.flatMap(({ id }) => {
      const area = areas.get(id);
      if (!area) return [];
      return [
        {
          id,
          building,
          level: level(id),
          grossM2: m2(area.toOuterFaces),
          slabEdgeM2: m2(area.toSlabEdges),
          slabM2: m2(area.slabs),
          netM2: m2(area.rooms),
          byUse: [...area.byUse].map(([use, mm2]) => ({ use, areaM2: m2(mm2) })),
        },
      ];
    });
  });

/** To a ten-millionth of a degree, from 0 to less than 360. */
const angleOf = ({ from, to }: Segment): number => withinOneTurn(directionDeg(to.y - from.y, to.x - from.x));

/** The report of a framework and its solve. */
export function reportOf(framework: Framework, solved: Solved): Report {
  const levelName = new Map<Id, string>(solved.levels.map(({ id, name }) => [id, name]));
  const level = (id: Id) => levelName.get(id) ?? '';
  const project = [...framework.records.values()].find(({ kind }) => kind === 'project');
  return {
    project: project?.kind === 'project' ? project.name : '',
    hash: frameworkHash(framework),
    buildings: solved.buildings.map(({ id, name, zeroMm, at, turnDeg }) => ({
      id,
      name,
      zeroMm,
      xMm: at.x,
      yMm: at.y,
      turnDeg: withinOneTurn(turnDeg),
    })),
    levels: solved.levels.map(({ id, building, name, title, levelKind, fflMm, sslMm, storeyHeightMm }) => ({
      id,
      building,
      name,
      title,
      kind: levelKind,
      fflMm,
      sslMm,
      storeyHeightMm,
    })),
    gridLines: solved.lines.map(({ id, building, system, label, direction, offsetMm, curve }) => ({
      id,
      building,
      system,
      label,
      direction,
      offsetMm,
      angleDeg: curve.kind === 'segment' ? angleOf(curve) : null,
      radiusMm: curve.kind === 'arc' ? curve.radiusMm : null,
    })),
    crossings: solved.crossings.map(({ building, label, lines, nth, at }) => ({
      id: [...lines, ...(nth === 2 ? ['2'] : [])].join('+'),
      building,
      label,
      nth,
      xMm: at.x,
      yMm: at.y,
    })),
    ...(Object.fromEntries(
      everyFacet('report')
        .flat()
        .map(({ key, rows }) => [key, rows(solved, { level, framework })]),
    ) as KindRows),
    areas: areaRows(solved, level),
    findings: solved.findings.map(({ key, building, rule, severity, level: at, message }) => ({
      id: key,
      building,
      rule,
      severity,
      level: at === null ? null : level(at),
      message,
    })),
  };
}

/** What of a report is about one building. */
export function reportOfBuilding(report: Report, building: Id): Report {
  const rows = (value: unknown): unknown =>
    Array.isArray(value) ? value.filter((each: { building?: string }) => each.building === building) : value;
  const own = Object.fromEntries(Object.entries(report).map(([key, value]) => [key, rows(value)])) as Report;
  return { ...own, buildings: report.buildings.filter(({ id }) => id === building) };
}
