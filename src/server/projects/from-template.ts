import { z } from 'zod';
import { plan } from '@/core/commands/commands';
import { smallElevation, type SmallElevation } from '@/core/drawing/small-elevation';
import { EMPTY_FRAMEWORK, type Framework } from '@/core/model/framework';
import { derivedCommandId } from '@/core/model/ids';
import type { Json } from '@/core/model/json';
import { solve } from '@/core/solving/solve';
import { TEMPLATES, templateSteps } from '@/core/templates/templates';
import { templateWords } from '@/core/templates/template-words';
import { RequestRefused } from '../entry/refusal';

/** A template asked for by its key, with what was typed for its numbers. */
export const templateSchema = z.strictObject({
  key: z.string().max(40),
  numbers: z.record(z.string().max(40), z.string().max(400)).default({}),
  system: z.enum(['metric', 'imperial']).default('metric'),
});
export type AskedTemplate = z.infer<typeof templateSchema>;

/** The commands a template is made by in a building, or the refusal of what was typed. */
export function stepsOfTemplate(asked: AskedTemplate, building: string): { command: string; input: Json }[] {
  const template = TEMPLATES.find(({ key }) => key === asked.key);
  if (!template) throw new RequestRefused(422, `There is no template ${asked.key}. Choose one of the list`);
  const steps = templateSteps(template, asked.numbers, { building, system: asked.system });
  if (!steps.ok) throw new RequestRefused(422, steps.refusal.message, { path: steps.refusal.path ?? [] });
  return steps.value.map(({ command, input }) => ({ command, input: input as Json }));
}

interface Tried {
  elevation: SmallElevation;
  /** Where its levels are: what there is to see of one that has nothing else. */
  levelsMm: number[];
  words: string;
}

/** What the templates are with nothing typed: asked for by everyone who starts a project, and always the same. */
const begun = new Map<string, Tried>();

/** What a template would make, with what is typed, or as it begins. */
export function tryTemplate(asked: AskedTemplate, building: string): Tried {
  if (Object.keys(asked.numbers).length > 0) return tried(asked, building);
  const name = `${asked.key} ${asked.system}`;
  const known = begun.get(name) ?? tried(asked, 'Main building');
  begun.set(name, known);
  return known;
}

/** What a template would make: as it is seen from the front, and in a line of words. */
function tried(asked: AskedTemplate, building: string): Tried {
  const steps = [{ command: 'buildings.add', input: { name: building } }, ...stepsOfTemplate(asked, building)];
  const framework = steps.reduce<Framework>((before, { command, input }, i) => {
    const planned = plan(before, command, input, derivedCommandId('template', asked.key, String(i)));
    if (!planned.ok) throw new RequestRefused(422, planned.refusal.message);
    return planned.value.after;
  }, EMPTY_FRAMEWORK);
  const solved = solve(framework);
  return {
    elevation: smallElevation(solved),
    levelsMm: solved.levels.map(({ fflMm }) => fflMm),
    words: templateWords(solved, asked.system),
  };
}
