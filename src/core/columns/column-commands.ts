import type { InputsOf } from '../commands/command-inputs';
import { COLUMN_CHANGE_COMMANDS } from './change-commands';
import { COLUMN_PLACE_COMMANDS } from './place-commands';

export const COLUMN_COMMANDS = [...COLUMN_PLACE_COMMANDS, ...COLUMN_CHANGE_COMMANDS] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof COLUMN_COMMANDS> {}
}
