import { z } from 'zod';
import { rulesReferred } from '../rule-sets/rules-in';
import { rulesInputSchema } from '../rule-sets/rules-input';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { BUILDING_ZERO } from './building';
import { angleSchema, textSchema } from '../model/fields';
import { recordOf, recordsOf } from '../model/framework';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, refSchema } from '../commands/refer';

const start = defineCommand({
  name: 'project.start',
  title: 'Name the project',
  input: z.strictObject({ name: textSchema(120) }),
  plan: (edit, input) =>
    refusing(() => {
      const [project] = recordsOf(edit.before, 'project');
      if (project) edit.set('project', project.id, { name: input.name });
      else edit.add<'project'>({ kind: 'project', name: input.name, survey: null, details: null });
    }),
  sentence: (_, input) => `Project named ${input.name}`,
});

const setSurvey = defineCommand({
  name: 'project.setSurvey',
  title: 'Say where the project stands in the survey',
  input: z.strictObject({
    eastingMm: lengthInputSchema,
    northingMm: lengthInputSchema,
    heightMm: lengthInputSchema.default(0),
    trueNorthDeg: angleSchema.default(0),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      const survey = {
        eastingMm: reader.read(input.eastingMm, 'eastingMm', { atLeastMm: -1e9, atMostMm: 1e9 }).stored,
        northingMm: reader.read(input.northingMm, 'northingMm', { atLeastMm: -1e9, atMostMm: 1e9 }).stored,
        heightMm: reader.read(input.heightMm, 'heightMm', { atLeastMm: -1e7, atMostMm: 1e7 }).stored,
        trueNorthDeg: input.trueNorthDeg,
      };
      const [project] = recordsOf(edit.before, 'project');
      if (project) edit.set('project', project.id, { survey });
      else edit.add<'project'>({ kind: 'project', name: 'Project', survey, details: null });
    }),
  sentence: () => 'Survey coordinates of the project changed',
});

const detailText = (most: number) => textSchema(most).nullable().optional();

const describe = defineCommand({
  name: 'project.describe',
  title: 'Say the project’s code, client, address and rule set for stairs',
  input: z.strictObject({
    code: detailText(30),
    client: detailText(120),
    address: detailText(200),
    rules: rulesInputSchema.nullable().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const [project] = recordsOf(edit.before, 'project');
      const before = project?.details ?? { code: null, client: null, address: null, rules: null };
      const { code = before.code, client = before.client, address = before.address } = input;
      const rules = input.rules === undefined ? before.rules : input.rules && rulesReferred(edit.before, input.rules);
      const details = { code, client, address, rules };
      if (project) edit.set('project', project.id, { details });
      else edit.add<'project'>({ kind: 'project', name: 'Project', survey: null, details });
    }),
  sentence: () => 'Details of the project changed',
});

const placement = {
  zeroMm: lengthInputSchema,
  xMm: lengthInputSchema,
  yMm: lengthInputSchema,
};

const add = defineCommand({
  name: 'buildings.add',
  title: 'Add a building',
  input: z.strictObject({
    name: textSchema(80),
    zeroMm: placement.zeroMm.default(0),
    xMm: placement.xMm.default(0),
    yMm: placement.yMm.default(0),
    turnDeg: angleSchema.default(0),
  }),
  plan: (edit, input) =>
    refusing(() => {
      if (recordsOf(edit.before, 'building').some(({ name }) => name === input.name)) {
        refuseNow(`There is a building named ${input.name} already. Choose another name`, ['name']);
      }
      const reader = new LengthReader(edit.before);
      edit.add<'building'>({
        kind: 'building',
        name: input.name,
        zeroMm: reader.read(input.zeroMm, 'zeroMm', BUILDING_ZERO).stored,
        xMm: reader.read(input.xMm, 'xMm').stored,
        yMm: reader.read(input.yMm, 'yMm').stored,
        turnDeg: input.turnDeg,
        budget: null,
      });
    }),
  sentence: (_, input) => `Building ${input.name} added`,
});

const change = defineCommand({
  name: 'buildings.change',
  title: 'Change the name, height or place of a building',
  input: z.strictObject({
    building: refSchema.optional(),
    name: textSchema(80).optional(),
    zeroMm: placement.zeroMm.optional(),
    xMm: placement.xMm.optional(),
    yMm: placement.yMm.optional(),
    turnDeg: angleSchema.optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const id = buildingReferred(edit.before, input.building);
      const reader = new LengthReader(edit.before);
      const length = (value: typeof input.xMm, field: string) =>
        value === undefined ? undefined : reader.read(value, field).stored;
      edit.set('building', id, {
        name: input.name,
        zeroMm: length(input.zeroMm, 'zeroMm'),
        xMm: length(input.xMm, 'xMm'),
        yMm: length(input.yMm, 'yMm'),
        turnDeg: input.turnDeg,
      });
    }),
  sentence: (before, input) =>
    `Building ${recordOf(before, 'building', buildingReferred(before, input.building))?.name ?? ''} changed`,
});

export const BUILDING_COMMANDS = [start, setSurvey, describe, add, change] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof BUILDING_COMMANDS> {}
}
