import { z } from 'zod';
import { MATERIALS } from '../columns/column';
import { distance } from '../geometry/point';
import { crossingOf } from '../grids/crossings';
import type { Extent } from '../levels/extent';
import { storeyLevels } from '../levels/resolve-levels';
import { extentInputSchema, readExtent } from '../levels/extent-input';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { textSchema, type Place } from '../model/fields';
import { freeName, refuseTaken } from '../commands/free-name';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { axisReferred, buildingReferred, levelReferred, refSchema, thingReferred } from '../commands/refer';
import { placeInputSchema, readPlace } from '../outlines/outline-input';
import { resolvePlace } from '../outlines/resolve-place';
import { BEAM_FORMS, type Beam, type BeamException, BEAM_WIDTH, BEAM_DEPTH } from './beam';

const fieldsSchema = {
  name: textSchema(24).optional(),
  form: z.enum(BEAM_FORMS).optional(),
  /** Its two ends; in place of them, a line and the two lines it runs between there. */
  from: placeInputSchema.optional(),
  to: placeInputSchema.optional(),
  line: refSchema.optional(),
  between: z.tuple([refSchema, refSchema]).optional(),
  widthMm: lengthInputSchema.optional(),
  depthMm: lengthInputSchema.optional(),
  material: z.enum(MATERIALS).optional(),
  levels: extentInputSchema.optional(),
};
type Fields = z.infer<z.ZodObject<typeof fieldsSchema>>;

/** The ends asked for; of a beam that is there, an end that is not spoken of stays. */
function readEnds(
  framework: Framework,
  building: Id,
  { from, to, line, between }: Fields,
  was?: Pick<Beam, 'from' | 'to'>,
): [Place, Place] | undefined {
  if (line !== undefined) {
    if (from !== undefined || to !== undefined)
      refuseNow('A beam runs along a line, or between two places. Leave one of them out', ['line']);
    const [first, last] = between ?? refuseNow('Say which two lines it runs between: `between`', ['between']);
    return [crossingPlace(framework, building, line, first), crossingPlace(framework, building, line, last)];
  }
  const ends = [from, to].map((place) => place !== undefined && readPlace(framework, building, place));
  const [start, stop] = [ends[0] || was?.from, ends[1] || was?.to];
  if (from === undefined && to === undefined) return undefined;
  return start && stop ? [start, stop] : refuseNow('Say both ends of the beam: `from` and `to`', ['to']);
}

/** Where a line crosses another one: an end that follows both. */
function crossingPlace(framework: Framework, building: Id, line: string, other: string): Place {
  const [along, across] = [axisReferred(framework, line, building), axisReferred(framework, other, building)];
  const crossing = crossingOf(framework, [along.id, across.id]);
  if (!crossing) return refuseNow(`Lines ${line} and ${other} do not cross`, ['between']);
  return { lines: crossing.lines, ...(crossing.nth === 2 ? { nth: 2 as const } : {}), xMm: 0, yMm: 0 };
}

/** The levels asked for; all are those with a storey under them. */
function readLevels(framework: Framework, building: Id, input: z.infer<typeof extentInputSchema>): Extent {
  const storeys = storeyLevels(framework, building);
  const [first, last] = [storeys[1], storeys.at(-1)];
  return input === 'all' && first && last ? { range: [first.id, last.id] } : readExtent(framework, building, input);
}

function refuseShort(framework: Framework, [from, to]: readonly [Place, Place]): void {
  const length = distance(resolvePlace(framework, from).at, resolvePlace(framework, to).at);
  if (length < 100) refuseNow('The two ends of a beam are less than 100 mm apart. Choose others', ['to']);
}

const add = defineCommand({
  name: 'beams.add',
  title: 'Add a beam or downstand between two places, or along a line between two others',
  input: z.strictObject({ building: refSchema.optional(), ...fieldsSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const building = buildingReferred(edit.before, input.building);
      refuseTaken(edit.before, 'beam', input.name);
      const ends =
        readEnds(edit.before, building, input) ?? refuseNow('Say where the beam runs: `from` and `to`', ['from']);
      refuseShort(edit.before, ends);
      const reader = new LengthReader(edit.before);
      edit.add<'beam'>({
        kind: 'beam',
        building,
        name: input.name ?? freeName(edit.before, 'beam'),
        form: input.form ?? 'beam',
        from: ends[0],
        to: ends[1],
        widthMm: reader.read(input.widthMm ?? 300, 'widthMm', BEAM_WIDTH).stored,
        depthMm: reader.read(input.depthMm ?? 300, 'depthMm', BEAM_DEPTH).stored,
        material: input.material ?? 'concrete',
        levels: readLevels(edit.before, building, input.levels ?? 'all'),
        exceptions: [],
      });
    }),
  sentence: (before, input) => `${word(input.form ?? 'beam')} ${input.name ?? freeName(before, 'beam')} added`,
});

const change = defineCommand({
  name: 'beams.change',
  title: 'Change a beam or downstand',
  input: z.strictObject({ beam: refSchema, ...fieldsSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const was = thingReferred(edit.before, 'beam', input.beam);
      refuseTaken(edit.before, 'beam', input.name, was.id);
      const ends = readEnds(edit.before, was.building, input, was);
      if (ends) refuseShort(edit.before, ends);
      const reader = new LengthReader(edit.before);
      edit.set('beam', was.id, {
        name: input.name,
        form: input.form,
        from: ends?.[0],
        to: ends?.[1],
        widthMm: input.widthMm === undefined ? undefined : reader.read(input.widthMm, 'widthMm', BEAM_WIDTH).stored,
        depthMm: input.depthMm === undefined ? undefined : reader.read(input.depthMm, 'depthMm', BEAM_DEPTH).stored,
        material: input.material,
        levels: input.levels && readLevels(edit.before, was.building, input.levels),
      });
    }),
  sentence: (before, input) => {
    const { form, name } = thingReferred(before, 'beam', input.beam);
    return `${word(form)} ${name} changed`;
  },
});

const except = defineCommand({
  name: 'beams.except',
  title: 'Say what differs at a level of a beam, or from there up',
  input: z.strictObject({
    beam: refSchema,
    level: refSchema,
    upwards: z.boolean().default(false),
    leftOut: z.boolean().optional(),
    /** Null: as below again. */
    depthMm: lengthInputSchema.nullable().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const beam = thingReferred(edit.before, 'beam', input.beam);
      const level = levelReferred(edit.before, input.level, beam.building);
      const isSame = (each: BeamException) => each.level === level.id && each.upwards === input.upwards;
      const known = beam.exceptions.find(isSame);
      const depthMm =
        input.depthMm === undefined
          ? (known?.depthMm ?? null)
          : input.depthMm === null
            ? null
            : new LengthReader(edit.before).read(input.depthMm, 'depthMm', BEAM_DEPTH).stored;
      const next: BeamException = {
        level: level.id,
        upwards: input.upwards,
        leftOut: input.leftOut ?? known?.leftOut ?? false,
        depthMm,
      };
      const rest = beam.exceptions.filter((each) => !isSame(each));
      const differs = next.leftOut || next.depthMm !== null;
      if (!differs && !known) refuseNow('Nothing differs there. Say what does');
      edit.set('beam', beam.id, { exceptions: differs ? [...rest, next] : rest });
    }),
  sentence: (before, input) => {
    const beam = thingReferred(before, 'beam', input.beam);
    const level = levelReferred(before, input.level, beam.building).record.name;
    return `${word(beam.form)} ${beam.name} ${input.upwards ? 'from' : 'at'} level ${level}${input.upwards ? ' up' : ''} changed`;
  },
});

const word = (form: (typeof BEAM_FORMS)[number]): string => (form === 'beam' ? 'Beam' : 'Downstand');

export const BEAM_COMMANDS = [add, change, except] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof BEAM_COMMANDS> {}
}
