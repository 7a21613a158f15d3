import { z } from 'zod';
import { BUILDING_COMMANDS } from '../buildings/building-commands';
import { CARRY_COMMANDS } from '../carrying/carry-commands';
import { WHOLE_BUILDING_COMMANDS } from '../carrying/whole-building';
import { CEILING_COMMANDS } from '../ceilings/ceiling-commands';
import { COLUMN_COMMANDS } from '../columns/column-commands';
import { CORE_COMMANDS } from '../cores/core-commands';
import { DIMENSION_COMMANDS } from '../dimensions/dimension-commands';
import { COPY_COMMANDS } from '../elements/copy-commands';
import { EDGE_COMMANDS } from '../elements/edge-command';
import { ELEMENT_COMMANDS } from '../elements/element-commands';
import { FLOOR_COMMANDS } from '../floors/floor-commands';
import { HISTORY_COMMANDS } from '../history/undo-command';
import { FOUNDATION_COMMANDS } from '../foundations/foundation-commands';
import { GRID_COMMANDS } from '../grids/grid-commands';
import { PRESET_COMMANDS } from '../grids/preset-commands';
import { LEVEL_COMMANDS } from '../levels/level-commands';
import { ROOF_COMMANDS } from '../roofs/roof-commands';
import { ROOM_COMMANDS } from '../rooms/room-commands';
import { SETTING_OUT_COMMANDS } from '../setting-out/setting-out-commands';
import { SHAFT_COMMANDS } from '../shafts/shaft-commands';
import { STAIR_COMMANDS } from '../stairs/stair-commands';
import { TYPICAL_COMMANDS } from '../typical/typical-commands';
import { UNDERLAY_COMMANDS } from '../underlays/underlay-commands';
import { NAMED_VIEW_COMMANDS } from '../views/named-view-commands';
import { VIEW_COMMANDS } from '../views/view-commands';
import { CLEAR_WIDTH_COMMANDS } from '../walls/clear-width-commands';
import { PARTY_COMMANDS } from '../walls/party-command';
import { WALL_COMMANDS } from '../walls/wall-commands';
import { everyFacet } from '../kinds/registry';
import { planCommand, type Command, type Planned, type Recall } from './command';
import type { CommandName } from './command-inputs';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { refuse, type Result } from '../model/result';

/** Every command there is: those listed here, and those kinds say themselves. */
export const COMMANDS: readonly Command[] = [
  ...BUILDING_COMMANDS,
  ...LEVEL_COMMANDS,
  ...GRID_COMMANDS,
  ...PRESET_COMMANDS,
  ...SETTING_OUT_COMMANDS,
  ...COLUMN_COMMANDS,
  ...FLOOR_COMMANDS,
  ...SHAFT_COMMANDS,
  ...STAIR_COMMANDS,
  ...WALL_COMMANDS,
  ...CLEAR_WIDTH_COMMANDS,
  ...PARTY_COMMANDS,
  ...ROOF_COMMANDS,
  ...ROOM_COMMANDS,
  ...CEILING_COMMANDS,
  ...FOUNDATION_COMMANDS,
  ...CORE_COMMANDS,
  ...TYPICAL_COMMANDS,
  ...CARRY_COMMANDS,
  ...WHOLE_BUILDING_COMMANDS,
  ...ELEMENT_COMMANDS,
  ...EDGE_COMMANDS,
  ...COPY_COMMANDS,
  ...DIMENSION_COMMANDS,
  ...VIEW_COMMANDS,
  ...NAMED_VIEW_COMMANDS,
  ...UNDERLAY_COMMANDS,
  ...HISTORY_COMMANDS,
  ...everyFacet('commands').flatMap(({ all }) => all),
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
