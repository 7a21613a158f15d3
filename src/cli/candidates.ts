import { RAMP_RULES, RAMP_RULE_SETS } from '@/core/ramps/ramp-rules';
import { rampCandidates } from '@/core/ramps/ramp-candidates';
import { RULE_SETS, STAIR_RULES, type RuleSet } from '@/core/stairs/rule-sets';
import { stairCandidates } from '@/core/stairs/stair-candidates';
import type { WellSize } from '@/core/stairs/form-of-stair';
import { STAIR_FORMS, type StairForm } from '@/core/stairs/stair-form';
import { BadInput } from './outputs';

/** What is typed after `solve-stair` and `solve-ramp`. */
interface CandidateOptions {
  form?: string;
  height?: string;
  well?: string;
  width?: string;
  rules?: string;
  risers?: string;
  going?: string;
  rise?: string;
  run?: string;
}

/** A number of millimetres within bounds, or what to type. */
function millimetres(option: string, text: string, least: number, most: number): number {
  const mm = Number(text);
  if (text.trim() === '' || !Number.isFinite(mm) || mm < least || mm > most)
    throw new BadInput(`--${option} is a number of millimetres, ${least} to ${most}, not ${text}`);
  return mm;
}

function oneOf<T extends string>(option: string, text: string | undefined, list: readonly T[]): T {
  if (text === undefined || !list.includes(text as T)) throw new BadInput(`--${option} is one of ${list.join(', ')}`);
  return text as T;
}

/** `5600x2700`, lengthwise first; `free` is none. */
function wellIn(text: string): WellSize | null {
  if (text === 'free') return null;
  const parts = /^([\d.]+)\s*[x×]\s*([\d.]+)$/i.exec(text.trim());
  if (!parts) throw new BadInput(`--well is LxW in millimetres, like 5600x2700, or free; not ${text}`);
  return {
    lengthMm: millimetres('well', parts[1]!, 300, 100_000),
    widthMm: millimetres('well', parts[2]!, 300, 100_000),
  };
}

/** All ways to climb a storey in a form of stair, best first. */
function solveStairCommand(options: CandidateOptions) {
  const { height, well = 'free', width, risers, going } = options;
  const form: StairForm = oneOf('form', options.form, STAIR_FORMS);
  if (height === undefined) throw new BadInput('Say how high the storey is: --height MM');
  const rules: RuleSet = oneOf('rules', options.rules ?? 'public', RULE_SETS);
  const count = risers === undefined ? undefined : Number(risers);
  if (count !== undefined && !(Number.isInteger(count) && count >= 1 && count <= 500))
    throw new BadInput(`--risers is a whole number, 1 to 500, not ${risers}`);
  return stairCandidates({
    form,
    heightMm: millimetres('height', height, 100, 50_000),
    well: wellIn(well),
    widthMm: width === undefined ? null : millimetres('width', width, 300, 10_000),
    rules: STAIR_RULES[rules],
    ...(count === undefined ? {} : { risers: count }),
    ...(going === undefined ? {} : { goingMm: millimetres('going', going, 50, 2000) }),
  });
}

/** Ramps that climb a rise, best first; in a run, how steep they are there. */
function solveRampCommand({ rise, run, ...options }: CandidateOptions) {
  if (rise === undefined) throw new BadInput('Say how far it rises: --rise MM');
  // What is private asks for less of a stair, and for slopes by the rise of a ramp.
  const named = options.rules === 'private' ? 'sliding' : (options.rules ?? 'public');
  const rules = oneOf('rules', named, RAMP_RULE_SETS);
  return rampCandidates({
    riseMm: millimetres('rise', rise, -50_000, 50_000),
    rules: RAMP_RULES[rules],
    ...(run === undefined ? {} : { runMm: millimetres('run', run, 1, 1_000_000) }),
  });
}

/** What `solve-stair` or `solve-ramp` prints. */
export function candidatesFor(verb: 'solve-stair' | 'solve-ramp', file: string | undefined, options: CandidateOptions) {
  if (file !== undefined) throw new BadInput(`${verb} takes options only: "${file}" is one too many`);
  return verb === 'solve-stair' ? solveStairCommand(options) : solveRampCommand(options);
}

/** `--rise -180` as `--rise=-180`: a number below zero is no option. */
export const withNegatives = (args: readonly string[]): string[] =>
  args.flatMap((arg, i) =>
    /^-\d/.test(arg) && args[i - 1]?.startsWith('--')
      ? []
      : /^-\d/.test(args[i + 1] ?? '') && arg.startsWith('--')
        ? [`${arg}=${args[i + 1]}`]
        : [arg],
  );
