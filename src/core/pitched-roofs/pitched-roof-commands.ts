import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { freeName, refuseTaken } from '../commands/free-name';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, refSchema, thingReferred } from '../commands/refer';
import { endInputSchema, readEnd } from '../levels/end-input';
import { storeyLevels } from '../levels/resolve-levels';
import { textSchema } from '../model/fields';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Outline } from '../outlines/outline';
import { outlineInputSchema, readOutline } from '../outlines/outline-input';
import { readRoofSlope } from '../roof-planes/slopes';
import { carryingWalls } from '../roofs/carrying-walls';
import { resolveOutline } from '../setting-out/resolve-outline';
import { outlineFromWalls } from '../walls/outline-from-walls';
import { WALL_FACES } from '../walls/wall-faces';
import {
  EAVES_CUTS,
  BAYS,
  MEASURED,
  PITCHED_ROOF_BOUNDS,
  ROOF_EDGES,
  type PitchedRoof,
  type RoofEdge,
} from './pitched-roof';
import { solvePitchedRoof } from './solve-pitched-roof';
import { trimWalls } from './trim-walls-command';
import { partyEdges } from './walls-under';

/** Degrees, or as one writes a slope: `40`, `1:1.5`, `60 %`. */
const slopeInput = z.union([z.number(), z.string().max(40)]);
const edgeInput = z.strictObject({
  edge: z.number().int().min(0).max(5000),
  is: z.enum(ROOF_EDGES).default('slope'),
  /** Null: as steep as the roof. */
  slope: slopeInput.nullable().default(null),
  /** So far over the eaves it goes on with another slope; null: it does not. */
  upper: z.strictObject({ aboveMm: lengthInputSchema, slope: slopeInput }).nullable().default(null),
});
const layerInput = z.strictObject({ name: textSchema(60), thicknessMm: lengthInputSchema });
const fields = {
  name: textSchema(40).optional(),
  /** What it stands on. Not said: walls. */
  outline: outlineInputSchema.optional(),
  /** Walls it stands on. Not said: the exterior and party walls that reach its level. */
  walls: z.array(refSchema).min(1, 'Choose a wall').max(200).optional(),
  face: z.enum(WALL_FACES).optional(),
  courtyards: z.array(outlineInputSchema).max(20).optional(),
  /** A level, and the height of the knee wall over it. */
  eavesAt: endInputSchema.optional(),
  overhangMm: lengthInputSchema.optional(),
  slope: slopeInput.optional(),
  /** Edges that are not as the others are. */
  edges: z.array(edgeInput).max(400).optional(),
  /** In even bays along one of its edges; null: it slopes from its edges inwards. */
  bays: z
    .strictObject({
      is: z.enum(BAYS),
      along: z.number().int().min(0).max(5000),
      count: z.number().int().min(1, 'A roof in bays has one at least').max(60),
    })
    .nullable()
    .optional(),
  /** Null: slopes are as they are. */
  ridgeMm: lengthInputSchema.nullable().optional(),
  layers: z.array(layerInput).min(1).max(12).optional(),
  measured: z.enum(MEASURED).optional(),
  eavesCut: z.enum(EAVES_CUTS).optional(),
  /** Boards along its eaves and verges. */
  fascia: z
    .strictObject({ heightMm: lengthInputSchema.default(200), thicknessMm: lengthInputSchema.default(25) })
    .nullable()
    .optional(),
  /** Level boards under its eaves. */
  soffitMm: lengthInputSchema.nullable().optional(),
};
type Fields = z.infer<z.ZodObject<typeof fields>>;
const STARTING_LAYERS = [
  { name: 'Tiles on battens', thicknessMm: 80 },
  { name: 'Rafters with insulation', thicknessMm: 200 },
  { name: 'Lining', thicknessMm: 20 },
];

function readSlope(input: z.infer<typeof slopeInput>, field: string): number {
  const deg = readRoofSlope(typeof input === 'number' ? `${input}°` : input);
  if (deg === null)
    refuseNow(`"${input}" is no slope of a roof. Type one like 40°, 1:1.5 or 60 %, 0.5° to 89°`, [field]);
  return deg!;
}

function readEdge(framework: Framework, input: z.infer<typeof edgeInput>): RoofEdge {
  const { edge, is, slope, upper } = input;
  return {
    edge,
    is,
    slopeDeg: is === 'slope' && slope !== null ? readSlope(slope, 'slope') : null,
    upper: upper && {
      aboveMm: new LengthReader(framework).read(upper.aboveMm, 'aboveMm', PITCHED_ROOF_BOUNDS.aboveMm).stored,
      slopeDeg: readSlope(upper.slope, 'upper'),
    },
  };
}

function readRidge(framework: Framework, ridgeMm: Fields['ridgeMm']): PitchedRoof['ridgeMm'] | undefined {
  if (ridgeMm === undefined || ridgeMm === null) return ridgeMm;
  return new LengthReader(framework).read(ridgeMm, 'ridgeMm', PITCHED_ROOF_BOUNDS.ridgeMm).stored;
}

function readEdges(framework: Framework, edges: Fields['edges']): RoofEdge[] | undefined {
  if (!edges) return undefined;
  if (new Set(edges.map(({ edge }) => edge)).size < edges.length)
    refuseNow('An edge is given twice. Give each once', ['edges']);
  return edges.map((each) => readEdge(framework, each));
}

/** How its eaves end: what is said of that. */
function readEaves(
  framework: Framework,
  { eavesCut, fascia, soffitMm }: Fields,
): Partial<Pick<PitchedRoof, 'eavesCut' | 'fascia' | 'soffitMm'>> {
  const reader = new LengthReader(framework);
  const { fasciaHeightMm, boardMm } = PITCHED_ROOF_BOUNDS;
  return {
    ...(eavesCut ? { eavesCut } : {}),
    ...(fascia === undefined
      ? {}
      : {
          fascia: fascia && {
            heightMm: reader.read(fascia.heightMm, 'heightMm', fasciaHeightMm).stored,
            thicknessMm: reader.read(fascia.thicknessMm, 'thicknessMm', boardMm).stored,
          },
        }),
    ...(soffitMm === undefined
      ? {}
      : { soffitMm: soffitMm === null ? null : reader.read(soffitMm, 'soffitMm', boardMm).stored }),
  };
}

function readFootprint(framework: Framework, building: Id, level: Id, input: Fields): Outline | undefined {
  if (input.outline && input.walls) refuseNow('Give what it stands on as an outline, or as walls, not both', ['walls']);
  if (input.outline) return readOutline(framework, building, input.outline);
  const walls = carryingWalls(framework, building, level, input.walls);
  if (walls.length === 0)
    refuseNow('No exterior wall reaches that level. Choose the walls the roof stands on, or give its outline', [
      'walls',
    ]);
  const round = { walls, face: input.face ?? ('outside' as const), offsetMm: 0 };
  if (!outlineFromWalls(framework, round))
    refuseNow('These walls do not go round one after another. Choose walls that close, or give an outline', ['walls']);
  return { type: 'walls', ...round };
}

/** A roof that cannot be worked out is not made. */
function orRefuse(framework: Framework, roof: PitchedRoof): PitchedRoof {
  const solved = solvePitchedRoof(framework, roof);
  if ('fault' in solved) refuseNow(solved.fault);
  return roof;
}

/** The same walls have one roof at a level. */
function refuseSecond(framework: Framework, { outline, eavesAt }: Pick<PitchedRoof, 'outline' | 'eavesAt'>): void {
  if (outline.type !== 'walls') return;
  const walls = [...outline.walls].sort().join();
  const there = recordsOf(framework, 'pitchedRoof').find(
    (each) =>
      each.eavesAt.level === eavesAt.level &&
      each.outline.type === 'walls' &&
      [...each.outline.walls].sort().join() === walls,
  );
  if (there) refuseNow(`These walls have roof ${there.name} at that level already. Change that one`, ['walls']);
}

/** An edge that is not there is refused. */
function refuseEdges(framework: Framework, { outline, courtyards }: PitchedRoof, edges: readonly RoofEdge[]): void {
  const count = [outline, ...courtyards].reduce((sum, each) => sum + (resolveOutline(framework, each)?.length ?? 0), 0);
  const gone = edges.find(({ edge }) => edge >= count);
  if (gone) refuseNow(`The roof has ${count} edges, counted from 0; there is no edge ${gone.edge}`, ['edges']);
}

/** Edges along party walls lie against them, where nothing else is said of them. */
function againstParty(
  framework: Framework,
  building: Id,
  outlines: readonly Outline[],
  given: readonly RoofEdge[],
): RoofEdge[] {
  if (outlines[0]!.type !== 'walls') return [];
  const edges = partyEdges(
    framework,
    building,
    outlines.flatMap((each) => [resolveOutline(framework, each) ?? []]),
  );
  return [...new Set(edges.map(({ edge }) => edge))]
    .filter((edge) => !given.some((each) => each.edge === edge))
    .map((edge) => ({ edge, is: 'wall', slopeDeg: null, upper: null }));
}

const add = defineCommand({
  name: 'pitchedRoofs.add',
  title: 'Add a pitched roof over an outline, or on the walls that reach a level',
  input: z.strictObject({ building: refSchema.optional(), ...fields }),
  plan: (edit, input) =>
    refusing(() => {
      const { before } = edit;
      const building = buildingReferred(before, input.building);
      refuseTaken(before, 'pitchedRoof', input.name);
      const top = storeyLevels(before, building).at(-1);
      if (!top && !input.eavesAt) refuseNow('Set up the levels before roofing them', ['eavesAt']);
      const eavesAt = input.eavesAt
        ? readEnd(before, building, input.eavesAt, 'FFL', 'Eaves at')
        : { level: top!.id, face: 'FFL' as const, offsetMm: 0 };
      const reader = new LengthReader(before);
      const { layerMm, overhangMm } = PITCHED_ROOF_BOUNDS;
      const outline = readFootprint(before, building, eavesAt.level, input)!;
      const courtyards = (input.courtyards ?? []).map((each) => readOutline(before, building, each));
      const given = readEdges(before, input.edges) ?? [];
      const roof: Omit<PitchedRoof, 'id'> = {
        kind: 'pitchedRoof',
        building,
        name: input.name ?? freeName(before, 'pitchedRoof'),
        outline,
        courtyards,
        eavesAt,
        overhangMm: reader.read(input.overhangMm ?? 500, 'overhangMm', overhangMm).stored,
        slopeDeg: readSlope(input.slope ?? 40, 'slope'),
        edges: [...given, ...againstParty(before, building, [outline, ...courtyards], given)],
        bays: input.bays ?? null,
        ridgeMm: readRidge(before, input.ridgeMm) ?? null,
        layers: (input.layers ?? STARTING_LAYERS).map(({ name, thicknessMm }) => ({
          name,
          thicknessMm: reader.read(thicknessMm, 'thicknessMm', layerMm).stored,
        })),
        measured: input.measured ?? 'square',
        ...{ eavesCut: 'plumb' as const, fascia: null, soffitMm: null, ...readEaves(before, input) },
      };
      refuseSecond(before, roof);
      refuseEdges(before, { ...roof, id: '' }, roof.edges);
      orRefuse(before, { ...roof, id: '' });
      edit.add<'pitchedRoof'>(roof);
    }),
  sentence: (before, input) => `Roof ${input.name ?? freeName(before, 'pitchedRoof')} added`,
});

const change = defineCommand({
  name: 'pitchedRoofs.change',
  title: 'Change a pitched roof',
  input: z.strictObject({ roof: refSchema, ...fields }),
  plan: (edit, input) =>
    refusing(() => {
      const { before } = edit;
      const was = thingReferred(before, 'pitchedRoof', input.roof);
      refuseTaken(before, 'pitchedRoof', input.name, was.id);
      const reader = new LengthReader(before);
      const { layerMm, overhangMm } = PITCHED_ROOF_BOUNDS;
      const eavesAt = input.eavesAt && readEnd(before, was.building, input.eavesAt, 'FFL', 'Eaves at');
      const standsAnew = input.outline ?? input.walls ?? input.face;
      const face = { face: input.face ?? (was.outline.type === 'walls' ? was.outline.face : undefined) };
      const walls = input.walls ?? (was.outline.type === 'walls' ? was.outline.walls : undefined);
      const onWalls = input.outline ? input : { ...input, ...face, ...(walls ? { walls } : {}) };
      const set = {
        name: input.name,
        outline: standsAnew
          ? readFootprint(before, was.building, (eavesAt ?? was.eavesAt).level, onWalls as Fields)
          : undefined,
        courtyards: input.courtyards?.map((each) => readOutline(before, was.building, each)),
        eavesAt,
        overhangMm:
          input.overhangMm === undefined ? undefined : reader.read(input.overhangMm, 'overhangMm', overhangMm).stored,
        slopeDeg: input.slope === undefined ? undefined : readSlope(input.slope, 'slope'),
        edges: readEdges(before, input.edges),
        bays: input.bays,
        ridgeMm: readRidge(before, input.ridgeMm),
        layers: input.layers?.map(({ name, thicknessMm }) => ({
          name,
          thicknessMm: reader.read(thicknessMm, 'thicknessMm', layerMm).stored,
        })),
        measured: input.measured,
        ...readEaves(before, input),
      };
      const given = Object.fromEntries(Object.entries(set).filter(([, value]) => value !== undefined));
      const next = { ...was, ...given } as PitchedRoof;
      if (set.edges) refuseEdges(before, next, set.edges);
      orRefuse(before, next);
      edit.set('pitchedRoof', was.id, set);
    }),
  sentence: (before, input) => `Roof ${thingReferred(before, 'pitchedRoof', input.roof).name} changed`,
});

const setEdge = defineCommand({
  name: 'pitchedRoofs.setEdge',
  title: 'Let an edge of a pitched roof slope as it should, or be a gable or against a wall',
  input: z.strictObject({ roof: refSchema, ...edgeInput.shape }),
  plan: (edit, input) =>
    refusing(() => {
      const { roof: which, ...given } = input;
      const roof = thingReferred(edit.before, 'pitchedRoof', which);
      const own = readEdge(edit.before, given);
      refuseEdges(edit.before, roof, [own]);
      const others = roof.edges.filter(({ edge }) => edge !== own.edge);
      const isPlain = own.is === 'slope' && own.slopeDeg === null && own.upper === null;
      const edges = isPlain ? others : [...others, own].sort((a, b) => a.edge - b.edge);
      orRefuse(edit.before, { ...roof, edges });
      edit.set('pitchedRoof', roof.id, { edges });
    }),
  sentence: (before, { roof, edge, is }) => {
    const { name } = thingReferred(before, 'pitchedRoof', roof);
    const now = is === 'gable' ? 'is a gable' : is === 'wall' ? 'lies against a wall' : 'slopes';
    return `Edge ${edge + 1} of roof ${name} ${now}`;
  },
});

const addCourtyard = defineCommand({
  name: 'pitchedRoofs.addCourtyard',
  title: 'Leave a courtyard open in a pitched roof; its edges slope as the roof does',
  input: z.strictObject({ roof: refSchema, outline: outlineInputSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const roof = thingReferred(edit.before, 'pitchedRoof', input.roof);
      const courtyards = [...roof.courtyards, readOutline(edit.before, roof.building, input.outline)];
      if (courtyards.length > 20) refuseNow('A roof has 20 courtyards at most', ['outline']);
      orRefuse(edit.before, { ...roof, courtyards });
      edit.set('pitchedRoof', roof.id, { courtyards });
    }),
  sentence: (before, { roof }) => `A courtyard left open in roof ${thingReferred(before, 'pitchedRoof', roof).name}`,
});

export const PITCHED_ROOF_COMMANDS = [add, change, setEdge, addCourtyard, trimWalls] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof PITCHED_ROOF_COMMANDS> {}
}
