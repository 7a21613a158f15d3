import { parseArgs } from 'node:util';
import type { LevelTable } from '@/core/importing/level-table';
import { sheetOfBuilding, type Sheet } from '@/core/importing/sheet';
import { gridInput, recogniseGrid } from '@/core/importing/recognise-grid';
import { recogniseColumns } from '@/core/importing/recognise-columns';
import { commandList, plan } from '@/core/commands/commands';
import { EMPTY_FRAMEWORK, frameworkHash, recordsOf, type Framework } from '@/core/model/framework';
import { derivedCommandId } from '@/core/model/ids';
import { canonicalJson } from '@/core/model/json';
import type { Result } from '@/core/model/result';
import { reportOf, reportOfBuilding } from '@/core/report/report';
import { passOrder, passText } from '@/core/passes/pass-order';
import { solve, Solver } from '@/core/solving/solve';
import { TIDEWATER_YARD } from '@/demo/tidewater-yard';
import { LENGTH_UNITS, type LengthUnit } from '@/core/units/length-units';
import { levelSchedule } from '@/core/schedules/level-schedule';
import { PLAN_AXES, type PlanAxes } from '@/core/drawing/moved-drawing';
import { settingOutPlan } from '@/core/drawing/setting-out-plan';
import type { Solved } from '@/core/solving/solved';
import { formatElevation, formatLength } from '@/core/units/format-length';
import { writeSpineFile } from '@/core/kinds/spine-text';
import { readSpineFile } from '@/formats/json/spine-file';
import { workApart } from '@/formats/sandbox/work-process';
import { candidatesFor, withNegatives } from './candidates';
import { solveRoof } from './solve-roof';
import { HELP } from './help';
import { BadInput, readInput, readText, writeOutputs, type Output } from './outputs';
import { buildingOf, levelOf } from './meant';
import { whatWouldChange } from './would-change';

const CLEAN = 0;
const WITH_ERRORS = 1;
const BAD = 2;

function take<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  throw new BadInput(result.refusal.message);
}

async function openFramework(file: string | undefined): Promise<Framework> {
  return file === undefined ? EMPTY_FRAMEWORK : take(readSpineFile(await readText(file)));
}

/** Runs one command; ids depend only on the framework, the command and its input, so a script gives the same file each time. */
function run(framework: Framework, name: string, input: unknown): Framework {
  const id = derivedCommandId(frameworkHash(framework), name, canonicalJson(input ?? null));
  return take(plan(framework, name, input, id)).after;
}

/** The framework with a building to import into. */
function withBuilding(framework: Framework): Framework {
  return recordsOf(framework, 'building').length > 0
    ? framework
    : run(framework, 'buildings.add', { name: 'Building' });
}

async function importInto(
  framework: Framework,
  file: string,
  kind: string,
  unit: LengthUnit | undefined,
  layer: string | undefined,
  { building: into, existing }: Options,
): Promise<Framework> {
  const bytes = await readInput(file);
  if (kind === 'levels') {
    const { rows } = take(await workApart<LevelTable, 'levels'>('levels', { name: file, unit }, bytes));
    // Levels of several buildings go into those of their names.
    if (into === undefined && rows.some((row) => row.building !== undefined))
      return run(framework, 'levels.take', { rows });
    const base = withBuilding(framework);
    return run(base, 'levels.take', { building: buildingOf(base, into), rows });
  }
  const base = withBuilding(framework);
  const building = buildingOf(base, into);
  const name = base.records.get(building)!;
  const sheet = sheetOfBuilding(
    take(await workApart<Sheet, 'drawing'>('drawing', {}, bytes)),
    name.kind === 'building' ? name.name : '',
  );
  if (kind === 'grid')
    return run(base, 'grids.add', { building, ...gridInput(take(recogniseGrid(sheet, { unit, layer }))) });
  const { columns } = take(recogniseColumns(base, building, sheet, { unit, layer }));
  return run(base, 'columns.take', { building, columns, ...(existing === undefined ? {} : { existing }) });
}

function exitCode(framework: Framework): number {
  return solve(framework).findings.some(({ severity }) => severity === 'error') ? WITH_ERRORS : CLEAN;
}

const OPTIONS = {
  kind: { type: 'string' },
  unit: { type: 'string' },
  layer: { type: 'string' },
  open: { type: 'string' },
  save: { type: 'string' },
  out: { type: 'string' },
  ifc: { type: 'string' },
  levels: { type: 'string' },
  plan: { type: 'string' },
  level: { type: 'string' },
  building: { type: 'string' },
  axes: { type: 'string' },
  existing: { type: 'string' },
  scale: { type: 'string' },
  form: { type: 'string' },
  height: { type: 'string' },
  well: { type: 'string' },
  width: { type: 'string' },
  rules: { type: 'string' },
  risers: { type: 'string' },
  going: { type: 'string' },
  rise: { type: 'string' },
  run: { type: 'string' },
  outline: { type: 'string' },
  hole: { type: 'string', multiple: true },
  slopes: { type: 'string' },
  overhang: { type: 'string' },
  eaves: { type: 'string' },
  'dry-run': { type: 'boolean' },
  json: { type: 'boolean' },
  help: { type: 'boolean' },
} as const;

type Options = {
  [K in Exclude<keyof typeof OPTIONS, 'hole'>]?: (typeof OPTIONS)[K]['type'] extends 'boolean' ? boolean : string;
};

async function importCommand(file: string, options: Options): Promise<number> {
  const { kind, unit, layer, open, save, building, existing } = options;
  if (!['levels', 'grid', 'columns'].includes(kind ?? ''))
    throw new BadInput('Say what to import: --kind levels, grid or columns');
  if (unit !== undefined && !LENGTH_UNITS.includes(unit as LengthUnit))
    throw new BadInput(`--unit is one of ${LENGTH_UNITS.join(', ')}`);
  if (existing !== undefined && !['keep', 'change'].includes(existing))
    throw new BadInput('--existing is one of keep, change');
  const dryRun = options['dry-run'];
  if (!save && !dryRun) throw new BadInput('Say where to save the framework: --save OUT.spine.json');
  const before = await openFramework(open);
  const framework = await importInto(before, file, kind!, unit as LengthUnit | undefined, layer, options);
  if (dryRun) {
    const buildings =
      building === undefined ? recordsOf(framework, 'building').map(({ id }) => id) : [buildingOf(framework, building)];
    process.stdout.write(`${whatWouldChange(before, framework, buildings).join('\n')}\n`);
    return CLEAN;
  }
  await writeOutputs([{ file: save!, contents: writeSpineFile(framework) }]);
  return exitCode(framework);
}

async function runCommand(file: string, { open, save }: Options): Promise<number> {
  let script: unknown;
  try {
    script = JSON.parse(await readText(file));
  } catch (error) {
    if (error instanceof BadInput) throw error;
    throw new BadInput(`${file} does not hold JSON`);
  }
  if (!Array.isArray(script)) throw new BadInput('A script is a JSON array of { "command": …, "input": … }');
  let framework = await openFramework(open);
  script.forEach((step: unknown, i) => {
    const { command, input } = (step ?? {}) as { command?: unknown; input?: unknown };
    if (typeof command !== 'string') throw new BadInput(`Step ${i + 1} of the script names no command`);
    try {
      framework = run(framework, command, input ?? {});
    } catch (error) {
      if (error instanceof BadInput) throw new BadInput(`Step ${i + 1}, ${command}: ${error.message}`);
      throw error;
    }
  });
  if (save) await writeOutputs([{ file: save, contents: writeSpineFile(framework) }]);
  return exitCode(framework);
}

async function reportCommand(file: string, { out, building }: Options): Promise<number> {
  const framework = await openFramework(file);
  const whole = reportOf(framework, solve(framework));
  const report = building === undefined ? whole : reportOfBuilding(whole, buildingOf(framework, building));
  const text = `${JSON.stringify(report, null, 2)}\n`;
  if (out) await writeOutputs([{ file: out, contents: text }]);
  else process.stdout.write(text);
  return report.findings.some(({ severity }) => severity === 'error') ? WITH_ERRORS : CLEAN;
}

/** The setting-out plan of a level in the form its file name ends in. */
async function sheetOf(framework: Framework, solved: Solved, file: string, options: Options): Promise<Output> {
  const ending = /\.(pdf|svg|dxf)$/i.exec(file)?.[1]?.toLowerCase();
  if (!ending) throw new BadInput('--plan takes a name that ends in .pdf, .svg or .dxf');
  if (!options.level) throw new BadInput('Say which level: --level NAME');
  const scale = Number(options.scale ?? 100);
  if (!(Number.isInteger(scale) && scale >= 10 && scale <= 2000)) throw new BadInput('--scale is 10 to 2000');
  const axes = (options.axes ?? 'building') as PlanAxes;
  if (!PLAN_AXES.includes(axes)) throw new BadInput(`--axes is one of ${PLAN_AXES.join(', ')}`);
  if (axes === 'survey' && !solved.survey)
    throw new BadInput('Where the project stands in the survey is not known. Say so first, or use --axes site');
  const level = levelOf(framework, solved, options.level, options.building);
  const [project] = recordsOf(framework, 'project');
  const plan = settingOutPlan(solved, project?.name ?? 'Project', {
    level: level.id,
    scale,
    details: project?.details,
    axes,
    writeLength: formatLength,
    writeElevation: formatElevation,
  });
  if (!plan) throw new BadInput(`There is nothing to draw, or no sheet up to A0 holds it at 1 : ${scale}`);
  const contents =
    ending === 'pdf'
      ? await (await import('@/formats/pdf/write')).writePdf(plan, new Date())
      : ending === 'svg'
        ? (await import('@/formats/svg/write')).writeSvg(plan)
        : (await import('@/formats/dxf/write')).writeDxf(plan.drawing);
  return { file, contents };
}

async function exportCommand(file: string, options: Options): Promise<number> {
  const { ifc, levels, plan, building } = options;
  if (!ifc && !levels && !plan)
    throw new BadInput('Say what to write: --ifc OUT.ifc, --levels OUT.csv or --plan OUT.pdf');
  if (levels && !/\.(csv|xlsx)$/i.test(levels)) throw new BadInput('--levels takes a name that ends in .csv or .xlsx');
  const framework = await openFramework(file);
  if (building !== undefined) buildingOf(framework, building);
  const solved = solve(framework);
  const outputs: Output[] = [];
  if (ifc) {
    const { writeIfc } = await import('@/formats/ifc/write');
    outputs.push({ file: ifc, contents: writeIfc(framework, solved, new Date()) });
  }
  if (levels) {
    const isOfAll = building === undefined && solved.buildings.length > 1;
    const table = levelSchedule(solved, isOfAll ? null : buildingOf(framework, building));
    const contents = /\.xlsx$/i.test(levels)
      ? await (await import('@/formats/xlsx/write-table')).writeTableXlsx(table)
      : (await import('@/formats/csv/write-table')).writeTableCsv(table);
    outputs.push({ file: levels, contents });
  }
  if (plan) outputs.push(await sheetOf(framework, solved, plan, options));
  await writeOutputs(outputs);
  return solved.findings.some(({ severity }) => severity === 'error') ? WITH_ERRORS : CLEAN;
}

/** The demo, made by its commands. */
const demo = (): Framework =>
  TIDEWATER_YARD.reduce((made, { command, input }) => run(made, command, input), EMPTY_FRAMEWORK);

async function demoCommand({ save }: Options): Promise<number> {
  if (!save) throw new BadInput('Say where to save the demo: --save OUT.spine.json');
  const framework = demo();
  await writeOutputs([{ file: save, contents: writeSpineFile(framework) }]);
  return exitCode(framework);
}

/** Works the demo or a file out, and says which passes read which. */
async function passesCommand(file: string | undefined, { json }: Options): Promise<number> {
  const framework = file === undefined ? demo() : await openFramework(file);
  const solver = new Solver();
  solver.solve(framework);
  const rows = passOrder(solver.dependencies());
  process.stdout.write(json ? `${JSON.stringify(rows, null, 2)}\n` : passText(rows));
  return CLEAN;
}

async function main(args: string[]): Promise<number> {
  let parsed;
  try {
    parsed = parseArgs({ args: withNegatives(args), options: OPTIONS, allowPositionals: true });
  } catch (error) {
    throw new BadInput(`${(error as Error).message.split('.')[0]}. See spine --help`);
  }
  const [verb, file] = parsed.positionals;
  if (parsed.values.help || verb === undefined) {
    process.stdout.write(HELP);
    return verb === undefined && !parsed.values.help ? BAD : CLEAN;
  }
  if (verb === 'commands') {
    process.stdout.write(`${JSON.stringify(commandList(), null, 2)}\n`);
    return CLEAN;
  }
  if (verb === 'solve-stair' || verb === 'solve-ramp') {
    process.stdout.write(`${JSON.stringify(candidatesFor(verb, file, parsed.values), null, 2)}\n`);
    return CLEAN;
  }
  if (verb === 'solve-roof') {
    process.stdout.write(`${JSON.stringify(solveRoof(file, parsed.values), null, 2)}\n`);
    return CLEAN;
  }
  if (verb === 'passes') return passesCommand(file, parsed.values);
  if (verb === 'demo') return demoCommand(parsed.values);
  const verbs = { import: importCommand, run: runCommand, report: reportCommand, export: exportCommand };
  if (!Object.hasOwn(verbs, verb)) throw new BadInput(`There is no "${verb}". See spine --help`);
  if (file === undefined) throw new BadInput(`Say which file to ${verb}. See spine --help`);
  if (parsed.positionals.length > 2)
    throw new BadInput(`One file at a time: "${parsed.positionals[2]}" is one too many`);
  return verbs[verb as keyof typeof verbs](file, parsed.values);
}

main(process.argv.slice(2)).then(
  (code) => {
    process.exitCode = code;
  },
  (error: unknown) => {
    const message =
      error instanceof BadInput
        ? error.message
        : `Something went wrong inside the program: ${(error as Error).message}`;
    process.stderr.write(`spine: ${message.replace(/\s*\n\s*/g, ' ')}\n`);
    process.exitCode = BAD;
  },
);
