import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { recordsOf, type Framework } from '../model/framework';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, levelReferred, refSchema } from '../commands/refer';
import { registered } from './place-underlay';
import { underlaySchema, type Underlay } from './underlay';

const { shape } = underlaySchema;
const point = z.strictObject({ xMm: lengthInputSchema, yMm: lengthInputSchema });

function underlayIn(framework: Framework, ref: string): Underlay {
  const all = recordsOf(framework, 'underlay');
  const found = all.find(({ id }) => id === ref) ?? all.find(({ name }) => name === ref);
  return found ?? refuseNow(`There is no underlay named ${ref}`);
}

function unlocked(framework: Framework, ref: string): Underlay {
  const underlay = underlayIn(framework, ref);
  if (underlay.locked) refuseNow(`Underlay ${underlay.name} is locked. Unlock it first`);
  return underlay;
}

const file = {
  sha256: shape.sha256,
  content: shape.content,
  u0: shape.u0.default(0),
  v0: shape.v0.default(0),
  width: shape.width,
  height: shape.height,
};

const add = defineCommand({
  name: 'underlays.add',
  title: 'Lay a picture, page or drawing under a level',
  input: z.strictObject({
    building: refSchema.optional(),
    name: shape.name,
    view: shape.view.default('plan'),
    level: refSchema.nullable().default(null),
    ...file,
    mmPerUnit: shape.mmPerUnit,
    /** Its own point that is put at `xMm`, `yMm`: its lower left corner when not said. */
    u: shape.u.optional(),
    v: shape.v.optional(),
    xMm: lengthInputSchema.default(0),
    yMm: lengthInputSchema.default(0),
    turnDeg: shape.turnDeg.default(0),
    strength: shape.opacity.default(0.5),
  }),
  plan: (edit, { building: ref, level, strength, ...input }) =>
    refusing(() => {
      const building = buildingReferred(edit.before, ref);
      const reader = new LengthReader(edit.before);
      edit.add<'underlay'>({
        kind: 'underlay',
        building,
        ...input,
        level: level === null ? null : levelReferred(edit.before, level, building).id,
        u: input.u ?? input.u0,
        v: input.v ?? (input.content === 'picture' ? input.v0 + input.height : input.v0),
        xMm: reader.read(input.xMm, 'xMm').mm,
        yMm: reader.read(input.yMm, 'yMm').mm,
        opacity: strength,
        shown: true,
        locked: false,
      });
    }),
  sentence: (_, input) => `Underlay ${input.name} laid under`,
});

const change = defineCommand({
  name: 'underlays.change',
  title: 'Change how an underlay is shown: level, strength, scale, turn, lock',
  input: z.strictObject({
    underlay: refSchema,
    name: shape.name.optional(),
    view: shape.view.optional(),
    level: refSchema.nullable().optional(),
    mmPerUnit: shape.mmPerUnit.optional(),
    turnDeg: shape.turnDeg.optional(),
    strength: shape.opacity.optional(),
    shown: z.boolean().optional(),
    locked: z.boolean().optional(),
  }),
  plan: (edit, { underlay: ref, level, strength, ...input }) =>
    refusing(() => {
      const moves = input.mmPerUnit !== undefined || input.turnDeg !== undefined;
      const underlay = moves ? unlocked(edit.before, ref) : underlayIn(edit.before, ref);
      edit.set('underlay', underlay.id, {
        ...input,
        opacity: strength,
        level: level === undefined || level === null ? level : levelReferred(edit.before, level, underlay.building).id,
      });
    }),
  sentence: (before, input) => `Underlay ${underlayIn(before, input.underlay).name} changed`,
});

const register = defineCommand({
  name: 'underlays.register',
  title: 'Register an underlay by one point, or scale and turn it by two',
  input: z.strictObject({
    underlay: refSchema,
    /** Points as they are shown now, and where they belong. */
    points: z
      .array(z.strictObject({ from: point, to: point }))
      .min(1, 'Give a point and where it belongs')
      .max(2),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const underlay = unlocked(edit.before, input.underlay);
      const reader = new LengthReader(edit.before);
      const at = ({ xMm, yMm }: z.infer<typeof point>) => ({
        x: reader.read(xMm, 'xMm').mm,
        y: reader.read(yMm, 'yMm').mm,
      });
      const lies = registered(
        underlay,
        input.points.map(({ from, to }) => ({ from: at(from), to: at(to) })),
      );
      if (!lies) refuseNow('The two points are one. Choose two that are apart', ['points']);
      if (lies.mmPerUnit > 1e6 || lies.mmPerUnit < 1e-6)
        refuseNow('The underlay would be scaled beyond all measure. Check the two points', ['points']);
      edit.set('underlay', underlay.id, lies);
    }),
  sentence: (before, input) =>
    `Underlay ${underlayIn(before, input.underlay).name} registered by ${input.points.length === 1 ? 'one point' : 'two points'}`,
});

const replace = defineCommand({
  name: 'underlays.replace',
  title: 'Replace an underlay’s file by a newer one at the same place',
  input: z.strictObject({ underlay: refSchema, ...file }),
  plan: (edit, { underlay: ref, ...input }) =>
    refusing(() => {
      const underlay = underlayIn(edit.before, ref);
      if (underlay.content !== input.content)
        refuseNow(`A ${underlay.content} is replaced by a ${underlay.content}. Lay the new file under as another one`);
      // A picture of another size shows the same piece: its units change with its pixels.
      const ratio = underlay.content === 'picture' ? underlay.width / input.width : 1;
      edit.set('underlay', underlay.id, {
        ...input,
        mmPerUnit: underlay.mmPerUnit * ratio,
        u: underlay.u / ratio,
        v: underlay.v / ratio,
      });
    }),
  sentence: (before, input) => `Underlay ${underlayIn(before, input.underlay).name} replaced by a newer file`,
});

const remove = defineCommand({
  name: 'underlays.remove',
  title: 'Take an underlay away',
  input: z.strictObject({ underlay: refSchema }),
  plan: (edit, input) => refusing(() => edit.remove(underlayIn(edit.before, input.underlay).id)),
  sentence: (before, input) => `Underlay ${underlayIn(before, input.underlay).name} taken away`,
});

export const UNDERLAY_COMMANDS = [add, change, register, replace, remove] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof UNDERLAY_COMMANDS> {}
}
