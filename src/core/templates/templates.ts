import type { Sent } from '../commands/command-inputs';
import { done, refuse, type Result } from '../model/result';
import { formatLength, IMPERIAL, METRIC } from '../units/format-length';
import { parseBays } from '../units/parse-bays';
import { parseLength } from '../units/parse-length';
import { BY_HEIGHTS } from './by-heights';
import { LOW_RISE } from './low-rise';
import { SLAB_BLOCK } from './slab-block';
import type { LengthSystem, Template, TemplateNumber, TemplateSite, TemplateValues } from './template';
import { TOWER_ON_PODIUM } from './tower-on-podium';
import { TWO_HOUSES } from './two-houses';

/** Buildings to start from, in the order they are offered. */
export const TEMPLATES: readonly Template[] = [TOWER_ON_PODIUM, SLAB_BLOCK, LOW_RISE, TWO_HOUSES, BY_HEIGHTS];

/** What stands in the fields of a template to begin with, by their keys. */
export const beginsWith = (template: Template, system: LengthSystem): Record<string, string> =>
  Object.fromEntries(template.numbers.map(({ key, begins }) => [key, begins[system]]));

/** One typed text read: lengths in millimetres. A bare number is millimetres, or feet where people build in feet. */
export function readNumber(number: TemplateNumber, typed: string, system: LengthSystem): Result<readonly number[]> {
  const unit = system === 'imperial' ? 'ft' : 'mm';
  const display = system === 'imperial' ? IMPERIAL : METRIC;
  const at = { path: [number.key] };
  const said = (words: string) => refuse(`${number.label}: ${words}`, at);
  if (typed.trim() === '') return number.mayBeEmpty ? done([]) : said('type it first');
  const read = number.form === 'list' ? parseBays(typed, { unit }) : parseLength(typed, { unit });
  if (!read.ok) return said(read.refusal.message);
  const list = 'baysMm' in read.value ? read.value.baysMm : [read.value.mm];
  const { least = 1, most = 1, atLeastMm, atMostMm } = number;
  if (list.length < least || list.length > most) return said(`${least} to ${most}, not ${list.length}`);
  const wrong = list.find((mm) => mm < atLeastMm || mm > atMostMm);
  if (wrong === undefined) return done(list);
  const write = (mm: number) => formatLength(mm, display);
  return said(`${write(atLeastMm)} to ${write(atMostMm)}, not ${write(wrong)}`);
}

/** The commands that make a template with what was typed, or which of it cannot be. */
export function templateSteps(
  template: Template,
  typed: Readonly<Record<string, string>>,
  site: TemplateSite,
): Result<Sent[]> {
  const unknown = Object.keys(typed).find((key) => !template.numbers.some((number) => number.key === key));
  if (unknown !== undefined) return refuse(`${template.title} asks for nothing named ${unknown}`, { path: [unknown] });
  const values = new Map<string, readonly number[]>();
  for (const number of template.numbers) {
    const read = readNumber(number, typed[number.key] ?? number.begins[site.system], site.system);
    if (!read.ok) return read;
    values.set(number.key, read.value);
  }
  const given: TemplateValues = {
    list: (key) => values.get(key)!,
    length: (key) => values.get(key)![0]!,
  };
  const steps = template.steps(given, site);
  return Array.isArray(steps) ? done(steps) : refuse(steps.refused, { path: [steps.at] });
}
