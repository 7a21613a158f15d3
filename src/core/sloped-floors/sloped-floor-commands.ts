import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { freeName, refuseTaken } from '../commands/free-name';
import { LengthReader, lengthInputSchema, refuseNow, refusing, saidLength } from '../commands/length-input';
import { buildingReferred, refSchema, thingReferred } from '../commands/refer';
import { lengthPlus } from '../dimensions/resolve-length';
import { cross, dot, type Point } from '../geometry/point';
import { ringArea } from '../geometry/polygon';
import { endInputSchema, readEnd } from '../levels/end-input';
import { storeyLevels } from '../levels/resolve-levels';
import { angleSchema, textSchema } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Outline } from '../outlines/outline';
import { placeInputSchema, readPlace } from '../outlines/outline-input';
import { RAMP_RULE_SETS } from '../ramps/ramp-rules';
import { rampRules, rulesReferred } from '../rule-sets/rules-in';
import { rampRulesInputSchema } from '../rule-sets/rules-input';
import { resolveOutline } from '../setting-out/resolve-outline';
import { quantiseMm } from '../units/length-units';
import type { Length } from '../units/parse-length';
import { leastExtension, notSteeperThan } from './comply';
import type { HighCorner } from './faces';
import { CORNER_HEIGHT, MOST_CORNERS, SLAB_THICK, type SlopedFloor } from './sloped-floor';
import { cornersOf, limitFor, steepestAlong, wayAcross, wayAlong } from './solve-sloped-floor';

const FAR = { atLeastMm: -1e6, atMostMm: 1e6 };
const cornerSchema = z.strictObject({
  xMm: lengthInputSchema,
  yMm: lengthInputSchema,
  /** Over where the floor starts. */
  heightMm: lengthInputSchema.default(0),
});
const fields = {
  name: textSchema(24).optional(),
  place: placeInputSchema.optional(),
  /** From the place, in order round. */
  corners: z.array(cornerSchema).min(3, 'A sloped floor has three corners or more').max(MOST_CORNERS).optional(),
  baseAt: endInputSchema.optional(),
  thicknessMm: lengthInputSchema.optional(),
  /** Which way one goes over it; null: only the steepest is looked at. */
  alongDeg: angleSchema.nullable().optional(),
  rules: rampRulesInputSchema.optional(),
};
type Fields = z.infer<z.ZodObject<typeof fields>>;

function readCorners(
  framework: Framework,
  building: Id,
  { place, corners }: Fields,
): Pick<SlopedFloor, 'outline' | 'heights'> | undefined {
  if (!corners) return undefined;
  const reader = new LengthReader(framework);
  const read = corners.map(({ xMm, yMm, heightMm }, i) => ({
    x: reader.read(xMm, `corners.${i}.xMm`, FAR),
    y: reader.read(yMm, `corners.${i}.yMm`, FAR),
    height: reader.read(heightMm, `corners.${i}.heightMm`, CORNER_HEIGHT).stored,
  }));
  // Outlines go round counter-clockwise, and their heights with them.
  const isTurned = ringArea(read.map(({ x, y }) => ({ x: x.mm, y: y.mm }))) < 0;
  const round = isTurned ? [...read].reverse() : read;
  const outline: Outline = {
    type: 'polygon',
    place: place ? readPlace(framework, building, place) : { lines: null, xMm: 0, yMm: 0 },
    points: round.map(({ x, y }) => ({ xMm: x.stored, yMm: y.stored })),
  };
  if (!resolveOutline(framework, outline))
    refuseNow('The corners cross one another or enclose nothing. Choose others', ['corners']);
  return { outline, heights: round.map(({ height }) => height) };
}

const add = defineCommand({
  name: 'slopedFloors.add',
  title: 'Add a floor whose corners have heights',
  input: z.strictObject({ building: refSchema.optional(), ...fields }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      refuseTaken(edit.before, 'slopedFloor', input.name);
      const shape =
        readCorners(edit.before, building, input) ?? refuseNow('Say where its corners lie: `corners`', ['corners']);
      const [lowest] = storeyLevels(edit.before, building);
      if (!lowest && !input.baseAt) refuseNow('Set up a level first');
      edit.add<'slopedFloor'>({
        kind: 'slopedFloor',
        building,
        name: input.name ?? freeName(edit.before, 'slopedFloor'),
        ...shape,
        baseAt: input.baseAt
          ? readEnd(edit.before, building, input.baseAt, 'FFL', 'At level')
          : { level: lowest!.id, face: 'FFL', offsetMm: 0 },
        thicknessMm: new LengthReader(edit.before).read(input.thicknessMm ?? 200, 'thicknessMm', SLAB_THICK).stored,
        alongDeg: input.alongDeg ?? null,
        rules: rulesReferred(edit.before, input.rules ?? 'public', RAMP_RULE_SETS),
      });
    }),
  sentence: (before, input) => `Sloped floor ${input.name ?? freeName(before, 'slopedFloor')} added`,
});

const change = defineCommand({
  name: 'slopedFloors.change',
  title: 'Change a sloped floor',
  input: z.strictObject({ slopedFloor: refSchema, ...fields }),
  plan: (edit, input) =>
    refusing(() => {
      const was = thingReferred(edit.before, 'slopedFloor', input.slopedFloor);
      refuseTaken(edit.before, 'slopedFloor', input.name, was.id);
      if (input.place && !input.corners) refuseNow('Give its corners with its place', ['place']);
      const { name, alongDeg, baseAt, thicknessMm } = input;
      const rules = input.rules === undefined ? undefined : rulesReferred(edit.before, input.rules, RAMP_RULE_SETS);
      edit.set('slopedFloor', was.id, {
        name,
        alongDeg,
        rules,
        ...readCorners(edit.before, was.building, input),
        baseAt: baseAt && readEnd(edit.before, was.building, baseAt, 'FFL', 'At level'),
        thicknessMm:
          thicknessMm === undefined
            ? undefined
            : new LengthReader(edit.before).read(thicknessMm, 'thicknessMm', SLAB_THICK).stored,
      });
    }),
  sentence: (before, input) => `Sloped floor ${thingReferred(before, 'slopedFloor', input.slopedFloor).name} changed`,
});

/** An outline of corners where they lie in the building. */
const drawn = (corners: readonly Point[]): Outline => ({
  type: 'polygon',
  place: { lines: null, xMm: 0, yMm: 0 },
  points: corners.map(({ x, y }) => ({ xMm: quantiseMm(x), yMm: quantiseMm(y) })),
});

const setCorner = defineCommand({
  name: 'slopedFloors.setCorner',
  title: 'Set the height of a corner of a sloped floor, or move it',
  input: z.strictObject({
    slopedFloor: refSchema,
    /** Counter-clockwise from 0. */
    corner: z.number().int().min(0).max(MOST_CORNERS),
    /** Over where the floor starts; or so much more than it is. */
    heightMm: lengthInputSchema.optional(),
    byMm: lengthInputSchema.optional(),
    /** In plan. */
    moveMm: z.strictObject({ x: z.number().min(-1e6).max(1e6), y: z.number().min(-1e6).max(1e6) }).optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const floor = thingReferred(edit.before, 'slopedFloor', input.slopedFloor);
      const { corner, heightMm, byMm, moveMm } = input;
      const corners = cornersOf(edit.before, floor);
      if (!corners || corner >= corners.length)
        refuseNow(`Sloped floor ${floor.name} has no corner ${corner + 1}`, ['corner']);
      const reader = new LengthReader(edit.before);
      const heights = corners!.map((_, i) => floor.heights[Math.min(i, floor.heights.length - 1)]!);
      const set = (stored: Length) => heights.map((each, i) => (i === corner ? stored : each));
      const next =
        heightMm !== undefined
          ? set(reader.read(heightMm, 'heightMm', CORNER_HEIGHT).stored)
          : byMm !== undefined
            ? set(lengthPlus(heights[corner]!, reader.read(byMm, 'byMm', FAR).mm))
            : undefined;
      const moved =
        moveMm && drawn(corners!.map((at, i) => (i === corner ? { x: at.x + moveMm.x, y: at.y + moveMm.y } : at)));
      if (moved && !resolveOutline(edit.before, moved)) refuseNow('It would cross itself. Move the corner elsewhere');
      edit.set('slopedFloor', floor.id, { heights: next, outline: moved });
    }),
  sentence: (before, { slopedFloor, corner, heightMm }) => {
    const { name } = thingReferred(before, 'slopedFloor', slopedFloor);
    const to = heightMm === undefined ? '' : ` to ${saidLength(before, heightMm)}`;
    return `Corner ${corner + 1} of sloped floor ${name} set${to}`;
  },
});

const comply = defineCommand({
  name: 'slopedFloors.comply',
  title: 'Make a sloped floor longer in a direction, as little as its rule set asks',
  input: z.strictObject({ slopedFloor: refSchema, towardsDeg: angleSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const floor = thingReferred(edit.before, 'slopedFloor', input.slopedFloor);
      const made = longer(edit.before, floor, input.towardsDeg);
      if (!made)
        return refuseNow(`No length in that direction makes sloped floor ${floor.name} comply. Choose another`);
      edit.set('slopedFloor', floor.id, { outline: drawn(made) });
    }),
  sentence: (before, { slopedFloor }) =>
    `Sloped floor ${thingReferred(before, 'slopedFloor', slopedFloor).name} made to comply`,
});

/** Its corners with the furthest of them moved so far that it complies, along the way one goes and across. */
function longer(framework: Framework, floor: SlopedFloor, towardsDeg: number): HighCorner[] | null {
  const corners = cornersOf(framework, floor);
  if (!corners) return null;
  const rules = rampRules(framework, floor.rules);
  const limit = limitFor(corners, rules);
  const { alongDeg } = floor;
  const way = wayAlong(towardsDeg);
  if (alongDeg === null) return leastExtension(corners, way, notSteeperThan(limit))?.corners ?? null;
  const isAcross = Math.abs(cross(wayAlong(alongDeg), way)) > Math.abs(dot(wayAlong(alongDeg), way));
  const [line, least] = isAcross ? [wayAcross(alongDeg), rules.crossfall] : [wayAlong(alongDeg), limit];
  return (
    leastExtension(corners, way, (faces) => {
      const ratio = steepestAlong(faces, line);
      return ratio === null || ratio >= least - 1e-9;
    })?.corners ?? null
  );
}

export const SLOPED_FLOOR_COMMANDS = [add, change, setCorner, comply] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof SLOPED_FLOOR_COMMANDS> {}
}
