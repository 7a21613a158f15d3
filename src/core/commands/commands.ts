import { z } from 'zod';
import { CARRY_COMMANDS } from '../carrying/carry-commands';
import { WHOLE_BUILDING_COMMANDS } from '../carrying/whole-building';
import { CORE_BUILD_COMMANDS } from '../cores/build-command';
import { CORE_COMMANDS } from '../cores/core-commands';
import { COPY_COMMANDS } from '../elements/copy-commands';
import { END_COMMANDS } from '../elements/end-command';
import { PASTE_COMMANDS } from '../elements/paste-command';
import { CORNER_COMMANDS } from '../elements/corner-commands';
import { EDGE_COMMANDS } from '../elements/edge-command';
import { OFFSET_COMMANDS } from '../elements/offset-command';
import { ELEMENT_COMMANDS } from '../elements/element-commands';
import { HISTORY_COMMANDS } from '../history/undo-command';
import { everyFacet } from '../kinds/registry';
import { planCommand, type Command, type Planned, type Recall } from './command';
import type { CommandName } from './command-inputs';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { refuse, type Result } from '../model/result';

/** Every command there is: those of each kind, then those for things of several kinds at once. */
export const COMMANDS: readonly Command[] = [
  ...everyFacet('commands').flatMap(({ all }) => all),
  ...CARRY_COMMANDS,
  ...WHOLE_BUILDING_COMMANDS,
  ...CORE_COMMANDS,
  ...CORE_BUILD_COMMANDS,
  ...ELEMENT_COMMANDS,
  ...EDGE_COMMANDS,
  ...OFFSET_COMMANDS,
  ...CORNER_COMMANDS,
  ...COPY_COMMANDS,
  ...PASTE_COMMANDS,
  ...END_COMMANDS,
  ...HISTORY_COMMANDS,
];

const byName = new Map(COMMANDS.map((command) => [command.name, command]));

/** The earlier command that one names in its input, of those that do; null of all others. */
export function recalledBy(name: string, input: unknown): Id | null {
  const command = byName.get(name);
  const parsed = command?.recalls && command.input.safeParse(input);
  return parsed?.success ? command!.recalls!(parsed.data) : null;
}

/**
 * Plans a command by name, as it came from outside: nothing is known of its input yet. `recall` finds earlier commands, for those
 * that take them back.
 */
export function plan(
  framework: Framework,
  name: CommandName | (string & {}),
  input: unknown,
  commandId: Id,
  recall?: Recall,
): Result<Planned> {
  const command = byName.get(name);
  if (!command) return refuse(`There is no command named "${name}". The list of commands names them all`);
  return planCommand(command, framework, input, commandId, recall);
}

/** Commands with the JSON schemas of their inputs, for the documentation and the interface over HTTP. */
export const commandList = (): { name: string; title: string; input: unknown }[] =>
  COMMANDS.map(({ name, title, input }) => ({ name, title, input: z.toJSONSchema(input, { io: 'input' }) }));
