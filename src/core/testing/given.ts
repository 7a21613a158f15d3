import { derivedCommandId } from '../model/ids';
import { plan } from '../commands/commands';
import { EMPTY_FRAMEWORK, recordsOf, type Framework } from '../model/framework';
import type { Planned } from '../commands/command';
import type { Step, CommandName, CommandInputs, Sent } from '../commands/command-inputs';

/** A framework built by commands, for tests. Throws with the refusal when a step is refused. */
export function given(steps: readonly Step[], start: Framework = EMPTY_FRAMEWORK): Framework {
  return steps.reduce((framework, [name, input], i) => step(framework, name, input, `${i}`).after, start);
}

/** Commands as they are sent, as steps. */
export const stepsOf = (sent: readonly Sent[]): Step[] => sent.map(({ command, input }) => [command, input] as Step);

/** One step that must succeed. */
export function step<Name extends CommandName>(
  framework: Framework,
  name: Name,
  input: CommandInputs[Name],
  salt = '',
): Planned {
  const planned = plan(
    framework,
    name,
    input,
    derivedCommandId(name, JSON.stringify(input), salt, String(framework.records.size)),
  );
  if (!planned.ok) throw new Error(`${name} refused: ${planned.refusal.message}`);
  return planned.value;
}

/** What comes of one step that must succeed, from a framework of one's own or from `base`. */
export const afterFrom =
  (base?: Framework) =>
  <Name extends CommandName>(name: Name, input: CommandInputs[Name], framework: Framework = base ?? EMPTY_FRAMEWORK) =>
    step(framework, name, input).after;

/** One step that must be refused: its message. */
export function refusal(framework: Framework, name: string, input: unknown): string {
  const planned = plan(framework, name, input, derivedCommandId(name, 'refused'));
  if (planned.ok) throw new Error(`${name} was not refused`);
  return planned.refusal.message;
}

/** Two basements, ground 5.4 m, two storeys of 4.8 m, two of 3.3 m, roof. */
export const SMALL_TOWER: Step[] = [
  ['buildings.add', { name: 'Hall' }],
  ['levels.setUp', { above: '5.4m 2@4.8m 2@3.3m', below: '3.9m 3.6m' }],
  ['grids.add', { baysA: '2@7200 3600 7200', baysB: '6600 7800' }],
];

/** The small tower with columns at all crossings, a floor plate 300 outside the grid, one shaft, and a raft. */
export const FURNISHED: Step[] = [
  ...SMALL_TOWER,
  ['floors.add', { name: 'Plate', outline: { type: 'gridOffset', offsetMm: 300 }, thicknessMm: 250 }],
  ['columns.placeAtCrossings', { lines: 'all', section: { shape: 'rectangle', widthMm: 500, depthMm: 500 } }],
  [
    'shafts.add',
    { name: 'S1', outline: { type: 'rectangle', place: 'A-1 + 2000,1500', widthMm: 2400, depthMm: 3000 } },
  ],
  ['foundations.add', { form: 'raft' }],
];

export const levelId = (framework: Framework, name: string): string =>
  recordsOf(framework, 'level').find((level) => level.name === name)!.id;
