import type { InputsOf } from '../model/command-inputs';
import { COLUMN_CHANGE_COMMANDS } from './change-commands';
import { COLUMN_PLACE_COMMANDS } from './place-commands';

export const COLUMN_COMMANDS = [...COLUMN_PLACE_COMMANDS, ...COLUMN_CHANGE_COMMANDS] as const;

declare module '../model/command-inputs' {
  interface CommandInputs extends InputsOf<typeof COLUMN_COMMANDS> {}
}
