import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { freeName, refuseTaken } from '../commands/free-name';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, levelReferred, refSchema, thingReferred } from '../commands/refer';
import { counted } from '../kinds/said';
import { servedLevels } from '../levels/extent';
import { levelsOf, storeyLevels } from '../levels/resolve-levels';
import { textSchema } from '../model/fields';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { outlineInputSchema, placeInputSchema, readOutline, readPlace } from '../outlines/outline-input';
import { roofSlab } from '../roofs/roof-parts';
import { resolveOutline } from '../setting-out/resolve-outline';
import { FALL_BOUNDS, MOST_SINKS, type FallLayer } from './fall-layer';
import { readFall } from './read-fall';

const outletInput = z.union([
  placeInputSchema,
  z.strictObject({ place: placeInputSchema, diameterMm: lengthInputSchema.default(100) }),
]);
const edgeInput = z.strictObject({
  edge: z.number().int().min(0).max(400),
  gutter: z
    .strictObject({ widthMm: lengthInputSchema.default(150), depthMm: lengthInputSchema.default(120) })
    .nullable()
    .default(null),
});
/** What may be said of a layer of falls, wherever it lies. */
export const fallFields = {
  name: textSchema(40).optional(),
  /** A part of its slab; null: all of it that lies open. */
  outline: outlineInputSchema.nullable().optional(),
  /** `2 %`, `1:50`, `1.2°`; a number alone is percent. */
  slope: z.union([z.number(), z.string().max(40)]).optional(),
  leastMm: lengthInputSchema.optional(),
  outlets: z.array(outletInput).max(MOST_SINKS).optional(),
  edges: z.array(edgeInput).max(MOST_SINKS).optional(),
  upstandMm: lengthInputSchema.optional(),
};
type Fields = z.infer<z.ZodObject<typeof fallFields>>;

function readOutlets(framework: Framework, building: Id, outlets: Fields['outlets']): FallLayer['outlets'] | undefined {
  return outlets?.map((given, i) => {
    const { place, diameterMm } =
      typeof given === 'object' && 'place' in given ? given : { place: given, diameterMm: 100 };
    return {
      place: readPlace(framework, building, place),
      diameterMm: new LengthReader(framework).read(diameterMm, `outlets.${i}.diameterMm`, FALL_BOUNDS.diameterMm)
        .stored,
    };
  });
}

function readEdges(framework: Framework, edges: Fields['edges']): FallLayer['edges'] | undefined {
  if (!edges) return undefined;
  if (new Set(edges.map(({ edge }) => edge)).size < edges.length)
    refuseNow('An edge is given twice. Give each once', ['edges']);
  const reader = new LengthReader(framework);
  return edges.map(({ edge, gutter }) => ({
    edge,
    gutter: gutter && {
      widthMm: reader.read(gutter.widthMm, 'widthMm', FALL_BOUNDS.gutterWidthMm).stored,
      depthMm: reader.read(gutter.depthMm, 'depthMm', FALL_BOUNDS.gutterDepthMm).stored,
    },
  }));
}

/** The slab a layer lies on with the level: the one named, else the flat roof of the building. */
function slabReferred(framework: Framework, building: Id, on: string | undefined, level: string | undefined) {
  const roofs = recordsOf(framework, 'roof').filter((roof) => roof.building === building);
  const plates = recordsOf(framework, 'floorPlate').filter((plate) => plate.building === building);
  const slab = on
    ? [...roofs, ...plates].find(({ id, name }) => id === on || name === on)
    : (roofs.at(-1) ?? plates.at(-1));
  if (!slab)
    return refuseNow(
      on
        ? `There is no roof or floor "${on}" in this building. Name one of its own`
        : 'There is no roof or floor to lie on. Add one first',
      ['on'],
    );
  const served =
    slab.kind === 'roof'
      ? [slab.level]
      : servedLevels(
          framework,
          slab.levels,
          storeyLevels(framework, building),
          levelsOf(framework, building).filter(({ record, bounding }) => bounding || record.levelKind === 'mezzanine'),
        );
  const at = level ? levelReferred(framework, level, building).id : served.at(-1)!;
  if (!served.includes(at)) refuseNow(`${slab.name} is not at that level. Choose one it serves`, ['level']);
  return { slab: slab.id, level: at };
}

/** An edge that is not there is refused. */
function refuseEdges(framework: Framework, layer: Pick<FallLayer, 'slab' | 'outline' | 'edges'>): void {
  const roof = recordOf(framework, 'roof', layer.slab);
  const plate = roof ? roofSlab(framework, roof) : recordOf(framework, 'floorPlate', layer.slab);
  // At a level of its own a floor may have more.
  const outlines = layer.outline
    ? [layer.outline]
    : plate
      ? [plate.outline, ...plate.exceptions.flatMap(({ outline }) => outline ?? [])]
      : [];
  const count = Math.max(0, ...outlines.map((outline) => resolveOutline(framework, outline)?.length ?? 0));
  const gone = layer.edges.find(({ edge }) => edge >= count);
  if (gone && count > 0) refuseNow(`It has ${count} edges, counted from 0; there is no edge ${gone.edge}`, ['edges']);
}

const readSlope = (slope: NonNullable<Fields['slope']>): number =>
  readFall(String(slope)) ??
  refuseNow(`"${slope}" is no fall of a roof. Type one like 2 %, 1:50 or 1.2°, 0.1 % to 10 %`, ['slope']);

const add = defineCommand({
  name: 'fallLayers.add',
  title: 'Lay a flat roof or a terrace to falls, to outlets or to edges',
  input: z.strictObject({
    building: refSchema.optional(),
    /** A roof or floor; not said: the building’s flat roof. */
    on: refSchema.optional(),
    level: refSchema.optional(),
    ...fallFields,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const framework = edit.before;
      const building = buildingReferred(framework, input.building);
      refuseTaken(framework, 'fallLayer', input.name);
      const on = slabReferred(framework, building, input.on, input.level);
      const reader = new LengthReader(framework);
      const outlets = readOutlets(framework, building, input.outlets) ?? [];
      const edges = readEdges(framework, input.edges) ?? [];
      if (outlets.length + edges.length === 0)
        refuseNow('Say where water goes: place an outlet, or choose an edge', ['outlets']);
      const outline = input.outline ? readOutline(framework, building, input.outline) : null;
      refuseEdges(framework, { slab: on.slab, outline, edges });
      edit.add<'fallLayer'>({
        kind: 'fallLayer',
        building,
        name: input.name ?? freeName(framework, 'fallLayer'),
        ...on,
        outline,
        slopeRatio: readSlope(input.slope ?? 2),
        leastMm: reader.read(input.leastMm ?? 40, 'leastMm', FALL_BOUNDS.leastMm).stored,
        outlets,
        edges,
        upstandMm: reader.read(input.upstandMm ?? 150, 'upstandMm', FALL_BOUNDS.upstandMm).stored,
      });
    }),
  sentence: (before, input) => `Layer of falls ${input.name ?? freeName(before, 'fallLayer')} added`,
});

const change = defineCommand({
  name: 'fallLayers.change',
  title: 'Change a layer of falls',
  input: z.strictObject({ fallLayer: refSchema, ...fallFields }),
  plan: (edit, input) =>
    refusing(() => {
      const framework = edit.before;
      const was = thingReferred(framework, 'fallLayer', input.fallLayer);
      refuseTaken(framework, 'fallLayer', input.name, was.id);
      const reader = new LengthReader(framework);
      const { leastMm, upstandMm, slope } = input;
      const outline = input.outline ? readOutline(framework, was.building, input.outline) : input.outline;
      const edges = readEdges(framework, input.edges);
      if (edges) refuseEdges(framework, { ...was, ...(outline === undefined ? {} : { outline }), edges });
      edit.set('fallLayer', was.id, {
        name: input.name,
        outline,
        slopeRatio: slope === undefined ? undefined : readSlope(slope),
        leastMm: leastMm === undefined ? undefined : reader.read(leastMm, 'leastMm', FALL_BOUNDS.leastMm).stored,
        outlets: readOutlets(framework, was.building, input.outlets),
        edges,
        upstandMm:
          upstandMm === undefined ? undefined : reader.read(upstandMm, 'upstandMm', FALL_BOUNDS.upstandMm).stored,
      });
    }),
  sentence: (before, input) => `Layer of falls ${thingReferred(before, 'fallLayer', input.fallLayer).name} changed`,
});

const addOutlets = defineCommand({
  name: 'fallLayers.addOutlets',
  title: 'Place outlets in a layer of falls',
  input: z.strictObject({
    fallLayer: refSchema,
    places: z.array(placeInputSchema).min(1, 'Say where').max(MOST_SINKS),
    diameterMm: lengthInputSchema.default(100),
  }),
  plan: (edit, { fallLayer, places, diameterMm }) =>
    refusing(() => {
      const was = thingReferred(edit.before, 'fallLayer', fallLayer);
      const given = places.map((place) => ({ place, diameterMm }));
      const outlets = [...was.outlets, ...readOutlets(edit.before, was.building, given)!];
      if (outlets.length > MOST_SINKS)
        refuseNow(`Layer of falls ${was.name} may have ${MOST_SINKS} outlets at most`, ['places']);
      edit.set('fallLayer', was.id, { outlets });
    }),
  sentence: (before, { fallLayer, places }) =>
    `${counted(places.length, 'outlet')} placed in layer of falls ${thingReferred(before, 'fallLayer', fallLayer).name}`,
});

const outletOf = (framework: Framework, ref: string, outlet: number): FallLayer => {
  const was = thingReferred(framework, 'fallLayer', ref);
  if (outlet >= was.outlets.length) refuseNow(`Layer of falls ${was.name} has no outlet ${outlet + 1}`, ['outlet']);
  return was;
};

const moveOutlet = defineCommand({
  name: 'fallLayers.moveOutlet',
  title: 'Move an outlet of a layer of falls',
  input: z.strictObject({
    fallLayer: refSchema,
    outlet: z.number().int().min(0).max(MOST_SINKS),
    place: placeInputSchema,
  }),
  plan: (edit, { fallLayer, outlet, place }) =>
    refusing(() => {
      const was = outletOf(edit.before, fallLayer, outlet);
      const next = readPlace(edit.before, was.building, place);
      edit.set('fallLayer', was.id, {
        outlets: was.outlets.map((each, i) => (i === outlet ? { ...each, place: next } : each)),
      });
    }),
  sentence: (before, { fallLayer, outlet }) =>
    `Outlet ${outlet + 1} of layer of falls ${thingReferred(before, 'fallLayer', fallLayer).name} moved`,
});

const removeOutlet = defineCommand({
  name: 'fallLayers.removeOutlet',
  title: 'Take an outlet out of a layer of falls',
  input: z.strictObject({ fallLayer: refSchema, outlet: z.number().int().min(0).max(MOST_SINKS) }),
  plan: (edit, { fallLayer, outlet }) =>
    refusing(() => {
      const was = outletOf(edit.before, fallLayer, outlet);
      edit.set('fallLayer', was.id, { outlets: was.outlets.filter((_, i) => i !== outlet) });
    }),
  sentence: (before, { fallLayer, outlet }) =>
    `Outlet ${outlet + 1} of layer of falls ${thingReferred(before, 'fallLayer', fallLayer).name} taken out`,
});

export const FALL_COMMANDS = [add, change, addOutlets, moveOutlet, removeOutlet] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof FALL_COMMANDS> {}
}
