import { everyFacet } from '../kinds/registry';
import { z } from 'zod';
import { sectionWords } from '../columns/section-shape';
import { frameworkHash, recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';

const row = { id: z.string(), building: z.string().describe('Id of the building it belongs to') };
const mm = z.number();

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
    }),
  ),
  crossings: z.array(z.strictObject({ ...row, label: z.string().nullable(), xMm: mm, yMm: mm })),
  columns: z.array(
    z.strictObject({
      ...row,
      stack: z.string().describe('Mark of the stack'),
      level: z.string(),
      xMm: mm,
      yMm: mm,
      turnDeg: z.number(),
      section: z.string(),
      bottomMm: mm,
      topMm: mm,
      volumeM3: z.number(),
    }),
  ),
  floors: z.array(
    z.strictObject({
      ...row,
      name: z.string(),
      level: z.string(),
      zone: z.string().nullable().describe('The zone of the plate it is; null: the plate outside its zones'),
      topMm: mm,
      thicknessMm: mm,
      areaM2: z.number(),
      perimeterM: z.number(),
      volumeM3: z.number(),
      holes: z.number().int(),
    }),
  ),
  shafts: z.array(
    z.strictObject({
      ...row,
      name: z.string(),
      purpose: z.string(),
      bottomMm: mm,
      topMm: mm,
      cuts: z.array(z.strictObject({ floor: z.string(), level: z.string() })),
      misses: z.array(z.strictObject({ floor: z.string(), level: z.string(), byMm: mm })),
    }),
  ),
  stairs: z.array(
    z.strictObject({
      ...row,
      name: z.string(),
      level: z.string().describe('Level the storey starts at'),
      heightMm: mm,
      risers: z.number().nullable().describe('Step risers; null where the storey cannot be climbed'),
      flights: z.array(z.number()).describe('Step risers of each flight'),
      riserMm: mm.nullable(),
      goingMm: mm.nullable(),
      headroomMm: mm.nullable().describe('Least headroom; null where nothing is above'),
    }),
  ),
  walls: z.array(
    z.strictObject({
      ...row,
      name: z.string(),
      use: z.string(),
      level: z.string(),
      bottomMm: mm,
      topMm: mm,
      thicknessMm: mm,
      volumeM3: z.number(),
      openings: z.array(z.strictObject({ name: z.string(), kind: z.string(), level: z.string(), widthMm: mm })),
    }),
  ),
  foundations: z.array(
    z.strictObject({
      ...row,
      name: z.string(),
      form: z.string(),
      bottomMm: mm,
      topMm: mm,
      volumeM3: z.number(),
      subgradeKnM3: z.number().nullable().describe('Subgrade modulus; null where it is not known'),
      restrained: z.array(z.enum(['x', 'y', 'z'])).describe('Directions in which the ground holds it'),
    }),
  ),
  ceilings: z.array(
    z.strictObject({
      ...row,
      name: z.string(),
      level: z.string(),
      room: z.string().nullable().describe('Number of the room it hangs in; null where it has none'),
      clearMm: mm.describe('From FFL to its underside'),
      overMm: mm.nullable().describe('From its top to the lowest soffit over it; null where no slab is over it'),
      areaM2: z.number(),
      volumeM3: z.number(),
    }),
  ),
  ...Object.fromEntries(everyFacet('report').map(({ key, row: one }) => [key, z.array(one)])),
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

const rounded = (value: number, places: number): number => {
  const scale = [1, 10, 100, 1e3, 1e4, 1e5, 1e6][places]!;
  return Math.round(value * scale) / scale;
};

/** The report of a framework and its solve. */
export function reportOf(framework: Framework, solved: Solved): Report {
  const levelName = new Map<Id, string>(solved.levels.map(({ id, name }) => [id, name]));
  const plateName = new Map<Id, string>(solved.floors.map(({ plate, name }) => [plate, name]));
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
      turnDeg,
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
    gridLines: solved.lines.map(({ id, building, system, label, direction, offsetMm }) => ({
      id,
      building,
      system,
      label,
      direction,
      offsetMm,
    })),
    crossings: solved.crossings.map(({ building, label, lines, at }) => ({
      id: lines.join('+'),
      building,
      label,
      xMm: at.x,
      yMm: at.y,
    })),
    columns: solved.columns.map((piece) => ({
      id: piece.stack,
      building: piece.building,
      stack: piece.mark,
      level: level(piece.level),
      xMm: piece.at.x,
      yMm: piece.at.y,
      turnDeg: piece.turnDeg,
      section: sectionWords(piece.section),
      bottomMm: piece.bottomMm,
      topMm: piece.topMm,
      volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
    })),
    floors: solved.floors.map((piece) => {
      const profile = solved.profiles[piece.profile]!;
      return {
        id: piece.plate,
        building: piece.building,
        name: piece.name,
        level: level(piece.level),
        zone: piece.zone?.name ?? null,
        topMm: piece.topMm,
        thicknessMm: piece.thicknessMm,
        areaM2: rounded(profile.areaMm2 / 1e6, 6),
        perimeterM: rounded(profile.perimeterMm / 1e3, 6),
        volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
        holes: profile.holeCount,
      };
    }),
    shafts: solved.shafts.map((shaft) => ({
      id: shaft.shaft,
      building: shaft.building,
      name: shaft.name,
      purpose: shaft.purpose,
      bottomMm: shaft.bottomMm,
      topMm: shaft.topMm,
      cuts: shaft.cuts.map((cut) => ({ floor: plateName.get(cut.plate) ?? '', level: level(cut.level) })),
      misses: shaft.misses.map((miss) => ({
        floor: plateName.get(miss.plate) ?? '',
        level: level(miss.level),
        byMm: miss.byMm,
      })),
    })),
    stairs: solved.stairs.flatMap(({ stair, building, name, storeys }) =>
      storeys.map(({ level: at, heightMm, steps, headroom }) => ({
        id: stair,
        building,
        name,
        level: level(at),
        heightMm,
        risers: steps?.count ?? null,
        flights: [...(steps?.flights ?? [])],
        riserMm: steps?.riserMm ?? null,
        goingMm: steps?.goingMm ?? null,
        headroomMm: headroom?.mm ?? null,
      })),
    ),
    walls: solved.walls.map((piece) => ({
      id: piece.wall,
      building: piece.building,
      name: piece.name,
      use: piece.use,
      level: level(piece.level),
      bottomMm: piece.bottomMm,
      topMm: piece.topMm,
      thicknessMm: piece.thicknessMm,
      volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
      openings: piece.openings.map(({ name, opening, level: at, widthMm }) => ({
        name,
        kind: opening,
        level: level(at),
        widthMm,
      })),
    })),
    foundations: solved.foundations.map((piece) => {
      const record = recordOf(framework, 'foundation', piece.foundation)!;
      return {
        id: piece.foundation,
        building: piece.building,
        name: piece.name,
        form: piece.form,
        bottomMm: piece.bottomMm,
        topMm: piece.topMm,
        volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
        subgradeKnM3: record.subgradeKnM3,
        restrained: (['x', 'y', 'z'] as const).filter((way) => record.restrained[way]),
      };
    }),
    ceilings: solved.ceilings.map((piece) => ({
      id: piece.ceiling,
      building: piece.building,
      name: piece.name,
      level: level(piece.level),
      room: solved.rooms.find((each) => each.room === piece.room && each.level === piece.level)?.number ?? null,
      clearMm: piece.clearMm,
      overMm: piece.overMm,
      areaM2: rounded(solved.profiles[piece.profile]!.areaMm2 / 1e6, 6),
      volumeM3: rounded(piece.volumeMm3 / 1e9, 6),
    })),
    ...Object.fromEntries(everyFacet('report').map(({ key, rows }) => [key, rows(solved, level)])),
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
